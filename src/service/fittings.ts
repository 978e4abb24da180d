import {
  CORE_VERSION,
  NO_REMEDIES,
  assess,
  caseDoubts,
  choicesOf,
  problemOf,
  solve,
  workOf,
  type Choice,
  type Settings,
} from '../core/fit';
import { ADJUSTMENT_KINDS, type AdjustmentKind } from '../core/seat';
import { DEFAULT_METHOD } from '../core/method';
import {
  done,
  refused,
  type Choices,
  type Deletion,
  type DraftEdit,
  type FieldFault,
  type FittingAct,
  type FittingDetail,
  type FittingEdit,
  type FittingSummary,
  type NewFitting,
  type Outcome,
  type Remains,
  type SavedDraft,
  type SettingSet,
} from '../contract';
import type { PageRequest } from '../contract/paging';
import { METHODS, PLACES, SEATS } from '../data/documents/kinds';
import { sayCaseDoubt, sayMethod, sayWith, word } from '../words';
import '../words/server';
import type { Queries } from '../data/client';
import {
  advanceDraft,
  dropDraft,
  findDraft,
  findDraftTarget,
  findFitting,
  findFittingOfAnyState,
  findFittingSummary,
  insertFitting,
  insertSettingVersion,
  lastSettings,
  listFittings,
  markFitting,
  saveDraft,
  updateFitting,
  writeDraft,
  writeDraftAtOnce,
  type FittingFilter,
  type FittingRow,
} from '../data/fittings';
import { listFitters } from '../data/fitters';
import { addUser, findPiece, isStopped, putSetting } from '../data/pieces';
import { bodyOf, findSitter } from '../data/sitters';
import { today, write, type Context } from './context';
import { deletionOf } from './deleting';
import {
  countsOf,
  draftFaults,
  heldFaults,
  knownCounts,
  knownFittings,
  positionFaults,
  settingRows,
} from './draft-faults';
import { isEdited, type EditedVersion } from './edited';
import { bodyForFitting, composeInputs, peopleOf } from './inputs';
import { pageFound } from './paging';
import { solvedPostures } from './postures';
import { useCase } from './rights';
import { keepFelt, staysAfter, walkToSign } from './walks';

/** Returns a page of fittings, the newest first. */
export const recentFittings = useCase(
  'read',
  'fitting',
  (ctx: Context, { sitter, state, ...page }: PageRequest & FittingFilter) =>
    pageFound(listFittings(ctx.store.db, { sitter, state }, page)),
);

async function detailOf(ctx: Context, q: Queries, id: string): Promise<FittingDetail | null> {
  const [summary, row] = [await findFittingSummary(q, id), await findFitting(q, id)];
  if (!summary || row?.sitterId == null) return null;
  const sitter = await findSitter(q, row.sitterId);
  if (!sitter) return null;
  return {
    ...summary,
    ...workOf(row),
    estimateMissing: row.estimateMissing,
    postures: [...row.postures],
    piece: summary.piece && (await findPiece(q, summary.piece.id)),
    sitter: { ...sitter, body: await bodyOf(q, row.sitterId) },
    body: await bodyForFitting(ctx, q, row, sitter),
    people: row.inputs
      ? { sitter: row.inputs.sitter, fitterHandMm: row.inputs.fitterHandMm }
      : await peopleOf(ctx, q, row, sitter),
    inputs: row.inputs,
    draft: await findDraft(q, id),
  };
}

/** Returns a fitting with its inputs and draft settings. */
export const fittingDetail = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string): Promise<Outcome<FittingDetail>> => {
    const { db } = ctx.store;
    const detail = await detailOf(ctx, db, id);
    if (detail) return done(detail);
    return refused((await findFitting(db, id))?.sitterId === null ? 'erased' : 'notFound');
  },
);

/** Returns the draft settings of a fitting with their revision; empty settings before the first. */
export const draftSettings = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string): Promise<Outcome<SavedDraft>> => {
    const { db } = ctx.store;
    const summary = await findFittingSummary(db, id);
    if (!summary) return refused('notFound');
    if (summary.sitter === null) return refused('erased');
    const draft = await findDraft(db, id);
    const kept = draft ?? { ...EMPTY_DRAFT, savedAt: summary.updatedAt };
    return done({ ...kept, revision: summary.draftRevision });
  },
);

