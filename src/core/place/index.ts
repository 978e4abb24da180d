import { adjustmentOf, valueAt, type Adjustment } from '../seat';

/** What is done at the place, and how far from the elbow the hands work. */
export const TASKS = ['keyboard', 'writing', 'handwork'] as const;
export type Task = (typeof TASKS)[number];

/**
 * Where the hands work, above the elbow, mm (common practice; the family of values is Grandjean's, "Fitting the
 * Task to the Man", from memory). Below the elbow is negative.
 */
export const TASK_OFFSETS = {
  keyboard: { lo: -30, hi: 0 },
  writing: { lo: 0, hi: 30 },
  handwork: { lo: 50, hi: 150 },
} as const satisfies Record<Task, { readonly lo: number; readonly hi: number }>;

/**
 * Where the seat is used: one immutable version. A desk is an adjustment of the place, of the same type as a
 * seat's; a desk nobody can move has one position.
 */
export interface Place {
  readonly id: string;
  readonly name: string;
  readonly task: Task;
  /** Kind `deskHeight`; none for a place without a desk (a helm, a crane cab). */
  readonly adjustments: readonly Adjustment[];
  /** Desk top to the lowest part over the thighs (underside, drawer, apron), mm. */
  readonly deskThicknessMm: number;
  /** What lies on the desk under the hands, mm. */
  readonly keyboardThicknessMm: number;
  readonly notes: string;
}

export const deskOf = (place: Place | null): Adjustment | null =>
  place ? adjustmentOf(place.adjustments, 'deskHeight') : null;

/** Desk top and underside above the floor at a position, mm; null without a desk. */
export function deskHeights(
  place: Place | null,
  position: number,
): { readonly topMm: number; readonly undersideMm: number } | null {
  const desk = deskOf(place);
  if (!place || !desk) return null;
  const topMm = valueAt(desk, position);
  return { topMm, undersideMm: topMm - place.deskThicknessMm };
}
