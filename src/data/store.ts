import { sql } from 'drizzle-orm';
import type { Database, Queries } from './client';

/**
 * One database and one queue of writes. Two open transactions in one process block each other for the whole
 * timeout, so every act waits for the one before; reads go by.
 */
export class Store {
  private tail: Promise<unknown> = Promise.resolve();

  constructor(readonly db: Database) {}

  /** Runs one act in one transaction, after all acts before it. Never call it inside itself. */
  write<T>(act: (queries: Queries) => Promise<T>): Promise<T> {
    return this.writeAtOnce((db) =>
      db.transaction(async (tx) => {
        // What is replaced or moved is overwritten: nobody can tell yet what will have to be erased one day. The pragma
        // holds for the connection that the transaction has.
        await tx.run(sql`pragma secure_delete = on`);
        return act(tx);
      }),
    );
  }

  /**
   * As `write`, for an act whose statements all stand beforehand: it hands them over at once, as one transaction,
   * without a way there and back for each.
   */
  writeAtOnce<T>(act: (db: Database) => Promise<T>): Promise<T> {
    const run = () => act(this.db);
    const result = this.tail.then(run, run);
    this.tail = result.catch(() => undefined);
    return result;
  }

  /**
   * As `write`, for an act that erases: the write-ahead log, which still holds what was, is folded into the file and
   * emptied.
   */
  async erase<T>(act: (queries: Queries) => Promise<T>): Promise<T> {
    const result = await this.write(act);
    await this.db.$client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
    return result;
  }

  /** Waits for the writes under way and closes; the write-ahead log is folded into the file. */
  async close(): Promise<void> {
    await this.tail;
    this.db.$client.close();
  }
}
