import type { AdjustmentKind } from '../../core/seat';
import type { Source } from '../../drawing';

/** The lever whose track is open: it is marked in the drawing. The height of the seat comes first. */
export class OpenLever implements Source<AdjustmentKind> {
  private kind: AdjustmentKind = 'seatHeight';
  private readonly listeners = new Set<() => void>();

  readonly get = (): AdjustmentKind => this.kind;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly open = (kind: AdjustmentKind): void => {
    if (kind === this.kind) return;
    this.kind = kind;
    for (const listener of this.listeners) listener();
  };
}
