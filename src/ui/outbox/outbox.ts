import type { ProblemDetails } from '../../contract';
import { ClientError } from '../client-error';
import type { Saving } from '../SaveState';
import type { Entry, EntryStore, NewEntry } from './entry';

/** First wait before sending again, doubled up to the longest, ms. */
const FIRST_WAIT_MS = 1500;
const LONGEST_WAIT_MS = 20_000;
const SERVER_FAULT = 500;
const SIGN_IN = 401;
const TOO_MANY = 429;

/** How the sending stands. */
export type Link = 'idle' | 'sending' | 'unreachable' | 'signIn';

export interface OutboxState {
  readonly entries: readonly Entry[];
  readonly link: Link;
  /** Whether entries outlive the page; not where the browser keeps nothing. */
  readonly isKept: boolean;
}

export interface OutboxParts {
  readonly store: EntryStore;
  /** Used from the moment on in which the store fails. */
  readonly spare: () => EntryStore;
  /** Sends one entry; fails with a `ClientError`. */
  readonly send: (entry: Entry) => Promise<unknown>;
  /** What the server now has, once it has taken an entry: the base of the next about the same subject. */
  readonly baseAfter: (entry: Entry, answer: unknown) => Entry['base'];
  readonly newKey: () => string;
  readonly now: () => string;
}

type Taken = (answer: unknown, entry: Entry) => void;

/**
 * Entries on their way: kept on this device, sent in the order they were made, each once. Without a connection they
 * wait; one that the server refuses waits for a decision and holds up only what is about the same subject.
 */
export class Outbox {
  private state: OutboxState = { entries: [], link: 'idle', isKept: true };
  private spare: EntryStore | null = null;
  private readonly listeners = new Set<() => void>();
  private readonly taken = new Map<string, Set<Taken>>();
  private started: Promise<void> | null = null;
  private sending: Promise<void> | null = null;
  private again = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private wait = FIRST_WAIT_MS;
  private stopped = false;
  /** Changes of the store, one after the other. */
  private tail: Promise<unknown> = Promise.resolve();

  constructor(private readonly parts: OutboxParts) {}

  readonly get = (): OutboxState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Hears of every entry about a subject that the server has taken. */
  onTaken(subject: string, listener: Taken): () => void {
    const all = this.taken.get(subject) ?? new Set();
    this.taken.set(subject, all.add(listener));
    return () => all.delete(listener);
  }

  about(subject: string): Entry[] {
    return this.state.entries.filter((e) => e.subject === subject);
  }

  /** Reads what is kept and starts sending it, once; resolves when it has been read. */
  start(): Promise<void> {
    this.started ??= this.refresh().then(() => {
      if (this.state.entries.length > 0) void this.flush();
    });
    return this.started;
  }

  /**
   * Keeps an entry; it is safe on this device once the promise is fulfilled. It takes the place of an entry about the
   * same subject that was never sent, or that waits for a decision.
   * @param given an entry, or what makes it once it is its turn: on what has been taken by then
   */
  put(given: NewEntry | (() => NewEntry)): Promise<void> {
    return this.inTurn(async () => {
      const entry = typeof given === 'function' ? given() : given;
      const before = this.about(entry.subject).at(-1);
      const fresh = { key: this.parts.newKey(), madeAt: this.parts.now() };
      // What it replaces, or waits behind, says what it was made on.
      const base = before ? before.base : entry.base;
      if (before && (!before.tried || before.refusal))
        await this.keep({ ...before, ...fresh, body: entry.body });
      else await this.keep({ ...entry, ...fresh, base, tried: false, refusal: null });
    });
  }

  /** Decides about a refused entry: sends another in its place, or lets it go. Nobody sees a moment without either. */
  async resolve(subject: string, entry: NewEntry | null): Promise<void> {
    await this.inTurn(async () => {
      const before = this.about(subject);
      if (entry) {
        const { kind, recordId, body, base } = entry;
        const fresh = { key: this.parts.newKey(), madeAt: this.parts.now(), tried: false, refusal: null };
        await this.store((s) => s.put({ kind, subject, recordId, body, base, ...fresh }));
      }
      for (const { seq } of before) await this.store((s) => s.remove(seq));
      await this.refresh();
    });
    void this.flush();
  }

