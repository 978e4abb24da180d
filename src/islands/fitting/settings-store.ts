import type { Settings } from '../../core/fit';
import type { AdjustmentKind } from '../../core/seat';

const MOST_UNDO = 200;

/** Draft settings as the server has them. */
export interface StoredDraft {
  readonly settings: Settings;
  readonly held?: readonly AdjustmentKind[];
  readonly savedAt: string;
}

/**
 * What is being set, outside React: a drag changes it many times a second and only those that read it draw again.
 * Undo is a list of settings; a drag counts as one step.
 */
export class SettingsStore {
  private past: Settings[] = [];
  private future: Settings[] = [];
  private readonly listeners = new Set<() => void>();
  private beforeDrag: Settings | null = null;

  private holds: ReadonlySet<AdjustmentKind>;

  /** @param stored what the server had when the store was made */
  constructor(
    private current: Settings,
    readonly stored: StoredDraft | null = null,
  ) {
    this.holds = new Set(stored?.held);
  }

  readonly get = (): Settings => this.current;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** One step, undone as one. */
  set(next: Settings): void {
    this.remember(this.current);
    this.put(next);
  }

  /** A frame of a drag; `endDrag` makes the whole drag one step. */
  drag(next: Settings): void {
    this.beforeDrag ??= this.current;
    this.put(next);
  }

  endDrag(): void {
    const before = this.beforeDrag;
    this.beforeDrag = null;
    if (!before || before === this.current) return;
    this.remember(before);
    this.isLettingGo = true;
    this.notify();
    this.isLettingGo = false;
  }

  /** While it tells that a drag has ended. */
  isLettingGo = false;

  get isDragging(): boolean {
    return this.beforeDrag !== null;
  }

  /** Whether solving leaves an adjustment where it stands. */
  isHeld(kind: AdjustmentKind): boolean {
    return this.holds.has(kind);
  }

  hold(kind: AdjustmentKind, isHeld: boolean): void {
    const others = [...this.holds].filter((k) => k !== kind);
    this.holdOnly(isHeld ? [...others, kind] : others);
  }

  /** Holds these and no others. */
  holdOnly(kinds: readonly AdjustmentKind[]): void {
    this.holds = new Set(kinds);
    this.notify();
  }

  /** In one order, whatever the order of holding; what has no position is not held. */
  get heldKinds(): AdjustmentKind[] {
    return [...this.holds].filter((kind) => this.current.positions[kind] !== undefined).sort();
  }

  /** Where the adjustments stand that are held. */
  get held(): Settings['positions'] {
    const { positions } = this.current;
    return Object.fromEntries(this.heldKinds.map((kind) => [kind, positions[kind]]));
  }

  get canUndo(): boolean {
    return this.past.length > 0;
  }

  get canRedo(): boolean {
    return this.future.length > 0;
  }

  undo(): void {
    const before = this.past.pop();
    if (!before) return;
    this.future.push(this.current);
    this.put(before);
  }

  redo(): void {
    const after = this.future.pop();
    if (!after) return;
    this.past.push(this.current);
    this.put(after);
  }

  private remember(settings: Settings): void {
    this.past = [...this.past.slice(1 - MOST_UNDO), settings];
    this.future = [];
  }

  private put(next: Settings): void {
    this.current = next;
    this.notify();
  }

  private notify(): void {
    for (const listener of this.listeners) listener();
  }
}
