import { and, desc, eq, sql } from 'drizzle-orm';
import type { FitInputs, Settings } from '../core/fit';
import {
  InputsSchema,
  SettingsSchema,
  type Fitter,
  type FittingSummary,
  type NewFitting,
  type SettingSet,
} from '../contract';
import type { Queries } from './client';
import { measuredOf } from './sitters';
import {
  fitters,
  fittings,
  methodVersions,
  placeVersions,
  seatVersions,
  settingSets,
  sitters,
} from './schema';

const MOST_LISTED = 200;
/** Stored per kilogram: tens of grams. */
const STORED_PER_KG = 100;

export interface FittingRow {
  readonly id: string;
  readonly sitterId: string;
  readonly seatVersionId: string | null;
  readonly placeVersionId: string | null;
  readonly methodVersionId: string;
  readonly toolsKg: number;
  readonly state: 'open' | 'left';
  readonly version: number;
  readonly inputs: FitInputs | null;
}

const nameIn = (table: typeof seatVersions | typeof placeVersions | typeof methodVersions) =>
  sql<string>`json_extract(${table.document}, '$.name')`;

function selectSummaries(q: Queries) {
  return q
    .select({
      id: fittings.id,
      version: fittings.version,
      state: fittings.state,
      date: fittings.date,
      updatedAt: fittings.updatedAt,
      sitterId: sitters.id,
      sitterName: sitters.name,
      seatVersionId: fittings.seatVersionId,
      seatName: nameIn(seatVersions),
      placeVersionId: fittings.placeVersionId,
      placeName: nameIn(placeVersions),
      methodVersionId: fittings.methodVersionId,
      methodName: nameIn(methodVersions),
      fitterId: fitters.id,
      fitterName: fitters.name,
      measured: measuredOf,
    })
    .from(fittings)
    .innerJoin(sitters, eq(sitters.id, fittings.sitterId))
    .innerJoin(methodVersions, eq(methodVersions.id, fittings.methodVersionId))
    .leftJoin(seatVersions, eq(seatVersions.id, fittings.seatVersionId))
    .leftJoin(placeVersions, eq(placeVersions.id, fittings.placeVersionId))
    .leftJoin(fitters, eq(fitters.id, fittings.fitterId));
}

type SummaryRow = Awaited<ReturnType<typeof selectSummaries>>[number];

function summaryOf(row: SummaryRow): FittingSummary {
  return {
    id: row.id,
    version: row.version,
    state: row.state,
    date: row.date,
    updatedAt: row.updatedAt,
    sitter: { id: row.sitterId, name: row.sitterName },
    seat: row.seatVersionId ? { versionId: row.seatVersionId, name: row.seatName } : null,
    place: row.placeVersionId ? { versionId: row.placeVersionId, name: row.placeName } : null,
    method: { versionId: row.methodVersionId, name: row.methodName },
    fitter: row.fitterId && row.fitterName ? { id: row.fitterId, name: row.fitterName } : null,
    measured: row.measured,
  };
}

export async function listFittings(q: Queries, sitterId?: string): Promise<FittingSummary[]> {
  const rows = await selectSummaries(q)
    .where(sitterId ? eq(fittings.sitterId, sitterId) : undefined)
    .orderBy(desc(fittings.date), desc(fittings.updatedAt))
    .limit(MOST_LISTED);
  return rows.map(summaryOf);
}

export async function findFittingSummary(q: Queries, id: string): Promise<FittingSummary | null> {
  const [row] = await selectSummaries(q).where(eq(fittings.id, id));
  return row ? summaryOf(row) : null;
}

export async function findFitting(q: Queries, id: string): Promise<FittingRow | null> {
  const [row] = await q.select().from(fittings).where(eq(fittings.id, id));
  if (!row) return null;
  return {
    ...row,
    toolsKg: row.tools / STORED_PER_KG,
    inputs: row.inputs === null ? null : InputsSchema.parse(row.inputs),
  };
}

