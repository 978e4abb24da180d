import { expect } from 'chai';
import { v7 } from 'uuid';
import { BRITISH, TABLES, US_ARMY, writeTable } from '../../src/core/population';
import type { FittingDetail, NewTable, Outcome, SitterDetail } from '../../src/contract';
import { allSeats } from '../../src/service/seats';
import { createFitting, editFitting, fittingDetail } from '../../src/service/fittings';
import { createSitter, editSitter, takeReading } from '../../src/service/sitters';
import { addTable, allTables, editTable } from '../../src/service/tables';
import { type Bench, actingAs, openBench } from '../support/context';
import { valueOf } from '../support/outcome';

const faultsOf = (outcome: Outcome<unknown>) => (outcome.ok ? [] : (outcome.faults ?? []));

const CREW =
  'dimension,sex,unit,mean,sd\nstature,men,mm,1850,70\nstature,women,mm,1700,60\npoplitealHeight,men,mm,470,29\n';
const newTable = (csv = CREW): NewTable => ({ id: v7(), name: 'Crew', source: 'Own readings, 2026', csv });

describe('tables of bodies in use', () => {
  let bench: Bench;
  beforeEach(async () => {
    bench = await openBench({ demo: true });
  });
  afterEach(() => bench.close());

  async function newSitter(measures: Record<string, number> = {}): Promise<SitterDetail> {
    const made = await createSitter(bench.context, {
      id: v7(),
      name: 'Test',
      birthDate: '1980-05-01',
      sex: 'men',
    });
    let sitter = valueOf(made);
    for (const [dimension, value] of Object.entries(measures))
      sitter = valueOf(
        await takeReading(actingAs(bench.context, 'Ada'), sitter.id, {
          dimension: dimension as 'stature',
          value,
        }),
      );
    return sitter;
  }

  /** A fitting with the first seat. */
  async function newFitting(sitter: SitterDetail): Promise<FittingDetail> {
    const { context } = bench;
    const made = valueOf(await createFitting(context, { id: v7(), sitterId: sitter.id, fitterId: null }));
    const [seat] = valueOf(await allSeats(context));
    return valueOf(await editFitting(context, made.id, made.version, { seatVersionId: seat!.versionId }));
  }
  const again = async (id: string) => valueOf(await fittingDetail(bench.context, id));

  describe('tables of a practice', () => {
    it('are those that come with the program, the first in use', async () => {
      const tables = valueOf(await allTables(bench.context));
      expect(tables.map((t) => t.table.id)).to.deep.equal(TABLES.map((t) => t.id));
      expect(tables.filter((t) => t.isUsual).map((t) => t.table.id)).to.deep.equal([BRITISH.id]);
    });

    it('may be its own, from a file; the same request again brings nothing twice', async () => {
      const table = newTable();
      const taken = valueOf(await addTable(bench.context, table));
      expect(taken).to.include({ isOwn: true, isUsual: false, isRetired: false });
      expect(taken.table.rows.men.poplitealHeight).to.include({ mean: 470, sd: 29, basis: 'published' });
      valueOf(await addTable(bench.context, table));
      expect(valueOf(await allTables(bench.context))).to.have.length(TABLES.length + 1);
    });

    it('tell every fault of a file with its line and column, and take nothing of it', async () => {
      const bad = newTable(`${CREW}girth,men,mm,900,50\nfootLength,men,mm,long,12\n`);
      const faults = faultsOf(await addTable(bench.context, bad));
      expect(faults).to.deep.equal([
        { pointer: '/csv', detail: 'Line 5, dimension: “girth” is not a body dimension.' },
        { pointer: '/csv', detail: 'Line 6, mean: “long” is not a number.' },
      ]);
      expect(valueOf(await allTables(bench.context))).to.have.length(TABLES.length);
    });

    it('go out as a file that gives the same table back', async () => {
      for (const table of TABLES) {
        const back = valueOf(await addTable(bench.context, newTable(writeTable(table)))).table;
        expect(back.rows, table.id).to.deep.equal(table.rows);
        expect(back.n).to.deep.equal(table.n);
      }
    });

    it('are set aside and taken back, but not the one in use, nor one that is not theirs', async () => {
      const { id } = valueOf(await addTable(bench.context, newTable())).table;
      expect(valueOf(await editTable(bench.context, id, { isRetired: true })).isRetired).to.equal(true);
      const inUse = await editTable(bench.context, id, { isUsual: true });
      expect(faultsOf(inUse)[0]!.pointer).to.equal('/isRetired');
      expect(valueOf(await editTable(bench.context, id, { isRetired: false })).isRetired).to.equal(false);
      valueOf(await editTable(bench.context, id, { isUsual: true }));
      expect((await editTable(bench.context, id, { isRetired: true })).ok).to.equal(false);
      expect((await editTable(bench.context, BRITISH.id, { isRetired: true })).ok).to.equal(false);
      const none = await editTable(bench.context, 'none', { isUsual: true });
      expect(none.ok ? '' : none.reason).to.equal('notFound');
    });
  });

  describe('a fitting of somebody half measured', () => {
    it('is computed with estimates, marked as such, and without them where they are not wanted', async () => {
      const fitting = await newFitting(await newSitter({ stature: 1740 }));
      expect(fitting.estimateMissing).to.equal(true);
      expect(fitting.inputs!.body.poplitealHeight).to.include({ basis: 'estimated', source: BRITISH.name });
      expect(fitting.body).to.deep.equal(fitting.inputs!.body);
      expect(fitting.sitter.body).to.have.all.keys('stature');
      const off = valueOf(
        await editFitting(bench.context, fitting.id, fitting.version, { estimateMissing: false }),
      );
      expect(off.inputs!.body).to.have.all.keys('stature');
    });

    it('follows the table of the sitter, and the usual one when that changes', async () => {
      const { context } = bench;
      const sitter = await newSitter({ stature: 1740 });
      const { id } = await newFitting(sitter);
      const legs = async () => (await again(id)).inputs!.body.poplitealHeight!;
      const british = await legs();
      valueOf(await editTable(context, US_ARMY.id, { isUsual: true }));
      expect((await legs()).source).to.equal(US_ARMY.name);
      expect((await legs()).value).not.to.equal(british.value);
      const crew = valueOf(await addTable(context, newTable())).table;
      const { version } = (await again(id)).sitter;
      valueOf(await editSitter(context, sitter.id, version, { tableId: crew.id }));
      expect((await legs()).source).to.equal('Crew');
      const wrong = await editSitter(context, sitter.id, version + 1, { tableId: 'none' });
      expect(faultsOf(wrong)[0]!.pointer).to.equal('/tableId');
      // What was set aside still holds for those who were estimated by it.
      valueOf(await editTable(context, crew.id, { isRetired: true }));
      expect((await legs()).source).to.equal('Crew');
    });

    it('takes a reading in place of an estimate', async () => {
      const { context } = bench;
      const sitter = await newSitter({ stature: 1740 });
      const { id } = await newFitting(sitter);
      const before = (await again(id)).inputs!.body.kneeHeight!;
      valueOf(
        await takeReading(actingAs(context, 'Ada'), sitter.id, { dimension: 'poplitealHeight', value: 455 }),
      );
      const { body } = (await again(id)).inputs!;
      expect(body.poplitealHeight).to.include({ value: 455, basis: 'measured' });
      expect(body.kneeHeight!.value).to.be.greaterThan(before.value);
      expect(body.kneeHeight!.spread).to.be.lessThan(before.spread);
    });
  });

  describe('a measure that the others speak against', () => {
    const MEASURES = { stature: 1740, sittingHeight: 910, poplitealHeight: 440, bodyMass: 75 };

    it('is not taken without a reason, and with one it is, for good', async () => {
      const { context } = bench;
      const sitter = await newSitter(MEASURES);
      const wild = { dimension: 'kneeHeight', value: 700 } as const;
      const refused = await takeReading(actingAs(context, 'Ada'), sitter.id, wild);
      expect(faultsOf(refused)[0]).to.include({ pointer: '/reason' });
      expect(faultsOf(refused)[0]!.detail).to.match(/SD from the expected value/);
      const taken = valueOf(
        await takeReading(actingAs(context, 'Ada'), sitter.id, { ...wild, reason: 'measured three times' }),
      );
      expect(taken.body.kneeHeight).to.include({ value: 700, reason: 'measured three times' });
      // It does not make the next one look wrong.
      valueOf(
        await takeReading(actingAs(context, 'Ada'), sitter.id, { dimension: 'kneeHeight', value: 545 }),
      );
      const last = valueOf(
        await takeReading(actingAs(context, 'Ada'), sitter.id, { dimension: 'footLength', value: 265 }),
      );
      expect(last.body.kneeHeight).not.to.have.property('reason');
    });

    it('of a child is looked at among children', async () => {
      const { context } = bench;
      const child = valueOf(
        await createSitter(context, { id: v7(), name: 'Child', birthDate: '2019-11-25', sex: 'men' }),
      );
      const take = (dimension: 'stature' | 'poplitealHeight', value: number) =>
        takeReading(actingAs(context, 'Ada'), child.id, { dimension, value });
      valueOf(await take('stature', 1220));
      valueOf(await take('poplitealHeight', 312));
      // An adult's lower leg on a child of seven.
      expect(faultsOf(await take('poplitealHeight', 440))[0]).to.include({ pointer: '/reason' });
    });
  });
});
