/** A finger on the screen. */
import type { ElementHandle, Page } from 'puppeteer-core';
import { hitBy } from './driver';

const WAIT_MS = 30_000;

/** Taps what has this text, as far as a finger can reach it. */
export async function tap(page: Page, what: string, name: string | RegExp): Promise<void> {
  const found = await page.waitForFunction(
    (css, wanted, isPattern) =>
      [...document.querySelectorAll<HTMLElement>(css)].find((e) => {
        const text = e.innerText.trim();
        const isIt = isPattern ? new RegExp(wanted).test(text) : text === wanted;
        return isIt && e.getClientRects().length > 0 && !e.matches(':disabled');
      }),
    { timeout: WAIT_MS },
    what,
    typeof name === 'string' ? name : name.source,
    typeof name !== 'string',
  );
  const target = found.asElement() as ElementHandle<HTMLElement>;
  // What moves away from under the finger is tapped again.
  for (let left = 2; left >= 0; left--) {
    await target.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    if (await hitBy(target, () => target.tap())) return;
  }
}
