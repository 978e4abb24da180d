/** Setting a seat beside it: begun, added to from any device, and what the sitter's answers told. */
import { NO_REMEDIES, completeSettings, problemOf, solve, type FitInputs, type Settings } from '../core/fit';
import { walkOf, feltMeasures as measuresOf } from '../core/walk';
import { done, refused, type Outcome } from '../contract';
import {
  MOST_EVENTS,
  type GivenWalkEvent,
  type NewWalk,
  type NewWalkEvent,
  type NewWalkEvents,
  type WalkEvents,
  type WalkRecord,
  type WalkState,
} from '../contract/walks';
import type { Queries } from '../data/client';
import { isSameContent } from '../data/content';
import { findDraft, findFitting, findFittingSummary, type FittingRow } from '../data/fittings';
import { findPiece, isStopped } from '../data/pieces';
import { findSitter } from '../data/sitters';
import {
  countWalkEvents,
  feltOf,
  findSigned,
  findWalk,
  fittingOfWalk,
  insertFelt,
  insertWalk,
  insertWalkEvents,
  listWalkEvents,
  type FeltRow,
  type SignedWalk,
} from '../data/walks';
import { sayWith } from '../words';
import '../words/server';
import { write, type Context } from './context';
import { adjustmentsOf, countsOf, positionFaults } from './draft-faults';
import { useCase } from './rights';

async function stateOf(q: Queries, id: string): Promise<Outcome<WalkState>> {
  const [summary, row] = [await findFittingSummary(q, id), await findFitting(q, id)];
  if (!summary || !row) return refused('notFound');
  if (summary.sitter === null) return refused('erased');
  const piece = summary.piece && (await findPiece(q, summary.piece.id));
  const walk = await findWalk(q, id);
  const signed = await findSigned(q, id);
  return done({
    fitting: {
      id,
      version: row.version,
      state: row.state,
      sitter: summary.sitter.name,
      seat: summary.seat?.name ?? null,
      tag: piece?.tag ?? null,
      doNotUse: piece?.doNotUse ?? false,
      fitter: summary.fitter?.name ?? null,
    },
    walk,
    isCurrent: walk === null || isSameContent(walk.inputs, row.inputs),
    left: signed && { version: signed.version, savedAt: signed.savedAt, by: signed.by },
  });
}

/** The walk of a fitting as it stands; none where none was begun. */
export const walkState = useCase('read', 'fitting', (ctx: Context, id: string) => stateOf(ctx.store.db, id));

/** Where everything is to be set: as asked for, else as in the draft, else as solved. */
async function baseOf(q: Queries, inputs: FitInputs, row: FittingRow, asked?: Settings): Promise<Settings> {
  const problem = problemOf(inputs);
  const draft = asked ?? (await findDraft(q, row.id))?.settings;
  return draft ? completeSettings(problem, draft) : solve(problem, { remedies: NO_REMEDIES }).settings;
}

/** Of what was answered what still means the same: nothing of an adjustment that is another now. */
function carriedOver(walk: WalkRecord, inputs: FitInputs): readonly GivenWalkEvent[] {
  const [before, now] = [adjustmentsOf(walk.inputs), adjustmentsOf(inputs)];
  return walk.events.filter(({ step }) => {
    const kind = step.split(':')[1];
    const [was, is] = [before, now].map((all) => all.find((a) => a.kind === kind));
    return was === undefined || (is !== undefined && isSameContent(was, is));
  });
}

/**
 * The walk that a fitting would begin with, under the id it would have: a page shows its first step before anybody has
 * begun it. null where there is one already, or none can be begun.
 */
export const walkAhead = useCase(
  'read',
  'fitting',
  async (ctx: Context, id: string): Promise<Outcome<WalkRecord | null>> => {
    const { db } = ctx.store;
    const row = await findFitting(db, id);
    if (!row) return refused('notFound');
    if (row.state !== 'open' || row.sitterId === null || !row.inputs) return done(null);
    if ((row.pieceId && (await isStopped(db, row.pieceId))) || (await findWalk(db, id))) return done(null);
    return done({
      id: ctx.newId(),
      inputs: row.inputs,
      base: await baseOf(db, row.inputs, row),
      postures: row.postures,
      startedAt: ctx.now().toISOString(),
      startedBy: ctx.actor.fitter?.name ?? null,
      events: [],
    });
  },
);

