/** Whether a measure fits the others of the same body, and what may have gone wrong where it does not. */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { DIMENSIONS, isMeasured, rangeDoubt, type Body } from '../body';
import type { Quantity } from '../quantity';
import { MODELLED, scoreCorrelation } from './factors';
import { scoreOf, slopeAt, type Marginal } from './marginal';
import { BETWEEN_POPULATIONS, numberOf, type Population } from './model';
import type { BodyDimension } from './table';

/** From here on it is asked whether the measure is right; from here on a reason is wanted (common practice). */
export const ASK_FROM = 3;
export const REASON_FROM = 5;
/** What would be believed instead. */
const BELIEVED_TO = 2;

/** What may have happened: another unit, a digit too many or too few, two rows swapped, shoes kept on. */
export const SLIPS = ['inches', 'centimetres', 'tenfold', 'tenth', 'swapped', 'shoesOn'] as const;
export interface Slip {
  readonly kind: (typeof SLIPS)[number];
  /** What the measure then is, mm or kg. */
  readonly instead: number;
  /** The row it was swapped with. */
  readonly other?: BodyDimension;
}

export interface Implausible {
  readonly dimension: BodyDimension;
  /** Deviations from what the other measures let expect. */
  readonly z: number;
  readonly level: 'ask' | 'reason';
  readonly slips: readonly Slip[];
}

interface Scored {
  readonly id: BodyDimension;
  readonly marginal: Marginal;
  readonly value: number;
  readonly spread: number;
}

/** Beyond this a score says nothing more. */
const MOST = 50;
const boundedScore = (m: Marginal, value: number): number =>
  Math.max(-MOST, Math.min(MOST, scoreOf(m, value)));

/** How far one measure lies from what the others let expect, in deviations; of a person of one sex. */
function surprise(one: Scored, others: readonly Scored[]): number {
  const errorOf = ({ marginal, value, spread }: Scored): number => {
    const slope = slopeAt(marginal, boundedScore(marginal, value));
    return slope > 0 ? Math.min(1, spread / slope) : 0;
  };
  const score = ({ marginal, value }: Scored) => boundedScore(marginal, value);
  let [mean, variance] = [0, 1];
  if (others.length > 0) {
    const within = Matrix.zeros(others.length, others.length);
    others.forEach((a, i) =>
      others.forEach((b, j) =>
        within.set(i, j, scoreCorrelation(a.id, b.id) + (i === j ? errorOf(a) ** 2 + 1e-6 : 0)),
      ),
    );
    const across = Matrix.columnVector(others.map((o) => scoreCorrelation(o.id, one.id)));
    const gains = new CholeskyDecomposition(within).solve(across);
    others.forEach((o, i) => {
      mean += gains.get(i, 0) * score(o);
      variance -= gains.get(i, 0) * across.get(i, 0);
    });
  }
  const doubt = Math.max(0, variance) + errorOf(one) ** 2 + BETWEEN_POPULATIONS ** 2;
  return (score(one) - mean) / Math.sqrt(doubt);
}

/** Of each sex that it may be the less surprising. */
function surpriseIn(
  population: Population,
  body: Body,
  {
    ids,
    one,
    value,
  }: { readonly ids: readonly BodyDimension[]; readonly one: BodyDimension; readonly value?: number },
): number {
  const found = population.parts.map(({ marginals }) => {
    const scored = (id: BodyDimension, instead?: number): Scored => ({
      id,
      marginal: marginals[numberOf(id)]!,
      value: instead ?? body[id]!.value,
      spread: body[id]?.spread ?? 0,
    });
    const others = ids.filter((id) => id !== one).map((id) => scored(id));
    return surprise(scored(one, value), others);
  });
  return found.reduce((least, z) => (Math.abs(z) < Math.abs(least) ? z : least));
}

const SHOD: readonly BodyDimension[] = ['stature', 'poplitealHeight', 'kneeHeight', 'elbowHeightStanding'];

