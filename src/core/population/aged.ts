/** Tables of bodies are of adults to 65: whoever is older sits lower, and is told less surely (assumed). */
import { SEXES } from '../body';
import { rowOf } from './model';
import { BODY_DIMENSIONS, type BodyDimension, type PopulationTable, type Row } from './table';

/** Above this age, years. */
export const AGED_ABOVE = 65;
/** By how much seated heights are lower, mm. */
const LOWER_BY: Readonly<Partial<Record<BodyDimension, number>>> = {
  sittingHeight: 30,
  eyeHeightSitting: 30,
  napeHeight: 25,
  cervicaleHeightSitting: 25,
  shoulderHeightSitting: 20,
  elbowHeightSitting: 15,
};
const WIDER_BY = 1.3;

const aged = (row: Row, id: BodyDimension): Row => ({
  ...row,
  mean: row.mean - (LOWER_BY[id] ?? 0),
  sd: WIDER_BY * row.sd,
  basis: 'assumed',
});

const made = new WeakMap<PopulationTable, PopulationTable>();

/**
 * The people of a table when they are older than it speaks of.
 * @returns a new table. Source: as told with the table.
 */
export function agedTable(table: PopulationTable): PopulationTable {
  const known = made.get(table);
  if (known) return known;
  const rows = Object.fromEntries(
    SEXES.map((sex) => [
      sex,
      Object.fromEntries(BODY_DIMENSIONS.map((id) => [id, aged(rowOf(table, sex, id), id)])),
    ]),
  ) as PopulationTable['rows'];
  const found: PopulationTable = {
    ...table,
    id: `${table.id}-over-${AGED_ABOVE}`,
    name: `${table.name}, over ${AGED_ABOVE} (assumed)`,
    rows,
  };
  made.set(table, found);
  return found;
}
