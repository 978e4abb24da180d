/** How the errors of a body's values hang together: of two estimates that lean on the same readings, above all. */
import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { DIMENSION_IDS, SEXES, isMeasured, type Body, type DimensionId } from '../body';
import { scoreCorrelation } from './factors';
import { isBodyDimension, type BodyDimension } from './table';
import { BRITISH } from './tables';
import { rowOf } from './model';

export interface Errors {
  /** Dimensions that have a value and an error. */
  readonly ids: readonly DimensionId[];
  /** In the square of each dimension's unit; the diagonal is the square of each spread. */
  readonly covariance: Matrix;
}

/** How much people differ, whose measure it is does not matter here: only how large an error is beside it. */
const usualSd = (id: BodyDimension): number =>
  SEXES.reduce((sum, sex) => sum + rowOf(BRITISH, sex, id).sd, 0) / SEXES.length;

/** Keeps a matrix of correlations that are nearly 1 from being taken for singular. */
const RIDGE = 1e-9;

/**
 * Readings err independently, each by its spread. An estimate leans on the readings, so it errs with them, and what it
 * lacks beyond them it has in common with the other estimates, as the dimensions of people have. Every spread stays what
 * it is said to be.
 * @returns one error for each measure, mm or kg. Definition.
 */
export function errorsOf(body: Body): Errors {
  const ids = DIMENSION_IDS.filter((id) => (body[id]?.spread ?? 0) > 0);
  const spreads = ids.map((id) => body[id]!.spread);
  const known = ids.filter((id): id is BodyDimension => isBodyDimension(id) && isMeasured(body, id));
  const guessed = ids.filter((id): id is BodyDimension => isBodyDimension(id) && !isMeasured(body, id));
  const covariance = Matrix.diag(spreads.map((s) => s * s));
  if (guessed.length === 0) return { ids, covariance };

  // In deviations between people: the estimates' own rest, and what the readings' errors do to them.
  const within = Matrix.zeros(known.length, known.length);
  known.forEach((a, i) =>
    known.forEach((b, j) => within.set(i, j, scoreCorrelation(a, b) + (i === j ? RIDGE : 0))),
  );
  const across = Matrix.zeros(known.length, guessed.length);
  known.forEach((a, i) => guessed.forEach((b, j) => across.set(i, j, scoreCorrelation(a, b))));
  const gains = known.length > 0 ? new CholeskyDecomposition(within).solve(across) : across;
  const readingError = known.map((id) => (body[id]!.spread / usualSd(id)) ** 2);
  const joint = (a: number, b: number): number => {
    let rest = scoreCorrelation(guessed[a]!, guessed[b]!);
    for (let k = 0; k < known.length; k++) {
      rest -= gains.get(k, a) * across.get(k, b);
      rest += gains.get(k, a) * gains.get(k, b) * readingError[k]!;
    }
    return rest;
  };
  const own = guessed.map((_, a) => Math.sqrt(Math.max(RIDGE, joint(a, a))));
  const put = (one: DimensionId, other: DimensionId, r: number): void => {
    const [i, j] = [ids.indexOf(one), ids.indexOf(other)];
    const value = Math.max(-1, Math.min(1, r)) * spreads[i]! * spreads[j]!;
    covariance.set(i, j, value);
    covariance.set(j, i, value);
  };
  guessed.forEach((one, a) => {
    guessed.forEach((other, b) => {
      if (b < a) put(one, other, joint(a, b) / (own[a]! * own[b]!));
    });
    known.forEach((reading, k) =>
      put(one, reading, (gains.get(k, a) * Math.sqrt(readingError[k]!)) / own[a]!),
    );
  });
  return { ids, covariance };
}