/** What the measure would be, had this or that happened, and that is then believed. */
function slipsOf(
  population: Population,
  body: Body,
  ids: readonly BodyDimension[],
  one: BodyDimension,
): Slip[] {
  const { value } = body[one]!;
  const isLength = DIMENSIONS[one].unit === 'mm';
  const others = ids.filter((id) => id !== one);
  const isBelieved = (instead: number): boolean =>
    rangeDoubt(one, instead) === null &&
    Math.abs(surpriseIn(population, body, { ids, one, value: instead })) <= BELIEVED_TO;
  const tried: Slip[] = [
    { kind: 'tenfold', instead: value / 10 },
    { kind: isLength ? 'centimetres' : 'tenth', instead: value * 10 },
    ...(isLength ? [{ kind: 'inches', instead: value * 25.4 } as const] : []),
    ...(SHOD.includes(one) && (body.shoeHeel?.value ?? 0) > 0
      ? [{ kind: 'shoesOn', instead: value - body.shoeHeel!.value } as const]
      : []),
  ];
  const swaps = others.flatMap((other): Slip[] => {
    if (DIMENSIONS[other].unit !== DIMENSIONS[one].unit) return [];
    if (Math.abs(surpriseIn(population, body, { ids, one: other })) < BELIEVED_TO) return [];
    const swapped: Body = { ...body, [one]: body[other], [other]: body[one] };
    const isBetter = [one, other].every(
      (id) => Math.abs(surpriseIn(population, swapped, { ids, one: id })) <= BELIEVED_TO,
    );
    return isBetter ? [{ kind: 'swapped', instead: body[other]!.value, other }] : [];
  });
  return [...tried.filter((slip) => isBelieved(slip.instead)), ...swaps];
}

/**
 * Measures that do not fit the others, the most surprising first; those for which a reason was given are let stand and
 * no others judged by them. One that is found is left out before the next is
 * looked for, so that a single slip does not cast doubt on the rest.
 * @returns empty where all hang together. Definition (conditional normal scores).
 */
export function implausible(body: Body, population: Population): Implausible[] {
  let ids = MODELLED.filter((id) => isMeasured(body, id) && !body[id]?.reason);
  const found: Implausible[] = [];
  while (ids.length > 1) {
    const all = ids.map((id) => ({ id, z: surpriseIn(population, body, { ids, one: id }) }));
    const worst = all.reduce((a, b) => (Math.abs(b.z) > Math.abs(a.z) ? b : a));
    if (Math.abs(worst.z) < ASK_FROM) break;
    const slips = slipsOf(population, body, ids, worst.id);
    found.push({
      dimension: worst.id,
      z: worst.z,
      level: Math.abs(worst.z) >= REASON_FROM ? 'reason' : 'ask',
      slips,
    });
    // What was swapped surprises in both rows, and is told once.
    const told = [worst.id, ...slips.flatMap((slip) => slip.other ?? [])];
    ids = ids.filter((id) => !told.includes(id));
  }
  return found;
}

/**
 * Whether a new measure stands only with a reason: it, or another for its sake, is then `REASON_FROM` deviations or
 * more from what the others let expect, and was not before. One for which a reason was given is not asked for again.
 * @returns what speaks against it; null where nothing does. Definition.
 * @example
 * reasonWanted(body, 'stature', body.stature, people) // => null
 */
export function reasonWanted(
  before: Body,
  dimension: BodyDimension,
  quantity: Quantity,
  population: Population,
): Implausible | null {
  const known = implausible(without(before, dimension), population).map((d) => d.dimension);
  const found = implausible({ ...before, [dimension]: quantity }, population).filter(
    (d) => d.level === 'reason' && (d.dimension === dimension || !known.includes(d.dimension)),
  );
  return found.find((d) => d.dimension === dimension) ?? found[0] ?? null;
}

const without = (body: Body, dimension: BodyDimension): Body => ({ ...body, [dimension]: undefined });
