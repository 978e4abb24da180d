/** Seats that stand somewhere, each with a tag: entered, moved, looked over, reported, marked and mended. */
import { randomBytes } from 'node:crypto';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { done, refused, type Deletion, type FieldFault, type Outcome } from '../contract';
import type { PageRequest } from '../contract/paging';
import {
  TagText,
  scannedTwice,
  tagsOf,
  type LabelReport,
  type NewPiece,
  type NewPieceFault,
  type PieceDetail,
  type PieceEdit,
  type PieceFaultEdit,
  type PieceFilter,
  type PieceSeries,
  type PieceSummary,
} from '../contract/pieces';
import type { SeatModel } from '../core/seat';
import type { Queries } from '../data/client';
import { PLACES, SEATS } from '../data/documents/kinds';
import {
  deletedTag,
  faultsOf,
  findPiece,
  findPieceRow,
  insertFault,
  insertPieces,
  isPieceIdUsed,
  listPieces,
  markPiece,
  pieceByTag,
  pieceByToken,
  putUsers,
  tagsInUse,
  touchPiece,
  updateFault,
  updatePiece,
  usersOf,
} from '../data/pieces';
import { findSitter } from '../data/sitters';
import { sayWith, word } from '../words';
import '../words/server';
import { today, write, type Context } from './context';
import { deletionOf } from './deleting';
import { settingRows } from './draft-faults';
import { isEdited, type EditedVersion } from './edited';
import { forStrangers } from './for-strangers';
import { pageFound } from './paging';
import { useCase } from './rights';
import { found } from './versions';

const TOKEN_BYTES = 16;
/** Cannot be guessed and tells nothing. */
export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url');
/** What a label leads by, as it stands in an address. */
export const TOKEN = /^[A-Za-z0-9_-]{22}$/;

/** The path that the label of a token leads to. */
export const labelPath = (token: string): string => `/t/${token}`;

const fault = (pointer: string, detail: string): Outcome<never> =>
  refused('invalid', { faults: [{ pointer, detail }] });

async function detailOf(ctx: Context, q: Queries, id: string): Promise<PieceDetail | null> {
  const [summary, row] = [await findPiece(q, id), await findPieceRow(q, id)];
  if (!summary || !row) return null;
  const { setting, token, isAway, notes, lastLookBy } = row;
  const seat = setting && (await SEATS.byVersion(q, setting.seatVersionId));
  const { publicUrl } = ctx.practice;
  return {
    ...summary,
    isAway,
    notes,
    lastLookBy,
    users: await usersOf(q, id),
    faultList: await faultsOf(q, id),
    setting:
      setting && seat
        ? {
            fittingId: setting.fittingId,
            savedAt: setting.savedAt,
            settings: settingRows({ seat: seat.document, place: null }, setting.settings),
          }
        : null,
    labelUrl: publicUrl && publicUrl + labelPath(token),
  };
}

/** Returns a page of those that a filter lets through, by tag. */
export const pageOfPieces = useCase('read', 'piece', (ctx: Context, filter: PieceFilter, page: PageRequest) =>
  pageFound(listPieces(ctx.store.db, filter, page)),
);

export const pieceOf = useCase('read', 'piece', (ctx: Context, id: string) =>
  found(detailOf(ctx, ctx.store.db, id)),
);

/** What an edit points at and is not there; a seat that was retired is given no new ones. */
async function danglingFaults(
  q: Queries,
  { seatId, placeId, users }: { seatId?: string; placeId?: string | null; users?: readonly string[] },
): Promise<FieldFault[]> {
  const faults: FieldFault[] = [];
  if (seatId !== undefined) {
    const seat = await SEATS.listed(q, seatId);
    if (!seat) faults.push({ pointer: '/seatId', detail: word('field.noRecord') });
    else if (seat.state === 'retired') faults.push({ pointer: '/seatId', detail: word('field.seatRetired') });
  }
  if (placeId && !(await PLACES.listed(q, placeId)))
    faults.push({ pointer: '/placeId', detail: word('field.noRecord') });
  for (const [i, id] of (users ?? []).entries())
    if (!(await findSitter(q, id))) faults.push({ pointer: `/users/${i}`, detail: word('field.noPerson') });
  return faults;
}

/** Why a tag cannot be given: it was scanned twice over, or another seat has it. */
async function tagFault(q: Queries, tag: string, own: string | null): Promise<FieldFault | null> {
  const holder = await pieceByTag(q, tag);
  if (holder?.id === own) return null;
  const once = scannedTwice(tag);
  if (!holder && once !== null) return { pointer: '/tag', detail: sayWith('field.tagTwice', { tag: once }) };
  if (!holder) return null;
  const { seat, place } = holder;
  const said = { tag, seat: seat.name, place: place?.name ?? word('pieces.nowhere') };
  return { pointer: '/tag', detail: sayWith('field.tagInUse', said) };
}

const saysTheSame = (known: PieceDetail, asked: NewPiece): boolean =>
  known.tag === asked.tag &&
  known.seat.id === asked.seatId &&
  (known.place?.id ?? null) === (asked.placeId ?? null);

