/** The flat part of seats as a CSV file: one row a seat, each adjustment by its ends and its positions. */
import { stated } from '../quantity';
import {
  ADJUSTMENT_KINDS,
  ADJUSTMENT_KIND_IDS,
  OFFERS,
  SEAT_CLASSES,
  SEAT_DOCUMENT,
  adjustmentOf,
  endsOf,
  isFixed,
  seatDoubts,
  type Adjustment,
  type AdjustmentKind,
  type Offer,
  type SeatClass,
  type SeatModel,
  type Travel,
} from '../seat';
import { KG_PER_POUND, MM_PER_INCH } from '../units';
import { cellsOf, csvLine } from './cells';
import { defused, fused, isFormula } from './formula';
import { hasInvisible } from './invisible';
import { shown } from './people';

/** What is wrong with a file of seats, and where. */
export interface SeatFileFault {
  /** Key of the wording. */
  readonly reason: string;
  /** As a spreadsheet counts, the head is 1; in JSON the place among the seats, from 1. 0: the file as a whole. */
  readonly row: number;
  /** The column, or in JSON the path within the seat. */
  readonly column: string;
  readonly value: string;
}

export interface SeatsRead {
  readonly seats: { readonly row: number; readonly seat: SeatModel }[];
  readonly faults: SeatFileFault[];
  rows: number;
  readonly ignored: string[];
}
/**
 * What a reading of seats begins with.
 * @returns a new one each time. Definition.
 * @example
 * noSeatsRead().seats.length // => 0
 */
export const noSeatsRead = (): SeatsRead => ({ seats: [], faults: [], rows: 0, ignored: [] });

export interface SeatReadingProgress {
  readonly done: number;
  readonly of: number;
  readonly read: SeatsRead | null;
}

export const MOST_SEATS_IN_FILE = 10_000;

/** Kinds that one row can describe: those with ends in one unit. */
export const FLAT_KINDS: readonly AdjustmentKind[] = ADJUSTMENT_KIND_IDS.filter(
  (kind) => ADJUSTMENT_KINDS[kind].belongsTo === 'seat' && kind !== 'tiltLock' && kind !== 'climate',
);
const PLAIN_COLUMNS = [
  'id',
  'name',
  'class',
  'rated load [kg]',
  'seat width [mm]',
  'heights are',
  'sink [mm]',
  'reference mass [kg]',
  'back top [mm]',
  'pad length [mm]',
  'pad width [mm]',
  'price',
  'offers',
  'notes',
] as const;
type PlainColumn = (typeof PLAIN_COLUMNS)[number];

const unitOf = (kind: AdjustmentKind) => ADJUSTMENT_KINDS[kind].units[0];
const ENDS = ['lowest', 'highest', 'positions'] as const;
type End = (typeof ENDS)[number];
const kindColumn = (kind: AdjustmentKind, end: End): string =>
  end === 'positions' ? `${kind} positions` : `${kind} ${end} [${unitOf(kind)}]`;

/** The whole head of a file that is written. */
export const SEATS_HEAD: readonly string[] = [
  ...PLAIN_COLUMNS,
  ...FLAT_KINDS.flatMap((kind) => ENDS.map((end) => kindColumn(kind, end))),
];

/**
 * The head of a file of seats.
 * @returns one line. Definition.
 * @example
 * seatsCsvHead().split(',')[1] // => 'name'
 */
export const seatsCsvHead = (): string => csvLine(SEATS_HEAD);

function cellsOfKind(seat: SeatModel, kind: AdjustmentKind): readonly [string, string, string] {
  const found = adjustmentOf(seat.adjustments, kind);
  if (found?.unit !== unitOf(kind) || found.travel.type === 'onOff') return ['', '', ''];
  const { lowest, highest } = endsOf(found.travel);
  if (isFixed(found)) return [String(lowest), '', ''];
  const positions =
    found.travel.type === 'listed'
      ? found.travel.values.map((v) => v.value).join('|')
      : found.travel.type === 'steps'
        ? String(found.travel.count)
        : '';
  return [String(lowest), String(highest), positions];
}

/**
 * A seat's row; texts that a spreadsheet would calculate have an apostrophe before them.
 * @returns one line; what a row cannot hold is left out. Definition.
 * @example
 * seatsCsvRow(seat).split(',')[1] // => 'Plain seat'
 */
