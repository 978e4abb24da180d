import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { openDatabase } from '../../src/data/client';
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
});
