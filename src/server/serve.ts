/** Opens the database, then serves the built application on 127.0.0.1. */
import { rmSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';
import { readArguments, type Arguments } from './arguments';
import { setContext } from './current';
import { BODY_LIMIT, comesFromHere, refuse, setSecurityHeaders } from './guard';
import { DATABASE_FILE, openContext } from './open';

const HOST = '127.0.0.1';
const YEAR_S = 31_536_000;

type Handler = (request: IncomingMessage, response: ServerResponse, next: (error?: unknown) => void) => void;

function fail(message: string): never {
  console.error(`velto: ${message}`);
  process.exit(1);
}

function readOrFail(): Arguments {
  const given = readArguments(process.argv.slice(2), process.env);
  return 'error' in given ? fail(given.error) : given;
}

function removeDatabase(folder: string): void {
  for (const end of ['', '-wal', '-shm']) rmSync(join(resolve(folder), DATABASE_FILE + end), { force: true });
}

const built = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

async function main(): Promise<void> {
  process.env.NODE_ENV ??= 'production';
  const given = readOrFail();
  if (given.fresh) removeDatabase(given.dataFolder);
  const { context, loaded } = await openContext({ dataFolder: given.dataFolder, demo: !given.empty });
  setContext(context);
  console.log(
    `data: ${join(resolve(given.dataFolder), DATABASE_FILE)}${loaded ? ', demo records loaded' : ''}`,
  );
  const { handler } = (await import(new URL('./server/entry.mjs', import.meta.url).href)) as {
    handler: Handler;
  };
  const files = sirv(built('./client'), { maxAge: YEAR_S, immutable: true, etag: true });
  const server = createServer((request, response) => {
    setSecurityHeaders(response);
    if (!comesFromHere(request)) return refuse(response, 'wrongOrigin');
    if (Number(request.headers['content-length'] ?? 0) > BODY_LIMIT) return refuse(response, 'tooLarge');
    files(request, response, () =>
      handler(request, response, (error) =>
        error ? answerFault(response) : answerMissing(handler, request, response),
      ),
    );
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE')
      fail(`port ${given.port} is taken: choose another with --port, or end the program that holds it`);
    if (error.code === 'EACCES')
      fail(`no right to listen on port ${given.port}: choose one above 1023 with --port`);
    fail(String(error));
  });
  server.listen(given.port, HOST, () =>
    console.log(`Velto is at http://${HOST}:${(server.address() as AddressInfo).port}/`),
  );
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.once(signal, () => {
      server.close(() => void context.store.close().then(() => process.exit(0)));
      server.closeIdleConnections();
    });
  }
}

/** What no page or endpoint knows: a page in words, or a problem where a program asked. */
function answerMissing(handler: Handler, request: IncomingMessage, response: ServerResponse): void {
  if (request.url?.startsWith('/api/')) return refuse(response, 'notFound');
  request.url = '/404';
  handler(request, response, () => answerFault(response));
}

function answerFault(response: ServerResponse): void {
  if (!response.headersSent) refuse(response, 'unexpected');
}

main().catch((error: unknown) => fail(error instanceof Error ? error.message : String(error)));
