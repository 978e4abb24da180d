/** Five thousand seats, as somebody sees them: from the key or the choice to the list that is drawn. */
import { expect } from 'chai';
import type { ElementHandle, Page } from 'puppeteer-core';
import { startApp } from '../support/app';
import { startBrowser } from '../support/browser';
import { Driver } from '../support/driver';
import { manySeats } from '../support/many-seats';

const SEATS_HERE = 5000;
const MOST_MS = 200;
/** Other work on a shared machine can only make it look slower. */
const TRIES = 4;
const ROUNDS = 5;

/** Waits in the page for a list that differs from the one there is, and tells when its first frame came. */
const WATCH = `
  const before = document.querySelector('tbody')?.textContent;
  let began = 0;
  for (const name of ['keydown', 'change'])
    document.addEventListener(name, () => { began ||= performance.now(); }, { capture: true, once: true });
  window.seen = new Promise((resolve) => {
    const look = () => {
      const isNew = began > 0 && document.querySelector('tbody')?.textContent !== before;
      requestAnimationFrame(isNew ? () => resolve(performance.now() - began) : look);
    };
    look();
  });
`;

/** Milliseconds from the key or the choice to the first frame with another list. */
async function seenAfter(page: Page, act: () => Promise<unknown>): Promise<number> {
  await page.evaluate(`{${WATCH}} true`);
  await act();
  return page.evaluate('window.seen') as Promise<number>;
}

describe('5,000 seats on screen', function () {
  this.timeout(240_000);

  it('are searched, filtered and sorted within 200 ms, as seen', async () => {
    const folder = await manySeats({ seed: 7, count: SEATS_HERE });
    const app = await startApp({ folder, isEmpty: true });
    const bench = await startBrowser();
    try {
      const user = new Driver(await bench.open(), app.base);
      const { page } = user;
      const type = (key: 'o' | 'Backspace') => seenAfter(page, () => page.keyboard.press(key));
      const pick = async (label: string, option: string) => {
        const select = (await user.find('combobox', label)) as ElementHandle<HTMLSelectElement>;
        const value = await select.evaluate(
          (e, wanted) => [...e.options].find((o) => o.text === wanted)!.value,
          option,
        );
        return seenAfter(page, () => select.select(value));
      };
      const round = async (): Promise<readonly number[]> => {
        await user.goTo('/seats');
        const first = await pick('Sort by', 'Price');
        const second = await pick('Sort by', 'Rated load');
        await (await user.find('searchbox', 'Search by name')).click();
        return [first, second, await type('o'), await type('Backspace')];
      };
      const tries: number[][] = [];
      // Of each step the least of all tries.
      let least: number[] = [];
      const isQuick = () => least.length > 0 && Math.max(...least) <= MOST_MS;
      while (tries.length < TRIES && !isQuick()) {
        const rounds: (readonly number[])[] = [];
        while (rounds.length < ROUNDS) rounds.push(await round());
        const medians = rounds[0]!.map(
          (_, i) => rounds.map((r) => r[i]!).sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]!,
        );
        tries.push(medians);
        least = medians.map((ms, i) => Math.min(ms, least[i] ?? Infinity));
      }
      const told = tries.map((medians) => medians.map(Math.round).join(', ')).join('; ');
      console.log(`    as seen, ms: ${told}`);
      expect(isQuick(), told).to.equal(true);
    } finally {
      await bench.stop();
      await app.stop();
    }
  });
});
