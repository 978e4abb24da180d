import { AxePuppeteer } from '@axe-core/puppeteer';
import { expect } from 'chai';
import type { CDPSession, Page as BrowserPage } from 'puppeteer-core';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { clippedText, overflowOf, smallTargets } from '../support/layout';
import { everyPage } from '../support/pages';

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What is right is not gathered: a page with many parts is looked at in half the time. */
const ONLY_WRONG = { resultTypes: ['violations' as const] };

/** What the other scheme and a narrow page can change: the page itself is the same. */
const OF_COLOUR_AND_SIZE = ['color-contrast', 'target-size', 'scrollable-region-focusable'];

/** As narrow as a page has to go without scrolling sideways, CSS px. */
const SMALL_PHONE = { width: 320, height: 640 };

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
  let paths: Map<string, string>;
  // One page for all of them: what they share is fetched once.
  let page: BrowserPage;
  let user: Driver;
  let session: CDPSession;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    page = await bench.open();
    user = new Driver(page, app.base);
    session = await page.createCDPSession();
    paths = new Map(await everyPage(app));
    paths.set('front and plan view', paths.get('setting')!);
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
    'a child',
    'files of people',
    'seats',
    'a seat',
    'the controls of a seat',
    'surveying a seat',
    'adding a seat',
    'comparing seats',
    'files of seats',
    'tagged seats',
    'a tagged seat',
    'a label',
    'places',
    'measuring',
    'choosing',
    'setting',
    'the card stage',
    'a walk',
    'the card',
    'the card for the sitter',
    'the card for the pocket',
    'a linked card',
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
    it(`${name}: no violations in light, dark and forced colours; every target for a thumb; nothing wider than a phone`, async () => {
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
        expect(await overflowOf(page), `${name} ${where} is too wide`).to.equal(0);
      };
      await look('light', new AxePuppeteer(page).options(ONLY_WRONG).withTags(RULES));
      await page.emulateMediaFeatures([
        { name: 'prefers-color-scheme', value: 'dark' },
        { name: 'prefers-reduced-motion', value: 'reduce' },
      ]);
      await page.setViewport({ width: 800, height: 1280 });
      // A page without a script takes the scheme when it is opened.
      if ((await page.$('astro-island')) === null) await user.reload();
      await page.waitForFunction(
        () => document.documentElement.getAttribute('data-mantine-color-scheme') === 'dark',
      );
      await look('dark', new AxePuppeteer(page).options(ONLY_WRONG).withRules(OF_COLOUR_AND_SIZE));
      await session.send('Emulation.setTouchEmulationEnabled', { enabled: true });
      expect(await smallTargets(page), `${name}: targets`).to.deep.equal([]);
      await session.send('Emulation.setTouchEmulationEnabled', { enabled: false });
      await page.setViewport(SMALL_PHONE);
      expect(await overflowOf(page), `${name} on a small phone`).to.equal(0);
      expect(await clippedText(page), `${name} on a small phone`).to.deep.equal([]);
      await session.send('Emulation.setEmulatedMedia', {
        features: [{ name: 'forced-colors', value: 'active' }],
      });
      await look('forced colours', new AxePuppeteer(page).options(ONLY_WRONG).withRules(['color-contrast']));
      await session.send('Emulation.setEmulatedMedia', { features: [] });
      expect(user.faults.splice(0), name).to.deep.equal([]);
    });
  }
});
