/** By touch alone: a chair that nobody described is surveyed with its controls, gets a tag, is chosen, solved and printed. */
import { expect } from 'chai';
import { screens } from '../support/screens';
import { tap } from '../support/touch';
import { readRows } from '../support/read-database';

const FITTER = 'Hedda Kvist';

describe('a chair that nobody described', function () {
  this.timeout(180_000);
  const on = screens();

  const button = (name: string | RegExp) => tap(on.user.page, 'main button', name);
  const link = async (name: string | RegExp) => {
    await Promise.all([
      on.user.page.waitForNavigation({ waitUntil: 'load' }),
      tap(on.user.page, 'main a', name),
    ]);
    await live();
  };
  const live = () => on.user.page.waitForFunction(() => document.documentElement.dataset.isLive === 'true');
  const heading = () => on.user.page.$eval('main h2', (e) => (e as HTMLElement).innerText);
  /** Waits until something else is asked. */
  async function goOn(act: () => Promise<void>): Promise<void> {
    const before = await heading();
    await act();
    await on.user.page.waitForFunction(
      (was) => document.querySelector<HTMLElement>('main h2')?.innerText !== was,
      { timeout: 30_000 },
      before,
    );
  }
  /** Types on the keyboard that the tablet shows: the field has the focus by itself. */
  async function answer(value: string): Promise<void> {
    const { page } = on.user;
    await page.waitForFunction(() => document.activeElement?.matches('form input[inputmode="decimal"]'));
    await page.keyboard.type(value);
    await goOn(() => button(value === '' ? 'Skip' : 'Next'));
  }

  it('is surveyed with its controls, gets a tag, is chosen, solved and printed', async () => {
    const { page } = on.user;
    await page.setViewport({ width: 800, height: 1280, hasTouch: true });
    const [fitter] = await readRows(on.app.folder, `select id from fitters where name = '${FITTER}'`);
    await page.setCookie({ name: 'velto-fitter', value: String(fitter?.id), url: on.app.base });
    await on.user.goTo('/seats');
    await link('Survey seat');
    await button('Full survey');
    await tap(page, 'main input', '');
    await page.keyboard.type('Bollard chair');
    await button('Start');
    await on.user.sees('Question 1 of');
    // Load, seat, cushion by its positions, width, arms with five clicks: the rest is skipped.
    for (const value of ['130', '405', '525', '400', '460', '7', '480', '170', '270', '6', '440', '500'])
      await answer(value);
    // Measured twice, and settled.
    await page.keyboard.type('160');
    await button('Measure again');
    await page.waitForFunction(() => document.activeElement?.matches('form input[inputmode="decimal"]'));
    await page.keyboard.type('164');
    await on.user.sees('Used: 162 mm');
    await goOn(() => button('Next'));
    for (const value of ['230', '', '0', '30', '4']) await answer(value);
    while (!(await heading()).startsWith('Feel under the right front'))
      await goOn(() => button(/^(Skip|Next)$/));
    // A lever for the height on the right, a button for the depth, the pads by hand.
    const found = async (kind: string, moves: string, way: string) => {
      await button(kind);
      await button(moves);
      await button(way);
      await tap(page, 'main label', 'Tried on the seat');
      await goOn(() => button('Next'));
    };
    await found('lever', 'Seat height', 'up');
    for (const [spot, kind, moves, way] of [
      ['Feel under the left front', 'paddle', 'Seat depth', 'forward'],
      ['Look under the seat', 'knob', 'Backrest angle', 'backward'],
      ['Feel around the armrest pads', 'button', 'Armrest height', 'up'],
    ] as const) {
      while (!(await heading()).startsWith(spot)) await goOn(() => button('Nothing here'));
      await found(kind, moves, way);
    }
    while (/^(Feel|Look)/.test(await heading())) await goOn(() => button('Nothing here'));
    await on.user.sees('Still missing, most important first');
    await Promise.all([page.waitForNavigation({ waitUntil: 'load' }), button('Save seat')]);
    await live();
    const seatId = page.url().split('/').at(-1)!;

    // A tag of its own.
    await link('Tag a seat of this model');
    await tap(page, 'main input[name="tag"]', '');
    await page.keyboard.type('qy-07');
    await Promise.all([page.waitForNavigation({ waitUntil: 'load' }), button('Add tagged seat')]);
    await live();
    await on.user.sees('QY-07: Bollard chair');

    // Chosen for somebody who has been measured.
    const [open] = await readRows(
      on.app.folder,
      "select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = 'Piet Lunder'",
    );
    await on.user.goTo(`/fittings/${String(open?.id)}?stage=choose`);
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll<HTMLButtonElement>('main button[aria-pressed]')].some(
          (b) => b.innerText.startsWith('Bollard chair') && !b.disabled,
        ),
      { timeout: 60_000 },
    );
    await button(/^Bollard chair/);
    await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLElement>('main button[aria-pressed="true"]')].some((b) =>
        b.innerText.startsWith('Bollard chair'),
      ),
    );
    await tap(page, 'main input[placeholder="Not specified"]', '');
    await tap(page, '[role="option"]', /^QY-07/);
    await on.user.sees('Bollard chair · QY-07');
    await button('Next: Adjust');
    await on.user.goTo(`/fittings/${String(open?.id)}?stage=set`);
    await button('Reset to best fit');
    await on.user.saved();
    await on.user.goTo(`/fittings/${String(open?.id)}?stage=card`);
    await on.user.sees('QY-07');
    await on.user.sees('lever, under the front corner, on the right');
    await button('Sign off');
    await on.user.sees('signed off');
    await on.user.goTo(`/fittings/${String(open?.id)}/card`);
    await on.user.sees('paddle, under the front corner, on the left');
    const pdf = await page.evaluate(async (id) => {
      const answer = await fetch(`/api/v1/fittings/${id}/card.pdf`);
      return { type: answer.headers.get('content-type'), size: (await answer.arrayBuffer()).byteLength };
    }, String(open?.id));
    expect(pdf.type).to.equal('application/pdf');
    expect(pdf.size).to.be.greaterThan(10_000);

    // What was set stands at the seat with the tag.
    await on.user.goTo(`/seats/${seatId}`);
    await link('QY-07');
    await on.user.sees('Signed off on');
    await on.user.sees('Piet Lunder');
  });
});
