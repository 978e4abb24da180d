/** From where a request comes: the address of its connection, or what a proxy says that was named at the start. */
import type { IncomingMessage } from 'node:http';
import proxyaddr from 'proxy-addr';

type Trust = (address: string, hop: number) => boolean;

/** Returns a test of addresses; throws where one of those named is none. */
export const trustOf = (proxies: readonly string[]): Trust =>
  proxies.length === 0 ? () => false : proxyaddr.compile([...proxies]);

/** Returns the address that limits go by. */
export const addressOf = (request: IncomingMessage, trust: Trust): string => proxyaddr(request, trust);

const PROXY_HEADERS = [
  'forwarded',
  'via',
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-real-ip',
];

/** Returns whether a request says that something stands between the browser and this program. */
export const cameThroughProxy = ({ headers }: Pick<IncomingMessage, 'headers'>): boolean =>
  PROXY_HEADERS.some((name) => headers[name] !== undefined);

/** Returns whether a connection comes from this machine. */
export const isFromHere = ({ socket }: Pick<IncomingMessage, 'socket'>): boolean =>
  /^(?:127\.|::1$|::ffff:127\.)/.test(socket.remoteAddress ?? '');

/** Returns whether the browser speaks HTTPS, as a named proxy says. */
export const isSecure = (request: IncomingMessage, trust: Trust): boolean =>
  trust(request.socket.remoteAddress ?? '', 0) && request.headers['x-forwarded-proto'] === 'https';
