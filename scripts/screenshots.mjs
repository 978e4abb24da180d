// Takes the pictures in docs/screenshots anew, from the demo records and a clock that stands still: all, or those named.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
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
const base = await new Promise((resolve) => {
  createInterface({ input: server.stdout }).on('line', (line) => {
    const at = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(line)?.[1];
    if (at) resolve(at);
  });
});
const get = async (path) => (await fetch(`${base}/api/v1${path}`)).json();
const { items: fittings } = await get('/fittings');
const fittingOf = (name) => `/fittings/${fittings.find((f) => f.sitter?.name === name).id}`;
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

/** The next best settings, looked for and brought into view. */
async function lookFurther(page) {
  await page.locator('::-p-aria(Look for them)').click();
  const list = await page.waitForSelector('[aria-label="Next best settings"] ol');
  await list.evaluate((e) => e.scrollIntoView({ block: 'end' }));
}

/** A child's growth beside its seat, opened and brought into view. */
async function openGrowth(page) {
  await page.locator('::-p-text(Among others)').click();
  await page.waitForFunction(() => globalThis.document.body.innerText.includes('fits the average child'));
  const canvas = await page.waitForSelector('canvas');
  await canvas.evaluate((e) => e.scrollIntoView({ block: 'center' }));
}

/** People between limits, counted. */
async function countLimits(page) {
  await page.locator('::-p-aria(Count 1,000,000 people)').click();
  await page.waitForFunction(() => globalThis.document.body.innerText.includes('Within all of them'));
}

/** A file with two faults, read and not yet taken. */
async function takeIn(page) {
  const file = join(data, 'winter crew.csv');
  const rows = [
    'Torunn Skarre,female,2026-10-02,Hedda Kvist,1688,41.1',
    'Eskil Voe,male,2026-10-02,Hedda Kvist,1804,44.6',
    'Alva Merrowe,female,2026-10-02,Hedda Kvist,163,39.8',
    'Bram Holmsay,male,2026-10-03,Rowan Aldous,1751,43.2',
    'Liv Ostrand,woman,2026-10-03,Rowan Aldous,1642,40.3',
    'Maren Tolve,female,2026-10-03,Rowan Aldous,1648,40.4',
  ];
  const head = 'name,sex,measured on,measured by,stature [mm],poplitealHeight [cm]';
  writeFileSync(file, [head, ...rows].join('\n'));
  await (await page.waitForSelector('input[type=file]')).uploadFile(file);
  await page.waitForFunction(() => globalThis.document.body.innerText.includes('are here already.'));
}

const PICTURES = [
  ['fittings', '/'],
  ['people', '/people'],
  ['sitter', `/people/${sitters.find((s) => s.name.startsWith('Sunniva')).id}`],
  ['growth', `/people/${sitters.find((s) => s.name.startsWith('Wren')).id}`, { meanwhile: openGrowth }],
  ['seat', `/seats/${seats.find((s) => s.seat.seatClass === 'task').versionId}`],
  ['places', '/places'],
  ['methods', '/practice/methods'],
  ['tables', '/practice/tables', { meanwhile: countLimits }],
  ['measure', `${fittingOf('Maren Tolve')}?stage=measure`, { width: 800, height: 1280 }],
  ['choose', `${fittingOf('Ines Farrowby')}?stage=choose`],
  ['set', `${fittingOf('Piet Lunder')}?stage=set`],
  ['set-misfit', `${fittingOf('Ines Farrowby')}?stage=set`],
  ['set-dark', `${fittingOf('Maren Tolve')}?stage=set`, { scheme: 'dark' }],
  ['set-tablet', `${fittingOf('Ines Farrowby')}?stage=set`, { width: 800, height: 1280 }],
  ['card', `${fittingOf('Piet Lunder')}/card`],
  ['set-across', `${fittingOf('Piet Lunder')}?stage=set`, { press: 'Front and plan' }],
  ['set-choices', `${fittingOf('Ines Farrowby')}?stage=set`, { meanwhile: lookFurther }],
  ['files', '/people/files', { meanwhile: takeIn }],
  [
    'measuring',
    `/people/${sitters.find((s) => s.name.startsWith('Sunniva')).id}/measure`,
    { width: 800, height: 1280, meanwhile: measureOn },
  ],
];

const named = process.argv.slice(2);
const folder = join(ROOT, 'docs/screenshots');
mkdirSync(folder, { recursive: true });
const browser = await puppeteer.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--headless', '--no-sandbox', '--disable-gpu', '--no-first-run'],
});
for (const [
  name,
  path,
  { width = 1280, height = 800, scheme = 'light', press, meanwhile } = {},
] of PICTURES.filter(([name]) => named.length === 0 || named.includes(name))) {
  const page = await browser.newPage();
  await page.setViewport({ width, height });
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: scheme },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ]);
  await page.evaluateOnNewDocument(() => globalThis.localStorage.setItem('velto-scope-seen', '1'));
  await page.goto(base + path, { waitUntil: 'networkidle0' });
  if (path.includes('stage=set'))
    await page.waitForFunction(() => globalThis.document.body.innerText.includes('Everything fits as set'));
  await page.waitForFunction(() => !globalThis.document.body.innerText.includes('computing …'));
  if (press) await page.locator(`::-p-aria(${press})`).click();
  if (meanwhile) await meanwhile(page);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
server.kill('SIGTERM');
await new Promise((resolve) => server.once('exit', resolve));
rmSync(data, { recursive: true, force: true });
