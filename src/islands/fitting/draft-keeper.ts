import { sameSettings, type Settings } from '../../core/fit';
import type { AdjustmentKind } from '../../core/seat';
import type { FittingDetail, SavedDraft, SettingSet } from '../../contract';
import {
  currentFitting,
  draftOf,
  settingsEntry,
  settingsOf,
  settingsSubject,
  type Entry,
} from '../../ui/outbox';
import { savingOf, type Outbox } from '../../ui/outbox/outbox';
import type { Saving } from '../../ui/SaveState';
import type { SettingsStore } from './settings-store';

/** Quiet time after a change before it is kept and sent, ms. */
const QUIET_MS = 300;

/** Both versions of draft settings that two have changed. */
export interface DraftConflict {
  readonly mine: Settings;
  readonly theirs: FittingDetail;
  /** What both began with, where this page still knows it. */
  readonly base: Settings | null;
}

/** Draft settings with what is held of them. */
interface Draft {
  readonly settings: Settings;
  readonly held: readonly AdjustmentKind[];
}

interface Saved extends Draft {
  readonly at: string;
}

const sameDraft = (a: Draft, b: Draft): boolean =>
  sameSettings(a.settings, b.settings) &&
  a.held.length === b.held.length &&
  a.held.every((kind) => b.held.includes(kind));

/**
 * Keeps the draft settings of one fitting on one seat: on this device at once, on the server as soon as it can be
 * reached. Nothing is said to be saved before the server has said so.
 */
export class DraftKeeper {
  private box: Outbox | null = null;
  private saved: Saved | null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private saving: Saving;
  private isTakenOver = false;
  private isDeciding = false;
  private readonly listeners = new Set<() => void>();
  private readonly subject: string;

  /** @param revision that of the draft this page shows */
  constructor(
    private readonly source: SettingsStore,
    private readonly fittingId: string,
    private readonly seatVersionId: string,
    private revision: number,
  ) {
    this.subject = settingsSubject(fittingId, seatVersionId);
    const { stored } = source;
    const now = this.now();
    const kept = stored && { settings: stored.settings, held: stored.held ?? [] };
    this.saved = kept && stored && sameDraft(kept, now) ? { ...now, at: stored.savedAt } : null;
    this.saving = this.saved ? { state: 'saved', at: this.saved.at } : { state: 'unsent' };
  }

  readonly get = (): Saving => this.saving;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Watches the settings until the returned function is called; takes up what an earlier visit left behind. */
  start(box: Outbox): () => void {
    this.box = box;
    let stopped = false;
    const stops = [
      this.source.subscribe(() => this.changed()),
      box.subscribe(() => this.look()),
      box.onTaken(this.subject, (answer, entry) => this.taken(answer as SavedDraft, entry)),
    ];
    void box.start().then(() => {
      if (stopped) return;
      const left = box.about(this.subject).at(-1);
      if (left && !sameDraft(draftOf(left), this.now())) {
        this.source.holdOnly(draftOf(left).held);
        this.source.set(settingsOf(left));
      } else if (!left && !this.saved) this.changed();
      this.look();
    });
    this.look();
    return () => {
      stopped = true;
      this.stopWaiting();
      for (const stop of stops) stop();
    };
  }

  /** Hands what has changed to the outbox now. */
  async release(): Promise<void> {
    this.stopWaiting();
    const draft = this.now();
    if (!this.box || this.isHanded(draft)) return;
    await this.box.put(() => settingsEntry(this.fittingId, this.seatVersionId, draft, this.revision));
    void this.box.flush();
  }

  /** @returns whether the server has everything */
  async settle(): Promise<boolean> {
    await this.release();
    await this.box?.flush();
    return this.box !== null && this.waiting().length === 0;
  }

  /** Settings that an act has already stored on the server. */
  adopt({ settings, held, savedAt }: SettingSet, revision: number): void {
    this.stopWaiting();
    this.saved = { settings, held, at: savedAt };
    this.revision = revision;
    this.look();
  }

