/**
 * A practice's own table of dimensions, as CSV with a head: `dimension,sex,unit,mean,sd` and, if it likes, `skew` or, in
 * its place, `p5,p95`; `n`, people measured; `basis`. One row a dimension and sex (`men` or `women`); lengths in mm, cm
 * or in, mass in kg or lb.
 */
import Papa from 'papaparse';
import { isDimensionId, SEXES, type Sex } from '../body';
import { KG_PER_POUND, MM_PER_INCH } from '../units';
import { skewOf } from './tables';
import {
  BODY_DIMENSIONS,
  ROW_BASES,
  isBodyDimension,
  type BodyDimension,
  type PopulationTable,
  type Row,
  type RowBasis,
} from './table';

export const CSV_COLUMNS = ['dimension', 'sex', 'unit', 'mean', 'sd'] as const;
/** May be left out. */
export const CSV_OPTIONAL = ['skew', 'p5', 'p95', 'n', 'basis'] as const;

export const CSV_REASONS = [
  'empty',
  'noColumn',
  'notADimension',
  'notASex',
  'notAUnit',
  'notANumber',
  'outOfRange',
  'twice',
  'noStature',
  'notABasis',
] as const;

/** What is wrong, and where: the line counts from 1 with the head. */
export interface CsvFault {
  readonly reason: (typeof CSV_REASONS)[number];
  readonly line: number;
  readonly column: string;
  readonly value: string;
}

const PER_UNIT: Readonly<Record<string, { readonly per: number; readonly of: 'mm' | 'kg' }>> = {
  mm: { per: 1, of: 'mm' },
  cm: { per: 10, of: 'mm' },
  in: { per: MM_PER_INCH, of: 'mm' },
  kg: { per: 1, of: 'kg' },
  lb: { per: KG_PER_POUND, of: 'kg' },
};

/** More than this no body dimension has. */
const MOST_SKEW = 3;

type Cells = Readonly<Record<string, string | undefined>>;

class Reader {
  readonly faults: CsvFault[] = [];
  readonly rows: Record<Sex, Partial<Record<BodyDimension, Row>>> = { men: {}, women: {} };
  /** How many were measured. */
  readonly people: Partial<Record<Sex, number>> = {};

  private fault(reason: CsvFault['reason'], line: number, column: string, value = ''): null {
    this.faults.push({ reason, line, column, value });
    return null;
  }

  private number(cells: Cells, column: string, line: number): number | null {
    const text = (cells[column] ?? '').trim().replace(',', '.');
    const value = text === '' ? NaN : Number(text);
    return Number.isFinite(value) ? value : this.fault('notANumber', line, column, cells[column]);
  }

  read(cells: Cells, line: number): void {
    const id = (cells.dimension ?? '').trim();
    const sex = (cells.sex ?? '').trim();
    const unit = PER_UNIT[(cells.unit ?? '').trim()];
    if (!isDimensionId(id) || !isBodyDimension(id)) {
      this.fault('notADimension', line, 'dimension', id);
      return;
    }
    if (sex !== 'men' && sex !== 'women') {
      this.fault('notASex', line, 'sex', sex);
      return;
    }
    if (unit?.of !== (id === 'bodyMass' ? 'kg' : 'mm')) {
      this.fault('notAUnit', line, 'unit', cells.unit);
      return;
    }
    if (this.rows[sex][id]) {
      this.fault('twice', line, 'dimension', id);
      return;
    }
    const [mean, sd] = [this.number(cells, 'mean', line), this.number(cells, 'sd', line)];
    if (mean === null || sd === null) return;
    if (!(mean > 0)) this.fault('outOfRange', line, 'mean', cells.mean);
    else if (!(sd > 0 && sd < mean)) this.fault('outOfRange', line, 'sd', cells.sd);
    else {
      const skew = this.skew(cells, line, mean, sd);
      const basis = this.basis(cells, line);
      this.count(cells, line, sex);
      if (skew !== null && basis !== null)
        this.rows[sex][id] = { mean: mean * unit.per, sd: sd * unit.per, skew, basis };
    }
  }

  private basis(cells: Cells, line: number): RowBasis | null {
    const text = (cells.basis ?? '').trim();
    if (text === '') return 'published';
    return ROW_BASES.find((b) => b === text) ?? this.fault('notABasis', line, 'basis', text);
  }

  /** Of a sex, what the row with most people has. */
  private count(cells: Cells, line: number, sex: Sex): void {
    if (!cells.n?.trim()) return;
    const n = this.number(cells, 'n', line);
    if (n !== null && !(Number.isInteger(n) && n > 0)) this.fault('outOfRange', line, 'n', cells.n);
    else if (n !== null) this.people[sex] = Math.max(this.people[sex] ?? 0, n);
  }

  /** As given, or from 5th and 95th centile; 0 where they are left out. */
  private skew(cells: Cells, line: number, mean: number, sd: number): number | null {
    if (cells.skew?.trim()) {
      const skew = this.number(cells, 'skew', line);
      if (skew === null || (0 <= skew && skew <= MOST_SKEW)) return skew;
      return this.fault('outOfRange', line, 'skew', cells.skew);
    }
    if (!cells.p5?.trim() && !cells.p95?.trim()) return 0;
    const [p5, p95] = [this.number(cells, 'p5', line), this.number(cells, 'p95', line)];
    if (p5 === null || p95 === null) return null;
    if (!(p5 < mean && mean < p95)) return this.fault('outOfRange', line, 'p5', cells.p5);
    return Math.max(0, skewOf(mean, sd, p5, p95));
  }

  finish(): void {
    for (const sex of SEXES) if (!this.rows[sex].stature) this.fault('noStature', 0, 'dimension', sex);
  }
}

export type ReadTable =
  | { readonly ok: true; readonly table: PopulationTable }
  | { readonly ok: false; readonly faults: readonly CsvFault[] };

/**
 * Reads a table; every fault is told, with its place.
 * @returns the table, or every fault. Definition.
 * @example
 * readTable('', { id: 'own', name: 'Own', source: 'Own survey' }).ok // => false
 */
export function readTable(text: string, named: Pick<PopulationTable, 'id' | 'name' | 'source'>): ReadTable {
  const { data, meta } = Papa.parse<Cells>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim(),
  });
  const missing = CSV_COLUMNS.filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0 || data.length === 0)
    return {
      ok: false,
      faults:
        data.length === 0 && missing.length === 0
          ? [{ reason: 'empty', line: 1, column: '', value: '' }]
          : missing.map((column) => ({ reason: 'noColumn', line: 1, column, value: '' })),
    };
  const reader = new Reader();
  data.forEach((cells, i) => reader.read(cells, i + 2));
  reader.finish();
  if (reader.faults.length > 0) return { ok: false, faults: reader.faults };
  const { men, women } = reader.people;
  const n = men === undefined || women === undefined ? null : { men, women };
  return { ok: true, table: { ...named, n, rows: reader.rows } };
}

/**
 * A table as such a file: read again, it is the same table.
 * @returns lines with CR and LF. Definition.
 */
export function writeTable({ rows, n }: PopulationTable): string {
  const lines = SEXES.flatMap((sex) =>
    BODY_DIMENSIONS.flatMap((dimension) => {
      const row = rows[sex][dimension];
      if (!row) return [];
      const { mean, sd, skew, basis } = row;
      const unit = dimension === 'bodyMass' ? 'kg' : 'mm';
      return [{ dimension, sex, unit, mean, sd, skew, n: n?.[sex] ?? '', basis }];
    }),
  );
  return `${Papa.unparse(lines, { newline: '\n' })}\n`;
}
