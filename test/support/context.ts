/** A database of its own for one test, in a folder that is removed afterwards. */
import { copyFileSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { v7 } from 'uuid';
import { openDatabase } from '../../src/data/client';
import { Store } from '../../src/data/store';
import { loadDemo } from '../../src/demo/load';
import type { FittingSummary, Sitter } from '../../src/contract';
import { ensureShippedMethods } from '../../src/service/catalogue';
import type { Context } from '../../src/service/context';
import { IN_PLACE } from '../../src/service/in-place';
import { recentFittings } from '../../src/service/fittings';
import { PROGRAM } from '../../src/service/rights';
import { refreshLists } from '../../src/service/versions';
import { searchSitters } from '../../src/service/sitters';
import { valueOf } from './outcome';

export interface Bench {
  readonly context: Context;
  readonly folder: string;
  /** Moves the clock on. */
  readonly later: (ms: number) => void;
  readonly close: () => Promise<void>;
}

export const fileUrl = (folder: string): string => pathToFileURL(join(folder, 'velto.db')).href;

/** What the database's files hold, as bytes. */
export const bytesOf = ({ folder }: Pick<Bench, 'folder'>): string =>
  readdirSync(folder)
    .map((name) => readFileSync(join(folder, name), 'latin1'))
    .join('');

/** An instant at which all of them stand. */
const NOW = '2026-11-25T09:30:00Z';

const contextOver = async (folder: string, now: () => Date): Promise<Context> => ({
  store: new Store(await openDatabase(fileUrl(folder)), join(folder, 'velto.db')),
  now,
  newId: () => v7(),
  practice: { timeZone: 'UTC', locale: 'en-GB', currency: 'GBP', publicUrl: null },
  actor: PROGRAM,
  compute: IN_PLACE,
  address: null,
  request: null,
});

const made = new Map<boolean, Promise<string>>();

/** A folder with a database as it is after the first start, with demo records or without: made once, then copied. */
async function make(hasDemo: boolean): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'velto-first-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  const context = await contextOver(folder, () => new Date(NOW));
  await refreshLists(context);
  await ensureShippedMethods(context);
  if (hasDemo) await loadDemo(context);
  await context.store.close();
  return folder;
}

function first(hasDemo: boolean): Promise<string> {
  const known = made.get(hasDemo) ?? make(hasDemo);
  made.set(hasDemo, known);
  return known;
}

export async function openBench({ demo = false }: { readonly demo?: boolean } = {}): Promise<Bench> {
  const folder = mkdtempSync(join(tmpdir(), 'velto-test-'));
  copyFileSync(join(await first(demo), 'velto.db'), join(folder, 'velto.db'));
  let now = new Date(NOW).getTime();
  const context = await contextOver(folder, () => new Date(now));
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

/** The context of a fitter who has said who they are. */
export const actingAs = (context: Context, name: string): Context => ({
  ...context,
  actor: { kind: 'fitter', fitter: { id: '00000000-0000-7000-8000-0000000000f1', name } },
});

const EVERYTHING = { limit: 200 };

/** Everybody whom a search finds, as far as one page goes. */
export const found = async (context: Context, search: string): Promise<readonly Sitter[]> =>
  valueOf(await searchSitters(context, { ...EVERYTHING, search })).items;

/** Fittings, of one sitter or of all, as far as one page goes. */
export const fittingsOf = async (context: Context, sitter?: string): Promise<readonly FittingSummary[]> =>
  valueOf(await recentFittings(context, { ...EVERYTHING, sitter })).items;
