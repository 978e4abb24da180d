/** People as a CSV file: one row a person, with the readings that hold. */
import { DIMENSIONS, DIMENSION_IDS, type DimensionId, type Sex } from '../body';
import { cellsOf, csvLine } from './cells';
import { personDoubts, personFaults, isDate, type PersonFault } from './check';
import {
  PEOPLE_HEAD,
  PERSON_COLUMNS,
  columnByHead,
  columnOf,
  type Column,
  type PersonColumn,
} from './columns';
import { defused, fused, isFormula } from './formula';
import {
  MOST_PEOPLE,
  shown,
  type FilePerson,
  type FileReading,
  type PeopleFault,
  type PeopleFaultReason,
} from './people';

/** One person as a row. */
export interface CsvPerson extends Pick<
  FilePerson,
  'name' | 'isNickname' | 'birthDate' | 'sex' | 'consentOn' | 'consentBy'
> {
  readonly id: string;
  /** Local date of the newest reading; null where nobody measured. */
  readonly measuredOn: string | null;
  readonly measuredBy: string | null;
  readonly values: { readonly [id in DimensionId]?: number };
}

const SEX_WORDS: Readonly<Record<Sex, string>> = { women: 'female', men: 'male' };
const SEX_BY_WORD: Readonly<Record<string, Sex>> = {
  female: 'women',
  male: 'men',
  women: 'women',
  men: 'men',
  f: 'women',
  m: 'men',
};
const YES = ['yes', 'true', '1'];
const NO = ['', 'no', 'false', '0'];

/**
 * The head of a file of people.
 * @returns one line. Definition.
 * @example
 * peopleCsvHead().split(',')[1] // => 'name'
 */
export const peopleCsvHead = (): string => csvLine(PEOPLE_HEAD);

/**
 * A person's row; texts that a spreadsheet would compute have an apostrophe before them.
 * @returns one line, lengths in mm and masses in kg. Definition.
 * @example
 * peopleCsvRow({ ...person, id: 'a', measuredOn: null, measuredBy: null, values: { stature: 1740 } }).includes('1740') // => true
 */
export function peopleCsvRow(person: CsvPerson): string {
  const { id, name, isNickname, birthDate, sex, consentOn, consentBy, measuredOn, measuredBy, values } =
    person;
  const cells: Record<PersonColumn, string> = {
    id,
    name: defused(name),
    nickname: isNickname ? 'yes' : '',
    'birth date': birthDate ?? '',
    sex: sex === null ? '' : SEX_WORDS[sex],
    'consent on': consentOn ?? '',
    'consent by': defused(consentBy ?? ''),
    'measured on': measuredOn ?? '',
    'measured by': defused(measuredBy ?? ''),
  };
  return csvLine([
    ...PERSON_COLUMNS.map((column) => cells[column]),
    ...DIMENSION_IDS.map((dimension) => String(values[dimension] ?? '')),
  ]);
}

/** What was read so far, and everything that is wrong with it. */
export interface PeopleRead {
  readonly people: { readonly row: number; readonly person: FilePerson }[];
  readonly faults: PeopleFault[];
  readonly doubts: PeopleFault[];
  /** Rows that hold anything, the head aside. */
  rows: number;
  /** Columns or parts of the file that are not taken. */
  readonly ignored: string[];
}

/**
 * What a reading begins with.
 * @returns a new one each time. Definition.
 * @example
 * nothingRead().people.length // => 0
 */
export const nothingRead = (): PeopleRead => ({ people: [], faults: [], doubts: [], rows: 0, ignored: [] });

/** How far reading has come. */
export interface ReadingProgress {
  readonly done: number;
  readonly of: number;
  /** Once everything has been read. */
  readonly read: PeopleRead | null;
}

/** Notes what is wrong with a cell. */
type Fault = (reason: PeopleFaultReason, column: string, value: string) => null;

/** Tells people apart who stand in one file twice. */
export class Twice {
  private readonly ids = new Set<string>();
  private readonly names = new Set<string>();

  /** Whether this id was there before. */
  id({ id }: FilePerson): boolean {
    if (id === undefined) return false;
    const known = this.ids.has(id);
    this.ids.add(id);
    return known;
  }

  /** Whether somebody of this name and birth date was there before. */
  name({ name, birthDate }: FilePerson): boolean {
    const key = JSON.stringify([name.toLowerCase(), birthDate]);
    const known = this.names.has(key);
    this.names.add(key);
    return known;
  }
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/;
const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/;
/** Values are kept to the tenth of a millimetre and to ten grams: finer ones are rounded. */
const FINEST: Record<'mm' | 'kg', number> = { mm: 10, kg: 100 };

/** `2016-03-09`, or `9.3.2016`, where the day stands first everywhere; null where it is neither. */
function dateOf(text: string): string | null {
  const [, day, month, year] = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text) ?? [];
  const date = day && month && year ? `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}` : text;
  return isDate(date) ? date : null;
}