export function seatsCsvRow(seat: SeatModel): string {
  const number = (value: number | null | undefined) => (value == null ? '' : String(value));
  const cells: Record<PlainColumn, string> = {
    id: seat.id,
    name: defused(seat.name),
    class: seat.seatClass,
    'rated load [kg]': number(seat.ratedLoadKg?.value),
    'seat width [mm]': number(seat.seatWidthMm?.value),
    'heights are': seat.cushion.heightsAre,
    'sink [mm]': number(seat.cushion.sinkMm?.value),
    'reference mass [kg]': number(seat.cushion.referenceMassKg),
    'back top [mm]': number(seat.back.topMm),
    'pad length [mm]': number(seat.arms?.lengthMm),
    'pad width [mm]': number(seat.arms?.widthMm),
    price: number(seat.price),
    offers: seat.offers.join(' '),
    notes: defused(seat.notes),
  };
  return csvLine([
    ...PLAIN_COLUMNS.map((c) => cells[c]),
    ...FLAT_KINDS.flatMap((kind) => cellsOfKind(seat, kind)),
  ]);
}

interface Column {
  readonly name: string;
  readonly plain: PlainColumn | null;
  readonly kind: AdjustmentKind | null;
  readonly end: End | null;
  /** Of the column's unit in the kind's own. */
  readonly per: number;
}

const PER: Readonly<Record<string, { readonly of: string; readonly per: number }>> = {
  mm: { of: 'mm', per: 1 },
  cm: { of: 'mm', per: 10 },
  in: { of: 'mm', per: MM_PER_INCH },
  kg: { of: 'kg', per: 1 },
  lb: { of: 'kg', per: KG_PER_POUND },
  deg: { of: 'deg', per: 1 },
  turn: { of: 'turn', per: 1 },
  step: { of: 'step', per: 1 },
};
const bare = (head: string): string => head.toLowerCase().replace(/[\s_-]+/g, '');
const withoutUnit = (head: string): string => head.replace(/\s*[[(][^\])]*[\])]\s*$/, '');
const PLAIN_BY_BARE = new Map(PLAIN_COLUMNS.map((c) => [bare(withoutUnit(c)), c]));
const KIND_BY_BARE = new Map(
  FLAT_KINDS.flatMap((kind) => ENDS.map((end) => [bare(`${kind} ${end}`), { kind, end }] as const)),
);

/** What a column holds, by its head; a fault where its unit is missing or another one. */
function columnOf(head: string): Column | 'unit' {
  const [, unit] = /[[(]\s*([a-z]+)\s*[\])]\s*$/i.exec(head) ?? [];
  const key = bare(withoutUnit(head));
  const plain = PLAIN_BY_BARE.get(key) ?? null;
  const found = KIND_BY_BARE.get(key);
  const own = found && found.end !== 'positions' ? unitOf(found.kind) : /\[(\w+)\]$/.exec(plain ?? '')?.[1];
  if (own === undefined)
    return { name: head, plain, kind: found?.kind ?? null, end: found?.end ?? null, per: 1 };
  const known = unit === undefined ? undefined : PER[unit.toLowerCase()];
  if (known?.of !== own) return 'unit';
  return { name: head, plain, kind: found?.kind ?? null, end: found?.end ?? null, per: known.per };
}

const isKnown = (column: Column | 'unit'): boolean =>
  column === 'unit' || column.plain !== null || column.kind !== null;

const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/;
const FINEST = 100;
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;
const LONGEST_NAME = 120;
const LONGEST_NOTES = 2000;
const SOURCE = 'from a file';

/** Reads one row under a head. */
class RowReader {
  readonly faults: SeatFileFault[] = [];
  private readonly byPlain = new Map<PlainColumn, { text: string; column: Column }>();
  private readonly byKind = new Map<AdjustmentKind, Partial<Record<End, { text: string; column: Column }>>>();

  constructor(
    private readonly row: number,
    columns: readonly Column[],
    cells: readonly string[],
    private readonly newId: () => string,
  ) {
    columns.forEach((column, i) => {
      const text = (cells[i] ?? '').trim();
      if (text === '') return;
      if (column.plain) this.byPlain.set(column.plain, { text, column });
      if (column.kind && column.end)
        this.byKind.set(column.kind, { ...this.byKind.get(column.kind), [column.end]: { text, column } });
    });
  }

  private fault(reason: string, column: string, value: string): void {
    this.faults.push({ reason, row: this.row, column, value: shown(value) });
  }

