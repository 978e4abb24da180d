import { expect } from 'chai';
import { hasInvisible } from '../../src/core/exchange/invisible';
import type { Outcome } from '../../src/contract';
import fc from 'fast-check';
import { v7 } from 'uuid';
import { DIMENSIONS, DIMENSION_IDS, type DimensionId } from '../../src/core/body';
import { PEOPLE_HEAD, type FilePerson, type FileReading } from '../../src/core/exchange';
import { PeopleFileSchema } from '../../src/contract/people-file';
import { PEOPLE_JOBS } from '../../src/workers/people';
import { tidy } from '../../src/service/deleting';
import { everythingAbout, peopleCsv, peopleJson } from '../../src/service/exchange';
import {
  beginImport,
  cancelImport,
  carryThrough,
  gatherPart,
  importState,
  lookUp,
} from '../../src/service/importing';
import { measuringSessions } from '../../src/service/measuring';
import { localNoon, localDate } from '../../src/service/context';
import { createSitter, deleteSitter, editSitter, sitterDetail, takeReading } from '../../src/service/sitters';
import { type Bench, actingAs, bytesOf, found, openBench } from '../support/context';
import { valueOf } from '../support/outcome';
import { readRows } from '../support/read-database';
import { FILE_PERSON, sentParts } from '../support/file-person';

const whole = async (parts: Promise<Outcome<AsyncGenerator<string>>>): Promise<string> => {
  let text = '';
  for await (const part of valueOf(await parts)) text += part;
  return text;
};
const csvOf = (bench: Bench) => whole(peopleCsv(bench.context));
const jsonOf = (bench: Bench) => whole(peopleJson(bench.context));

/** Takes a file in, as the page does: read, divided, handed over, begun, awaited. */
async function importText(bench: Bench, text: string, existing: 'leave' | 'add' = 'leave') {
  const bytes = new TextEncoder().encode(text).buffer;
  const read = [...PEOPLE_JOBS.read({ bytes, today: '2026-11-25' })].at(-1)!.found!;
  expect(read.faults).to.deep.equal([]);
  const id = v7();
  for (const part of await sentParts(read))
    valueOf(await gatherPart(actingAs(bench.context, 'Hedda'), id, part));
  valueOf(await beginImport(bench.context, id, { parts: read.parts.length, existing }));
  await carryThrough(bench.context, id);
  return valueOf(await importState(bench.context, id));
}
const fileOf = (...people: Partial<FilePerson>[]) =>
  JSON.stringify({
    format: 'velto-people',
    version: 1,
    people: people.map((p) => ({ ...FILE_PERSON, ...p })),
  });
const reading = (dimension: DimensionId, value: number, more: Partial<FileReading> = {}): FileReading => ({
  dimension,
  value,
  unit: DIMENSIONS[dimension].unit,
  ...more,
});

