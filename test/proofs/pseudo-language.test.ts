/** Every page in a made-up language, accented and four tenths longer: nothing is left in English, and nothing is cut off. */
import { rmSync } from 'node:fs';
import { expect } from 'chai';
import type { Page } from 'puppeteer-core';
import { TABLES } from '../../src/core/population';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { clippedText, overflowOf } from '../support/layout';
import { everyPage } from '../support/pages';
import { buildPseudo } from '../support/pseudo';
import { readRows } from '../support/read-database';

const SIZES = [
  { width: 1280, height: 800 },
  { width: 800, height: 1280 },
  { width: 390, height: 844 },
];

/** What stands on a page: text, labels, titles, placeholders, and the title of the page. */
const textsOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found = [document.title];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      if (node.parentElement?.closest('script, style, noscript, [aria-hidden=true]')) continue;
      found.push(node.textContent?.trim() ?? '');
    }
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder], [alt]')) {
      if (element.closest('[aria-hidden=true]')) continue;
      for (const name of ['aria-label', 'title', 'placeholder', 'alt'])
        found.push(element.getAttribute(name)?.trim() ?? '');
    }
    return found.filter(Boolean);
  });

/** Of the made-up language every word of three letters has an accent. */
const ACCENTED = /[À-ɏḀ-ỿ]/;
const isEnglish = (text: string): boolean => /[A-Za-z]{3,}/.test(text) && !ACCENTED.test(text);

/** What is the same in every language: keys of a keyboard, paper, units, dates, citations. */
const SAME_EVERYWHERE = [
  /^(?:Ctrl|Esc|Enter|Shift|Alt|Tab|Home|End|Page|Letter|Velto|CSV|JSON|PDF)\b/,
  /^\d{1,2} (?:Jan|Feb|Mar|Apr|May|June?|July?|Aug|Sept?|Oct|Nov|Dec)[a-z]* \d{4}/,
  /^EN \d|^ANSI|^ISO|^DIN/,
  /not verified against source/,
  // Codes of currencies (ISO 4217).
  /^GBP$/,
];

/** What is built in is no text that somebody typed. */
const sqlOf = (table: string): string =>
  `select * from "${table}"${/^method_versions$/.test(table) ? ' where length(method_id) = 36' : ''}`;

/** Every text that somebody typed: names, notes, tags, documents. */
async function typedIn({ folder }: App): Promise<string[]> {
  const typed: string[] = TABLES.map(({ source }) => source);
  const collect = (value: unknown): void => {
    if (typeof value === 'string') typed.push(value);
    else if (value && typeof value === 'object') Object.values(value).forEach(collect);
  };
  const tables = await readRows(folder, "select name from sqlite_master where type = 'table'");
  for (const { name } of tables) {
    if (/^sqlite_|^__/.test(String(name))) continue;
    for (const row of await readRows(folder, sqlOf(String(name))))
      for (const value of Object.values(row)) {
        if (typeof value !== 'string') continue;
        if (/^[[{]/.test(value)) collect(JSON.parse(value));
        else typed.push(value);
      }
  }
  return typed.filter((text) => /[A-Za-z]{3,}/.test(text));
}

describe('every page in a made-up language', function () {
  this.timeout(600_000);
  let folder: string;
  let app: App;
  let bench: BrowserBench;
  before(async () => {
    folder = buildPseudo();
    app = await startApp({ server: `${folder}/dist/serve.mjs`, isFirst: true });
    bench = await startBrowser();
  });
  after(async () => {
    await bench?.stop();
    await app?.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('has nothing left in English, and nothing cut off or wider than the screen', async () => {
    const page = await bench.open();
    const user = new Driver(page, app.base);
    const pages = await everyPage(app);
    const typed = new Set([...(await typedIn(app)), 'Ours']);
    const isTyped = (text: string): boolean =>
      typed.has(text) ||
      typed.has(text.replace(/[:.]$/, '')) ||
      // Names side by side, each of them typed.
      text.split(/ · |, |: /).every((part) => !isEnglish(part) || typed.has(part) || sameEverywhere(part));
    const sameEverywhere = (text: string): boolean => SAME_EVERYWHERE.some((pattern) => pattern.test(text));
    const found: string[] = [];
    let texts = 0;
    for (const [name, path] of pages) {
      await user.goTo(path);
      await page.waitForFunction(() => !document.querySelector('[aria-busy=true]'), { timeout: 60_000 });
      for (const size of SIZES) {
        await page.setViewport(size);
        const at = `${name} at ${size.width}`;
        const over = await overflowOf(page);
        if (over > 0) found.push(`${at}: ${over} px too wide`);
        for (const text of await clippedText(page)) found.push(`${at}: cut off: ${text}`);
      }
      for (const text of await textsOf(page)) {
        texts++;
        if (isEnglish(text) && !isTyped(text) && !sameEverywhere(text)) found.push(`${name}: ${text}`);
      }
    }
    expect([...new Set(found)]).to.deep.equal([]);
    expect(texts).to.be.greaterThan(3000);
    expect(user.faults).to.deep.equal([]);
  });
});
