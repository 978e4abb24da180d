import type { Saving } from '../../ui/SaveState';

/** Quiet time after a change before it is sent, ms. */
const QUIET_MS = 500;
/** Time before a failed sending is tried again, ms. */
const RETRY_MS = 4000;

interface Source<T> {
  readonly get: () => T;
  readonly subscribe: (listener: () => void) => () => void;
}

/** What the server answers: when it had the value. */
type Send<T> = (value: T) => Promise<{ readonly savedAt: string }>;

/**
 * Saves a draft by itself: after a quiet moment, at once on `flush`, and again until it is taken. One sending at a
 * time; nothing is said to be saved before the server has said so. Values are told apart by identity.
 */
export class DraftSaver<T> {
  private state: Saving;
  private saved: { readonly value: T; readonly at: string } | null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private sending: Promise<void> | null = null;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly source: Source<T>,
    private readonly send: Send<T>,
    private readonly explain: (error: unknown) => string,
    saved: { readonly value: T; readonly at: string } | null,
  ) {
    this.saved = saved;
    this.state = saved ? { state: 'saved', at: saved.at } : { state: 'unsent' };
  }

  readonly get = (): Saving => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Watches the source until the returned function is called. */
  start(): () => void {
    const changed = () => {
      if (this.tellIfSaved()) return;
      this.tell({ state: 'unsent' });
      this.later(QUIET_MS);
    };
    changed();
    const stop = this.source.subscribe(changed);
    return () => {
      stop();
      clearTimeout(this.timer);
    };
  }

  /** Sends what is unsent, after whatever is being sent now. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    while (this.sending) await this.sending;
    if (this.tellIfSaved()) return;
    this.sending = this.sendOnce().finally(() => {
      this.sending = null;
    });
    await this.sending;
  }

  /** A value that an act has already stored on the server. */
  adopt(value: T, at: string): void {
    clearTimeout(this.timer);
    this.saved = { value, at };
    this.tell({ state: 'saved', at });
  }

  /** Whether the server has what there is now: so after undoing back to what was saved. */
  private tellIfSaved(): boolean {
    if (!this.saved || this.source.get() !== this.saved.value) return false;
    clearTimeout(this.timer);
    if (this.state.state !== 'saved') this.tell({ state: 'saved', at: this.saved.at });
    return true;
  }

  private async sendOnce(): Promise<void> {
    const value = this.source.get();
    this.tell({ state: 'saving' });
    try {
      const { savedAt } = await this.send(value);
      this.saved = { value, at: savedAt };
      this.tell(this.source.get() === value ? { state: 'saved', at: savedAt } : { state: 'unsent' });
    } catch (error) {
      this.tell({ state: 'failed', why: this.explain(error) });
      this.later(RETRY_MS);
    }
  }

  private later(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), ms);
  }

  private tell(state: Saving): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}