describe('people taken out and in', function () {
  this.timeout(60_000);
  const benches: Bench[] = [];
  const open = async (options: { demo?: boolean } = {}) => {
    const bench = await openBench(options);
    benches.push(bench);
    return bench;
  };
  afterEach(async () => {
    while (benches.length > 0) await benches.pop()!.close();
  });

  it('are the same to the last letter after a way out and in again, as CSV and as JSON', async () => {
    const first = await open({ demo: true });
    for (const out of [csvOf, jsonOf]) {
      const second = await open();
      const text = await out(first);
      const state = await importText(second, text);
      expect(state.counts).to.deep.include({ created: 8, added: 0, left: 0, refused: [] });
      expect(await out(second)).to.equal(text);
    }
  });

  it('are the same whatever anybody has measured, and in whichever time zone', async () => {
    const instant = fc
      .date({ min: new Date('2001-01-01'), max: new Date('2026-11-20'), noInvalidDate: true })
      .map((d) => d.toISOString());
    const valueFor = (id: DimensionId) => {
      const { lowest, highest, unit } = DIMENSIONS[id];
      const per = unit === 'kg' ? 100 : 10;
      return fc.integer({ min: lowest * per, max: highest * per }).map((n) => n / per);
    };
    const taken = (sessions: readonly string[]) =>
      fc.constantFrom(...DIMENSION_IDS).chain((dimension) =>
        fc.record({
          id: fc.uuid({ version: 7 }),
          dimension: fc.constant(dimension),
          value: valueFor(dimension),
          unit: fc.constant(DIMENSIONS[dimension].unit),
          basis: fc.constantFrom('measured' as const, 'stated' as const),
          spread: fc
            .integer({ min: 0, max: 200 })
            .map((n) => n / (DIMENSIONS[dimension].unit === 'kg' ? 100 : 10)),
          source: fc.string({ maxLength: 30 }).map((s) => s.replace(/\p{Cc}/gu, '')),
          takenAt: instant,
          ...(sessions.length > 0 ? { session: fc.constantFrom(...sessions) } : {}),
          withdrawnAt: instant,
        }),
      );
    const anybody = fc.array(fc.uuid({ version: 7 }), { maxLength: 2 }).chain((sessions) =>
      fc.record({
        id: fc.uuid({ version: 7 }),
        name: fc
          .string({ unit: 'grapheme', minLength: 1, maxLength: 30 })
          .map((s) => s.replace(/\p{Cc}/gu, '').trim())
          .filter((s) => s !== '' && s.length <= 120 && !hasInvisible(s)),
        isNickname: fc.boolean(),
        sessions: fc.constant(
          [...new Set(sessions)].map((id, i) => ({
            id,
            date: '2026-01-02',
            startedAt: `2026-01-02T0${i}:00:00.000Z`,
            takenBy: null,
            shoesOn: i === 0,
            clothes: '',
            notes: 'line\nline',
          })),
        ),
        readings: fc.array(taken(sessions), { maxLength: 12 }).map((all): FileReading[] => {
          // The newest of a dimension holds.
          const sorted = [...all].sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1));
          return sorted.map((r, i) => {
            const { withdrawnAt, ...rest } = r;
            const isLast = !sorted.slice(i + 1).some((later) => later.dimension === r.dimension);
            return isLast ? rest : { ...rest, withdrawnAt };
          });
        }),
      }),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.uniqueArray(anybody, { minLength: 1, maxLength: 4, selector: (p) => p.id }),
        fc.constantFrom('UTC', 'Pacific/Auckland', 'America/Los_Angeles', 'Asia/Kathmandu'),
        async (people, timeZone) => {
          const [a, b, c] = [await open(), await open(), await open()];
          const inZone = (bench: Bench): Bench => ({
            ...bench,
            context: { ...bench.context, practice: { ...bench.context.practice, timeZone } },
          });
          await importText(inZone(a), fileOf(...people));
          const [json, csv] = [await jsonOf(inZone(a)), await csvOf(inZone(a))];
          await importText(inZone(b), json);
          expect(await jsonOf(inZone(b))).to.equal(json);
          await importText(inZone(c), csv);
          // A row says of all readings when and by whom the newest measured one was taken.
          const again = await csvOf(inZone(c));
          const values = (text: string) =>
            text.split('\r\n').map((line) => line.split(',').slice(-DIMENSION_IDS.length).join(','));
          expect(values(again)).to.deep.equal(values(csv));
          while (benches.length > 0) await benches.pop()!.close();
        },
      ),
      { numRuns: 12 },
    );
  });

  it('keep when and by whom where every reading was taken at once', async () => {
    const first = await open();
    await importText(first, 'name,measured on,measured by,stature [mm]\nA,2026-03-09,Hedda,1700\n');
    const text = await csvOf(first);
    expect(text.split('\r\n')[0]).to.equal(`\uFEFF${PEOPLE_HEAD.join(',')}`);
    expect(text).to.include(',2026-03-09,Hedda,1700,');
    const second = await open();
    await importText(second, text);
    expect(await csvOf(second)).to.equal(text);
  });

  it('who are here already are left as they are, unless readings are to be added', async () => {
    const bench = await open();
    const id = v7();
    valueOf(await createSitter(bench.context, { id, name: 'Zoé Åsland', birthDate: null }));
    valueOf(await takeReading(actingAs(bench.context, 'Hedda'), id, { dimension: 'stature', value: 1700 }));
    valueOf(await takeReading(actingAs(bench.context, 'Hedda'), id, { dimension: 'kneeHeight', value: 520 }));
    bench.later(60_000);
    const file = fileOf({
      name: 'ZOE ASLAND',
      birthDate: '1990-05-05',
      consentOn: '2026-01-01',
      readings: [
        reading('stature', 1710),
        reading('kneeHeight', 500, { takenAt: '2020-01-01' }),
        reading('poplitealHeight', 420),
      ],
    });
    const look = { people: [{ id: null, name: 'zoe asland', birthDate: '1990-05-05' }] };
    expect(valueOf(await lookUp(bench.context, look)).found).to.deep.equal(['here']);
    expect((await importText(bench, file)).counts).to.deep.include({
      created: 0,
      added: 0,
      left: 1,
      readings: 0,
    });
    const before = valueOf(await sitterDetail(bench.context, id));
    expect(before.body.stature?.value).to.equal(1700);

    expect((await importText(bench, file, 'add')).counts).to.deep.include({
      created: 0,
      added: 1,
      left: 0,
      readings: 3,
    });
    const after = valueOf(await sitterDetail(bench.context, id));
    expect(after).to.deep.include({ name: 'Zoé Åsland', birthDate: '1990-05-05', consentOn: '2026-01-01' });
    expect(after.version).to.equal(before.version + 1);
    // The newer holds: the file's stature, the knee height that was here.
    expect(after.body.stature).to.deep.include({ value: 1710, basis: 'stated', source: 'crew.csv' });
    expect(after.body.kneeHeight?.value).to.equal(520);
    expect(after.body.poplitealHeight?.value).to.equal(420);
    const all = valueOf(await measuringSessions(bench.context, id)).flatMap((s) => s.taken);
    expect(all.filter((t) => t.dimension === 'stature').map((t) => t.value)).to.have.members([1700, 1710]);
    expect(all.filter((t) => t.dimension === 'kneeHeight').map((t) => t.value)).to.have.members([500, 520]);
    // Nothing new the second time but what a file without dates says again.
    expect((await importText(bench, await jsonOf(bench), 'add')).counts).to.deep.include({
      added: 0,
      left: 1,
    });
  });

  it('of one name and no birth dates stay two where they stand in one file, and are left alone later', async () => {
    const bench = await open();
    const file = 'name,stature [mm]\nA,1700\nA,1800\n';
    expect((await importText(bench, file)).counts.created).to.equal(2);
    expect((await importText(bench, file)).counts).to.deep.include({ created: 0, left: 2 });
    const { counts } = await importText(bench, file, 'add');
    expect(counts).to.deep.include({ created: 0, added: 0 });
    expect(counts.refused).to.deep.equal([
      { part: 0, place: 0, why: 'several' },
      { part: 0, place: 1, why: 'several' },
    ]);
  });

  it('who are being deleted are not taken in', async () => {
    const bench = await open({ demo: true });
    const [one] = await found(bench.context, 'Maren');
    const file = await csvOf(bench);
    valueOf(await deleteSitter(bench.context, one!.id));
    const { counts } = await importText(bench, file);
    expect(counts.refused.map(({ why }) => why)).to.deep.equal(['deleted']);
    expect(await found(bench.context, 'Maren')).to.deep.equal([]);
  });

  it('bring open fittings up to date', async () => {
    const bench = await open({ demo: true });
    const [one] = await found(bench.context, 'Maren');
    await importText(bench, fileOf({ name: one!.name, readings: [reading('poplitealHeight', 415)] }), 'add');
    const [row] = await readRows(bench.folder, 'select inputs from fittings where sitter_id = ?', [one!.id]);
    expect(JSON.parse(String(row?.inputs))).to.have.nested.property('body.poplitealHeight.value', 415);
  });

  it('are not in the records before it is decided, and go when it never is', async () => {
    const bench = await open();
    const id = v7();
    const part = { file: 'f.csv', number: 0, people: [{ ...FILE_PERSON, name: 'Qwertzu Asdfgh' }] };
    valueOf(await gatherPart(bench.context, id, part));
    valueOf(await gatherPart(bench.context, id, part));
    expect(valueOf(await importState(bench.context, id))).to.deep.include({ state: 'gathering', waiting: 1 });
    expect(await found(bench.context, '')).to.deep.equal([]);
    const early = await beginImport(bench.context, id, { parts: 2, existing: 'leave' });
    expect(early.ok).to.equal(false);
    bench.later(25 * 3_600_000);
    await tidy(bench.context);
    expect((await importState(bench.context, id)).ok).to.equal(false);
    expect(bytesOf(bench)).not.to.include('Qwertzu');
    expect((await cancelImport(bench.context, id)).ok).to.equal(false);
  });

  it('come in once and whole though the program ended in the middle', async () => {
    const bench = await open();
    const id = v7();
    const people = Array.from({ length: 250 }, (_, i) => ({
      ...FILE_PERSON,
      name: `P ${i}`,
      readings: [reading('stature', 1500 + i)],
    }));
    for (const number of [0, 1, 2])
      valueOf(
        await gatherPart(bench.context, id, {
          file: 'f',
          number,
          people: people.slice(100 * number, 100 * number + 100),
        }),
      );
    // The store stops taking writes after the first part, as if the program had ended.
    let left = 2;
    const { store } = bench.context;
    const write = store.write.bind(store);
    store.write = (act) => (left-- > 0 ? write(act) : Promise.reject(new Error('ended')));
    const said: unknown[] = [];
    const { error } = console;
    console.error = (...what: unknown[]) => said.push(what);
    valueOf(await beginImport(bench.context, id, { parts: 3, existing: 'leave' }));
    await carryThrough(bench.context, id);
    console.error = error;
    store.write = write;
    expect(said).to.have.length(1);
    expect(valueOf(await importState(bench.context, id))).to.deep.include({ state: 'writing', waiting: 2 });
    await tidy(bench.context);
    await carryThrough(bench.context, id);
    expect(valueOf(await importState(bench.context, id))).to.deep.include({ state: 'done', waiting: 0 });
    const rows = await readRows(bench.folder, 'select count(distinct name) n, count(*) all_of from sitters');
    expect(rows).to.deep.equal([{ n: 250, all_of: 250 }]);
    expect(await readRows(bench.folder, 'select count(*) n from readings')).to.deep.equal([{ n: 250 }]);
    expect(await readRows(bench.folder, 'PRAGMA foreign_key_check')).to.deep.equal([]);
    // Begun anew it stays done.
    expect(valueOf(await beginImport(bench.context, id, { parts: 3, existing: 'add' })).state).to.equal(
      'done',
    );
  });

  it('with faults are refused by the server too, whoever sends them', async () => {
    const bench = await open();
    const bad = { ...FILE_PERSON, readings: [reading('stature', 17)] };
    const refused = await gatherPart(bench.context, v7(), { file: 'f', number: 0, people: [bad] });
    expect(refused).to.deep.include({ ok: false, reason: 'invalid' });
    expect(refused.ok ? [] : refused.faults).to.deep.equal([
      { pointer: '/people/0/readings/0/value', detail: 'outOfRange: 17' },
    ]);
    expect(await readRows(bench.folder, 'select * from imports')).to.deep.equal([]);
  });

  it('give ids of readings that are in use elsewhere way to new ones', async () => {
    const bench = await open();
    const [readingId, session] = [v7(), v7()];
    const one = {
      sessions: [
        {
          id: session,
          date: '2026-01-01',
          startedAt: '2026-01-01T10:00:00.000Z',
          takenBy: null,
          shoesOn: false,
          clothes: '',
          notes: '',
        },
      ],
      readings: [reading('stature', 1700, { id: readingId, session })],
    };
    await importText(bench, fileOf({ name: 'A', ...one }));
    // Elsewhere is in the records, and in the same file as well.
    await importText(bench, fileOf({ name: 'B', ...one }, { name: 'C', ...one }));
    const rows = await readRows(
      bench.folder,
      'select count(distinct r.id) ids, count(distinct m.id) sessions, sum(m.sitter_id = r.sitter_id) own from readings r join measuring_sessions m on m.id = r.session_id',
    );
    expect(rows).to.deep.equal([{ ids: 3, sessions: 3, own: 3 }]);
    const fresh = await open();
    await importText(fresh, fileOf({ name: 'A', ...one }, { name: 'B', ...one }));
    expect(await readRows(fresh.folder, 'select count(distinct id) ids from readings')).to.deep.equal([
      { ids: 2 },
    ]);
  });

  it('are refused where a part has somebody twice: an import that could never be written does not begin', async () => {
    const bench = await open();
    const twin = { ...FILE_PERSON, id: v7() };
    const part = {
      file: 'f',
      number: 0,
      people: [twin, { ...FILE_PERSON, id: v7() }, { ...twin, name: 'B' }],
    };
    expect(await gatherPart(bench.context, v7(), part)).to.deep.include({
      ok: false,
      reason: 'invalid',
      faults: [{ pointer: '/people/2/id', detail: 'This id appears twice.' }],
    });
    expect(await readRows(bench.folder, 'select * from imports')).to.deep.equal([]);
  });
});

