import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { migrationsDir } from './migrations-dir';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema> & { $client: Client };
/** A database or a transaction on it. */
export type Queries = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'run'>;

/** How long a connection waits for another process that holds the file, ms. */
const BUSY_TIMEOUT_MS = 10_000;

/** Folds the write-ahead log into the file and empties it: it still holds what was. */
export const emptyLog = (client: Client) => client.execute('PRAGMA wal_checkpoint(TRUNCATE)');

export class NewerDatabaseError extends Error {}

/** Migrations known here against those the file has had; a file from a newer program is refused. */
async function refuseNewer(client: Client, folder: string): Promise<void> {
  const journal = JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  const table = await client.execute("select name from sqlite_master where name = '__drizzle_migrations'");
  if (table.rows.length === 0) return;
  const newest = await client.execute('select max(created_at) from __drizzle_migrations');
  const known = Math.max(0, ...journal.entries.map((e) => e.when));
  if (Number(newest.rows[0]?.[0] ?? 0) > known)
    throw new NewerDatabaseError('The data folder was written by a newer version of this program.');
}

async function migrationsRun(client: Client): Promise<number> {
  const table = await client.execute("select name from sqlite_master where name = '__drizzle_migrations'");
  if (table.rows.length === 0) return 0;
  const count = await client.execute('select count(*) from __drizzle_migrations');
  return Number(count.rows[0]?.[0] ?? 0);
}

/**
 * Opens a database and brings it to the newest migration.
 * @param url `file:…`, or the URL of a libSQL server
 * @param folder the migrations; those of the program unless a test hands in others
 */
export async function openDatabase(url: string, folder: string = migrationsDir()): Promise<Database> {
  // `timeout` reaches every pooled connection; a PRAGMA would set it on one only.
  const client = createClient({ url, timeout: BUSY_TIMEOUT_MS });
  if (url.startsWith('file:')) {
    await client.execute('PRAGMA journal_mode = WAL');
    await client.execute('PRAGMA synchronous = FULL');
    const foreignKeys = await client.execute('PRAGMA foreign_keys');
    if (Number(foreignKeys.rows[0]?.[0]) !== 1) throw new Error('foreign_keys is off');
    // A program that was killed after erasing and before emptying the log has left what it erased there.
    await emptyLog(client);
  }
  await refuseNewer(client, folder);
  const db = drizzle(client, { schema, casing: 'snake_case' });
  const before = await migrationsRun(client);
  await migrate(db, { migrationsFolder: folder });
  // Earlier versions left copies of what they moved in the free room of pages, where erasing did not find them.
  if (before > 0 && (await migrationsRun(client)) > before) await client.execute('VACUUM');
  return db;
}
