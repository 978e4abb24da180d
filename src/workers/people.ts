/** Reading a file of people, beside the page: what is in it, what is wrong with it, and the parts it is sent in. */
import { PEOPLE_A_PART } from '../contract/importing';
import { partText, readPeopleJson } from '../contract/people-file';
import {
  MOST_FILE_BYTES,
  nothingRead,
  readPeopleCsv,
  type PeopleFault,
  type PeopleRead,
  type ReadingProgress,
} from '../core/exchange';
import type { Runners } from './serve';

export interface ReadJob {
  readonly bytes: ArrayBuffer;
  /** Local date: nothing in the file lies after it. */
  readonly today: string;
}

/** Somebody who can be taken. */
export interface Kept {
  readonly row: number;
  readonly id: string | null;
  readonly name: string;
  readonly birthDate: string | null;
  /** How many readings the file has of this person. */
  readonly readings: number;
}

export interface PeopleFound {
  readonly rows: number;
  /** The first of them; `faultCount` says how many there are. */
  readonly faults: readonly PeopleFault[];
  readonly faultCount: number;
  /** Rows with a fault. */
  readonly badRows: number;
  readonly doubts: readonly PeopleFault[];
  readonly ignored: readonly string[];
  readonly kept: readonly Kept[];
  /** People as JSON lists, as they are sent: the page hands the bytes on. In the order of `kept`. */
  readonly parts: readonly { readonly people: Blob; readonly count: number }[];
}

export interface PeopleProgress {
  readonly done: number;
  readonly of: number;
  /** Once everything has been read. */
  readonly found: PeopleFound | null;
}

export interface PeopleJobs {
  readonly read: { readonly input: ReadJob; readonly result: PeopleProgress };
}

/** More are told by their number only. */
export const MOST_TOLD = 5000;
/** Bytes of a part, far below what a request may have, and of one person. */
const PART_BYTES = 400_000;
const PERSON_BYTES = 900_000;

const UTF8_STARTS_JSON = /^\uFEFF?\s*[{[]/;

/** The text of a file: UTF-8, or UTF-16 that says so; null where it is neither. */
export function textOf(bytes: Uint8Array): string | null {
  const [first, second] = bytes;
  const encoding =
    first === 0xff && second === 0xfe ? 'utf-16le' : first === 0xfe && second === 0xff ? 'utf-16be' : 'utf-8';
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

const refusal = (reason: 'tooLarge' | 'notText', limit?: number): ReadingProgress => ({
  done: 0,
  of: 0,
  read: {
    ...nothingRead(),
    faults: [
      {
        reason,
        row: 0,
        column: '',
        value: '',
        ...(limit === undefined ? {} : { limits: [0, limit] as const }),
      },
    ],
  },
});

function* readFile({ bytes, today }: ReadJob): Generator<ReadingProgress, void, void> {
  if (bytes.byteLength > MOST_FILE_BYTES) return yield refusal('tooLarge', MOST_FILE_BYTES);
  const text = textOf(new Uint8Array(bytes));
  if (text === null) return yield refusal('notText');
  yield* UTF8_STARTS_JSON.test(text.slice(0, 1000))
    ? readPeopleJson(text, today)
    : readPeopleCsv(text, today);
}

function* partsOf(read: PeopleRead): Generator<PeopleFound | null, void, void> {
  const parts: { people: Blob; count: number }[] = [];
  const kept: Kept[] = [];
  const encoder = new TextEncoder();
  const faults = [...read.faults];
  let [texts, bytes] = [[] as Uint8Array<ArrayBuffer>[], 0];
  const close = () => {
    if (texts.length > 0)
      parts.push({
        people: new Blob(['[', ...texts.flatMap((t, i) => (i === 0 ? [t] : [',', t])), ']']),
        count: texts.length,
      });
    [texts, bytes] = [[], 0];
  };
  for (const [i, { row, person }] of read.people.entries()) {
    const text = encoder.encode(partText(person));
    const { length } = text;
    if (length > PERSON_BYTES) {
      faults.push({ reason: 'tooLong', row, column: '', value: '', limits: [0, PERSON_BYTES] });
      continue;
    }
    if (texts.length === PEOPLE_A_PART || bytes + length > PART_BYTES) close();
    texts.push(text);
    bytes += length;
    const { id = null, name, birthDate, readings } = person;
    kept.push({ row, id, name, birthDate, readings: readings.length });
    if (i % PEOPLE_A_PART === 0) yield null;
  }
  close();
  yield {
    rows: read.rows,
    faults: faults.slice(0, MOST_TOLD),
    faultCount: faults.length,
    badRows: new Set(faults.map((f) => f.row)).size,
    doubts: read.doubts.slice(0, MOST_TOLD),
    ignored: read.ignored,
    kept,
    parts,
  };
}

export const PEOPLE_JOBS: Runners<PeopleJobs> = {
  read: function* (input) {
    for (const { done, of, read } of readFile(input)) {
      if (!read) {
        yield { done, of, found: null };
        continue;
      }
      for (const found of partsOf(read)) yield { done, of, found };
    }
  },
};