/** Returns what is kept of a fitting whose sitter was erased. */
export const fittingRemains = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string): Promise<Outcome<Remains>> => {
    const { db } = ctx.store;
    const [summary, row] = [await findFittingSummary(db, id), await findFitting(db, id)];
    if (!summary || row?.sitterId !== null) return refused('notFound');
    const [seat, place] = [
      row.seatVersionId === null ? null : (await SEATS.byVersion(db, row.seatVersionId))?.document,
      row.placeVersionId === null ? null : (await PLACES.byVersion(db, row.placeVersionId))?.document,
    ];
    const kept = await lastSettings(db, id);
    return done({
      id,
      date: summary.date,
      seat: seat?.name ?? null,
      place: place?.name ?? null,
      method: sayMethod(summary.method),
      settings: seat && kept ? settingRows({ seat, place: place ?? null }, kept) : [],
    });
  },
);

/** What an edit points at and is not there, as faults with a pointer to the field. */
async function danglingFaults(q: Queries, edit: FittingEdit): Promise<FieldFault[]> {
  const detail = word('field.noRecord');
  const missing: [string, boolean][] = [
    ['/seatVersionId', !!edit.seatVersionId && !(await SEATS.has(q, edit.seatVersionId))],
    ['/placeVersionId', !!edit.placeVersionId && !(await PLACES.has(q, edit.placeVersionId))],
    ['/methodVersionId', !!edit.methodVersionId && !(await METHODS.has(q, edit.methodVersionId))],
    ['/fitterId', !!edit.fitterId && !(await listFitters(q)).some((f) => f.id === edit.fitterId)],
  ];
  return missing.filter(([, isMissing]) => isMissing).map(([pointer]) => ({ pointer, detail }));
}

/**
 * The very seat that a fitting names after an edit. One of another model is refused where it was asked for, and given
 * up where the model was changed.
 */
async function pieceAfter(
  q: Queries,
  edit: FittingEdit,
  { pieceId, seatVersionId }: FittingRow,
): Promise<{ readonly id: string | null; readonly fault?: FieldFault }> {
  if (pieceId === null) return { id: null };
  const piece = await findPiece(q, pieceId);
  const seat = seatVersionId === null ? null : await SEATS.recordOf(q, seatVersionId);
  if (piece && piece.seat.id === seat) {
    // What was named before it was marked stays named, and cannot be signed off.
    const isStopped = edit.pieceId === pieceId && piece.doNotUse;
    return isStopped
      ? { id: null, fault: { pointer: '/pieceId', detail: word('problem.doNotUse') } }
      : { id: pieceId };
  }
  if (!edit.pieceId) return { id: null };
  const detail = piece
    ? sayWith('field.pieceOfOther', { tag: piece.tag, seat: piece.seat.name })
    : word('field.noRecord');
  return { id: null, fault: { pointer: '/pieceId', detail } };
}

/**
 * Opens a fitting of a sitter with the built-in method that most begin with. The same again gives the first record; the same id for
 * anybody else is refused.
 */
export const createFitting = useCase('create', 'fitting', (ctx: Context, fitting: NewFitting) =>
  write(ctx, async (q): Promise<Outcome<FittingDetail>> => {
    const known = await findFittingOfAnyState(q, fitting.id);
    if (known) {
      const current = await detailOf(ctx, q, fitting.id);
      const isSame = current !== null && known.sitterId === fitting.sitterId;
      return isSame ? done(current) : refused('idInUse');
    }
    if (!(await findSitter(q, fitting.sitterId)))
      return refused('invalid', { faults: [{ pointer: '/sitterId', detail: word('field.noPerson') }] });
    const faults = await danglingFaults(q, { fitterId: fitting.fitterId });
    if (faults.length > 0) return refused('invalid', { faults });
    const method = await METHODS.newest(q, DEFAULT_METHOD.id);
    if (!method) return refused('unexpected');
    await insertFitting(
      q,
      { ...fitting, methodVersionId: method.versionId, date: today(ctx), estimateMissing: true },
      ctx.now().toISOString(),
    );
    return done((await detailOf(ctx, q, fitting.id))!);
  }),
);

