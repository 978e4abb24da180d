import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';

const HEAD = 'dimension,sex,unit,mean,sd';
const GOOD = `${HEAD}\nstature,men,cm,182,7\nstature,women,cm,168,6\npoplitealHeight,men,mm,465,28\n`;

describe('tables of bodies of a practice, on screen', function () {
  this.timeout(60_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let folder: string;
  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'velto-csv-'));
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
    await user.goTo('/practice/tables');
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  async function hand(name: string, text: string): Promise<void> {
    const path = join(folder, name);
    writeFileSync(path, text);
    const input = (await user.page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
  }

  it('lists them with who was measured, and shows what one has', async () => {
    await user.sees('1774 men, 2208 women');
    await user.page.click('::-p-text(Show)');
    await user.sees('British adults 19–65: mean, spread and the middle nine tenths');
    await user.sees('1740 ± 70 (1625–1855)');
  });

  it('tells what is wrong with a file, line by line, and takes nothing of it', async () => {
    await hand('bad.csv', `${HEAD}\nstature,men,cm,tall,7\nstature,women,stone,168,6\n`);
    await user.sees('Line 2, mean: “tall” is not a number.');
    await user.sees('Line 3, unit: “stone” is not a unit of this dimension.');
    await user.type('Name', 'Skarrow crew');
    await user.press('Take this table');
    await user.sees('Choose a file that can be read.');
    await user.sees('Say where the figures come from.');
  });

  it('takes one of the practice’s own, uses it, and sets it aside', async () => {
    await hand('good.csv', GOOD);
    await user.sees('Read: 2 dimensions of men, 1 of women.');
    await user.type('Source, edition and year', 'Own readings, 2026');
    await user.press('Take this table');
    await user.sees('“Skarrow crew” was taken.');
    await user.page.click('[aria-label="Usual: Skarrow crew"]');
    await user.page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[aria-label="Usual: Skarrow crew"]')!.checked,
    );
    await user.goTo('/people');
    await user.follow('Sunniva Harkaway-Brennholm of the Outer Skerries');
    await user.sees('Estimates by “Skarrow crew”');
    await user.goTo('/practice/tables');
    await user.page.click('[aria-label="Usual: British adults 19–65"]');
    await user.press('Set aside');
    await user.sees('Set aside: not offered any more.');
    await user.press('Take back');
    await user.seesNoMore('Set aside: not offered any more.');
  });

  it('counts a million people between limits in the background, and stops when told to', async () => {
    await user.press('Count 1,000,000 people');
    await user.sees('% drawn');
    await user.press('Stop');
    await user.sees('Stopped.');
    expect(await user.text()).not.to.include('Within all of them');
    await user.press('Count 1,000,000 people');
    await user.page.waitForFunction(() => document.body.innerText.includes('Within all of them'), {
      timeout: 40_000,
    });
    const [, share] = /Within all of them: (\d+\.\d) % ± 0\.04/.exec(await user.text()) ?? [];
    expect(Number(share)).to.be.within(70, 82);
    // What it was counted for is not shown beside other limits.
    await user.choose('Who', 'women');
    await user.seesNoMore('Within all of them');
  });

  it('says where an end stands on the wrong side', async () => {
    await user.page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>('[aria-label="Popliteal height, From (mm)"]')!.value !==
        '365',
    );
    await user.type('Popliteal height, From (mm)', '500');
    await user.sees('From must be less than to.');
  });
});
