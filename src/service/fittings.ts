import {
  NO_REMEDIES,
  assess,
  caseDoubts,
  choicesOf,
  problemOf,
  solve,
  type Choice,
  type FitInputs,
  type Settings,
} from '../core/fit';
import { ADJUSTMENT_KINDS, positionCount, valueAt, type Adjustment, type AdjustmentKind } from '../core/seat';
import { SHIPPED_METHODS } from '../core/method';
import {
  done,
  refused,
  type Choices,
  type Deletion,
  type FieldFault,
  type FittingAct,
  type FittingDetail,
  type FittingEdit,
  type FittingSummary,
  type NewFitting,
  type Outcome,
  type Remains,
  type SavedDraft,
} from '../contract';
import { findMethodVersion, findPlaceVersion, findSeatVersion, newestMethodOf } from '../data/catalogue';
import { sayCaseDoubt } from '../words';
import type { Queries } from '../data/client';
import {
  advanceDraft,
  dropDraft,
  findDraft,
  findDraftTarget,
  findFitting,
  findFittingSummary,
  insertFitting,
  insertSettingVersion,
  listFitters,
  lastSettings,
  listFittings,
  markFitting,
  saveDraft,
  updateFitting,
  writeDraft,
  writeDraftAtOnce,
  type FittingRow,
} from '../data/fittings';
import { bodyOf, findSitter } from '../data/sitters';
import { today, write, type Context } from './context';
import { deletionOf } from './deleting';
import { bodyForFitting, composeInputs } from './inputs';

export const recentFittings = (ctx: Context, sitterId?: string): Promise<FittingSummary[]> =>
  listFittings(ctx.store.db, sitterId);

async function detailOf(ctx: Context, q: Queries, id: string): Promise<FittingDetail | null> {
  const [summary, row] = [await findFittingSummary(q, id), await findFitting(q, id)];
  if (!summary || row?.sitterId == null) return null;
  const sitter = await findSitter(q, row.sitterId);
  if (!sitter) return null;
  return {
    ...summary,
    toolsKg: row.toolsKg,
    fillIn: row.fillIn,
    sitter: { ...sitter, body: await bodyOf(q, row.sitterId) },
    body: await bodyForFitting(ctx, q, row, sitter),
    inputs: row.inputs,
    draft: await findDraft(q, id),
  };
}

export async function fittingDetail(ctx: Context, id: string): Promise<Outcome<FittingDetail>> {
  const { db } = ctx.store;
  const detail = await detailOf(ctx, db, id);
  if (detail) return done(detail);
  return refused((await findFitting(db, id))?.sitterId === null ? 'erased' : 'notFound');
}

/** What is kept of a fitting whose sitter was erased. */
export async function fittingRemains(ctx: Context, id: string): Promise<Outcome<Remains>> {
  const { db } = ctx.store;
  const [summary, row] = [await findFittingSummary(db, id), await findFitting(db, id)];
  if (!summary || row?.sitterId !== null) return refused('notFound');
  const [seat, place] = [
    row.seatVersionId === null ? null : await findSeatVersion(db, row.seatVersionId),
    row.placeVersionId === null ? null : await findPlaceVersion(db, row.placeVersionId),
  ];
  const kept = await lastSettings(db, id);
  const adjustments = seat ? adjustmentsOf({ seat, place }) : [];
  return done({
    id,
    date: summary.date,
    seat: seat?.name ?? null,
    place: place?.name ?? null,
    method: summary.method.name,
    settings: adjustments.flatMap((a) => {
      const position = kept?.positions[a.kind];
      return position === undefined
        ? []
        : [
            {
              adjustment: a.kind,
              position,
              of: positionCount(a),
              value: valueAt(a, position),
              unit: a.unit,
            },
          ];
    }),
  });
}

/** What an edit points at and is not there, as faults with a pointer to the field. */
async function danglingFaults(q: Queries, edit: FittingEdit): Promise<FieldFault[]> {
  const detail = 'There is no such record.';
  const missing: [string, boolean][] = [
    ['/seatVersionId', !!edit.seatVersionId && !(await findSeatVersion(q, edit.seatVersionId))],
    ['/placeVersionId', !!edit.placeVersionId && !(await findPlaceVersion(q, edit.placeVersionId))],
    ['/methodVersionId', !!edit.methodVersionId && !(await findMethodVersion(q, edit.methodVersionId))],
    ['/fitterId', !!edit.fitterId && !(await listFitters(q)).some((f) => f.id === edit.fitterId)],
  ];
  return missing.filter(([, isMissing]) => isMissing).map(([pointer]) => ({ pointer, detail }));
}

