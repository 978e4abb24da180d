import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import { screens } from '../support/screens';

const HEAD = 'dimension,sex,unit,mean,sd';
const GOOD = `${HEAD}\nstature,men,cm,182,7\nstature,women,cm,168,6\npoplitealHeight,men,mm,465,28\n`;

describe('tables of bodies of a practice, on screen', function () {
  this.timeout(60_000);
  const on = screens();
  let folder: string;
  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'velto-csv-'));
    await on.user.goTo('/practice/tables');
  });
  after(() => rmSync(folder, { recursive: true, force: true }));

  async function hand(name: string, text: string): Promise<void> {
    const path = join(folder, name);
    writeFileSync(path, text);
    const input = (await on.user.page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(path);
  }

  it('lists them with who was measured, and shows what one has', async () => {
    await on.user.sees('1774 men, 2208 women');
    await on.user.page.click('::-p-text(Show)');
    await on.user.sees('British adults 19–65, 1986: mean, SD and 5th–95th percentile');
    await on.user.sees('1740 ± 70 (1625–1855)');
  });

  it('tells what is wrong with a file, line by line, and takes nothing of it', async () => {
    await hand('bad.csv', `${HEAD}\nstature,men,cm,tall,7\nstature,women,stone,168,6\n`);
    await on.user.sees('Line 2, mean: “tall” is not a number.');
    await on.user.sees('Line 3, unit: “stone” is not a unit of this dimension.');
    await on.user.type('Name', 'Skarrow crew');
    await on.user.press('Add table');
    await on.user.sees('Choose a readable file.');
    await on.user.sees('Enter the source of the figures.');
  });

  it('takes one of the practice’s own, uses it, and sets it aside', async () => {
    await hand('good.csv', GOOD);
    await on.user.sees('2 dimensions for men, 1 dimension for women.');
    await on.user.type('Source, edition and year', 'Own readings, 2026');
    await on.user.press('Add table');
    await on.user.sees('“Skarrow crew” added.');
    await on.user.page.click('[aria-label="Default: Skarrow crew"]');
    await on.user.page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[aria-label="Default: Skarrow crew"]')!.checked,
    );
    await on.user.goTo('/people');
    await on.user.follow('Sunniva Harkaway-Brennholm of the Outer Skerries');
    await on.user.sees('Estimates from “Skarrow crew”');
    await on.user.goTo('/practice/tables');
    await on.user.page.click('[aria-label="Default: British adults 19–65, 1986"]');
    await on.user.press('Archive');
    await on.user.sees('Archived: no longer offered.');
    await on.user.press('Restore');
    await on.user.seesNoMore('Archived: no longer offered.');
  });

  it('counts a million people between limits in the background, and stops when told to', async () => {
    await on.user.press('Count 1,000,000 people');
    await on.user.sees('% drawn');
    await on.user.press('Stop');
    await on.user.sees('Stopped.');
    expect(await on.user.text()).not.to.include('Within all limits');
    await on.user.press('Count 1,000,000 people');
    await on.user.page.waitForFunction(() => document.body.innerText.includes('Within all limits'), {
      timeout: 40_000,
    });
    const [, share] = /Within all limits: (\d+\.\d)% ± 0\.04/.exec(await on.user.text()) ?? [];
    expect(Number(share)).to.be.within(70, 82);
    // What it was counted for is not shown beside other limits.
    await on.user.choose('Sex', 'women');
    await on.user.seesNoMore('Within all limits');
  });

  it('says where an end stands on the wrong side', async () => {
    await on.user.page.waitForFunction(
      () =>
        document.querySelector<HTMLInputElement>('[aria-label="Popliteal height, From (mm)"]')!.value !==
        '365',
    );
    await on.user.type('Popliteal height, From (mm)', '500');
    await on.user.sees('“From” must be less than “To”.');
  });
});

describe('the hands of fitters, on screen', function () {
  this.timeout(60_000);
  const on = screens();
  const field = (label: string) => on.user.page.waitForSelector(`input[aria-label="${label}"]`);

  it('are kept when a field is left, and what cannot be right says why and stays', async () => {
    await on.user.goTo('/practice/fitters');
    const three = (await field('Rowan Aldous: Breadth of three fingers'))!;
    await three.type('5,6 cm');
    await on.user.page.keyboard.press('Enter');
    const four = (await field('Rowan Aldous: Breadth of four fingers'))!;
    await four.type('750');
    await on.user.page.keyboard.press('Tab');
    await on.user.sees('40–110 mm');
    expect(await four.evaluate((e) => e.value)).to.equal('750');
    await on.user.settled();
    await on.user.goTo('/practice/fitters');
    const valueOf = async (label: string) => (await field(label))!.evaluate((e) => e.value);
    expect(await valueOf('Rowan Aldous: Breadth of three fingers')).to.equal('56');
    expect(await valueOf('Rowan Aldous: Breadth of four fingers')).to.equal('');
    expect(await valueOf('Hedda Kvist: Breadth of three fingers')).to.equal('54');
  });
});
