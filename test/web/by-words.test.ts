/** A newcomer who knows no address: everything is found by the words that stand on the screen. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import { hitBy } from '../support/driver';
import { screens } from '../support/screens';

describe('by visible words alone', function () {
  this.timeout(90_000);
  const on = screens();
  const folder = mkdtempSync(join(tmpdir(), 'velto-words-'));
  after(() => rmSync(folder, { recursive: true, force: true }));

  /** What can be pressed and shows these words, where a finger would find it; nothing that is hidden. */
  async function shown(words: string): Promise<ElementHandle<Element>> {
    const found = await on.user.page.waitForFunction(
      (wanted) =>
        [...document.querySelectorAll<HTMLElement>('a, button, summary, label')].find(
          (e) =>
            e.getClientRects().length > 0 &&
            getComputedStyle(e).visibility === 'visible' &&
            e.innerText.trim().split('\n')[0]!.trim() === wanted,
        ),
      { timeout: 30_000 },
      words,
    );
    return found.asElement() as ElementHandle<Element>;
  }
  /** What has moved away from under the pointer is found and pressed again. */
  async function press(words: string): Promise<void> {
    for (let left = 4; left > 0; left--) {
      const target = await shown(words);
      await target.scrollIntoView();
      if (await hitBy(target, () => target.click())) return;
    }
    throw new Error(`“${words}” cannot be pressed: it moves`);
  }
  /** Whoever is quicker than the page presses again; here it is waited for. */
  const listens = () =>
    on.user.page.waitForFunction(() => document.documentElement.dataset.isLive === 'true');
  const start = () => on.user.goTo('/');
  const sees = (words: string) => on.user.sees(words);

  it('takes people in from a file', async () => {
    await start();
    await press('People');
    await press('Import and export');
    await sees('Choose file');
    await listens();
    const file = join(folder, 'crew.csv');
    writeFileSync(file, 'name,stature [cm]\nSiv Tarn,170\n');
    const input = (await on.user.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
    await press('Import 1 person');
    await sees('Imported: 1 new person');
    await press('People');
    await sees('Siv Tarn');
  });

  it('sees what another method would set', async () => {
    await start();
    await on.user.page.click('main a[href^="/fittings/"]');
    await listens();
    await press('Adjust');
    await sees('Compare methods');
    const field = await shown('Other method');
    const select = await field.evaluateHandle((label) =>
      document.getElementById((label as HTMLLabelElement).htmlFor),
    );
    await (select.asElement() as ElementHandle<HTMLSelectElement>).evaluate((e) => {
      e.scrollIntoView();
      e.focus();
    });
    await on.user.page.keyboard.press('ArrowDown');
    await sees('instead of');
    expect(await on.user.text()).to.match(/\d+ of \d+ fit/);
  });

  it('comes to a card, and to the paper of it', async () => {
    await start();
    await on.user.page.click('main a[href^="/fittings/"]');
    await listens();
    await press('Card');
    await press('Open printable card');
    await on.user.page.waitForFunction(() => location.pathname.endsWith('/card'));
    await shown('Print');
    await listens();
    await on.user.page.evaluate(() => {
      window.print = () => document.body.setAttribute('data-printed', 'yes');
    });
    await press('Print');
    await on.user.page.waitForSelector('body[data-printed]');
  });
});
