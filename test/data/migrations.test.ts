import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { openDatabase } from '../../src/data/client';
import { ALL_DOCUMENTS, METHODS, PLACES, SEATS, TABLES_ADDED } from '../../src/data/documents/kinds';
import { searchSeats } from '../../src/data/documents/seat-search';
import { migrationsDir } from '../../src/data/migrations-dir';
import { fileUrl } from '../support/context';

interface Journal {
  entries: { idx: number; when: number; tag: string }[];
}
const journalOf = (folder: string) => join(folder, 'meta', '_journal.json');

/** The migrations up to the one of this number. */
function migrationsUpTo(last: number, into: string): string {
  cpSync(migrationsDir(), into, { recursive: true });
  const journal = JSON.parse(readFileSync(journalOf(into), 'utf8')) as Journal;
  journal.entries = journal.entries.filter((e) => e.idx <= last);
  writeFileSync(journalOf(into), JSON.stringify(journal));
  return into;
}

const AT = "'2026-11-25T09:30:00.000Z'";
/** Rows as the first version of the program wrote them: a fitting with a draft and a version that was left. */
const SEED = [
  `insert into fitters (id, name, created_at) values ('f1', 'Ada', ${AT})`,
  `insert into sitters (id, name, folded, birth_date, version, created_at, updated_at) values ('s1', 'Runa', 'runa', null, 4, ${AT}, ${AT})`,
  `insert into readings (id, sitter_id, dimension, value, basis, spread, source, taken_at) values ('r1', 's1', 'stature', 17000, 'measured', 25, 'single reading', ${AT})`,
  `insert into method_versions (id, number, document, created_at, method_id) values ('m1', 1, '{}', ${AT}, 'm')`,
  `insert into fittings (id, sitter_id, fitter_id, method_version_id, tools, date, state, version, created_at, updated_at) values ('x1', 's1', 'f1', 'm1', 250, '2026-11-25', 'left', 7, ${AT}, ${AT})`,
  `insert into setting_sets (id, fitting_id, posture, stage, version, settings, saved_at) values ('d1', 'x1', 'main', 'reached', 0, '{"positions":{}}', ${AT})`,
  `insert into setting_sets (id, fitting_id, posture, stage, version, settings, saved_at) values ('d2', 'x1', 'main', 'left', 1, '{"positions":{}}', ${AT})`,
];
const TABLES = ['fitters', 'sitters', 'readings', 'method_versions', 'fittings', 'setting_sets'];

/** The last version of the database in which every start could leave another version of every method. */
const BEFORE_FOLDING = 9;
/** The last version in which lists opened every document. */
const BEFORE_LISTS = 11;

