/** Many people at once, out of the records and into them. */
import { and, asc, eq, gt, inArray, isNull, sql } from 'drizzle-orm';
import { isDimensionId } from '../core/body';
import type { CsvPerson, FilePerson, FileReading } from '../core/exchange';
import { INSTRUMENT_IDS } from '../core/measuring';
import type { Queries } from './client';
import { measuringSessions, readings, sitters } from './schema';
import { storedPer } from './sitters';

type SitterRow = typeof sitters.$inferSelect;
type ReadingRow = typeof readings.$inferSelect;
type SessionRow = Omit<typeof measuringSessions.$inferSelect, 'version'>;

/** People in the order of their ids, after one of them; those deleted are not among them. */
const pageOf = (q: Queries, after: string, count: number): Promise<SitterRow[]> =>
  q
    .select()
    .from(sitters)
    .where(and(gt(sitters.id, after), isNull(sitters.deletedAt)))
    .orderBy(asc(sitters.id))
    .limit(count);

function byPerson<T extends { readonly sitterId: string }>(rows: readonly T[]): Map<string, T[]> {
  const found = new Map<string, T[]>();
  for (const row of rows) {
    const of = found.get(row.sitterId);
    if (of) of.push(row);
    else found.set(row.sitterId, [row]);
  }
  return found;
}

function fileReading(row: ReadingRow): FileReading[] {
  if (!isDimensionId(row.dimension) || row.basis === 'estimated') return [];
  const per = storedPer(row.dimension);
  const instrument = INSTRUMENT_IDS.find((id) => id === row.instrument);
  return [
    {
      id: row.id,
      dimension: row.dimension,
      value: row.value / per,
      unit: row.dimension === 'bodyMass' ? 'kg' : 'mm',
      basis: row.basis,
      spread: row.spread / per,
      source: row.source,
      takenAt: row.takenAt,
      ...(row.takenBy === null ? {} : { takenBy: row.takenBy }),
      ...(instrument === undefined ? {} : { instrument }),
      ...(row.reason === null ? {} : { reason: row.reason }),
      ...(row.sessionId === null ? {} : { session: row.sessionId }),
      ...(row.takes === null ? {} : { takes: row.takes.map((take) => take / per) }),
      ...(row.withdrawnAt === null ? {} : { withdrawnAt: row.withdrawnAt }),
    },
  ];
}

const filePerson = (
  row: SitterRow,
  sessions: readonly SessionRow[],
  taken: readonly ReadingRow[],
): FilePerson & { readonly id: string } => ({
  id: row.id,
  name: row.name,
  isNickname: row.isNickname,
  birthDate: row.birthDate,
  sex: row.sex,
  tableId: row.tableId,
  consentOn: row.consentOn,
  consentBy: row.consentBy,
  sessions: sessions.map(({ id, date, startedAt, takenBy, shoesOn, clothes, notes }) => ({
    id,
    date,
    startedAt,
    takenBy,
    shoesOn,
    clothes,
    notes,
  })),
  readings: taken.flatMap(fileReading),
});

async function filePeople(q: Queries, people: readonly SitterRow[]) {
  const ids = people.map((p) => p.id);
  const [sessions, taken] = await Promise.all([
    q
      .select()
      .from(measuringSessions)
      .where(inArray(measuringSessions.sitterId, ids))
      .orderBy(asc(measuringSessions.startedAt), asc(measuringSessions.id)),
    q
      .select()
      .from(readings)
      .where(inArray(readings.sitterId, ids))
      .orderBy(asc(readings.takenAt), asc(readings.id)),
  ]);
  const [sessionsOf, takenOf] = [byPerson(sessions), byPerson(taken)];
  return people.map((row) => filePerson(row, sessionsOf.get(row.id) ?? [], takenOf.get(row.id) ?? []));
}

/** One person with everything that was measured; null where there is no such person. */
export async function onePerson(q: Queries, id: string): Promise<FilePerson | null> {
  const rows = await q
    .select()
    .from(sitters)
    .where(and(eq(sitters.id, id), isNull(sitters.deletedAt)));
  return (await filePeople(q, rows))[0] ?? null;
}

/** A page of people with everything that was measured of each. */
export const peoplePage = async (q: Queries, after: string, count: number) =>
  filePeople(q, await pageOf(q, after, count));

