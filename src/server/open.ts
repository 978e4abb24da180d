import { chmodSync, existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { openDatabase } from '../data/client';
import { Store } from '../data/store';
import { loadDemo } from '../demo/load';
import { ensureShippedMethods } from '../service/catalogue';
import { contextOf, type Compute, type Context } from '../service/context';
import { tidy } from '../service/deleting';
import { refreshLists } from '../service/versions';

export const DATABASE_FILE = 'velto.db';
/** Says that a folder holds data, or has held some: demo records never go there again. */
const MARK_FILE = 'velto-data.txt';
const MARK = `This folder holds the data of Velto, or has held it. Everything is in ${DATABASE_FILE}; while the program
runs, the newest changes are in the files beside it. Keep this file with them: without it the program takes the folder
for a new one.
`;
/** Readable by whoever runs the program, and nobody else. */
const OWNER_ONLY = { folder: 0o700, file: 0o600 };

export interface OpenOptions {
  /** Where cases are calculated; absent: where they are asked. */
  readonly compute?: Compute | undefined;
  /** Folder that holds the database; made where missing. */
  readonly dataFolder: string;
  /** Put the demo records into a folder that has never held data. */
  readonly demo: boolean;
}

/** Removes the database and the mark of a folder: it is a new one then. */
export function removeData(dataFolder: string): void {
  const folder = resolve(dataFolder);
  for (const name of [DATABASE_FILE, `${DATABASE_FILE}-wal`, `${DATABASE_FILE}-shm`, MARK_FILE])
    rmSync(join(folder, name), { force: true });
}

/**
 * Opens and migrates the database, and fills a new one with the demo records where they are asked for.
 * @throws where the folder has held data and the database is not there any more
 */
export async function openContext(options: OpenOptions): Promise<{ context: Context; loaded: boolean }> {
  const folder = resolve(options.dataFolder);
  mkdirSync(folder, { recursive: true, mode: OWNER_ONLY.folder });
  const [file, mark] = [join(folder, DATABASE_FILE), join(folder, MARK_FILE)];
  const isMarked = existsSync(mark);
  if (isMarked && !existsSync(file))
    throw new Error(
      `${folder} has held data before, and ${DATABASE_FILE} is not there any more. Put it back, or start with --fresh to begin anew.`,
    );
  // Before it is opened: what is laid beside it takes after it.
  for (const known of [file, `${file}-wal`, `${file}-shm`].filter((f) => existsSync(f)))
    chmodSync(known, OWNER_ONLY.file);
  const db = await openDatabase(pathToFileURL(file).href);
  chmodSync(file, OWNER_ONLY.file);
  const context = contextOf(new Store(db, file), options.compute);
  await refreshLists(context);
  await ensureShippedMethods(context);
  await tidy(context);
  const loaded = options.demo && !isMarked && (await loadDemo(context));
  await context.store.fold();
  if (!isMarked) writeFileSync(mark, MARK, { mode: OWNER_ONLY.file });
  return { context, loaded };
}