interface Head {
  readonly name: string;
  readonly column: Column;
}

/** What stands in a row under a dimension, as the file names it. */
interface Cell {
  readonly name: string;
  readonly text: string;
  readonly unit: string;
  /** mm or kg for one of its unit. */
  readonly per: number;
}

/** Reads rows, one after the other, under a head. */
class RowReader {
  readonly read = nothingRead();
  private readonly twice = new Twice();

  constructor(
    private readonly head: readonly Head[],
    private readonly today: string,
  ) {}

  row(cells: readonly string[], row: number): void {
    if (cells.every((cell) => cell.trim() === '')) return;
    this.read.rows++;
    const faults: PeopleFault[] = [];
    const fault = (reason: PeopleFaultReason, column: string, value: string): null => {
      faults.push({ reason, row, column, value: shown(value) });
      return null;
    };
    if (cells.slice(this.head.length).some((cell) => cell.trim() !== ''))
      fault('tooManyCells', '', cells.slice(this.head.length).join(' '));
    const { person, columns } = this.person(cells, fault);
    const placed = (found: PersonFault): PeopleFault => {
      const { path, ...rest } = found;
      const [part, index] = path.split('/');
      const reading = part === 'readings' ? columns[Number(index)]! : null;
      // Of all readings in a row date and fitter are the same: told once, with their own column.
      const name = path.endsWith('/takenAt')
        ? 'measured on'
        : path.endsWith('/takenBy')
          ? 'measured by'
          : (reading?.name ?? COLUMN_OF_FIELD[part as keyof typeof COLUMN_OF_FIELD] ?? '');
      if (rest.reason === 'pair')
        return { ...rest, row, column: name, value: this.nameOf(rest.value as DimensionId) };
      if (rest.reason !== 'outOfRange' || !reading) return { ...rest, row, column: name };
      // Value and limits are told in the unit that stands there, not as they were converted.
      const { text, unit, per } = reading;
      const [lo, hi] = (rest.limits ?? [0, 0]).map((limit) => Math.round((limit / per) * 10) / 10);
      return { ...rest, row, column: name, value: shown(text), limits: [lo!, hi!], unit };
    };
    const known = new Set(faults.map((f) => f.column));
    for (const found of personFaults(person, this.today).map(placed)) {
      if (known.has(found.column)) continue;
      known.add(found.column);
      faults.push(found);
    }
    if (this.twice.id(person)) fault('twice', 'id', person.id!);
    if (faults.length > 0) {
      this.read.faults.push(...faults);
      return;
    }
    this.read.doubts.push(...personDoubts(person).map(placed));
    if (this.twice.name(person))
      this.read.doubts.push({ reason: 'sameName', row, column: 'name', value: shown(person.name) });
    this.read.people.push({ row, person });
  }

  /** The column of a dimension as the file names it. */
  private nameOf(id: DimensionId): string {
    return (
      this.head.find(({ column }) => column.of === 'reading' && column.dimension === id)?.name ?? columnOf(id)
    );
  }

  /** What a row says of a person, and its readings, rounded to the finest that is kept. */
  private cellsOf(cells: readonly string[], fault: Fault) {
    const texts: Partial<Record<PersonColumn, string>> = {};
    const values: (Cell & { readonly dimension: DimensionId; readonly value: number })[] = [];
    for (const [i, { name, column }] of this.head.entries()) {
      const text = (cells[i] ?? '').trim();
      if (text === '') continue;
      if (column.of === 'person') texts[column.column] = text;
      if (column.of !== 'reading') continue;
      if (!NUMBER.test(text)) {
        fault('notANumber', name, text);
        continue;
      }
      const finest = FINEST[DIMENSIONS[column.dimension].unit];
      const value = Math.round(Number(text.replace(',', '.')) * column.per * finest) / finest;
      const { dimension, unit, per } = column;
      values.push({ dimension, value, name, text, unit, per });
    }
    return { texts, values };
  }

