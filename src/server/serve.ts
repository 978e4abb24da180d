/** Opens the database, then serves the built application on 127.0.0.1. */
import { rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Application, type Handler } from './application';
import { readArguments, type Arguments } from './arguments';
import { setContext } from './current';
import { DATABASE_FILE, openContext } from './open';

const HOST = '127.0.0.1';
/** How long requests under way may take once the server is asked to end, ms. */
const DRAIN_MS = 5000;

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
  const application = new Application(handler, built('./client'));
  const server = createServer((request, response) => application.answer(request, response));
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE')
      fail(`port ${given.port} is taken: choose another with --port, or end the program that holds it`);
    if (error.code === 'EACCES')
      fail(`no right to listen on port ${given.port}: choose one above 1023 with --port`);
    fail(String(error));
  });
  server.listen(given.port, HOST, () => {
    const address = `http://${HOST}:${(server.address() as AddressInfo).port}/`;
    application.learnScripts(address).then(
      () => console.log(`Velto is at ${address}`),
      (error: unknown) => fail(String(error)),
    );
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.once(signal, () => {
      // Requests under way are answered, then the writes under way are finished and the log folded into the file.
      server.close(() => void context.store.close().then(() => process.exit(0)));
      server.closeIdleConnections();
      setTimeout(() => server.closeAllConnections(), DRAIN_MS).unref();
    });
  }
}

main().catch((error: unknown) => fail(error instanceof Error ? error.message : String(error)));
