import { statSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import { emptyLog, type Database, type Queries } from './client';
import { StorageGone } from './storage-gone';

/**
 * One database and one queue of writes. Two open transactions in one process block each other for the whole
 * timeout, so every act waits for the one before; reads go by.
 */
export class Store {
  private tail: Promise<unknown> = Promise.resolve();
  /** Whether the write-ahead log holds what is not in the file yet. */
  private isLogged = true;
  private writtenAt = 0;
  private readonly inode: number | null;

  /** @param file of the database, to see that it is still there; null where there is none to look at */
  constructor(
    readonly db: Database,
    private readonly file: string | null = null,
  ) {
    this.inode = file === null ? null : statSync(file).ino;
  }

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
   * As `write`, for an act whose statements are all there beforehand: it hands them over at once, as one transaction,
   * without a way there and back for each.
   */
  writeAtOnce<T>(act: (db: Database) => Promise<T>): Promise<T> {
    const run = () => {
      this.refuseIfGone();
      this.isLogged = true;
      this.writtenAt = performance.now();
      return act(this.db);
    };
    return this.inTurn(run);
  }

  /**
   * As `write`, for an act that erases: the write-ahead log, which still holds what was, is folded into the file and
   * emptied.
   */
  async erase<T>(act: (queries: Queries) => Promise<T>): Promise<T> {
    const result = await this.write(act);
    await this.fold();
    return result;
  }

  /** Folds the log into the file, so that a copy of the file alone has everything. */
  fold(): Promise<void> {
    return this.inTurn(async () => {
      if (this.isGone()) return;
      this.isLogged = false;
      await emptyLog(this.db.$client);
    });
  }

  /** Folds the log where nothing has been written for a while. */
  async foldIfQuiet(quietMs: number): Promise<void> {
    if (this.isLogged && performance.now() - this.writtenAt >= quietMs) await this.fold();
  }

  /** Waits for the writes under way and closes; the log is folded into the file. */
  async close(): Promise<void> {
    await this.fold().catch(() => undefined);
    this.db.$client.close();
  }

  private inTurn<T>(run: () => Promise<T>): Promise<T> {
    const result = this.tail.then(run, run);
    this.tail = result.catch(() => undefined);
    return result;
  }

  /** A file that was removed is still written to, and gone with the program: nothing may be said to be saved then. */
  private refuseIfGone(): void {
    if (this.isGone()) throw new StorageGone(this.file ?? '');
  }

  private isGone(): boolean {
    return this.file !== null && statSync(this.file, { throwIfNoEntry: false })?.ino !== this.inode;
  }
}