/** Begins a walk, unless one is under way already: then that one is given, whoever began it. */
export const beginWalk = useCase('edit', 'fitting', (ctx: Context, id: string, asked: NewWalk) =>
  write(ctx, async (q): Promise<Outcome<WalkState>> => {
    const row = await findFitting(q, id);
    if (!row) return refused('notFound');
    if (row.sitterId === null) return refused('erased');
    const known = await fittingOfWalk(q, asked.id);
    if (known !== null) return known === id ? stateOf(q, id) : refused('idInUse');
    if (row.state !== 'open') return refused('closed');
    if (!row.inputs) return refused('incomplete');
    if (row.pieceId && (await isStopped(q, row.pieceId))) return refused('doNotUse');
    const earlier = await findWalk(q, id);
    if (!asked.again && earlier) return stateOf(q, id);
    const faults = positionFaults(countsOf(row.inputs), asked.settings?.positions ?? {});
    if (faults.length > 0)
      return refused('invalid', {
        faults: faults.map((f) => ({ ...f, pointer: `/settings${f.pointer}` })),
      });
    await insertWalk(q, {
      id: asked.id,
      fittingId: id,
      inputs: row.inputs,
      base: await baseOf(q, row.inputs, row, asked.settings),
      postures: row.postures,
      startedAt: ctx.now().toISOString(),
      startedBy: ctx.actor.fitter?.name ?? null,
    });
    const carried = earlier ? carriedOver(earlier, row.inputs) : [];
    if (carried.length > 0)
      await insertWalkEvents(
        q,
        asked.id,
        carried.map((event) => ({ ...event, id: ctx.newId() })),
      );
    return stateOf(q, id);
  }),
);

/** An answer from a device whose clock runs ahead counts as given when it came. */
function received(ctx: Context, event: NewWalkEvent): GivenWalkEvent {
  const now = ctx.now().toISOString();
  const at = new Date(event.at).toISOString();
  return { ...event, at: at > now ? now : at, by: ctx.actor.fitter?.name ?? null };
}

/**
 * Adds answers to a walk and gives all that it has. Whatever comes late is kept: also after signing off, and of a walk
 * that was begun anew; what was signed off does not change by it.
 */
export const addWalkEvents = useCase(
  'edit',
  'fitting',
  (ctx: Context, id: string, { walkId, events }: NewWalkEvents) =>
    write(ctx, async (q): Promise<Outcome<WalkEvents>> => {
      if (!(await findFitting(q, id)) || (await fittingOfWalk(q, walkId)) !== id) return refused('notFound');
      if ((await countWalkEvents(q, walkId)) + events.length > MOST_EVENTS)
        return refused('invalid', {
          faults: [{ pointer: '/events', detail: sayWith('field.walkFull', { most: MOST_EVENTS }) }],
        });
      await insertWalkEvents(
        q,
        walkId,
        events.map((event) => received(ctx, event)),
      );
      return done({ walkId, events: await listWalkEvents(q, walkId) });
    }),
);

/**
 * The newest walk of a fitting as it is signed off; null where it is another, or where seat or workstation have been
 * changed since it began: what was set would mean something else.
 */
export async function walkToSign(
  q: Queries,
  fittingId: string,
  walkId: string,
  { seat, place }: Pick<FitInputs, 'seat' | 'place'>,
): Promise<SignedWalk | null> {
  const walk = await findWalk(q, fittingId);
  const isSame =
    walk?.id === walkId &&
    isSameContent({ seat: walk.inputs.seat, place: walk.inputs.place }, { seat, place });
  return isSame ? { id: walk.id, base: walk.base, events: walk.events } : null;
}

/**
 * What stands where it is in every posture after a walk: what could not be moved, and what the sitter wanted so; the
 * lean of the back is each posture's own unless it is stuck.
 */
export function staysAfter(inputs: FitInputs, { base, events }: SignedWalk): Settings['positions'] {
  const { held, felt } = walkOf(problemOf(inputs), base, events);
  const wanted = Object.entries(felt)
    .filter(([kind]) => kind !== 'backAngle')
    .map(([kind, { position }]) => [kind, position]);
  return { ...(Object.fromEntries(wanted) as Settings['positions']), ...held };
}

/** Keeps what was felt on a walk, beside what was measured. */
export async function keepFelt(
  ctx: Context,
  q: Queries,
  { id, sitterId }: Pick<FittingRow, 'id' | 'sitterId'>,
  inputs: FitInputs,
  { base, events }: SignedWalk,
): Promise<void> {
  if (sitterId === null || !events.some((e) => e.answer === 'felt')) return;
  const felt = measuresOf(walkOf(problemOf(inputs), base, events));
  const takenAt = ctx.now().toISOString();
  const takenBy = ctx.actor.fitter?.name ?? null;
  const rows = felt.map((one) => ({ ...one, id: ctx.newId(), fittingId: id, takenAt, takenBy }));
  await insertFelt(q, sitterId, rows);
}

/** What a sitter has felt, the newest of each measure; it stands beside what was measured. */
export const feltBySitter = useCase(
  'read',
  'sitter',
  async (ctx: Context, id: string): Promise<Outcome<(FeltRow & { readonly basis: 'felt' })[]>> => {
    if (!(await findSitter(ctx.store.db, id))) return refused('notFound');
    return done((await feltOf(ctx.store.db, id)).map((row) => ({ ...row, basis: 'felt' })));
  },
);
