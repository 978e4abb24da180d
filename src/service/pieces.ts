/** Seats that stand somewhere, each with a tag: entered, moved, looked over, reported, marked and mended. */
import { done, refused, type Deletion, type FieldFault, type Outcome } from '../contract';
import type { PageRequest } from '../contract/paging';
import {
  TagText,
  type NewPiece,
  type NewPieceFault,
  type PieceDetail,
  type PieceEdit,
  type PieceFaultEdit,
  type PieceFilter,
  type PieceSeries,
} from '../contract/pieces';
import { scannedTwice, tagsOf } from '../contract/piece-lists';
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
import { labelPath, newToken } from './random-token';
import { pageFound } from './paging';
import { useCase } from './rights';
import { found } from './versions';

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