/** The fitting that somebody edits in the version they saw; else why they cannot. */
async function fittingAsSeen(
  ctx: Context,
  q: Queries,
  id: string,
  version: EditedVersion,
): Promise<Outcome<FittingRow>> {
  const row = await findFitting(q, id);
  if (!row) return refused('notFound');
  const current = await detailOf(ctx, q, id);
  if (!current) return refused('erased');
  return isEdited(version, row.version) ? done(row) : refused('changedMeanwhile', { current });
}

/** Chooses seat, place, method, fitter or tools. Positions that no longer mean anything are dropped from the draft. */
export const editFitting = useCase(
  'edit',
  'fitting',
  (ctx: Context, id: string, version: EditedVersion, edit: FittingEdit) =>
    write(ctx, async (q): Promise<Outcome<FittingDetail>> => {
      const seen = await fittingAsSeen(ctx, q, id, version);
      if (!seen.ok) return seen;
      const row = seen.value;
      if (row.state !== 'open') return refused('closed');
      const chosen = {
        ...row,
        ...Object.fromEntries(Object.entries(edit).filter(([, v]) => v !== undefined)),
      };
      const piece = await pieceAfter(q, edit, chosen);
      const faults = [...(await danglingFaults(q, edit)), ...(piece.fault ? [piece.fault] : [])];
      if (faults.length > 0) return refused('invalid', { faults });
      const at = ctx.now().toISOString();
      await trimDraft(ctx, q, row, chosen);
      const inputs = await composeInputs(ctx, q, chosen);
      const remedies = (await findDraft(q, id))?.settings.remedies ?? NO_REMEDIES;
      const postures = solvedPostures(inputs, edit.postures ?? row.postures, remedies);
      await updateFitting(q, id, { ...edit, pieceId: piece.id, inputs, postures }, at);
      return done((await detailOf(ctx, q, id))!);
    }),
);

async function trimDraft(ctx: Context, q: Queries, before: FittingRow, after: FittingRow): Promise<void> {
  if (before.seatVersionId !== after.seatVersionId) return dropDraft(q, before.id);
  if (before.placeVersionId === after.placeVersionId) return;
  const draft = await findDraft(q, before.id);
  if (!draft) return;
  const positions = Object.fromEntries(
    Object.entries(draft.settings.positions).filter(
      ([kind]) => ADJUSTMENT_KINDS[kind as AdjustmentKind].belongsTo !== 'place',
    ),
  );
  const held = draft.held.filter((kind) => positions[kind] !== undefined);
  await saveDraft(q, before.id, {
    id: ctx.newId(),
    settings: { ...draft.settings, positions },
    held,
    at: ctx.now().toISOString(),
  });
}

/**
 * Saves the draft settings. The draft is written over; versions are made by acts.
 * @param revision the draft's revision that was changed; another one now is answered with the whole fitting
 */
export const saveSettings = useCase(
  'edit',
  'fitting',
  async (ctx: Context, id: string, revision: EditedVersion, draft: DraftEdit): Promise<Outcome<SavedDraft>> =>
    (revision === 'any' ? null : await saveSettingsAtOnce(ctx, id, revision, draft)) ??
    saveSettingsWhole(ctx, id, revision, draft),
);

const EMPTY_DRAFT = {
  stage: 'reached',
  version: 0,
  settings: { positions: {}, remedies: NO_REMEDIES },
  held: [],
} as const satisfies Omit<SettingSet, 'savedAt'>;

const settingsOf = ({ positions, remedies }: DraftEdit): Settings => ({ positions, remedies });

const savedDraft = (draft: DraftEdit, savedAt: string, revision: number): SavedDraft => ({
  ...EMPTY_DRAFT,
  settings: settingsOf(draft),
  held: draft.held,
  savedAt,
  revision,
});

