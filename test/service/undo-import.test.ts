import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FilePerson } from '../../src/core/exchange';
import { createFitting } from '../../src/service/fittings';
import { tidy } from '../../src/service/deleting';
import {
  beginImport,
  carryThrough,
  gatherPart,
  importState,
  recentImports,
  undoImport,
} from '../../src/service/importing';
import { saveMeasuringSession } from '../../src/service/measuring';
import {
  createSitter,
  deleteSitter,
  editSitter,
  restoreSitter,
  takeReading,
} from '../../src/service/sitters';
import { type Bench, actingAs, bytesOf, found, openBench } from '../support/context';
import { FILE_PERSON } from '../support/file-person';
import { valueOf } from '../support/outcome';
import { readRows } from '../support/read-database';

describe('an import that is undone', () => {
  let bench: Bench;
  beforeEach(async () => {
    bench = await openBench({ demo: true });
  });
  afterEach(() => bench.close());

  const person = (name: string, stature = 1700): FilePerson => ({
    ...FILE_PERSON,
    name,
    sessions: [
      {
        id: v7(),
        date: '2026-11-24',
        startedAt: '2026-11-24T10:00:00.000Z',
        takenBy: null,
        shoesOn: false,
        clothes: 'oilskins',
        notes: 'gangway draught',
      },
    ],
    readings: [{ dimension: 'stature', value: stature, unit: 'mm', takenAt: '2026-11-25T18:00:00.000Z' }],
  });
  async function gathered(people: readonly FilePerson[]): Promise<string> {
    const id = v7();
    valueOf(
      await gatherPart(actingAs(bench.context, 'Hedda'), id, {
        file: 'crew.csv',
        number: 0,
        people: [...people],
      }),
    );
    return id;
  }
  async function imported(people: readonly FilePerson[], existing: 'leave' | 'add' = 'leave') {
    const id = await gathered(people);
    valueOf(await beginImport(bench.context, id, { parts: 1, existing }));
    await carryThrough(bench.context, id);
    bench.later(60_000);
    return id;
  }
  async function undone(id: string) {
    valueOf(await undoImport(bench.context, id));
    await carryThrough(bench.context, id);
    return valueOf(await importState(bench.context, id));
  }
  const called = async (name: string) => (await found(bench.context, name))[0]!;
  const names = async () =>
    (await readRows(bench.folder, 'select name from sitters order by name')).map((r) => r.name);
  const many = (count: number) => Array.from({ length: count }, (_, i) => person(`Undone ${i}`, 1500 + i));

  it('takes out whom it brought and nobody else, and nothing of them is in the file any more', async () => {
    const before = await names();
    const id = await imported(many(400));
    expect((await names()).length).to.equal(before.length + 400);
    expect(bytesOf(bench)).to.include('gangway draught');
    // What was refused is answered the same again: the record as it was stands in the answer.
    const keyed = { ...bench.context, request: { key: v7(), fingerprint: 'x' } };
    const one = await called('Undone 17');
    expect(await editSitter(keyed, one.id, 9, { sex: 'men' })).to.deep.include({
      ok: false,
      reason: 'changedMeanwhile',
    });
    const back = { ...bench.context, request: { key: v7(), fingerprint: 'y' } };
    const other = await called('Undone 18');
    valueOf(await deleteSitter(bench.context, other.id));
    valueOf(await restoreSitter(back, other.id));
    const state = await undone(id);
    expect(state).to.deep.include({ state: 'undone', waiting: 0 });
    expect(state.counts).to.deep.include({ created: 400, undone: 400, kept: 0 });
    expect(await names()).to.deep.equal(before);
    expect(await readRows(bench.folder, "select 1 from readings where source = 'crew.csv'")).to.deep.equal(
      [],
    );
    expect(await readRows(bench.folder, 'PRAGMA foreign_key_check')).to.deep.equal([]);
    for (const trace of ['Undone 1', 'gangway draught', 'oilskins'])
      expect(bytesOf(bench), trace).not.to.include(trace);
    // Asked again there is nothing more to do, and the file can be taken in anew.
    expect((await undone(id)).counts.undone).to.equal(400);
    await imported(many(3));
    expect((await names()).length).to.equal(before.length + 3);
  });

  it('leaves those with whom something has been done since', async () => {
    const done = ['Edited', 'Measured', 'Withdrawn', 'Fitted', 'Begun'];
    const id = await imported([...done, 'Left alone', 'Deleted'].map((name) => person(name)));
    const sitter = Object.fromEntries(
      await Promise.all([...done, 'Deleted'].map(async (name) => [name, await called(name)] as const)),
    );
    const { context } = bench;
    valueOf(await editSitter(context, sitter.Edited!.id, 1, { sex: 'women' }));
    const keyed = { ...context, request: { key: v7(), fingerprint: 'x' } };
    valueOf(await takeReading(keyed, sitter.Measured!.id, { dimension: 'kneeHeight', value: 520 }));
    valueOf(await takeReading(context, sitter.Withdrawn!.id, { dimension: 'stature', value: null }));
    valueOf(await createFitting(context, { id: v7(), sitterId: sitter.Fitted!.id, fitterId: null }));
    valueOf(
      await saveMeasuringSession(context, sitter.Begun!.id, null, {
        id: v7(),
        shoesOn: false,
        clothes: '',
        notes: 'came late',
      }),
    );
    valueOf(await deleteSitter(context, sitter.Deleted!.id));
    const answered = await readRows(bench.folder, 'select key from answers order by key');
    expect(answered).to.have.length(1);
    const { counts } = await undone(id);
    // Who stays keeps the first answers: sent again it is done once.
    expect(await readRows(bench.folder, 'select key from answers order by key')).to.deep.equal(answered);
    expect(counts).to.deep.include({ created: 7, undone: 1, kept: 5 });
    const left = await names();
    expect(left).to.include.members(done);
    expect(left).not.to.include('Left alone');
    // Who was deleted by hand can still be brought back.
    expect(valueOf(await restoreSitter(context, sitter.Deleted!.id)).body.stature?.value).to.equal(1700);
  });

  it('leaves who was here with the readings that were added', async () => {
    const own = v7();
    valueOf(await createSitter(bench.context, { id: own, name: 'Here before', birthDate: null }));
    const id = await imported([person('Here before', 1733), person('New')], 'add');
    const { counts } = await undone(id);
    expect(counts).to.deep.include({ created: 1, added: 1, undone: 1, kept: 0 });
    const [row] = await readRows(
      bench.folder,
      'select value from readings where sitter_id = ? and withdrawn_at is null',
      [own],
    );
    expect(row).to.deep.equal({ value: 17330 });
  });

  it('is carried through though the program ended in the middle', async () => {
    const before = await names();
    const id = await imported(many(400));
    const { store } = bench.context;
    const write = store.write.bind(store);
    let left = 2;
    store.write = (act) => (left-- > 0 ? write(act) : Promise.reject(new Error('ended')));
    const { error } = console;
    console.error = () => undefined;
    valueOf(await undoImport(bench.context, id));
    await carryThrough(bench.context, id);
    console.error = error;
    store.write = write;
    expect(valueOf(await importState(bench.context, id))).to.deep.include({ state: 'undoing', waiting: 2 });
    // A day later it is neither forgotten nor left as it is.
    bench.later(25 * 3_600_000);
    await tidy(bench.context);
    await carryThrough(bench.context, id);
    expect(valueOf(await importState(bench.context, id)).counts.undone).to.equal(400);
    expect(await names()).to.deep.equal(before);
  });

  it('has been finished first, and is listed for a day', async () => {
    const { context } = bench;
    const lately = async () => valueOf(await recentImports(context, { limit: 20 })).items;
    const id = await gathered(many(2));
    expect(await lately()).to.deep.equal([]);
    expect(await undoImport(context, id)).to.deep.include({ ok: false, reason: 'importUnfinished' });
    expect(await undoImport(context, v7())).to.deep.include({ ok: false, reason: 'notFound' });
    valueOf(await beginImport(context, id, { parts: 1, existing: 'leave' }));
    await carryThrough(context, id);
    expect(await lately()).to.have.length(1);
    expect((await lately())[0]).to.deep.include({
      id,
      file: 'crew.csv',
      broughtBy: 'Hedda',
      createdAt: '2026-11-25T09:30:00.000Z',
      state: 'done',
    });
    bench.later(25 * 3_600_000);
    await tidy(context);
    expect(await lately()).to.deep.equal([]);
    expect(await undoImport(context, id)).to.deep.include({ ok: false, reason: 'notFound' });
    expect(await names()).to.include('Undone 0');
  });
});
