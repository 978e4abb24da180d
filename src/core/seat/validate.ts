import {
  ADJUSTMENT_KINDS,
  ADJUSTMENT_KIND_IDS,
  ADJUSTMENT_UNITS,
  type AdjustmentKind,
  type AdjustmentKindRow,
  type AdjustmentUnit,
} from './adjustment-kinds';
import type { Control, Precondition } from './control-schema';
import type { Adjustment, SeatModel } from './schema';
import { FLOOR_OFFERS } from './lists';
import { endsOf, positionCount } from './positions';

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
  'reversedEffort',
  'secondOfKind',
  'lockStates',
  'stateOfNothing',
  'leaderMissing',
  'secondFloor',
  'duplicateId',
  'wrongDial',
  'contradiction',
  'preconditionOfNothing',
  'circle',
  'procedureOfNothing',
  'emptyProcedure',
  'neutralOutside',
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
  if (travel.type === 'onOff') return [];
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

/** Numbers that say what a count comes to: none is asked for, and those that are given must be some. */
function meaningDoubts({ effort, means }: Adjustment, field: string): SeatDoubt[] {
  const doubts: SeatDoubt[] = [];
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

/**
 * What is wrong with adjustments, as a list of faults naming field and value; empty where nothing is.
 * @returns JSON pointers begin with `base`. Definition.
 * @example
 * adjustmentDoubts([], '/adjustments') // => []
 */
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
    return [
      ...doubts,
      ...(doubts.length === 0 ? positionDoubts(adjustment, field) : []),
      ...meaningDoubts(adjustment, field),
    ];
  });
}

/** Lengths that cannot be below zero. */
const SIZES: ReadonlySet<string> = new Set([
  '/cushion/sinkMm',
  '/pan/frontEdgeRadiusMm',
  '/arms/lengthMm',
  '/arms/widthMm',
]);

/** Positions an adjustment can name: those it has, and no lock without its states. */
function positionDoubts(adjustment: Adjustment, field: string): SeatDoubt[] {
  const doubts: SeatDoubt[] = [];
  const count = positionCount(adjustment);
  const { lock, neutral, rest } = adjustment;
  if (lock && (lock.states.length !== count || new Set(lock.states).size !== lock.states.length))
    doubts.push({ reason: 'lockStates', field: `${field}/lock/states`, value: lock.states.length });
  for (const [name, at] of Object.entries({ neutral, rest }))
    if (typeof at === 'number' && at >= count)
      doubts.push({ reason: 'neutralOutside', field: `${field}/${name}`, value: at });
  return doubts;
}

const repeated = (ids: readonly string[], base: string, reason: SeatFault): SeatDoubt[] =>
  ids.flatMap((id, i) => (ids.indexOf(id) < i ? [{ reason, field: `${base}/${i}/id`, value: id }] : []));

/** What parts of a seat say of each other. */
function partDoubts(seat: SeatModel, ids: ReadonlySet<string>): SeatDoubt[] {
  const doubts: SeatDoubt[] = [
    ...repeated(
      seat.states.map((s) => s.id),
      '/states',
      'duplicateId',
    ),
    ...repeated(
      seat.controls.map((c) => c.id),
      '/controls',
      'duplicateId',
    ),
    ...repeated(
      seat.strappedCushions.map((c) => c.id),
      '/strappedCushions',
      'duplicateId',
    ),
  ];
  seat.states.forEach((state, s) => {
    state.removes.forEach((id, r) => {
      if (!ids.has(id))
        doubts.push({ reason: 'stateOfNothing', field: `/states/${s}/removes/${r}`, value: id });
    });
    if (state.removesArms && !seat.arms)
      doubts.push({ reason: 'stateOfNothing', field: `/states/${s}/removesArms`, value: state.kind });
  });
  const floors = seat.offers.flatMap((offer, i) =>
    (FLOOR_OFFERS as readonly string[]).includes(offer) ? [i] : [],
  );
  for (const i of floors.slice(1))
    doubts.push({ reason: 'secondFloor', field: `/offers/${i}`, value: seat.offers[i]! });
  seat.adjustments.forEach((adjustment, i) => {
    const field = `/adjustments/${i}`;
    const { holds } = adjustment;
    if (holds.how === 'follows' && (holds.leaderId === adjustment.id || !ids.has(holds.leaderId)))
      doubts.push({ reason: 'leaderMissing', field: `${field}/holds/leaderId`, value: holds.leaderId });
  });
  seat.controls.forEach(({ scale, moves }, c) => {
    if (scale.type !== 'dial') return;
    const moved = seat.adjustments.find((a) => moves.some((m) => m.adjustmentId === a.id));
    if (moved && moved.travel.type !== 'continuous' && scale.labels.length !== positionCount(moved))
      doubts.push({ reason: 'wrongDial', field: `/controls/${c}/scale/labels`, value: scale.labels.length });
  });
  return doubts;
}

/** The same thing done with a control that gives more one way here and another way there. */
function contradictions({ moves }: Control, base: string): SeatDoubt[] {
  const ways = new Map<string, string>();
  return moves.flatMap((move, m) => {
    const { adjustmentId, action, pull = '', directionForMore } = move;
    if (directionForMore === 'unknown') return [];
    const key = `${adjustmentId} ${action} ${pull}`;
    const before = ways.get(key) ?? directionForMore;
    ways.set(key, before);
    return before === directionForMore
      ? []
      : [{ reason: 'contradiction', field: `${base}/moves/${m}/directionForMore`, value: directionForMore }];
  });
}