/** Gives a seat a tag. The same again gives the first record; the same id with anything else is refused. */
export const createPiece = useCase('create', 'piece', (ctx: Context, piece: NewPiece) =>
  write(ctx, async (q): Promise<Outcome<PieceDetail>> => {
    const { id, tag, seatId, users = [], notes = '' } = piece;
    const placeId = piece.placeId ?? null;
    const known = await detailOf(ctx, q, id);
    if (known) return saysTheSame(known, piece) ? done(known) : refused('idInUse', { current: known });
    if (await isPieceIdUsed(q, id)) return refused('idInUse');
    const used = await tagFault(q, tag, null);
    const faults = [...(used ? [used] : []), ...(await danglingFaults(q, { seatId, placeId, users }))];
    if (faults.length > 0) return refused('invalid', { faults });
    const at = ctx.now().toISOString();
    await insertPieces(q, [{ id, tag, token: newToken(), seatId, placeId, notes }], at);
    await putUsers(q, id, users);
    return done((await detailOf(ctx, q, id))!);
  }),
);

/** So many are written by one statement. */
const CHUNK = 100;

/** Gives a number of seats of one model tags that count up, all or none. */
export const createSeries = useCase('create', 'piece', (ctx: Context, series: PieceSeries) =>
  write(ctx, async (q): Promise<Outcome<{ readonly tags: readonly string[] }>> => {
    const read = tagsOf(series).map((tag) => TagText.safeParse(tag));
    const tags = read.flatMap((r) => (r.success ? [r.data] : []));
    if (tags.length < read.length) return fault('/prefix', word('schema.tag'));
    const used = await tagsInUse(q, tags);
    const shown = used.slice(0, 5).join(', ');
    if (used.length > 0) return fault('/first', sayWith('field.tagsInUse', { n: used.length, list: shown }));
    const { seatId } = series;
    const placeId = series.placeId ?? null;
    const faults = await danglingFaults(q, { seatId, placeId });
    if (faults.length > 0) return refused('invalid', { faults });
    const all = tags.map((tag) => ({ id: ctx.newId(), tag, token: newToken(), seatId, placeId, notes: '' }));
    const at = ctx.now().toISOString();
    for (let i = 0; i < all.length; i += CHUNK) await insertPieces(q, all.slice(i, i + CHUNK), at);
    return done({ tags });
  }),
);

/** Changes tag, place, users or notes, notes a look, or withdraws the labels printed so far. */
export const editPiece = useCase(
  'edit',
  'piece',
  (ctx: Context, id: string, version: EditedVersion, edit: PieceEdit) =>
    write(ctx, async (q): Promise<Outcome<PieceDetail>> => {
      const current = await detailOf(ctx, q, id);
      if (!current) return refused('notFound');
      if (!isEdited(version, current.version)) return refused('changedMeanwhile', { current });
      const { lookedAt, newLabel, users, ...fields } = edit;
      const used = edit.tag === undefined ? null : await tagFault(q, edit.tag, id);
      const pointed = {
        ...(edit.placeId !== undefined && { placeId: edit.placeId }),
        ...(users !== undefined && { users }),
      };
      const faults = [...(used ? [used] : []), ...(await danglingFaults(q, pointed))];
      if (faults.length > 0) return refused('invalid', { faults });
      const by = ctx.actor.fitter?.name ?? null;
      const look = lookedAt ? { lastLookOn: today(ctx), lastLookBy: by } : {};
      const label = newLabel ? { token: newToken() } : {};
      await updatePiece(q, id, { ...fields, ...look, ...label }, ctx.now().toISOString());
      if (users !== undefined) await putUsers(q, id, users);
      return done((await detailOf(ctx, q, id))!);
    }),
);

/** Reports what is wrong with one; whoever works here may say that nobody may sit on it. */
export const reportFault = useCase('edit', 'piece', (ctx: Context, id: string, report: NewPieceFault) =>
  write(ctx, async (q): Promise<Outcome<PieceDetail>> => {
    if (!(await findPiece(q, id))) return refused('notFound');
    const at = ctx.now().toISOString();
    const reportedBy = ctx.actor.fitter?.name ?? word('pieces.fitterUnnamed');
    await insertFault(q, id, { ...report, id: ctx.newId(), reportedBy }, at);
    await touchPiece(q, id, at);
    return done((await detailOf(ctx, q, id))!);
  }),
);

/** Says of a fault that nobody may sit on the seat, or may again, or that it is mended, or is not. */
export const editFault = useCase('edit', 'piece', (ctx: Context, id: string, edit: PieceFaultEdit) =>
  write(ctx, async (q): Promise<Outcome<PieceDetail>> => {
    const current = await detailOf(ctx, q, id);
    if (!current) return refused('notFound');
    if (!current.faultList.some((f) => f.id === edit.fault)) return fault('/fault', word('field.noRecord'));
    const at = ctx.now().toISOString();
    const mended =
      edit.isMended === undefined
        ? {}
        : edit.isMended
          ? { mendedAt: at, mendedBy: ctx.actor.fitter?.name ?? null }
          : { mendedAt: null, mendedBy: null };
    await updateFault(q, edit.fault, {
      ...(edit.doNotUse !== undefined && { doNotUse: edit.doNotUse }),
      ...mended,
    });
    await touchPiece(q, id, at);
    return done((await detailOf(ctx, q, id))!);
  }),
);

