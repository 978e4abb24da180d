import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { v7 } from 'uuid';
import type { DraftEdit, FittingDetail, SitterDetail } from '../../src/contract';
import { NO_REMEDIES, type Settings } from '../../src/core/fit';
import { allSeats } from '../../src/service/seats';
import type { Context } from '../../src/service/context';
import { ANSWER_DAYS, UNDO_MINUTES, tidy } from '../../src/service/deleting';
import {
  actOnFitting,
  createFitting,
  deleteFitting,
  editFitting,
  fittingDetail,
  fittingRemains,
  restoreFitting,
  saveSettings,
} from '../../src/service/fittings';
import {
  createSitter,
  deleteSitter,
  restoreSitter,
  sitterDetail,
  takeReading,
} from '../../src/service/sitters';
import { may, PROGRAM, UNNAMED_FITTER, VISITOR, type Act, type RecordRef } from '../../src/service/rights';
import { type Bench, actingAs, fittingsOf, found, openBench } from '../support/context';
import { FULL } from '../support/inputs';
import { DIMENSION_IDS } from '../../src/core/body';
import { reasonOf, valueOf } from '../support/outcome';

const MINUTE_MS = 60_000;

describe('trust in what is kept', function () {
  this.timeout(60_000);
  let bench: Bench;
  beforeEach(async () => {
    bench = await openBench({ demo: true });
  });
  afterEach(() => bench.close());

  const keyed = (key: string, fingerprint: string): Context => ({
    ...bench.context,
    request: { key, fingerprint },
  });
  async function newSitter(name = 'Runa Tofte'): Promise<SitterDetail> {
    return valueOf(await createSitter(bench.context, { id: v7(), name, birthDate: null }));
  }
  /** A measured sitter with solved settings on a seat. */
  async function fitted(name?: string): Promise<{ sitter: SitterDetail; fitting: FittingDetail }> {
    const sitter = await newSitter(name);
    for (const dimension of DIMENSION_IDS)
      valueOf(await takeReading(bench.context, sitter.id, { dimension, value: FULL[dimension] }));
    const fitting = valueOf(
      await createFitting(bench.context, { id: v7(), sitterId: sitter.id, fitterId: null }),
    );
    const seat = valueOf(await allSeats(bench.context)).find((s) => s.seat.name.startsWith('Gull'))!;
    const chosen = valueOf(
      await editFitting(bench.context, fitting.id, fitting.version, { seatVersionId: seat.versionId }),
    );
    return {
      sitter,
      fitting: valueOf(await actOnFitting(bench.context, fitting.id, chosen.version, { act: 'solve' })),
    };
  }
  const rows = async (sql: string) => (await bench.context.store.db.$client.execute(sql)).rows;

  describe('a request with a key', () => {
    it('sent again gets its first answer and does nothing more', async () => {
      const sitter = await newSitter();
      const ctx = keyed(v7(), 'take 420');
      const take = () => takeReading(ctx, sitter.id, { dimension: 'stature', value: 1700 });
      const first = valueOf(await take());
      bench.later(5000);
      expect(valueOf(await take())).to.deep.equal(first);
      const kept = await rows(`select count(*) from readings where sitter_id = '${sitter.id}'`);
      expect(Number(kept[0]![0])).to.equal(1);
    });

    it('gets the same refusal again, even when it could succeed by now', async () => {
      const { fitting } = await fitted();
      const ctx = keyed(v7(), 'old revision');
      const settings: DraftEdit = { positions: { seatHeight: 1 }, remedies: NO_REMEDIES, held: [] };
      const stale = () => saveSettings(ctx, fitting.id, fitting.draftRevision + 1, settings);
      expect(reasonOf(await stale())).to.equal('changedMeanwhile');
      valueOf(await saveSettings(bench.context, fitting.id, fitting.draftRevision, settings));
      expect(reasonOf(await stale())).to.equal('changedMeanwhile');
    });

    it('cannot stand for another request', async () => {
      const key = v7();
      const sitter = await newSitter();
      const take = (fingerprint: string, value: number) =>
        takeReading(keyed(key, fingerprint), sitter.id, { dimension: 'stature', value });
      expect(reasonOf(await take('a', 1700))).to.equal('done');
      expect(reasonOf(await take('b', 1800))).to.equal('keyReused');
      expect(valueOf(await sitterDetail(bench.context, sitter.id)).body.stature?.value).to.equal(1700);
    });

    it('saves a draft once, however often and in whatever order it is sent', async () => {
      const { fitting } = await fitted();
      const settings = (seatHeight: number): DraftEdit => ({
        positions: { ...fitting.draft!.settings.positions, seatHeight },
        remedies: NO_REMEDIES,
        held: [],
      });
      const send = (key: string, revision: number, height: number) =>
        saveSettings(keyed(key, `${revision}/${height}`), fitting.id, revision, settings(height));
      const { draftRevision } = fitting;
      const first = valueOf(await send('a', draftRevision, 3));
      const second = valueOf(await send('b', draftRevision + 1, 4));
      bench.later(5000);
      expect(valueOf(await send('a', draftRevision, 3))).to.deep.equal(first);
      expect(valueOf(await send('b', draftRevision + 1, 4))).to.deep.equal(second);
      expect(reasonOf(await send('b', draftRevision + 2, 5))).to.equal('keyReused');
      const now = valueOf(await fittingDetail(bench.context, fitting.id));
      expect(now.draftRevision).to.equal(draftRevision + 2);
      expect(now.draft?.settings.positions.seatHeight).to.equal(4);
    });

    it('solves around what is held, keeps that, and refuses to hold what is not there', async () => {
      const { fitting } = await fitted();
      const best = fitting.draft!.settings;
      const settings: Settings = {
        ...best,
        positions: { ...best.positions, seatHeight: best.positions.seatHeight! + 20, seatDepth: 0 },
      };
      const solved = valueOf(
        await actOnFitting(bench.context, fitting.id, fitting.version, {
          act: 'solve',
          settings,
          held: ['seatHeight'],
        }),
      );
      expect(solved.draft!.held).to.deep.equal(['seatHeight']);
      const absent = await actOnFitting(bench.context, fitting.id, solved.version, {
        act: 'solve',
        settings,
        held: ['seatHeight', 'deskHeight'],
      });
      expect(!absent.ok && absent.faults?.map((f) => f.pointer)).to.deep.equal(['/held/1']);
      // What a draft holds stays, also where solving is asked for without a word about it.
      const again = valueOf(await actOnFitting(bench.context, fitting.id, solved.version, { act: 'solve' }));
      expect(again.draft!.settings.positions.seatHeight).to.equal(settings.positions.seatHeight);
      expect(solved.draft!.settings.positions.seatHeight).to.equal(settings.positions.seatHeight);
      expect(solved.draft!.settings.positions.seatDepth).to.equal(best.positions.seatDepth);
      const wrong = await actOnFitting(bench.context, fitting.id, again.version, {
        act: 'solve',
        settings: { ...settings, positions: { ...settings.positions, seatHeight: 9999 } },
        held: ['seatHeight'],
      });
      expect(reasonOf(wrong)).to.equal('invalid');
    });

    it('saves no draft on what has changed meanwhile, and keeps no answer of one it did not save', async () => {
      const { fitting } = await fitted();
      const settings: DraftEdit = { positions: { seatHeight: 3 }, remedies: NO_REMEDIES, held: [] };
      let revision = fitting.draftRevision;
      const save = (key: string, wanted = settings) =>
        saveSettings(keyed(key, key), fitting.id, revision, wanted);
      revision = valueOf(await save('one')).revision;
      expect(reasonOf(await save('two', { ...settings, positions: { seatHeight: 9999 } }))).to.equal(
        'invalid',
      );
      const left = valueOf(
        await actOnFitting(bench.context, fitting.id, fitting.version, {
          act: 'signOff',
          settings: { positions: settings.positions, remedies: settings.remedies },
        }),
      );
      revision = left.draftRevision;
      expect(reasonOf(await save('three'))).to.equal('closed');
      valueOf(await actOnFitting(bench.context, fitting.id, left.version, { act: 'reopen' }));
      revision = valueOf(await fittingDetail(bench.context, fitting.id)).draftRevision;
      revision = valueOf(await save('four')).revision;
      valueOf(await deleteFitting(bench.context, fitting.id));
      expect(reasonOf(await save('five'))).to.equal('notFound');
      const drafts = await rows(
        `select count(*) from setting_sets where fitting_id = '${fitting.id}' and stage = 'reached' and version = 0`,
      );
      expect(Number(drafts[0]![0])).to.equal(1);
      const kept = await rows("select key || ' ' || json_extract(outcome, '$.ok') from answers order by key");
      expect(kept.map((r) => r[0])).to.deep.equal(['five 0', 'four 1', 'one 1', 'three 0', 'two 0']);
    });

    it('is forgotten after a while', async () => {
      const sitter = await newSitter();
      await takeReading(keyed(v7(), 'x'), sitter.id, { dimension: 'stature', value: 1700 });
      bench.later((ANSWER_DAYS - 1) * 24 * 60 * MINUTE_MS);
      await tidy(bench.context);
      expect(await rows('select key from answers')).to.have.length(1);
      bench.later(2 * 24 * 60 * MINUTE_MS);
      await tidy(bench.context);
      expect(await rows('select key from answers')).to.have.length(0);
    });
  });

  describe('two at once', () => {
    it('notice each other’s draft settings', async () => {
      const { fitting } = await fitted();
      const settings = (seatHeight: number): DraftEdit => ({
        positions: { ...fitting.draft!.settings.positions, seatHeight },
        remedies: NO_REMEDIES,
        held: [],
      });
      const save = (revision: number, height: number) =>
        saveSettings(bench.context, fitting.id, revision, settings(height));
      const first = valueOf(await save(fitting.draftRevision, 2));
      expect(first.revision).to.equal(fitting.draftRevision + 1);
      const second = await save(fitting.draftRevision, 5);
      expect(reasonOf(second)).to.equal('changedMeanwhile');
      const current = (second as { current?: FittingDetail }).current!;
      expect(current.draft?.settings.positions.seatHeight).to.equal(2);
      expect(current.draftRevision).to.equal(first.revision);
      expect(valueOf(await save(first.revision, 5)).revision).to.equal(first.revision + 1);
    });

    it('notice each other’s measures; the same value needs no second reading', async () => {
      const sitter = await newSitter();
      const take = (value: number, seenReading?: string | null) =>
        takeReading(actingAs(bench.context, 'Ada'), sitter.id, {
          dimension: 'poplitealHeight',
          value,
          ...(seenReading === undefined ? {} : { seenReading }),
        });
      const first = valueOf(await take(420, null));
      bench.later(1000);
      const other = await take(452, null);
      expect(reasonOf(other)).to.equal('changedMeanwhile');
      expect((other as { current?: SitterDetail }).current?.body.poplitealHeight).to.include({
        value: 420,
        takenBy: 'Ada',
      });
      expect(reasonOf(await take(420, null))).to.equal('done');
      expect(reasonOf(await take(452, first.body.poplitealHeight!.takenAt))).to.equal('done');
      const kept = await rows(`select value from readings where sitter_id = '${sitter.id}' order by value`);
      expect(kept.map((r) => Number(r[0]))).to.deep.equal([4200, 4520]);
    });
  });

  describe('deleting a sitter', () => {
    it('hides person and fittings at once and can be undone whole', async () => {
      const { sitter, fitting } = await fitted('Hidden Once');
      const before = valueOf(await fittingDetail(bench.context, fitting.id));
      valueOf(await deleteSitter(bench.context, sitter.id));
      expect(await found(bench.context, 'Hidden')).to.deep.equal([]);
      expect(reasonOf(await sitterDetail(bench.context, sitter.id))).to.equal('notFound');
      expect(reasonOf(await fittingDetail(bench.context, fitting.id))).to.equal('notFound');
      expect((await fittingsOf(bench.context)).map((f) => f.id)).not.to.include(fitting.id);
      bench.later((UNDO_MINUTES - 1) * MINUTE_MS);
      expect(await tidy(bench.context)).to.deep.equal({ sitters: 0, fittings: 0 });
      valueOf(await restoreSitter(bench.context, sitter.id));
      expect(valueOf(await fittingDetail(bench.context, fitting.id))).to.deep.equal(before);
    });

    it('erases readings and inputs for good and keeps settings, seat and date without the person', async () => {
      const { sitter, fitting: first } = await fitted('Erased Utterly');
      const postures = [{ name: 'Resting Utterly’s back', leanDeg: 20 }];
      const fitting = valueOf(await editFitting(bench.context, first.id, first.version, { postures }));
      expect(fitting.postures).to.have.length(1);
      const key = v7();
      await takeReading(keyed(key, 'k'), sitter.id, { dimension: 'stature', value: 1712 });
      valueOf(await deleteSitter(bench.context, sitter.id));
      bench.later((UNDO_MINUTES + 1) * MINUTE_MS);
      expect(await tidy(bench.context)).to.deep.equal({ sitters: 1, fittings: 0 });
      expect(reasonOf(await restoreSitter(bench.context, sitter.id))).to.equal('notFound');
      expect(reasonOf(await fittingDetail(bench.context, fitting.id))).to.equal('erased');
      const remains = valueOf(await fittingRemains(bench.context, fitting.id));
      expect(remains).to.include({ seat: 'Gullstone task chair', date: fitting.date });
      const height = remains.settings.find((s) => s.adjustment === 'seatHeight');
      expect(height?.position).to.equal(fitting.draft?.settings.positions.seatHeight);
      const listed = (await fittingsOf(bench.context)).find((f) => f.id === fitting.id);
      expect(listed?.sitter).to.equal(null);
      for (const table of ['readings', 'sitters'])
        expect(await rows(`select * from ${table} where instr(id, '${sitter.id}') > 0`)).to.deep.equal([]);
      expect(await rows(`select * from readings where sitter_id = '${sitter.id}'`)).to.deep.equal([]);
      expect(
        await rows(
          'select * from fittings where sitter_id is null and (inputs is not null or postures is not null)',
        ),
      ).to.deep.equal([]);
      expect(await rows(`select * from answers where key = '${key}'`)).to.deep.equal([]);
    });

    it('leaves no trace of the name in the file', async () => {
      const { sitter } = await fitted('Quillon Zaramandel');
      const inFiles = () =>
        ['velto.db', 'velto.db-wal'].some((name) =>
          readFileSync(join(bench.folder, name)).includes(Buffer.from('Zaramandel')),
        );
      expect(inFiles()).to.equal(true);
      valueOf(await deleteSitter(bench.context, sitter.id));
      bench.later((UNDO_MINUTES + 1) * MINUTE_MS);
      await tidy(bench.context);
      expect(inFiles()).to.equal(false);
    });

    it('takes a fitting that never came to settings with it', async () => {
      const sitter = await newSitter();
      const { id } = valueOf(
        await createFitting(bench.context, { id: v7(), sitterId: sitter.id, fitterId: null }),
      );
      valueOf(await deleteSitter(bench.context, sitter.id));
      bench.later((UNDO_MINUTES + 1) * MINUTE_MS);
      await tidy(bench.context);
      expect(reasonOf(await fittingDetail(bench.context, id))).to.equal('notFound');
    });
  });

  it('deletes a fitting with its settings, and takes it back in time', async () => {
    const { fitting } = await fitted();
    valueOf(await deleteFitting(bench.context, fitting.id));
    expect(reasonOf(await fittingDetail(bench.context, fitting.id))).to.equal('notFound');
    expect(reasonOf(await deleteFitting(bench.context, fitting.id))).to.equal('notFound');
    valueOf(await restoreFitting(bench.context, fitting.id));
    expect(valueOf(await fittingDetail(bench.context, fitting.id)).draft).to.deep.equal(fitting.draft);
    valueOf(await deleteFitting(bench.context, fitting.id));
    bench.later((UNDO_MINUTES + 1) * MINUTE_MS);
    expect(await tidy(bench.context)).to.deep.equal({ sitters: 0, fittings: 1 });
    expect(await rows(`select * from setting_sets where fitting_id = '${fitting.id}'`)).to.deep.equal([]);
  });

  describe('rights', () => {
    const ACTS: readonly Act[] = ['read', 'create', 'edit', 'delete', 'restore'];
    const RECORDS: readonly RecordRef['kind'][] = ['sitter', 'fitting', 'fitter', 'seat', 'place', 'method'];
    const allowed = (actor: Parameters<typeof may>[0]) =>
      RECORDS.flatMap((kind) =>
        ACTS.filter((act) => may(actor, act, { kind, id: null })).map((a) => `${a} ${kind}`),
      );

    it('give a visitor nothing but signing in', () => {
      expect(allowed(VISITOR)).to.deep.equal([]);
      expect(may(VISITOR, 'create', { kind: 'session', id: null })).to.equal(true);
    });

    it('let only a named fitter delete', () => {
      const nameless = UNNAMED_FITTER;
      const named = { kind: 'fitter', fitter: { id: v7(), name: 'Ada' } } as const;
      expect(allowed(nameless).some((a) => a.startsWith('delete'))).to.equal(false);
      expect(allowed(nameless)).to.include('edit fitting');
      expect(allowed(named)).to.have.length(ACTS.length * RECORDS.length);
      expect(allowed(PROGRAM)).to.have.length(ACTS.length * RECORDS.length);
    });
  });
});
