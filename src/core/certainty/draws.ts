/** Made-up true bodies around the values that are known of one: the same for the same seed. */
import { randomNormal } from 'd3-random';
import { EigenvalueDecomposition } from 'ml-matrix';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { bodyInUse, type Body, type DimensionId } from '../body';
import { errorsOf } from '../population/errors';

export interface DrawOptions {
  readonly seed: number;
  readonly count: number;
}

export interface Draws {
  readonly ids: readonly DimensionId[];
  readonly count: number;
  /** How far each drawn body is from the stated one, mm or kg: one body after the other, in the order of `ids`. */
  readonly off: Float64Array;
  /** Of what each dimension is off by with each other one: row after row, in the order of `ids`. */
  readonly covariance: Float64Array;
}

/** A share that is one in two is then told to within 0.8 points (standard error). */
export const USUAL_DRAWS: DrawOptions = { seed: 1, count: 4096 };

/** For many seats at once: a share that is one in two is told to within 1.6 points, and seats are told apart by the same bodies. */
export const RANKING_DRAWS: DrawOptions = { seed: 1, count: 1024 };

/**
 * One person's draws serve for every seat that is tried.
 * @returns as many bodies as asked for, in mm and kg; the same for the same seed. Definition (normal errors).
 * @example
 * drawsOf(body, { seed: 1, count: 64 }).count // => 64
 */
export function drawsOf(body: Body, { seed, count }: DrawOptions = USUAL_DRAWS): Draws {
  const { ids, covariance } = errorsOf(bodyInUse(body));
  const n = ids.length;
  const off = new Float64Array(count * n);
  const together = Float64Array.from(covariance.to1DArray());
  if (n === 0) return { ids, count, off, covariance: together };
  // By eigenvectors: correlations put together from several sources may be a hair from possible.
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(covariance, {
    assumeSymmetric: true,
  });
  const root = Array.from({ length: n }, (_, i) =>
    Float64Array.from(
      realEigenvalues,
      (value, k) => eigenvectorMatrix.get(i, k) * Math.sqrt(Math.max(0, value)),
    ),
  );
  const random = xoroshiro128plus(seed);
  const normal = randomNormal.source(() => uniformFloat64(random))();
  const z = new Float64Array(n);
  for (let d = 0, at = 0; d < count; d++) {
    for (let k = 0; k < n; k++) z[k] = normal();
    for (let i = 0; i < n; i++, at++) {
      let sum = 0;
      for (let k = 0; k < n; k++) sum += root[i]![k]! * z[k]!;
      off[at] = sum;
    }
  }
  return { ids, count, off, covariance: together };
}

/** What one thing that is not known exactly is off by, in one drawn body after the other. */
export type Column = Float64Array;

const columns = new WeakMap<Draws, readonly Column[]>();

/**
 * The draws by dimension, in the order of `ids`: sums over all bodies run several times as fast along a column.
 * @returns one column for each dimension, as long as there are draws. Definition.
 */
export function columnsOf(draws: Draws): readonly Column[] {
  const known = columns.get(draws);
  if (known) return known;
  const { ids, count, off } = draws;
  const made = ids.map((_, i) => Float64Array.from({ length: count }, (__, d) => off[d * ids.length + i]!));
  columns.set(draws, made);
  return made;
}

/** Drawn once for all seats: columns of `count` standard normals, the first `n` of them. */
const pool = new Map<number, Column[]>();
const POOL_SEED = 2;

/**
 * Normal scores that do not depend on a seed.
 * @param count rows, 1 or more
 * @param n columns, 1 or more
 * @returns `n` columns of `count` numbers with mean 0 and deviation 1; always the same ones. Definition.
 */
export function standardNormals(count: number, n: number): readonly Column[] {
  const known = pool.get(count) ?? [];
  pool.set(count, known);
  for (let k = known.length; k < n; k++) {
    const random = xoroshiro128plus(POOL_SEED + k);
    const normal = randomNormal.source(() => uniformFloat64(random))();
    known.push(Float64Array.from({ length: count }, () => normal()));
  }
  return known.slice(0, n);
}