  /** Sends what can be sent; resolves when nothing more can be sent now. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    this.again = true;
    this.sending ??= this.drain().finally(() => {
      this.sending = null;
    });
    await this.sending;
  }

  /** Sends nothing more by itself. */
  stop(): void {
    this.stopped = true;
    clearTimeout(this.timer);
  }

  private async drain(): Promise<void> {
    while (this.again) {
      this.again = false;
      await this.tail;
      await this.refresh();
      for (let next = this.next(); next; next = this.next()) {
        this.tell({ link: 'sending' });
        if (!(await this.sendOne(next))) return;
      }
    }
    this.tell({ link: 'idle' });
  }

  /** The oldest entry that does not wait behind a refused one. */
  private next(): Entry | undefined {
    const held = new Set(this.state.entries.filter((e) => e.refusal).map((e) => e.subject));
    return this.state.entries.find((e) => !held.has(e.subject));
  }

  /** @returns whether to go on */
  private async sendOne(entry: Entry): Promise<boolean> {
    // Marked before it goes: if this page dies now, the entry is sent again as it is, under the same key.
    const going = await this.inTurn(async () => {
      const latest = this.state.entries.find((e) => e.seq === entry.seq);
      return latest && (latest.tried ? latest : this.keep({ ...latest, tried: true }));
    });
    if (!going) return true;
    try {
      const answer = await this.parts.send(going);
      // What is put next is made on what was taken: they hear of it before its turn.
      await this.inTurn(() => this.settle(going, answer));
      this.wait = FIRST_WAIT_MS;
      return true;
    } catch (error) {
      const problem = error instanceof ClientError ? error.problem : null;
      if (problem && isFinal(problem)) {
        await this.inTurn(() => this.keep({ ...going, refusal: problem }));
        return true;
      }
      this.tell({ link: problem?.status === SIGN_IN ? 'signIn' : 'unreachable' });
      this.later();
      return false;
    }
  }

  /**
   * Lets a taken entry go and puts those behind it on what the server now has. Who listens hears the answer before the
   * entry is gone: nobody sees a moment without either.
   */
  private async settle(entry: Entry, answer: unknown): Promise<void> {
    await this.store((s) => s.remove(entry.seq));
    for (const behind of this.about(entry.subject)) {
      if (behind.seq !== entry.seq && !behind.tried)
        await this.store((s) => s.put({ ...behind, base: this.parts.baseAfter(behind, answer) }));
    }
    const entries = await this.store((s) => s.all());
    for (const listener of this.taken.get(entry.subject) ?? []) listener(answer, entry);
    this.tell({ entries });
  }

  private later(): void {
    clearTimeout(this.timer);
    if (this.stopped) return;
    this.timer = setTimeout(() => void this.flush(), this.wait);
    this.wait = Math.min(LONGEST_WAIT_MS, this.wait * 2);
  }

  private inTurn<T>(act: () => Promise<T>): Promise<T> {
    const result = this.tail.then(act, act);
    this.tail = result.catch(() => undefined);
    return result;
  }

  private async keep(entry: Omit<Entry, 'seq'> & { readonly seq?: number }): Promise<Entry> {
    const seq = await this.store((s) => s.put(entry));
    await this.refresh();
    return { ...entry, seq };
  }

  private async refresh(): Promise<void> {
    this.tell({ entries: await this.store((s) => s.all()) });
  }

  private async store<T>(act: (store: EntryStore) => Promise<T>): Promise<T> {
    if (this.spare) return act(this.spare);
    try {
      return await act(this.parts.store);
    } catch {
      this.spare = this.parts.spare();
      for (const entry of this.state.entries) await this.spare.put(entry);
      this.tell({ isKept: false });
      return act(this.spare);
    }
  }

  private tell(change: Partial<OutboxState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}

/** What is said of an entry that waits its turn. */
export function savingOf({ link, isKept }: OutboxState): Saving {
  if (link === 'signIn') return { state: 'signIn' };
  if (link === 'unreachable') return { state: isKept ? 'kept' : 'unkept' };
  return { state: 'saving' };
}

/** Whether the server will say the same to the same entry: everything but its own faults and asking to wait. */
const isFinal = ({ status }: ProblemDetails): boolean =>
  status < SERVER_FAULT && status !== SIGN_IN && status !== TOO_MANY;
