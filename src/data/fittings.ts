import { upgradeInputs, upgradeSettings } from '../core/document/upgrade';
import { and, asc, count, desc, eq, isNotNull, isNull, or, sql } from 'drizzle-orm';
import { type FitInputs, type Settings, type Work, type WorkFlag } from '../core/fit';
import type { AdjustmentKind } from '../core/seat';
import {
  InputsSchema,
  PostureSetSchema,
  SettingsSchema,
  type FittingSummary,
  type NewFitting,
  type PostureSet,
  type SettingSet,
} from '../contract';
import type { Page, PageRequest } from '../contract/paging';
import { isKeyUsed, keepIfChanged, type FirstAnswer } from './answers';
import type { Database, Queries } from './client';
import { measuredOf } from './sitters';
import {
  fitters,
  fittings,
  methodVersions,
  pieces,
  placeVersions,
  seatVersions,
  settingSets,
  sitters,
} from './schema';

/** Stored per kilogram: tens of grams. */
const STORED_PER_KG = 100;

export interface FittingRow extends Work {
  readonly id: string;
  /** null once the sitter has been erased. */
  readonly sitterId: string | null;
  readonly fitterId: string | null;
  readonly seatVersionId: string | null;
  readonly placeVersionId: string | null;
  readonly pieceId: string | null;
  readonly methodVersionId: string;
  readonly estimateMissing: boolean;
  readonly state: 'open' | 'left';
  readonly version: number;
  readonly draftRevision: number;
  readonly inputs: FitInputs | null;
  readonly postures: readonly PostureSet[];
}

const nameIn = (table: typeof seatVersions | typeof placeVersions | typeof methodVersions) =>
  sql<string>`json_extract(${table.document}, '$.name')`;

function selectSummaries(q: Queries) {
  return q
    .select({
      id: fittings.id,
      version: fittings.version,
      draftRevision: fittings.draftRevision,
      state: fittings.state,
      date: fittings.date,
      updatedAt: fittings.updatedAt,
      sitterId: sitters.id,
      sitterName: sitters.name,
      seatVersionId: fittings.seatVersionId,
      seatName: nameIn(seatVersions),
      placeVersionId: fittings.placeVersionId,
      placeName: nameIn(placeVersions),
      pieceId: pieces.id,
      pieceTag: pieces.tag,
      methodVersionId: fittings.methodVersionId,
      methodId: methodVersions.methodId,
      methodName: nameIn(methodVersions),
      fitterId: fitters.id,
      fitterName: fitters.name,
      measured: measuredOf,
    })
    .from(fittings)
    .leftJoin(sitters, eq(sitters.id, fittings.sitterId))
    .innerJoin(methodVersions, eq(methodVersions.id, fittings.methodVersionId))
    .leftJoin(seatVersions, eq(seatVersions.id, fittings.seatVersionId))
    .leftJoin(placeVersions, eq(placeVersions.id, fittings.placeVersionId))
    .leftJoin(pieces, and(eq(pieces.id, fittings.pieceId), isNull(pieces.deletedAt)))
    .leftJoin(fitters, eq(fitters.id, fittings.fitterId));
}

type SummaryRow = Awaited<ReturnType<typeof selectSummaries>>[number];

function summaryOf(row: SummaryRow): FittingSummary {
  return {
    id: row.id,
    version: row.version,
    draftRevision: row.draftRevision,
    state: row.state,
    date: row.date,
    updatedAt: row.updatedAt,
    sitter: row.sitterId && row.sitterName ? { id: row.sitterId, name: row.sitterName } : null,
    seat: row.seatVersionId ? { versionId: row.seatVersionId, name: row.seatName } : null,
    place: row.placeVersionId ? { versionId: row.placeVersionId, name: row.placeName } : null,
    piece: row.pieceId && row.pieceTag ? { id: row.pieceId, tag: row.pieceTag } : null,
    method: { versionId: row.methodVersionId, id: row.methodId, name: row.methodName },
    fitter: row.fitterId && row.fitterName ? { id: row.fitterId, name: row.fitterName } : null,
    measured: row.measured,
  };
}

