import { expect } from 'chai';
import { v7 } from 'uuid';
import type { DimensionId } from '../../src/core/body';
import type { ReadingEdit, MeasuringSessionEdit } from '../../src/contract';
import { deleteSitter, createSitter, sitterDetail, takeReading } from '../../src/service/sitters';
import {
  measuringSessions,
  repeatabilityOfFitters,
  saveMeasuringSession,
  saveTolerances,
  tolerances,
} from '../../src/service/measuring';
import { TolerancesSchema } from '../../src/contract/tolerances';
import { nextStep, progressOf, toleranceOf, type Tour } from '../../src/core/measuring';
import { tidy } from '../../src/service/deleting';
import { type Bench, actingAs, openBench } from '../support/context';
import { reasonOf, valueOf } from '../support/outcome';

const MINUTE = 60_000;

describe('a session of measuring', () => {
  let bench: Bench;
  let sitterId: string;
  const session = { id: v7(), shoesOn: false, clothes: 'work trousers', notes: '' };
  before(async () => {
    bench = await openBench();
    sitterId = v7();
    valueOf(await createSitter(bench.context, { id: sitterId, name: 'Runa Holm', birthDate: null }));
  });
  after(() => bench.close());
  beforeEach(() => bench.later(MINUTE));

  const hedda = () => actingAs(bench.context, 'Hedda');
  const begin = async (edit: MeasuringSessionEdit, version: number | null = null) =>
    saveMeasuringSession(hedda(), sitterId, version, edit);
  const take = (edit: Partial<ReadingEdit>) =>
    takeReading(actingAs(bench.context, 'Hedda'), sitterId, {
      dimension: 'poplitealHeight',
      value: null,
      ...edit,
    });
  const standing = async () => valueOf(await sitterDetail(bench.context, sitterId)).body.poplitealHeight;
  const sessions = async () => valueOf(await measuringSessions(bench.context, sitterId));

  it('is begun once, however often it is sent, and changed by the same id', async () => {
    for (const version of [null, null]) valueOf(await begin(session, version));
    valueOf(await begin({ ...session, notes: 'sat on a hard stool' }, 1));
    const [one, ...others] = await sessions();
    expect(others).to.deep.equal([]);
    expect(one).to.deep.include({ id: session.id, date: '2026-11-25', takenBy: 'Hedda', shoesOn: false });
    expect(one).to.deep.include({ clothes: 'work trousers', notes: 'sat on a hard stool', taken: [] });
  });

  it('is not written over: whoever changes it names the version that was seen', async () => {
    const mine = { ...session, notes: 'mine' };
    expect(reasonOf(await begin(mine))).to.equal('versionMissing');
    const late = await begin(mine, 1);
    expect(reasonOf(late)).to.equal('changedMeanwhile');
    expect(late).to.have.nested.property('current.notes', 'sat on a hard stool');
    // The same again needs no version: nothing is lost by it.
    valueOf(await begin({ ...session, notes: 'sat on a hard stool' }));
    expect(reasonOf(await begin({ ...mine, id: v7() }, 3))).to.equal('notFound');
  });

  it('belongs to one sitter', async () => {
    const other = v7();
    valueOf(await createSitter(bench.context, { id: other, name: 'Somebody Else', birthDate: null }));
    const taken = await saveMeasuringSession(bench.context, other, null, session);
    expect(taken.ok).to.equal(false);
    const reading = await takeReading(bench.context, other, {
      dimension: 'stature',
      value: null,
      takes: [1700],
      session: session.id,
    });
    expect(reading.ok ? null : reading.faults![0]!.pointer).to.equal('/session');
  });

  it('settles what it takes and keeps every single reading', async () => {
    valueOf(await take({ value: 430 }));
    bench.later(MINUTE);
    valueOf(await begin({ ...session, id: v7() }));
    valueOf(await take({ takes: [445], session: session.id, instrument: 'calliper' }));
    valueOf(await take({ takes: [445, 455], session: session.id, instrument: 'calliper' }));
    valueOf(await take({ takes: [445, 455, 447.5], session: session.id, instrument: 'calliper' }));
    expect(await standing()).to.deep.include({
      value: 447.5,
      source: 'median of three readings',
      instrument: 'calliper',
      takenBy: 'Hedda',
    });
    const mine = (await sessions()).find((s) => s.id === session.id)!;
    expect(mine.taken).to.have.length(1);
    expect(mine.taken[0]).to.deep.include({
      dimension: 'poplitealHeight',
      value: 447.5,
      takes: [445, 455, 447.5],
      isCurrent: true,
    });
    // What was read before, outside of any session, is told by its day.
    const apart = (await sessions()).find((s) => s.id === null)!;
    expect(apart.taken.map((t) => [t.value, t.isCurrent])).to.deep.equal([[430, false]]);
  });

  it('is taken back a reading at a time, down to what held before', async () => {
    valueOf(await take({ takes: [445], session: session.id }));
    expect((await standing())!.value).to.equal(445);
    const early = v7();
    valueOf(await begin({ ...session, id: early }));
    bench.later(MINUTE);
    valueOf(await take({ takes: [451], session: early }));
    expect((await standing())!.value).to.equal(451);
    valueOf(await take({ session: early }));
    expect((await standing())!.value).to.equal(445);
    const taken = (await sessions()).flatMap((s) => s.taken.map((t) => t.value));
    expect(taken).not.to.include(451);
  });

  it('is told only of what somebody else took since it began', async () => {
    bench.later(MINUTE);
    const seen = (await standing())!.takenAt;
    expect((await take({ takes: [446], session: session.id, seenReading: seen })).ok).to.equal(true);
    bench.later(MINUTE);
    // Its own reading stands now: it need not have seen it.
    expect((await take({ takes: [446, 448], session: session.id, seenReading: seen })).ok).to.equal(true);
    bench.later(MINUTE);
    valueOf(await take({ value: 452 }));
    const refusedNow = await take({ takes: [446, 449], session: session.id, seenReading: seen });
    expect(refusedNow.ok ? null : refusedNow.reason).to.equal('changedMeanwhile');
    valueOf(await take({ value: 445 }));
  });

  it('takes no reading that no body has, first, second or third', async () => {
    const found = await take({ takes: [445, 4450], session: session.id });
    expect(found.ok ? null : found.reason).to.equal('invalid');
    expect((await standing())!.value).to.equal(445);
  });

  it('tells how well each fitter’s two readings agree, without those that are made up', async () => {
    const other = v7();
    valueOf(await createSitter(bench.context, { id: other, name: 'Anders Vik', birthDate: null }));
    const mine = { ...session, id: v7() };
    valueOf(await saveMeasuringSession(actingAs(bench.context, 'Rowan'), other, null, mine));
    const pair = async (dimension: DimensionId, takes: number[], more: Partial<ReadingEdit> = {}) =>
      valueOf(
        await takeReading(actingAs(bench.context, 'Rowan'), other, {
          dimension,
          value: null,
          takes,
          session: mine.id,
          ...more,
        }),
      );
    await pair('kneeHeight', [540, 548, 543]);
    await pair('elbowHeightSitting', [240, 241]);
    await pair('hipBreadthSitting', [380, 420, 400], { instrument: 'simulatedCalliper' });
    await pair('bodyMass', [71]);
    const rowan = valueOf(await repeatabilityOfFitters(bench.context)).filter((r) => r.fitter === 'Rowan');
    // √(8² / 2) and √(1² / 2), by hand.
    expect(rowan.map(({ dimension, pairs, isToPractise }) => [dimension, pairs, isToPractise])).to.deep.equal(
      [
        ['kneeHeight', 1, true],
        ['elbowHeightSitting', 1, false],
      ],
    );
    expect(rowan[0]!.tem).to.be.closeTo(5.657, 1e-3);
    expect(rowan[1]!.tem).to.be.closeTo(0.7071, 1e-4);
  });

  it('goes with the sitter', async () => {
    valueOf(await deleteSitter(bench.context, sitterId));
    bench.later(24 * 60 * MINUTE);
    await tidy(bench.context);
    const { rows } = await bench.context.store.db.$client.execute(
      `select (select count(*) from measuring_sessions where sitter_id = '${sitterId}') + (select count(*) from readings where sitter_id = '${sitterId}')`,
    );
    expect(Number(rows[0]![0])).to.equal(0);
  });
});