  private person(
    cells: readonly string[],
    fault: Fault,
  ): { readonly person: FilePerson; readonly columns: readonly Cell[] } {
    const { texts, values } = this.cellsOf(cells, fault);
    const plainText = (column: PersonColumn): string | null => {
      const text = texts[column];
      if (text === undefined) return null;
      return isFormula(text) ? fault('formula', column, text) : fused(text);
    };
    const date = (column: PersonColumn): string | null => {
      const text = texts[column];
      return text === undefined ? null : (dateOf(text) ?? fault('notADate', column, text));
    };
    const { id, nickname = '', sex } = texts;
    if (id !== undefined && !UUID.test(id.toLowerCase())) fault('notAnId', 'id', id);
    const isNickname = YES.includes(nickname.toLowerCase());
    if (!isNickname && !NO.includes(nickname.toLowerCase())) fault('notYesNo', 'nickname', nickname);
    const known = sex === undefined ? null : (SEX_BY_WORD[sex.toLowerCase()] ?? fault('notASex', 'sex', sex));
    const [measuredOn, measuredBy] = [date('measured on'), plainText('measured by')];
    if (measuredBy !== null && texts['measured on'] === undefined) fault('dateMissing', 'measured on', '');
    const taken =
      measuredOn === null
        ? {}
        : {
            basis: 'measured' as const,
            takenAt: measuredOn,
            ...(measuredBy === null ? {} : { takenBy: measuredBy }),
          };
    return {
      person: {
        ...(id === undefined ? {} : { id: id.toLowerCase() }),
        name: plainText('name') ?? '',
        isNickname,
        birthDate: date('birth date'),
        sex: known,
        tableId: null,
        consentOn: date('consent on'),
        consentBy: plainText('consent by'),
        sessions: [],
        readings: values.map(({ dimension, value }): FileReading => ({
          dimension,
          value,
          unit: DIMENSIONS[dimension].unit,
          ...taken,
        })),
      },
      columns: values,
    };
  }
}

/** Where what a person holds stands in a row. */
const COLUMN_OF_FIELD = {
  name: 'name',
  birthDate: 'birth date',
  consentOn: 'consent on',
  consentBy: 'consent by',
} as const satisfies Partial<Record<keyof FilePerson, PersonColumn>>;

const ofTheFile = (reason: PeopleFaultReason, column = '', value = ''): PeopleFault => ({
  reason,
  row: column === '' ? 0 : 1,
  column,
  value,
});

/** What is wrong with the head: then no row can be read. */
function headFaults(head: readonly Head[]): PeopleFault[] {
  const faults: PeopleFault[] = [];
  const seen = new Set<string>();
  for (const { name, column } of head) {
    if (column.of === 'fault') faults.push(ofTheFile(column.reason, shown(name), shown(name)));
    if (column.of !== 'person' && column.of !== 'reading') continue;
    const key = column.of === 'person' ? column.column : column.dimension;
    if (seen.has(key)) faults.push(ofTheFile('columnTwice', shown(name), shown(name)));
    seen.add(key);
  }
  return seen.has('name') ? faults : [...faults, ofTheFile('noName')];
}

const ROWS_A_SLICE = 200;

/**
 * Reads a file of people, slice by slice: the last value has everything.
 * @param today local date: nothing lies after it
 * @returns people and faults; never fails, for a file that cannot be read is a fault at row 0. Definition.
 * @example
 * last(readPeopleCsv('name,stature [cm]\nYrsa,174\n', '2026-11-25')).read.people.length // => 1
 */
export function* readPeopleCsv(text: string, today: string): Generator<ReadingProgress, void, void> {
  const end = (faults: PeopleFault[]): ReadingProgress => ({
    done: 0,
    of: 0,
    read: { ...nothingRead(), faults },
  });
  const cells = cellsOf(text, (name) => columnByHead(name).of !== 'nothing');
  if ('fault' in cells) return yield end([{ ...ofTheFile(cells.fault), row: cells.row }]);
  const { rows } = cells;
  const head = cells.head.map((name): Head => ({ name, column: columnByHead(name) }));
  const wrong = headFaults(head);
  if (wrong.length > 0) return yield end(wrong);
  if (rows.length > MOST_PEOPLE + 1)
    return yield end([{ ...ofTheFile('tooManyRows'), limits: [0, MOST_PEOPLE] }]);
  const reader = new RowReader(head, today);
  for (const [i, row] of rows.entries()) {
    reader.row(row, i + 2);
    if (i % ROWS_A_SLICE === 0) yield { done: i, of: rows.length, read: null };
  }
  reader.read.ignored.push(
    ...head
      .filter(({ name, column }) => column.of === 'nothing' && name !== '')
      .map(({ name }) => shown(name)),
  );
  const { read } = reader;
  yield {
    done: rows.length,
    of: rows.length,
    read: read.rows === 0 ? { ...read, faults: [ofTheFile('empty')] } : read,
  };
}
