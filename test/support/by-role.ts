/** Finds what the page offers by role and name, as a screen reader would, from within the page. */
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import type { ElementHandle, Page } from 'puppeteer-core';

/**
 * The browser's own tree of names is made anew after every change once it has been asked for, and asking for it sixty
 * times a second takes more of the machine than the page does. Names are worked out here for what may be meant only.
 */
const CANDIDATES = {
  button: 'button, [role="button"], input[type="submit"], input[type="button"]',
  link: 'a[href], [role="link"]',
  textbox:
    'textarea, [role="textbox"], input:not([type]), input[type="text"], input[type="password"], input[type="email"], input[type="tel"]',
  searchbox: 'input[type="search"], [role="searchbox"]',
  combobox: 'select:not([multiple]), [role="combobox"]',
  checkbox: 'input[type="checkbox"], [role="checkbox"]',
  radio: 'input[type="radio"], [role="radio"]',
  slider: 'input[type="range"], [role="slider"]',
  spinbutton: 'input[type="number"], [role="spinbutton"]',
} as const;
export type FoundRole = keyof typeof CANDIDATES;

/** How often the page is looked at, ms. */
const LOOK_EVERY_MS = 40;

const inPage = `
import { computeAccessibleName, getRole, isInaccessible } from 'dom-accessibility-api';
window.veltoByRole = (selector, role, name) => {
  const modal = [...document.querySelectorAll('dialog[open]')].find((d) => d.matches(':modal'));
  return [...(modal ?? document).querySelectorAll(selector)].filter(
    (e) =>
      getRole(e) === role &&
      e.checkVisibility({ visibilityProperty: true, contentVisibilityAuto: false }) &&
      !isInaccessible(e) &&
      !e.closest('[inert]') &&
      computeAccessibleName(e).replace(/\\s+/g, ' ').trim() === name.replace(/\\s+/g, ' ').trim(),
  );
};`;

let bundle: string | null = null;
function script(): string {
  bundle ??= buildSync({
    stdin: { contents: inPage, resolveDir: join(import.meta.dirname, '..', '..') },
    bundle: true,
    format: 'iife',
    minify: true,
    write: false,
  }).outputFiles[0]!.text;
  return bundle;
}

type Finder = (selector: string, role: string, name: string) => Element[];
type Finding = Window & { veltoByRole?: Finder };

/** Makes sure that the page can be asked: it may have been loaded anew since. */
async function prepare(page: Page): Promise<void> {
  if (!(await page.evaluate(() => 'veltoByRole' in window))) await page.evaluate(script());
}

const later = (ms: number) => new Promise((after) => setTimeout(after, ms));

/** Returns all that is there now by role and name. */
export async function allByRole(
  page: Page,
  role: FoundRole,
  name: string,
): Promise<ElementHandle<Element>[]> {
  await prepare(page);
  const list = await page.evaluateHandle(
    (selector, wanted, called) => (window as Finding).veltoByRole!(selector, wanted, called),
    CANDIDATES[role],
    role,
    name,
  );
  const properties = await list.getProperties();
  await list.dispose();
  return [...properties.values()].flatMap((h) => (h.asElement() as ElementHandle<Element> | null) ?? []);
}

/**
 * Waits for what is there by role and name; the first, where there are several.
 * @throws where it has not come in time
 */
export async function byRole(
  page: Page,
  role: FoundRole,
  name: string,
  waitMs: number,
): Promise<ElementHandle<Element>> {
  const until = Date.now() + waitMs;
  for (;;) {
    // A page that is just being left answers nothing.
    const [first] = await allByRole(page, role, name).catch((error: unknown) => {
      if (/context was destroyed|Cannot find context|detached|navigation/i.test(String(error))) return [];
      throw error;
    });
    if (first) return first;
    if (Date.now() > until) throw new Error(`there is no ${role} “${name}”`);
    await later(LOOK_EVERY_MS);
  }
}
