/** The JSON file of seats: its schema, which is published, and reading it seat by seat. */
import { z } from 'zod';
import { jsonTrouble } from '../core/exchange/json-trouble';
import { shown } from '../core/exchange/people';
import {
  MOST_SEATS_IN_FILE,
  noSeatsRead,
  type SeatFileFault,
  type SeatReadingProgress,
} from '../core/exchange/seats-csv';
import { Id } from '../core/document';
import { seatDoubts, upgradeSeat, type SeatModel } from '../core/seat';
import { SeatSchema } from '../core/seat/schema';
import { NewName, written } from './records';
import { schemaFaultOf, valueAt } from './schema-fault';
import { SEATS_EXISTING_CHOICES } from './seats-choices';

export const SEATS_FORMAT = 'velto.seats';
export const SEATS_FORMAT_VERSION = 1;

/** A seat as it comes in: its name is plain. */
const SeatInFile = SeatSchema.extend({ name: NewName, notes: written(2000).default('') });

export const SeatsFileSchema = z.object({
  format: z.literal(SEATS_FORMAT),
  version: z.literal(SEATS_FORMAT_VERSION),
  exportedAt: z.string().optional(),
  seats: z.array(SeatInFile).max(MOST_SEATS_IN_FILE),
});

/** The published JSON Schema (2020-12), made from the schema that files are checked with. */
export const seatsJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(SeatsFileSchema, { io: 'input' }),
  title: 'Seats, as Velto exports and imports them',
  description: 'Lengths in mm, angles in degrees, masses in kg. What nobody described is null or absent.',
});

/** So many seats a part, and bytes: far below what a request may have. */
export const SEATS_A_PART = 50;
export const SEAT_PRESENCES = ['new', 'same', 'differs'] as const;
export type SeatPresence = (typeof SEAT_PRESENCES)[number];

const Part = z.array(SeatInFile).min(1).max(SEATS_A_PART);
export const SeatLookSchema = z.strictObject({ seats: Part });
export const SeatLookedSchema = z.object({
  found: z.array(z.enum(SEAT_PRESENCES)).describe('one a seat, in the order they came'),
});
export const SeatPartSchema = z.strictObject({
  file: z.string().trim().min(1).max(120).describe('name of the file'),
  existing: z
    .enum(SEATS_EXISTING_CHOICES)
    .describe('what becomes of seats that are here with other contents: left, or given a new version'),
  seats: Part,
});
export type SeatPart = z.infer<typeof SeatPartSchema>;
export const SeatCountsSchema = z.object({
  created: z.int(),
  versions: z.int().describe('seats that were here and got a new version'),
  left: z.int().describe('seats that were here with other contents and stayed as they were'),
  same: z.int(),
});
export type SeatCounts = z.infer<typeof SeatCountsSchema>;
export const SeatImportSchema = z.object({
  id: Id,
  file: z.string(),
  broughtBy: z.string().nullable(),
  createdAt: z.string(),
  counts: SeatCountsSchema,
  undone: z.int().nullable().describe('how many were taken out again; null: not undone'),
  kept: z
    .int()
    .describe('of an undone one: seats that stay, because something has been done with them since'),
});
export type SeatImport = z.infer<typeof SeatImportSchema>;

const whole = (reason: string, value = ''): SeatFileFault => ({
  reason: `exchange.fault.${reason}`,
  row: 0,
  column: '',
  value,
});

function parsed(text: string): { readonly value: unknown } | null {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch {
    return null;
  }
}

/** A seat of a file, or what is wrong with it. */
function seatOf(given: unknown, row: number): SeatModel | SeatFileFault[] {
  const upgraded = upgradeSeat(given);
  const read = SeatInFile.safeParse(upgraded);
  if (!read.success)
    return read.error.issues.map((issue) => ({
      reason: `exchange.fault.${schemaFaultOf(issue, upgraded)}`,
      row,
      column: issue.path.join('/'),
      value:
        issue.code === 'unrecognized_keys'
          ? issue.keys.map(shown).join(', ')
          : shown(valueAt(upgraded, issue.path)),
    }));
  const doubts = seatDoubts(read.data);
  if (doubts.length === 0) return read.data;
  return doubts.map(({ reason, field, value }) => ({
    reason: `fault.${reason}`,
    row,
    column: field.replace(/^\//, ''),
    value: shown(value),
  }));
}

const SEATS_A_SLICE = 20;

/** Reads a JSON file of seats, slice by slice: the last value has everything. Older forms of a seat are upgraded. */
export function* readSeatsJson(text: string): Generator<SeatReadingProgress, void, void> {
  const end = (fault: SeatFileFault): SeatReadingProgress => ({
    done: 0,
    of: 0,
    read: { ...noSeatsRead(), faults: [fault] },
  });
  const bare = text.replace(/^\uFEFF/, '');
  const file = parsed(bare);
  if (!file) return yield end(whole('notJson'));
  const trouble = jsonTrouble(bare);
  if (trouble)
    return yield end({
      reason: `seatFile.fault.${trouble.reason}`,
      row: trouble.item,
      column: '',
      value: shown(trouble.value),
    });
  const { format, version, seats } = (file.value ?? {}) as Partial<Record<string, unknown>>;
  if (format !== SEATS_FORMAT || !Array.isArray(seats))
    return yield end(whole('otherFormat', shown(format ?? '')));
  if (version !== SEATS_FORMAT_VERSION) return yield end(whole('otherVersion', shown(version ?? '')));
  if (seats.length === 0) return yield end(whole('empty'));
  if (seats.length > MOST_SEATS_IN_FILE) return yield end(whole('tooManyRows'));
  const read = noSeatsRead();
  const ids = new Set<string>();
  for (const [i, given] of (seats as unknown[]).entries()) {
    const row = i + 1;
    read.rows++;
    const seat = seatOf(given, row);
    if ('length' in seat) read.faults.push(...seat);
    else if (ids.has(seat.id))
      read.faults.push({ reason: 'exchange.fault.twice', row, column: 'id', value: seat.id });
    else {
      ids.add(seat.id);
      read.seats.push({ row, seat });
    }
    if (i % SEATS_A_SLICE === 0) yield { done: i, of: seats.length, read: null };
  }
  yield { done: seats.length, of: seats.length, read };
}
