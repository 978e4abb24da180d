/**
 * Where a request goes. Everything behind this line reads one and the same address: what could be read in two ways (dot
 * segments, encoded or doubled slashes, backslashes, parameters after a semicolon, another server's address) is refused.
 */

/** Path of unreserved characters and a few that the built files use; nothing encoded, no empty or dot segment but the last. */
const PLAIN_PATH = /^(?:\/(?!\.{1,2}(?:\/|$))[A-Za-z0-9._~@$+!()-]+)*\/?$/;
/** Visible ASCII without what is never left unencoded in a query. */
const PLAIN_QUERY = /^[\x21\x24-\x3B\x3D\x3F-\x5B\x5D\x5F\x61-\x7E]*$/;
const LONGEST = 8192;

export interface RequestTarget {
  readonly path: string;
  /** With its question mark; '' where there is none. */
  readonly search: string;
}

/** Returns the address of a request in its plain form; null where it is not written so. */
export function readTarget(raw: string | undefined): RequestTarget | null {
  if (raw === undefined || raw.length > LONGEST || !raw.startsWith('/')) return null;
  const at = raw.indexOf('?');
  const [path, search] = at < 0 ? [raw, ''] : [raw.slice(0, at), raw.slice(at)];
  if (!PLAIN_PATH.test(path) || path.includes('//')) return null;
  return PLAIN_QUERY.test(search) ? { path, search } : null;
}
