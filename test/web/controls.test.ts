/** Controls entered by touch, kept, and read again on the control sheet. */
import { expect } from 'chai';
import type { ElementHandle, Page } from 'puppeteer-core';
import { screens } from '../support/screens';

describe('the controls of a seat', function () {
  this.timeout(90_000);
  const on = screens();
  let touches = 0;

  const listens = (page: Page) =>
    page.waitForFunction(() => document.documentElement.dataset.isLive === 'true');
  /** Taps a button in the section of what was just pointed at. */
  async function tap(page: Page, what: string, name: string): Promise<void> {
    const found = await page.waitForFunction(
      (css, wanted) =>
        [...document.querySelectorAll<HTMLElement>(css)].find(
          (e) => e.getClientRects().length > 0 && e.innerText.trim() === wanted,
        ),
      { timeout: 30_000 },
      what,
      name,
    );
    const target = found.asElement() as ElementHandle<HTMLElement>;
    await target.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    await target.click();
    touches++;
  }

  it('are entered where they are pointed at, three moves in at most fifteen touches, and stand on the sheet', async () => {
    const { page } = on.user;
    const api = `${on.app.base}/api/v1`;
    const listed = async (what: string) =>
      ((await (await fetch(`${api}/${what}`)).json()) as { items: { id: string; name: string }[] }).items;
    const [fitter] = await listed('fitters');
    const seat = (await listed('seats?limit=100')).find(({ name }) => name === 'Fulmar dispatch chair')!.id;
    await page.setCookie({ name: 'velto-fitter', value: fitter!.id, url: on.app.base });
    await on.user.goTo(`/seats/${seat}/edit`);
    await listens(page);
    touches = 0;
    const view = await page.waitForSelector('button[aria-label^="Tap where a control is"]');
    await view!.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    const box = (await view!.boundingBox())!;
    // The right front, as the sitter has it.
    await page.mouse.click(box.x + box.width * 0.72, box.y + box.height * 0.32);
    touches++;
    await page.waitForFunction(() => /^\d+\. lever$/.test(document.activeElement?.textContent ?? ''));
    await tap(page, 'details[open] button', 'paddle');
    for (const [kind, way] of [
      ['Seat height', 'up'],
      ['Seat depth', 'forward'],
      ['Armrest pivot', 'inward'],
    ] as const) {
      await tap(page, 'details[open] button', kind);
      const group = `details[open] [role="group"][aria-label="${kind}"]`;
      await tap(page, `${group} button`, way);
      await tap(page, `${group} label`, 'Tried on the seat');
    }
    expect(touches).to.be.at.most(15);
    await on.user.press('Save seat');
    await page.waitForFunction((path) => window.location.pathname === path, {}, `/seats/${seat}`);
    await on.user.goTo(`/seats/${seat}/controls`);
    await on.user.sees('Right hand, under the front corner, on the right');
    await on.user.sees('To raise: take your weight off. To lower: sit on it.');
    await on.user.sees('Lift and hold, front ends in or out.');
    const kept = (await (await fetch(`${api}/seats/${seat}`)).json()) as {
      seat: { controls: { name: string; moves: { tried?: { by: string } }[] }[] };
    };
    const added = kept.seat.controls.at(-1)!;
    expect(added.name).to.equal('paddle');
    expect(added.moves.map((m) => m.tried?.by)).to.deep.equal(Array(3).fill(fitter!.name));
  });

  it('follow a survey in a hurry: seven values in at most thirty touches, kept over a reload, and a usable seat', async () => {
    const { page } = on.user;
    await page.setViewport({ width: 800, height: 1280, hasTouch: true });
    await on.user.goTo('/seats');
    await on.user.follow('Survey seat');
    await page.waitForFunction(() => window.location.pathname === '/seats/survey');
    await listens(page);
    touches = 0;
    const name = await page.waitForSelector('::-p-aria(Name)');
    await name!.click();
    await page.keyboard.type('Bollard');
    touches += 1 + 'Bollard'.length;
    await page.keyboard.press('Enter');
    touches++;
    const values = ['120', '410', '520', '400', '450', '480'];
    for (const value of values) {
      await page.waitForFunction(() => document.activeElement?.matches('form input[inputmode="decimal"]'));
      const asked = await page.$eval('form h2', (e) => e.textContent);
      await page.keyboard.type(value);
      await page.keyboard.press('Enter');
      touches++;
      await page.waitForFunction(
        (before) => document.querySelector('form h2')?.textContent !== before,
        {},
        asked,
      );
    }
    await on.user.sees('Lowest armrest height');
    await page.reload();
    await listens(page);
    await on.user.press('Start');
    touches++;
    // It goes on where it was left.
    await on.user.sees('Lowest armrest height');
    await on.user.press('Skip');
    touches++;
    await on.user.sees('Highest seat height: 520 mm');
    await on.user.press('Save seat');
    touches++;
    await page.waitForFunction(() => /^\/seats\/[0-9a-f-]{36}$/.test(window.location.pathname));
    expect(touches).to.be.at.most(30);
    await on.user.sees('Bollard');
    await on.user.sees('120 kg');
    await on.user.sees('400–450 mm');
  });
});
