import { ADJUSTMENT_KINDS, ADJUSTMENT_UNITS, type AdjustmentUnit } from './adjustment-kinds';
import type { Adjustment } from './adjustment';
import { endsOf } from './positions';
import type { SeatModel } from './seat';

/** More positions than any real adjustment has; beyond, a range is a slip of unit. */
const MOST_POSITIONS = 5000;

export type SeatFault =
  | 'duplicateAdjustment'
  | 'unknownUnit'
  | 'emptyRange'
  | 'reversedRange'
  | 'outOfRange'
  | 'notRising'
  | 'tooManyPositions'
  | 'missingSeatHeight'
  | 'controlOfNothing'
  | 'notPositive'
  | 'missingEffort';

export interface SeatDoubt {
  readonly reason: SeatFault;
  /** JSON pointer into the seat. */
  readonly field: string;
  readonly value: number | string;
}

function travelDoubts(adjustment: Adjustment, field: string): SeatDoubt[] {
  const { travel } = adjustment;
  const kind = ADJUSTMENT_KINDS[adjustment.kind];
  const at = `${field}/travel`;
  if (!(kind.units as readonly AdjustmentUnit[]).includes(adjustment.unit))
    return [{ reason: 'unknownUnit', field: `${field}/unit`, value: adjustment.unit }];
  if (travel.type === 'listed') {
    const values = travel.values.map((q) => q.value);
    if (values.length === 0) return [{ reason: 'emptyRange', field: at, value: 0 }];
    const fall = values.findIndex((v, i) => i > 0 && !(v > values[i - 1]!));
    if (fall > 0) return [{ reason: 'notRising', field: `${at}/values/${fall}`, value: values[fall]! }];
  }
  if (travel.type === 'steps' && !(Number.isInteger(travel.count) && travel.count >= 2))
    return [{ reason: 'emptyRange', field: `${at}/count`, value: travel.count }];
  const { lowest, highest } = endsOf(travel);
  for (const [name, value] of [
    ['lowest', lowest],
    ['highest', highest],
  ] as const) {
    if (!(kind.lowest <= value && value <= kind.highest))
      return [{ reason: 'outOfRange', field: `${at}/${name}`, value }];
  }
  if (travel.type !== 'listed' && !(lowest < highest))
    return [{ reason: 'reversedRange', field: at, value: highest }];
  const count =
    travel.type === 'steps'
      ? travel.count
      : travel.type === 'listed'
        ? travel.values.length
        : (highest - lowest) / ADJUSTMENT_UNITS[adjustment.unit].finestStep;
  return count <= MOST_POSITIONS ? [] : [{ reason: 'tooManyPositions', field: at, value: count }];
}

/** What is wrong with adjustments, as a list of faults naming field and value; empty where nothing is. */
export function adjustmentDoubts(adjustments: readonly Adjustment[], base: string): SeatDoubt[] {
  const seen = new Set<string>();
  return adjustments.flatMap((adjustment, i) => {
    const field = `${base}/${i}`;
    const doubts = travelDoubts(adjustment, field);
    if (seen.has(adjustment.id))
      doubts.push({ reason: 'duplicateAdjustment', field: `${field}/id`, value: adjustment.id });
    seen.add(adjustment.id);
    if (adjustment.kind === 'tiltTension' && !adjustment.effort)
      doubts.push({ reason: 'missingEffort', field: `${field}/effort`, value: adjustment.id });
    return doubts;
  });
}

/** What is wrong with a seat's description; empty where it can be computed with. */
export function seatDoubts(seat: SeatModel): SeatDoubt[] {
  const doubts = adjustmentDoubts(seat.adjustments, '/adjustments');
  const known = new Set(seat.adjustments.map((a) => a.id));
  if (!seat.adjustments.some((a) => a.kind === 'seatHeight'))
    doubts.push({ reason: 'missingSeatHeight', field: '/adjustments', value: 'seatHeight' });
  seat.controls.forEach((control, c) =>
    control.moves.forEach((move, m) => {
      if (!known.has(move.adjustmentId))
        doubts.push({
          reason: 'controlOfNothing',
          field: `/controls/${c}/moves/${m}/adjustmentId`,
          value: move.adjustmentId,
        });
    }),
  );
  const positive: readonly [string, number][] = [
    ['/ratedLoadKg', seat.ratedLoadKg.value],
    ['/seatWidthMm', seat.seatWidthMm.value],
    ['/cushion/referenceMassKg', seat.cushion.referenceMassKg],
  ];
  for (const [field, value] of positive)
    if (!(value > 0)) doubts.push({ reason: 'notPositive', field, value });
  return doubts;
}