/** A page of people with the readings that hold. */
export async function csvPage(
  q: Queries,
  after: string,
  count: number,
  dateOf: (instant: string) => string,
): Promise<CsvPerson[]> {
  const people = await pageOf(q, after, count);
  const rows = await q
    .select({
      sitterId: readings.sitterId,
      dimension: readings.dimension,
      value: readings.value,
      basis: readings.basis,
      takenAt: readings.takenAt,
      takenBy: readings.takenBy,
    })
    .from(readings)
    .where(
      and(
        inArray(
          readings.sitterId,
          people.map((p) => p.id),
        ),
        isNull(readings.withdrawnAt),
      ),
    )
    .orderBy(asc(readings.takenAt), asc(readings.id));
  const rowsOf = byPerson(rows);
  return people.map(({ id, name, isNickname, birthDate, sex, consentOn, consentBy }) => {
    const own = rowsOf.get(id) ?? [];
    const measured = own.filter((r) => r.basis === 'measured');
    const newest = measured.at(-1);
    return {
      id,
      name,
      isNickname,
      birthDate,
      sex,
      consentOn,
      consentBy,
      measuredOn: newest ? dateOf(newest.takenAt) : null,
      measuredBy: newest?.takenBy ?? null,
      values: Object.fromEntries(
        own.flatMap(({ dimension, value }) =>
          isDimensionId(dimension) ? [[dimension, value / storedPer(dimension)]] : [],
        ),
      ),
    };
  });
}

/** Somebody who is in the records, deleted and not yet erased ones included. */
export type Known = Pick<SitterRow, 'id' | 'folded' | 'birthDate' | 'deletedAt' | 'importId'>;

const listed = (values: readonly string[]) => sql`(select value from json_each(${JSON.stringify(values)}))`;

/** Who is here by one of these ids or folded names. */
export async function knownBy(
  q: Queries,
  ids: readonly string[],
  folded: readonly string[],
): Promise<Known[]> {
  const columns = {
    id: sitters.id,
    folded: sitters.folded,
    birthDate: sitters.birthDate,
    deletedAt: sitters.deletedAt,
    importId: sitters.importId,
  };
  return q
    .select(columns)
    .from(sitters)
    .where(sql`${sitters.id} in ${listed(ids)} or ${sitters.folded} in ${listed(folded)}`);
}

/** The readings that hold of some people, by person and dimension: id, stored value and instant. */
export async function holdingOf(q: Queries, ids: readonly string[]) {
  return q
    .select({
      id: readings.id,
      sitterId: readings.sitterId,
      dimension: readings.dimension,
      value: readings.value,
      takenAt: readings.takenAt,
    })
    .from(readings)
    .where(and(sql`${readings.sitterId} in ${listed(ids)}`, isNull(readings.withdrawnAt)));
}

export interface Used {
  readonly readings: Set<string>;
  /** Whose session it is, by its id. */
  readonly sessions: Map<string, string>;
}

/** Which ids of readings and sessions are in use. */
export async function usedIds(
  q: Queries,
  readingIds: readonly string[],
  sessionIds: readonly string[],
): Promise<Used> {
  const [taken, sessions] = await Promise.all([
    readingIds.length === 0
      ? []
      : q
          .select({ id: readings.id })
          .from(readings)
          .where(sql`${readings.id} in ${listed(readingIds)}`),
    sessionIds.length === 0
      ? []
      : q
          .select({ id: measuringSessions.id, sitterId: measuringSessions.sitterId })
          .from(measuringSessions)
          .where(sql`${measuringSessions.id} in ${listed(sessionIds)}`),
  ]);
  return {
    readings: new Set(taken.map((r) => r.id)),
    sessions: new Map(sessions.map((s) => [s.id, s.sitterId])),
  };
}

export type NewPersonRow = Omit<SitterRow, 'version' | 'deletedAt' | 'createdAt' | 'updatedAt'>;

/** Readings of a new person of which nothing is said that is not said of all of that person's. */
export interface PlainRow extends Pick<ReadingRow, 'sitterId' | 'basis' | 'takenAt' | 'takenBy'> {
  /** By dimension, in the stored unit. */
  readonly values: Readonly<Record<string, Pick<ReadingRow, 'value' | 'spread'>>>;
}

/** What is written in one go. */
export interface Written {
  readonly people: readonly NewPersonRow[];
  readonly sessions: readonly SessionRow[];
  readonly plain: readonly PlainRow[];
  readonly readings: readonly ReadingRow[];
  /** Ids of readings that cease to hold. */
  readonly withdrawn: readonly string[];
  /** What is added to people who were here: gaps are filled, nothing is written over. */
  readonly filled: readonly Pick<SitterRow, 'id' | 'birthDate' | 'sex' | 'consentOn' | 'consentBy'>[];
}

/** What holds of all that is written in one go. */
export interface WrittenWith {
  readonly at: string;
  /** Of plain readings. */
  readonly source: string;
  /** Of plain readings: the others get the ids that follow. */
  readonly firstId: string;
}

