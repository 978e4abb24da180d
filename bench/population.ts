/** How long it takes to estimate a person and to draw a population. */
import { performance } from 'node:perf_hooks';
import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Body } from '../src/core/body';
import {
  BRITISH,
  MODELLED,
  estimatesOf,
  implausible,
  populationOf,
  samplePeople,
  type BodyDimension,
} from '../src/core/population';
import { figureOf, type Figure } from './figure';

const SITTERS = 1_000_000;
const DIMENSIONS = 12;
const ROUNDS = 3;
const RUNS = 200;

const bodyOf = (ids: readonly BodyDimension[]): Body => {
  const { means } = populationOf(BRITISH, 'men');
  return Object.fromEntries(
    ids.map((id) => [
      id,
      {
        value: means[MODELLED.indexOf(id)]!,
        basis: 'measured' as const,
        spread: 3,
        source: 'bench',
        takenAt: null,
        takenBy: null,
      },
    ]),
  );
};

function timed(act: () => void): number[] {
  for (let i = 0; i < 20; i++) act();
  return Array.from({ length: RUNS }, () => {
    const start = performance.now();
    act();
    return performance.now() - start;
  });
}

export function populationFigures(): Figure[] {
  const population = populationOf(BRITISH, 'mixed');
  const one = bodyOf(['stature']);
  const half = bodyOf(MODELLED.slice(0, 13));
  const all = bodyOf(MODELLED);
  const ids = MODELLED.slice(0, DIMENSIONS);
  const [drawn, plain]: [number[], number[]] = [[], []];
  let sum = 0;
  for (let round = 0; round <= ROUNDS; round++) {
    let start = performance.now();
    for (const values of samplePeople(population, ids, { seed: round + 1, count: SITTERS }))
      sum += values[0]!;
    const correlated = performance.now() - start;
    const random = xoroshiro128plus(round + 1);
    const normal = randomNormal.source(() => uniformFloat64(random))();
    start = performance.now();
    for (let i = 0; i < SITTERS * DIMENSIONS; i++) sum += normal();
    // The first round compiles what the others run.
    if (round > 0) {
      drawn.push(correlated);
      plain.push(performance.now() - start);
    }
  }
  const ratios = drawn.map((time, i) => Math.round((100 * time) / plain[i]!) / 100);
  return [
    figureOf(
      'population/estimate',
      timed(() => estimatesOf(one, population)),
      { detail: { estimates: MODELLED.length - 1 } },
    ),
    figureOf(
      'population/estimate-half',
      timed(() => estimatesOf(half, population)),
      { detail: { estimates: MODELLED.length - 13 } },
    ),
    figureOf(
      'population/implausible',
      timed(() => implausible(all, population)),
      { detail: { measures: MODELLED.length } },
    ),
    figureOf('population/sample', drawn, {
      detail: { sitters: SITTERS, dimensions: DIMENSIONS, checksum: Math.round(sum) === 0 ? 0 : 1 },
    }),
    figureOf('population/independent', plain),
    figureOf('population/ratio', ratios, { unit: 'ratio' }),
  ];
}
