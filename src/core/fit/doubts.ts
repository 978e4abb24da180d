/** What makes a case impossible to compute with, as a closed list of reasons, each naming field and value. */
import { isDimensionId, pairDoubts, rangeDoubt } from '../body';
import { CONDITION_IDS, aimOf, bandOf, hardOf, type Method, type Target } from '../method';
import { placeDoubts } from '../place';
import { adjustmentDoubts, seatDoubts, type SeatFault } from '../seat';
import type { FitInputs } from './inputs';

export const CASE_FAULTS = [
  'unknownMeasure',
  'measureOutOfRange',
  'measuresContradict',
  'unknownTarget',
  'reversedTarget',
  'notFinite',
  'negative',
  'wrongOwner',
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

/** What is wrong with a method, with a pointer into it; empty where nothing is. */
export function methodDoubts(method: Method): CaseDoubt[] {
  const doubts = targetDoubts('/kneeRoom', method.kneeRoom);
  for (const [id, target] of Object.entries(method.targets)) {
    const field = `/targets/${id}`;
    if (!(CONDITION_IDS as string[]).includes(id)) doubts.push({ reason: 'unknownTarget', field, value: id });
    else doubts.push(...targetDoubts(field, target));
  }
  for (const key of ['headRestFromDeg', 'footrestPenalty'] as const)
    if (!Number.isFinite(method[key]))
      doubts.push({ reason: 'notFinite', field: `/${key}`, value: method[key] });
  return doubts;
}

const under = (
  base: string,
  doubts: readonly { reason: CaseFault; field: string; value: number | string }[],
) => doubts.map((d): CaseDoubt => ({ ...d, field: base + d.field }));

/** Everything that stands in the way of computing a case; empty where it can be computed. */
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