  private number(cell: { text: string; column: Column } | undefined): number | null {
    if (!cell) return null;
    if (!NUMBER.test(cell.text)) {
      this.fault('exchange.fault.notANumber', cell.column.name, cell.text);
      return null;
    }
    return Math.round(Number(cell.text.replace(',', '.')) * cell.column.per * FINEST) / FINEST;
  }

  private text(column: PlainColumn, longest: number): string {
    const cell = this.byPlain.get(column);
    if (!cell) return '';
    if (isFormula(cell.text)) this.fault('exchange.fault.formula', column, cell.text);
    const text = fused(cell.text);
    if (text.length > longest) this.fault('exchange.fault.tooLong', column, text);
    if (/(?![\n\t\r])\p{Cc}/u.test(text)) this.fault('exchange.fault.control', column, text);
    if (hasInvisible(text)) this.fault('exchange.fault.invisible', column, text);
    return text;
  }

  private oneOf<T extends string>(column: PlainColumn, known: readonly T[], usual: T): T {
    const text = this.byPlain.get(column)?.text ?? '';
    const found = known.find((id) => id.toLowerCase() === text.toLowerCase());
    if (text !== '' && !found) this.fault('seatFile.fault.notKnown', column, text);
    return found ?? usual;
  }

  private travel(kind: AdjustmentKind): Travel | null {
    const cells = this.byKind.get(kind) ?? {};
    const [lowest, highest] = [this.number(cells.lowest), this.number(cells.highest)];
    const positions = cells.positions?.text ?? '';
    if (/[|;]/.test(positions)) {
      const values = positions
        .split(/[|;]/)
        .map((v) => this.number({ text: v.trim(), column: cells.positions!.column }));
      const per = cells.lowest?.column.per ?? 1;
      return values.every((v) => v !== null)
        ? { type: 'listed', values: values.map((v) => stated(v * per, SOURCE)) }
        : null;
    }
    if (lowest === null) {
      if (highest !== null) this.fault('seatFile.fault.noLowest', kindColumn(kind, 'lowest'), '');
      return null;
    }
    if (highest === null || highest === lowest) return { type: 'listed', values: [stated(lowest, SOURCE)] };
    const ends = { lowest: stated(lowest, SOURCE), highest: stated(highest, SOURCE) };
    if (positions === '') return { type: 'continuous', ...ends };
    const count = Number(positions);
    if (!(Number.isInteger(count) && count >= 2)) {
      this.fault('seatFile.fault.positions', kindColumn(kind, 'positions'), positions);
      return null;
    }
    return { type: 'steps', ...ends, count };
  }

  private id(): string | undefined {
    const given = this.byPlain.get('id')?.text.toLowerCase();
    if (given !== undefined && !UUID.test(given)) this.fault('exchange.fault.notAnId', 'id', given);
    return given;
  }

  private offers(): string[] {
    const offers = (this.byPlain.get('offers')?.text ?? '').split(/[\s,;]+/).filter(Boolean);
    for (const offer of offers)
      if (!(OFFERS as readonly string[]).includes(offer))
        this.fault('seatFile.fault.notKnown', 'offers', offer);
    return offers;
  }

  /** The seat of this row; null where something is wrong with it. */
  seat(): SeatModel | null {
    const given = this.id();
    const name = this.text('name', LONGEST_NAME);
    if (name.trim() === '') this.fault('exchange.fault.nameMissing', 'name', '');
    const offers = this.offers();
    const plain = (column: PlainColumn) => this.number(this.byPlain.get(column));
    const quantity = (column: PlainColumn) => {
      const value = plain(column);
      return value === null ? null : stated(value, SOURCE);
    };
    const [padLength, padWidth, price] = [plain('pad length [mm]'), plain('pad width [mm]'), plain('price')];
    const adjustments = FLAT_KINDS.flatMap((kind): Adjustment[] => {
      const travel = this.byKind.has(kind) ? this.travel(kind) : null;
      if (!travel) return [];
      const holds = { how: travel.type === 'continuous' ? ('free' as const) : ('notched' as const) };
      return [{ id: kind, kind, side: 'both', unit: unitOf(kind), travel, holds }];
    });
    const hasArms =
      offers.includes('arms') || padLength !== null || adjustments.some((a) => /^(?:arm|pad)/.test(a.kind));
    const seat: SeatModel = {
      schema: SEAT_DOCUMENT,
      id: given ?? this.newId(),
      name: name.trim(),
      seatClass: this.oneOf<SeatClass>('class', SEAT_CLASSES, 'office'),
      ratedLoadKg: quantity('rated load [kg]'),
      seatWidthMm: quantity('seat width [mm]'),
      cushion: {
        sinkMm: quantity('sink [mm]'),
        referenceMassKg: plain('reference mass [kg]') ?? 75,
        heightsAre: this.oneOf('heights are', ['loaded', 'empty'] as const, 'loaded'),
      },
      pan: { axisFromRearMm: null, recessMm: null, frontEdgeRadiusMm: null },
      back: { topMm: plain('back top [mm]'), synchroRatio: null },
      arms: hasArms
        ? { support: 'elbowPad', on: null, moveWithBack: null, lengthMm: padLength, widthMm: padWidth }
        : null,
      offers: [...new Set(offers)] as Offer[],
      states: [],
      strappedCushions: [],
      adjustments,
      controls: [],
      procedures: [],
      ...(price !== null && { price }),
      notes: this.text('notes', LONGEST_NOTES),
    };
    if (this.faults.length > 0) return null;
    for (const { reason, field, value } of seatDoubts(seat)) {
      const at = /^\/adjustments\/(\d+)/.exec(field)?.[1];
      const kind = at === undefined ? undefined : adjustments[Number(at)]?.kind;
      this.fault(`fault.${reason}`, kind ? kindColumn(kind, 'lowest') : field, String(value));
    }
    return this.faults.length > 0 ? null : seat;
  }
}

