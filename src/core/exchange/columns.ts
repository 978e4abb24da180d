/** The columns of a CSV file of people: the one place where its head is declared. */
import { DIMENSIONS, DIMENSION_IDS, type DimensionId } from '../body';
import { KG_PER_POUND, MM_PER_INCH } from '../units';

/** Who somebody is; only the name has to be there. */
export const PERSON_COLUMNS = [
  'id',
  'name',
  'nickname',
  'birth date',
  'sex',
  'consent on',
  'consent by',
  'measured on',
  'measured by',
] as const;
export type PersonColumn = (typeof PERSON_COLUMNS)[number];

/**
 * The column of a dimension as it is written, with its unit: `stature [mm]`.
 * @returns the head, with mm or kg. Definition.
 */
export const columnOf = (id: DimensionId): string => `${id} [${DIMENSIONS[id].unit}]`;

/** The whole head of a file that is written. */
export const PEOPLE_HEAD: readonly string[] = [...PERSON_COLUMNS, ...DIMENSION_IDS.map(columnOf)];

const UNITS: Readonly<Record<string, { readonly of: 'mm' | 'kg'; readonly per: number }>> = {
  mm: { of: 'mm', per: 1 },
  cm: { of: 'mm', per: 10 },
  in: { of: 'mm', per: MM_PER_INCH },
  kg: { of: 'kg', per: 1 },
  lb: { of: 'kg', per: KG_PER_POUND },
};

export type Column =
  | { readonly of: 'person'; readonly column: PersonColumn }
  | { readonly of: 'reading'; readonly dimension: DimensionId; readonly unit: string; readonly per: number }
  | { readonly of: 'nothing' }
  | { readonly of: 'fault'; readonly reason: 'unitMissing' | 'wrongUnit' };

/** Upper and lower case, blanks, hyphens and underscores make no difference. */
const plain = (head: string): string => head.toLowerCase().replace(/[\s_-]+/g, '');
const PERSON_BY_PLAIN = new Map(PERSON_COLUMNS.map((column) => [plain(column), column]));
const DIMENSION_BY_PLAIN = new Map(DIMENSION_IDS.map((id) => [plain(id), id]));

/**
 * What a column of a file holds, by its head: `Popliteal height (cm)` and `popliteal_height [cm]` are the same.
 * @returns of `nothing` for a head that names nothing. Definition.
 */
export function columnByHead(head: string): Column {
  const person = PERSON_BY_PLAIN.get(plain(head));
  if (person) return { of: 'person', column: person };
  const [, name = head, unit] = /^(.*?)[\s_]*[[(]\s*([a-z]+)\s*[\])]\s*$/i.exec(head) ?? [];
  const dimension = DIMENSION_BY_PLAIN.get(plain(name));
  if (!dimension) return { of: 'nothing' };
  if (unit === undefined) return { of: 'fault', reason: 'unitMissing' };
  const known = UNITS[unit.toLowerCase()];
  if (known?.of !== DIMENSIONS[dimension].unit) return { of: 'fault', reason: 'wrongUnit' };
  return { of: 'reading', dimension, unit: unit.toLowerCase(), per: known.per };
}
