import { expect } from 'chai';
import { v7 } from 'uuid';
import { NO_REMEDIES, problemOf, solve } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import type { FittingDetail, PlaceEdit, SitterDetail } from '../../src/contract';
import { DEFAULT_READING } from '../../src/words';
import { fittingCard, fittingCardJson } from '../../src/service/card';
import {
  addFitter,
  allFitters,
  allMethods,
  allPlaces,
  ensureShippedMethods,
  addPlace,
  editPlace,
  fitterOf,
} from '../../src/service/catalogue';
import { allSeats } from '../../src/service/seats';
import { ageOn, systemClock, today } from '../../src/service/context';
import {
  actOnFitting,
  createFitting,
  editFitting,
  fittingDetail,
  saveSettings,
} from '../../src/service/fittings';
import { createSitter, editSitter, sitterDetail, takeReading } from '../../src/service/sitters';
import { ROUND, adjustment, listed, slides } from '../support/inputs';
import { actingAs, fittingsOf, found, openBench, type Bench } from '../support/context';
import { reasonOf, valueOf } from '../support/outcome';

describe('what a fitter does', () => {
  let bench: Bench;
  before(async () => {
    bench = await openBench({ demo: true });
  });
  after(() => bench.close());

  async function newSitter(birthDate: string | null = null): Promise<SitterDetail> {
    return valueOf(await createSitter(bench.context, { id: v7(), name: 'Test Sitter', birthDate }));
  }

  async function measured(): Promise<SitterDetail> {
    const sitter = await newSitter();
    for (const [dimension, value] of Object.entries(ROUND))
      valueOf(
        await takeReading(bench.context, sitter.id, { dimension: dimension as keyof typeof ROUND, value }),
      );
    return valueOf(await sitterDetail(bench.context, sitter.id));
  }

  async function fittingOn(seatName: string, sitter?: SitterDetail): Promise<FittingDetail> {
    const { id } = sitter ?? (await measured());
    const fitting = valueOf(await createFitting(bench.context, { id: v7(), sitterId: id, fitterId: null }));
    const seat = valueOf(await allSeats(bench.context)).find((s) => s.seat.name.startsWith(seatName))!;
    return valueOf(
      await editFitting(bench.context, fitting.id, fitting.version, { seatVersionId: seat.versionId }),
    );
  }

  describe('a sitter', () => {
    it('is created once, however often the same request comes', async () => {
      const sitter = { id: v7(), name: 'Only Once', birthDate: null };
      valueOf(await createSitter(bench.context, sitter));
      valueOf(await createSitter(bench.context, sitter));
      const other = await createSitter(bench.context, { ...sitter, name: 'Second Try' });
      expect(reasonOf(other)).to.equal('idInUse');
      expect((await found(bench.context, 'only once')).map((s) => s.id)).to.deep.equal([sitter.id]);
      expect(await found(bench.context, 'second try')).to.deep.equal([]);
    });

    it('is not edited over somebody else’s change', async () => {
      const sitter = await newSitter();
      const edited = valueOf(await editSitter(bench.context, sitter.id, sitter.version, { name: 'First' }));
      expect(edited.version).to.equal(sitter.version + 1);
      const late = await editSitter(bench.context, sitter.id, sitter.version, { name: 'Second' });
      expect(reasonOf(late)).to.equal('changedMeanwhile');
      expect(!late.ok && (late.current as SitterDetail).name).to.equal('First');
    });

    for (const [birthDate, reason] of [
      ['2027-01-01', 'invalid'],
      ['1890-01-01', 'invalid'],
      ['2020-02-29', 'done'],
      ['2026-11-25', 'done'],
    ] as const) {
      it(`born ${birthDate}: ${reason}`, async () => {
        expect(reasonOf(await createSitter(bench.context, { id: v7(), name: 'Born', birthDate }))).to.equal(
          reason,
        );
      });
    }

    it('is not there when nobody made it', async () => {
      expect(reasonOf(await sitterDetail(bench.context, v7()))).to.equal('notFound');
      expect(reasonOf(await editSitter(bench.context, v7(), 1, { name: 'x' }))).to.equal('notFound');
      expect(
        reasonOf(await takeReading(bench.context, v7(), { dimension: 'stature', value: 1700 })),
      ).to.equal('notFound');
    });

    it('keeps who took a reading and when, and takes it back', async () => {
      const sitter = await newSitter();
      const after = valueOf(
        await takeReading(actingAs(bench.context, 'Hedda Kvist'), sitter.id, {
          dimension: 'poplitealHeight',
          value: 444.5,
        }),
      );
      expect(after.body.poplitealHeight).to.deep.include({
        value: 444.5,
        basis: 'measured',
        takenBy: 'Hedda Kvist',
        takenAt: '2026-11-25T09:30:00.000Z',
        spread: 6,
      });
      expect(after.measured).to.equal(1);
      const back = valueOf(
        await takeReading(bench.context, sitter.id, { dimension: 'poplitealHeight', value: null }),
      );
      expect(back.body.poplitealHeight).to.equal(undefined);
    });

    it('has no reading that no body has', async () => {
      const sitter = await newSitter();
      const refusal = await takeReading(bench.context, sitter.id, {
        dimension: 'poplitealHeight',
        value: 44.5,
      });
      expect(refusal).to.deep.equal({
        ok: false,
        reason: 'invalid',
        faults: [{ pointer: '/value', detail: 'Enter a value from 150 to 650 mm.' }],
      });
      expect(valueOf(await sitterDetail(bench.context, sitter.id)).measured).to.equal(0);
    });
  });

  describe('a place', () => {
    const edit = (): PlaceEdit => ({
      id: v7(),
      name: 'Ticket hatch',
      task: 'keyboard',
      desk: adjustment('deskHeight', listed(730), { id: 'desk' }),
      deskThicknessMm: 30,
      keyboardThicknessMm: 20,
      needs: [],
      seatClasses: [],
      notes: '',
    });

    it('gets a new version with every change; the old one stays', async () => {
      const place = edit();
      const first = valueOf(await addPlace(bench.context, place));
      const second = valueOf(
        await editPlace(bench.context, first.place.id, first.version, {
          ...place,
          desk: null,
          name: 'Hatch without desk',
        }),
      );
      expect(second.version).to.equal(2);
      expect(second.versionId).not.to.equal(first.versionId);
      const listedNow = valueOf(await allPlaces(bench.context)).filter((p) => p.place.id === first.place.id);
      expect(listedNow.map((p) => p.place.name)).to.deep.equal(['Hatch without desk']);
      expect(
        reasonOf(await editPlace(bench.context, first.place.id, first.version, { ...place, desk: null })),
      ).to.equal('changedMeanwhile');
    });

    it('is refused with a desk upside down, naming the field', async () => {
      const refusal = await addPlace(bench.context, {
        ...edit(),
        desk: adjustment('deskHeight', slides(800, 700), { id: 'desk' }),
      });
      expect(refusal).to.deep.equal({
        ok: false,
        reason: 'invalid',
        faults: [{ pointer: '/desk/travel', detail: 'The highest position lies below the lowest.' }],
      });
    });

    it('cannot be a version of nothing', async () => {
      const place = edit();
      expect(reasonOf(await editPlace(bench.context, place.id, 3, place))).to.equal('notFound');
    });

    it('keeps its own id: another one in the body is refused', async () => {
      const first = valueOf(await addPlace(bench.context, edit()));
      const refusal = await editPlace(bench.context, first.place.id, first.version, edit());
      expect(!refusal.ok && refusal.faults?.map((f) => f.pointer)).to.deep.equal(['/id']);
    });

    it('comes once with one id, and not with other contents', async () => {
      const place = edit();
      const first = valueOf(await addPlace(bench.context, place));
      expect(valueOf(await addPlace(bench.context, place)).versionId).to.equal(first.versionId);
      expect(reasonOf(await addPlace(bench.context, { ...place, name: 'Another' }))).to.equal('idInUse');
    });
  });

  describe('methods and fitters', () => {
    it('come once, however often the program starts', async () => {
      await ensureShippedMethods(bench.context);
      await ensureShippedMethods(bench.context);
      expect(valueOf(await allMethods(bench.context)).map((m) => m.method.id)).to.have.members(
        SHIPPED_METHODS.map((m) => m.id),
      );
    });

    it('are known by name', async () => {
      const fitter = { id: v7(), name: 'New Fitter' };
      valueOf(await addFitter(bench.context, fitter));
      expect(valueOf(await fitterOf(bench.context, fitter.id)).name).to.equal('New Fitter');
      expect(reasonOf(await fitterOf(bench.context, v7()))).to.equal('notFound');
      expect(reasonOf(await addFitter(bench.context, { ...fitter, name: 'Somebody Else' }))).to.equal(
        'idInUse',
      );
      expect(valueOf(await allFitters(bench.context)).map((f) => f.name)).to.include('New Fitter');
    });
  });

  describe('a fitting', () => {
    it('keeps the inputs from which it can be computed again', async () => {
      const fitting = await fittingOn('Tidewick');
      valueOf(await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'solve' }));
      const stored = valueOf(await fittingDetail(bench.context, fitting.id));
      expect(stored.inputs?.seat.name).to.equal('Tidewick shared chair');
      expect(stored.inputs?.body.poplitealHeight?.value).to.equal(420);
      expect(stored.draft?.settings).to.deep.equal(
        solve(problemOf(stored.inputs!), { remedies: NO_REMEDIES }).settings,
      );
    });

    it('follows a new reading while it is open', async () => {
      const fitting = await fittingOn('Tidewick');
      valueOf(
        await takeReading(bench.context, fitting.sitter.id, { dimension: 'poplitealHeight', value: 455 }),
      );
      const after = valueOf(await fittingDetail(bench.context, fitting.id));
      expect(after.inputs?.body.poplitealHeight?.value).to.equal(455);
      expect(after.version).to.be.greaterThan(fitting.version);
    });

    it('has no inputs before a seat is chosen, and cannot be set', async () => {
      const sitter = await newSitter();
      const fitting = valueOf(
        await createFitting(bench.context, { id: v7(), sitterId: sitter.id, fitterId: null }),
      );
      expect(fitting.inputs).to.equal(null);
      expect(
        reasonOf(
          await saveSettings(bench.context, fitting.id, 0, {
            positions: {},
            remedies: NO_REMEDIES,
            held: [],
          }),
        ),
      ).to.equal('incomplete');
      expect(
        reasonOf(await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'solve' })),
      ).to.equal('incomplete');
      expect(reasonOf(await fittingCard(bench.context, fitting.id))).to.equal('incomplete');
    });

    it('takes only positions that its seat has, and names the wrong one', async () => {
      const fitting = await fittingOn('Puffling');
      const refusal = await saveSettings(bench.context, fitting.id, fitting.draftRevision, {
        positions: { seatHeight: 6, armHeight: 0 },
        remedies: NO_REMEDIES,
        held: [],
      });
      expect(!refusal.ok && refusal.faults?.map((f) => f.pointer)).to.deep.equal([
        '/positions/seatHeight',
        '/positions/armHeight',
      ]);
      expect(
        reasonOf(
          await saveSettings(bench.context, fitting.id, fitting.draftRevision, {
            positions: { seatHeight: 5 },
            remedies: NO_REMEDIES,
            held: [],
          }),
        ),
      ).to.equal('done');
    });

    it('writes its draft over and its versions never', async () => {
      const fitting = await fittingOn('Tidewick');
      valueOf(
        await saveSettings(bench.context, fitting.id, fitting.draftRevision, {
          positions: { seatHeight: 1 },
          remedies: NO_REMEDIES,
          held: [],
        }),
      );
      valueOf(
        await saveSettings(bench.context, fitting.id, fitting.draftRevision + 1, {
          positions: { seatHeight: 2 },
          remedies: NO_REMEDIES,
          held: [],
        }),
      );
      const once = valueOf(await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'solve' }));
      valueOf(await actOnFitting(bench.context, fitting.id, once.version, { act: 'solve' }));
      const rows = await bench.context.store.db.$client.execute({
        sql: 'select stage, version from setting_sets where fitting_id = ? order by stage, version',
        args: [fitting.id],
      });
      expect(rows.rows.map((r) => [r.stage, Number(r.version)])).to.deep.equal([
        ['computed', 1],
        ['computed', 2],
        ['reached', 0],
      ]);
    });

    it('drops the draft with another seat and only the desk with another place', async () => {
      const fitting = await fittingOn('Tidewick');
      const place = valueOf(await allPlaces(bench.context)).find((p) => p.place.name === 'Chart room table')!;
      const placed = valueOf(
        await editFitting(bench.context, fitting.id, fitting.version, { placeVersionId: place.versionId }),
      );
      const solved = valueOf(await actOnFitting(bench.context, fitting.id, placed.version, { act: 'solve' }));
      expect(solved.draft?.settings.positions).to.have.property('deskHeight');
      const without = valueOf(
        await editFitting(bench.context, fitting.id, solved.version, { placeVersionId: null }),
      );
      expect(without.draft?.settings.positions).not.to.have.property('deskHeight');
      expect(without.draft?.settings.positions.seatHeight).to.equal(
        solved.draft?.settings.positions.seatHeight,
      );
      const seats = valueOf(await allSeats(bench.context));
      const other = valueOf(
        await editFitting(bench.context, fitting.id, without.version, {
          seatVersionId: seats.find((s) => s.seat.name.startsWith('Gull'))!.versionId,
        }),
      );
      expect(other.draft).to.equal(null);
    });

    it('is closed by handing over and opened again by an act', async () => {
      const fitting = await fittingOn('Tidewick');
      bench.later(86_400_000);
      const left = valueOf(
        await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'signOff' }),
      );
      expect(left.state).to.equal('left');
      expect(left.date).to.equal(today(bench.context));
      expect(
        reasonOf(
          await saveSettings(bench.context, fitting.id, left.draftRevision, {
            positions: {},
            remedies: NO_REMEDIES,
            held: [],
          }),
        ),
      ).to.equal('closed');
      expect(reasonOf(await editFitting(bench.context, fitting.id, left.version, { toolsKg: 2 }))).to.equal(
        'closed',
      );
      // A closed fitting keeps its inputs as they were.
      valueOf(
        await takeReading(bench.context, fitting.sitter.id, { dimension: 'poplitealHeight', value: 460 }),
      );
      expect(
        valueOf(await fittingDetail(bench.context, fitting.id)).inputs?.body.poplitealHeight?.value,
      ).to.equal(420);
      const reopened = valueOf(
        await actOnFitting(bench.context, fitting.id, left.version, { act: 'reopen' }),
      );
      expect(reopened.state).to.equal('open');
      expect(reopened.inputs?.body.poplitealHeight?.value).to.equal(460);
    });

    it('is not handed over on a refused seat', async () => {
      const fitting = await fittingOn('Puffling');
      expect(
        reasonOf(await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'signOff' })),
      ).to.equal('seatRefused');
      expect(valueOf(await fittingDetail(bench.context, fitting.id)).state).to.equal('open');
    });

    it('points only at what is there, and names the field that does not', async () => {
      const fitting = await fittingOn('Tidewick');
      for (const field of ['seatVersionId', 'placeVersionId', 'methodVersionId', 'fitterId'] as const) {
        const refusal = await editFitting(bench.context, fitting.id, fitting.version, { [field]: v7() });
        expect(refusal.ok || refusal.faults?.map((f) => f.pointer), field).to.deep.equal([`/${field}`]);
      }
      const sitter = await newSitter();
      expect(
        reasonOf(await createFitting(bench.context, { id: v7(), sitterId: sitter.id, fitterId: v7() })),
      ).to.equal('invalid');
    });

    it('counts tools in the rated load', async () => {
      const fitting = await fittingOn('Tidewick');
      const heavy = valueOf(await editFitting(bench.context, fitting.id, fitting.version, { toolsKg: 47.1 }));
      expect(heavy.inputs?.work.toolsKg).to.equal(47.1);
      expect(
        reasonOf(await actOnFitting(bench.context, fitting.id, heavy.version, { act: 'signOff' })),
      ).to.equal('seatRefused');
    });

    it('is listed with its sitter, newest first', async () => {
      const fitting = await fittingOn('Tidewick');
      const all = await fittingsOf(bench.context);
      expect(all[0]!.date >= all[all.length - 1]!.date).to.equal(true);
      expect((await fittingsOf(bench.context, fitting.sitter.id)).map((f) => f.id)).to.deep.equal([
        fitting.id,
      ]);
    });

    it('does not overwrite a change made meanwhile', async () => {
      const fitting = await fittingOn('Tidewick');
      valueOf(await editFitting(bench.context, fitting.id, fitting.version, { toolsKg: 1 }));
      const late = await editFitting(bench.context, fitting.id, fitting.version, { toolsKg: 2 });
      expect(reasonOf(late)).to.equal('changedMeanwhile');
      expect(!late.ok && (late.current as FittingDetail).toolsKg).to.equal(1);
      expect(
        reasonOf(await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'solve' })),
      ).to.equal('changedMeanwhile');
    });
  });

  describe('the card as JSON', () => {
    it('has the words of the sheet and the numbers behind them', async () => {
      const fitting = await fittingOn('Gullstone');
      valueOf(await actOnFitting(bench.context, fitting.id, fitting.version, { act: 'solve' }));
      const json = valueOf(await fittingCardJson(bench.context, fitting.id, DEFAULT_READING));
      expect(json.format).to.equal('velto-settings-card');
      expect(json.header).to.deep.include({
        sitter: 'Test Sitter',
        seat: 'Gullstone task chair',
        place: null,
      });
      const tension = json.settings.find((s) => s.adjustment === 'tiltTension')!;
      expect(tension.setting).to.match(/^Dial at [A-G]$/);
      expect(tension.of).to.equal(7);
      expect(tension.position).to.be.within(0, 6);
      expect(json.settings.map((s) => s.order)).to.deep.equal(json.settings.map((_, i) => i + 1));
      expect(json.cautions.join(' ')).to.include('not a medical device');
    });
  });

  describe('days and ages', () => {
    it('count whole years to a date', () => {
      expect(ageOn('2020-11-25', '2026-11-25')).to.equal(6);
      expect(ageOn('2020-11-26', '2026-11-25')).to.equal(5);
      expect(ageOn('2020-02-29', '2026-02-28')).to.equal(5);
    });

    it('can be stopped for tests, and refuse a clock that is none', () => {
      const before = process.env.VELTO_NOW;
      try {
        process.env.VELTO_NOW = '2026-11-25T09:30:00Z';
        expect(systemClock()().toISOString()).to.equal('2026-11-25T09:30:00.000Z');
        process.env.VELTO_NOW = 'tea time';
        expect(() => systemClock()).to.throw('VELTO_NOW');
      } finally {
        if (before === undefined) delete process.env.VELTO_NOW;
        else process.env.VELTO_NOW = before;
      }
    });
  });
});
