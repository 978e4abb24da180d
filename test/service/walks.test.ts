/** Walks at the seat as they are kept: begun once, added to from two devices, signed off with what was felt. */
import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FittingDetail } from '../../src/contract';
import type { NewWalkEvent, WalkState } from '../../src/contract/walks';
import { problemOf } from '../../src/core/fit';
import { leftOf, leftSettings, walkOf, type WalkEvent } from '../../src/core/walk';
import { findSigned } from '../../src/data/walks';
import { fittingCard, fittingCardJson, linkedCard, type FittingCard } from '../../src/service/card';
import { addCardLink } from '../../src/service/card-links';
import { tidy } from '../../src/service/deleting';
import { everythingAbout } from '../../src/service/exchange';
import { actOnFitting, editFitting, fittingDetail, recentFittings } from '../../src/service/fittings';
import { createPiece, reportFault } from '../../src/service/pieces';
import { allSeats, editSeat } from '../../src/service/seats';
import { deleteSitter } from '../../src/service/sitters';
import { addWalkEvents, beginWalk, feltBySitter, walkState } from '../../src/service/walks';
import type { Context } from '../../src/service/context';
import { DEFAULT_READING } from '../../src/words';
import { actingAs, bytesOf, openBench, type Bench } from '../support/context';
import { readRows } from '../support/read-database';
import { valueOf } from '../support/outcome';

const HOUR_MS = 3_600_000;
const ALL = { limit: 200 };

