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
 * maker says only that, a range of body masses.
 */
export type Effort =
  | {
      readonly by: 'moment';
      readonly lightestNm: number;
      readonly stiffestNm: number;
      readonly atDeg: number;
    }
  | { readonly by: 'mass'; readonly lightestKg: number; readonly stiffestKg: number };

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
}
