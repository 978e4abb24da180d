/** A fault from whoever sits there to the fitter who says that nobody may: on every screen that could lead somebody to sit. */
import { expect } from 'chai';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';
import { screens } from '../support/screens';

describe('a tagged seat', function () {
  this.timeout(90_000);
  const on = screens();
  const one = async (sql: string) => (await readRows(on.app.folder, sql))[0]!;

  it('is reported by its label, marked by a fitter, and then neither offered, signed off nor set', async () => {
    const { user, app } = on;
    const { id, token } = await one("select id, token from pieces where tag = 'CR-01'");
    const fitting = await one(
      "select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = 'Piet Lunder'",
    );
    // From a phone.
    await user.page.setViewport({ width: 390, height: 844, hasTouch: true });
    await user.goTo(`/t/${String(token)}`);
    await user.sees('CR-01: Gullstone task chair');
    await user.press('Send');
    await user.sees('Choose what is wrong.');
    await user.choose('What is wrong?', 'Lift sinks');
    await user.type('What was seen', 'Sinks while sitting.');
    await user.press('Send');
    await user.sees('can see it now');
    await user.page.setViewport({ width: 1280, height: 800 });

    // The fitting names the seat while it may still be used.
    await user.goTo(`/fittings/${String(fitting.id)}?stage=choose`);
    const field = await user.page.waitForSelector('input[placeholder="Not specified"]');
    await field!.click();
    const option = await user.page.waitForSelector('[role="option"]::-p-text(CR-01)');
    await option!.click();
    await user.sees('Gullstone task chair · CR-01');

    await user.goTo('/seats/tagged');
    await user.page.type('input[type="search"]', 'cr-01');
    await user.leads(() => user.page.keyboard.press('Enter'));
    expect(new URL(user.page.url()).pathname).to.equal(`/seats/tagged/${String(id)}`);
    await user.sees('Sinks while sitting.');
    await user.sees('with the label');
    await user.press('Mark “do not use”');
    await user.sees('No fitting on this seat can be signed off');

    await user.goTo(`/fittings/${String(fitting.id)}?stage=card`);
    await user.sees('Do not use this seat: it is faulty.');
    const signOff = await user.find('button', 'Sign off');
    expect(await signOff.evaluate((b) => (b as HTMLButtonElement).disabled)).to.equal(true);
    await user.goTo(`/fittings/${String(fitting.id)}/card`);
    expect(await user.text()).not.to.include('Front edge');
    await user.goTo(`/fittings/${String(fitting.id)}?stage=choose`);
    await user.sees('None of its tagged seats may be used now');

    await user.goTo(`/seats/tagged/${String(id)}`);
    await user.press('Mark as repaired');
    await user.sees('Repaired on');
    await user.goTo(`/fittings/${String(fitting.id)}?stage=card`);
    await user.press('Sign off');
    await user.sees('Reopen');
    expect(app.output.join('\n')).not.to.include(String(token));
  });

  it('is deleted by a named fitter and comes back by undoing, and its label with it', async () => {
    const { user } = on;
    const fitter = await one("select id from fitters where name = 'Hedda Kvist'");
    await user.page.setCookie({ name: 'velto-fitter', value: String(fitter.id), url: on.app.base });
    const { id, token } = await one("select id, token from pieces where tag = 'CC-02'");
    await user.goTo(`/seats/tagged/${String(id)}`);
    await user.pressAndGo('Delete tagged seat');
    await user.sees('CC-02 deleted');
    const label = () => fetch(`${on.app.base}/t/${String(token)}`);
    expect((await label()).status).to.equal(404);
    await user.pressAndGo('Undo');
    await user.sees('CC-02: Puffling crèche chair');
    expect((await label()).status).to.equal(200);
  });

  it('is added though all is typed and pressed before the page listens', async () => {
    // A device that has never been here: nothing is kept for it.
    const page = await on.bench.open();
    let letGo = (): void => undefined;
    const released = new Promise<void>((resolve) => (letGo = resolve));
    await page.setRequestInterception(true);
    page.on('request', (request) => {
      const isHeld = request.resourceType() === 'script';
      void (isHeld ? released : Promise.resolve()).then(() => request.continue());
    });
    const user = new Driver(page, on.app.base);
    await page.goto(`${on.app.base}/seats/tagged`, { waitUntil: 'domcontentloaded' });
    await user.type('Tag', 'hc-01hc-01');
    await user.press('Add tagged seat');
    expect(await page.$eval('html', (html) => html.dataset.isLive)).to.equal(undefined);
    expect(await user.text()).not.to.include('scanned twice');
    letGo();
    await user.sees('This label was scanned twice: hc-01.');
    expect(await user.valueOf('Tag')).to.equal('hc-01hc-01');
    expect(user.faults).to.deep.equal([]);
    await page.close();
  });

  it('says what is wrong with a tag at its field, and keeps what was typed', async () => {
    const { user } = on;
    await user.goTo('/seats/tagged');
    await user.type('Tag', 'hc-01hc-01');
    await user.press('Add tagged seat');
    await user.sees('This label was scanned twice: hc-01.');
    await user.sees('Choose the seat that it is.');
    await user.type('Tag', 'hc-01');
    const field = await user.page.waitForSelector('input[placeholder="Type part of the name"]');
    await field!.click();
    const option = await user.page.waitForSelector('[role="option"]::-p-text(Gullstone)');
    await option!.click();
    await user.press('Add tagged seat');
    await user.sees('HC-01 is already on another seat: Lanternfold watch seat, Harbour control desk.');
    await user.reload();
    expect(await user.valueOf('Tag')).to.equal('hc-01');
  });
});
