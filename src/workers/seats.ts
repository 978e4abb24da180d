/** Reading a file of seats, beside the page: what is in it, what is wrong with it, and the parts it is sent in. */
import { SEATS_A_PART, readSeatsJson } from '../contract/seats-file';
import { MOST_FILE_BYTES } from '../core/exchange';
import {
  noSeatsRead,
  readSeatsCsv,
  type SeatFileFault,
  type SeatReadingProgress,
  type SeatsRead,
} from '../core/exchange/seats-csv';
import type { SeatClass } from '../core/seat';
import { textOf } from './people';
import type { Runners } from './serve';

export interface ReadSeatsJob {
  readonly bytes: ArrayBuffer;
  /** Ids for rows that have none: as many as a file can have rows come from this one. */
  readonly seed: string;
}

export interface KeptSeat {
  readonly row: number;
  readonly id: string;
  readonly name: string;
  readonly seatClass: SeatClass;
}

export interface SeatsFound {
  readonly rows: number;
  readonly faults: readonly SeatFileFault[];
  readonly faultCount: number;
  readonly badRows: number;
  readonly ignored: readonly string[];
  readonly isFlat: boolean;
  readonly kept: readonly KeptSeat[];
  /** Seats as JSON lists, as they are sent, in the order of `kept`. */
  readonly parts: readonly { readonly seats: string; readonly count: number }[];
}
export interface SeatsProgress {
  readonly done: number;
  readonly of: number;
  readonly found: SeatsFound | null;
}
export interface SeatJobs {
  readonly readSeats: { readonly input: ReadSeatsJob; readonly result: SeatsProgress };
}

/** More are told by their number only. */
const MOST_TOLD = 2000;
/** Of a part, bytes: far below what a request may have. */
const PART_BYTES = 400_000;
const STARTS_JSON = /^\uFEFF?\s*[{[]/;

function partsOf(read: SeatsRead): SeatsFound['parts'] {
  const parts: { seats: string; count: number }[] = [];
  let [texts, size] = [[] as string[], 0];
  const close = () => {
    if (texts.length > 0) parts.push({ seats: `[${texts.join(',')}]`, count: texts.length });
    [texts, size] = [[], 0];
  };
  for (const { seat } of read.seats) {
    const text = JSON.stringify(seat);
    if (texts.length === SEATS_A_PART || size + text.length > PART_BYTES) close();
    texts.push(text);
    size += text.length;
  }
  close();
  return parts;
}

/** Ids for rows without one: the seed with its last digits counted on. */
function* idsFrom(seed: string): Generator<string, never, void> {
  for (let n = 0; ; n++) {
    const last = (Number.parseInt(seed.slice(-8), 16) + n) % 2 ** 32;
    yield seed.slice(0, -8) + last.toString(16).padStart(8, '0');
  }
}

const refusal = (reason: string): SeatReadingProgress => ({
  done: 0,
  of: 0,
  read: { ...noSeatsRead(), faults: [{ reason: `exchange.fault.${reason}`, row: 0, column: '', value: '' }] },
});

type Step = SeatReadingProgress & { readonly isFlat: boolean };

function* readFile({ bytes, seed }: ReadSeatsJob): Generator<Step, void, void> {
  if (bytes.byteLength > MOST_FILE_BYTES) return yield { ...refusal('tooLarge'), isFlat: false };
  const text = textOf(new Uint8Array(bytes));
  if (text === null) return yield { ...refusal('notText'), isFlat: false };
  const isFlat = !STARTS_JSON.test(text.slice(0, 1000));
  const ids = idsFrom(seed);
  for (const step of isFlat ? readSeatsCsv(text, () => ids.next().value) : readSeatsJson(text))
    yield { ...step, isFlat };
}

function foundOf(read: SeatsRead, isFlat: boolean): SeatsFound {
  return {
    rows: read.rows,
    faults: read.faults.slice(0, MOST_TOLD),
    faultCount: read.faults.length,
    badRows: new Set(read.faults.map((f) => f.row)).size,
    ignored: read.ignored,
    isFlat,
    kept: read.seats.map(({ row, seat: { id, name, seatClass } }) => ({ row, id, name, seatClass })),
    parts: partsOf(read),
  };
}

export const SEAT_JOBS: Runners<SeatJobs> = {
  readSeats: function* (job) {
    for (const { done, of, read, isFlat } of readFile(job))
      yield { done, of, found: read && foundOf(read, isFlat) };
  },
};
