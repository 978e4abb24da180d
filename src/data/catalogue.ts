/** Versions of seats, places and methods: each an immutable document, read back through its schema. */
import { desc, eq, or, sql } from 'drizzle-orm';
import { SHIPPED_METHODS, upgradeMethod, type Method } from '../core/method';
import { upgradePlace, type Place } from '../core/place';
import { seatDoubts, upgradeSeat, type SeatModel } from '../core/seat';
import {
  MethodSchema,
  PlaceSchema,
  SeatSchema,
  type MethodSummary,
  type PlaceSummary,
  type SeatSummary,
} from '../contract';
import type { Queries } from './client';
import { foldedMethodVersions, methodVersions, placeVersions, seatVersions } from './schema';

const newestSeat = sql`${seatVersions.number} = (select max(v.number) from seat_versions v where v.seat_id = ${seatVersions.seatId})`;
const newestPlace = sql`${placeVersions.number} = (select max(v.number) from place_versions v where v.place_id = ${placeVersions.placeId})`;
const newestMethod = sql`${methodVersions.number} = (select max(v.number) from method_versions v where v.method_id = ${methodVersions.methodId})`;

const byName =
  <T>(name: (t: T) => string) =>
  (a: T, b: T) =>
    name(a).localeCompare(name(b), 'en');

export async function listSeats(q: Queries): Promise<SeatSummary[]> {
  const rows = await q.select().from(seatVersions).where(newestSeat);
  return rows.map(seatSummary).sort(byName((s) => s.seat.name));
}

const seatSummary = (row: typeof seatVersions.$inferSelect): SeatSummary => ({
  versionId: row.id,
  version: row.number,
  seat: SeatSchema.parse(upgradeSeat(row.document)),
});

/** Returns a seat by its own id (its newest version) or by the id of one of its versions. */
export async function findSeat(q: Queries, id: string): Promise<SeatSummary | null> {
  const [row] = await q
    .select()
    .from(seatVersions)
    .where(or(eq(seatVersions.id, id), eq(seatVersions.seatId, id)))
    .orderBy(desc(seatVersions.number))
    .limit(1);
  return row ? seatSummary(row) : null;
}

export async function newestSeatOf(q: Queries, seatId: string): Promise<SeatSummary | null> {
  const [row] = await q
    .select()
    .from(seatVersions)
    .where(eq(seatVersions.seatId, seatId))
    .orderBy(desc(seatVersions.number))
    .limit(1);
  return row ? seatSummary(row) : null;
}

export async function findSeatVersion(q: Queries, versionId: string): Promise<SeatModel | null> {
  const [row] = await q.select().from(seatVersions).where(eq(seatVersions.id, versionId));
  return row ? SeatSchema.parse(upgradeSeat(row.document)) : null;
}

/** A seat that could not be computed with is a fault of the program that made it: forms check before. */
export async function insertSeatVersion(
  q: Queries,
  versionId: string,
  number: number,
  seat: SeatModel,
  at: string,
): Promise<void> {
  const [doubt] = seatDoubts(seat);
  if (doubt) throw new Error(`seat ${seat.name}: ${doubt.reason} at ${doubt.field}`);
  await q
    .insert(seatVersions)
    .values({ id: versionId, seatId: seat.id, number, document: seat, createdAt: at });
}

const placeSummary = (row: typeof placeVersions.$inferSelect): PlaceSummary => ({
  versionId: row.id,
  version: row.number,
  place: PlaceSchema.parse(upgradePlace(row.document)),
});

export async function listPlaces(q: Queries): Promise<PlaceSummary[]> {
  const rows = await q.select().from(placeVersions).where(newestPlace);
  return rows.map(placeSummary).sort(byName((p) => p.place.name));
}

/** Returns a place by its own id (its newest version) or by the id of one of its versions. */
export async function findPlace(q: Queries, id: string): Promise<PlaceSummary | null> {
  const [row] = await q
    .select()
    .from(placeVersions)
    .where(or(eq(placeVersions.id, id), eq(placeVersions.placeId, id)))
    .orderBy(desc(placeVersions.number))
    .limit(1);
  return row ? placeSummary(row) : null;
}

export async function findPlaceVersion(q: Queries, versionId: string): Promise<Place | null> {
  const [row] = await q.select().from(placeVersions).where(eq(placeVersions.id, versionId));
  return row ? PlaceSchema.parse(upgradePlace(row.document)) : null;
}

export async function newestPlaceOf(q: Queries, placeId: string): Promise<PlaceSummary | null> {
  const [row] = await q
    .select()
    .from(placeVersions)
    .where(eq(placeVersions.placeId, placeId))
    .orderBy(desc(placeVersions.number))
    .limit(1);
  return row ? placeSummary(row) : null;
}

export async function insertPlaceVersion(
  q: Queries,
  versionId: string,
  number: number,
  place: Place,
  at: string,
): Promise<void> {
  await q
    .insert(placeVersions)
    .values({ id: versionId, placeId: place.id, number, document: place, createdAt: at });
}

type MethodRow = typeof methodVersions.$inferSelect;
const SHIPPED_IDS: readonly string[] = SHIPPED_METHODS.map((m) => m.id);

const methodSummary = (row: MethodRow): MethodSummary => ({
  versionId: row.id,
  version: row.number,
  isOwn: !SHIPPED_IDS.includes(row.methodId),
  savedAt: row.createdAt,
  method: MethodSchema.parse(upgradeMethod(row.document)),
});

/** Every version of a method, the newest first; empty where there is none. */
export async function methodHistory(q: Queries, methodId: string): Promise<MethodSummary[]> {
  const rows = await q
    .select()
    .from(methodVersions)
    .where(eq(methodVersions.methodId, methodId))
    .orderBy(desc(methodVersions.number));
  return rows.map(methodSummary);
}

export async function listMethods(q: Queries): Promise<MethodSummary[]> {
  const rows = await q.select().from(methodVersions).where(newestMethod);
  return rows.map(methodSummary).sort(byName((m) => m.method.name));
}

/** The version itself, or the one that it was folded into. */
async function methodRow(q: Queries, versionId: string): Promise<MethodRow | null> {
  const [row] = await q
    .select({ found: methodVersions })
    .from(methodVersions)
    .leftJoin(foldedMethodVersions, eq(foldedMethodVersions.intoId, methodVersions.id))
    .where(or(eq(methodVersions.id, versionId), eq(foldedMethodVersions.id, versionId)))
    .limit(1);
  return row?.found ?? null;
}

export async function findMethodVersion(q: Queries, versionId: string): Promise<Method | null> {
  const row = await methodRow(q, versionId);
  return row && MethodSchema.parse(upgradeMethod(row.document));
}

/** Returns a method by its own id (its newest version) or by the id of one of its versions. */
export async function findMethod(q: Queries, id: string): Promise<MethodSummary | null> {
  const newest = await newestMethodOf(q, id);
  if (newest) return newest;
  const row = await methodRow(q, id);
  return row && methodSummary(row);
}

export async function newestMethodOf(q: Queries, methodId: string): Promise<MethodSummary | null> {
  const [row] = await q
    .select()
    .from(methodVersions)
    .where(eq(methodVersions.methodId, methodId))
    .orderBy(desc(methodVersions.number))
    .limit(1);
  return row ? methodSummary(row) : null;
}

export async function insertMethodVersion(
  q: Queries,
  versionId: string,
  number: number,
  method: Method,
  at: string,
): Promise<void> {
  await q
    .insert(methodVersions)
    .values({ id: versionId, methodId: method.id, number, document: method, createdAt: at });
}
