/** What somebody may have meant by a number that no seat has. */
import { ADJUSTMENT_KINDS, type AdjustmentKind } from './adjustment-kinds';

export const SLIPS = ['centimetres', 'inches', 'tenfold', 'sign'] as const;
export type Slip = (typeof SLIPS)[number];

export interface LikelySlip {
  readonly slip: Slip;
  /** What was meant, in the unit of the field. */
  readonly meant: number;
}

const MM_PER_CM = 10;
const MM_PER_INCH = 25.4;

/** How a slip makes what was typed of what was meant, most likely first. */
const MADE_BY: readonly (readonly [Slip, (typed: number) => number])[] = [
  ['centimetres', (v) => v * MM_PER_CM],
  ['inches', (v) => Math.round(v * MM_PER_INCH)],
  ['tenfold', (v) => v / MM_PER_CM],
  ['sign', (v) => -v],
];

/**
 * Returns the slip that would put a number where seats commonly are; null where it is inside the ends that no seat
 * passes, or no slip explains it.
 * @param value as typed, in the unit of the field
 * @param limits ends that nothing passes
 * @param common where most are; absent: anywhere within the limits
 * @returns null where it is inside the limits, or no slip explains it. Common practice, no source.
 * @example
 * likelySlip(44.5, [300, 700], [380, 560]) // => { slip: 'centimetres', meant: 445 }
 */
export function likelySlip(
  value: number,
  limits: readonly [number, number],
  common: readonly [number, number] | null,
): LikelySlip | null {
  const [low, high] = limits;
  if (!Number.isFinite(value) || (low <= value && value <= high)) return null;
  const candidates = MADE_BY.map(([slip, made]) => ({ slip, meant: made(value) })).filter(
    ({ meant }) => low <= meant && meant <= high,
  );
  const isCommon = ({ meant }: LikelySlip): boolean =>
    common !== null && common[0] * 0.8 <= meant && meant <= common[1] * 1.2;
  return candidates.find(isCommon) ?? candidates[0] ?? null;
}

/**
 * The same for the end of an adjustment in its first unit.
 * @param value in the kind’s first unit
 * @returns null where no slip explains it. Common practice, no source.
 */
export function slipOf(kind: AdjustmentKind, value: number): LikelySlip | null {
  const { lowest, highest, typical } = ADJUSTMENT_KINDS[kind];
  return likelySlip(value, [lowest, highest], typical);
}
