import type { SeatModel } from './schema';

/** What is taken where nobody described it, mm (assumed): a tilt below the sitter, a flat back, an edge that forgives nothing. */
const USUAL = { axisFromRearMm: 200, recessMm: 0, frontEdgeRadiusMm: 0, backTopMm: 450 } as const;

/** A seat as the computation reads it: lengths in mm; NaN for what cannot be calculated without being described. */
export interface SeatNumbers {
  readonly axisFromRearMm: number;
  readonly recessMm: number;
  readonly frontEdgeRadiusMm: number;
  readonly backTopMm: number;
  /** Back degrees per seat degree; null where the pan stays. */
  readonly synchroRatio: number | null;
  readonly seatWidthMm: number;
  readonly padLengthMm: number;
  readonly padWidthMm: number;
  /** NaN where only the length tells it. */
  readonly padFrontMm: number;
  readonly armsMoveWithBack: boolean;
}

/**
 * A seat as the computation reads it.
 * @returns mm; NaN for what cannot be calculated without being described. Assumed where the rows of `USUAL` say so.
 */
export function seatNumbers({ pan, back, arms, seatWidthMm }: SeatModel): SeatNumbers {
  return {
    axisFromRearMm: pan.axisFromRearMm ?? USUAL.axisFromRearMm,
    recessMm: pan.recessMm ?? USUAL.recessMm,
    frontEdgeRadiusMm: Math.max(0, pan.frontEdgeRadiusMm ?? USUAL.frontEdgeRadiusMm),
    backTopMm: back.topMm ?? USUAL.backTopMm,
    synchroRatio: back.synchroRatio,
    seatWidthMm: seatWidthMm?.value ?? NaN,
    padLengthMm: arms?.lengthMm ?? NaN,
    padWidthMm: arms?.widthMm ?? NaN,
    padFrontMm: arms?.frontMm ?? NaN,
    armsMoveWithBack: arms?.moveWithBack ?? arms?.on === 'back',
  };
}
