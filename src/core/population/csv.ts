/**
 * A practice's own table of dimensions, as CSV with a head: `dimension,sex,unit,mean,sd` and, if it likes, `p5,p95` for
 * the skew. One row a dimension and sex (`men` or `women`); lengths in mm, cm or in, mass in kg or lb.
 */
import Papa from 'papaparse';
import { isDimensionId, SEXES, type Sex } from '../body';
import { KG_PER_POUND, MM_PER_INCH } from '../units';
import { skewOf, type BodyDimension, type PopulationTable, type Row } from './tables';

export const CSV_COLUMNS = ['dimension', 'sex', 'unit', 'mean', 'sd'] as const;

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

type Cells = Readonly<Record<string, string | undefined>>;

class Reader {
  readonly faults: CsvFault[] = [];
  readonly rows: Record<Sex, Partial<Record<BodyDimension, Row>>> = { men: {}, women: {} };

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
    if (!isDimensionId(id) || id === 'shoeHeel') {
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
      if (skew !== null)
        this.rows[sex][id] = { mean: mean * unit.per, sd: sd * unit.per, skew, basis: 'published' };
    }
  }

  /** From 5th and 95th centile; 0 where they are left out. */
  private skew(cells: Cells, line: number, mean: number, sd: number): number | null {
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

/** Reads a table; every fault is told, with its place. */
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
  return { ok: true, table: { ...named, n: null, rows: reader.rows } };
}
