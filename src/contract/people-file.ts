/** The JSON file of people: its schema, which is published, and reading one person by person. */
import { z } from 'zod';
import { DIMENSIONS, DIMENSION_IDS, SEXES, isDimensionId, type DimensionId } from '../core/body';
import {
  MOST_PEOPLE,
  PEOPLE_FORMAT,
  PEOPLE_FORMAT_VERSION,
  Twice,
  nothingRead,
  personDoubts,
  personFaults,
  shown,
  type FilePerson,
  type FileReading,
  type FileSession,
  type PeopleFault,
  type PeopleFaultReason,
  type ReadingProgress,
} from '../core/exchange';
import { INSTRUMENT_IDS } from '../core/measuring/instruments';
import { MOST_TAKES } from '../core/measuring/takes';
import { MOST_PARTS, PEOPLE_A_PART } from './importing';
import { schemaFaultOf, valueAt } from './schema-fault';

const Uuid = z.uuid();
const LocalDate = z.iso.date();
const Instant = z.iso.datetime();
const TakenAt = z.union([Instant, LocalDate]);
const Text = z.string().max(10_000);
const HIGHEST = 10_000;
const Value = z.number().min(0).max(HIGHEST);

const UNITS = ['mm', 'kg'] as const;
const FILE_BASES = ['measured', 'stated'] as const;
export const FileReadingSchema: z.ZodType<FileReading> = z
  .strictObject({
    id: Uuid.optional(),
    dimension: z.enum(DIMENSION_IDS),
    value: Value.describe('In `unit`, kept to the tenth of a millimetre and to ten grams.'),
    unit: z.enum(UNITS).describe('The dimension’s own: kg for bodyMass, mm for all others.'),
    basis: z.enum(FILE_BASES).optional().describe('stated where it is left out'),
    spread: Value.optional().describe(
      'Standard deviation in `unit`; of a single reading where it is left out.',
    ),
    source: Text.optional().describe('The name of the file where it is left out.'),
    takenAt: TakenAt.optional().describe('An instant (UTC), or a day where only that is known.'),
    takenBy: Text.optional(),
    instrument: z.enum(INSTRUMENT_IDS).optional(),
    reason: Text.optional().describe('Why it stands although the others speak against it.'),
    session: Uuid.optional().describe('Id of one of the person’s sessions.'),
    takes: z.array(Value).min(1).max(MOST_TAKES).optional().describe('The single readings.'),
    withdrawnAt: Instant.optional().describe('When it ceased to hold; a reading without it holds.'),
  })
  .meta({ id: 'Reading', description: 'A reading of one dimension.' });

const FileSessionSchema: z.ZodType<FileSession> = z
  .strictObject({
    id: Uuid,
    date: LocalDate,
    startedAt: Instant,
    takenBy: Text.nullable(),
    shoesOn: z.boolean(),
    clothes: z.string().max(200),
    notes: z.string().max(2000),
  })
  .meta({ id: 'Session', description: 'A sitting in which somebody was measured.' });

const PERSON_FIELDS = {
  id: Uuid.optional(),
  name: Text,
  isNickname: z.boolean(),
  birthDate: LocalDate.nullable(),
  sex: z.enum(SEXES).nullable().describe('Whose tables of bodies hold.'),
  tableId: z.string().max(60).nullable().describe('A table of bodies; null for the usual one.'),
  consentOn: LocalDate.nullable(),
  consentBy: Text.nullable().describe('Who consented in the person’s place.'),
  sessions: z.array(FileSessionSchema).max(2000),
  readings: z.array(FileReadingSchema).max(20_000),
  // Told where everything about one person is exported; on import they are not.
  fittings: z.array(z.unknown()).optional().describe('Fittings: not taken in.'),
  seatsUsed: z.array(z.unknown()).optional().describe('Tagged seats: not taken in.'),
  felt: z.array(z.unknown()).optional().describe('What was felt at the seat: not taken in.'),
};
export const FilePersonSchema: z.ZodType<FilePerson> = z
  .strictObject(PERSON_FIELDS)
  .meta({ id: 'Person', description: 'Somebody and everything that was measured.' });

export const PeopleFileSchema = z.object({
  format: z.literal(PEOPLE_FORMAT),
  version: z.literal(PEOPLE_FORMAT_VERSION),
  exportedAt: Instant.optional(),
  people: z.array(FilePersonSchema).max(MOST_PEOPLE),
});
export type PeopleFile = z.infer<typeof PeopleFileSchema>;