/** Neither the fitting nor its sitter is marked as deleted. */
const standing = and(isNull(fittings.deletedAt), or(isNull(fittings.sitterId), isNull(sitters.deletedAt)));

export interface FittingFilter {
  readonly sitter?: string | undefined;
  readonly state?: FittingSummary['state'] | undefined;
}

/** Returns a page of fittings, the newest first. */
export async function listFittings(
  q: Queries,
  { sitter, state }: FittingFilter,
  { cursor, limit }: PageRequest,
): Promise<Page<FittingSummary> | 'unknownCursor'> {
  const found = and(
    standing,
    sitter === undefined ? undefined : eq(fittings.sitterId, sitter),
    state === undefined ? undefined : eq(fittings.state, state),
  );
  const [last] =
    cursor === undefined
      ? [null]
      : await q
          .select({ id: fittings.id, date: fittings.date })
          .from(fittings)
          .where(eq(fittings.id, cursor));
  if (last === undefined) return 'unknownCursor';
  const after = last && sql`(${fittings.date}, ${fittings.id}) < (${last.date}, ${last.id})`;
  const [[counted], rows] = await Promise.all([
    q
      .select({ total: count() })
      .from(fittings)
      .leftJoin(sitters, eq(sitters.id, fittings.sitterId))
      .where(found),
    selectSummaries(q)
      .where(and(found, after ?? undefined))
      .orderBy(desc(fittings.date), desc(fittings.id))
      .limit(limit + 1),
  ]);
  const items = rows.slice(0, limit).map(summaryOf);
  return { items, total: counted?.total ?? 0, next: rows.length > limit ? items.at(-1)!.id : null };
}

/** Ids of every fitting of a sitter, the newest first. */
export async function fittingIdsOf(q: Queries, sitterId: string): Promise<string[]> {
  const rows = await q
    .select({ id: fittings.id })
    .from(fittings)
    .where(and(eq(fittings.sitterId, sitterId), isNull(fittings.deletedAt)))
    .orderBy(desc(fittings.date), desc(fittings.id));
  return rows.map((r) => r.id);
}

export async function findFittingSummary(q: Queries, id: string): Promise<FittingSummary | null> {
  const [row] = await selectSummaries(q).where(and(standing, eq(fittings.id, id)));
  return row ? summaryOf(row) : null;
}

export async function findFitting(q: Queries, id: string): Promise<FittingRow | null> {
  const [row] = await q
    .select()
    .from(fittings)
    .where(and(eq(fittings.id, id), isNull(fittings.deletedAt)));
  if (!row) return null;
  return {
    ...row,
    toolsKg: row.tools / STORED_PER_KG,
    inputs: row.inputs === null ? null : InputsSchema.parse(upgradeInputs(row.inputs)),
    postures: row.postures === null ? [] : PostureSetSchema.array().parse(row.postures),
  };
}

/** Returns whose a fitting is, deleted and not yet erased ones included; null where no fitting has this id. */
export async function findFittingOfAnyState(
  q: Queries,
  id: string,
): Promise<Pick<FittingRow, 'sitterId'> | null> {
  const [row] = await q.select({ sitterId: fittings.sitterId }).from(fittings).where(eq(fittings.id, id));
  return row ?? null;
}

/** Marks as deleted at an instant, or takes the mark away; false where no such fitting is there to mark. */
export async function markFitting(q: Queries, id: string, deletedAt: string | null): Promise<boolean> {
  const marked = await q
    .update(fittings)
    .set({ deletedAt })
    .where(
      and(
        eq(fittings.id, id),
        deletedAt === null ? isNotNull(fittings.deletedAt) : isNull(fittings.deletedAt),
      ),
    )
    .returning({ id: fittings.id });
  return marked.length > 0;
}

export async function openFittingsOf(q: Queries, sitterId: string): Promise<string[]> {
  const rows = await q
    .select({ id: fittings.id })
    .from(fittings)
    .where(and(eq(fittings.sitterId, sitterId), eq(fittings.state, 'open')));
  return rows.map((r) => r.id);
}

