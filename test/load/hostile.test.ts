import { expect } from 'chai';
import { v7 } from 'uuid';
import { startApp, type App } from '../support/app';
import { sendHostile } from '../support/hostile';
import { proofRuns } from '../support/proof-runs';
import { readRows } from '../support/read-database';

const REQUESTS = proofRuns(10_000, 1_000);
/** So many at least of each answer: the mixture reaches the checks it is meant for. */
const OF_EACH = REQUESTS / 200;

describe('thousands of hostile requests', function () {
  this.timeout(600_000);
  let app: App;
  before(async () => {
    app = await startApp();
  });
  after(() => app.stop());

  it('are all answered, none with a fault of ours, and nothing is half written', async () => {
    const fittings = await readRows(app.folder, 'select id, sitter_id from fittings');
    const ids = fittings.flatMap((row) => [String(row.id), String(row.sitter_id)]);
    const { statuses, faults } = await sendHostile(app.base, ids, REQUESTS, 92);
    expect(faults.slice(0, 5)).to.deep.equal([]);
    const answered = [...statuses.values()].reduce((sum, n) => sum + n, 0);
    expect(answered).to.equal(REQUESTS);
    for (const status of [200, 201, 400, 403, 404, 405, 415, 422])
      expect(statuses.get(status), String(status)).to.be.greaterThan(OF_EACH);
    expect(await readRows(app.folder, 'PRAGMA integrity_check')).to.deep.equal([{ integrity_check: 'ok' }]);
    expect(await readRows(app.folder, 'PRAGMA foreign_key_check')).to.deep.equal([]);
  });

  it('leave every record readable and the server at work', async () => {
    for (const path of ['/', '/people', '/seats', '/places'])
      expect((await fetch(app.base + path)).status, path).to.equal(200);
    for (const { id } of await readRows(
      app.folder,
      'select id from fittings where sitter_id is not null and deleted_at is null',
    )) {
      expect((await fetch(`${app.base}/api/v1/fittings/${String(id)}`)).status).to.equal(200);
    }
    const id = v7();
    const made = await fetch(`${app.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, name: 'After all that', birthDate: null }),
    });
    expect(made.status).to.equal(201);
  });
});
