// Takes the pictures in docs/screenshots anew, from the demo records and a clock that stands still: all, or those named.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import puppeteer from 'puppeteer-core';
import { ROOT, buildIfStale, checkNode } from './machine.mjs';

checkNode();
buildIfStale();
const data = mkdtempSync(join(tmpdir(), 'velto-pictures-'));
const server = spawn(
  process.execPath,
  [join(ROOT, 'dist/serve.mjs'), '--demo', '--port', '0', '--data', data],
  {
    cwd: ROOT,
    env: { ...process.env, VELTO_NOW: '2026-11-25T09:30:00Z' },
    stdio: ['ignore', 'pipe', 'inherit'],
  },
);
// Whatever fails, the server does not outlive it.
process.once('exit', () => server.kill('SIGKILL'));
server.unref();
const base = await new Promise((resolve) => {
  createInterface({ input: server.stdout }).on('line', (line) => {
    const at = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(line)?.[1];
    if (at) resolve(at);
  });
});
const get = async (path) => (await fetch(`${base}/api/v1${path}`)).json();
const { items: fittings } = await get('/fittings');
const fittingOf = (name) => `/fittings/${fittings.find((f) => f.sitter?.name === name).id}`;
const linking = `${base}/api/v1${fittingOf('Odd Quillsay')}/links`;
const linked = await (await fetch(linking, { method: 'POST' })).json();
const { items: seats } = await get('/seats');
const { items: sitters } = await get('/sitters');

/** A session of measuring in its second half. */
async function measureOn(page) {
  for (const [n, text] of ['1731', '76.5', '1733', '76.2', '25', '26', '430', '489'].entries()) {
    for (const key of text) await page.keyboard.press(key);
    if (text.includes('.')) await page.keyboard.press('Enter');
    await page.waitForFunction(
      (taken) => globalThis.document.body.innerText.includes(taken),
      {},
      `${n + 1} of `,
    );
  }
}

/** So many steps of a walk at the seat, as calculated; it ends before that where there are fewer. */
const goSteps = (count) => async (page) => {
  await page.waitForSelector('main h2');
  const text = () => page.evaluate(() => globalThis.document.querySelector('main').innerText);
  for (let n = 0; n < count; n++) {
    const before = await text();
    const isPressed = await page.evaluate(() => {
      const buttons = [...globalThis.document.querySelectorAll('main button')];
      const next = buttons.find((b) => ['Start', 'Done'].includes(b.textContent.trim()));
      next?.click();
      return next !== undefined;
    });
    if (!isPressed) return;
    await page.waitForFunction(
      (was) => globalThis.document.querySelector('main').innerText !== was,
      {},
      before,
    );
  }
};

/** A survey as far as the first control: the seven values, then what the hand has found. */
async function surveySeat(page) {
  const press = (name) => page.locator(`::-p-aria([name="${name}"][role="button"])`).click();
  const sees = (text) =>
    page.waitForFunction((wanted) => globalThis.document.body.innerText.includes(wanted), {}, text);
  await page.waitForFunction(() => globalThis.document.documentElement.dataset.isLive === 'true');
  await page.locator('::-p-aria([name="Name"][role="textbox"])').fill('Slipway chair');
  await press('Start');
  for (const [question, value] of [
    ['Rated load', '120'],
    ['Lowest seat height', '410'],
    ['Highest seat height', '520'],
    ['Shortest seat depth', '400'],
    ['Longest seat depth', '460'],
    ['Seat width', '480'],
    ['Lowest armrest height', '190'],
  ]) {
    await sees(question);
    await page.waitForFunction(() => globalThis.document.activeElement?.matches('form input'));
    await page.keyboard.type(value);
    await press('Next');
  }
  await press('Find the controls');
  await press('lever');
  await press('Seat height');
  await press('up');
  await page.evaluate(() => globalThis.scrollTo(0, 0));
}

