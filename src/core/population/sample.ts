/** Made-up people drawn from a population, the same for the same seed. */
import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { FACTORS, LOADINGS } from './factors';
import { valueAt, type Marginal } from './marginal';
import { numberOf, type Population } from './model';
import type { BodyDimension } from './table';

export interface SampleOptions {
  readonly seed: number;
  readonly count: number;
  /** How many people between two batches. */
  readonly batch?: number;
}

const USUAL_BATCH = 10_000;

/**
 * Draws standard normal scores that hang together by common factors, batch by batch: one person after the other.
 * @param loadings of each dimension on each factor; what is left of its variance is its own
 * @returns as many rows as a batch has; the same for the same seed. Definition.
 */
export function* sampleScores(
  loadings: readonly (readonly number[])[],
  { seed, count, batch = USUAL_BATCH }: SampleOptions,
): Generator<Float64Array> {
  const random = xoroshiro128plus(seed);
  const normal = randomNormal.source(() => uniformFloat64(random))();
  const most = Math.max(0, ...loadings.map((of) => of.length));
  // Only what some dimension is made of is drawn.
  const used = Array.from({ length: most }, (_, f) => f).filter((f) =>
    loadings.some((of) => (of[f] ?? 0) !== 0),
  );
  const mixes = loadings.map((of) => ({
    of: Float64Array.from(used, (f) => of[f] ?? 0),
    own: Math.sqrt(Math.max(0, 1 - of.reduce((sum, x) => sum + x * x, 0))),
  }));
  const factors = new Float64Array(used.length);
  for (let done = 0; done < count; done += batch) {
    const people = Math.min(batch, count - done);
    const scores = new Float64Array(people * mixes.length);
    for (let person = 0, at = 0; person < people; person++) {
      for (let f = 0; f < factors.length; f++) factors[f] = normal();
      for (let i = 0; i < mixes.length; i++) {
        const { of, own } = mixes[i]!;
        let score = own === 0 ? 0 : own * normal();
        for (let f = 0; f < factors.length; f++) score += of[f]! * factors[f]!;
        scores[at++] = score;
      }
    }
    yield scores;
  }
}

/**
 * Draws people, batch by batch: values in the order of `ids`, one person after the other. Of a mixed population every
 * second is of either sex.
 * @returns mm and kg; the same for the same seed. Definition.
 */
export function* samplePeople(
  population: Population,
  ids: readonly BodyDimension[],
  options: SampleOptions,
): Generator<Float64Array> {
  const marginals = population.parts.map((part) => ids.map((id) => part.marginals[numberOf(id)]!));
  let person = 0;
  for (const values of sampleScores(
    ids.map((id) => LOADINGS[id].slice(0, FACTORS.length)),
    options,
  )) {
    for (let at = 0; at < values.length; person++) {
      const of: readonly Marginal[] = marginals[person % marginals.length]!;
      for (let i = 0; i < ids.length; i++, at++) values[at] = valueAt(of[i]!, values[at]!);
    }
    yield values;
  }
}
