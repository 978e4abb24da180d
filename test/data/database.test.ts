import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { eq } from 'drizzle-orm';
import { createClient } from '@libsql/client';
import { v7 } from 'uuid';
import { NewerDatabaseError, openDatabase } from '../../src/data/client';
import { fitters } from '../../src/data/schema';
import { fold } from '../../src/data/fold';
import { insertFitter, listFitters } from '../../src/data/fitters';
import {
  bodyOf,
  findSitter,
  insertReading,
  insertSitter,
  listSitters,
  withdrawReading,
} from '../../src/data/sitters';
import { q } from '../support/inputs';
import { bytesOf, fileUrl, openBench, type Bench } from '../support/context';

const AT = '2026-11-25T09:30:00.000Z';

describe('the database', () => {
  let bench: Bench;
  beforeEach(async () => {
    bench = await openBench();
  });
  afterEach(() => bench.close());

  it('keeps foreign keys and a write-ahead log', async () => {
    const { $client } = bench.context.store.db;
    expect(Number((await $client.execute('PRAGMA foreign_keys')).rows[0]![0])).to.equal(1);
    expect((await $client.execute('PRAGMA journal_mode')).rows[0]![0]).to.equal('wal');
  });

  it('opens again with everything in it', async () => {
    const fitter = { id: v7(), name: 'Hedda Kvist' };
    await bench.context.store.write((queries) => insertFitter(queries, fitter, AT));
    const again = await openDatabase(fileUrl(bench.folder));
    expect(await listFitters(again)).to.deep.equal([{ ...fitter, version: 1 }]);
    again.$client.close();
  });

  it('holds nothing erased any more, though the program was killed before it had emptied its log', async () => {
    const { db } = bench.context.store;
    const id = v7();
    await bench.context.store.write((queries) => insertFitter(queries, { id, name: 'Tormund Quayle' }, AT));
    await bench.context.store.write((queries) => queries.delete(fitters).where(eq(fitters.id, id)));
    // As a killed program leaves it: file and log, neither closed.
    const left = mkdtempSync(join(tmpdir(), 'velto-killed-'));
    cpSync(bench.folder, left, { recursive: true });
    expect(bytesOf({ folder: left })).to.include('Tormund Quayle');
    const again = await openDatabase(fileUrl(left));
    expect(bytesOf({ folder: left })).not.to.include('Tormund Quayle');
    again.$client.close();
    rmSync(left, { recursive: true });
    expect(await listFitters(db)).to.deep.equal([]);
  });

  it('refuses a file that a newer program has written', async () => {
    const client = createClient({ url: fileUrl(bench.folder) });
    await client.execute({
      sql: 'insert into __drizzle_migrations (hash, created_at) values (?, ?)',
      args: ['later', Date.now() + 1e10],
    });
    client.close();
    let thrown: unknown;
    try {
      await openDatabase(fileUrl(bench.folder));
    } catch (error) {
      thrown = error;
    }
    expect(thrown).to.be.instanceOf(NewerDatabaseError);
  });

  it('undoes the whole act when a part of it fails', async () => {
    const id = v7();
    let failed = false;
    try {
      await bench.context.store.write(async (queries) => {
        await insertSitter(queries, { id, name: 'A', birthDate: null }, AT);
        throw new Error('half way');
      });
    } catch {
      failed = true;
    }
    expect(failed).to.equal(true);
    expect(await findSitter(bench.context.store.db, id)).to.equal(null);
  });

  it('takes fifty writes at once, one after the other, and goes on after a failed one', async () => {
    const { store } = bench.context;
    const writes = Array.from({ length: 50 }, (_, i) =>
      store.write(async (queries) => {
        if (i === 20) throw new Error('one of them fails');
        await insertSitter(queries, { id: v7(), name: `Sitter ${i}`, birthDate: null }, AT);
      }),
    );
    const results = await Promise.allSettled(writes);
    expect(results.filter((r) => r.status === 'rejected')).to.have.length(1);
    expect(await listSitters(store.db, '', { limit: 10 })).to.have.property('total', 49);
  });

  it('refuses a reading of a sitter that is not there', async () => {
    let refused = false;
    try {
      await bench.context.store.write((queries) =>
        insertReading(queries, v7(), v7(), 'stature', q(1700), AT),
      );
    } catch {
      refused = true;
    }
    expect(refused).to.equal(true);
  });
});

describe('sitters and their readings', () => {
  let bench: Bench;
  const sitterId = v7();
  before(async () => {
    bench = await openBench();
    await bench.context.store.write(async (queries) => {
      await insertSitter(queries, { id: sitterId, name: 'Øyvind Ström-Åkesson', birthDate: null }, AT);
      await insertSitter(queries, { id: v7(), name: '100% Wool_len', birthDate: null }, AT);
    });
  });
  after(() => bench.close());

  const found = async (search: string) => {
    const page = await listSitters(bench.context.store.db, search, { limit: 50 });
    return page === 'unknownCursor' ? [] : page.items.map((s) => s.name);
  };

  it('are found by any part of the name, without accents or case', async () => {
    for (const search of ['øyvind', 'oyvind', 'strom', 'AKES', ''])
      expect(await found(search), search).to.include('Øyvind Ström-Åkesson');
  });

  it('are not found by what is not in the name, wildcards included', async () => {
    expect(await found('zz')).to.deep.equal([]);
    expect(await found('%')).to.deep.equal(['100% Wool_len']);
    expect(await found('_')).to.deep.equal(['100% Wool_len']);
    expect(await found('\\')).to.deep.equal([]);
  });

  it('keep lengths to a tenth of a millimetre and masses to ten grams', async () => {
    const { store } = bench.context;
    await store.write(async (queries) => {
      await insertReading(queries, v7(), sitterId, 'poplitealHeight', q(444.5, 2.5), AT);
      await insertReading(queries, v7(), sitterId, 'bodyMass', q(72.57, 0.25), AT);
    });
    const body = await bodyOf(store.db, sitterId);
    expect(body.poplitealHeight?.value).to.equal(444.5);
    expect(body.poplitealHeight?.spread).to.equal(2.5);
    expect(body.bodyMass?.value).to.equal(72.57);
    expect((await findSitter(store.db, sitterId))?.measured).to.equal(2);
  });

  it('hold one reading of a dimension at a time; the one before is kept withdrawn', async () => {
    const { store } = bench.context;
    let second = true;
    try {
      await store.write((queries) => insertReading(queries, v7(), sitterId, 'poplitealHeight', q(400), AT));
    } catch {
      second = false;
    }
    expect(second).to.equal(false);
    await store.write(async (queries) => {
      await withdrawReading(queries, sitterId, 'poplitealHeight', AT);
      await insertReading(queries, v7(), sitterId, 'poplitealHeight', q(430), AT);
    });
    expect((await bodyOf(store.db, sitterId)).poplitealHeight?.value).to.equal(430);
    const kept = await store.db.$client.execute(
      "select count(*) from readings where dimension = 'poplitealHeight'",
    );
    expect(Number(kept.rows[0]![0])).to.equal(2);
  });

  it('fold names of the north', () => {
    expect(fold('  Ærø   Þór  Łódź ')).to.equal('aero thor lodz');
    expect(fold('Crème Brûlée')).to.equal('creme brulee');
  });
});
