import { AxePuppeteer } from '@axe-core/puppeteer';
import { expect } from 'chai';
import type { Page as BrowserPage } from 'puppeteer-core';
import type { Page } from '../../src/contract/paging';
import type { MethodSummary } from '../../src/contract';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What is right is not gathered: a page with many parts is looked at in half the time. */
const ONLY_WRONG = { resultTypes: ['violations' as const] };

/** What the other scheme and a narrow page can change: the page itself is the same. */
const OF_COLOUR_AND_SIZE = ['color-contrast', 'target-size', 'scrollable-region-focusable'];

/** What has to be opened first on a page. */
const OPENED: Readonly<Record<string, (user: Driver) => Promise<unknown>>> = {
  'front and plan view': (user) => user.press('Front and top view'),
  'the command box': async (user) => {
    await user.press('Search');
    await user.page.waitForSelector('dialog[open]');
  },
  'the shortcuts': async (user) => {
    await user.page.keyboard.press('?');
    await user.page.waitForSelector('dialog[open]');
  },
};

describe('accessibility', function () {
  this.timeout(120_000);
  let app: App;
  let bench: BrowserBench;
  const paths = new Map<string, string>();
  // One page for all of them: what they share is fetched once.
  let page: BrowserPage;
  let user: Driver;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    page = await bench.open();
    user = new Driver(page, app.base);
    const id = async (sql: string) => String((await readRows(app.folder, sql))[0]?.id);
    const maren = await id(
      "select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = 'Maren Tolve'",
    );
    const ines = await id(
      "select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = 'Ines Farrowby'",
    );
    const jory = await id("select id from sitters where name = 'Jory Pell'");
    const seat = await id(
      "select id from seat_versions where json_extract(document, '$.name') = 'Gullstone task chair'",
    );
    const pair = (await readRows(app.folder, "select id from catalogue where kind = 'seat' limit 2"))
      .map((r) => String(r.id))
      .join(',');
    paths.set('fittings', '/');
    paths.set('people', '/people');
    paths.set('a sitter without measures', `/people/${jory}`);
    paths.set('files of people', '/people/files');
    paths.set('seats', '/seats');
    paths.set('a seat', `/seats/${seat}`);
    paths.set('adding a seat', '/seats/new');
    paths.set('comparing seats', `/seats/compare?ids=${pair}`);
    paths.set('files of seats', '/seats/files');
    paths.set('places', '/places');
    paths.set('tables of bodies', '/practice/tables');
    paths.set('methods', '/practice/methods');
    paths.set('fitters', '/practice/fitters');
    paths.set('a method', '/practice/methods/right-angle-then-open');
    const own = '01990000-0000-7000-8000-00000000a11e';
    const { items: shipped } = (await (
      await fetch(`${app.base}/api/v1/methods`)
    ).json()) as Page<MethodSummary>;
    await fetch(`${app.base}/api/v1/methods`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...shipped.find((m) => m.method.steps)!.method, id: own, name: 'Ours' }),
    });
    paths.set('a method of one’s own', `/practice/methods/${own}`);
    paths.set('measuring one by one', `/people/${jory}/measure`);
    paths.set('measuring', `/fittings/${maren}?stage=measure`);
    paths.set('choosing', `/fittings/${maren}?stage=choose`);
    paths.set('setting', `/fittings/${ines}?stage=set`);
    paths.set('the card stage', `/fittings/${ines}?stage=card`);
    paths.set('the card', `/fittings/${ines}/card`);
    paths.set('a page that is not there', '/nowhere');
    paths.set('signing in', '/sign-in');
    paths.set('front and plan view', `/fittings/${ines}?stage=set`);
    paths.set('the command box', '/');
    paths.set('the shortcuts', '/');
  });
  after(async () => {
    await bench.stop();
    await app.stop();
  });

  for (const name of [
    'fittings',
    'people',
    'a sitter without measures',
    'files of people',
    'seats',
    'a seat',
    'adding a seat',
    'comparing seats',
    'files of seats',
    'places',
    'measuring',
    'choosing',
    'setting',
    'the card stage',
    'the card',
    'a page that is not there',
    'signing in',
    'front and plan view',
    'the command box',
    'the shortcuts',
    'tables of bodies',
    'methods',
    'a method',
    'a method of one’s own',
    'measuring one by one',
    'fitters',
  ]) {
    it(`${name}: no violations, light and dark, and nothing wider than a tablet`, async () => {
      await page.emulateMediaFeatures([
        { name: 'prefers-color-scheme', value: 'light' },
        { name: 'prefers-reduced-motion', value: 'reduce' },
      ]);
      await page.setViewport({ width: 1280, height: 800 });
      await user.goTo(paths.get(name)!);
      await OPENED[name]?.(user);
      const look = async (where: string, axe: AxePuppeteer) => {
        // There is no frame in these pages: no second page is needed to put the results of frames together.
        const { violations } = await axe.setLegacyMode().analyze();
        const found = violations.map(
          (v) =>
            `${v.id}: ${v.nodes.map((n) => `${n.target.join(' ')} ${n.failureSummary ?? ''}`).join(' | ')}`,
        );
        expect(found, `${name} ${where}`).to.deep.equal([]);
        const overflow = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        );
        expect(overflow, `${name} ${where} is too wide`).to.be.at.most(0);
      };
      await look('light', new AxePuppeteer(page).options(ONLY_WRONG).withTags(RULES));
      await page.emulateMediaFeatures([
        { name: 'prefers-color-scheme', value: 'dark' },
        { name: 'prefers-reduced-motion', value: 'reduce' },
      ]);
      await page.setViewport({ width: 800, height: 1280 });
      await page.waitForFunction(
        () => document.documentElement.getAttribute('data-mantine-color-scheme') === 'dark',
      );
      await look('dark', new AxePuppeteer(page).options(ONLY_WRONG).withRules(OF_COLOUR_AND_SIZE));
      expect(user.faults.splice(0), name).to.deep.equal([]);
    });
  }
});
