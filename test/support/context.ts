/** A database of its own for one test, in a folder that is removed afterwards. */
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { v7 } from 'uuid';
import { openDatabase } from '../../src/data/client';
import { Store } from '../../src/data/store';
import { loadDemo } from '../../src/demo/load';
import { ensureShippedMethods } from '../../src/service/catalogue';
import { IN_PLACE, type Context } from '../../src/service/context';
import { PROGRAM } from '../../src/service/rights';

export interface Bench {
  readonly context: Context;
  readonly folder: string;
  /** Moves the clock on. */
  readonly later: (ms: number) => void;
  readonly close: () => Promise<void>;
}

export const fileUrl = (folder: string): string => pathToFileURL(join(folder, 'velto.db')).href;

/** What the database's files hold, as bytes. */
export const bytesOf = ({ folder }: Bench): string =>
  readdirSync(folder)
    .map((name) => readFileSync(join(folder, name), 'latin1'))
    .join('');

export async function openBench(options: { readonly demo?: boolean } = {}): Promise<Bench> {
  const folder = mkdtempSync(join(tmpdir(), 'velto-test-'));
  let now = new Date('2026-11-25T09:30:00Z').getTime();
  const context: Context = {
    store: new Store(await openDatabase(fileUrl(folder))),
    now: () => new Date(now),
    newId: () => v7(),
    practice: { timeZone: 'UTC', locale: 'en-GB' },
    actor: PROGRAM,
    compute: IN_PLACE,
    request: null,
  };
  await ensureShippedMethods(context);
  if (options.demo) await loadDemo(context);
  return {
    context,
    folder,
    later: (ms) => {
      now += ms;
    },
    close: async () => {
      await context.store.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
