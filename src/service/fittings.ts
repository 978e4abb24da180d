import { assess, problemOf, solve, type Settings } from '../core/fit';
import { positionCount, type AdjustmentKind } from '../core/seat';
import { deskOf } from '../core/place';
import { SHIPPED_METHODS } from '../core/method';
import {
  done,
  refused,
  type FieldFault,
  type FittingAct,
  type FittingDetail,
  type FittingEdit,
  type FittingSummary,
  type NewFitting,
  type Outcome,
  type SettingSet,
} from '../contract';
import { findMethodVersion, findPlaceVersion, findSeatVersion, newestMethodOf } from '../data/catalogue';
import type { Queries } from '../data/client';
import {
  dropDraft,
  findDraft,
  findFitting,
  findFittingSummary,
  insertFitting,
  insertSettingVersion,
  listFitters,
  listFittings,
  saveDraft,
  updateFitting,
  type FittingRow,
} from '../data/fittings';
import { bodyOf, findSitter } from '../data/sitters';
import { localDate, type Context } from './context';
import { composeInputs } from './inputs';

export const recentFittings = (ctx: Context, sitterId?: string): Promise<FittingSummary[]> =>
  listFittings(ctx.store.db, sitterId);

async function detailOf(q: Queries, id: string): Promise<FittingDetail | null> {
  const [summary, row] = [await findFittingSummary(q, id), await findFitting(q, id)];
  if (!summary || !row) return null;
  const sitter = await findSitter(q, row.sitterId);
  if (!sitter) return null;
  return {
    ...summary,
    toolsKg: row.toolsKg,
    sitter: { ...sitter, body: await bodyOf(q, row.sitterId) },
    inputs: row.inputs,
    draft: await findDraft(q, id),
  };
}

export async function fittingDetail(ctx: Context, id: string): Promise<Outcome<FittingDetail>> {
  const detail = await detailOf(ctx.store.db, id);
  return detail ? done(detail) : refused('notFound');
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
  return ctx.store.write(async (q) => {
    if (!(await findFitting(q, fitting.id))) {
      if (!(await findSitter(q, fitting.sitterId))) return refused('notFound');
      const faults = await danglingFaults(q, { fitterId: fitting.fitterId });
      if (faults.length > 0) return refused('invalid', { faults });
      const method = await newestMethodOf(q, SHIPPED_METHODS[0]!.id);
      if (!method) return refused('unexpected');
      await insertFitting(
        q,
        { ...fitting, methodVersionId: method.versionId, date: localDate(ctx.now()) },
        ctx.now().toISOString(),
      );
    }
    return done((await detailOf(q, fitting.id))!);
  });
}

/** Chooses seat, place, method, fitter or tools. Positions that no longer mean anything are dropped from the draft. */
export function editFitting(
  ctx: Context,
  id: string,
  version: number,
  edit: FittingEdit,
): Promise<Outcome<FittingDetail>> {
  return ctx.store.write(async (q) => {
    const row = await findFitting(q, id);
    if (!row) return refused('notFound');
    if (row.version !== version) return refused('changedMeanwhile', { current: await detailOf(q, id) });
    if (row.state !== 'open') return refused('closed');
    const faults = await danglingFaults(q, edit);
    if (faults.length > 0) return refused('invalid', { faults });
    const at = ctx.now().toISOString();
    const chosen = {
      ...row,
      ...Object.fromEntries(Object.entries(edit).filter(([, v]) => v !== undefined)),
    };
    await trimDraft(ctx, q, row, chosen);
    await updateFitting(q, id, { ...edit, inputs: await composeInputs(q, chosen, ctx.now()) }, at);
    return done((await detailOf(q, id))!);
  });
}

async function trimDraft(ctx: Context, q: Queries, before: FittingRow, after: FittingRow): Promise<void> {
  if (before.seatVersionId !== after.seatVersionId) return dropDraft(q, before.id);
  if (before.placeVersionId === after.placeVersionId) return;
  const draft = await findDraft(q, before.id);
  if (!draft) return;
  const positions = Object.fromEntries(
    Object.entries(draft.settings.positions).filter(([kind]) => kind !== 'deskHeight'),
  );
  await saveDraft(q, ctx.newId(), before.id, { ...draft.settings, positions }, ctx.now().toISOString());
}

/** Positions that this seat and place do not have, as faults. */
function positionFaults(row: FittingRow, settings: Settings) {
  const { inputs } = row;
  if (!inputs) return [];
  const desk = deskOf(inputs.place);
  const counts = new Map<AdjustmentKind, number>();
  for (const a of desk ? [...inputs.seat.adjustments, desk] : inputs.seat.adjustments)
    if (!counts.has(a.kind)) counts.set(a.kind, positionCount(a));
  return Object.entries(settings.positions).flatMap(([kind, position]) => {
    const count = counts.get(kind as AdjustmentKind);
    const detail =
      count === undefined ? 'This seat and place have no such adjustment.' : `Position 0 to ${count - 1}.`;
    return count !== undefined && position < count ? [] : [{ pointer: `/positions/${kind}`, detail }];
  });
}

/** Saves the draft settings. The draft is the fitter's own and is written over; versions are made by acts. */
export function saveSettings(ctx: Context, id: string, settings: Settings): Promise<Outcome<SettingSet>> {
  return ctx.store.write(async (q) => {
    const row = await findFitting(q, id);
    if (!row) return refused('notFound');
    if (row.state !== 'open') return refused('closed');
    if (!row.inputs) return refused('incomplete');
    const faults = positionFaults(row, settings);
    if (faults.length > 0) return refused('invalid', { faults });
    const savedAt = ctx.now().toISOString();
    await saveDraft(q, ctx.newId(), id, settings, savedAt);
    return done({ stage: 'reached' as const, version: 0, settings, savedAt });
  });
}

/** Solving accepted, handed over, or opened again. */
export function actOnFitting(
  ctx: Context,
  id: string,
  version: number,
  act: FittingAct,
): Promise<Outcome<FittingDetail>> {
  return ctx.store.write(async (q) => {
    const row = await findFitting(q, id);
    if (!row) return refused('notFound');
    if (row.version !== version) return refused('changedMeanwhile', { current: await detailOf(q, id) });
    const result = act.act === 'reopen' ? await reopen(ctx, q, row) : await settle(ctx, q, row, act);
    return result ?? done((await detailOf(q, id))!);
  });
}

type Refusal = ReturnType<typeof refused>;

async function reopen(ctx: Context, q: Queries, row: FittingRow): Promise<Refusal | null> {
  const inputs = await composeInputs(q, row, ctx.now());
  await updateFitting(q, row.id, { state: 'open', inputs }, ctx.now().toISOString());
  return null;
}

async function settle(ctx: Context, q: Queries, row: FittingRow, act: FittingAct): Promise<Refusal | null> {
  if (row.state !== 'open') return refused('closed');
  if (!row.inputs) return refused('incomplete');
  const problem = problemOf(row.inputs);
  const draft = act.settings ?? (await findDraft(q, row.id))?.settings;
  const remedies = draft?.remedies ?? { footrestMm: 0, backCushionMm: 0 };
  const settings = act.act === 'solve' || !draft ? solve(problem, { remedies }).settings : draft;
  const faults = positionFaults(row, settings);
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
  await updateFitting(
    q,
    row.id,
    act.act === 'leave' ? { state: 'left', date: localDate(ctx.now()) } : {},
    at,
  );
  return null;
}
