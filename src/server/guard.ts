import type { IncomingMessage, ServerResponse } from 'node:http';
import { PROBLEMS, type ProblemReason } from '../contract';

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

/** Whether a request that changes something comes from the address it was sent to. */
export function comesFromHere(request: IncomingMessage): boolean {
  if (READING.has(request.method ?? '')) return true;
  const { origin, host } = request.headers;
  if (origin === undefined) return request.headers['sec-fetch-site'] === undefined;
  return host !== undefined && hostOf(origin) === host;
}

/** Host and port of an origin; a proxy in front may speak https where we speak http. */
const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null);

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Whether a request to a program that listens on its own machine only was meant for it, and not led here by a name. */
export function meantForLoopback(request: IncomingMessage): boolean {
  const { host } = request.headers;
  return (
    host !== undefined && URL.canParse(`http://${host}`) && LOOPBACK.has(new URL(`http://${host}`).hostname)
  );
}

/** Why a body is not read: too long, or of a length that was not said. */
export function bodyFault(request: IncomingMessage): ProblemReason | null {
  if (request.headers['transfer-encoding'] !== undefined) return 'lengthMissing';
  return Number(request.headers['content-length'] ?? 0) > BODY_LIMIT ? 'tooLarge' : null;
}

export function refuse(response: ServerResponse, reason: ProblemReason): void {
  const { status, title } = PROBLEMS[reason];
  response.writeHead(status, { 'content-type': 'application/problem+json', connection: 'close' });
  response.end(JSON.stringify({ type: `urn:velto:problem:${reason}`, title, status }));
}
