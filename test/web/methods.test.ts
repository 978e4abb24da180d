import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import type { FittingSummary } from '../../src/contract';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';

describe('methods, on screen', function () {
  this.timeout(60_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });

  async function stage(name: string): Promise<string> {
    const fittings = (await (await fetch(`${app.base}/api/v1/fittings`)).json()) as FittingSummary[];
    const { id } = fittings.find((f) => f.sitter?.name === 'Piet Lunder')!;
    return `/fittings/${id}?stage=${name}`;
  }

  it('are listed with what they want, and say who stands behind each number', async () => {
    await user.goTo('/practice/methods');
    await user.follow('Saddle');
    await user.sees('It comes with the program and is not changed');
    await user.sees('A saddle needs a trial of some days');
    await user.sees('band: ANSI/HFES 100-2007');
    await user.sees('Depth before height');
  });

  it('are copied, changed and saved, each saving a version', async () => {
    await user.pressAndGo('Copy');
    await user.sees('Saddle, ours');
    await user.press('Change: slope of the thigh');
    await user.type('slope of the thigh: Good from', '−15');
    await user.sees('The bounds of a target have to rise');
    await user.sees('Something has to be put right first.');
    await user.type('slope of the thigh: Good from', '−40');
    await user.seesNoMore('have to rise');
    await user.type('Method', 'Saddle for the sail loft');
    // What was typed outlives the page.
    await user.reload();
    expect(await user.valueOf('slope of the thigh: Good from')).to.equal('−40');
    await user.press('Save as version 2');
    await user.sees('Saved as version 2.');
    await user.sees('−40 … −20°');
    await user.sees('the practice');
    const version = await user.page.waitForSelector('::-p-aria([name="Version"][role="combobox"])');
    await (version as ElementHandle<HTMLSelectElement>).select('1');
    await user.sees('−45 … −20°');
    await user.press('Make version 1 the newest again');
    await user.sees('Saved as version 3.');
  });

  it('stand side by side on a fitting, with the differences in words', async () => {
    await user.goTo(await stage('set'));
    await user.choose('Other method', 'Laid back');
    await user.sees('Back angle 15° instead of 6°: 9° further back.');
    await user.sees('Leaning back this far all day needs a head rest.');
    const before = await user.trackSays('Back angle');
    await user.press('Set it so: Laid back');
    await user.page.waitForFunction(() =>
      document.querySelector('[role=slider][aria-label="Back angle"]')!.ariaValueText!.startsWith('15°'),
    );
    expect(await user.trackSays('Back angle')).not.to.equal(before);
    await user.press('Undo');
    await user.page.waitForFunction(() =>
      document.querySelector('[role=slider][aria-label="Back angle"]')!.ariaValueText!.startsWith('6°'),
    );
  });

  it('go by steps where they have them, and bring their cautions along', async () => {
    await user.goTo(await stage('choose'));
    await user.choose('Method', 'Right angle, then open');
    await user.sees('Begins square');
    await user.goTo(await stage('set'));
    await user.sees('Steps of this method');
    const back = () => user.trackSays('Back angle');
    await user.press('Set for this step: Right angle first');
    await user.page.waitForFunction(() =>
      document.querySelector('[role=slider][aria-label="Back angle"]')!.ariaValueText!.startsWith('6°'),
    );
    const square = await back();
    await user.press('Set for this step: Open the back');
    await user.page.waitForFunction(
      (was) => document.querySelector('[role=slider][aria-label="Back angle"]')!.ariaValueText !== was,
      {},
      square,
    );
    await user.goTo(await stage('choose'));
    await user.choose('Method', 'Open wedge');
    await user.sees('needs a non-slip cover');
  });

  it('keep a fitting on the version it was made with, and say so', async () => {
    await user.goTo(await stage('choose'));
    await user.choose('Method', 'Saddle, ours');
    await user.goTo('/practice/methods');
    await user.follow('Saddle, ours');
    await user.type('Method', 'Saddle, changed');
    await user.press('Save as version 4');
    await user.sees('Saved as version 4.');
    await user.goTo(await stage('choose'));
    await user.sees('an earlier version');
  });
});
