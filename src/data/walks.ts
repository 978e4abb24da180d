/** Walks at the seat with their answers, and what sitters have felt. */
import { and, asc, count, desc, eq } from 'drizzle-orm';
import { isDimensionId, type DimensionId } from '../core/body';
import { upgradeInputs, upgradeSettings } from '../core/document/upgrade';
import type { FitInputs, Settings } from '../core/fit';
import type { FeltMeasure } from '../core/walk';
import { PostureSetSchema, type PostureSet } from '../contract';
import { InputsSchema, SettingsSchema } from '../contract/records';
import type { GivenWalkEvent, WalkRecord } from '../contract/walks';
import type { Queries } from './client';
import { settingSets } from './schema';
import { feltMeasures, walkEvents, walks } from './schema-walks';
import { storedPer } from './sitters';

export interface NewWalkRow {
  readonly id: string;
  readonly fittingId: string;
  readonly inputs: FitInputs;
  readonly base: Settings;
  readonly postures: readonly PostureSet[];
  readonly startedAt: string;
  readonly startedBy: string | null;
}

export async function insertWalk(q: Queries, walk: NewWalkRow): Promise<void> {
  await q.insert(walks).values({ ...walk, postures: [...walk.postures] });
}

/** Whose a walk is; null where there is none of this id. */
export async function fittingOfWalk(q: Queries, id: string): Promise<string | null> {
  const [row] = await q.select({ fittingId: walks.fittingId }).from(walks).where(eq(walks.id, id));
  return row?.fittingId ?? null;
}

/** Of a fitting the newest walk, with its answers in the order in which they count; null where none was begun. */
export async function findWalk(q: Queries, fittingId: string): Promise<WalkRecord | null> {
  const [row] = await q
    .select()
    .from(walks)
    .where(eq(walks.fittingId, fittingId))
    .orderBy(desc(walks.startedAt), desc(walks.id))
    .limit(1);
  if (!row) return null;
  return {
    id: row.id,
    inputs: InputsSchema.parse(upgradeInputs(row.inputs)),
    base: SettingsSchema.parse(upgradeSettings(row.base)),
    postures: PostureSetSchema.array().parse(row.postures),
    startedAt: row.startedAt,
    startedBy: row.startedBy,
    events: await listWalkEvents(q, row.id),
  };
}

/** By when they were given, as the devices say; at the same instant by id, which every device sorts in the same order. */
export async function listWalkEvents(q: Queries, walkId: string): Promise<GivenWalkEvent[]> {
  const rows = await q
    .select()
    .from(walkEvents)
    .where(eq(walkEvents.walkId, walkId))
    .orderBy(asc(walkEvents.at), asc(walkEvents.id));
  return rows.map(({ id, step, answer, position, feel, reason, note, at, by, device }) => ({
    id,
    step,
    answer,
    ...(position !== null && { position }),
    ...(feel !== null && { feel }),
    ...(reason !== null && { reason }),
    ...(note !== null && { note }),
    at,
    ...(device !== null && { device }),
    by,
  }));
}

export async function countWalkEvents(q: Queries, walkId: string): Promise<number> {
  const [row] = await q.select({ n: count() }).from(walkEvents).where(eq(walkEvents.walkId, walkId));
  return row?.n ?? 0;
}

/** Adds answers; those that are known already stay as they were. */
export async function insertWalkEvents(
  q: Queries,
  walkId: string,
  events: readonly GivenWalkEvent[],
): Promise<void> {
  await q
    .insert(walkEvents)
    .values(events.map((event) => ({ ...event, walkId })))
    .onConflictDoNothing();
}

/** What a walk was when it was signed off. */
export interface SignedWalk {
  readonly id: string;
  readonly base: Settings;
  readonly events: readonly GivenWalkEvent[];
}

export interface SignedVersion {
  readonly version: number;
  readonly savedAt: string;
  readonly by: string | null;
  readonly settings: Settings;
  readonly inputs: FitInputs | null;
  readonly walk: SignedWalk | null;
  /** Further postures as they were then; null where that was not kept. */
  readonly postures: readonly PostureSet[] | null;
}

/** The newest version of a fitting that was signed off; null where none was. */
export async function findSigned(q: Queries, fittingId: string): Promise<SignedVersion | null> {
  const [row] = await q
    .select()
    .from(settingSets)
    .where(and(eq(settingSets.fittingId, fittingId), eq(settingSets.stage, 'left')))
    .orderBy(desc(settingSets.version))
    .limit(1);
  if (!row) return null;
  return {
    version: row.version,
    savedAt: row.savedAt,
    by: row.savedBy,
    settings: SettingsSchema.parse(upgradeSettings(row.settings)),
    inputs: row.inputs === null ? null : InputsSchema.parse(upgradeInputs(row.inputs)),
    // Written by signing off only.
    walk: row.walk as SignedWalk | null,
    postures: row.postures === null ? null : PostureSetSchema.array().parse(row.postures),
  };
}

/** A measure as it was felt, with where and when. */
export interface FeltRow extends FeltMeasure {
  readonly fittingId: string | null;
  readonly takenAt: string;
  readonly takenBy: string | null;
}

export async function insertFelt(
  q: Queries,
  sitterId: string,
  rows: readonly (FeltRow & { readonly id: string })[],
): Promise<void> {
  if (rows.length === 0) return;
  await q.insert(feltMeasures).values(
    rows.map(({ dimension, value, spread, ...row }) => ({
      ...row,
      sitterId,
      dimension,
      value: Math.round(value * storedPer(dimension)),
      spread: Math.round(spread * storedPer(dimension)),
    })),
  );
}

/** Of each dimension what was felt last. */
export async function feltOf(q: Queries, sitterId: string): Promise<FeltRow[]> {
  const rows = await q
    .select()
    .from(feltMeasures)
    .where(eq(feltMeasures.sitterId, sitterId))
    .orderBy(asc(feltMeasures.takenAt), asc(feltMeasures.id));
  const newest = new Map<DimensionId, FeltRow>();
  for (const { dimension, value, spread, fittingId, takenAt, takenBy } of rows) {
    if (!isDimensionId(dimension)) continue;
    const per = storedPer(dimension);
    const felt = { dimension, value: value / per, spread: spread / per, fittingId, takenAt, takenBy };
    newest.set(dimension, felt);
  }
  return [...newest.values()];
}
