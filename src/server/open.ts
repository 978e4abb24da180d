import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { openDatabase } from '../data/client';
import { Store } from '../data/store';
import { loadDemo } from '../demo/load';
import { ensureShippedMethods } from '../service/catalogue';
import { contextOf, type Compute, type Context } from '../service/context';
import { tidy } from '../service/deleting';

export const DATABASE_FILE = 'velto.db';

export interface OpenOptions {
  /** Where cases are computed; absent: where they are asked. */
  readonly compute?: Compute | undefined;
  /** Folder that holds the database; made where missing. */
  readonly dataFolder: string;
  /** Fill an empty database with the demo records. */
  readonly demo: boolean;
}

/** Opens, migrates and, where it is empty, fills the database. */
export async function openContext(options: OpenOptions): Promise<{ context: Context; loaded: boolean }> {
  const folder = resolve(options.dataFolder);
  mkdirSync(folder, { recursive: true });
  const store = new Store(await openDatabase(pathToFileURL(join(folder, DATABASE_FILE)).href));
  const context = contextOf(store, options.compute);
  await ensureShippedMethods(context);
  await tidy(context);
  return { context, loaded: options.demo && (await loadDemo(context)) };
}
