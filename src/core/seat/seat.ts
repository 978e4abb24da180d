import type { Quantity } from '../quantity';
import type { Adjustment } from './adjustment';
import type { AdjustmentKind } from './adjustment-kinds';
import type { Control } from './controls';

export const SEAT_CLASSES = [
  'office',
  'task',
  'handwork',
  'controlDesk',
  'operator',
  'child',
  'perching',
] as const;
export type SeatClass = (typeof SEAT_CLASSES)[number];

/** A described product with its ranges: one immutable version of it. */
export interface SeatModel {
  readonly id: string;
  readonly name: string;
  readonly seatClass: SeatClass;
  readonly ratedLoadKg: Quantity;
  /** Usable width of the pan, mm. */
  readonly seatWidthMm: Quantity;
  readonly cushion: {
    /** How far the cushion gives under the reference mass, mm. */
    readonly sinkMm: Quantity;
    readonly referenceMassKg: number;
    /** Whether the heights below were taken with the reference mass on the seat or with nobody on it. */
    readonly heightsAre: 'loaded' | 'empty';
  };
  readonly pan: {
    /** Tilt axis in mm from the pan's rear end: 0 rear, depth front. */
    readonly axisFromRearMm: number;
    /** How far the buttocks may lie behind the most forward point of the back support, mm. */
    readonly recessMm: number;
    readonly frontEdgeRadiusMm: number;
  };
  readonly back: {
    /** Top of the back above the loaded seat, mm. */
    readonly topMm: number;
    /** Back degrees per seat degree when both tilt together; null where the pan stays. */
    readonly synchroRatio: number | null;
    readonly armsMoveWithBack: boolean;
    /** Middles of two lumbar zones above the loaded seat, along the back, mm; absent where there are none. */
    readonly lumbarZones?: { readonly lowerMm: number; readonly upperMm: number } | undefined;
  };
  /** null: no arms. */
  readonly armPad: {
    readonly lengthMm: number;
    readonly widthMm: number;
    /** Front end before the back support's most forward point, pads at their rearmost, mm; absent: not known. */
    readonly frontMm?: number | undefined;
  } | null;
  readonly hasHarness: boolean;
  readonly hasSuspension: boolean;
  readonly castors: 'hardFloor' | 'softFloor' | 'glides' | 'bolted';
  readonly adjustments: readonly Adjustment[];
  readonly controls: readonly Control[];
  /** What one costs, in the practice's own currency; absent: not known. */
  readonly price?: number | undefined;
  /** Anything the fitter should know, in the maker's or the surveyor's words. */
  readonly notes: string;
}

/** The adjustment of a kind, or null. */
export function adjustmentOf(adjustments: readonly Adjustment[], kind: AdjustmentKind): Adjustment | null {
  return adjustments.find((a) => a.kind === kind) ?? null;
}

/** A cushion or pad changes how a belt lies and how a suspension rides: never on such a seat. */
export const takesCushions = (seat: SeatModel): boolean => !seat.hasHarness && !seat.hasSuspension;