describe('migrations', () => {
  const last = (JSON.parse(readFileSync(journalOf(migrationsDir()), 'utf8')) as Journal).entries.length - 1;

  for (let version = 0; version < last; version++) {
    it(`bring a filled database of version ${version} to the newest without losing a row`, async () => {
      const folder = mkdtempSync(join(tmpdir(), 'velto-migrate-'));
      const old = await openDatabase(fileUrl(folder), migrationsUpTo(version, join(folder, 'drizzle')));
      for (const sql of SEED) await old.$client.execute(sql);
      const before = new Map<string, Record<string, unknown>[]>();
      const read = async (db: typeof old, table: string) => {
        const { rows, columns } = await db.$client.execute(`select * from ${table} order by id`);
        return rows.map((row) => Object.fromEntries(columns.map((c, i) => [c, row[i]])));
      };
      for (const table of TABLES) before.set(table, await read(old, table));
      old.$client.close();

      const now = await openDatabase(fileUrl(folder));
      for (const table of TABLES) {
        const after = await read(now, table);
        expect(after, table).to.have.length(before.get(table)!.length);
        after.forEach((row, i) => expect(row, table).to.deep.include(before.get(table)![i]!));
      }
      expect((await now.$client.execute('PRAGMA foreign_key_check')).rows).to.have.length(0);
      expect((await now.$client.execute('PRAGMA integrity_check')).rows[0]![0]).to.equal('ok');
      now.$client.close();
      rmSync(folder, { recursive: true, force: true });
    });
  }

  it('fold equal versions of a method into one; fittings and links mean the same as before', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'velto-fold-'));
    const old = await openDatabase(fileUrl(folder), migrationsUpTo(BEFORE_FOLDING, join(folder, 'drizzle')));
    const { SHIPPED_METHODS } = await import('../../src/core/method');
    const [built, other] = SHIPPED_METHODS.map((m) => JSON.stringify(m));
    const changed = JSON.stringify({ ...SHIPPED_METHODS[0]!, summary: 'as it once was' });
    // As one start after the other left them: the same, the same, changed, changed back, and the same.
    for (const [number, document] of [changed, changed, built!, built!, built!].entries())
      await old.$client.execute({
        sql: `insert into method_versions (id, number, document, created_at, method_id) values (?, ?, ?, ${AT}, 'right-angle')`,
        args: [`m${number + 1}`, number + 1, document],
      });
    await old.$client.execute({
      sql: `insert into method_versions (id, number, document, created_at, method_id) values ('o1', 1, ?, ${AT}, 'open-hip')`,
      args: [other!],
    });
    await old.$client.execute(SEED[1]!);
    for (const [i, version] of ['m1', 'm2', 'm4', 'm5', 'o1'].entries())
      await old.$client.execute(
        `insert into fittings (id, sitter_id, method_version_id, tools, date, state, version, created_at, updated_at) values ('x${i}', 's1', '${version}', 0, '2026-11-25', 'open', 1, ${AT}, ${AT})`,
      );
    old.$client.close();

    const now = await openDatabase(fileUrl(folder));
    const rows = async (sql: string) =>
      (await now.$client.execute(sql)).rows.map((row) => Object.values(row)[0]);
    expect(await rows('select id from method_versions order by id')).to.deep.equal(['m1', 'm3', 'o1']);
    expect(await rows('select method_version_id from fittings order by id')).to.deep.equal([
      'm1',
      'm1',
      'm3',
      'm3',
      'o1',
    ]);
    // A link that names a folded version still leads to what it named.
    expect((await METHODS.byVersion(now, 'm5'))?.document.id).to.equal('right-angle');
    expect((await METHODS.byVersion(now, 'm2'))?.document.summary).to.equal('as it once was');
    expect((await now.$client.execute('PRAGMA foreign_key_check')).rows).to.have.length(0);
    now.$client.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('list what was kept before there was a list of it: seats of the first form, workstations and tables', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'velto-lists-'));
    const old = await openDatabase(fileUrl(folder), migrationsUpTo(BEFORE_LISTS, join(folder, 'drizzle')));
    const first = JSON.parse(readFileSync('test/fixtures/first-documents.json', 'utf8')) as {
      readonly seats: readonly { readonly name: string; readonly seatClass: string }[];
      readonly places: readonly { readonly name: string }[];
    };
    const insert = (sql: string, ...args: string[]) => old.$client.execute({ sql, args });
    const ids = first.seats.map((_, i) => `01990000-0000-7000-8000-0000000001${String(i).padStart(2, '0')}`);
    for (const [i, seat] of first.seats.entries())
      for (const number of [1, 2])
        await insert(
          `insert into seat_versions (id, number, document, created_at, seat_id) values (?, ${number}, ?, ${AT}, ?)`,
          ids[i]!.replace('-8000-', `-800${number}-`),
          JSON.stringify({ ...seat, id: ids[i], notes: `version ${number}` }),
          ids[i]!,
        );
    const placeId = '01990000-0000-7000-8000-000000000200';
    await insert(
      `insert into place_versions (id, number, document, created_at, place_id) values (?, 1, ?, ${AT}, ?)`,
      placeId.replace('-8000-', '-8001-'),
      JSON.stringify({ ...first.places[0], id: placeId }),
      placeId,
    );
    await insert(
      `insert into population_tables (id, document, created_at, retired_at) values ('crew', ?, ${AT}, ${AT})`,
      JSON.stringify({ id: 'crew', name: 'Crew', source: 'own', n: null, rows: { men: {}, women: {} } }),
    );
    old.$client.close();

    const now = await openDatabase(fileUrl(folder));
    for (const documents of ALL_DOCUMENTS) while ((await documents.refresh(now, 4)) > 0);
    const seats = await SEATS.listings(now);
    expect(seats.map((s) => s.name).sort()).to.deep.equal(first.seats.map((s) => s.name).sort());
    for (const { number, state, fault, summary, versionId, name } of seats) {
      expect([number, state, fault], name).to.deep.equal([2, 'checked', null]);
      expect(summary!.seatClass).to.equal(first.seats.find((s) => s.name === name)!.seatClass);
      expect((await SEATS.byVersion(now, versionId))!.document.notes).to.equal('version 2');
    }
    expect((await PLACES.listings(now)).map((p) => p.name)).to.deep.equal([first.places[0]!.name]);
    const [table] = await TABLES_ADDED.listings(now);
    expect([table!.name, table!.state]).to.deep.equal(['Crew', 'retired']);
    const found = await searchSeats(now, { search: '', sort: 'height', order: 'rising' }, { limit: 50 });
    expect(found).to.have.property('total', first.seats.length);
    expect((await now.$client.execute('PRAGMA foreign_key_check')).rows).to.have.length(0);
    now.$client.close();
    rmSync(folder, { recursive: true, force: true });
  });
});
