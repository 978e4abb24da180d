/**
 * People and their readings as they stand in a file: who somebody is, in which sessions somebody was measured, every
 * reading. A JSON file has all of it; a CSV file has one row a person with the readings that hold.
 */
import type { DimensionId, DimensionRow, Sex } from '../body';
import type { Instrument } from '../measuring';
import type { Basis } from '../quantity';

export const PEOPLE_FORMAT = 'velto-people';
export const PEOPLE_FORMAT_VERSION = 1;

/** One reading. What may be left out is taken as said beside it. */
export interface FileReading {
  readonly id?: string | undefined;
  readonly dimension: DimensionId;
  /** In `unit`, which has to be the dimension's own. */
  readonly value: number;
  readonly unit: DimensionRow['unit'];
  /** `stated` where it is left out. */
  readonly basis?: Exclude<Basis, 'estimated'> | undefined;
  /** Standard deviation; that of a single reading where it is left out. */
  readonly spread?: number | undefined;
  /** The file's name where it is left out. */
  readonly source?: string | undefined;
  /** An instant, or a local date where only the day is known; the import's own instant where it is left out. */
  readonly takenAt?: string | undefined;
  readonly takenBy?: string | undefined;
  readonly instrument?: Instrument | undefined;
  /** Why it stands although the others speak against it. */
  readonly reason?: string | undefined;
  /** Id of a session of the same person. */
  readonly session?: string | undefined;
  /** The single readings that it was settled from. */
  readonly takes?: readonly number[] | undefined;
  /** When it ceased to hold; it holds where this is left out. */
  readonly withdrawnAt?: string | undefined;
}

export interface FileSession {
  readonly id: string;
  /** Local date. */
  readonly date: string;
  readonly startedAt: string;
  readonly takenBy: string | null;
  readonly shoesOn: boolean;
  readonly clothes: string;
  readonly notes: string;
}

export interface FilePerson {
  readonly id?: string | undefined;
  readonly name: string;
  readonly isNickname: boolean;
  readonly birthDate: string | null;
  readonly sex: Sex | null;
  /** A table of bodies; the usual one where it is not known here. */
  readonly tableId: string | null;
  readonly consentOn: string | null;
  readonly consentBy: string | null;
  readonly sessions: readonly FileSession[];
  readonly readings: readonly FileReading[];
}

/** What can be wrong with a file as a whole: then nothing of it can be taken. */
export const FILE_FAULTS = [
  'empty',
  'tooLarge',
  'tooManyRows',
  'notText',
  'quotes',
  'noName',
  'unitMissing',
  'wrongUnit',
  'columnTwice',
  'notJson',
  'otherFormat',
  'otherVersion',
] as const;
/** What can be wrong with a row: then the row is not taken. */
export const ROW_FAULTS = [
  'nameMissing',
  'tooLong',
  'control',
  'invisible',
  'formula',
  'notADate',
  'dateAhead',
  'tooOld',
  'dateMissing',
  'notASex',
  'notYesNo',
  'notANumber',
  'outOfRange',
  'notAnId',
  'twice',
  'tooManyCells',
  'otherUnit',
  'noSession',
  'holdTwice',
  'missing',
  'notAChoice',
  'unknownKey',
  'notOfTheForm',
] as const;
/** What one should look at; the row is taken all the same. */
export const ROW_DOUBTS = ['pair', 'sameName'] as const;

export type PeopleFaultReason = (typeof FILE_FAULTS)[number] | (typeof ROW_FAULTS)[number];

/** What is wrong, and where. */
export interface PeopleFault {
  readonly reason: PeopleFaultReason | (typeof ROW_DOUBTS)[number];
  /** As a spreadsheet counts: the head is 1. In JSON the place among the people, from 1. 0 for the file as a whole. */
  readonly row: number;
  /** The column, or in JSON the path within the person; empty for the row as a whole. */
  readonly column: string;
  /** What stands there, shortened. */
  readonly value: string;
  /** Of what is out of range or too long; of a measure in the unit of its column. */
  readonly limits?: readonly [number, number] | undefined;
  /** Of a measure that is out of range: `mm`, `cm`, `in`, `kg`, `lb`. */
  readonly unit?: string | undefined;
}

/** Longest file, bytes, and most people in one. */
export const MOST_FILE_BYTES = 20_000_000;
export const MOST_PEOPLE = 20_000;

const SHOWN = 60;
/**
 * As it is shown beside a fault: control characters as what they are, and not without end.
 * @returns at most a line. Definition.
 * @example
 * shown('a\tb') // => 'a\\u0009b'
 */
export const shown = (value: unknown): string => {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? '');
  const plain = text.replace(
    /[\p{Cc}\p{Cf}]/gu,
    (c) => `\\u${c.charCodeAt(0).toString(16).padStart(4, '0')}`,
  );
  return plain.length > SHOWN ? `${plain.slice(0, SHOWN)}…` : plain;
};
