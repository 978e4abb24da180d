/** Drives the interface in the words of somebody who uses it. */
import type { ElementHandle, Page } from 'puppeteer-core';
import { allByRole, byRole, type FoundRole } from './by-role';

const WAIT_MS = 30_000;
/** How often a text is looked for, ms: reading the whole page at every frame keeps the machine busy by itself. */
const LOOK_EVERY_MS = 50;
/** How often something may be drawn anew under the pointer. */
const MOVES = 3;

/** What the page said that it should not have: errors, failed hydration. */
export function listenForFaults(page: Page): string[] {
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource|net::ERR/.test(message.text()))
      faults.push(message.text());
  });
  return faults;
}

/** Whether a click arrived where it was meant for; it did where it led to another page. */
export async function hitBy(element: ElementHandle<Element>, click: () => Promise<void>): Promise<boolean> {
  await element.evaluate((e) => {
    Object.assign(window, { wasHit: false });
    e.addEventListener('click', () => Object.assign(window, { wasHit: true }), { once: true, capture: true });
  });
  await click();
  const seen = await element.evaluate(() => (window as { wasHit?: boolean }).wasHit).catch(() => true);
  return seen !== false;
}

export class Driver {
  readonly faults: string[];

  constructor(
    readonly page: Page,
    private base: string,
  ) {
    this.faults = listenForFaults(page);
  }

  /** Goes to a page and waits until it can be used. */
  async goTo(path: string): Promise<void> {
    await this.page.goto(this.base + path, { waitUntil: 'load' });
    await this.isLive();
  }

  /** Every part of the page has begun to listen; what it asked for on the way may still be coming. */
  private async isLive(): Promise<void> {
    await this.page.waitForFunction(
      () =>
        !document.querySelector('astro-island[ssr]') &&
        (document.documentElement.dataset.isLive === 'true' || !document.querySelector('astro-island')),
      // By the clock: a page that is not in front may draw no frame.
      { timeout: WAIT_MS, polling: LOOK_EVERY_MS },
    );
  }

  async reload(): Promise<void> {
    await this.page.reload({ waitUntil: 'load' });
    await this.isLive();
  }

  /** Waits for what has this role and name. */
  find(role: FoundRole, name: string): Promise<ElementHandle<Element>> {
    return byRole(this.page, role, name, WAIT_MS);
  }

  /** How many there are now of this role and name. */
  async count(role: FoundRole, name: string): Promise<number> {
    return (await allByRole(this.page, role, name)).length;
  }

  /** Clicks; what was drawn anew, or has moved away from under the pointer, is found and clicked again. */
  private async click(find: () => Promise<ElementHandle<Element>>): Promise<void> {
    for (let left = MOVES; ; left--) {
      const element = await find();
      try {
        const wasHit = await hitBy(element, () => element.click());
        if (wasHit || left === 0) return;
      } catch (error) {
        if (left === 0 || !/not clickable|detached/.test(String(error))) throw error;
      }
    }
  }

  async press(button: string): Promise<void> {
    await this.click(() => this.find('button', button));
  }

  /** Ticks, or lets go, a box. */
  async tick(label: string): Promise<void> {
    await this.click(async () => {
      const box = await this.find('checkbox', label);
      await box.evaluate((element) => element.scrollIntoView({ block: 'center' }));
      return box;
    });
  }

  /** Opens what is folded away under its title. */
  async unfold(title: string): Promise<void> {
    await this.click(
      async () => (await this.page.waitForSelector(`summary::-p-text(${title})`, { timeout: WAIT_MS }))!,
    );
  }

  async follow(link: string): Promise<void> {
    await this.leads(() => this.click(() => this.find('link', link)));
  }

  /** Does what leads to another page, and waits until that can be used. */
  async leads(act: () => Promise<void>): Promise<void> {
    await Promise.all([this.page.waitForNavigation({ waitUntil: 'load' }), act()]);
    await this.isLive();
  }

  /** Presses a button that leads to another page. */
  pressAndGo(button: string): Promise<void> {
    return this.leads(() => this.press(button));
  }

