import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

describe('the set screen', function () {
  this.timeout(60_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let fitting: (sitter: string) => Promise<string>;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
    fitting = async (sitter) =>
      String(
        (
          await readRows(
            app.folder,
            'select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = ?',
            [sitter],
          )
        )[0]?.id,
      );
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  const draftOf = async (id: string): Promise<Record<string, number>> => {
    const [row] = await readRows(
      app.folder,
      "select settings from setting_sets where fitting_id = ? and stage = 'reached' and version = 0",
      [id],
    );
    return (JSON.parse(String(row?.settings)) as { positions: Record<string, number> }).positions;
  };

  /** The path of a part of the drawing. */
  const drawn = (part: string) => user.page.$eval(`[data-part~="${part}"]`, (e) => e.getAttribute('d') ?? '');

  /** A point on the track of an adjustment, by its share of the width. */
  async function pointOn(name: string, share: number): Promise<{ x: number; y: number }> {
    const slider = await user.track(name);
    await slider.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    const box = (await slider.boundingBox())!;
    return { x: box.x + share * box.width, y: box.y + box.height / 2 };
  }

  it('recomputes posture, verdict and reason in the frame of an arrow key', async () => {
    const id = await fitting('Piet Lunder');
    await user.goTo(`/fittings/${id}?stage=set`);
    const before = await user.positionOf('Seat height');
    const shank = await drawn('shank');
    await (await user.track('Seat height')).focus();
    // Read in the frame that follows the key, with nothing awaited in between.
    const after = await user.page.evaluate(
      () =>
        new Promise<{ now: string; says: string }>((resolve) => {
          const slider = document.activeElement!;
          for (let i = 0; i < 40; i++)
            slider.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
          requestAnimationFrame(() =>
            resolve({
              now: slider.getAttribute('aria-valuenow') ?? '',
              says: slider.getAttribute('aria-valuetext') ?? '',
            }),
          );
        }),
    );
    expect(Number(after.now)).to.equal(before + 40);
    expect(after.says).to.match(/could be better$/);
    expect(await drawn('shank')).not.to.equal(shank);
    expect(await user.text()).to.include('the feet hang and the front edge presses');
    await user.saved();
    expect((await draftOf(id)).seatHeight).to.equal(before - 1 + 40);
  });

  it('solves around what is held', async () => {
    const id = await fitting('Piet Lunder');
    await user.goTo(`/fittings/${id}?stage=set`);
    await (await user.track('Seat height')).focus();
    await user.press('Reset to best fit');
    await user.saved();
    const best = await user.positionOf('Seat height');
    const arms = await user.positionOf('Desk height');
    await (await user.track('Seat height')).focus();
    await user.page.keyboard.press('PageUp');
    await user.press('Pin');
    await user.page.waitForSelector('[data-kind="seatHeight"] em');
    await user.press('Reset to best fit');
    await user.saved();
    const held = await user.positionOf('Seat height');
    expect(held).to.be.greaterThan(best);
    expect(await user.positionOf('Desk height')).to.be.greaterThan(arms);
    expect((await draftOf(id)).seatHeight).to.equal(held - 1);
    await user.press('Pin');
    await user.press('Reset to best fit');
    await user.saved();
    expect(await user.positionOf('Seat height')).to.equal(best);
  });

  it('offers the next best settings, takes one over, and takes it back', async () => {
    const id = await fitting('Piet Lunder');
    await user.goTo(`/fittings/${id}?stage=set`);
    await user.press('Reset to best fit');
    await user.saved();
    const best = await draftOf(id);
    await user.press('Find alternatives');
    await user.page.waitForSelector('[aria-label="Next best settings"] ol');
    const rows = () =>
      user.page.$$eval('[aria-label="Next best settings"] ol > li', (all) => all.map((e) => e.textContent));
    const found = await rows();
    expect(found).to.have.length(4);
    expect(found[0]).to.match(/^Best .* points.*current settings$/);
    expect(found[1]).to.match(/^Second .*Apply.+: \d/);
    await user.press('Apply: Second');
    await user.saved();
    const second = await draftOf(id);
    expect(second).not.to.deep.equal(best);
    expect((await rows())[1]).to.include('current settings');
    await user.press('Undo');
    await user.saved();
    expect(await draftOf(id)).to.deep.equal(best);
    // What is held is no longer what they were looked for with.
    await (await user.track('Seat height')).focus();
    await user.press('Pin');
    await user.page.waitForFunction(() => !document.querySelector('[aria-label="Next best settings"] ol'));
    await user.press('Pin');
  });

  it('says on each track how sure it is, and which measure its doubt comes from', async () => {
    await user.page.waitForSelector('[class*="sureness"]');
    const said = await user.page.$eval('[data-kind="armHeight"] [class*="sureness"]', (e) => e.textContent);
    expect(said).to.match(/^((over|under) )?\d+% likely, limited by (elbow|shoulder) height, sitting$/);
    expect(await user.page.$('[data-kind="tiltTension"] [class*="sureness"]')).to.equal(null);
  });

  it('keeps everything over a reload', async () => {
    const id = await fitting('Piet Lunder');
    const before = await user.positionOf('Seat height');
    await user.reload();
    expect(await user.positionOf('Seat height')).to.equal(before);
    expect(new URL(user.page.url()).pathname).to.equal(`/fittings/${id}`);
  });

  it('puts everything back to the best with one press', async () => {
    await user.press('Reset to best fit');
    await user.saved();
    expect(await user.trackSays('Seat height')).to.match(/fits$/);
  });

  it('follows the mouse and takes the whole drag back as one step', async () => {
    const before = await user.positionOf('Seat depth');
    const from = await pointOn('Seat depth', 0.5);
    await user.page.mouse.move(from.x, from.y);
    await user.page.mouse.down();
    await user.page.mouse.move(from.x - 60, from.y, { steps: 6 });
    const during = await user.positionOf('Seat depth');
    await user.page.mouse.move(from.x - 150, from.y, { steps: 6 });
    await user.page.mouse.up();
    const after = await user.positionOf('Seat depth');
    expect(after).to.be.lessThan(during);
    await user.press('Undo');
    expect(await user.positionOf('Seat depth')).to.equal(before);
    await user.press('Redo');
    expect(await user.positionOf('Seat depth')).to.equal(after);
    await user.saved();
    expect((await draftOf(await fitting('Piet Lunder'))).seatDepth).to.equal(after - 1);
  });

  it('goes by clicks where the control clicks, and to the ends with Home and End', async () => {
    await (await user.track('Lumbar support height')).focus();
    await user.page.keyboard.press('Home');
    expect(await user.trackSays('Lumbar support height')).to.include(
      'No click, the lowest (position 1 of 10)',
    );
    await user.page.keyboard.press('ArrowUp');
    expect(await user.trackSays('Lumbar support height')).to.include(
      '1 click from the lowest (position 2 of 10)',
    );
    await user.page.keyboard.press('End');
    expect(await user.positionOf('Lumbar support height')).to.equal(10);
    await user.page.keyboard.press('ArrowRight');
    expect(await user.positionOf('Lumbar support height')).to.equal(10);
  });

  it('undoes with the keyboard', async () => {
    await user.page.keyboard.down('Control');
    await user.page.keyboard.press('z');
    await user.page.keyboard.up('Control');
    expect(await user.positionOf('Lumbar support height')).to.equal(2);
  });

  it('says how to get back to the best position', async () => {
    await (await user.track('Armrest height')).focus();
    await user.page.keyboard.press('Home');
    await user.sees('Best:');
    await user.press('Move to best');
    expect(await user.trackSays('Armrest height')).to.match(/fits$/);
  });

  it('takes a touch', async () => {
    const page = await bench.open({ width: 800, height: 1280, touch: true });
    const tablet = new Driver(page, app.base);
    await tablet.goTo(`/fittings/${await fitting('Ines Farrowby')}?stage=set`);
    const slider = await tablet.track('Backrest angle');
    await slider.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    const box = (await slider.boundingBox())!;
    const before = await tablet.positionOf('Backrest angle');
    await page.touchscreen.tap(box.x + box.width * 0.8, box.y + box.height / 2);
    expect(await tablet.positionOf('Backrest angle')).to.be.greaterThan(before + 10);
    expect(tablet.faults).to.deep.equal([]);
    await page.close();
  });

  it('says how far a setting may be off, and which point is weakest', async () => {
    await (await user.track('Seat height')).focus();
    await user.sees('likely to fit at these settings');
    const said = await user.page.$eval('main', (e) => e.innerText);
    expect(said).to.match(/Fits from \d+ mm lower to \d+ mm higher/);
    expect(said).to.match(/\d+% likely to fit at these settings \(limited by [a-z -]+ (under )?\d+%/);
  });

  it('names the hold that keeps something from fitting, and lets it go', async () => {
    await user.goTo(`/fittings/${await fitting('Piet Lunder')}?stage=set`);
    await user.press('Reset to best fit');
    await user.saved();
    const best = await user.positionOf('Seat height');
    await (await user.track('Seat height')).focus();
    await user.page.keyboard.press('End');
    await user.press('Pin');
    await user.press('Reset to best fit');
    await user.sees('Out of range because seat height is pinned: ');
    await user.press('Unpin and reset');
    await user.seesNoMore('is pinned');
    await user.saved();
    expect(await user.positionOf('Seat height')).to.equal(best);
  });

  it('holds further postures, each solved by itself, and refuses one without a name', async () => {
    const id = await fitting('Maren Tolve');
    await user.goTo(`/fittings/${id}?stage=set`);
    await user.press('Add posture');
    await user.press('Add posture');
    await user.sees('Give the posture a name.');
    await user.type('Posture', 'Leaning back to read');
    await user.type('Backrest angle (°)', '18');
    await user.press('Add posture');
    await user.page.waitForSelector('section[aria-label="Postures"] li ul');
    const said = await user.page.$eval('section[aria-label="Postures"] ol', (e) => e.textContent);
    expect(said).to.match(/Leaning back to read, 18°.*Backrest angle: .*18°/s);
    await user.press('Remove: Leaning back to read');
    await user.page.waitForFunction(
      () => !document.querySelector('section[aria-label="Postures"]')?.textContent?.includes('18°'),
    );
  });

  it('uses a remedy, draws it and takes it away again', async () => {
    const id = await fitting('Maren Tolve');
    await user.goTo(`/fittings/${id}?stage=set`);
    await user.sees('Footrest 110 mm');
    await user.press('Apply');
    await user.sees('(applied)');
    await user.page.waitForSelector('[data-part="footrest"]');
    expect(await user.trackSays('Desk height')).to.match(/fits$/);
    await user.saved();
    const [row] = await readRows(
      app.folder,
      'select settings from setting_sets where fitting_id = ? and version = 0',
      [id],
    );
    expect((JSON.parse(String(row?.settings)) as { remedies: object }).remedies).to.deep.equal({
      footrestMm: 110,
    });
    await user.press('Remove');
    await user.seesNoMore('(applied)');
    expect(await user.trackSays('Desk height')).to.match(/out of range$/);
  });

  it('takes the arms off with everything that is said of them, and puts them back with undo', async () => {
    const id = await fitting('Ines Farrowby');
    await user.goTo(`/fittings/${id}?stage=set`);
    await user.sees('Remove armrests');
    expect(await user.trackSays('Armrest width')).to.match(/out of range$/);
    await user.page.evaluate(() =>
      [...document.querySelectorAll('li')]
        .find((li) => li.textContent?.includes('Remove armrests'))!
        .querySelector('button')!
        .click(),
    );
    await user.sees('(applied)');
    const names = () =>
      user.page.$$eval('[role="slider"]', (all) => all.map((e) => e.getAttribute('aria-label')));
    expect(await names()).not.to.include.oneOf(['Armrest height', 'Armrest width', 'Armrest pivot']);
    await user.saved();
    await user.press('Undo');
    await user.seesNoMore('(applied)');
    expect(await names()).to.include.members(['Armrest height', 'Armrest width']);
    expect(user.faults).to.deep.equal([]);
    await user.saved();
    await user.goTo(`/fittings/${await fitting('Maren Tolve')}?stage=set`);
  });

  it('shows every number in the unit chosen, at once', async () => {
    await user.prefer('Units', 'inches');
    expect(await user.trackSays('Seat height')).to.match(/^\d+( \d+\/\d+)? in/);
    await user.prefer('Units', 'cm');
    expect(await user.trackSays('Seat height')).to.match(/^\d+\.\d cm/);
    await user.reload();
    expect(await user.trackSays('Seat height')).to.match(/^\d+\.\d cm/);
    await user.prefer('Units', 'mm');
  });

  it('tells those who cannot see the drawing the same numbers', async () => {
    const words = await user.page.$eval('#board-words', (e) => e.textContent ?? '');
    expect(words).to.match(/Back of the knee at 427 mm, Seat under the knee at 4\d\d mm/);
    expect(words).to.match(/Knee \d+/);
  });

  it('says so when the network is gone, and saves when it is back', async () => {
    const { folder, base } = app;
    await app.kill();
    await (await user.track('Seat height')).focus();
    await user.page.keyboard.press('ArrowRight');
    await user.sees('Offline: saved on this device');
    app = await startApp({ folder, port: Number(new URL(base).port) });
    await user.saved();
    const position = await user.positionOf('Seat height');
    expect((await draftOf(await fitting('Maren Tolve'))).seatHeight).to.equal(position - 1);
  });

  it('is closed after handing over until it is opened again', async () => {
    await user.goTo(`/fittings/${await fitting('Piet Lunder')}?stage=card`);
    await user.press('Sign off');
    await user.sees('Signed off on');
    await user.page.evaluate(() =>
      [...document.querySelectorAll<HTMLButtonElement>('nav button')]
        .find((b) => b.textContent?.startsWith('Adjust'))!
        .click(),
    );
    const before = await user.positionOf('Seat height');
    await (await user.track('Seat height')).focus();
    await user.page.keyboard.press('ArrowRight');
    expect(await user.positionOf('Seat height')).to.equal(before);
    await user.press('Reopen');
    await user.seesNoMore('Signed off on');
    await (await user.track('Seat height')).focus();
    await user.page.keyboard.press('ArrowRight');
    expect(await user.positionOf('Seat height')).to.equal(before + 1);
  });
});
