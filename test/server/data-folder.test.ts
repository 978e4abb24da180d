/** What the folder of the data promises: a copy of the file alone is whole, nothing is written into nothing, no strangers move in. */
import { spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { v7 } from 'uuid';
import { StorageGone } from '../../src/data/storage-gone';
import { insertFitter } from '../../src/data/fitters';
import { openContext, removeData } from '../../src/server/open';
import { startApp } from '../support/app';
import { openBench } from '../support/context';
import { readRows } from '../support/read-database';

const AT = '2026-11-25T09:30:00.000Z';
const folderOf = () => mkdtempSync(join(tmpdir(), 'velto-folder-'));
/** The file alone, as somebody would copy it. */
function copyOf(folder: string): string {
  const copy = folderOf();
  copyFileSync(join(folder, 'velto.db'), join(copy, 'velto.db'));
  return copy;
}
const add = (base: string, id = v7()) =>
  fetch(`${base}/api/v1/sitters`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id, name: 'Added Later', birthDate: null }),
  });

describe('the folder of the data', function () {
  this.timeout(60_000);

  it('holds everything in its one file, after a start and at the end, and nobody else on the machine reads it', async () => {
    const app = await startApp({ isFirst: true });
    const early = copyOf(app.folder);
    expect(await readRows(early, 'select count(*) as n from sitters')).to.deep.equal([{ n: 8 }]);
    const id = v7();
    expect((await add(app.base, id)).status).to.equal(201);
    for (const name of ['velto.db', 'velto.db-wal', 'velto.db-shm', 'velto-data.txt'])
      if (existsSync(join(app.folder, name)))
        expect((statSync(join(app.folder, name)).mode & 0o077).toString(8), name).to.equal('0');
    await app.end();
    const late = copyOf(app.folder);
    expect(await readRows(late, `select name from sitters where id = '${id}'`)).to.have.length(1);
    for (const folder of [app.folder, early, late]) rmSync(folder, { recursive: true, force: true });
  });

  it('holds everything in its one file after a quiet moment', async () => {
    const bench = await openBench();
    const { store } = bench.context;
    await store.write((q) => insertFitter(q, { id: v7(), name: 'Quiet Quayle' }, AT));
    const names = async (folder: string) =>
      (await readRows(folder, 'select name from fitters').catch(() => [])).map((r) => r.name);
    await store.foldIfQuiet(60_000);
    const early = copyOf(bench.folder);
    expect(await names(early)).not.to.include('Quiet Quayle');
    await store.foldIfQuiet(0);
    const late = copyOf(bench.folder);
    expect(await names(late)).to.include('Quiet Quayle');
    await bench.close();
    for (const folder of [early, late]) rmSync(folder, { recursive: true, force: true });
  });

  it('takes nothing once it is gone: what cannot be kept is refused', async () => {
    const app = await startApp({ isFirst: true });
    rmSync(app.folder, { recursive: true, force: true });
    const refused = await add(app.base);
    expect(refused.status).to.equal(503);
    expect(((await refused.json()) as { type: string }).type).to.equal('urn:velto:problem:storageGone');
    await app.end();
    const bench = await openBench();
    rmSync(bench.folder, { recursive: true, force: true });
    let thrown: unknown = null;
    await bench.context.store
      .write((q) => insertFitter(q, { id: v7(), name: 'Nobody' }, AT))
      .catch((error: unknown) => (thrown = error));
    expect(thrown).to.be.instanceOf(StorageGone);
    await bench.close();
  });

  it('gets demo records only when asked for them, and never where data once was', async () => {
    const folder = folderOf();
    /** How many people there are after opening it. */
    const opened = async (demo: boolean): Promise<unknown> => {
      const { context } = await openContext({ dataFolder: folder, demo });
      await context.store.close();
      return (await readRows(folder, 'select count(*) as n from sitters'))[0]?.n;
    };
    expect(await opened(false)).to.equal(0);
    expect(await opened(true)).to.equal(0);
    // The file is gone, its mark is not: nobody is moved in without a word.
    rmSync(join(folder, 'velto.db'));
    const refused = spawnSync(
      process.execPath,
      ['dist/serve.mjs', '--port', '0', '--data', folder, '--demo'],
      { encoding: 'utf8', timeout: 20_000 },
    );
    expect(refused.status).to.equal(1);
    expect(refused.stderr).to.contain('has held data before').and.contain('--fresh');
    removeData(folder);
    expect(await opened(true)).to.equal(8);
    rmSync(folder, { recursive: true, force: true });
  });
});