/** The published JSON Schema (2020-12), made from the schema that files are checked with. */
export function peopleJsonSchema(): Record<string, unknown> {
  const schema = z.toJSONSchema(PeopleFileSchema, { io: 'input' });
  return {
    ...schema,
    title: 'People and their readings, as Velto takes them out and in',
    description: 'Lengths in mm, masses in kg, instants in UTC, dates as local dates (ISO 8601).',
  };
}

/** A value a dimension, where nothing is said of one that is not said of all. */
export interface PlainReadings extends Pick<FileReading, 'basis' | 'takenAt' | 'takenBy'> {
  readonly values: Readonly<Partial<Record<DimensionId, number>>>;
}
/** Somebody on the way to the server: readings stand in `plain` where all of them are plain, else in `readings`. */
export type PartPerson = FilePerson & { readonly plain?: PlainReadings | undefined };

function checkValues(values: unknown, ctx: z.RefinementCtx): void {
  const issue = (message: string, ...path: string[]) => ctx.addIssue({ code: 'custom', path, message });
  if (typeof values !== 'object' || values === null || Array.isArray(values)) return issue('schema.object');
  for (const [dimension, value] of Object.entries(values as Record<string, unknown>)) {
    if (!isDimensionId(dimension)) issue('schema.noDimension', dimension);
    else if (typeof value !== 'number' || !(value >= 0 && value <= HIGHEST))
      issue('schema.noMeasure', dimension);
  }
}

/** As a record of numbers by dimension, ten times as fast: there are a hundred thousand of them. */
const ValuesSchema = z
  .unknown()
  .superRefine(checkValues)
  .meta({
    type: 'object',
    propertyNames: { enum: DIMENSION_IDS },
    additionalProperties: { type: 'number', minimum: 0, maximum: HIGHEST },
  }) as unknown as z.ZodType<PlainReadings['values']>;

const PlainReadingsSchema: z.ZodType<PlainReadings> = z.strictObject({
  basis: z.enum(FILE_BASES).optional(),
  takenAt: TakenAt.optional(),
  takenBy: Text.optional(),
  values: ValuesSchema,
});

/** What says nothing is left out on the way. */
const PartPersonSchema: z.ZodType<PartPerson> = z
  .strictObject({
    ...PERSON_FIELDS,
    isNickname: PERSON_FIELDS.isNickname.default(false),
    birthDate: PERSON_FIELDS.birthDate.default(null),
    sex: PERSON_FIELDS.sex.default(null),
    tableId: PERSON_FIELDS.tableId.default(null),
    consentOn: PERSON_FIELDS.consentOn.default(null),
    consentBy: PERSON_FIELDS.consentBy.default(null),
    sessions: PERSON_FIELDS.sessions.default([]),
    readings: PERSON_FIELDS.readings.default([]),
    plain: PlainReadingsSchema.optional().describe('In place of `readings`, where all of them are plain.'),
  })
  .refine(({ plain, readings }) => !plain || readings.length === 0, {
    path: ['readings'],
    error: 'schema.readingsTwice',
  });

const PLAIN_FIELDS: ReadonlySet<string> = new Set<keyof FileReading>([
  'dimension',
  'value',
  'unit',
  'basis',
  'takenAt',
  'takenBy',
]);

/** The readings drawn together where they are plain; null where they are not. */
function plainOf(readings: readonly FileReading[]): PlainReadings | null {
  const [first] = readings;
  if (!first) return null;
  const { basis, takenAt, takenBy } = first;
  const values: Partial<Record<DimensionId, number>> = {};
  for (const reading of readings) {
    for (const field in reading)
      if (!PLAIN_FIELDS.has(field) && reading[field as keyof FileReading] !== undefined) return null;
    if (reading.unit !== DIMENSIONS[reading.dimension].unit) return null;
    if (reading.basis !== basis || reading.takenAt !== takenAt || reading.takenBy !== takenBy) return null;
    if (values[reading.dimension] !== undefined) return null;
    values[reading.dimension] = reading.value;
  }
  return { basis, takenAt, takenBy, values };
}

const saysNothing = (value: unknown): boolean =>
  value === null || value === false || (Array.isArray(value) && value.length === 0);

/** Somebody as sent: as little as says everything. */
export function partText(person: FilePerson): string {
  const plain = plainOf(person.readings);
  const sent: PartPerson = plain ? { ...person, readings: [], plain } : person;
  return JSON.stringify(Object.fromEntries(Object.entries(sent).filter(([, value]) => !saysNothing(value))));
}

