import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

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

/** @param more arguments of the browser */
export async function startBrowser(more: readonly string[] = []): Promise<BrowserBench> {
  const userDataDir = mkdtempSync(join(tmpdir(), 'velto-chromium-'));
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
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
    open: async ({ width = 1280, height = 800, scheme = 'light', touch = false } = {}) => {
      const context = await browser.createBrowserContext();
      const page = await context.newPage();
      await page.setViewport({ width, height, hasTouch: touch });
      await page.emulateMediaFeatures([
        { name: 'prefers-color-scheme', value: scheme },
        { name: 'prefers-reduced-motion', value: 'reduce' },
      ]);
      return page;
    },
    stop: async () => {
      await browser.close();
      rmSync(userDataDir, { recursive: true, force: true });
    },
  };
}
