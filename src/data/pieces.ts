/** Seats that stand somewhere, each with a tag. */
import { and, asc, count, desc, eq, inArray, isNotNull, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import { alias } from 'drizzle-orm/sqlite-core';
import { SettingsSchema } from '../contract';
import type { Page, PageRequest } from '../contract/paging';
import type { NewPieceFault, PieceEdit, PieceFault, PieceFilter, PieceSummary } from '../contract/pieces';
import type { PieceState } from '../contract/piece-lists';
import { upgradeSettings } from '../core/document/upgrade';
import type { Settings } from '../core/fit';
import { NAME_LIMIT } from '../core/document';
import type { Queries } from './client';
import { fold } from './fold';
import { catalogue, pieceFaults, pieces, pieceUsers, sitters } from './schema';

const seat = alias(catalogue, 'seat');
const place = alias(catalogue, 'place');

const standingFaults = sql<number>`(select count(*) from piece_faults f where f.piece_id = ${pieces.id} and f.mended_at is null)`;
const stops = sql<number>`(select count(*) from piece_faults f where f.piece_id = ${pieces.id} and f.mended_at is null and f.do_not_use)`;

const SUMMARY = {
  id: pieces.id,
  version: pieces.version,
  tag: pieces.tag,
  seatId: pieces.seatId,
  seatVersionId: seat.versionId,
  seatName: seat.name,
  seatState: seat.state,
  placeId: place.id,
  placeName: place.name,
  isAway: pieces.isAway,
  faults: standingFaults,
  stops,
  lastLookOn: pieces.lastLookOn,
};

const selectSummaries = (q: Queries) =>
  q
    .select(SUMMARY)
    .from(pieces)
    .innerJoin(seat, and(eq(seat.kind, 'seat'), eq(seat.id, pieces.seatId)))
    .leftJoin(place, and(eq(place.kind, 'place'), eq(place.id, pieces.placeId)));

type SummaryRow = Awaited<ReturnType<typeof selectSummaries>>[number];

const stateOf = ({ isAway, faults }: Pick<SummaryRow, 'isAway' | 'faults'>): PieceState =>
  isAway ? 'away' : faults > 0 ? 'faulty' : 'inUse';

const summaryOf = (row: SummaryRow): PieceSummary => ({
  id: row.id,
  version: row.version,
  tag: row.tag,
  seat: {
    id: row.seatId,
    versionId: row.seatVersionId,
    name: row.seatName.slice(0, NAME_LIMIT),
    state: row.seatState,
  },
  place: row.placeId && row.placeName ? { id: row.placeId, name: row.placeName } : null,
  state: stateOf(row),
  doNotUse: row.stops > 0,
  faults: row.faults,
  lastLookOn: row.lastLookOn,
});

/** In a tag, or in the names of its seat and place, each word of a search. */
function searched(search: string): SQL | undefined {
  const words = search.trim().split(/\s+/).filter(Boolean);
  const names = sql`${seat.folded} || ' ' || coalesce(${place.folded}, '')`;
  const within = (text: SQL | typeof pieces.tag, word: string) =>
    sql`${text} like ${`%${word.replace(/[\\%_]/g, '\\$&')}%`} escape '\\'`;
  // Tags are kept in capitals; the database knows only plain letters in both cases.
  return and(...words.map((word) => or(within(pieces.tag, word.toUpperCase()), within(names, fold(word)))));
}

const IN_STATE: Readonly<Record<PieceState, () => SQL | undefined>> = {
  away: () => eq(pieces.isAway, true),
  faulty: () => and(eq(pieces.isAway, false), sql`${standingFaults} > 0`),
  inUse: () => and(eq(pieces.isAway, false), sql`${standingFaults} = 0`),
};

const matching = (filter: PieceFilter): SQL | undefined =>
  and(
    isNull(pieces.deletedAt),
    searched(filter.search),
    filter.seat === undefined ? undefined : eq(pieces.seatId, filter.seat),
    filter.place === undefined ? undefined : eq(pieces.placeId, filter.place),
    filter.user === undefined
      ? undefined
      : sql`${pieces.id} in (select piece_id from piece_users where sitter_id = ${filter.user})`,
    filter.state && IN_STATE[filter.state](),
  );

/** Returns a page of them by tag. */
export async function listPieces(
  q: Queries,
  filter: PieceFilter,
  { cursor, limit }: PageRequest,
): Promise<Page<PieceSummary> | 'unknownCursor'> {
  const found = matching(filter);
  const [last] =
    cursor === undefined
      ? [null]
      : await q.select({ id: pieces.id, tag: pieces.tag }).from(pieces).where(eq(pieces.id, cursor));
  if (last === undefined) return 'unknownCursor';
  const after = last && sql`(${pieces.tag}, ${pieces.id}) > (${last.tag}, ${last.id})`;
  const [[counted], rows] = await Promise.all([
    q
      .select({ total: count() })
      .from(pieces)
      .innerJoin(seat, and(eq(seat.kind, 'seat'), eq(seat.id, pieces.seatId)))
      .leftJoin(place, and(eq(place.kind, 'place'), eq(place.id, pieces.placeId)))
      .where(found),
    selectSummaries(q)
      .where(and(found, after ?? undefined))
      .orderBy(asc(pieces.tag), asc(pieces.id))
      .limit(limit + 1),
  ]);
  const items = rows.slice(0, limit).map(summaryOf);
  return { items, total: counted?.total ?? 0, next: rows.length > limit ? items.at(-1)!.id : null };
}

export async function findPiece(q: Queries, id: string): Promise<PieceSummary | null> {
  const [row] = await selectSummaries(q).where(and(eq(pieces.id, id), isNull(pieces.deletedAt)));
  return row ? summaryOf(row) : null;
}

/** What only a look at one shows. */
export interface PieceRow {
  readonly token: string;
  readonly isAway: boolean;
  readonly notes: string;
  readonly lastLookBy: string | null;
  readonly setting: {
    readonly settings: Settings;
    readonly seatVersionId: string;
    readonly savedAt: string;
    readonly fittingId: string | null;
  } | null;
}

export async function findPieceRow(q: Queries, id: string): Promise<PieceRow | null> {
  const [row] = await q.select().from(pieces).where(eq(pieces.id, id));
  if (!row) return null;
  const { setting, settingVersionId, settingAt, settingFittingId } = row;
  return {
    ...row,
    setting:
      setting !== null && settingVersionId !== null && settingAt !== null
        ? {
            settings: SettingsSchema.parse(upgradeSettings(setting)),
            seatVersionId: settingVersionId,
            savedAt: settingAt,
            fittingId: settingFittingId,
          }
        : null,
  };
}

/** Returns what the labels of some lead by, by their ids. */
export async function tokensOf(q: Queries, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows = await q
    .select({ id: pieces.id, token: pieces.token })
    .from(pieces)
    .where(inArray(pieces.id, [...ids]));
  return new Map(rows.map(({ id, token }) => [id, token]));
}

/** Returns the id of one by its label; null where no label leads there. */
export async function pieceByToken(q: Queries, token: string): Promise<string | null> {
  const [row] = await q
    .select({ id: pieces.id })
    .from(pieces)
    .where(and(eq(pieces.token, token), isNull(pieces.deletedAt)));
  return row?.id ?? null;
}

/** Returns which of some tags are in use, in the order of their letters. */
export async function tagsInUse(q: Queries, tags: readonly string[]): Promise<string[]> {
  const rows = await q
    .select({ tag: pieces.tag })
    .from(pieces)
    .where(and(inArray(pieces.tag, [...tags]), isNull(pieces.deletedAt)))
    .orderBy(asc(pieces.tag));
  return rows.map((r) => r.tag);
}

/** Returns the one that has a tag; null where none has. */
export async function pieceByTag(q: Queries, tag: string): Promise<PieceSummary | null> {
  const [row] = await selectSummaries(q).where(and(eq(pieces.tag, tag), isNull(pieces.deletedAt)));
  return row ? summaryOf(row) : null;
}

/** Whether an id belongs to one, deleted and not yet erased ones included. */
export async function isPieceIdUsed(q: Queries, id: string): Promise<boolean> {
  const rows = await q.select({ id: pieces.id }).from(pieces).where(eq(pieces.id, id));
  return rows.length > 0;
}

/** The tag of a deleted one that is not yet erased. */
export async function deletedTag(q: Queries, id: string): Promise<string | null> {
  const [row] = await q
    .select({ tag: pieces.tag })
    .from(pieces)
    .where(and(eq(pieces.id, id), isNotNull(pieces.deletedAt)));
  return row?.tag ?? null;
}

export interface PieceInsert {
  readonly id: string;
  readonly tag: string;
  readonly token: string;
  readonly seatId: string;
  readonly placeId: string | null;
  readonly notes: string;
}

export async function insertPieces(q: Queries, all: readonly PieceInsert[], at: string): Promise<void> {
  await q.insert(pieces).values(all.map((piece) => ({ ...piece, createdAt: at, updatedAt: at })));
}

interface PieceChange extends Pick<PieceEdit, 'tag' | 'placeId' | 'isAway' | 'notes'> {
  readonly token?: string;
  readonly lastLookOn?: string;
  readonly lastLookBy?: string | null;
}

export async function updatePiece(q: Queries, id: string, change: PieceChange, at: string): Promise<void> {
  await q
    .update(pieces)
    .set({ ...change, version: sql`${pieces.version} + 1`, updatedAt: at })
    .where(eq(pieces.id, id));
}

/** Notes what was signed off on it. */
export async function putSetting(
  q: Queries,
  id: string,
  {
    settings,
    seatVersionId,
    fittingId,
  }: { readonly settings: Settings; readonly seatVersionId: string; readonly fittingId: string },
  look: { readonly on: string; readonly by: string | null; readonly at: string },
): Promise<void> {
  await q
    .update(pieces)
    .set({
      setting: settings,
      settingVersionId: seatVersionId,
      settingFittingId: fittingId,
      settingAt: look.at,
      lastLookOn: look.on,
      lastLookBy: look.by,
      version: sql`${pieces.version} + 1`,
      updatedAt: look.at,
    })
    .where(eq(pieces.id, id));
}

export async function usersOf(q: Queries, id: string): Promise<{ id: string; name: string }[]> {
  return q
    .select({ id: sitters.id, name: sitters.name })
    .from(pieceUsers)
    .innerJoin(sitters, eq(sitters.id, pieceUsers.sitterId))
    .where(and(eq(pieceUsers.pieceId, id), isNull(sitters.deletedAt)))
    .orderBy(asc(sitters.folded));
}

export async function addUser(q: Queries, pieceId: string, sitterId: string): Promise<void> {
  await q.insert(pieceUsers).values({ pieceId, sitterId }).onConflictDoNothing();
}

export async function putUsers(q: Queries, id: string, users: readonly string[]): Promise<void> {
  await q.delete(pieceUsers).where(eq(pieceUsers.pieceId, id));
  for (const sitterId of new Set(users)) await addUser(q, id, sitterId);
}

const FAULT = {
  id: pieceFaults.id,
  kind: pieceFaults.kind,
  note: pieceFaults.note,
  doNotUse: pieceFaults.doNotUse,
  reportedAt: pieceFaults.reportedAt,
  reportedBy: pieceFaults.reportedBy,
  mendedAt: pieceFaults.mendedAt,
  mendedBy: pieceFaults.mendedBy,
};

/** Returns its faults: those that stand first, then the newest first. */
export async function faultsOf(q: Queries, id: string): Promise<PieceFault[]> {
  return q
    .select(FAULT)
    .from(pieceFaults)
    .where(eq(pieceFaults.pieceId, id))
    .orderBy(desc(isNull(pieceFaults.mendedAt)), desc(pieceFaults.reportedAt), desc(pieceFaults.id));
}

export async function insertFault(
  q: Queries,
  pieceId: string,
  fault: NewPieceFault & { readonly id: string; readonly reportedBy: string | null },
  at: string,
): Promise<void> {
  await q.insert(pieceFaults).values({ ...fault, pieceId, reportedAt: at });
}

export async function updateFault(
  q: Queries,
  id: string,
  change: { doNotUse?: boolean; mendedAt?: string | null; mendedBy?: string | null },
): Promise<void> {
  await q.update(pieceFaults).set(change).where(eq(pieceFaults.id, id));
}

/** Moves the version on and notes the time, for a change beside the row. */
export const touchPiece = (q: Queries, id: string, at: string): Promise<void> => updatePiece(q, id, {}, at);

/** Marks as deleted at an instant, or takes the mark away; false where there is none to mark. */
export async function markPiece(q: Queries, id: string, deletedAt: string | null): Promise<boolean> {
  const marked = await q
    .update(pieces)
    .set({ deletedAt })
    .where(
      and(eq(pieces.id, id), deletedAt === null ? isNotNull(pieces.deletedAt) : isNull(pieces.deletedAt)),
    )
    .returning({ id: pieces.id });
  return marked.length > 0;
}

/** Erases those marked as deleted before an instant. @returns how many */
export async function erasePiecesDeletedBefore(q: Queries, at: string): Promise<number> {
  const gone = await q
    .delete(pieces)
    .where(and(isNotNull(pieces.deletedAt), lt(pieces.deletedAt, at)))
    .returning({ id: pieces.id });
  return gone.length;
}

/** How many of a seat stand somewhere, and how many of them can be sat on now: there, and nobody says not to. */
export interface PieceCounts {
  readonly all: number;
  readonly usable: number;
}

/** Returns the counts of seats, by their id; of those that have none there is no entry. */
export async function pieceCounts(
  q: Queries,
  seatIds: readonly string[],
): Promise<ReadonlyMap<string, PieceCounts>> {
  if (seatIds.length === 0) return new Map();
  const rows = await q
    .select({
      seatId: pieces.seatId,
      all: count(),
      usable: sql<number>`sum(${pieces.isAway} = 0 and ${stops} = 0)`,
    })
    .from(pieces)
    .where(and(inArray(pieces.seatId, [...seatIds]), isNull(pieces.deletedAt)))
    .groupBy(pieces.seatId);
  return new Map(rows.map(({ seatId, all, usable }) => [seatId, { all, usable }]));
}

/** Whether the seat that a fitting names is marked: nobody may sit on it. */
export async function isStopped(q: Queries, id: string): Promise<boolean> {
  return (await findPiece(q, id))?.doNotUse ?? false;
}
