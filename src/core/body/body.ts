import { isEstimate, type Quantity } from '../quantity';
import { DIMENSIONS, type DimensionId } from './dimensions';

/** What is known of one sitter's body; a dimension that is absent was neither measured nor estimated. */
export type Body = { readonly [id in DimensionId]?: Quantity | undefined };

/** Why two measures cannot both be right, or one cannot be right at all. */
export interface MeasureDoubt {
  readonly reason: 'outOfRange' | 'notBelow';
  readonly dimension: DimensionId;
  /** The other measure of an impossible pair. */
  readonly other?: DimensionId;
  /** The limit that was passed, in the dimension's unit. */
  readonly limit: number;
}

/**
 * A reading, or what somebody stated; not what was estimated.
 * @returns false also where nothing is known. Definition.
 * @example
 * isMeasured(body, 'poplitealHeight') // => true
 */
export const isMeasured = (body: Body, id: DimensionId): boolean =>
  body[id] !== undefined && !isEstimate(body[id]);
/**
 * Of what nothing is known, not even an estimate.
 * @returns in the order asked; empty where all are known. Definition.
 * @example
 * missingOf({}, ['stature', 'bodyMass']) // => ['stature', 'bodyMass']
 */
export const missingOf = (body: Body, ids: readonly DimensionId[]): DimensionId[] =>
  ids.filter((id) => body[id] === undefined);
/**
 * Of what only an estimate is known.
 * @returns in the order asked; empty where none is. Definition.
 * @example
 * estimatedOf(body, ['stature', 'footLength']) // => []
 */
export const estimatedOf = (body: Body, ids: readonly DimensionId[]): DimensionId[] =>
  ids.filter((id) => isEstimate(body[id]));

/** Taken erect and used relaxed: how far the trunk gives is not known better than this, mm (assumed). */
const SLUMP_SPREAD_MM = 8;
const USED_RELAXED: readonly DimensionId[] = [
  'elbowHeightSitting',
  'shoulderHeightSitting',
  'cervicaleHeightSitting',
  'eyeHeightSitting',
  'napeHeight',
];

/**
 * How unsure a measure is in the posture that it is used in: its own spread, and that of the slump.
 * @param spread standard deviation of the measure itself, same unit
 * @returns a standard deviation in the dimension’s unit, mm or kg, 0 or more. Assumed for the slump.
 */
export const spreadInUse = (id: DimensionId, spread: number): number =>
  USED_RELAXED.includes(id) ? Math.hypot(spread, SLUMP_SPREAD_MM) : spread;

/**
 * A body with every measure as unsure as it is in the posture that it is used in.
 * @returns a new body with the same values. Assumed for the slump.
 */
export const bodyInUse = (body: Body): Body =>
  Object.fromEntries(
    (Object.entries(body) as [DimensionId, Body[DimensionId]][]).map(([id, quantity]) => [
      id,
      quantity && { ...quantity, spread: spreadInUse(id, quantity.spread) },
    ]),
  );

/**
 * A value outside what any body can have.
 * @param value mm or kg, by the dimension
 * @returns null where the value is possible. Assumed limits, wide on purpose.
 * @example
 * rangeDoubt('stature', 17400)?.reason // => 'outOfRange'
 */
export function rangeDoubt(dimension: DimensionId, value: number): MeasureDoubt | null {
  const { lowest, highest } = DIMENSIONS[dimension];
  if (lowest <= value && value <= highest) return null;
  return { reason: 'outOfRange', dimension, limit: value < lowest ? lowest : highest };
}

/** `lower` may not exceed `upper` by more than `slackMm`. Common practice. */
const ORDERED_PAIRS: readonly { lower: DimensionId; upper: DimensionId; slackMm: number }[] = [
  { lower: 'poplitealHeight', upper: 'kneeHeight', slackMm: 0 },
  { lower: 'thighClearance', upper: 'elbowHeightSitting', slackMm: 60 },
  { lower: 'elbowHeightSitting', upper: 'shoulderHeightSitting', slackMm: 0 },
  { lower: 'smallOfBackHeight', upper: 'shoulderHeightSitting', slackMm: 0 },
  { lower: 'shoulderHeightSitting', upper: 'napeHeight', slackMm: 0 },
  { lower: 'napeHeight', upper: 'eyeHeightSitting', slackMm: 0 },
  { lower: 'shoulderHeightSitting', upper: 'cervicaleHeightSitting', slackMm: 20 },
  { lower: 'cervicaleHeightSitting', upper: 'napeHeight', slackMm: 0 },
  { lower: 'eyeHeightSitting', upper: 'sittingHeight', slackMm: 0 },
  { lower: 'sittingHeight', upper: 'stature', slackMm: 0 },
  { lower: 'elbowGripLength', upper: 'forearmHandLength', slackMm: 0 },
  { lower: 'eyeHeightSitting', upper: 'stature', slackMm: 0 },
  { lower: 'kneeHeight', upper: 'stature', slackMm: 0 },
  { lower: 'buttockPoplitealLength', upper: 'buttockKneeLength', slackMm: 0 },
  { lower: 'biacromialBreadth', upper: 'shoulderBreadth', slackMm: 0 },
  { lower: 'elbowHeightStanding', upper: 'stature', slackMm: 0 },
  { lower: 'threeFingerBreadth', upper: 'fourFingerBreadth', slackMm: 0 },
];

/**
 * Pairs of measures that no body can have together; empty where nothing is wrong. An estimate contradicts nothing.
 * @returns one for each pair, naming both. Definition.
 * @example
 * pairDoubts({ ...body, sittingHeight: stated(1800, 'sheet') }).map((doubt) => doubt.reason) // => ['notBelow']
 */
export function pairDoubts(body: Body): MeasureDoubt[] {
  const doubts: MeasureDoubt[] = [];
  for (const { lower, upper, slackMm } of ORDERED_PAIRS) {
    if (isEstimate(body[lower]) || isEstimate(body[upper])) continue;
    const low = body[lower]?.value;
    const high = body[upper]?.value;
    if (low === undefined || high === undefined) continue;
    if (low > high + slackMm)
      doubts.push({ reason: 'notBelow', dimension: lower, other: upper, limit: high + slackMm });
  }
  return doubts;
}