describe('a walk at the seat, kept', () => {
  let bench: Bench;
  let ctx: Context;
  let fitting: FittingDetail;
  beforeEach(async () => {
    bench = await openBench({ demo: true });
    ctx = actingAs(bench.context, 'Hedda Kvist');
    const { items } = valueOf(await recentFittings(ctx, ALL));
    const piet = items.find((f) => f.sitter?.name === 'Piet Lunder')!;
    fitting = valueOf(await fittingDetail(ctx, piet.id));
  });
  afterEach(() => bench.close());

  const begun = async (again = false): Promise<WalkState> =>
    valueOf(await beginWalk(ctx, fitting.id, { id: v7(), ...(again && { again: true as const }) }));
  const event = (step: string, more: Partial<NewWalkEvent> = {}): NewWalkEvent => ({
    id: v7(),
    step,
    answer: 'done',
    at: ctx.now().toISOString(),
    ...more,
  });
  const add = async (state: WalkState, ...events: NewWalkEvent[]) =>
    valueOf(await addWalkEvents(ctx, fitting.id, { walkId: state.walk!.id, events }));
  const now = async () => valueOf(await walkState(ctx, fitting.id));

  /** Everything done as calculated, but for what a step is answered otherwise. */
  async function walkThrough(state: WalkState, others: Readonly<Record<string, Partial<WalkEvent>>> = {}) {
    const { walk } = state;
    const p = problemOf(walk!.inputs);
    const all: NewWalkEvent[] = [];
    for (let n = 0; n < 60; n++) {
      const at = walkOf(p, walk!.base, all, { postures: walk!.postures.length });
      if (!at.next) break;
      const { id } = at.next;
      const kind = id.split(':')[1] as keyof typeof at.target.positions | undefined;
      const position = kind && (at.felt[kind]?.position ?? at.target.positions[kind]);
      const isFirst = !all.some((e) => e.step === id);
      all.push(
        event(id, { ...(position !== undefined && { position }), ...((isFirst && others[id]) || {}) }),
      );
    }
    await add(state, ...all);
    const events = all;
    const after = walkOf(p, walk!.base, events, { postures: walk!.postures.length });
    return { p, walk: after, events, settings: leftSettings(after, events) };
  }

  it('is begun once, whoever else begins it', async () => {
    const first = await begun();
    const second = await begun();
    expect(second.walk!.id).to.equal(first.walk!.id);
    expect(first.walk!.startedBy).to.equal('Hedda Kvist');
    expect(first.isCurrent).to.equal(true);
    expect(first.walk!.base.positions).to.deep.equal(fitting.draft!.settings.positions);
    const third = await begun(true);
    expect(third.walk!.id).not.to.equal(first.walk!.id);
  });

  it('keeps every answer once, in the order in which they were given, also those that come late', async () => {
    const state = await begun();
    const early = event('set:seatHeight', { at: '2026-11-25T08:00:00.000Z', answer: 'stuck', position: 3 });
    const late = event('set:seatHeight', { at: '2026-11-25T08:10:00.000Z', position: 7, device: 'a' });
    const ahead = event('sit', { at: '2031-01-01T00:00:00.000Z' });
    await add(state, late, ahead);
    const { events } = await add(state, early, late);
    expect(events.map((e) => e.id)).to.deep.equal([early.id, late.id, ahead.id]);
    // A clock that runs ahead is set to when the answer came.
    expect(events.at(-1)!.at).to.equal(ctx.now().toISOString());
    expect(events[0]).to.include({ answer: 'stuck', by: 'Hedda Kvist' });
    expect((await now()).walk!.events).to.deep.equal(events);
  });

  it('has no place for answers to another walk, nor for more than it holds', async () => {
    const state = await begun();
    const none = await addWalkEvents(ctx, fitting.id, { walkId: v7(), events: [event('sit')] });
    expect(none).to.deep.include({ ok: false, reason: 'notFound' });
    for (let i = 0; i < 20; i++) await add(state, ...Array.from({ length: 100 }, () => event('sit')));
    const full = await addWalkEvents(ctx, fitting.id, { walkId: state.walk!.id, events: [event('sit')] });
    expect(full.ok ? null : full.faults?.[0]?.pointer).to.equal('/events');
  });

  it('is signed off with what stands, by whom, and as the next version when it is done again', async () => {
    const state = await begun();
    const done = await walkThrough(state, {
      'set:seatHeight': { answer: 'stuck', position: 0, reason: 'jammed', note: 'lever bent' },
    });
    expect(done.settings.positions.seatHeight).to.equal(0);
    const act = { act: 'signOff', settings: done.settings, walk: state.walk!.id } as const;
    const left = valueOf(await actOnFitting(ctx, fitting.id, fitting.version, act));
    expect(left.state).to.equal('left');
    expect((await now()).left).to.include({ version: 1, by: 'Hedda Kvist' });
    const signed = (await findSigned(ctx.store.db, fitting.id))!;
    expect(signed.walk!.events).to.have.length(done.events.length);
    const rows = leftOf(done.p, signed.walk!.base, done.walk, signed.walk!.events);
    const height = rows.find((r) => r.kind === 'seatHeight')!;
    expect(height.why.map((m) => m.key)).to.include('left.why.jammed');
    expect(height.note).to.equal('lever bent');
    expect(height.left).not.to.deep.equal(height.computed);
    // The card for the record tells of it, and of nothing once the fitting is open again.
    const { asLeft } = valueOf(await fittingCardJson(ctx, fitting.id, DEFAULT_READING));
    expect(asLeft).to.deep.include({ by: 'Hedda Kvist' });
    const told = asLeft!.settings.find((row) => row.adjustment === 'seatHeight')!;
    expect(told).to.deep.include({ why: ['Could not be set: jammed'], note: 'lever bent' });
    expect(told.left).not.to.equal(told.calculated);
    const reopened = valueOf(await actOnFitting(ctx, fitting.id, left.version, { act: 'reopen' }));
    expect(valueOf(await fittingCardJson(ctx, fitting.id, DEFAULT_READING)).asLeft).to.equal(null);
    const again = await begun(true);
    // What was answered before still counts.
    expect(again.walk!.events).to.have.length(done.events.length);
    const second = { ...act, walk: again.walk!.id };
    valueOf(await actOnFitting(ctx, fitting.id, reopened.version, second));
    expect((await now()).left).to.include({ version: 2 });
    // Answers that come after that are kept, and change nothing of it.
    await add(again, event('set:seatHeight', { position: 9 }));
    expect((await findSigned(ctx.store.db, fitting.id))!.walk!.events).to.have.length(done.events.length);
  });

  it('leaves what could not be moved where it is in the other postures, on the card and by its link', async () => {
    const { items } = valueOf(await recentFittings(ctx, ALL));
    const ines = items.find((f) => f.sitter?.name === 'Ines Farrowby')!;
    fitting = valueOf(await fittingDetail(ctx, ines.id));
    expect(fitting.postures.length).to.be.greaterThan(1);
    const state = await begun();
    const done = await walkThrough(state, {
      'set:deskHeight': { answer: 'stuck', position: 5, reason: 'jammed' },
    });
    const asked = fitting.postures.map(({ settings }) => settings!.positions.deskHeight);
    expect(asked).not.to.include(5);
    const act = { act: 'signOff', settings: done.settings, walk: state.walk!.id } as const;
    const left = valueOf(await actOnFitting(ctx, fitting.id, fitting.version, act));
    for (const { settings } of left.postures) expect(settings!.positions.deskHeight).to.equal(5);
    const rowsOf = ({ card }: FittingCard) => card.postures.map(({ rows }) => rows.map(({ kind }) => kind));
    const onCard = rowsOf(valueOf(await fittingCard(ctx, fitting.id)));
    expect(onCard).to.have.length(fitting.postures.length);
    expect(onCard.flat()).not.to.include('deskHeight');
    // Opened again they are solved anew; what the link shows stays as it was signed off.
    const { token } = valueOf(await addCardLink(ctx, fitting.id));
    valueOf(await actOnFitting(ctx, fitting.id, left.version, { act: 'reopen' }));
    expect(rowsOf(valueOf(await fittingCard(ctx, fitting.id))).flat()).to.include('deskHeight');
    expect(rowsOf(valueOf(await linkedCard(ctx, token)))).to.deep.equal(onCard);
  });

  it('keeps what was felt beside what was measured: the next fitting counts with both', async () => {
    const state = await begun();
    const elbow = fitting.sitter.body.elbowHeightSitting!;
    const base = state.walk!.base.positions.armHeight!;
    const done = await walkThrough(state, {
      'set:armHeight': { answer: 'felt', feel: 'hanging', position: base },
    });
    // The last answer to it was not a feeling: it stays as it was put.
    expect(done.settings.positions.armHeight).to.be.greaterThan(base);
    const act = { act: 'signOff', settings: done.settings, walk: state.walk!.id } as const;
    const left = valueOf(await actOnFitting(ctx, fitting.id, fitting.version, act));
    const [felt] = valueOf(await feltBySitter(ctx, fitting.sitter.id));
    expect(felt).to.include({ dimension: 'elbowHeightSitting', basis: 'felt', takenBy: 'Hedda Kvist' });
    expect(felt!.value).to.be.greaterThan(elbow.value);
    const after = valueOf(await fittingDetail(ctx, fitting.id));
    expect(after.sitter.body.elbowHeightSitting).to.deep.equal(elbow);
    const reopened = valueOf(await actOnFitting(ctx, fitting.id, left.version, { act: 'reopen' }));
    const used = reopened.inputs!.body.elbowHeightSitting!;
    expect(used.value).to.be.within(elbow.value + 0.1, felt!.value);
    expect(used.spread).to.be.lessThan(elbow.spread);
    expect(used.basis).to.equal('measured');
  });

  it('goes on with what it started from, and is not signed off on a seat that has changed', async () => {
    const state = await begun();
    const done = await walkThrough(state);
    const { seat, version, versionId } = valueOf(await allSeats(ctx)).find(
      (s) => s.versionId === fitting.seat!.versionId,
    )!;
    const changed = {
      ...seat,
      adjustments: seat.adjustments.map((a) =>
        a.kind === 'armHeight' ? { ...a, creeps: true as const } : a,
      ),
    };
    const saved = valueOf(await editSeat(ctx, changed.id, version, changed));
    expect(saved.versionId).not.to.equal(versionId);
    const edited = valueOf(
      await editFitting(ctx, fitting.id, fitting.version, { seatVersionId: saved.versionId }),
    );
    const after = await now();
    expect(after.isCurrent).to.equal(false);
    expect(after.walk!.inputs.seat).to.deep.equal(seat);
    const act = { act: 'signOff', settings: done.settings, walk: state.walk!.id } as const;
    const refusal = await actOnFitting(ctx, fitting.id, edited.version, act);
    expect(refusal.ok ? null : refusal.faults?.[0]?.pointer).to.equal('/walk');
    const again = await begun(true);
    const steps = again.walk!.events.map((e) => e.step);
    expect(steps).to.include('set:seatHeight');
    expect(steps).not.to.include('set:armHeight');
    expect(again.isCurrent).to.equal(true);
  });

  it('is not begun on a seat that nobody may use, and says so while it goes on', async () => {
    const state = await begun();
    const seatId = valueOf(await allSeats(ctx)).find((s) => s.versionId === fitting.seat!.versionId)!.seat.id;
    const piece = valueOf(await createPiece(ctx, { id: v7(), tag: 'ZZ-1', seatId }));
    const named = valueOf(await editFitting(ctx, fitting.id, fitting.version, { pieceId: piece.id }));
    expect(named.piece?.tag).to.equal('ZZ-1');
    valueOf(await reportFault(ctx, piece.id, { kind: 'liftSinks', note: '', doNotUse: true }));
    expect((await now()).fitting).to.include({ doNotUse: true, tag: 'ZZ-1' });
    expect(await beginWalk(ctx, fitting.id, { id: v7(), again: true })).to.include({ reason: 'doNotUse' });
    // What is answered all the same is not lost.
    expect((await add(state, event('sit'))).events).to.have.length(1);
  });

  it('goes with the sitter who is deleted, and is told to whoever asks what is kept', async () => {
    const state = await begun();
    await add(state, event('sit', { answer: 'stuck', reason: 'other', note: 'quillwort' }));
    const told = valueOf(await everythingAbout(ctx, fitting.sitter.id));
    expect(told).to.include('quillwort');
    valueOf(await deleteSitter(ctx, fitting.sitter.id));
    bench.later(2 * HOUR_MS);
    await tidy(ctx);
    expect(await readRows(bench.folder, 'select id from walks')).to.deep.equal([]);
    expect(bytesOf(bench)).not.to.include('quillwort');
  });
});