/** Open fittings in which the usual table fills in: those of sitters for whom no other was chosen. */
export async function openFittingsByUsualTable(q: Queries): Promise<string[]> {
  const rows = await q
    .select({ id: fittings.id })
    .from(fittings)
    .innerJoin(sitters, eq(sitters.id, fittings.sitterId))
    .where(and(eq(fittings.state, 'open'), eq(fittings.estimateMissing, true), isNull(sitters.tableId)));
  return rows.map((r) => r.id);
}

export async function insertFitting(
  q: Queries,
  fitting: NewFitting & { methodVersionId: string; date: string; estimateMissing: boolean },
  at: string,
): Promise<void> {
  await q.insert(fittings).values({ ...fitting, createdAt: at, updatedAt: at });
}

export interface FittingChange extends Partial<{ readonly [K in WorkFlag]: boolean | undefined }> {
  readonly seatVersionId?: string | null | undefined;
  readonly placeVersionId?: string | null | undefined;
  readonly methodVersionId?: string | undefined;
  readonly pieceId?: string | null | undefined;
  readonly fitterId?: string | null | undefined;
  readonly toolsKg?: number | undefined;
  readonly estimateMissing?: boolean | undefined;
  readonly state?: 'open' | 'left' | undefined;
  readonly date?: string | undefined;
  readonly inputs?: FitInputs | null | undefined;
  readonly postures?: readonly PostureSet[] | undefined;
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
        settings: SettingsSchema.parse(upgradeSettings(row.settings)),
        held: row.held ?? [],
        savedAt: row.savedAt,
      }
    : null;
}

/** Why a draft is not taken: what its fitting is like, without the inputs, which are long. */
export async function findDraftTarget(
  q: Queries,
  id: string,
): Promise<Pick<FittingRow, 'state' | 'draftRevision'> | null> {
  const [row] = await q
    .select({
      state: fittings.state,
      draftRevision: fittings.draftRevision,
    })
    .from(fittings)
    .where(and(eq(fittings.id, id), isNull(fittings.deletedAt), isNotNull(fittings.sitterId)));
  return row ?? null;
}

/**
 * Moves the draft of an open fitting on from a revision.
 * @returns the version of the fitting, or null where it is not open or its draft has another revision
 */
export async function advanceDraft(q: Queries, id: string, revision: number): Promise<number | null> {
  const [row] = await q
    .update(fittings)
    .set({ draftRevision: revision + 1 })
    .where(isOpenDraft(id, revision))
    .returning({ version: fittings.version });
  return row?.version ?? null;
}

/** A draft to be written over. */
export interface DraftWrite {
  /** For the row, where it is the first draft. */
  readonly id: string;
  readonly settings: Settings;
  readonly held: readonly AdjustmentKind[];
  readonly at: string;
}

/** What a draft stands on. */
export interface DraftBase {
  readonly fittingId: string;
  /** Of the fitting. */
  readonly version: number;
  /** Of the draft before. */
  readonly revision: number;
}

/** Ready made, unlike all other statements: drafts come many a second, and building three takes as long as one of them. */
const ADVANCE_DRAFT = `update fittings set draft_revision = ?
  where id = ? and version = ? and draft_revision = ?
    and state = 'open' and deleted_at is null and sitter_id is not null`;
const WRITE_DRAFT = `insert into setting_sets (id, fitting_id, stage, version, settings, held, saved_at)
  select ?, ?, '${DRAFT.stage}', ${DRAFT.version}, ?, ?, ? where changes() = 1
  on conflict (fitting_id, posture, stage, version)
  do update set settings = excluded.settings, held = excluded.held, saved_at = excluded.saved_at`;

/**
 * Moves a draft on and writes it over, in one go, where nothing that it stands on has changed.
 * @param answer to be kept with it
 * @returns false where something has, or the key of the answer was used: then nothing is written
 */
export async function writeDraftAtOnce(
  db: Database,
  { fittingId, version, revision }: DraftBase,
  { id, settings, held, at }: DraftWrite,
  answer: { readonly key: string; readonly first: FirstAnswer } | null,
): Promise<boolean> {
  try {
    const [advanced] = await db.$client.batch(
      [
        { sql: ADVANCE_DRAFT, args: [revision + 1, fittingId, version, revision] },
        { sql: WRITE_DRAFT, args: [id, fittingId, JSON.stringify(settings), JSON.stringify(held), at] },
        ...(answer ? [keepIfChanged(answer.key, answer.first, at)] : []),
      ],
      'write',
    );
    return advanced?.rowsAffected === 1;
  } catch (error) {
    if (isKeyUsed(error)) return false;
    throw error;
  }
}

