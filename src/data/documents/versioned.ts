/**
 * The one store of records of which every version is kept. A version is an immutable document; an old one is upgraded
 * as it is read. What lists show stands in columns, so that no list opens a document and one that cannot be read
 * breaks none.
 */
import { and, asc, count, desc, eq, inArray, ne, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import { LRUCache } from 'lru-cache';
import type { z } from 'zod';
import type { DocumentKind, RecordState } from '../../contract/catalogue';
import type { Page, PageRequest } from '../../contract/paging';
import type { Queries } from '../client';
import { fold, matchesWords } from '../fold';
import { catalogue } from '../schema';

/** One version of a record, read. */
export interface Version<T> {
  readonly versionId: string;
  readonly number: number;
  readonly savedAt: string;
  readonly document: T;
}

/** What a list knows of a record. */
export interface Listing<S> {
  readonly id: string;
  readonly versionId: string;
  readonly number: number;
  readonly name: string;
  readonly state: RecordState;
  readonly stateAt: string | null;
  readonly stateBy: string | null;
  /** null where the newest document cannot be read. */
  readonly summary: S | null;
  readonly fault: string | null;
}

/** A document that this version of the program cannot read: its record stays, and says so. */
export class UnreadableDocument extends Error {
  constructor(
    readonly versionId: string,
    why: string,
  ) {
    super(why);
  }
}

type VersionTable = SQLiteTable & {
  readonly id: SQLiteColumn;
  readonly number: SQLiteColumn;
  readonly document: SQLiteColumn;
  readonly createdAt: SQLiteColumn;
};
interface Row {
  readonly id: string;
  readonly recordId: string;
  readonly number: number;
  /** JSON. */
  readonly document: string;
  readonly createdAt: string;
}

/** A document as it was read, or why it cannot be. */
type Read<T> = { readonly document: T } | { readonly fault: string };

interface Described {
  readonly id: string;
  readonly name: string;
}

export interface DocumentType<T extends Described, S> {
  readonly kind: DocumentKind;
  readonly table: VersionTable;
  readonly recordId: SQLiteColumn;
  readonly schema: z.ZodType<T>;
  /** Returns a document of any earlier form in the form of now. */
  readonly upgrade: (document: unknown) => unknown;
  /** Raised whenever `summarize` or the columns beside it change: rows are made anew at the next start. */
  readonly summaryForm: number;
  readonly summarize: (document: T) => S;
  /** Writes columns of its own beside the row. */
  readonly index?: (q: Queries, document: T) => Promise<void>;
  /** The same for records that were not here before. */
  readonly indexNew?: (q: Queries, documents: readonly T[]) => Promise<void>;
  /** Removes them with the record. */
  readonly unindex?: (q: Queries, recordId: string) => Promise<void>;
  /** Which version a version was folded into, where versions of the kind ever were. */
  readonly foldedInto?: (q: Queries, versionId: string) => Promise<string | null>;
}

/** Longest reason that is kept. */
const LONGEST_FAULT = 300;
/** Names that cannot be read are shown by this many characters of what stands there. */
const LONGEST_NAME = 120;
/** So many documents of a kind are kept as they were read: one page after the other asks for the same. */
const MOST_KNOWN = 300;

/** What stands as a name in a document that may be anything. */
function nameIn(text: string): unknown {
  try {
    const document: unknown = JSON.parse(text);
    return typeof document === 'object' && document !== null && 'name' in document ? document.name : null;
  } catch {
    return null;
  }
}

export class VersionedDocuments<T extends Described, S> {
  private readonly readBefore = new LRUCache<string, { readonly text: string; readonly read: Read<T> }>({
    max: MOST_KNOWN,
  });

  constructor(readonly type: DocumentType<T, S>) {}

  private rows(q: Queries, where: SQL | undefined, limit?: number): Promise<Row[]> {
    const { table, recordId } = this.type;
    const chosen = q
      .select({
        id: table.id,
        recordId,
        number: table.number,
        // As text: what was read before is not read again.
        document: sql<string>`${table.document}`,
        createdAt: table.createdAt,
      })
      .from(table)
      .where(where)
      .orderBy(desc(table.number));
    return (limit === undefined ? chosen : chosen.limit(limit)) as unknown as Promise<Row[]>;
  }

  private parsed(text: string): Read<T> {
    try {
      const read = this.type.schema.safeParse(this.type.upgrade(JSON.parse(text)));
      if (read.success) return { document: read.data };
      const [first] = read.error.issues;
      const said = [first?.path.join('/'), first?.message].filter(Boolean).join(': ');
      return { fault: said.slice(0, LONGEST_FAULT) };
    } catch (error) {
      return { fault: String(error).slice(0, LONGEST_FAULT) };
    }
  }

  /** Reads a row's document, or says why that cannot be done; the same object for the same version. */
  private readOf({ id, document: text }: Row): Read<T> {
    const before = this.readBefore.get(id);
    if (before?.text === text) return before.read;
    const read = this.parsed(text);
    this.readBefore.set(id, { text, read });
    return read;
  }

  private version(row: Row | undefined): Version<T> | null {
    if (!row) return null;
    const read = this.readOf(row);
    if ('fault' in read) throw new UnreadableDocument(row.id, read.fault);
    return { versionId: row.id, number: row.number, savedAt: row.createdAt, document: read.document };
  }

  /**
   * Returns the newest version of a record; null where there is none.
   * @throws UnreadableDocument where it is there and cannot be read; so do all that read one document
   */
  async newest(q: Queries, recordId: string): Promise<Version<T> | null> {
    const [row] = await this.rows(q, eq(this.type.recordId, recordId), 1);
    return this.version(row);
  }

  /** Returns one version by its own id, or the version it was folded into. */
  async byVersion(q: Queries, versionId: string): Promise<Version<T> | null> {
    const [row] = await this.rows(q, eq(this.type.table.id, versionId), 1);
    if (row) return this.version(row);
    const into = (await this.type.foldedInto?.(q, versionId)) ?? null;
    return into === null ? null : this.byVersion(q, into);
  }

  /** Returns a record by its own id, which gives its newest version, or by the id of one of its versions. */
  async find(q: Queries, id: string): Promise<Version<T> | null> {
    return (await this.newest(q, id)) ?? (await this.byVersion(q, id));
  }

  /** Returns the record that a version is of, readable or not; null where there is no such version. */
  async recordOf(q: Queries, versionId: string): Promise<string | null> {
    const [row] = await this.rows(q, eq(this.type.table.id, versionId), 1);
    if (row) return row.recordId;
    const into = (await this.type.foldedInto?.(q, versionId)) ?? null;
    return into === null ? null : this.recordOf(q, into);
  }

  /** Returns whether there is such a version, readable or not. */
  async has(q: Queries, versionId: string): Promise<boolean> {
    return (await this.recordOf(q, versionId)) !== null;
  }

  /** Returns every version of a record that can be read, the newest first. */
  async history(q: Queries, recordId: string): Promise<Version<T>[]> {
    const rows = await this.rows(q, eq(this.type.recordId, recordId));
    return rows.filter((row) => 'document' in this.readOf(row)).map((row) => this.version(row)!);
  }

  /** Returns the newest version of several records by the ids of these versions; what cannot be read is left out. */
  async read(q: Queries, versionIds: readonly string[]): Promise<ReadonlyMap<string, Version<T>>> {
    if (versionIds.length === 0) return new Map();
    const rows = await this.rows(q, inArray(this.type.table.id, [...versionIds]));
    return new Map(
      rows.flatMap((row) => {
        const read = this.readOf(row);
        return 'fault' in read ? [] : [[row.id, this.version(row)!] as const];
      }),
    );
  }

  /** Returns the newest version of every record that can be read and is not retired, by name. */
  async all(q: Queries): Promise<Version<T>[]> {
    const listed = await this.listings(q, ne(catalogue.state, 'retired'));
    const read = await this.read(
      q,
      listed.map((l) => l.versionId),
    );
    return listed.flatMap((l) => read.get(l.versionId) ?? []);
  }

  /** Returns every record as a list shows it, by name. */
  async listings(q: Queries, where?: SQL): Promise<Listing<S>[]> {
    const rows = await q
      .select()
      .from(catalogue)
      .where(and(eq(catalogue.kind, this.type.kind), where))
      .orderBy(asc(catalogue.folded), asc(catalogue.id));
    return rows.map((row) => this.listing(row));
  }

  listing(row: typeof catalogue.$inferSelect): Listing<S> {
    const { id, versionId, number, name, state, stateAt, stateBy, fault } = row;
    // Written by `keepRow` only.
    const summary = fault === null ? (row.summary as S) : null;
    return { id, versionId, number, name, state, stateAt, stateBy, fault, summary };
  }

  /** Returns how a record is listed; null where there is none. */
  async listed(q: Queries, recordId: string): Promise<Listing<S> | null> {
    const [row] = await q
      .select()
      .from(catalogue)
      .where(and(eq(catalogue.kind, this.type.kind), eq(catalogue.id, recordId)));
    return row ? this.listing(row) : null;
  }

  /** Returns a page of records by name whose names have every word of a search. */
  async page(
    q: Queries,
    { cursor, limit }: PageRequest,
    search = '',
  ): Promise<Page<Listing<S>> | 'unknownCursor'> {
    const found = and(eq(catalogue.kind, this.type.kind), matchesWords(catalogue.folded, search));
    const last = cursor === undefined ? null : await this.listed(q, cursor);
    if (cursor !== undefined && !last) return 'unknownCursor';
    const after = last && sql`(${catalogue.folded}, ${catalogue.id}) > (${fold(last.name)}, ${last.id})`;
    const [[counted], rows] = await Promise.all([
      q.select({ total: count() }).from(catalogue).where(found),
      q
        .select()
        .from(catalogue)
        .where(and(found, after ?? undefined))
        .orderBy(asc(catalogue.folded), asc(catalogue.id))
        .limit(limit + 1),
    ]);
    const items = rows.slice(0, limit).map((row) => this.listing(row));
    return { items, total: counted?.total ?? 0, next: rows.length > limit ? items.at(-1)!.id : null };
  }

  /** Inserts a document as this version of its record, and makes it the newest. */
  async insert(
    q: Queries,
    { versionId, number, savedAt, document }: Version<T>,
    more: Partial<Pick<typeof catalogue.$inferInsert, 'state' | 'stateAt' | 'stateBy' | 'importId'>> = {},
  ): Promise<void> {
    const { table, recordId } = this.type;
    await q.insert(table).values({
      id: versionId,
      [this.recordKey(recordId)]: document.id,
      number,
      document,
      createdAt: savedAt,
    } as never);
    await this.keepRow(q, { id: document.id, versionId, number, document }, { importId: null, ...more });
  }

  /** Inserts records that were not here before, all at once. */
  async insertNew(
    q: Queries,
    versions: readonly Version<T>[],
    more: Partial<Pick<typeof catalogue.$inferInsert, 'state' | 'stateAt' | 'stateBy' | 'importId'>>,
  ): Promise<void> {
    if (versions.length === 0) return;
    const { kind, table, recordId, summarize, summaryForm, indexNew } = this.type;
    const key = this.recordKey(recordId);
    await q.insert(table).values(
      versions.map(({ versionId, number, savedAt, document }) => ({
        id: versionId,
        [key]: document.id,
        number,
        document,
        createdAt: savedAt,
      })),
    );
    await q.insert(catalogue).values(
      versions.map(({ versionId, number, document }) => ({
        kind,
        id: document.id,
        versionId,
        number,
        name: document.name,
        folded: fold(document.name),
        summaryForm,
        summary: summarize(document),
        ...more,
      })),
    );
    await indexNew?.(
      q,
      versions.map((v) => v.document),
    );
  }

  /** Returns which of some records are here. */
  async known(q: Queries, recordIds: readonly string[]): Promise<ReadonlySet<string>> {
    if (recordIds.length === 0) return new Set();
    const rows = await q
      .select({ id: catalogue.id })
      .from(catalogue)
      .where(and(eq(catalogue.kind, this.type.kind), inArray(catalogue.id, [...recordIds])));
    return new Set(rows.map((row) => row.id));
  }

  private recordKey(column: SQLiteColumn): string {
    const { table } = this.type;
    return Object.entries(table).find(([, c]) => c === column)![0];
  }

  private async keepRow(
    q: Queries,
    { id, versionId, number, document }: { id: string; versionId: string; number: number; document: T },
    more: Partial<typeof catalogue.$inferInsert>,
  ): Promise<void> {
    const { kind, summarize, summaryForm, index } = this.type;
    const columns = {
      versionId,
      number,
      name: document.name,
      folded: fold(document.name),
      summaryForm,
      fault: null,
      summary: summarize(document),
      ...more,
    };
    await q
      .insert(catalogue)
      .values({ kind, id, ...columns })
      .onConflictDoUpdate({ target: [catalogue.kind, catalogue.id], set: columns });
    await index?.(q, document);
  }

  /** Returns the records whose newest version an import brought. */
  async broughtBy(q: Queries, importId: string): Promise<Listing<S>[]> {
    return this.listings(q, eq(catalogue.importId, importId));
  }

  /** Takes the newest version of a record out: the one before is the newest then, or the record is gone. */
  async dropNewest(q: Queries, recordId: string): Promise<void> {
    const { kind, table } = this.type;
    const [newest, before] = await this.rows(q, eq(this.type.recordId, recordId), 2);
    if (!newest) return;
    await q.delete(table).where(eq(table.id, newest.id));
    const own = and(eq(catalogue.kind, kind), eq(catalogue.id, recordId));
    const read = before && this.readOf(before);
    if (!before) {
      await q.delete(catalogue).where(own);
      await this.type.unindex?.(q, recordId);
    } else if (read && 'document' in read)
      await this.keepRow(
        q,
        { id: recordId, versionId: before.id, number: before.number, document: read.document },
        { importId: null },
      );
    else {
      await q
        .update(catalogue)
        .set({ versionId: before.id, number: before.number, importId: null })
        .where(own);
      await this.noteFault(q, recordId, before, read?.fault ?? '');
    }
  }

  /** Puts a record into a state; false where there is none. */
  async putState(
    q: Queries,
    recordId: string,
    state: RecordState,
    { at, by }: { readonly at: string; readonly by: string | null },
  ): Promise<boolean> {
    const put = await q
      .update(catalogue)
      .set({ state, stateAt: at, stateBy: by })
      .where(and(eq(catalogue.kind, this.type.kind), eq(catalogue.id, recordId)))
      .returning({ id: catalogue.id });
    return put.length > 0;
  }

  /**
   * Makes anew what lists show of records that an earlier form of the summary wrote, some at a time. What cannot be
   * read is noted as such.
   * @returns how many there were; 0 where nothing is left to do
   */
  async refresh(q: Queries, most: number): Promise<number> {
    const { kind, summaryForm, table } = this.type;
    const rows = await q
      .select({ id: catalogue.id, versionId: catalogue.versionId })
      .from(catalogue)
      .where(and(eq(catalogue.kind, kind), ne(catalogue.summaryForm, summaryForm)))
      .limit(most);
    for (const { id, versionId } of rows) {
      const [row] = await this.rows(q, eq(table.id, versionId), 1);
      const read = row ? this.readOf(row) : { fault: 'missing' };
      if ('document' in read)
        await this.keepRow(q, { id, versionId, number: row!.number, document: read.document }, {});
      else await this.noteFault(q, id, row, read.fault);
    }
    return rows.length;
  }

  private async noteFault(q: Queries, id: string, row: Row | undefined, fault: string): Promise<void> {
    const given = nameIn(row?.document ?? '');
    const name = typeof given === 'string' && given !== '' ? given.slice(0, LONGEST_NAME) : id;
    await q
      .update(catalogue)
      .set({ name, folded: fold(name), fault, summary: null, summaryForm: this.type.summaryForm })
      .where(and(eq(catalogue.kind, this.type.kind), eq(catalogue.id, id)));
  }
}