  /**
   * The fitting as the server has it now. A draft that somebody else has changed is taken over where nothing of ours
   * is on its way; @returns whether it was.
   * @param isOwn whether our own change brought it: then it needs no telling
   */
  seen(fitting: FittingDetail, isOwn: boolean): boolean {
    const { draft, draftRevision } = fitting;
    const isOurs = !this.isHanded(this.now()) || this.waiting().length > 0;
    const isNewer = draftRevision > this.revision;
    // What is made from now on is made on our own change, though it may not be sent yet.
    if (isNewer && (!isOurs || (isOwn && this.waiting().length === 0))) this.revision = draftRevision;
    if (isOurs || !isNewer) return false;
    if (!draft || sameDraft(draft, this.now())) return false;
    this.saved = { settings: draft.settings, held: draft.held, at: draft.savedAt };
    this.isTakenOver = !isOwn;
    this.source.holdOnly(draft.held);
    this.source.set(draft.settings);
    return true;
  }

  /** Whether settings of somebody else are shown and nobody has been told yet. */
  readonly takenOver = (): boolean => this.isTakenOver;

  understood(): void {
    this.isTakenOver = false;
    this.look();
  }

  conflict(): DraftConflict | null {
    const refused = this.waiting().find((e) => e.refusal);
    const theirs = refused && currentFitting(refused);
    return refused && theirs
      ? { mine: settingsOf(refused), theirs, base: this.saved?.settings ?? null }
      : null;
  }

  /** Ends a conflict with the settings chosen from both. */
  async decide(chosen: Settings, theirs: FittingDetail): Promise<void> {
    this.revision = theirs.draftRevision;
    const isTheirs = theirs.draft !== null && sameSettings(chosen, theirs.draft.settings);
    const held = isTheirs ? theirs.draft.held : this.source.heldKinds;
    if (isTheirs) this.saved = { settings: chosen, held, at: theirs.draft.savedAt };
    this.isDeciding = true;
    this.source.holdOnly(held);
    this.source.set(chosen);
    await this.box?.resolve(
      this.subject,
      isTheirs
        ? null
        : settingsEntry(this.fittingId, this.seatVersionId, { settings: chosen, held }, this.revision),
    );
    this.isDeciding = false;
    this.look();
  }

  private waiting(): readonly Entry[] {
    return this.box?.about(this.subject) ?? [];
  }

  private now(): Draft {
    return { settings: this.source.get(), held: this.source.heldKinds };
  }

  /** Whether the server has this draft, or the outbox does as the last of what it sends. */
  private isHanded(draft: Draft): boolean {
    const last = this.waiting().at(-1);
    const latest = last ? draftOf(last) : this.saved;
    return latest !== null && sameDraft(draft, latest);
  }

  private changed(): void {
    this.look();
    this.waitForQuiet();
  }

  /** Once after many changes: a drag changes the settings with every frame. */
  private waitForQuiet(): void {
    if (this.timer !== undefined) return;
    const settings = this.source.get();
    this.timer = setTimeout(() => {
      this.timer = undefined;
      if (settings === this.source.get()) void this.release();
      else this.waitForQuiet();
    }, QUIET_MS);
  }

  private stopWaiting(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
  }

  private taken(answer: SavedDraft, entry: Entry): void {
    this.revision = answer.revision;
    this.saved = { ...draftOf(entry), at: answer.savedAt };
    this.look();
  }

  private look(): void {
    const conflict = this.conflict();
    const same = conflict?.theirs.draft && sameSettings(conflict.mine, conflict.theirs.draft.settings);
    // Two who set the same have nothing to decide.
    if (conflict && same && !this.isDeciding) void this.decide(conflict.mine, conflict.theirs);
    const saving = this.state();
    // Its watchers look at whether it is another one, and a drag comes by here many times a second.
    if (JSON.stringify(saving) !== JSON.stringify(this.saving)) this.saving = saving;
    for (const listener of this.listeners) listener();
  }

  private state(): Saving {
    const entries = this.waiting();
    const refusal = entries.find((e) => e.refusal)?.refusal;
    if (refusal) return refusal.current ? { state: 'conflict' } : { state: 'failed', why: refusal.title };
    if (!this.isHanded(this.now())) return { state: 'unsent' };
    if (entries.length > 0 && this.box) return savingOf(this.box.get());
    return { state: 'saved', at: this.saved?.at ?? null };
  }
}
