/**
 * Returns where to go after signing in: a page of this site, never elsewhere.
 * @param here address of the sign-in page, with the wish in `to`
 */
export function destinationOf(here: string): string {
  const { origin, searchParams } = new URL(here);
  const wanted = searchParams.get('to') ?? '/';
  // Read as the browser will read it: it drops tabs and line ends, and takes a backslash for a slash.
  if (!wanted.startsWith('/') || !URL.canParse(wanted, origin)) return '/';
  const { origin: there, pathname, search, hash } = new URL(wanted, origin);
  return there === origin && !pathname.startsWith('//') ? pathname + search + hash : '/';
}