  /** Types into the field of a label, in place of what stands there. */
  async type(label: string, text: string): Promise<void> {
    await this.click(() => this.find('textbox', label));
    // The field may move between clicks: all of it is selected by the keyboard.
    await this.page.keyboard.down('Control');
    await this.page.keyboard.press('a');
    await this.page.keyboard.up('Control');
    await this.page.keyboard.press('Backspace');
    await this.page.keyboard.type(text);
  }

  /** Types and presses Enter. */
  async enter(label: string, text: string): Promise<void> {
    await this.type(label, text);
    await this.page.keyboard.press('Enter');
  }

  /** Opens the menu of what this device prefers. */
  async preferences(): Promise<void> {
    await this.page.waitForSelector('details > summary[aria-label=Preferences]', { timeout: WAIT_MS });
    await this.page.evaluate(() => {
      document.querySelector<HTMLDetailsElement>('details:has(> summary[aria-label=Preferences])')!.open =
        true;
    });
  }

  /** Chooses one of them. */
  async prefer(label: string, option: string): Promise<void> {
    await this.preferences();
    await this.choose(label, option);
  }

  async choose(label: string, option: string): Promise<void> {
    const select = await this.find('combobox', label);
    // A choice may be locked while the one before is being saved.
    await this.page.waitForFunction(
      (element) => !(element as HTMLSelectElement).disabled,
      { timeout: WAIT_MS },
      select,
    );
    const value = await select.evaluate(
      (element, wanted) =>
        [...(element as HTMLSelectElement).options].find((o) => o.textContent?.trim() === wanted)?.value,
      option,
    );
    if (value === undefined) throw new Error(`no option “${option}” in “${label}”`);
    await (select as ElementHandle<HTMLSelectElement>).select(value);
    // Some are kept at once: the next step goes by what came of it.
    await this.page.waitForFunction((e) => e.ariaBusy !== 'true', { timeout: WAIT_MS }, select);
  }

  /** Chooses a seat by a part of its name, once all of them have been computed. */
  async chooseSeat(name: string): Promise<void> {
    await this.page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLButtonElement>('button[aria-pressed]')].some((b) => !b.disabled),
    );
    await this.page.evaluate(
      (wanted) =>
        [...document.querySelectorAll<HTMLButtonElement>('button[aria-pressed]')]
          .find((b) => b.textContent?.includes(wanted))!
          .click(),
      name,
    );
    await this.page.waitForSelector('button[aria-pressed="true"]', { timeout: WAIT_MS });
    await this.page.waitForFunction(
      (wanted) => document.querySelector('button[aria-pressed="true"]')?.textContent?.includes(wanted),
      { timeout: WAIT_MS },
      name,
    );
  }

  async valueOf(label: string): Promise<string> {
    const field = await this.find('textbox', label);
    return field.evaluate((element) => (element as HTMLInputElement).value);
  }

  text(): Promise<string> {
    return this.page.evaluate(() => document.body.innerText);
  }

  async sees(text: string): Promise<void> {
    await this.page.waitForFunction(
      (wanted) => document.body.innerText.includes(wanted),
      { timeout: WAIT_MS, polling: LOOK_EVERY_MS },
      text,
    );
  }

  async seesNoMore(text: string): Promise<void> {
    await this.page.waitForFunction(
      (wanted) => !document.body.innerText.includes(wanted),
      { timeout: WAIT_MS, polling: LOOK_EVERY_MS },
      text,
    );
  }

  /** The slider of an adjustment. */
  async track(name: string): Promise<ElementHandle<Element>> {
    return this.find('slider', name);
  }

  /** What the slider says of itself. */
  async trackSays(name: string): Promise<string> {
    const slider = await this.track(name);
    return slider.evaluate((element) => element.getAttribute('aria-valuetext') ?? '');
  }

  async positionOf(name: string): Promise<number> {
    const slider = await this.track(name);
    return slider.evaluate((element) => Number(element.getAttribute('aria-valuenow')));
  }

  /** Waits until nothing is on its way any more. */
  async settled(): Promise<void> {
    await this.page.waitForNetworkIdle({ idleTime: 150, timeout: WAIT_MS });
  }

  /** Waits until what was done is on the server. */
  async saved(): Promise<void> {
    await this.page.waitForFunction(
      () =>
        [...document.querySelectorAll('[data-state="saved"]')].some((e) =>
          /^Saved( at|$)/.test(e.textContent ?? ''),
        ),
      { timeout: WAIT_MS },
    );
  }
}
