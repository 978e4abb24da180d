import type { Quantity } from '../quantity';
import type { AdjustmentKind, AdjustmentUnit } from './adjustment-kinds';

/** How an adjustment moves between its ends; every form comes down to a finite list of positions. */
export type Travel =
  | { readonly type: 'continuous'; readonly lowest: Quantity; readonly highest: Quantity }
  /** `count` positions at equal distances, both ends included. */
  | { readonly type: 'steps'; readonly lowest: Quantity; readonly highest: Quantity; readonly count: number }
  /** Positions at the given values, rising. One value: the seat has it but nobody can move it. */
  | { readonly type: 'listed'; readonly values: readonly Quantity[] };

/**
 * What sets the recline tension: a range of moments about the hip (N·m at a stated back angle), or, where the
 * maker says only that, a range of body masses; or the mechanism weighs the sitter by itself, within a range of
 * masses, and what is set is an override (0: none).
 */
export type Effort =
  | {
      readonly by: 'moment';
      readonly lightestNm: number;
      readonly stiffestNm: number;
      readonly atDeg: number;
    }
  | { readonly by: 'mass' | 'weighing'; readonly lightestKg: number; readonly stiffestKg: number };

/** What the ends of a count come to, in the unit that the kind's row names; in between in proportion. */
export interface Meaning {
  readonly atLowest: number;
  readonly atHighest: number;
}

/** One thing a seat (or a place) can change. */
export interface Adjustment {
  /** Slug, unique within its seat version. */
  readonly id: string;
  readonly kind: AdjustmentKind;
  readonly side: 'both' | 'left' | 'right';
  readonly unit: AdjustmentUnit;
  readonly travel: Travel;
  /** Only of `tiltTension`. */
  readonly effort?: Effort | undefined;
  /** Of a count whose kind says what it does in mm or degrees (`means` of its row). */
  readonly means?: Meaning | undefined;
  /** Only of `tiltLock`: where it can be locked. */
  readonly locks?: 'upright' | 'anywhere' | undefined;
  /** Goes where the sitter takes it: nobody sets it (a forward tilt that is passive). */
  readonly followsSitter?: boolean | undefined;
}