/** Drafts come many a second; null where this one needs a closer look. */
async function saveSettingsAtOnce(
  ctx: Context,
  id: string,
  revision: number,
  draft: DraftEdit,
): Promise<Outcome<SavedDraft> | null> {
  const known = knownFittings(ctx).get(id);
  if (!known?.counts || draftFaults(known.counts, draft).length > 0) return null;
  const at = ctx.now().toISOString();
  const outcome = done(savedDraft(draft, at, revision + 1));
  const { request, store } = ctx;
  const saving = { id: ctx.newId(), settings: settingsOf(draft), held: draft.held, at };
  const on = { fittingId: id, version: known.version, revision };
  const answer = request && { key: request.key, first: { fingerprint: request.fingerprint, outcome } };
  return (await store.writeAtOnce((db) => writeDraftAtOnce(db, on, saving, answer))) ? outcome : null;
}

function saveSettingsWhole(
  ctx: Context,
  id: string,
  edited: EditedVersion,
  draft: DraftEdit,
): Promise<Outcome<SavedDraft>> {
  return write(ctx, async (q) => {
    const target = await findDraftTarget(q, id);
    if (!target) return refused('notFound');
    if (target.state !== 'open') return refused('closed');
    const revision = edited === 'any' ? target.draftRevision : edited;
    const fittingVersion = await advanceDraft(q, id, revision);
    if (fittingVersion === null) return refused('changedMeanwhile', { current: await detailOf(ctx, q, id) });
    const counts = await knownCounts(ctx, q, id, fittingVersion);
    if (!counts) return refused('incomplete');
    const faults = draftFaults(counts, draft);
    if (faults.length > 0) return refused('invalid', { faults });
    const savedAt = ctx.now().toISOString();
    await writeDraft(q, id, { id: ctx.newId(), settings: settingsOf(draft), held: draft.held, at: savedAt });
    return done(savedDraft(draft, savedAt, revision + 1));
  });
}

/** Accepts a solution, signs a fitting off, or opens it again. */
export const actOnFitting = useCase(
  'edit',
  'fitting',
  (ctx: Context, id: string, version: EditedVersion, act: FittingAct) =>
    write(ctx, async (q): Promise<Outcome<FittingDetail>> => {
      const seen = await fittingAsSeen(ctx, q, id, version);
      if (!seen.ok) return seen;
      const row = seen.value;
      const result = act.act === 'reopen' ? await reopen(ctx, q, row) : await settle(ctx, q, row, act);
      return result ?? done((await detailOf(ctx, q, id))!);
    }),
);

type Refusal = ReturnType<typeof refused>;

async function reopen(ctx: Context, q: Queries, row: FittingRow): Promise<Refusal | null> {
  const inputs = await composeInputs(ctx, q, row);
  const remedies = (await findDraft(q, row.id))?.settings.remedies ?? NO_REMEDIES;
  const postures = solvedPostures(inputs, row.postures, remedies);
  await updateFitting(q, row.id, { state: 'open', inputs, postures }, ctx.now().toISOString());
  return null;
}