const ofTheFile = (reason: string, column = '', value = ''): SeatFileFault => ({
  reason: `exchange.fault.${reason}`,
  row: column === '' ? 0 : 1,
  column,
  value,
});

function headFaults(heads: readonly (Column | 'unit')[], names: readonly string[]): SeatFileFault[] {
  const faults: SeatFileFault[] = [];
  const seen = new Set<string>();
  for (const [i, column] of heads.entries()) {
    const name = shown(names[i]!);
    if (column === 'unit') {
      faults.push(ofTheFile('wrongUnit', name, name));
      continue;
    }
    const key = column.plain ?? (column.kind && `${column.kind} ${column.end}`);
    if (!key) continue;
    if (seen.has(key)) faults.push(ofTheFile('columnTwice', name, name));
    seen.add(key);
  }
  return seen.has('name') ? faults : [...faults, ofTheFile('noName')];
}

const ROWS_A_SLICE = 50;

/**
 * Reads a CSV file of seats, slice by slice: the last value has everything.
 * @param newId makes an id for a row that has none
 * @returns seats and faults; never fails, for a file that cannot be read is a fault at row 0. Definition.
 * @example
 * last(readSeatsCsv(seatsCsvHead() + seatsCsvRow(seat), () => 'new')).read.seats.length // => 1
 */
export function* readSeatsCsv(text: string, newId: () => string): Generator<SeatReadingProgress, void, void> {
  const end = (faults: SeatFileFault[]): SeatReadingProgress => ({
    done: 0,
    of: 0,
    read: { ...noSeatsRead(), faults },
  });
  const found = cellsOf(text, (name) => isKnown(columnOf(name)));
  if ('fault' in found) return yield end([{ ...ofTheFile(found.fault), row: found.row }]);
  const { head: names, rows } = found;
  const heads = names.map(columnOf);
  const wrong = headFaults(heads, names);
  if (wrong.length > 0) return yield end(wrong);
  if (rows.length > MOST_SEATS_IN_FILE + 1) return yield end([ofTheFile('tooManyRows')]);
  const columns = heads as readonly Column[];
  const read = noSeatsRead();
  const ids = new Set<string>();
  for (const [i, cells] of rows.entries()) {
    if (cells.every((cell) => cell.trim() === '')) continue;
    read.rows++;
    const reader = new RowReader(i + 2, columns, cells, newId);
    const seat = reader.seat();
    read.faults.push(...reader.faults);
    if (seat && ids.has(seat.id))
      read.faults.push({ reason: 'exchange.fault.twice', row: i + 2, column: 'id', value: seat.id });
    else if (seat) read.seats.push({ row: i + 2, seat });
    if (seat) ids.add(seat.id);
    if (i % ROWS_A_SLICE === 0) yield { done: i, of: rows.length, read: null };
  }
  read.ignored.push(...columns.filter((c) => !isKnown(c) && c.name !== '').map((c) => shown(c.name)));
  yield {
    done: rows.length,
    of: rows.length,
    read: read.rows === 0 ? { ...read, faults: [ofTheFile('empty')] } : read,
  };
}