describe('what is kept of a person', () => {
  let bench: Bench;
  before(async () => {
    bench = await openBench({ demo: true });
  });
  after(() => bench.close());

  it('is handed out whole: who, consent, sessions, every reading, fittings with all their settings', async () => {
    const [odd] = await found(bench.context, 'Quillsay');
    const text = valueOf(await everythingAbout(bench.context, odd!.id));
    const file = JSON.parse(text) as { people: [FilePerson & { fittings: { settings: unknown[] }[] }] };
    expect(PeopleFileSchema.safeParse(file).success).to.equal(true);
    const [person] = file.people;
    const [count] = await readRows(bench.folder, 'select count(*) n from readings where sitter_id = ?', [
      odd!.id,
    ]);
    expect(person.readings).to.have.length(Number(count?.n));
    expect(person.readings.filter((r) => r.withdrawnAt !== undefined).length).to.be.greaterThan(0);
    expect(person.sessions.map((s) => s.notes)).to.include('In a hurry; boots stayed on.');
    expect(person.consentOn).to.equal('2025-10-01');
    expect(person.fittings[0]!.settings.length).to.be.greaterThan(0);
  });

  it('is nowhere in the file any more once it is deleted for good, sessions and notes included', async () => {
    const [odd] = await found(bench.context, 'Quillsay');
    expect(bytesOf(bench)).to.include('boots stayed on');
    valueOf(await deleteSitter(bench.context, odd!.id));
    bench.later(11 * 60_000);
    await tidy(bench.context);
    for (const trace of ['Quillsay', 'boots stayed on', 'loft floor'])
      expect(bytesOf(bench), trace).not.to.include(trace);
    const [left] = await readRows(bench.folder, 'select count(*) n from fittings where sitter_id is null');
    expect(left).to.deep.equal({ n: 1 });
  });

  it('may go by a nickname: the name before is nowhere any more', async () => {
    const id = v7();
    const keyed = { ...bench.context, request: { key: v7(), fingerprint: 'x' } };
    valueOf(await createSitter(keyed, { id, name: 'Wilhelmina Gravelund', birthDate: null }));
    expect(bytesOf(bench)).to.include('Gravelund');
    valueOf(await editSitter(bench.context, id, 1, { name: 'Kestrel', isNickname: true }));
    expect(bytesOf(bench)).not.to.include('Gravelund');
    expect(bytesOf(bench)).not.to.include('gravelund');
    expect(valueOf(await sitterDetail(bench.context, id))).to.deep.include({
      name: 'Kestrel',
      isNickname: true,
    });
  });

  it('has a consent with its date, which is not still to come', async () => {
    const id = v7();
    const made = await createSitter(bench.context, {
      id,
      name: 'A',
      birthDate: null,
      consentOn: '2026-11-26',
    });
    expect(made.ok ? null : made.faults?.[0]?.pointer).to.equal('/consentOn');
    valueOf(await createSitter(bench.context, { id, name: 'A', birthDate: null, consentOn: '2026-11-25' }));
    const withdrawn = valueOf(await editSitter(bench.context, id, 1, { consentOn: null, consentBy: null }));
    expect(withdrawn.consentOn).to.equal(null);
  });
});

describe('noon of a day', () => {
  it('is on that day in every time zone', () => {
    for (const timeZone of Intl.supportedValuesOf('timeZone'))
      for (const date of ['2026-01-15', '2026-07-15'])
        expect(localDate(new Date(localNoon(date, timeZone)), timeZone), `${timeZone} ${date}`).to.equal(
          date,
        );
    expect(localNoon('2026-07-15', 'Asia/Kathmandu')).to.equal('2026-07-15T06:15:00.000Z');
  });
});