async function settle(ctx: Context, q: Queries, row: FittingRow, act: FittingAct): Promise<Refusal | null> {
  if (row.state !== 'open') return refused('closed');
  if (!row.inputs) return refused('incomplete');
  // Solved anew is calculated as now; what was set before stays with the calculation that it was made by.
  const isOlder = act.act === 'solve' && row.inputs.coreVersion !== CORE_VERSION;
  const inputs = (isOlder ? await composeInputs(ctx, q, row) : null) ?? row.inputs;
  const doubts = caseDoubts(inputs);
  if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
  const problem = problemOf(inputs);
  const kept = await findDraft(q, row.id);
  const draft = act.settings ?? kept?.settings;
  const remedies = draft?.remedies ?? NO_REMEDIES;
  const held = act.held ?? (act.settings ? [] : (kept?.held ?? []));
  const asked = { positions: draft?.positions ?? {}, remedies, held };
  const faults = [...positionFaults(countsOf(inputs), asked.positions), ...heldFaults(asked)];
  if (faults.length > 0)
    return refused('invalid', {
      faults: faults.map((f) => ({
        ...f,
        pointer: f.pointer.replace(/^\/positions/, '/settings/positions'),
      })),
    });
  const pinned = Object.fromEntries(held.map((kind) => [kind, asked.positions[kind]!]));
  const settings =
    act.act === 'solve' || !draft ? solve(problem, { remedies, held: pinned }).settings : draft;
  if (act.act === 'signOff' && assess(problem, settings).refused) return refused('seatRefused');
  if (act.act === 'signOff' && row.pieceId && (await isStopped(q, row.pieceId))) return refused('doNotUse');
  const at = ctx.now().toISOString();
  await saveDraft(q, row.id, { id: ctx.newId(), settings, held, at });
  const walk = act.act === 'signOff' && act.walk ? await walkToSign(q, row.id, act.walk, inputs) : null;
  if (act.walk && !walk)
    return refused('invalid', { faults: [{ pointer: '/walk', detail: word('field.walkChanged') }] });
  const by = ctx.actor.fitter?.name ?? null;
  const stage = act.act === 'solve' ? 'computed' : 'left';
  const stays = walk ? staysAfter(inputs, walk) : {};
  const isSolvedAnew = act.act === 'solve' || Object.keys(stays).length > 0;
  const postures = isSolvedAnew
    ? solvedPostures(inputs, row.postures, settings.remedies, stays)
    : row.postures;
  const version = { settings, inputs, walk, postures, by, at };
  await insertSettingVersion(q, ctx.newId(), row.id, stage, version);
  if (walk) await keepFelt(ctx, q, row, inputs, walk);
  if (act.act === 'signOff') await notePiece(ctx, q, row, settings);
  const left = act.act === 'signOff' ? ({ state: 'left', date: today(ctx) } as const) : {};
  await updateFitting(q, row.id, { ...left, postures, ...(isOlder ? { inputs } : {}) }, at);
  return null;
}

/** What was signed off is what is set on the very seat, and its sitter is one of those who sit on it. */
async function notePiece(ctx: Context, q: Queries, row: FittingRow, settings: Settings): Promise<void> {
  const { pieceId, seatVersionId, sitterId, id: fittingId } = row;
  if (pieceId === null || seatVersionId === null) return;
  const look = { on: today(ctx), by: ctx.actor.fitter?.name ?? null, at: ctx.now().toISOString() };
  await putSetting(q, pieceId, { settings, seatVersionId, fittingId }, look);
  if (sitterId !== null) await addUser(q, pieceId, sitterId);
}

const choiceOf = ({ settings, hard, penalty, ended, bound, nodes, binding }: Choice): Choices['best'] => ({
  settings,
  hardTenths: hard,
  penaltyMillionths: penalty,
  ended,
  boundMillionths: bound,
  boxesOpened: nodes,
  binding: binding.map((b) => ({
    condition: b.id,
    hardTenths: b.hard,
    penaltyMillionths: b.penalty,
  })),
});

/** The best settings with the remedies in use, and the next best after them. */
export const fittingChoices = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string, count: number): Promise<Outcome<Choices>> => {
    const found = await fittingDetail(ctx, id);
    if (!found.ok) return found;
    const { inputs, draft } = found.value;
    if (!inputs) return refused('incomplete');
    const doubts = caseDoubts(inputs);
    if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
    const { best, next } = choicesOf(
      problemOf(inputs),
      { remedies: draft?.settings.remedies ?? NO_REMEDIES },
      count,
    );
    return done({ best: choiceOf(best), next: next.map(choiceOf) });
  },
);

/** Hides a fitting at once; it is erased when undoing is over. */
export const deleteFitting = useCase('delete', 'fitting', (ctx: Context, id: string) =>
  write(ctx, async (q): Promise<Outcome<Deletion>> => {
    const at = ctx.now();
    if (!(await markFitting(q, id, at.toISOString()))) return refused('notFound');
    return done(deletionOf(id, at));
  }),
);

/** Restores a deleted fitting, as long as nothing has been erased. */
export const restoreFitting = useCase('restore', 'fitting', (ctx: Context, id: string) =>
  write(ctx, async (q): Promise<Outcome<FittingSummary>> => {
    if (!(await markFitting(q, id, null))) return refused('notFound');
    const summary = await findFittingSummary(q, id);
    return summary ? done(summary) : refused('notFound');
  }),
);
