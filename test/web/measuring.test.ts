import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import { v7 } from 'uuid';
import type { DimensionId } from '../../src/core/body';
import type { Page } from '../../src/contract/paging';
import type { MeasuringSession, OwnTolerances, SitterDetail } from '../../src/contract';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';

/** A quick set, both readings of each, in the order in which it is asked for. */
const QUICK = [
  '1702',
  '68.5',
  '1704',
  '68.6',
  '25',
  '25',
  '421',
  '478',
  '238',
  '381',
  '423',
  '474',
  '240',
  '379',
];
const SETTLED: Partial<Record<DimensionId, number>> = {
  stature: 1703,
  bodyMass: 68.6,
  shoeHeel: 25,
  poplitealHeight: 422,
  buttockPoplitealLength: 476,
  elbowHeightSitting: 239,
  hipBreadthSitting: 380,
};

describe('measuring, one dimension after the other', function () {
  this.timeout(120_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
  });
  after(async () => {
    expect(user.faults.filter((f) => !/Failed to fetch|Load failed|ServiceWorker/.test(f))).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  const newSitter = async (id: string = v7()): Promise<string> => {
    await fetch(`${app.base}/api/v1/sitters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, name: 'Yrsa Nordlaw', birthDate: '1984-03-02', sex: 'women' }),
    });
    return id;
  };
  const get = async <T>(path: string): Promise<T> =>
    (await (await fetch(`${app.base}/api/v1${path}`)).json()) as T;
  const sessionsOf = async (id: string) =>
    (await get<Page<MeasuringSession>>(`/sitters/${id}/measuring-sessions`)).items;
  const settledOf = async (id: string) => {
    const { body } = await get<SitterDetail>(`/sitters/${id}`);
    return Object.fromEntries(Object.entries(body).map(([d, q]) => [d, q!.value]));
  };
  const begin = async (id: string) => {
    await user.goTo(`/people/${id}/measure`);
    await user.sees('First reading');
  };
  it('begins with what has to be asked first: none of it, and nobody is asked again that day', async () => {
    const id = await newSitter();
    await user.goTo(`/people/${id}/measure`);
    for (const text of ['Ask before you measure or set', 'swollen calf', 'The answer is not stored.'])
      await user.sees(text);
    await user.press('None of these');
    await user.seesNoMore('Ask before you measure or set');
    // The server knows it: on no page of this person does it come again and go.
    for (const path of [`/people/${id}/measure`, `/people/${id}`]) {
      const html = await user.page.evaluate(async (at) => (await fetch(at)).text(), path);
      expect(html, path).not.to.include('Ask before you measure or set');
    }
    const other = await newSitter();
    await user.goTo(`/people/${other}`);
    await user.sees('Ask before you measure or set');
  });

  it('stops where any of it applies, keeps nothing of that, and goes on when asked again', async () => {
    const id = await newSitter();
    await user.goTo(`/people/${id}/measure`);
    await user.press('Yes to any');
    await user.sees('Do not measure or set a seat, and refer to a clinician');
    expect(await user.page.$('input')).to.equal(null);
    expect(await user.page.evaluate(() => document.cookie)).not.to.include(id);
    await user.goTo(`/people/${id}`);
    await user.press('Yes to any');
    await user.sees('Do not measure or set a seat');
    expect(await user.page.$('#stature')).to.equal(null);
    await user.press('Ask again');
    await user.press('None of these');
    await user.page.waitForSelector('#stature');
    expect(await settledOf(id)).to.deep.equal({});
  });

  const reached = (n: number, of = 14) => user.sees(`${n} of ${of} readings`);
  /** Types as on a keyboard: Enter only where more digits could follow. */
  const typed = async (text: string) => {
    // Whatever was pressed before: the number has the focus again.
    await user.page.waitForFunction(() => document.activeElement?.matches('[inputmode=none]'));
    for (const key of text) await user.page.keyboard.press(key as 'a');
    if (text.includes('.')) await user.page.keyboard.press('Enter');
  };

  /** One reading after the other, each taken before the next is typed. */
  const readAll = async (texts: readonly string[], from = 0) => {
    for (const [n, text] of texts.entries()) {
      await typed(text);
      await user.sees(`${from + n + 1} of `);
    }
  };

  it('is done by keyboard alone, and every single reading is kept', async () => {
    const id = await newSitter();
    await begin(id);
    await readAll(QUICK);
    await user.sees('All measured');
    await user.saved();
    expect(await settledOf(id)).to.deep.equal(SETTLED);
    const [session] = await sessionsOf(id);
    const popliteal = session!.taken.find((t) => t.dimension === 'poplitealHeight')!;
    expect(popliteal).to.deep.include({ takes: [421, 423], instrument: 'tape', isCurrent: true });
    expect(session!.taken).to.have.length(7);
  });

  it('is done by thumb alone on a tablet held upright, in at most 60 touches', async () => {
    await user.page.setViewport({ width: 800, height: 1280, hasTouch: true });
    const id = await newSitter();
    await begin(id);
    let touches = 0;
    const touch = async (name: string) => {
      touches++;
      const button = await user.find('button', name);
      await button.tap();
    };
    const heights = await user.page.$$eval('[aria-label="Keypad"] button', (keys) =>
      keys.map((key) => key.getBoundingClientRect().height),
    );
    expect(heights).to.have.length(12);
    expect(Math.min(...heights)).to.be.at.least(51);
    for (const [n, text] of QUICK.entries()) {
      for (const key of text) await touch(key);
      if (text.includes('.')) await touch('Accept');
      await reached(n + 1);
    }
    await user.sees('All measured');
    await user.saved();
    expect(await settledOf(id)).to.deep.equal(SETTLED);
    expect(touches).to.be.at.most(60);
    await user.page.setViewport({ width: 1280, height: 800 });
  });

  it('is done by a calliper and a scale alone, in at most 25 touches, marked as simulated', async () => {
    const id = await newSitter('01990000-0000-7000-8000-00000000c0de');
    await begin(id);
    await user.choose('Readings from', 'simulated calliper and scale');
    await user.sees('Simulated: these readings are made up.');
    let touches = 2;
    const taken = async () => Number(/(\d+) of \d+ readings/.exec(await user.text())![1]);
    while (!(await user.text()).includes('All measured')) {
      const before = await taken();
      const name = await user.page.evaluate(
        () =>
          [...document.querySelectorAll('button')].find(
            (b) => /Press the calliper|Step on the scale/.test(b.innerText) && !b.disabled,
          )?.innerText,
      );
      await user.press(name!);
      touches++;
      await user.page.waitForFunction(
        (n) => Number(/(\d+) of \d+ readings/.exec(document.body.innerText)![1]) > n,
        { timeout: 30_000 },
        before,
      );
      expect(touches).to.be.at.most(25);
    }
    const [session] = await sessionsOf(id);
    const instruments = new Set(session!.taken.map((t) => t.instrument));
    expect([...instruments].sort()).to.deep.equal(['simulatedCalliper', 'simulatedScale']);
  });

  it('asks for a third reading where two differ, and takes back the last one', async () => {
    const id = await newSitter();
    await begin(id);
    await readAll(['1702', '68.5', '1712']);
    await user.sees('Third reading: the first two differ by 10 mm');
    await user.press('Undo 1712 mm');
    await user.sees('Second reading');
    await user.seesNoMore('Third reading');
    await typed('1712');
    await user.sees('Third reading');
    await typed('1704');
    await reached(4, 15);
    await user.saved();
    expect((await settledOf(id)).stature).to.equal(1704);
    await user.press('Skip');
    await reached(4, 14);
    await user.reload();
    await reached(4, 14);
    await user.press('Measure again: Stature');
    await reached(1, 13);
    await user.saved();
    expect(await settledOf(id)).to.deep.equal({ bodyMass: 68.5 });
  });

  it('doubts while the tape is still in hand, and keeps a reason', async () => {
    const id = await newSitter();
    await begin(id);
    await readAll(['1702', '68.5', '1704', '68.6', '25', '25']);
    await reached(6);
    await typed('610');
    await user.sees('Is this right?');
    await reached(6);
    await user.type('Why it is correct', 'measured three times, prosthesis');
    await user.press('Keep value');
    await reached(7);
    await user.saved();
    const { body } = await get<SitterDetail>(`/sitters/${id}`);
    expect(body.poplitealHeight).to.deep.include({ value: 610, reason: 'measured three times, prosthesis' });
  });

  it('says what is wrong with what was typed', async () => {
    const id = await newSitter();
    await begin(id);
    await typed('9');
    await user.press('Accept');
    await user.sees('Outside');
    await reached(0);
    await user.page.keyboard.press('Backspace');
    await typed('1702');
    await reached(1);
  });

  it('takes a recording as the device itself would have been taken, and says what is no message', async () => {
    const id = await newSitter();
    await begin(id);
    await user.choose('Readings from', 'recording');
    const folder = mkdtempSync(join(tmpdir(), 'velto-recording-'));
    const file = join(folder, 'readings.jsonl');
    const line = (value: number, unit: string, settled = true) =>
      JSON.stringify({
        velto: 1,
        device: unit === 'kg' ? 'scale' : 'calliper',
        simulated: false,
        value,
        unit,
        settled,
      });
    const sent = [
      line(1702.4, 'mm'),
      line(71, 'kg', false),
      line(68.5, 'kg'),
      'this is nothing',
      line(1703.1, 'mm'),
      line(68.6, 'kg'),
    ];
    writeFileSync(file, `${sent.join('\r\n')}\n`);
    const field = (await user.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await field.uploadFile(file);
    await reached(4);
    await user.saved();
    rmSync(folder, { recursive: true });
    const [session] = await sessionsOf(id);
    expect(session!.taken.map((t) => [t.dimension, t.takes, t.instrument])).to.have.deep.members([
      ['stature', [1702.4, 1703.1], 'recording'],
      ['bodyMass', [68.5, 68.6], 'recording'],
    ]);
    await user.choose('Readings from', 'keypad');
  });

  it('is told afterwards: sessions, a value over time, two of them side by side', async () => {
    const id = await newSitter();
    for (const readings of [
      ['1702', '68.5', '1704', '68.6', '25', '25'],
      ['1702', '71.5', '1704', '71.6', '25', '25'],
    ]) {
      await begin(id);
      await readAll(readings);
      await user.saved();
      for (let left = 0; left < 4; left++) await user.press('Skip');
      await user.sees('Skipped: popliteal height');
      await user.press('Start another session');
    }
    await user.goTo(`/people/${id}`);
    await user.unfold('Measuring sessions');
    await user.sees('Compare two sessions');
    await user.sees('+3 kg more than repeated readings usually differ');
    await user.choose('Over time', 'Body mass');
    await user.page.waitForSelector('canvas[aria-label*="68.6 kg"][aria-label*="71.6 kg"]');
    await user.unfold('3 measurements');
    await user.sees('1702 mm · 1704 mm');
  });

  it('asks for a third reading by the practice’s own tolerance', async () => {
    const kept = async (wanted: object) => {
      const now = async () => (await get<OwnTolerances>('/tolerances')).tolerances;
      for (let i = 0; i < 50 && JSON.stringify(await now()) !== JSON.stringify(wanted); i++)
        await new Promise((after) => setTimeout(after, 100));
      expect(await now()).to.deep.equal(wanted);
    };
    await user.goTo('/practice/fitters');
    await user.unfold('Set your own');
    await user.enter('Stature', '60');
    await user.sees('between 1 mm and 50 mm');
    await user.enter('Stature', '3');
    await user.seesNoMore('between 1 mm and 50 mm');
    await kept({ stature: 3 });
    await begin(await newSitter());
    await readAll(['1700', '68.5', '1704']);
    await user.sees('Third reading: the first two differ by 4 mm');
    await user.goTo('/practice/fitters');
    await user.unfold('Set your own');
    await user.enter('Stature', '');
    await kept({});
  });

  it('shows how well a fitter’s readings repeat, and what to practise', async () => {
    const id = await newSitter();
    const session = v7();
    const send = (path: string, body: object) =>
      fetch(`${app.base}/api/v1/sitters/${id}/${path}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', cookie },
        body: JSON.stringify(body),
      });
    // Somebody new, of whom nothing else is known.
    const fitter = { id: v7(), name: 'Signy Hale' };
    await fetch(`${app.base}/api/v1/fitters`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(fitter),
    });
    const cookie = `velto-fitter=${fitter.id}`;
    await send('measuring-sessions', { id: session, shoesOn: false, clothes: '', notes: '' });
    for (const [dimension, takes] of [
      ['elbowHeightSitting', [240, 252, 246]],
      ['kneeHeight', [540, 541]],
    ])
      await send('readings', { dimension, value: null, takes, session });
    await user.goTo('/practice/fitters');
    await user.sees('± 8.5 mm');
    await user.sees('± 0.7 mm');
    await user.sees('Seat to the underside of the elbow');
    const hers = await user.page.$$eval('tr', (rows) =>
      rows.map((row) => row.innerText).filter((text) => text.startsWith('Signy Hale')),
    );
    // Her hand, and two measures.
    expect(hers).to.have.length(3);
    expect(hers.join()).not.to.include('Foot support to the top of the knee');
  });

  it('loses no reading when the connection goes, over a reload without one', async () => {
    const id = await newSitter();
    await begin(id);
    await user.page.waitForFunction(() => navigator.serviceWorker?.controller !== null);
    await user.reload();
    await readAll(['1702', '68.5']);
    await reached(2);
    await user.saved();
    await app.kill();
    await readAll(['1704', '68.6', '25'], 2);
    await reached(5);
    await user.sees('Offline: saved on this device');
    await user.page.reload({ waitUntil: 'domcontentloaded' });
    await reached(5);
    await typed('25');
    await reached(6);
    app = await startApp({ folder: app.folder, port: Number(new URL(app.base).port) });
    await user.page.evaluate(() => window.dispatchEvent(new Event('online')));
    await user.seesNoMore('Offline');
    await user.saved();
    expect(await settledOf(id)).to.deep.equal({ stature: 1703, bodyMass: 68.6, shoeHeel: 25 });
    const sessions = await sessionsOf(id);
    expect(sessions).to.have.length(1);
    expect(sessions[0]!.taken.map((t) => t.takes!.length)).to.deep.equal([2, 2, 2]);
  });
});