/** A seat on its way in: some of it typed, one slip made. */
async function enterSeat(page) {
  const type = async (field, text) => {
    await page.focus(`[data-field="${field}"]`);
    await page.keyboard.type(text);
  };
  const press = (name) => page.locator(`::-p-aria([name="${name}"][role="button"])`).click();
  await type('name', 'Corncrake ticket chair');
  await type('adjustments/seatHeight/lowest', '415');
  await type('adjustments/seatHeight/highest', '525');
  await press('Seat depth');
  await type('adjustments/seatDepth/lowest', '39');
  await type('adjustments/seatDepth/highest', '450');
  await type('width', '480');
  await page.evaluate(() => globalThis.scrollTo(0, 0));
}

const comparedIds = ['Gullstone', 'Fulmar', 'Guillemot'].map(
  (name) => seats.find((s) => s.name.startsWith(name)).id,
);
async function scrollToTracks(page) {
  await page.evaluate(() => globalThis.document.querySelector('section')?.scrollIntoView());
}

const PICTURES = [
  ['people', '/people'],
  ['sitter', `/people/${sitters.find((s) => s.name.startsWith('Sunniva')).id}`],
  ['seats', '/seats'],
  ['seat-add', '/seats/new', { meanwhile: enterSeat }],
  ['seat-compare', `/seats/compare?ids=${comparedIds.join(',')}`, { meanwhile: scrollToTracks }],
  ['controls', `/seats/${seats.find((s) => s.name.startsWith('Lanternfold')).id}/controls`],
  ['tagged', '/seats/tagged'],
  ['survey', '/seats/survey', { width: 800, height: 1280, meanwhile: surveySeat }],
  ['methods', '/practice/methods'],
  ['choose', `${fittingOf('Ines Farrowby')}?stage=choose`],
  ['set', `${fittingOf('Piet Lunder')}?stage=set`],
  ['set-misfit', `${fittingOf('Ines Farrowby')}?stage=set`],
  ['set-tablet', `${fittingOf('Ines Farrowby')}?stage=set`, { width: 800, height: 1280 }],
  ['walk', `${fittingOf('Ines Farrowby')}/walk`, { width: 800, height: 1280, meanwhile: goSteps(2) }],
  ['as-left', `${fittingOf('Maren Tolve')}/walk`, { width: 800, height: 1280, meanwhile: goSteps(60) }],
  ['card', `${fittingOf('Piet Lunder')}/card`],
  ['card-sitter', `${fittingOf('Odd Quillsay')}/card?form=sitter`],
  ['card-phone', linked.path, { width: 390, height: 844 }],
  [
    'measuring',
    `/people/${sitters.find((s) => s.name.startsWith('Sunniva')).id}/measure`,
    { width: 800, height: 1280, meanwhile: measureOn },
  ],
];

/** Debian's Chromium without windows, where it is installed. */
const QUICK = '/usr/bin/chromium-headless-shell';
const named = process.argv.slice(2);
const folder = join(ROOT, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
const browser = await puppeteer.launch({
  executablePath: process.env.CHROMIUM ?? (existsSync(QUICK) ? QUICK : '/usr/bin/chromium'),
  args: ['--headless', '--no-sandbox', '--disable-gpu', '--no-first-run'],
});
for (const [name, path, { width = 1280, height = 800, meanwhile } = {}] of PICTURES.filter(
  ([name]) => named.length === 0 || named.includes(name),
)) {
  // What one picture typed stays out of the next.
  const apart = await browser.createBrowserContext();
  const page = await apart.newPage();
  await page.setViewport({ width, height });
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: 'light' },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ]);
  await page.setCookie({ name: 'velto-scope', value: '1', url: base });
  await page.goto(base + path, { waitUntil: 'networkidle0' });
  if (path.includes('stage=set'))
    await page.waitForFunction(() =>
      globalThis.document.body.innerText.includes('likely to fit at these settings'),
    );
  await page.waitForFunction(() => !globalThis.document.body.innerText.includes('calculating …'));
  await page.waitForFunction(() => !globalThis.document.querySelector('[aria-busy=true]'), {
    timeout: 60_000,
  });
  if (meanwhile) await meanwhile(page);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await apart.close();
}
await browser.close();
server.kill('SIGTERM');
await new Promise((resolve) => server.once('exit', resolve));
rmSync(data, { recursive: true, force: true });