const isOpenDraft = (id: string, revision: number) =>
  and(
    eq(fittings.id, id),
    eq(fittings.draftRevision, revision),
    eq(fittings.state, 'open'),
    isNull(fittings.deletedAt),
    isNotNull(fittings.sitterId),
  );

async function nextRevision(q: Queries, fittingId: string): Promise<void> {
  await q
    .update(fittings)
    .set({ draftRevision: sql`${fittings.draftRevision} + 1` })
    .where(eq(fittings.id, fittingId));
}

/** Writes the draft over and moves its revision on. */
export async function saveDraft(q: Queries, fittingId: string, draft: DraftWrite): Promise<void> {
  await writeDraft(q, fittingId, draft);
  await nextRevision(q, fittingId);
}

export async function writeDraft(
  q: Queries,
  fittingId: string,
  { id, settings, held, at }: DraftWrite,
): Promise<void> {
  await q
    .insert(settingSets)
    .values({ id, fittingId, ...DRAFT, settings, held: [...held], savedAt: at })
    .onConflictDoUpdate({
      target: [settingSets.fittingId, settingSets.posture, settingSets.stage, settingSets.version],
      set: { settings, held: [...held], savedAt: at },
    });
}

export async function dropDraft(q: Queries, fittingId: string): Promise<void> {
  await q
    .delete(settingSets)
    .where(and(eq(settingSets.fittingId, fittingId), eq(settingSets.version, DRAFT.version)));
  await nextRevision(q, fittingId);
}

/** All settings of a fitting, draft and versions, oldest first. */
export async function listSettingSets(q: Queries, fittingId: string) {
  const { posture, stage, version, settings, inputs, walk, savedBy, savedAt } = settingSets;
  return q
    .select({ posture, stage, version, settings, inputs, walk, savedBy, savedAt })
    .from(settingSets)
    .where(eq(settingSets.fittingId, fittingId))
    .orderBy(asc(settingSets.savedAt), asc(settingSets.version));
}

export interface SettingVersion {
  readonly settings: Settings;
  readonly inputs: FitInputs;
  /** Of what was signed off at the end of a walk. */
  readonly walk: unknown;
  /** Further postures of the fitting as they are with these settings. */
  readonly postures: readonly PostureSet[];
  readonly by: string | null;
  readonly at: string;
}

/** A version that is never changed again. */
export async function insertSettingVersion(
  q: Queries,
  id: string,
  fittingId: string,
  stage: 'computed' | 'left',
  { settings, inputs, walk, postures, by, at }: SettingVersion,
): Promise<void> {
  const [newest] = await q
    .select({ version: sql<number>`coalesce(max(${settingSets.version}), 0)` })
    .from(settingSets)
    .where(and(eq(settingSets.fittingId, fittingId), eq(settingSets.stage, stage)));
  await q.insert(settingSets).values({
    id,
    fittingId,
    stage,
    version: (newest?.version ?? 0) + 1,
    settings,
    inputs,
    walk,
    postures: [...postures],
    savedBy: by,
    savedAt: at,
  });
}

export async function openFittingsByFitter(q: Queries, fitterId: string): Promise<string[]> {
  const rows = await q
    .select({ id: fittings.id })
    .from(fittings)
    .where(and(eq(fittings.fitterId, fitterId), eq(fittings.state, 'open')));
  return rows.map((r) => r.id);
}

/** The settings that a fitting ended with, read past its inputs: the newest that were left, else the newest at all. */
export async function lastSettings(q: Queries, fittingId: string): Promise<Settings | null> {
  const rows = await q
    .select({ stage: settingSets.stage, settings: settingSets.settings })
    .from(settingSets)
    .where(eq(settingSets.fittingId, fittingId))
    .orderBy(sql`${settingSets.stage} = 'left' desc`, desc(settingSets.savedAt));
  return rows[0] ? SettingsSchema.parse(upgradeSettings(rows[0].settings)) : null;
}
