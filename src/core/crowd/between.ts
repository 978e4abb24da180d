/** How many of a population have every dimension within limits: of each by itself, and of all at once. */
import { samplePeople, type BodyDimension, type Population, type SampleOptions } from '../population';

/** Of one dimension, both ends within; mm or kg. */
export interface Limits {
  readonly dimension: BodyDimension;
  readonly lo: number;
  readonly hi: number;
}

export interface Counted {
  /** Drawn so far. */
  readonly people: number;
  /** Of these within all limits, and within each by itself, in the order given. */
  readonly all: number;
  readonly each: readonly number[];
}

/**
 * Draws people and counts them, batch by batch; the same for the same seed. Centiles do not add up: of two dimensions
 * that each leave out one in ten, together they leave out up to one in five. The standard error of a share is
 * √(share (1 − share) / people).
 * @returns counts so far, people. Definition (Monte Carlo).
 * @example
 * last(countBetween(people, [{ dimension: 'stature', lo: 0, hi: 3000 }], { seed: 1, count: 100 })).all // => 100
 */
export function* countBetween(
  population: Population,
  limits: readonly Limits[],
  options: SampleOptions,
): Generator<Counted, void> {
  const each = limits.map(() => 0);
  let [people, all] = [0, 0];
  const ids = limits.map((l) => l.dimension);
  for (const values of samplePeople(population, ids, options)) {
    for (let at = 0; at < values.length; people++) {
      let isWithin = true;
      for (let i = 0; i < limits.length; i++, at++) {
        const { lo, hi } = limits[i]!;
        if (lo <= values[at]! && values[at]! <= hi) each[i]!++;
        else isWithin = false;
      }
      if (isWithin) all++;
    }
    yield { people, all, each: [...each] };
  }
}
