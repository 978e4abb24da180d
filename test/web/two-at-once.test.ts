import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { taskFitting } from '../support/demo-records';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

describe('two browsers on one fitting', function () {
  this.timeout(120_000);
  let app: App;
  let bench: BrowserBench;
  let ada: Driver;
  let bo: Driver;
  let fittingId: string;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    [ada, bo] = [new Driver(await bench.open(), app.base), new Driver(await bench.open(), app.base)];
    ({ fittingId } = await taskFitting(app.folder));
    for (const user of [ada, bo]) {
      await user.goTo(`/fittings/${fittingId}?stage=set`);
      await user.press('OK');
    }
  });
  after(async () => {
    expect([...ada.faults, ...bo.faults]).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  const positions = async () => {
    const [row] = await readRows(
      app.folder,
      "select settings from setting_sets where fitting_id = ? and stage = 'reached' and version = 0",
      [fittingId],
    );
    return (JSON.parse(String(row?.settings)) as { positions: Record<string, number> }).positions;
  };
  const step = async (user: Driver, track: string, key: 'ArrowLeft' | 'ArrowRight', times: number) => {
    await (await user.track(track)).focus();
    for (let i = 0; i < times; i++) await user.page.keyboard.press(key);
  };

  it('are told, see both field by field, and lose nothing', async () => {
    await ada.saved();
    await bo.saved();
    const before = await positions();
    await step(ada, 'Seat height', 'ArrowLeft', 2);
    await ada.saved();
    await step(bo, 'Seat depth', 'ArrowLeft', 1);
    await step(bo, 'Seat height', 'ArrowRight', 1);
    await bo.sees('Somebody changed this while you were editing');
    const height = before.seatHeight!;
    expect((await positions()).seatHeight).to.equal(height - 2);

    // Bo keeps Ada's height and his own depth.
    const row = await bo.page.waitForSelector(
      '::-p-xpath(//section[@role="alert"]//tr[th[.="Seat height"]]/td[2]//input)',
    );
    await row!.click();
    await bo.press('Save choices');
    await bo.seesNoMore('Somebody changed this while you were editing');
    await bo.saved();
    const after = await positions();
    expect(after.seatHeight).to.equal(height - 2);
    expect(after.seatDepth).to.equal(before.seatDepth! - 1);
    expect(await bo.positionOf('Seat height')).to.equal(height - 2 + 1);
  });

  it('see the other’s settings taken over where they have none of their own', async () => {
    const now = await positions();
    await step(ada, 'Seat depth', 'ArrowRight', 1);
    // Ada still stood on what was before: she is told as well, and takes all from the server.
    await ada.sees('Somebody changed this while you were editing');
    await ada.press('Use all saved');
    await ada.seesNoMore('Somebody changed this while you were editing');
    await ada.saved();
    expect(await ada.positionOf('Seat depth')).to.equal(now.seatDepth! + 1);
    expect(await positions()).to.deep.equal(now);
  });

  it('choosing different seats choose once more, both named', async () => {
    await ada.goTo(`/fittings/${fittingId}?stage=choose`);
    await bo.goTo(`/fittings/${fittingId}?stage=choose`);
    await ada.choose('Workstation', 'No workstation');
    await ada.page.waitForFunction(
      () => !document.querySelector('h1 + span')?.textContent?.includes('table'),
    );
    await bo.choose('Method', 'Open hip angle');
    await bo.sees('Somebody changed this while you were editing');
    await bo.press('Keep all mine');
    await bo.seesNoMore('Somebody changed this while you were editing');
    await bo.page.waitForFunction(() => document.body.innerText.includes('Open hip angle'));
    const [row] = await readRows(
      app.folder,
      "select f.place_version_id as place, json_extract(m.document, '$.name') as method from fittings f join method_versions m on m.id = f.method_version_id where f.id = ?",
      [fittingId],
    );
    expect(row).to.deep.equal({ place: null, method: 'Open hip angle' });
  });

  it('setting what the other has just handed over keeps it until it can be taken, or is let go', async () => {
    await ada.goTo(`/fittings/${fittingId}?stage=card`);
    await bo.goTo(`/fittings/${fittingId}?stage=set`);
    await bo.saved();
    await ada.press('Sign off');
    await ada.sees('Signed off on');
    const left = await positions();
    await step(bo, 'Seat depth', 'ArrowLeft', 1);
    await bo.sees('Not saved: This fitting has been signed off');
    await ada.press('Reopen');
    await ada.seesNoMore('Signed off on');
    await bo.press('Try again');
    // Handing over counts as a change of the draft: both are shown.
    await bo.sees('Somebody changed this while you were editing');
    await bo.press('Keep all mine');
    await bo.seesNoMore('Somebody changed this while you were editing');
    await bo.saved();
    expect((await positions()).seatDepth).to.equal(left.seatDepth! - 1);
  });

  it('measuring one dimension at once keep either value', async () => {
    await ada.goTo(`/fittings/${fittingId}?stage=measure`);
    await bo.goTo(`/fittings/${fittingId}?stage=measure`);
    await ada.enter('Knee height', '541');
    await ada.saved();
    await bo.enter('Knee height', '533');
    await bo.sees('measured 541 mm while you were editing. This device has 533 mm');
    await bo.press('Keep 533 mm');
    await bo.seesNoMore('measured 541 mm while');
    await bo.saved();
    const rows = await readRows(
      app.folder,
      "select r.value, r.withdrawn_at is null as stands from readings r join fittings f on f.sitter_id = r.sitter_id where f.id = ? and r.dimension = 'kneeHeight' order by r.taken_at desc limit 2",
      [fittingId],
    );
    expect(rows).to.deep.equal([
      { value: 5330, stands: 1 },
      { value: 5410, stands: 0 },
    ]);
  });
});