/** Hides one at once; it is erased when undoing is over, and its tag is free. */
export const deletePiece = useCase('delete', 'piece', (ctx: Context, id: string) =>
  write(ctx, async (q): Promise<Outcome<Deletion>> => {
    const at = ctx.now();
    if (!(await markPiece(q, id, at.toISOString()))) return refused('notFound');
    return done(deletionOf(id, at));
  }),
);

/** Takes a deletion back, as long as it has not been erased and nothing else has its tag. */
export const restorePiece = useCase('restore', 'piece', (ctx: Context, id: string) =>
  write(ctx, async (q): Promise<Outcome<PieceDetail>> => {
    const tag = await deletedTag(q, id);
    if (tag === null) return refused('notFound');
    const used = await tagFault(q, tag, id);
    if (used) return refused('invalid', { faults: [used] });
    await markPiece(q, id, null);
    return done((await detailOf(ctx, q, id))!);
  }),
);

/** What a label needs. */
export interface Label {
  readonly tag: string;
  readonly seat: string;
  /** Where it leads; null without a public address. */
  readonly url: string | null;
}

/** Most that are read at once. */
const PAGE = 200;

/** Returns the labels of all that a filter lets through, by tag. */
export const labelsOf = useCase(
  'read',
  'piece',
  async (ctx: Context, filter: PieceFilter, most: number): Promise<Outcome<readonly Label[]>> => {
    const { db } = ctx.store;
    const { publicUrl } = ctx.practice;
    const labels: Label[] = [];
    let cursor: string | undefined;
    do {
      const page = await listPieces(db, filter, { limit: PAGE, cursor });
      if (page === 'unknownCursor') return refused('unexpected');
      for (const piece of page.items) {
        const row = publicUrl === null ? null : await findPieceRow(db, piece.id);
        const url = row && publicUrl + labelPath(row.token);
        labels.push({ tag: piece.tag, seat: piece.seat.name, url });
      }
      cursor = page.next ?? undefined;
    } while (cursor !== undefined && labels.length < most);
    return done(labels.slice(0, most));
  },
);

/** What the label on a seat shows to whoever scans it: the seat, and whether nobody may sit on it. */
export interface LabelShown {
  readonly tag: string;
  readonly seat: SeatModel;
  readonly doNotUse: boolean;
}

/** Returns what a label leads to. */
export const labelled = useCase(
  'read',
  'label',
  async (ctx: Context, token: string): Promise<Outcome<LabelShown>> => {
    const { db } = ctx.store;
    const id = TOKEN.test(token) ? await pieceByToken(db, token) : null;
    const piece: PieceSummary | null = id === null ? null : await findPiece(db, id);
    if (!piece) return refused('notFound');
    const seat = await SEATS.newest(db, piece.seat.id);
    if (!seat) return refused('notFound');
    return done({ tag: piece.tag, seat: forStrangers(seat.document), doNotUse: piece.doNotUse });
  },
);

/** Returns the id of the record that a label belongs to, for whoever works here. */
export const pieceByLabel = useCase('read', 'piece', (ctx: Context, token: string) =>
  found(pieceByToken(ctx.store.db, token)),
);

/** Reports from labels: of one seat, and from one address, an hour. */
const OF_ONE = new RateLimiterMemory({ points: 6, duration: 3600 });
const FROM_ONE = new RateLimiterMemory({ points: 20, duration: 3600 });

/** @returns how long to wait instead, seconds; 0 where it may be reported */
async function waitFor(token: string, address: string | null): Promise<number> {
  const limits = [[OF_ONE, token] as const, ...(address === null ? [] : [[FROM_ONE, address] as const])];
  for (const [limit, key] of limits) {
    try {
      await limit.consume(key);
    } catch (refusal) {
      if (!(refusal instanceof RateLimiterRes)) throw refusal;
      return Math.max(1, Math.ceil(refusal.msBeforeNext / 1000));
    }
  }
  return 0;
}

/** Reports what is wrong by the label on a seat. What is reported already is not noted again. */
export const reportByLabel = useCase(
  'create',
  'label',
  async (ctx: Context, token: string, { kind, note }: LabelReport): Promise<Outcome<{ reported: true }>> => {
    const { db } = ctx.store;
    const id = TOKEN.test(token) ? await pieceByToken(db, token) : null;
    if (id === null) return refused('notFound');
    const retryAfterS = await waitFor(token, ctx.address);
    if (retryAfterS > 0) return refused('tooManyReports', { retryAfterS });
    return write(ctx, async (q) => {
      const standing = (await faultsOf(q, id)).filter((f) => f.mendedAt === null);
      if (!standing.some((f) => f.kind === kind && f.note === note)) {
        const at = ctx.now().toISOString();
        await insertFault(q, id, { id: ctx.newId(), kind, note, doNotUse: false, reportedBy: null }, at);
        await touchPiece(q, id, at);
      }
      return done({ reported: true });
    });
  },
);