export async function openFittingsOf(q: Queries, sitterId: string): Promise<string[]> {
  const rows = await q
    .select({ id: fittings.id })
    .from(fittings)
    .where(and(eq(fittings.sitterId, sitterId), eq(fittings.state, 'open')));
  return rows.map((r) => r.id);
}

export async function insertFitting(
  q: Queries,
  fitting: NewFitting & { methodVersionId: string; date: string },
  at: string,
): Promise<void> {
  await q.insert(fittings).values({ ...fitting, createdAt: at, updatedAt: at });
}

export interface FittingChange {
  readonly seatVersionId?: string | null | undefined;
  readonly placeVersionId?: string | null | undefined;
  readonly methodVersionId?: string | undefined;
  readonly fitterId?: string | null | undefined;
  readonly toolsKg?: number | undefined;
  readonly state?: 'open' | 'left' | undefined;
  readonly date?: string | undefined;
  readonly inputs?: FitInputs | null | undefined;
}

export async function updateFitting(
  q: Queries,
  id: string,
  change: FittingChange,
  at: string,
): Promise<void> {
  const { toolsKg, ...rest } = change;
  const given = Object.fromEntries(Object.entries(rest).filter(([, v]) => v !== undefined));
  await q
    .update(fittings)
    .set({
      ...given,
      ...(toolsKg === undefined ? {} : { tools: Math.round(toolsKg * STORED_PER_KG) }),
      version: sql`${fittings.version} + 1`,
      updatedAt: at,
    })
    .where(eq(fittings.id, id));
}

const DRAFT = { stage: 'reached', version: 0 } as const;

export async function findDraft(q: Queries, fittingId: string): Promise<SettingSet | null> {
  const [row] = await q
    .select()
    .from(settingSets)
    .where(
      and(
        eq(settingSets.fittingId, fittingId),
        eq(settingSets.stage, DRAFT.stage),
        eq(settingSets.version, DRAFT.version),
      ),
    );
  return row
    ? {
        stage: row.stage,
        version: row.version,
        settings: SettingsSchema.parse(row.settings),
        savedAt: row.savedAt,
      }
    : null;
}

export async function saveDraft(
  q: Queries,
  id: string,
  fittingId: string,
  settings: Settings,
  at: string,
): Promise<void> {
  await q
    .insert(settingSets)
    .values({ id, fittingId, ...DRAFT, settings, savedAt: at })
    .onConflictDoUpdate({
      target: [settingSets.fittingId, settingSets.posture, settingSets.stage, settingSets.version],
      set: { settings, savedAt: at },
    });
}

export async function dropDraft(q: Queries, fittingId: string): Promise<void> {
  await q
    .delete(settingSets)
    .where(and(eq(settingSets.fittingId, fittingId), eq(settingSets.version, DRAFT.version)));
}

/** A version that is never changed again. */
export async function insertSettingVersion(
  q: Queries,
  id: string,
  fittingId: string,
  stage: 'computed' | 'left',
  settings: Settings,
  inputs: FitInputs,
  at: string,
): Promise<void> {
  const [newest] = await q
    .select({ version: sql<number>`coalesce(max(${settingSets.version}), 0)` })
    .from(settingSets)
    .where(and(eq(settingSets.fittingId, fittingId), eq(settingSets.stage, stage)));
  await q
    .insert(settingSets)
    .values({ id, fittingId, stage, version: (newest?.version ?? 0) + 1, settings, inputs, savedAt: at });
}

export async function listFitters(q: Queries): Promise<Fitter[]> {
  return q.select({ id: fitters.id, name: fitters.name }).from(fitters).orderBy(fitters.name);
}

export async function insertFitter(q: Queries, fitter: Fitter, at: string): Promise<void> {
  await q
    .insert(fitters)
    .values({ ...fitter, createdAt: at })
    .onConflictDoNothing();
}
