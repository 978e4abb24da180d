import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

describe('deleting', function () {
  this.timeout(120_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let sitterId: string;
  let name: string;
  before(async () => {
    // The clock of the server is another than that of the device: undoing does not depend on it.
    app = await startApp({ isFirst: true, env: { VELTO_NOW: '2026-11-25T03:00:00Z' } });
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
    const [row] = await readRows(
      app.folder,
      'select s.id, s.name from sitters s join fittings f on f.sitter_id = s.id limit 1',
    );
    [sitterId, name] = [String(row?.id), String(row?.name)];
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  it('asks who works here first', async () => {
    await user.goTo(`/people/${sitterId}`);
    await user.press('OK');
    await user.press('Delete person');
    await user.sees('only a named fitter may delete');
    await user.choose('Fitter', 'Rowan Aldous');
  });

  it('a sitter says until when it can be undone, and undoes it', async () => {
    await user.pressAndGo('Delete person');
    await user.sees(`${name} deleted`);
    expect(await user.page.$$eval('td a', (links) => links.map((a) => a.textContent))).not.to.include(name);
    await user.pressAndGo('Undo');
    await user.page.waitForFunction(
      (wanted) => document.querySelector('h1')?.textContent === wanted,
      {},
      name,
    );
    const [row] = await readRows(app.folder, 'select deleted_at from sitters where id = ?', [sitterId]);
    expect(row).to.deep.equal({ deleted_at: null });
  });

  it('a fitting as well', async () => {
    const [row] = await readRows(app.folder, 'select id from fittings where sitter_id = ? limit 1', [
      sitterId,
    ]);
    await user.goTo(`/fittings/${String(row?.id)}?stage=card`);
    await user.pressAndGo('Delete fitting');
    await user.sees(`Fitting of ${name} deleted`);
    await user.pressAndGo('Undo');
    await user.sees(name);
  });

  it('shows what remains of a fitting once the person is erased', async () => {
    const [row] = await readRows(
      app.folder,
      "select f.id from fittings f join setting_sets s on s.fitting_id = f.id and s.stage = 'reached' where f.sitter_id = ? limit 1",
      [sitterId],
    );
    await user.goTo(`/people/${sitterId}`);
    await user.pressAndGo('Delete person');
    const folder = app.folder;
    await app.end();
    // An hour later.
    app = await startApp({ folder, env: { VELTO_NOW: '2026-11-25T04:00:00Z' } });
    const later = new Driver(await bench.open(), app.base);
    await later.goTo(`/fittings/${String(row?.id)}`);
    await later.sees('Fitting of a deleted person');
    await later.sees('kept without the name');
    expect(await later.text()).not.to.include(name);
    expect(await readRows(folder, 'select id from sitters where id = ?', [sitterId])).to.deep.equal([]);
    await later.goTo('/');
    await later.sees('person deleted');
  });
});
