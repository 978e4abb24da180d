/**
 * A file of 10,000 people in the browser: until it is checked and shown, until it is written, how long others wait
 * at the same time; then finding people by name among 20,000, and undoing the last file.
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import type { ElementHandle } from 'puppeteer-core';
import { v7 } from 'uuid';
import type { Sitter } from '../src/contract';
import type { Page } from '../src/contract/paging';
import { peopleCsvHead, peopleCsvRow } from '../src/core/exchange';
import { buildDemo } from '../src/demo/build';
import { startApp } from '../test/support/app';
import { startBrowser } from '../test/support/browser';
import { Driver } from '../test/support/driver';
import { figureOf, type Figure } from './figure';

const ROWS = 10_000;
const LONGEST_MS = 60_000;
/** Between two requests of others, ms. */
const OTHERS_EVERY_MS = 100;
const SEARCHES = ['', 'a', 'skaer', 'ÅSLAND', 'zoe wrack', 'nobody'];
const SEARCH_RUNS = 15;

function fileOf(seed: number): string {
  const { sitters } = buildDemo(seed, new Date('2026-01-15T09:00:00Z'), { sitters: ROWS });
  const rows = sitters.map((s) =>
    peopleCsvRow({
      id: s.id,
      name: `${s.name} ${seed}`,
      isNickname: false,
      birthDate: s.birthDate,
      sex: s.sex,
      consentOn: '2026-01-02',
      consentBy: null,
      measuredOn: '2026-01-03',
      measuredBy: 'Hedda Kvist',
      values: Object.fromEntries(s.readings.map((r) => [r.dimension, r.value])),
    }),
  );
  return peopleCsvHead() + rows.join('');
}

/** Asks as other devices do, until it is told to stop; every request in turn, each timed. */
function others(base: string, sitterId: string): { readonly end: () => Promise<number[]> } {
  const waits: number[] = [];
  let isOn = true;
  const headers = { 'content-type': 'application/json' };
  const asks: readonly (() => Promise<Response>)[] = [
    () => fetch(`${base}/api/v1/sitters?search=maren`),
    () =>
      fetch(`${base}/api/v1/sitters/${sitterId}/readings`, {
        method: 'PUT',
        headers: { ...headers, 'idempotency-key': v7() },
        body: JSON.stringify({ dimension: 'shoeHeel', value: 20 + (waits.length % 9) }),
      }),
    () => fetch(`${base}/api/v1/fittings`),
  ];
  const run = (async () => {
    for (let n = 0; isOn; n++) {
      const start = performance.now();
      const response = await asks[n % asks.length]!();
      await response.text();
      if (response.status !== 200) throw new Error(`another was answered with ${response.status}`);
      waits.push(performance.now() - start);
      await new Promise((after) => setTimeout(after, OTHERS_EVERY_MS));
    }
    return waits;
  })();
  return {
    end: () => {
      isOn = false;
      return run;
    },
  };
}

export async function exchangeFigures(): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), 'velto-exchange-'));
  const app = await startApp();
  const bench = await startBrowser();
  try {
    const { items: sitters } = (await (await fetch(`${app.base}/api/v1/sitters`)).json()) as Page<Sitter>;
    const user = new Driver(await bench.open(), app.base);
    const { page } = user;
    const says = (text: string) =>
      page.waitForFunction(
        // Large numbers are shown in groups of three.
        (wanted) =>
          document
            .querySelector('main')
            ?.innerText.replace(/(\d),(?=\d{3})/g, '$1')
            .includes(wanted),
        { polling: 20, timeout: LONGEST_MS },
        text,
      );
    const [previews, writes, besides, waits]: [number[], number[], number[], number[]] = [[], [], [], []];
    // Once by itself, once while others ask.
    for (const [seed, isAlone] of [
      [1, true],
      [2, false],
    ] as const) {
      const file = join(folder, `crew-${seed}.csv`);
      writeFileSync(file, fileOf(seed));
      await user.goTo('/people/files');
      await user.choose('Fitter', 'Rowan Aldous');
      const input = (await page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
      let start = performance.now();
      await input.uploadFile(file);
      await says(`${ROWS} rows: ${ROWS} ready`);
      previews.push(performance.now() - start);
      // The button is pressed once everybody has been looked up, as by somebody who reads what is said.
      await says(' already here.');
      const asking = isAlone ? null : others(app.base, sitters[0]!.id);
      start = performance.now();
      await user.press(`Import ${ROWS.toLocaleString('en-GB')} people`);
      await says('Imported:');
      (isAlone ? writes : besides).push(performance.now() - start);
      waits.push(...((await asking?.end()) ?? []));
    }
    const searches: number[] = [];
    for (const text of SEARCHES) {
      for (let i = 0; i < SEARCH_RUNS; i++) {
        const start = performance.now();
        await (await fetch(`${app.base}/api/v1/sitters?search=${encodeURIComponent(text)}`)).text();
        if (i > 0) searches.push(performance.now() - start);
      }
    }
    const undoing = others(app.base, sitters[0]!.id);
    await user.press('Undo import of “crew-2.csv”');
    const start = performance.now();
    await user.press('Delete permanently');
    await says(`Undone: ${ROWS} people deleted permanently.`);
    const undos = [performance.now() - start];
    waits.push(...(await undoing.end()));
    const longest = (values: readonly number[]) => ({ longestMs: Math.round(Math.max(...values)) });
    return [
      figureOf('exchange/preview', previews, { detail: longest(previews) }),
      figureOf('exchange/write', writes, { detail: longest(writes) }),
      figureOf('exchange/write-besides', besides),
      figureOf('exchange/undo', undos, { detail: longest(undos) }),
      figureOf('exchange/others', waits, { detail: longest(waits) }),
      figureOf('exchange/search', searches, { detail: longest(searches) }),
    ];
  } finally {
    await bench.stop();
    await app.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