/** One plain reading, drawn apart from the others. */
export const plainReading = (
  { basis, takenAt, takenBy }: PlainReadings,
  dimension: DimensionId,
  value: number,
): FileReading => ({ dimension, value, unit: DIMENSIONS[dimension].unit, basis, takenAt, takenBy });

/** The readings of somebody who was sent. */
export const readingsOf = ({ readings, plain }: PartPerson): readonly FileReading[] =>
  plain ? valuesOf(plain).map(([dimension, value]) => plainReading(plain, dimension, value)) : readings;

/** Checked: there are no other keys. */
export const valuesOf = ({ values }: PlainReadings): [DimensionId, number][] =>
  Object.entries(values) as [DimensionId, number][];

export const ImportPartSchema = z.object({
  /** Name of the file, as the source of what comes from it. */
  file: z.string().trim().min(1).max(120),
  number: z.int().min(0).max(MOST_PARTS),
  people: z.array(PartPersonSchema).min(1).max(PEOPLE_A_PART),
});
export type ImportPart = z.infer<typeof ImportPartSchema>;

const whole = (reason: PeopleFaultReason, value = ''): PeopleFault => ({ reason, row: 0, column: '', value });

/** What is at a path of something that was read. */
const UNREAD = { value: undefined };
function parsed(text: string): { readonly value: unknown } {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch {
    return UNREAD;
  }
}

const PEOPLE_A_SLICE = 20;

/** Told where everything about one person is exported, and not taken in. */
function withoutTold(given: FilePerson): FilePerson {
  const person: FilePerson & { fittings?: unknown; seatsUsed?: unknown; felt?: unknown } = { ...given };
  delete person.fittings;
  delete person.seatsUsed;
  delete person.felt;
  return person;
}

/**
 * Reads a JSON file of people, slice by slice: the last value has everything.
 * @param today local date: nothing lies after it
 */
export function* readPeopleJson(text: string, today: string): Generator<ReadingProgress, void, void> {
  const end = (fault: PeopleFault): ReadingProgress => ({
    done: 0,
    of: 0,
    read: { ...nothingRead(), faults: [fault] },
  });
  const file = parsed(text.replace(/^\uFEFF/, ''));
  if (file === UNREAD) return yield end(whole('notJson'));
  const { format, version, people } = (file.value ?? {}) as Partial<Record<string, unknown>>;
  if (format !== PEOPLE_FORMAT || !Array.isArray(people))
    return yield end(whole('otherFormat', shown(format ?? '')));
  if (version !== PEOPLE_FORMAT_VERSION) return yield end(whole('otherVersion', shown(version ?? '')));
  if (people.length === 0) return yield end(whole('empty'));
  if (people.length > MOST_PEOPLE) return yield end({ ...whole('tooManyRows'), limits: [0, MOST_PEOPLE] });
  const read = nothingRead();
  const twice = new Twice();
  let fittings = 0;
  for (const [i, given] of (people as unknown[]).entries()) {
    const row = i + 1;
    read.rows++;
    fittings += ((given as { fittings?: unknown[] } | null)?.fittings ?? []).length;
    const found = FilePersonSchema.safeParse(given);
    if (!found.success) {
      read.faults.push(
        ...found.error.issues.map((issue) => ({
          reason: schemaFaultOf(issue, given),
          row,
          column: issue.path.join('/'),
          value:
            issue.code === 'unrecognized_keys'
              ? issue.keys.map(shown).join(', ')
              : shown(valueAt(given, issue.path)),
        })),
      );
    } else {
      const person = withoutTold(found.data);
      const placed = ({ path, ...rest }: ReturnType<typeof personFaults>[number]): PeopleFault => ({
        ...rest,
        row,
        column: path,
      });
      const faults = personFaults(person, today).map(placed);
      if (twice.id(person)) faults.push({ reason: 'twice', row, column: 'id', value: person.id! });
      if (faults.length > 0) read.faults.push(...faults);
      else {
        read.doubts.push(...personDoubts(person).map(placed));
        if (twice.name(person))
          read.doubts.push({ reason: 'sameName', row, column: 'name', value: shown(person.name) });
        read.people.push({ row, person });
      }
    }
    if (i % PEOPLE_A_SLICE === 0) yield { done: i, of: people.length, read: null };
  }
  if (fittings > 0) read.ignored.push('fittings');
  yield { done: people.length, of: people.length, read };
}
