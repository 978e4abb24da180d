/** How long every page takes to be seen on a slow device over a large practice, and what moves while it comes. */
import { setTimeout as pause } from 'node:timers/promises';
import { createClient } from '@libsql/client';
import type { KeyInput, Page } from 'puppeteer-core';
import { v7 } from 'uuid';
import { insertSitter } from '../src/data/sitters';
import { startApp } from '../test/support/app';
import { startBrowser } from '../test/support/browser';
import { fileUrl, openBench } from '../test/support/context';
import { Driver } from '../test/support/driver';
import { everyPage } from '../test/support/pages';
import { figureOf, type Figure } from './figure';

const SITTERS = 20_000;
const FITTINGS = 2000;
/** A tablet beside this machine. */
const SLOWER = 4;
const STAGE_CHANGES = 200;
const RELEASES = 8;

export const LISTENERS_LEFT = 'stages/listenersLeft';
export const RELEASE = 'lever/release';

/** Fills a database with demo records and a large practice around them; returns its folder. */
async function largePractice(): Promise<string> {
  const { context, folder } = await openBench({ demo: true });
  const at = context.now().toISOString();
  const ids = Array.from({ length: SITTERS }, () => v7());
  await context.store.write(async (q) => {
    for (const [i, id] of ids.entries())
      await insertSitter(
        q,
        {
          id,
          name: `Crew ${String(i + 1).padStart(5, '0')}`,
          birthDate: null,
          consentOn: at.slice(0, 10),
          consentBy: null,
          sex: null,
        },
        at,
      );
  });
  await context.store.close();
  const client = createClient({ url: fileUrl(folder) });
  const { columns, rows } = await client.execute('select * from fittings where seat_version_id is not null');
  const names = columns.map((c) => `"${c}"`).join(', ');
  const holes = columns.map(() => '?').join(', ');
  await client.batch(
    ids.slice(0, FITTINGS).map((sitterId, i) => {
      const row = rows[i % rows.length]!;
      const values = columns.map((c) =>
        c === 'id' ? v7() : c === 'sitter_id' ? sitterId : (row[c] ?? null),
      );
      return { sql: `insert into fittings (${names}) values (${holes})`, args: values };
    }),
    'write',
  );
  client.close();
  return folder;
}

/** Largest paint, ms from the start of the page, and by how much what is seen shifted. */
const seen = (page: Page): Promise<{ paint: number; shift: number }> =>
  page.evaluate(
    () =>
      new Promise<{ paint: number; shift: number }>((resolve) => {
        let [paint, shift] = [0, 0];
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries()) paint = entry.startTime;
        }).observe({ type: 'largest-contentful-paint', buffered: true });
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries() as (PerformanceEntry & { value: number })[])
            shift += entry.value;
        }).observe({ type: 'layout-shift', buffered: true });
        setTimeout(() => resolve({ paint, shift }), 300);
      }),
  );

/** From letting go of a lever to the next frame, ms, as the browser counts it. */
async function releases(user: Driver): Promise<number[]> {
  const { page } = user;
  const slider = (await page.$('[role=slider][aria-disabled=false]'))!;
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { releases: times });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) if (entry.name === 'pointerup') times.push(entry.duration);
    }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
  });
  for (let i = 0; i < RELEASES; i++) {
    const box = (await slider.boundingBox())!;
    const y = box.y + box.height / 2;
    await page.mouse.move(box.x + box.width * 0.4, y);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * (i % 2 ? 0.3 : 0.6), y, { steps: 6 });
    await page.mouse.up();
    await new Promise((resolve) => setTimeout(resolve, 1500));
  }
  return page.evaluate(() => (window as unknown as { releases: number[] }).releases);
}

/** How many listeners are left after many changes of stage that were not there after the first few. */
async function listenersLeft(user: Driver): Promise<number> {
  const { page } = user;
  const stages = ['Measure', 'Workstation and seat', 'Adjust', 'Card'];
  const session = await page.createCDPSession();
  const count = async () => {
    // What a stage takes away with it goes a moment after it.
    await pause(500);
    await session.send('HeapProfiler.collectGarbage');
    return (await page.metrics()).JSEventListeners!;
  };
  const go = async (n: number) => {
    for (let i = 0; i < n; i++) {
      await page.keyboard.press(`${(i % stages.length) + 1}` as KeyInput);
      await page.waitForFunction(
        (k) => new URLSearchParams(location.search).get('stage') === k,
        {},
        ['measure', 'choose', 'set', 'card'][i % 4],
      );
    }
  };
  // What is brought later has come: it is a part of the page from then on.
  const atCard = () => user.sees('Open printable card');
  await go(2 * stages.length);
  await atCard();
  const before = await count();
  await go(STAGE_CHANGES);
  await atCard();
  return (await count()) - before;
}

/** @param isWanted by the name of a figure: what is not wanted is not looked at */
export async function pageFigures(isWanted: (figure: string) => boolean = () => true): Promise<Figure[]> {
  const folder = await largePractice();
  const app = await startApp({ folder });
  const bench = await startBrowser();
  try {
    const paths = await everyPage(app);
    const figures: Figure[] = [];
    for (const [name, path] of paths) {
      if (!isWanted(`paint/${name}`)) continue;
      const page = await bench.open();
      await page.emulateCPUThrottling(SLOWER);
      await new Driver(page, app.base).goTo(path);
      await page.waitForFunction(() => !document.querySelector('[aria-busy=true]'), { timeout: 60_000 });
      const { paint, shift } = await seen(page);
      figures.push(
        figureOf(`paint/${name}`, [paint], { detail: { shift: Math.round(shift * 1000) / 1000 } }),
      );
      await page.close();
    }
    const user = new Driver(await bench.open(), app.base);
    if (isWanted(LISTENERS_LEFT)) {
      await user.goTo(paths.get('setting')!);
      figures.push(figureOf(LISTENERS_LEFT, [await listenersLeft(user)]));
    }
    if (isWanted(RELEASE)) {
      await user.page.emulateCPUThrottling(SLOWER);
      await user.goTo(paths.get('setting')!);
      await new Promise((resolve) => setTimeout(resolve, 3000));
      figures.push(figureOf(RELEASE, await releases(user)));
    }
    return figures;
  } finally {
    await bench.stop();
    await app.stop();
  }
}
