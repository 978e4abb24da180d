/** Returns the media type of a `Content-Type` header in lower case; null where it is none, or not in UTF-8. */
export function mediaTypeOf(header: string | null): string | null {
  const [type = '', ...parameters] = (header ?? '').split(';').map((part) => part.trim().toLowerCase());
  if (!/^[\w.+-]+\/[\w.+-]+$/.test(type)) return null;
  const charset = parameters
    .find((p) => p.startsWith('charset='))
    ?.slice('charset='.length)
    .replace(/"/g, '');
  return charset === undefined || charset === 'utf-8' || charset === 'utf8' ? type : null;
}