describe('repeat tolerances of the practice’s own', () => {
  it('are kept, and are as usual where none is set', async () => {
    const bench = await openBench();
    expect(valueOf(await tolerances(bench.context))).to.deep.equal({ tolerances: {}, version: 1 });
    const first = valueOf(await saveTolerances(bench.context, 1, { stature: 8, bodyMass: 0.2 }));
    const late = await saveTolerances(bench.context, 1, { stature: 9 });
    expect(reasonOf(late)).to.equal('changedMeanwhile');
    expect(late).to.have.nested.property('current.tolerances.stature', 8);
    const { tolerances: own } = valueOf(await saveTolerances(bench.context, first.version, { stature: 3 }));
    expect(own).to.deep.equal({ stature: 3 });
    expect([toleranceOf('stature', own), toleranceOf('bodyMass', own)]).to.deep.equal([3, 0.5]);
    await bench.close();
  });

  it('decide whether a third reading is asked for', () => {
    const tour: Tour = {
      selection: ['stature'],
      takes: [
        { dimension: 'stature', value: 1700 },
        { dimension: 'stature', value: 1704 },
      ],
      skipped: [],
    };
    expect(nextStep(tour)).to.equal(null);
    expect(nextStep(tour, { stature: 3 })).to.deep.equal({ dimension: 'stature', reading: 3 });
    expect(progressOf(tour, { stature: 3 })).to.deep.equal({ taken: 2, of: 3 });
    expect(nextStep(tour, { stature: 4 })).to.equal(null);
  });

  it('lie between what a tape tells and what is no reading', () => {
    expect(TolerancesSchema.safeParse({ stature: 5, bodyMass: 0.1 }).success).to.equal(true);
    for (const bad of [{ stature: 0.5 }, { stature: 51 }, { bodyMass: 6 }, { height: 5 }, { stature: '5' }])
      expect(TolerancesSchema.safeParse(bad).success, JSON.stringify(bad)).to.equal(false);
  });
});