/** Opens a fitting of a sitter with the first shipped method; the same id again gives the first record. */
export function createFitting(ctx: Context, fitting: NewFitting): Promise<Outcome<FittingDetail>> {
  return write(ctx, async (q) => {
    if (!(await findFitting(q, fitting.id))) {
      if (!(await findSitter(q, fitting.sitterId))) return refused('notFound');
      const faults = await danglingFaults(q, { fitterId: fitting.fitterId });
      if (faults.length > 0) return refused('invalid', { faults });
      const method = await newestMethodOf(q, SHIPPED_METHODS[0]!.id);
      if (!method) return refused('unexpected');
      await insertFitting(
        q,
        { ...fitting, methodVersionId: method.versionId, date: today(ctx), fillIn: true },
        ctx.now().toISOString(),
      );
    }
    return done((await detailOf(ctx, q, fitting.id))!);
  });
}

/** Chooses seat, place, method, fitter or tools. Positions that no longer mean anything are dropped from the draft. */
export function editFitting(
  ctx: Context,
  id: string,
  version: number,
  edit: FittingEdit,
): Promise<Outcome<FittingDetail>> {
  return write(ctx, async (q) => {
    const row = await findFitting(q, id);
    if (!row) return refused('notFound');
    if (row.version !== version) return refused('changedMeanwhile', { current: await detailOf(ctx, q, id) });
    if (row.state !== 'open') return refused('closed');
    const faults = await danglingFaults(q, edit);
    if (faults.length > 0) return refused('invalid', { faults });
    const at = ctx.now().toISOString();
    const chosen = {
      ...row,
      ...Object.fromEntries(Object.entries(edit).filter(([, v]) => v !== undefined)),
    };
    await trimDraft(ctx, q, row, chosen);
    await updateFitting(q, id, { ...edit, inputs: await composeInputs(ctx, q, chosen) }, at);
    return done((await detailOf(ctx, q, id))!);
  });
}

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
  await saveDraft(q, ctx.newId(), before.id, { ...draft.settings, positions }, ctx.now().toISOString());
}

/** The adjustments that settings speak of: those of the seat and the place, the first of each kind. */
function adjustmentsOf({ seat, place }: Pick<FitInputs, 'seat' | 'place'>): Adjustment[] {
  const all = [...seat.adjustments, ...(place?.adjustments ?? [])];
  return all.filter((a, i) => all.findIndex((b) => b.kind === a.kind) === i);
}

type Counts = ReadonlyMap<AdjustmentKind, number>;
const countsOf = (inputs: FitInputs): Counts =>
  new Map(adjustmentsOf(inputs).map((a) => [a.kind, positionCount(a)]));

interface Known {
  /** Of the fitting. */
  readonly version: number;
  /** null where no seat is chosen. */
  readonly counts: Counts | null;
}

/** Position counts by fitting: drafts come many a minute, and the inputs are long to read. */
const knownIn = new WeakMap<Context['store'], Map<string, Known>>();
const MOST_KNOWN = 500;

function knownFittings({ store }: Context): Map<string, Known> {
  const known = knownIn.get(store) ?? new Map<string, Known>();
  knownIn.set(store, known);
  return known;
}

async function knownCounts(ctx: Context, q: Queries, id: string, version: number): Promise<Counts | null> {
  const known = knownFittings(ctx);
  const found = known.get(id);
  if (found?.version === version) return found.counts;
  const inputs = (await findFitting(q, id))?.inputs;
  const counts = inputs ? countsOf(inputs) : null;
  if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
  known.set(id, { version, counts });
  return counts;
}

/** Positions that this seat and place do not have, as faults. */
function positionFaults(counts: Counts, settings: Settings): FieldFault[] {
  return Object.entries(settings.positions).flatMap(([kind, position]) => {
    const count = counts.get(kind as AdjustmentKind);
    const detail =
      count === undefined ? 'This seat and place have no such adjustment.' : `Position 0 to ${count - 1}.`;
    return count !== undefined && position < count ? [] : [{ pointer: `/positions/${kind}`, detail }];
  });
}

/**
 * Saves the draft settings. The draft is written over; versions are made by acts.
 * @param revision the draft's revision that was changed; another one now is answered with the whole fitting
 */
export async function saveSettings(
  ctx: Context,
  id: string,
  revision: number,
  settings: Settings,
): Promise<Outcome<SavedDraft>> {
  return (
    (await saveSettingsAtOnce(ctx, id, revision, settings)) ?? saveSettingsWhole(ctx, id, revision, settings)
  );
}

const savedDraft = (settings: Settings, savedAt: string, revision: number): SavedDraft => ({
  stage: 'reached',
  version: 0,
  settings,
  savedAt,
  revision,
});

/** Drafts come many a second; null where this one needs a closer look. */
async function saveSettingsAtOnce(
  ctx: Context,
  id: string,
  revision: number,
  settings: Settings,
): Promise<Outcome<SavedDraft> | null> {
  const known = knownFittings(ctx).get(id);
  if (!known?.counts || positionFaults(known.counts, settings).length > 0) return null;
  const at = ctx.now().toISOString();
  const outcome = done(savedDraft(settings, at, revision + 1));
  const { request, store } = ctx;
  const draft = { id: ctx.newId(), fittingId: id, version: known.version, revision, settings, at };
  const answer = request && { key: request.key, first: { fingerprint: request.fingerprint, outcome } };
  return (await store.writeAtOnce((db) => writeDraftAtOnce(db, draft, answer))) ? outcome : null;
}