/** What has to be so before a move, as parts of the seat that are worked before others; and where that goes round. */
function orderDoubts(seat: SeatModel, ids: ReadonlySet<string>): SeatDoubt[] {
  const doubts: SeatDoubt[] = [];
  const known = new Set([...ids, ...seat.controls.map((c) => c.id), ...seat.states.map((s) => s.id)]);
  const before = new Map<string, Set<string>>();
  const name = (id: string): string => seat.controls.find((c) => c.id === id)?.moves[0]?.adjustmentId ?? id;
  const needs = (what: string, { of }: Precondition, field: string): void => {
    if (!known.has(of)) doubts.push({ reason: 'preconditionOfNothing', field, value: of });
    else if (leadsTo(name(of), what)) doubts.push({ reason: 'circle', field, value: of });
    else before.set(what, (before.get(what) ?? new Set()).add(name(of)));
  };
  const leadsTo = (from: string, to: string): boolean =>
    from === to || [...(before.get(from) ?? [])].some((next) => leadsTo(next, to));
  seat.controls.forEach((control, c) =>
    control.moves.forEach((move, m) =>
      move.preconditions?.forEach((one, i) =>
        needs(move.adjustmentId, one, `/controls/${c}/moves/${m}/preconditions/${i}/of`),
      ),
    ),
  );
  seat.procedures.forEach(({ kind, controlId, steps }, n) => {
    if (controlId !== undefined && !seat.controls.some((c) => c.id === controlId))
      doubts.push({ reason: 'procedureOfNothing', field: `/procedures/${n}/controlId`, value: controlId });
    if (kind === 'own' && steps.length === 0)
      doubts.push({ reason: 'emptyProcedure', field: `/procedures/${n}/steps`, value: 0 });
    steps.forEach((step, s) =>
      step.preconditions?.forEach((one, i) => {
        if (!known.has(one.of))
          doubts.push({
            reason: 'preconditionOfNothing',
            field: `/procedures/${n}/steps/${s}/preconditions/${i}/of`,
            value: one.of,
          });
      }),
    );
  });
  return doubts;
}

/** What is wrong with the lengths of a seat’s parts. */
function sizeDoubts(seat: SeatModel): SeatDoubt[] {
  const doubts: SeatDoubt[] = [];
  const finite: readonly [string, number | null | undefined][] = [
    ['/cushion/sinkMm', seat.cushion.sinkMm?.value],
    ['/pan/axisFromRearMm', seat.pan.axisFromRearMm],
    ['/pan/recessMm', seat.pan.recessMm],
    ['/pan/frontEdgeRadiusMm', seat.pan.frontEdgeRadiusMm],
    ['/back/topMm', seat.back.topMm],
    ['/back/lumbarZones/lowerMm', seat.back.lumbarZones?.lowerMm],
    ['/back/lumbarZones/upperMm', seat.back.lumbarZones?.upperMm],
    ['/arms/lengthMm', seat.arms?.lengthMm],
    ['/arms/widthMm', seat.arms?.widthMm],
    ['/arms/frontMm', seat.arms?.frontMm],
  ];
  for (const [field, value] of finite)
    if (typeof value === 'number' && !(Math.abs(value) <= MOST_MM))
      doubts.push({ reason: 'notFinite', field, value });
  // A cushion that rises under load, or pads of less than no size, are slips of the sign.
  for (const [field, value] of finite)
    if (SIZES.has(field) && typeof value === 'number' && value < 0 && value >= -MOST_MM)
      doubts.push({ reason: 'negative', field, value });
  return doubts;
}

/** What is wrong with numbers that only make sense above 0. */
function positiveDoubts(seat: SeatModel): SeatDoubt[] {
  const doubts: SeatDoubt[] = [];
  const { synchroRatio } = seat.back;
  if (synchroRatio !== null && !(synchroRatio > 0))
    doubts.push({ reason: 'notPositive', field: '/back/synchroRatio', value: synchroRatio });
  const positive: readonly [string, number | undefined][] = [
    ['/ratedLoadKg', seat.ratedLoadKg?.value],
    ['/seatWidthMm', seat.seatWidthMm?.value],
    ['/cushion/referenceMassKg', seat.cushion.referenceMassKg],
  ];
  for (const [field, value] of positive)
    if (value !== undefined && !(value > 0 && value <= MOST_MM))
      doubts.push({ reason: 'notPositive', field, value });
  return doubts;
}

/**
 * What is wrong with a seat's description; empty where it can be computed with.
 * @returns JSON pointers count from the seat. Definition.
 * @example
 * seatDoubts({ ...seat, adjustments: [] }).map((doubt) => doubt.reason) // => ['missingSeatHeight']
 */
export function seatDoubts(seat: SeatModel): SeatDoubt[] {
  const doubts = adjustmentDoubts(seat.adjustments, '/adjustments', 'seat');
  const ids = seat.adjustments.map((a) => a.id);
  const known = new Set([...ids, ...seat.states.map((s) => s.id)]);
  doubts.push(...partDoubts(seat, new Set(ids)));
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
  seat.controls.forEach((control, c) => doubts.push(...contradictions(control, `/controls/${c}`)));
  doubts.push(...orderDoubts(seat, new Set(ids)), ...sizeDoubts(seat), ...positiveDoubts(seat));
  return doubts;
}
