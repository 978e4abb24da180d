import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { taskFitting } from '../support/demo-records';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

/** Cuts the connection by ending the server: nothing of it can be reached, from the page or from its worker. */
describe('a lost connection in the middle of work', function () {
  this.timeout(180_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let fittingId: string;
  let sitterId: string;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
    ({ fittingId, sitterId } = await taskFitting(app.folder));
    await user.goTo(`/fittings/${fittingId}?stage=set`);
    await user.press('OK');
    await user.saved();
    await user.page.waitForFunction(() => navigator.serviceWorker?.controller !== null);
    // Opened once while the worker watches, so that it has a copy.
    await user.goTo(`/people/${sitterId}`);
    await user.goTo(`/fittings/${fittingId}?stage=set`);
  });
  after(async () => {
    expect(user.faults.filter((f) => !/Failed to fetch|Load failed|ServiceWorker/.test(f))).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  const reconnect = async () => {
    app = await startApp({ folder: app.folder, port: Number(new URL(app.base).port) });
  };
  const draftHeight = async () => {
    const [row] = await readRows(
      app.folder,
      "select json_extract(settings, '$.positions.seatHeight') as height from setting_sets where fitting_id = ? and stage = 'reached' and version = 0",
      [fittingId],
    );
    return Number(row?.height);
  };
  const standing = async (dimension: string) => {
    const rows = await readRows(
      app.folder,
      'select value from readings where sitter_id = ? and dimension = ? and withdrawn_at is null',
      [sitterId, dimension],
    );
    return rows.map((r) => Number(r.value));
  };

  it('keeps what is set, over a reload without any connection, and sends it when it is back', async () => {
    const before = await user.positionOf('Seat height');
    await app.kill();
    await (await user.track('Seat height')).focus();
    for (let i = 0; i < 3; i++) await user.page.keyboard.press('ArrowLeft');
    await user.sees('Offline: saved on this device');
    await user.sees('1 change is saved on this device');
    await user.reload();
    await user.page.waitForFunction(
      (wanted) =>
        document.querySelector('[role="slider"][aria-label="Seat height"]')?.getAttribute('aria-valuenow') ===
        wanted,
      { timeout: 30_000 },
      String(before - 3),
    );
    await user.sees('Offline: saved on this device');
    await reconnect();
    await user.saved();
    await user.seesNoMore('kept on this device');
    expect(await draftHeight()).to.equal(before - 1 - 3);
  });

  it('keeps measures, in the order they were taken, each sent once', async () => {
    await user.goTo(`/people/${sitterId}`);
    await app.kill();
    await user.enter('Nape height', '641');
    await user.enter('Nape height', '643');
    await user.enter('Hip breadth, sitting', '39,2 cm');
    await user.type('Eye height, sitting', '77');
    await user.sees('changes are saved on this device');
    await user.reload();
    await user.sees('changes are saved on this device');
    expect(await user.valueOf('Nape height')).to.equal('643');
    expect(await user.valueOf('Hip breadth, sitting')).to.equal('392');
    await user.page.waitForFunction(
      () => (document.querySelector('#eyeHeightSitting') as HTMLInputElement).value === '77',
    );
    await reconnect();
    await user.seesNoMore('kept on this device');
    await user.seesNoMore('saved on this device, not sent yet');
    expect(await standing('napeHeight')).to.deep.equal([6430]);
    expect(await standing('hipBreadthSitting')).to.deep.equal([3920]);
  });

  it('goes on with the survey of a seat, over a reload, and saves it when the connection is back', async () => {
    const { page } = user;
    await user.goTo('/seats/survey');
    await user.type('Name', 'Slipway chair');
    await page.keyboard.press('Enter');
    await app.kill();
    const asked = (text: string) =>
      page.waitForFunction((wanted) => document.querySelector('h2')?.textContent === wanted, {}, text);
    const answer = async (question: string, value: string) => {
      await asked(question);
      await page.waitForFunction(() => document.activeElement?.matches('form input[inputmode="decimal"]'));
      await page.keyboard.type(value);
      await page.keyboard.press('Enter');
    };
    await answer('Rated load', '110');
    await answer('Lowest seat height', '430');
    await user.sees('Draft kept on this device');
    await asked('Highest seat height');
    await user.reload();
    await user.press('Start');
    await answer('Highest seat height', '540');
    for (const question of [
      'Shortest seat depth',
      'Longest seat depth',
      'Seat width',
      'Lowest armrest height',
    ])
      await asked(question).then(() => user.press('Skip'));
    await user.sees('Rated load: 110 kg');
    await user.press('Save seat');
    await user.sees('Save again when you are connected');
    await reconnect();
    await user.pressAndGo('Save seat');
    await user.sees('Slipway chair');
    await user.sees('430–540 mm');
  });

  it('says of a page never opened here that it cannot be shown, and that nothing is lost', async () => {
    await app.kill();
    await user.page.goto(`${app.base}/places`, { waitUntil: 'load' });
    await user.sees('This page has not been opened on this device before');
    await reconnect();
    await user.goTo('/seats');
    await user.sees('Gullstone');
  });
});
