import type { ProblemDetails } from '../../contract';

export type EntryKind = 'settings' | 'reading' | 'session' | 'walk';

/** One entry on its way to the server. It leaves this device's keeping only once the server has said that it has it. */
export interface Entry {
  /** Order of making. */
  readonly seq: number;
  /** Names the request to the server: sent twice, it is done once. */
  readonly key: string;
  /** What it is about; a later entry about the same takes the place of one that was never sent. */
  readonly subject: string;
  readonly kind: EntryKind;
  /** The record it belongs to. */
  readonly recordId: string;
  readonly body: unknown;
  /** What it was made on: the revision of the draft, or the instant of the reading seen; null where there was none. */
  readonly base: number | string | null;
  readonly madeAt: string;
  /** Whether it has been sent at least once: then it is never altered, because the server may have it. */
  readonly tried: boolean;
  /** Why the server refused it; it waits for a decision. */
  readonly refusal: ProblemDetails | null;
}

export type NewEntry = Pick<Entry, 'kind' | 'subject' | 'recordId' | 'body' | 'base'>;

/** Where entries are kept. Everything a method says it did has been written. */
export interface EntryStore {
  all(): Promise<Entry[]>;
  /** Adds an entry, or writes over one of the same `seq`. @returns its `seq` */
  put(entry: Omit<Entry, 'seq'> & { readonly seq?: number }): Promise<number>;
  remove(seq: number): Promise<void>;
}
