/** Opens the database, then serves the built application: on this machine, or beyond it with a passphrase. */
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Application, type Handler } from './application';
import { tidy } from '../service/deleting';
import { LOOPBACK_HOST, readArguments, type Arguments } from './arguments';
import { setCurrent } from './current';
import { Gate } from './gate';
import { logFault } from './log-fault';
import { DATABASE_FILE, openContext, removeData } from './open';
import { openThreads } from './threads';

/** How long requests under way may take once the server is asked to end, ms. */
const DRAIN_MS = 5000;
/** How often what was deleted is looked through, ms. */
const TIDY_MS = 60_000;
/** After so long without a change the log is folded into the file, ms; and how often that is looked at. */
const QUIET_MS = 60_000;
const LOOK_MS = 10_000;
/** New files are for whoever runs the program only. */
const OWNER_ONLY = 0o077;

function fail(message: string): never {
  console.error(`velto: ${message}`);
  process.exit(1);
}

function readOrFail(): Arguments {
  const given = readArguments(process.argv.slice(2), process.env);
  return 'error' in given ? fail(given.error) : given;
}

const built = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

async function main(): Promise<void> {
  process.env.NODE_ENV ??= 'production';
  process.umask(OWNER_ONLY);
  const given = readOrFail();
  const threads = openThreads(built('./thread.mjs'));
  if (given.fresh) removeData(given.dataFolder);
  const { context, loaded } = await openContext({
    dataFolder: given.dataFolder,
    demo: given.demo,
    compute: threads.compute,
  });
  const gate = given.passphrase === null ? null : await Gate.make(given.passphrase);
  setCurrent(context, gate);
  const logTidying = (error: unknown) => logFault('tidying up', error);
  setInterval(() => void tidy(context).catch(logTidying), TIDY_MS).unref();
  setInterval(() => void context.store.foldIfQuiet(QUIET_MS).catch(logTidying), LOOK_MS).unref();
  console.log(
    `data: ${join(resolve(given.dataFolder), DATABASE_FILE)}${loaded ? ', demo records loaded' : ''}`,
  );
  const { handler } = (await import(new URL('./server/entry.mjs', import.meta.url).href)) as {
    handler: Handler;
  };
  const application = new Application({
    handler,
    clientFolder: built('./client'),
    gate,
    proxies: given.proxies,
    publicUrl: given.publicUrl,
  });
  const server = createServer((request, response) => application.answer(request, response));
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE')
      fail(`port ${given.port} is taken: choose another with --port, or end the program that holds it`);
    if (error.code === 'EACCES')
      fail(`no right to listen on port ${given.port}: choose one above 1023 with --port`);
    if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND')
      fail(`this machine has no address ${given.host}: give one of its own with --host, or 0.0.0.0 for all`);
    fail(String(error));
  });
  server.listen(given.port, given.host, () => {
    const { port } = server.address() as AddressInfo;
    const address = `http://${given.host}:${port}/`;
    application.learnScripts(given.host === '0.0.0.0' ? `http://${LOOPBACK_HOST}:${port}/` : address).then(
      () => console.log(`Velto is at ${address}`),
      (error: unknown) => fail(String(error)),
    );
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.once(signal, () => {
      // Requests under way are answered, then the writes under way are finished and the log folded into the file.
      server.close(
        () => void Promise.all([context.store.close(), threads.close()]).then(() => process.exit(0)),
      );
      server.closeIdleConnections();
      setTimeout(() => server.closeAllConnections(), DRAIN_MS).unref();
    });
  }
}

main().catch((error: unknown) => fail(error instanceof Error ? error.message : String(error)));
