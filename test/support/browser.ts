import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type BrowserContext, type Page } from 'puppeteer-core';

export interface BrowserBench {
  readonly browser: Browser;
  /** A page of its own: own cookies and storage. */
  readonly open: (options?: {
    readonly width?: number;
    readonly height?: number;
    readonly scheme?: 'light' | 'dark';
    readonly touch?: boolean;
  }) => Promise<Page>;
  readonly stop: () => Promise<void>;
}

/** What the reporter ends when all tests have. */
declare global {
  var veltoAtEnd: (() => void)[] | undefined;
}

/** Debian's Chromium; the one without windows where it is installed, for it is quicker. */
const QUICK = '/usr/bin/chromium-headless-shell';
const CHROMIUM = process.env.CHROMIUM ?? (existsSync(QUICK) ? QUICK : '/usr/bin/chromium');

async function launch(more: readonly string[]): Promise<{ browser: Browser; end: () => Promise<void> }> {
  const userDataDir = mkdtempSync(join(tmpdir(), 'velto-chromium-'));
  const browser = await puppeteer.launch({
    executablePath: CHROMIUM,
    userDataDir,
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      ...more,
    ],
  });
  return {
    browser,
    end: async () => {
      await browser.close();
      rmSync(userDataDir, { recursive: true, force: true });
    },
  };
}

let shared: Promise<Browser> | null = null;

/** One browser for all suites of a process: each has contexts of its own in it. */
function sharedBrowser(): Promise<Browser> {
  shared ??= launch([]).then(({ browser, end }) => {
    (globalThis.veltoAtEnd ??= []).push(() => void end());
    return browser;
  });
  return shared;
}

/** @param more arguments of the browser: a suite that needs any has one of its own */
export async function startBrowser(more: readonly string[] = []): Promise<BrowserBench> {
  const own = more.length > 0 ? await launch(more) : null;
  const browser = own?.browser ?? (await sharedBrowser());
  const contexts: BrowserContext[] = [];
  return {
    browser,
    open: async ({ width = 1280, height = 800, scheme = 'light', touch = false } = {}) => {
      const context = await browser.createBrowserContext();
      contexts.push(context);
      const page = await context.newPage();
      await page.setViewport({ width, height, hasTouch: touch });
      await page.emulateMediaFeatures([
        { name: 'prefers-color-scheme', value: scheme },
        { name: 'prefers-reduced-motion', value: 'reduce' },
      ]);
      return page;
    },
    stop: async () => {
      await Promise.all(contexts.map((context) => context.close().catch(() => undefined)));
      await own?.end();
    },
  };
}
