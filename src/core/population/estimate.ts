/** What was not measured, from what was: the best straight estimate of a population, with its spread. */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { Body } from '../body';
import type { Quantity } from '../quantity';
import { MODELLED } from './factors';
import { BETWEEN_POPULATIONS, type Population } from './model';
import type { BodyDimension } from './table';

/** What is known of one dimension: its number in `MODELLED`, value, and deviation of its error. */
export interface Known {
  readonly number: number;
  readonly value: number;
  readonly spread: number;
}

export interface Estimate {
  readonly mean: number;
  /** Deviation: how far the true measure is from the mean, mm or kg. */
  readonly spread: number;
}

/**
 * What estimates may lean on: measured or stated.
 * @returns mm or kg with deviations; empty where nothing was measured. Definition.
 */
export const knownOf = (body: Body): Known[] =>
  MODELLED.flatMap((id, number) => {
    const quantity = body[id];
    return quantity && quantity.basis !== 'estimated'
      ? [{ number, value: quantity.value, spread: quantity.spread }]
      : [];
  });

interface Regression {
  /** Each column says how much of each known dimension's surprise goes into one estimate. */
  readonly gains: Matrix;
  readonly across: Matrix;
}

/** It hangs on which dimensions are known and how well, not on their values: one case after the other asks for the same. */
const REGRESSIONS = new WeakMap<Population, Map<string, Regression>>();
const MOST_KEPT = 64;

function regressionOf(population: Population, known: readonly Known[]): Regression {
  const kept = REGRESSIONS.get(population) ?? new Map<string, Regression>();
  REGRESSIONS.set(population, kept);
  const key = known.map(({ number, spread }) => `${number}:${spread}`).join(' ');
  const found = kept.get(key);
  if (found) return found;
  const { means, covariance } = population;
  const within = Matrix.zeros(known.length, known.length);
  known.forEach((a, i) =>
    known.forEach((b, j) =>
      within.set(i, j, covariance.get(a.number, b.number) + (i === j ? a.spread ** 2 : 0)),
    ),
  );
  const across = Matrix.zeros(known.length, means.length);
  known.forEach((a, i) => means.forEach((_, j) => across.set(i, j, covariance.get(a.number, j))));
  const made = { gains: new CholeskyDecomposition(within).solve(across), across };
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(key, made);
  return made;
}

/**
 * Mean and deviation of each dimension given those known, as the best straight estimate has it: exact for normal
 * dimensions, and for skewed and mixed ones the straight line with the least mean square error, whose deviation is that
 * error. Another known dimension never widens a deviation.
 * @param known measured dimensions; the error of each counts
 * @returns mm or kg; a dimension that is known is told as well. Definition (linear regression).
 */
export function conditional(population: Population, known: readonly Known[]): Estimate[] {
  const { means, covariance } = population;
  if (known.length === 0) return means.map((mean, i) => ({ mean, spread: Math.sqrt(covariance.get(i, i)) }));
  const off = known.map((a) => a.value - means[a.number]!);
  const { gains, across } = regressionOf(population, known);
  return means.map((mean, j) => {
    let [shift, explained] = [0, 0];
    for (let i = 0; i < known.length; i++) {
      shift += gains.get(i, j) * off[i]!;
      explained += gains.get(i, j) * across.get(i, j);
    }
    return { mean: mean + shift, spread: Math.sqrt(Math.max(0, covariance.get(j, j) - explained)) };
  });
}

/**
 * The deviation of an estimate of somebody who may come of another population than the table's.
 * @param number of the dimension, from 0
 * @param spread standard deviation, mm or kg
 * @returns same unit, never less than `spread`. Assumed.
 */
export const withBetween = (population: Population, number: number, spread: number): number =>
  Math.hypot(spread, BETWEEN_POPULATIONS * Math.sqrt(population.covariance.get(number, number)));

/** Segment lengths as shares of stature: Drillis & Contini 1966, as drawn in Winter, from memory. */
export const SHARES_OF_STATURE: Readonly<Partial<Record<BodyDimension, number>>> = {
  sittingHeight: 0.52,
  shoulderHeightSitting: 0.818 - (1 - 0.52),
  elbowHeightStanding: 0.63,
  shoulderElbowLength: 0.186,
  forearmHandLength: 0.146 + 0.108,
  footLength: 0.152,
  biacromialBreadth: 0.259,
};
/** How far a segment is from its share, of itself (assumed). */
const SHARE_SPREAD = 0.05;

const estimated = (value: number, spread: number, source: string): Quantity => ({
  value,
  spread,
  basis: 'estimated',
  source,
  takenAt: null,
  takenBy: null,
});

function bySharesOfStature(body: Body): Partial<Record<BodyDimension, Quantity>> {
  const { stature } = body;
  if (!stature) return {};
  const all = Object.entries(SHARES_OF_STATURE) as [BodyDimension, number][];
  return Object.fromEntries(
    all
      .filter(([id]) => !body[id])
      .map(([id, share]) => {
        const value = share * stature.value;
        return [
          id,
          estimated(value, SHARE_SPREAD * value, 'Drillis & Contini 1966, not verified against source'),
        ];
      }),
  );
}

/**
 * Every dimension that was not measured, estimated; marked as an estimate, with its spread.
 * @param population null where nobody chose one: then shares of stature, as far as they go
 * @returns without those that nothing is known of. Definition.
 */
export function estimatesOf(
  body: Body,
  population: Population | null,
): Partial<Record<BodyDimension, Quantity>> {
  if (!population) return bySharesOfStature(body);
  const estimates = conditional(population, knownOf(body));
  const found: Partial<Record<BodyDimension, Quantity>> = {};
  MODELLED.forEach((id, number) => {
    const { mean, spread } = estimates[number]!;
    const measured = body[id];
    if (measured && measured.basis !== 'estimated') return;
    found[id] = estimated(mean, withBetween(population, number, spread), population.table.name);
  });
  return found;
}