/** How many plain readings a person can have, and what a spread stays below. */
const PLACES = 2 ** 6;
const SPREADS = 2 ** 14;

/** One whole number a reading: value, spread and place among the person's; picking values out of lists costs the most. */
function packed(values: PlainRow['values']): Record<string, number> {
  return Object.fromEntries(
    Object.entries(values).map(([dimension, { value, spread }], place) => {
      if (place >= PLACES || spread >= SPREADS) throw new RangeError(`${dimension} is not plain`);
      return [dimension, (value * SPREADS + spread) * PLACES + place];
    }),
  );
}

const ID_DIGITS = 12;

async function insertPlain(
  q: Queries,
  rows: readonly PlainRow[],
  { source, firstId }: WrittenWith,
): Promise<void> {
  if (rows.length === 0) return;
  const people = JSON.stringify(
    rows.map(({ sitterId, basis, takenAt, takenBy, values }) => [
      sitterId,
      basis,
      takenAt,
      takenBy,
      packed(values),
    ]),
  );
  // Counted on from an id that is random: an id by itself for each reading takes as long as all the rest.
  const start = Number.parseInt(firstId.slice(-ID_DIGITS), 16);
  // Whole numbers as they stand: bound, they would be taken for broken ones, and divided as such.
  const whole = (value: number) => sql.raw(String(value));
  await q.run(sql`
    with people as materialized (
      select key as person, value->>0 as sitter, value->>1 as basis, value->>2 as taken_at, value->>3 as taken_by,
        value->4 as taken
      from json_each(${people})
    )
    insert into readings (id, sitter_id, dimension, value, basis, spread, source, taken_at, taken_by)
    select ${firstId.slice(0, -ID_DIGITS)} || printf('%012x', (${whole(start)} + person * ${whole(PLACES)} + r.value % ${whole(PLACES)}) & 0xffffffffffff),
      sitter, r.key, r.value / ${whole(PLACES * SPREADS)}, basis, r.value / ${whole(PLACES)} % ${whole(SPREADS)}, ${source}, taken_at, taken_by
    from people, json_each(taken) r`);
}

async function insertReadings(q: Queries, rows: readonly ReadingRow[]): Promise<void> {
  if (rows.length === 0) return;
  await q.run(sql`
    insert into readings (id, sitter_id, dimension, value, basis, spread, source, taken_at, taken_by, reason, session_id,
      takes, instrument, withdrawn_at)
    select value->>'id', value->>'sitterId', value->>'dimension', value->>'value', value->>'basis', value->>'spread',
      value->>'source', value->>'takenAt', value->>'takenBy', value->>'reason', value->>'sessionId', value->>'takes',
      value->>'instrument', value->>'withdrawnAt'
    from json_each(${JSON.stringify(rows)})`);
}

/** Writes all of it, a statement a table: a statement a row would take ten times as long. */
export async function writeMany(q: Queries, written: Written, given: WrittenWith): Promise<void> {
  const { people, sessions, plain, readings: taken, withdrawn, filled } = written;
  const { at } = given;
  if (people.length > 0)
    await q.run(sql`
      insert into sitters (id, name, folded, is_nickname, consent_on, consent_by, birth_date, sex, table_id, import_id, version, created_at, updated_at)
      select value->>'id', value->>'name', value->>'folded', value->>'isNickname', value->>'consentOn', value->>'consentBy',
        value->>'birthDate', value->>'sex', value->>'tableId', value->>'importId', 1, ${at}, ${at}
      from json_each(${JSON.stringify(people)})`);
  if (sessions.length > 0)
    await q.run(sql`
      insert into measuring_sessions (id, sitter_id, date, taken_by, shoes_on, clothes, notes, started_at)
      select value->>'id', value->>'sitterId', value->>'date', value->>'takenBy', value->>'shoesOn', value->>'clothes',
        value->>'notes', value->>'startedAt'
      from json_each(${JSON.stringify(sessions)})`);
  if (withdrawn.length > 0)
    await q.run(sql`update readings set withdrawn_at = ${at} where id in ${listed(withdrawn)}`);
  await insertPlain(q, plain, given);
  await insertReadings(q, taken);
  if (filled.length > 0)
    await q.run(sql`
      update sitters set version = version + 1, updated_at = ${at},
        birth_date = coalesce(birth_date, value->>'birthDate'), sex = coalesce(sex, value->>'sex'),
        consent_by = iif(consent_on is null, value->>'consentBy', consent_by),
        consent_on = coalesce(consent_on, value->>'consentOn')
      from json_each(${JSON.stringify(filled)}) where sitters.id = value->>'id'`);
}
