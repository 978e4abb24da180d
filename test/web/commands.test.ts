import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { taskFitting } from '../support/demo-records';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

describe('by name, by key and by link', function () {
  this.timeout(120_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let fittingId: string;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
    ({ fittingId } = await taskFitting(app.folder));
    await user.goTo(`/fittings/${fittingId}?stage=set`);
    await user.press('OK');
    await user.saved();
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  const ctrl = async (key: 'K' | 'Z') => {
    await user.page.keyboard.down('Control');
    await user.page.keyboard.press(`Key${key}`);
    await user.page.keyboard.up('Control');
  };
  const stage = () => new URL(user.page.url()).searchParams.get('stage');

  it('goes to a stage by its number and by its name', async () => {
    await user.page.keyboard.press('1');
    await user.sees('14 of 20 measured');
    expect(stage()).to.equal('measure');
    await ctrl('K');
    await user.page.waitForSelector('dialog[open]');
    await user.page.keyboard.type('stage adjust');
    await user.page.keyboard.press('Enter');
    await user.track('Seat height');
    expect(stage()).to.equal('set');
  });

  it('types a digit into a field instead of going to a stage', async () => {
    await user.page.keyboard.press('1');
    await user.sees('14 of 20 measured');
    await user.page.focus('#stature');
    await user.page.keyboard.press('3');
    expect(stage()).to.equal('measure');
    await user.page.keyboard.press('Backspace');
    await user.page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await user.page.keyboard.press('3');
    await user.track('Seat height');
  });

  it('finds a person by a few letters without accents, and goes there', async () => {
    await ctrl('K');
    await user.page.waitForSelector('dialog[open]');
    await user.page.keyboard.type('mare');
    await user.page.waitForFunction(() =>
      [...document.querySelectorAll('[role="option"]')].some((o) =>
        o.textContent?.includes('Open Maren Tolve'),
      ),
    );
    const options = await user.page.$$eval('[role="option"]', (all) => all.map((o) => o.textContent ?? ''));
    for (let i = 0; i < options.findIndex((o) => o.includes('Maren')); i++)
      await user.page.keyboard.press('ArrowDown');
    await Promise.all([user.page.waitForNavigation(), user.page.keyboard.press('Enter')]);
    await user.sees('Maren Tolve');
    await user.goTo(`/fittings/${fittingId}?stage=set`);
  });

  it('lists every key, and can switch single keys off', async () => {
    await user.page.keyboard.press('?');
    await user.page.waitForSelector('dialog[open]');
    const sheet = await user.page.$eval('dialog', (d) => d.innerText);
    for (const line of ['Ctrl+Z', 'Ctrl+K', 'Reset to best fit', 'Stage: Card', 'one click or step'])
      expect(sheet).to.include(line);
    await user.page.click('dialog input[type="checkbox"]');
    await user.page.keyboard.press('Escape');
    await user.page.waitForFunction(() => !document.querySelector('dialog'));
    await user.page.keyboard.press('1');
    await ctrl('K');
    await user.page.waitForSelector('dialog[open]');
    expect(stage()).to.equal('set');
    await user.page.keyboard.press('Escape');
    await user.page.evaluate(() => localStorage.removeItem('velto-single-keys-off'));
  });

  it('copies a link that restores the settings elsewhere, as a step that can be undone', async () => {
    await (await user.track('Seat height')).focus();
    for (let i = 0; i < 4; i++) await user.page.keyboard.press('ArrowLeft');
    const height = await user.positionOf('Seat height');
    await user.press('Copy link');
    await user.sees('It contains the settings and no measurements');
    const link = await user.page.$eval('input[aria-label="Copy link"]', (field) => field.value);
    expect(link).to.match(/#state=1\.[\w-]+$/);
    const [sitter] = await readRows(
      app.folder,
      'select s.name from sitters s join fittings f on f.sitter_id = s.id where f.id = ?',
      [fittingId],
    );
    expect(decodeURIComponent(link)).not.to.include(String(sitter?.name));
    await (await user.track('Seat height')).focus();
    for (let i = 0; i < 4; i++) await user.page.keyboard.press('ArrowRight');
    await user.saved();

    const other = new Driver(await bench.open(), app.base);
    await other.goTo(new URL(link).pathname + new URL(link).search + new URL(link).hash);
    await other.sees('The settings from the link are shown');
    expect(await other.positionOf('Seat height')).to.equal(height);
    expect(new URL(other.page.url()).hash).to.equal('');
    await other.press('Undo');
    expect(await other.positionOf('Seat height')).to.equal(height + 4);
    await other.goTo(`/fittings/${fittingId}?stage=set#state=1.broken`);
    await other.sees('This link is incomplete');
    expect(other.faults).to.deep.equal([]);
  });

  it('keeps the size chosen on this device', async () => {
    const touch = () =>
      user.page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--slot').trim());
    expect(await touch()).to.equal('2.375rem');
    await user.prefer('Density', 'Large');
    expect(await touch()).to.equal('3rem');
    await user.reload();
    expect(await touch()).to.equal('3rem');
    await user.prefer('Density', 'Match device');
  });
});
