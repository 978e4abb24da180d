import {
  ADJUSTMENT_KINDS,
  ADJUSTMENT_KIND_IDS,
  ADJUSTMENT_UNITS,
  type AdjustmentKind,
  type AdjustmentKindRow,
  type AdjustmentUnit,
} from './adjustment-kinds';
import type { Adjustment } from './adjustment';
import { endsOf } from './positions';
import type { SeatModel } from './seat';

/** No length or mass of a seat is more, mm or kg. */
const MOST_MM = 10_000;
/** More positions than any real adjustment has; beyond, a range is a slip of unit. */
const MOST_POSITIONS = 5000;

/** More adjustments than any seat has; beyond, a list is a slip. */
const MOST_ADJUSTMENTS = ADJUSTMENT_KIND_IDS.length;

export const SEAT_FAULTS = [
  'duplicateAdjustment',
  'unknownKind',
  'unknownUnit',
  'emptyRange',
  'reversedRange',
  'outOfRange',
  'notRising',
  'tooManyPositions',
  'tooManyAdjustments',
  'missingSeatHeight',
  'controlOfNothing',
  'notPositive',
  'missingEffort',
  'reversedEffort',
  'secondOfKind',
  'missingMeaning',
  'notFinite',
  'negative',
  'wrongOwner',
] as const;
export type SeatFault = (typeof SEAT_FAULTS)[number];

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

/** What a count has to say for itself, and numbers that are none. */
function meaningDoubts({ id, kind, unit, effort, means }: Adjustment, field: string): SeatDoubt[] {
  const row: AdjustmentKindRow = ADJUSTMENT_KINDS[kind];
  const doubts: SeatDoubt[] = [];
  if (kind === 'tiltTension' && !effort)
    doubts.push({ reason: 'missingEffort', field: `${field}/effort`, value: id });
  if (row.means && unit !== 'mm' && unit !== 'deg' && !means)
    doubts.push({ reason: 'missingMeaning', field: `${field}/means`, value: id });
  if (effort) {
    const [light, stiff] =
      effort.by === 'moment'
        ? [effort.lightestNm, effort.stiffestNm]
        : [effort.lightestKg, effort.stiffestKg];
    if (!(light < stiff)) doubts.push({ reason: 'reversedEffort', field: `${field}/effort`, value: stiff });
  }
  for (const [part, numbers] of Object.entries({ effort, means }))
    for (const [name, value] of Object.entries(numbers ?? {}))
      if (typeof value === 'number' && !Number.isFinite(value))
        doubts.push({ reason: 'notFinite', field: `${field}/${part}/${name}`, value });
  return doubts;
}

/** What is wrong with adjustments, as a list of faults naming field and value; empty where nothing is. */
export function adjustmentDoubts(
  adjustments: readonly Adjustment[],
  base: string,
  owner: AdjustmentKindRow['belongsTo'] = 'place',
): SeatDoubt[] {
  if (adjustments.length > MOST_ADJUSTMENTS)
    return [{ reason: 'tooManyAdjustments', field: base, value: adjustments.length }];
  const seen = new Set<string>();
  const kinds = new Set<AdjustmentKind>();
  return adjustments.flatMap((adjustment, i) => {
    const field = `${base}/${i}`;
    if (!Object.hasOwn(ADJUSTMENT_KINDS, adjustment.kind))
      return [{ reason: 'unknownKind', field: `${field}/kind`, value: String(adjustment.kind) }];
    const doubts = travelDoubts(adjustment, field);
    if (ADJUSTMENT_KINDS[adjustment.kind].belongsTo !== owner)
      doubts.push({ reason: 'wrongOwner', field: `${field}/kind`, value: adjustment.kind });
    if (seen.has(adjustment.id))
      doubts.push({ reason: 'duplicateAdjustment', field: `${field}/id`, value: adjustment.id });
    seen.add(adjustment.id);
    if (kinds.has(adjustment.kind))
      doubts.push({ reason: 'secondOfKind', field: `${field}/kind`, value: adjustment.kind });
    kinds.add(adjustment.kind);
    return [...doubts, ...meaningDoubts(adjustment, field)];
  });
}

/** Lengths that cannot be below zero. */
const SIZES: ReadonlySet<string> = new Set([
  '/cushion/sinkMm',
  '/pan/frontEdgeRadiusMm',
  '/armPad/lengthMm',
  '/armPad/widthMm',
]);

/** What is wrong with a seat's description; empty where it can be computed with. */
export function seatDoubts(seat: SeatModel): SeatDoubt[] {
  const doubts = adjustmentDoubts(seat.adjustments, '/adjustments', 'seat');
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
  const finite: readonly [string, number | null | undefined][] = [
    ['/cushion/sinkMm', seat.cushion.sinkMm.value],
    ['/pan/axisFromRearMm', seat.pan.axisFromRearMm],
    ['/pan/recessMm', seat.pan.recessMm],
    ['/pan/frontEdgeRadiusMm', seat.pan.frontEdgeRadiusMm],
    ['/back/topMm', seat.back.topMm],
    ['/back/lumbarZones/lowerMm', seat.back.lumbarZones?.lowerMm],
    ['/back/lumbarZones/upperMm', seat.back.lumbarZones?.upperMm],
    ['/armPad/lengthMm', seat.armPad?.lengthMm],
    ['/armPad/widthMm', seat.armPad?.widthMm],
    ['/armPad/frontMm', seat.armPad?.frontMm],
  ];
  for (const [field, value] of finite)
    if (typeof value === 'number' && !(Math.abs(value) <= MOST_MM))
      doubts.push({ reason: 'notFinite', field, value });
  // A cushion that rises under load, or pads of less than no size, are slips of the sign.
  for (const [field, value] of finite)
    if (SIZES.has(field) && typeof value === 'number' && value < 0 && value >= -MOST_MM)
      doubts.push({ reason: 'negative', field, value });
  const { synchroRatio } = seat.back;
  if (synchroRatio !== null && !(synchroRatio > 0))
    doubts.push({ reason: 'notPositive', field: '/back/synchroRatio', value: synchroRatio });
  const positive: readonly [string, number][] = [
    ['/ratedLoadKg', seat.ratedLoadKg.value],
    ['/seatWidthMm', seat.seatWidthMm.value],
    ['/cushion/referenceMassKg', seat.cushion.referenceMassKg],
  ];
  for (const [field, value] of positive)
    if (!(value > 0 && value <= MOST_MM)) doubts.push({ reason: 'notPositive', field, value });
  return doubts;
}