function saveSettingsWhole(
  ctx: Context,
  id: string,
  revision: number,
  settings: Settings,
): Promise<Outcome<SavedDraft>> {
  return write(ctx, async (q) => {
    const fittingVersion = await advanceDraft(q, id, revision);
    if (fittingVersion === null) {
      const row = await findDraftTarget(q, id);
      if (!row) return refused('notFound');
      if (row.state !== 'open') return refused('closed');
      return refused('changedMeanwhile', { current: await detailOf(ctx, q, id) });
    }
    const counts = await knownCounts(ctx, q, id, fittingVersion);
    if (!counts) return refused('incomplete');
    const faults = positionFaults(counts, settings);
    if (faults.length > 0) return refused('invalid', { faults });
    const savedAt = ctx.now().toISOString();
    await writeDraft(q, ctx.newId(), id, settings, savedAt);
    return done(savedDraft(settings, savedAt, revision + 1));
  });
}

/** Solving accepted, handed over, or opened again. */
export function actOnFitting(
  ctx: Context,
  id: string,
  version: number,
  act: FittingAct,
): Promise<Outcome<FittingDetail>> {
  return write(ctx, async (q) => {
    const row = await findFitting(q, id);
    if (!row) return refused('notFound');
    if (row.version !== version) return refused('changedMeanwhile', { current: await detailOf(ctx, q, id) });
    const result = act.act === 'reopen' ? await reopen(ctx, q, row) : await settle(ctx, q, row, act);
    return result ?? done((await detailOf(ctx, q, id))!);
  });
}

type Refusal = ReturnType<typeof refused>;

async function reopen(ctx: Context, q: Queries, row: FittingRow): Promise<Refusal | null> {
  const inputs = await composeInputs(ctx, q, row);
  await updateFitting(q, row.id, { state: 'open', inputs }, ctx.now().toISOString());
  return null;
}

/** Where the adjustments stand that solving leaves alone. */
const heldOf = ({ settings, held = [] }: FittingAct): Settings['positions'] =>
  Object.fromEntries(
    held.flatMap((kind) => {
      const position = settings?.positions[kind];
      return position === undefined ? [] : [[kind, position]];
    }),
  );

async function settle(ctx: Context, q: Queries, row: FittingRow, act: FittingAct): Promise<Refusal | null> {
  if (row.state !== 'open') return refused('closed');
  if (!row.inputs) return refused('incomplete');
  const doubts = caseDoubts(row.inputs);
  if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
  const problem = problemOf(row.inputs);
  const draft = act.settings ?? (await findDraft(q, row.id))?.settings;
  const remedies = draft?.remedies ?? NO_REMEDIES;
  const held = heldOf(act);
  const settings = act.act === 'solve' || !draft ? solve(problem, { remedies, held }).settings : draft;
  const faults = positionFaults(countsOf(row.inputs), {
    ...settings,
    positions: { ...settings.positions, ...held },
  });
  if (faults.length > 0) return refused('invalid', { faults });
  if (act.act === 'leave' && assess(problem, settings).refused) return refused('seatRefused');
  const at = ctx.now().toISOString();
  await saveDraft(q, ctx.newId(), row.id, settings, at);
  await insertSettingVersion(
    q,
    ctx.newId(),
    row.id,
    act.act === 'solve' ? 'computed' : 'left',
    settings,
    row.inputs,
    at,
  );
  await updateFitting(q, row.id, act.act === 'leave' ? { state: 'left', date: today(ctx) } : {}, at);
  return null;
}

const choiceOf = ({ settings, hard, penalty, bound, nodes, binding }: Choice): Choices['best'] => ({
  settings,
  hardTenths: hard,
  penaltyMillionths: penalty,
  boundMillionths: bound,
  boxes: nodes,
  binding: binding.map((b) => ({
    condition: b.id,
    hardTenths: b.hard,
    penaltyMillionths: b.penalty,
  })),
});

/** The best settings with the remedies in use, and the next best after them. */
export async function fittingChoices(ctx: Context, id: string, count: number): Promise<Outcome<Choices>> {
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
}

/** Hides a fitting at once; it is erased when undoing is over. */
export function deleteFitting(ctx: Context, id: string): Promise<Outcome<Deletion>> {
  return write(ctx, async (q) => {
    const at = ctx.now();
    if (!(await markFitting(q, id, at.toISOString()))) return refused('notFound');
    return done(deletionOf(id, at));
  });
}

/** Takes a deletion back, as long as nothing has been erased. */
export function restoreFitting(ctx: Context, id: string): Promise<Outcome<FittingSummary>> {
  return write(ctx, async (q) => {
    if (!(await markFitting(q, id, null))) return refused('notFound');
    const summary = await findFittingSummary(q, id);
    return summary ? done(summary) : refused('notFound');
  });
}
