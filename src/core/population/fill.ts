/** A body to compute a fitting with: what was measured, and what was not as an estimate that shows as one. */
import { FITTING_DIMENSIONS, rangeDoubt, type Body, type DimensionId, type Sex } from '../body';
import { AGED_ABOVE, agedTable } from './aged';
import { ADULT_FROM, tableOfAge } from './children';
import { estimatesOf, knownOf } from './estimate';
import { populationOf, type Population } from './model';
import { isBodyDimension, type PopulationTable } from './table';

/** Whose body it is, as far as tables ask. */
export interface TableSitter {
  readonly sex: Sex | null;
  readonly ageYears: number | null;
}

/**
 * Whom a sitter is one of: children of the age, else the people of a table, older than it speaks of or not, of the sex
 * or, where nobody said, of both.
 * @param table null where nobody chose one
 * @returns null where neither age nor table says whom. Definition.
 * @example
 * populationFor({ sex: 'women', ageYears: 30 }, null) // => null
 */
export function populationFor(
  { sex, ageYears }: TableSitter,
  table: PopulationTable | null,
): Population | null {
  const adults = table && ageYears !== null && ageYears > AGED_ABOVE ? agedTable(table) : table;
  const own = ageYears !== null && ageYears < ADULT_FROM ? tableOfAge(ageYears) : adults;
  return own && populationOf(own, sex ?? 'mixed');
}

/**
 * For these practice has a rule of its own where nobody measured them, or nobody has a table: a lumbar of 170 to
 * 220 mm, a forearm 90 mm broad, no depth of the hollow.
 */
const LEFT_OUT: readonly DimensionId[] = [
  'smallOfBackHeight',
  'smallOfBackDepth',
  'forearmBreadth',
  'shoeHeel',
];
const FILLED = FITTING_DIMENSIONS.filter((id) => !LEFT_OUT.includes(id));

const TENTHS = 10;
const toTenth = (n: number): number => Math.round(n * TENTHS) / TENTHS;

/**
 * Fills in what settings are computed from and nobody has measured. Each estimate has the basis `estimated`, its spread
 * and the name of the table; what was measured stays as it is.
 * @param table null: by shares of stature, as far as they go
 * @returns a new body, or the body itself where nothing at all was measured. Definition.
 * @example
 * filledBody({}, { sex: 'women', ageYears: 30 }, null) // => {}
 */
export function filledBody(body: Body, sitter: TableSitter, table: PopulationTable | null): Body {
  if (knownOf(body).length === 0) return body;
  const estimates = estimatesOf(body, populationFor(sitter, table));
  const filled: Partial<Record<DimensionId, Body[DimensionId]>> = { ...body };
  for (const id of FILLED) {
    const estimate = isBodyDimension(id) ? estimates[id] : undefined;
    if (body[id] || !estimate || rangeDoubt(id, estimate.value)) continue;
    filled[id] = { ...estimate, value: toTenth(estimate.value), spread: toTenth(estimate.spread) };
  }
  return filled;
}
