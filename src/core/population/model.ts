/** A population as means and covariances of every dimension: of men, of women, or of both mixed. */
import { SEXES, type Sex } from '../body';
import { Matrix } from 'ml-matrix';
import { MODELLED, scoreCorrelation } from './factors';
import { centile, densityAt, marginalOf, shareBelow, valueCorrelation, type Marginal } from './marginal';
import { BRITISH, TABLES } from './tables';
import type { BodyDimension, PopulationTable, Row } from './table';

/** Of whom: one sex, or half of each where it is not known or does not matter. */
export type Who = Sex | 'mixed';

export interface Population {
  readonly table: PopulationTable;
  readonly who: Who;
  /** In the order of `MODELLED`; mm or kg. */
  readonly means: readonly number[];
  readonly covariance: Matrix;
  /** Each sex that it is made of, with how its dimensions are distributed. */
  readonly parts: readonly { readonly sex: Sex; readonly marginals: readonly Marginal[] }[];
}

/**
 * What a table does not print: that of the first table, in proportion to stature.
 * @returns mm or kg. Source: as told with the table.
 * @throws where not even the first table has the dimension: a slip of the program
 */
export function rowOf(table: PopulationTable, sex: Sex, id: BodyDimension): Row {
  const own = table.rows[sex][id];
  if (own) return own;
  const [here, there] = [table.rows[sex].stature, BRITISH.rows[sex].stature];
  const row = BRITISH.rows[sex][id];
  if (!row || !there) throw new Error(`no table has ${id}`);
  const share = here ? here.mean / there.mean : 1;
  return {
    mean: row.mean * share,
    sd: row.sd * share,
    skew: row.skew,
    basis: row.basis === 'assumed' ? 'assumed' : 'derived',
  };
}

function covarianceOf(marginals: readonly Marginal[]): Matrix {
  const n = MODELLED.length;
  const covariance = Matrix.zeros(n, n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const [a, b] = [marginals[i]!, marginals[j]!];
      const r = i === j ? 1 : valueCorrelation(a, b, scoreCorrelation(MODELLED[i]!, MODELLED[j]!));
      covariance.set(i, j, r * a.sd * b.sd);
      covariance.set(j, i, r * a.sd * b.sd);
    }
  return covariance;
}

/** Means and covariances of a mixture: within the parts, and between their means. */
function mixed(parts: readonly { readonly means: readonly number[]; readonly covariance: Matrix }[]) {
  const n = MODELLED.length;
  const share = 1 / parts.length;
  const means = MODELLED.map((_, i) => parts.reduce((sum, p) => sum + share * p.means[i]!, 0));
  const covariance = Matrix.zeros(n, n);
  for (const part of parts)
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        const between = (part.means[i]! - means[i]!) * (part.means[j]! - means[j]!);
        covariance.set(i, j, covariance.get(i, j) + share * (part.covariance.get(i, j) + between));
      }
  return { means, covariance };
}

function build(table: PopulationTable, who: Who): Population {
  const sexes = who === 'mixed' ? SEXES : [who];
  const parts = sexes.map((sex) => {
    const marginals = MODELLED.map((id) => marginalOf(rowOf(table, sex, id)));
    return { sex, marginals, means: marginals.map((m) => m.mean), covariance: covarianceOf(marginals) };
  });
  return { table, who, ...mixed(parts), parts };
}

const built = new WeakMap<PopulationTable, Map<Who, Population>>();

/**
 * The people of a table, as the estimates need them.
 * @returns one or two sexes with their marginals. Definition.
 * @example
 * populationOf(BRITISH, 'women').parts.length // => 1
 */
export function populationOf(table: PopulationTable, who: Who): Population {
  const known = built.get(table) ?? new Map<Who, Population>();
  built.set(table, known);
  const found = known.get(who) ?? build(table, who);
  known.set(who, found);
  return found;
}

/**
 * Where a dimension stands among those of bodies.
 * @returns a place from 0. Definition.
 */
export const numberOf = (id: BodyDimension): number => MODELLED.indexOf(id);

/**
 * Share of the population at most so large, 0…1.
 * @param value mm or kg
 * @returns 0 to 1. Definition.
 */
export function centileOf(population: Population, id: BodyDimension, value: number): number {
  const n = numberOf(id);
  const { parts } = population;
  return parts.reduce((sum, p) => sum + shareBelow(p.marginals[n]!, value), 0) / parts.length;
}

/**
 * The value that a share of the population (0…1) does not exceed, mm or kg; found by halving.
 * @param share 0 to 1
 * @returns to a hundredth of a mm or kg. Definition.
 */
export function valueAtShare(population: Population, id: BodyDimension, share: number): number {
  const n = numberOf(id);
  const marginals = population.parts.map((p) => p.marginals[n]!);
  let low = Math.min(...marginals.map((m) => centile(m, share)));
  let high = Math.max(...marginals.map((m) => centile(m, share)));
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (centileOf(population, id, middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const CURVE_POINTS = 120;
/** So many deviations beyond the means a curve goes. */
const CURVE_ENDS = 3.2;

/**
 * How a dimension is spread, as points of a curve: mm or kg, and the share of people for each.
 * @returns rising by x. Definition.
 */
export function densityOf(
  population: Population,
  id: BodyDimension,
): { readonly x: number; readonly y: number }[] {
  const n = numberOf(id);
  const marginals = population.parts.map((part) => part.marginals[n]!);
  const low = Math.min(...marginals.map((m) => m.mean - CURVE_ENDS * m.sd));
  const high = Math.max(...marginals.map((m) => m.mean + CURVE_ENDS * m.sd));
  return Array.from({ length: CURVE_POINTS + 1 }, (_, i) => {
    const x = low + (i / CURVE_POINTS) * (high - low);
    return { x, y: marginals.reduce((sum, m) => sum + densityAt(m, x), 0) / marginals.length };
  });
}

/**
 * How far the means of populations lie apart, in deviations within one: the root mean square over what at least two
 * tables print. Nobody belongs to a table; by so much every estimate is less sure than its table says.
 */
export const BETWEEN_POPULATIONS: number = (() => {
  let [sum, count] = [0, 0];
  for (const sex of SEXES)
    for (const id of MODELLED) {
      const rows = TABLES.map((t) => t.rows[sex][id]).filter((r) => r?.basis === 'published');
      if (rows.length < 2) continue;
      const mean = rows.reduce((s, r) => s + r!.mean, 0) / rows.length;
      const sd = rows.reduce((s, r) => s + r!.sd, 0) / rows.length;
      for (const row of rows) sum += ((row!.mean - mean) / sd) ** 2 / (rows.length - 1);
      count++;
    }
  return Math.sqrt(sum / count);
})();
