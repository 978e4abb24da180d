/** The built server on a port that the system picks, over a data folder of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';

export interface App {
  readonly base: string;
  readonly folder: string;
  readonly output: readonly string[];
  /** Ends the server; the data folder stays. */
  readonly end: () => Promise<void>;
  /** Ends the server without letting it finish anything, as a dead battery would. */
  readonly kill: () => Promise<void>;
  /** Ends the server and removes its data. */
  readonly stop: () => Promise<void>;
}

const START_MS = 20_000;

/** Every child of this process that still runs: none outlives it, whatever fails. */
const running = new Set<ChildProcess>();
process.once('exit', () => running.forEach((child) => child.kill('SIGKILL')));

/** Records that somebody has prepared: the same as a first start with `--demo` makes, sooner. */
const PREPARED = process.env.VELTO_TEST_RECORDS;

/** A data folder of its own; prepared where nothing of the start itself is looked at. */
function newFolder({ isEmpty, isFirst }: { isEmpty?: boolean; isFirst?: boolean }): string {
  const folder = mkdtempSync(join(tmpdir(), 'velto-web-'));
  if (PREPARED && !isEmpty && !isFirst) cpSync(PREPARED, folder, { recursive: true });
  return folder;
}

const argsOf = ({ args = [], isEmpty = false }: { args?: readonly string[]; isEmpty?: boolean }) => [
  ...(isEmpty ? [] : ['--demo']),
  ...args,
];

/** @param folder of an earlier start, to see what was kept */
export async function startApp(
  options: {
    readonly folder?: string;
    /** 0 lets the system pick one. */
    readonly port?: number;
    readonly args?: readonly string[];
    /** Another build of it than `dist/serve.mjs`. */
    readonly server?: string;
    /** Without demo records. */
    readonly isEmpty?: boolean;
    /** Where the start itself is looked at, or the records it makes at another time. */
    readonly isFirst?: boolean;
    readonly env?: Record<string, string>;
  } = {},
): Promise<App> {
  const folder = options.folder ?? newFolder(options);
  const child: ChildProcess = spawn(
    process.execPath,
    [
      options.server ?? 'dist/serve.mjs',
      '--port',
      String(options.port ?? 0),
      '--data',
      folder,
      ...argsOf(options),
    ],
    {
      env: { ...process.env, ...options.env },
      stdio: ['ignore', 'pipe', 'inherit'],
    },
  );
  running.add(child);
  // A server that a failing test has left running keeps no process of tests from ending.
  child.unref();
  const exited = new Promise<void>((resolve) =>
    child.once('exit', () => {
      running.delete(child);
      resolve();
    }),
  );
  const output: string[] = [];
  const base = await new Promise<string>((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('the server did not say where it is')), START_MS);
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    createInterface({ input: child.stdout! }).on('line', (line) => {
      output.push(line);
      const at = /(http:\/\/[\d.]+:\d+)\//.exec(line)?.[1]?.replace('0.0.0.0', '127.0.0.1');
      if (!at) return;
      clearTimeout(timer);
      resolve(at);
    });
  });
  const stopped = async (signal: 'SIGKILL' | 'SIGTERM') => {
    child.ref();
    child.kill(signal);
    await exited;
  };
  const kill = () => stopped('SIGKILL');
  const end = () => stopped('SIGTERM');
  return {
    base,
    folder,
    output,
    end,
    kill,
    stop: async () => {
      await end();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
