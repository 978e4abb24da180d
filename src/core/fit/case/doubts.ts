/** What makes a case impossible to compute with, as a closed list of reasons, each naming field and value. */
import { DIMENSIONS, isDimensionId, pairDoubts, rangeDoubt } from '../../body';
import type { Method, Targets } from '../../method';
import { aimOf, bandOf, hardOf, type Interval, type Target } from '../../target';
import { CONDITION_IDS } from '../conditions';
import { placeDoubts } from '../../place';
import {
  adjustmentDoubts,
  leaderOf,
  positionCount,
  seatDoubts,
  type AdjustmentKind,
  type SeatFault,
} from '../../seat';
import type { FitInputs } from '../problem/inputs';

export const CASE_FAULTS = [
  'unknownMeasure',
  'measureOutOfRange',
  'measuresContradict',
  'spreadOutOfRange',
  'heldNowhere',
  'heldOutOfRange',
  'heldCarried',
  'unknownTarget',
  'reversedTarget',
  'repeated',
] as const;
export type CaseFault = (typeof CASE_FAULTS)[number] | SeatFault;

export interface CaseDoubt {
  /** The rule that is broken. */
  readonly reason: CaseFault;
  /** JSON pointer into the inputs. */
  readonly field: string;
  readonly value: number | string;
}

function bodyDoubts({ body }: FitInputs): CaseDoubt[] {
  const doubts: CaseDoubt[] = [];
  for (const [id, quantity] of Object.entries(body)) {
    const field = `/body/${id}`;
    if (!isDimensionId(id)) doubts.push({ reason: 'unknownMeasure', field, value: id });
    else if (quantity && rangeDoubt(id, quantity.value))
      doubts.push({ reason: 'measureOutOfRange', field, value: quantity.value });
    // A spread wider than all that a body can have says nothing, and is a slip.
    else if (quantity && !(0 <= quantity.spread && quantity.spread <= DIMENSIONS[id].highest))
      doubts.push({ reason: 'spreadOutOfRange', field: `${field}/spread`, value: quantity.spread });
  }
  if (doubts.length > 0) return doubts;
  return pairDoubts(body).map(({ dimension, limit }) => ({
    reason: 'measuresContradict',
    field: `/body/${dimension}`,
    value: body[dimension]?.value ?? limit,
  }));
}

function targetDoubts(field: string, target: Target): CaseDoubt[] {
  const doubts: CaseDoubt[] = [];
  for (const [name, value] of Object.entries(target))
    if (typeof value === 'number' && !Number.isFinite(value))
      doubts.push({ reason: 'notFinite', field: `${field}/${name}`, value });
  if (target.weight < 0) doubts.push({ reason: 'negative', field: `${field}/weight`, value: target.weight });
  const [hard, band, aim] = [hardOf(target), bandOf(target), aimOf(target)];
  const rising = [hard.lo, band.lo, aim.lo, aim.hi, band.hi, hard.hi];
  const fall = rising.findIndex((n, i) => i > 0 && n < rising[i - 1]!);
  if (fall > 0) doubts.push({ reason: 'reversedTarget', field, value: rising[fall]! });
  return doubts;
}

function targetsDoubts(base: string, targets: Targets): CaseDoubt[] {
  return Object.entries(targets).flatMap(([id, target]): CaseDoubt[] => {
    const field = `${base}/${id}`;
    if ((CONDITION_IDS as string[]).includes(id)) return targetDoubts(field, target);
    return [{ reason: 'unknownTarget', field, value: id }];
  });
}

/** What a list has more than once. */
function repeatedIn(field: string, list: readonly string[]): CaseDoubt[] {
  const twice = list.findIndex((item, i) => list.indexOf(item) < i);
  return twice < 0 ? [] : [{ reason: 'repeated', field: `${field}/${twice}`, value: list[twice]! }];
}

function intervalDoubts(field: string, { lo, hi }: Interval): CaseDoubt[] {
  const odd = [lo, hi].find((end) => !Number.isFinite(end));
  if (odd !== undefined) return [{ reason: 'notFinite', field, value: odd }];
  return lo > hi ? [{ reason: 'reversedTarget', field, value: hi }] : [];
}

