/** Sessions of measuring, and the readings that belong to each. */
import { and, desc, eq, gte, isNotNull, isNull, sql } from 'drizzle-orm';
import { isDimensionId, type DimensionId } from '../core/body';
import { INSTRUMENTS, INSTRUMENT_IDS } from '../core/measuring';
import type { Pair } from '../core/population';
import type { MeasuringSession, MeasuringSessionEdit, Taken } from '../contract';
import type { Queries } from './client';
import { measuringSessions, readings } from './schema';
import { storedPer } from './sitters';

export interface SessionRow extends MeasuringSessionEdit {
  readonly sitterId: string;
  readonly date: string;
  readonly takenBy: string | null;
  readonly startedAt: string;
}

export async function findSession(
  q: Queries,
  id: string,
): Promise<(SessionRow & { readonly version: number }) | null> {
  const [row] = await q.select().from(measuringSessions).where(eq(measuringSessions.id, id));
  return row ?? null;
}

export async function insertSession(q: Queries, session: SessionRow): Promise<void> {
  await q.insert(measuringSessions).values(session);
}

export async function updateSession(
  q: Queries,
  { id, shoesOn, clothes, notes }: MeasuringSessionEdit,
): Promise<void> {
  await q
    .update(measuringSessions)
    .set({ shoesOn, clothes, notes, version: sql`${measuringSessions.version} + 1` })
    .where(eq(measuringSessions.id, id));
}

/** Whether the reading that holds was taken by anybody else since a session began. */
export async function isTakenBesides(
  q: Queries,
  sitterId: string,
  dimension: DimensionId,
  session: Pick<SessionRow, 'id' | 'startedAt'>,
): Promise<boolean> {
  const [row] = await q
    .select({ sessionId: readings.sessionId, takenAt: readings.takenAt })
    .from(readings)
    .where(
      and(eq(readings.sitterId, sitterId), eq(readings.dimension, dimension), isNull(readings.withdrawnAt)),
    );
  return row !== undefined && row.sessionId !== session.id && row.takenAt > session.startedAt;
}

/** What a session has taken of a dimension goes, as if it had not been taken. */
export async function dropTaken(q: Queries, sessionId: string, dimension: DimensionId): Promise<void> {
  await q
    .delete(readings)
    .where(
      and(eq(readings.sessionId, sessionId), eq(readings.dimension, dimension), isNull(readings.withdrawnAt)),
    );
}

/** Lets the reading hold again that was withdrawn last, if that was since an instant. */
export async function holdAgain(
  q: Queries,
  sitterId: string,
  dimension: DimensionId,
  since: string,
): Promise<void> {
  const [last] = await q
    .select({ id: readings.id })
    .from(readings)
    .where(
      and(
        eq(readings.sitterId, sitterId),
        eq(readings.dimension, dimension),
        gte(readings.withdrawnAt, since),
      ),
    )
    .orderBy(desc(readings.withdrawnAt), desc(readings.takenAt))
    .limit(1);
  if (last) await q.update(readings).set({ withdrawnAt: null }).where(eq(readings.id, last.id));
}

type ReadingRow = typeof readings.$inferSelect;

function takenOf(row: ReadingRow): Taken | null {
  if (!isDimensionId(row.dimension)) return null;
  const per = storedPer(row.dimension);
  return {
    dimension: row.dimension,
    value: row.value / per,
    spread: row.spread / per,
    takes: row.takes && row.takes.map((take) => take / per),
    instrument: INSTRUMENT_IDS.find((id) => id === row.instrument) ?? null,
    takenAt: row.takenAt,
    isCurrent: row.withdrawnAt === null,
  };
}

/** Every session of a sitter, newest first; readings taken outside of any come as one session a day and taker. */
export async function sessionsOf(
  q: Queries,
  sitterId: string,
  dateOf: (instant: string) => string,
): Promise<MeasuringSession[]> {
  const [sessions, rows] = await Promise.all([
    q.select().from(measuringSessions).where(eq(measuringSessions.sitterId, sitterId)),
    q.select().from(readings).where(eq(readings.sitterId, sitterId)).orderBy(readings.takenAt),
  ]);
  const found = new Map<
    string,
    { readonly session: MeasuringSession; readonly taken: Taken[]; at: string }
  >();
  const begin = (key: string, at: string, session: Omit<MeasuringSession, 'taken'>) => {
    const taken: Taken[] = [];
    const begun = { session: { ...session, taken }, taken, at };
    found.set(key, begun);
    return begun;
  };
  for (const { id, date, takenBy, shoesOn, clothes, notes, version, startedAt } of sessions)
    begin(id, startedAt, { id, date, takenBy, shoesOn, clothes, notes, version });
  for (const row of rows) {
    const taken = takenOf(row);
    if (!taken) continue;
    const date = dateOf(row.takenAt);
    const key = row.sessionId ?? JSON.stringify([date, row.takenBy]);
    const apart = {
      id: null,
      date,
      takenBy: row.takenBy,
      shoesOn: false,
      clothes: '',
      notes: '',
      version: null,
    };
    (found.get(key) ?? begin(key, row.takenAt, apart)).taken.push(taken);
  }
  return [...found.values()].sort((a, b) => (a.at < b.at ? 1 : -1)).map(({ session }) => session);
}

/**
 * First and second readings that somebody took by hand or with a real device.
 * @param of whose, of which dimension; absent: everybody's of all
 */
export async function pairsTaken(
  q: Queries,
  of?: { readonly fitter: string; readonly dimension: DimensionId },
): Promise<Pair[]> {
  const rows = await q
    .select({
      takenBy: readings.takenBy,
      dimension: readings.dimension,
      takes: readings.takes,
      instrument: readings.instrument,
    })
    .from(readings)
    .where(
      and(
        isNotNull(readings.takes),
        isNotNull(readings.takenBy),
        ...(of ? [eq(readings.takenBy, of.fitter), eq(readings.dimension, of.dimension)] : []),
      ),
    );
  return rows.flatMap(({ takenBy, dimension, takes, instrument }): Pair[] => {
    const [first, second] = takes ?? [];
    const id = INSTRUMENT_IDS.find((known) => known === instrument);
    const isReal = id === undefined || !INSTRUMENTS[id].isSimulated;
    if (!isReal || takenBy === null || !isDimensionId(dimension)) return [];
    if (first === undefined || second === undefined) return [];
    const per = storedPer(dimension);
    return [{ fitter: takenBy, dimension, readings: [first / per, second / per] }];
  });
}
