import { createHash } from 'node:crypto';

/** Inline scripts of a page: the framework's island starter and the colour scheme; never anything of a user's. */
const INLINE_SCRIPT = /<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g;

/** The hashes of a page's inline scripts, as a content security policy names them. */
export function scriptHashes(html: string): string[] {
  const hashes = [...html.matchAll(INLINE_SCRIPT)].map((match) =>
    createHash('sha256')
      .update(match[1] ?? '')
      .digest('base64'),
  );
  return [...new Set(hashes)].map((hash) => `'sha256-${hash}'`);
}

/**
 * The policy sent with everything: scripts of our own and those named, styles of our own and inline ones (the
 * component library sets them), pictures of our own; no frames, no forms to elsewhere.
 */
export function contentPolicy(hashes: readonly string[]): string {
  return [
    "default-src 'self'",
    `script-src ${["'self'", ...hashes].join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}
