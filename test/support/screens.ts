/** An application with demo records, a browser, and somebody who uses it: for the length of one suite. */
import { expect } from 'chai';
import { startApp, type App } from './app';
import { startBrowser, type BrowserBench } from './browser';
import { Driver } from './driver';

export interface Screens {
  readonly app: App;
  readonly bench: BrowserBench;
  readonly user: Driver;
}

/** Called inside a suite: its fields are there once the suite's tests run. No page may have said anything amiss. */
export function screens(): Screens {
  const on: { -readonly [K in keyof Screens]?: Screens[K] } = {};
  before(async () => {
    on.app = await startApp();
    on.bench = await startBrowser();
    on.user = new Driver(await on.bench.open(), on.app.base);
  });
  after(async () => {
    await on.bench?.stop();
    await on.app?.stop();
    expect(on.user?.faults).to.deep.equal([]);
  });
  return on as Screens;
}