/**
 * What is wrong with a method, with a pointer into it; empty where nothing is.
 * @returns JSON pointers count from the method. Definition.
 * @example
 * methodDoubts(method) // => []
 */
export function methodDoubts(method: Method): readonly CaseDoubt[] {
  const known = KNOWN_METHODS.get(method);
  if (known) return known;
  const found = doubtsOfMethod(method);
  KNOWN_METHODS.set(method, found);
  return found;
}
/** A method is never changed, and is the same for one case after the other. */
const KNOWN_METHODS = new WeakMap<Method, readonly CaseDoubt[]>();

function doubtsOfMethod(method: Method): CaseDoubt[] {
  const doubts = [
    ...targetDoubts('/kneeRoom', method.kneeRoom),
    ...targetsDoubts('/targets', method.targets),
    ...(method.steps ?? []).flatMap((s, i) => targetsDoubts(`/steps/${i}/targets`, s.targets ?? {})),
    ...repeatedIn('/tieBreaks', method.tieBreaks),
    ...repeatedIn('/order', method.order),
    ...repeatedIn('/again', method.again ?? []),
    ...intervalDoubts('/reported/knee', method.reported.knee),
    ...intervalDoubts('/reported/elbow', method.reported.elbow),
  ];
  if (method.fingers) doubts.push(...intervalDoubts('/fingers', method.fingers));
  for (const key of ['headRestFromDeg', 'footrestPenalty'] as const)
    if (!Number.isFinite(method[key]))
      doubts.push({ reason: 'notFinite', field: `/${key}`, value: method[key] });
  return doubts;
}

const under = (
  base: string,
  doubts: readonly { reason: CaseFault; field: string; value: number | string }[],
) => doubts.map((d): CaseDoubt => ({ ...d, field: base + d.field }));

/**
 * Everything that stands in the way of computing a case; empty where it can be computed.
 * @returns JSON pointers count from the inputs. Definition.
 * @example
 * caseDoubts({ ...inputs, seat: { ...seat, adjustments: [] } }).map((doubt) => doubt.reason) // => ['missingSeatHeight']
 */
export function caseDoubts(inputs: FitInputs): CaseDoubt[] {
  const { seat, place, work } = inputs;
  const doubts = [
    ...bodyDoubts(inputs),
    ...under('/method', methodDoubts(inputs.method)),
    ...under('/seat', seatDoubts(seat)),
  ];
  if (place) {
    doubts.push(...under('/place', placeDoubts(place)));
    doubts.push(...under('/place', adjustmentDoubts(place.adjustments, '/adjustments', 'place')));
  }
  if (!Number.isFinite(work.toolsKg))
    doubts.push({ reason: 'notFinite', field: '/work/toolsKg', value: work.toolsKg });
  else if (work.toolsKg < 0) doubts.push({ reason: 'negative', field: '/work/toolsKg', value: work.toolsKg });
  return doubts;
}

/**
 * Returns what is wrong with adjustments that are to stay at a position: those that are absent, or do not go so far.
 * @param held positions by kind, whole numbers from 0
 * @returns empty where nothing is. Definition.
 * @example
 * heldDoubts(inputs, { headHeight: 3 }).map((doubt) => doubt.field) // => ['/held/headHeight']
 */
export function heldDoubts(
  { seat, place }: Pick<FitInputs, 'seat' | 'place'>,
  held: Readonly<Partial<Record<AdjustmentKind, number>>>,
): CaseDoubt[] {
  const all = [...seat.adjustments, ...(place?.adjustments ?? [])];
  return Object.entries(held).flatMap(([kind, position]): CaseDoubt[] => {
    const field = `/held/${kind}`;
    const adjustment = all.find((a) => a.kind === kind);
    if (!adjustment) return [{ reason: 'heldNowhere', field, value: kind }];
    if (leaderOf(seat.adjustments, adjustment)) return [{ reason: 'heldCarried', field, value: kind }];
    const isThere = Number.isInteger(position) && 0 <= position && position < positionCount(adjustment);
    return isThere ? [] : [{ reason: 'heldOutOfRange', field, value: position }];
  });
}
