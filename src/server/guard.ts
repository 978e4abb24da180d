import type { IncomingMessage, ServerResponse } from 'node:http';
import { problemBody } from '../api/answers';
import type { ProblemReason } from '../contract';
import { cameThroughProxy, isFromHere } from './addresses';

/** Largest request body, bytes; a whole fitting is far below. */
export const BODY_LIMIT = 1_000_000;

const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
};
/** What says something of pages only: scripts and styles need not carry it, and there are many of them. */
const OF_PAGES: Readonly<Record<string, string>> = {
  'x-frame-options': 'DENY',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};

export interface Secured {
  readonly policy: string;
  /** Whether it can be a page. */
  readonly isPage: boolean;
  /** Whether browsers trust the address; elsewhere they warn of what only means something there. */
  readonly isTrusted: boolean;
}

export function setSecurityHeaders(response: ServerResponse, { policy, isPage, isTrusted }: Secured): void {
  response.setHeader('content-security-policy', policy);
  for (const [name, value] of Object.entries({ ...HEADERS, ...(isPage ? OF_PAGES : {}) }))
    response.setHeader(name, value);
  if (isPage && isTrusted) response.setHeader('cross-origin-opener-policy', 'same-origin');
}

const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Returns whether a request that changes something comes from the address it was sent to.
 * @param publicHost where browsers find the program, where a proxy stands in front
 */
export function comesFromHere(request: IncomingMessage, publicHost: string | null): boolean {
  if (READING.has(request.method ?? '')) return true;
  const { origin, host } = request.headers;
  if (origin === undefined) return request.headers['sec-fetch-site'] === undefined;
  const from = hostOf(origin);
  return from !== null && (from === host || from === publicHost);
}

/** Host and port of an origin; a proxy in front may speak https where we speak http. */
export const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null);

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * Returns why a request to a program without a passphrase is refused; null where it comes from this machine, was meant
 * for it, and was not led here by a name or through a proxy.
 */
export function strangerTo(request: IncomingMessage): ProblemReason | null {
  const { host } = request.headers;
  const isMeant = host !== undefined && LOOPBACK.has(new URL(`http://${host}`).hostname);
  if (!isMeant || !isFromHere(request)) return 'wrongHost';
  return cameThroughProxy(request) ? 'proxyUnknown' : null;
}

/** Returns whether a request names exactly one server, in a form that can be read in one way only. */
export function namesOneHost({ headers, rawHeaders }: IncomingMessage): boolean {
  const { host } = headers;
  const hosts = rawHeaders.filter((text, i) => i % 2 === 0 && text.toLowerCase() === 'host');
  return (
    hosts.length === 1 &&
    host !== undefined &&
    /^[A-Za-z0-9.[\]:-]+$/.test(host) &&
    URL.canParse(`http://${host}`)
  );
}

/** Why a body is not read: too long, or of a length that was not said. */
export function bodyFault(request: IncomingMessage): ProblemReason | null {
  if (request.headers['transfer-encoding'] !== undefined) return 'lengthMissing';
  return Number(request.headers['content-length'] ?? 0) > BODY_LIMIT ? 'tooLarge' : null;
}

export function refuse(response: ServerResponse, reason: ProblemReason): void {
  const body = problemBody(reason);
  response.writeHead(body.status, {
    'content-type': 'application/problem+json',
    'cache-control': 'no-store',
    connection: 'close',
  });
  response.end(JSON.stringify(body));
}
