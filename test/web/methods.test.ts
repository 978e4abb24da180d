import { expect } from 'chai';
import type { ElementHandle } from 'puppeteer-core';
import type { FittingSummary, MethodSummary } from '../../src/contract';
import type { Page } from '../../src/contract/paging';
import { screens } from '../support/screens';

describe('methods, on screen', function () {
  this.timeout(60_000);
  const on = screens();

  async function stage(name: string): Promise<string> {
    const fittings = ((await (await fetch(`${on.app.base}/api/v1/fittings`)).json()) as Page<FittingSummary>)
      .items;
    const { id } = fittings.find((f) => f.sitter?.name === 'Piet Lunder')!;
    return `/fittings/${id}?stage=${name}`;
  }

  it('are listed with what they want, and say who stands behind each number', async () => {
    await on.user.goTo('/practice/methods');
    await on.user.follow('Saddle seat');
    await on.user.sees('Built-in methods cannot be changed');
    await on.user.sees('A saddle seat needs a trial of some days');
    await on.user.sees('range: ANSI/HFES 100-2007');
    await on.user.sees('Depth before height');
  });

  it('are copied, changed and saved, each saving a version', async () => {
    await on.user.pressAndGo('Copy');
    await on.user.sees('Saddle seat (copy)');
    await on.user.press('Change: thigh slope');
    await on.user.type('thigh slope: Acceptable from', '−15');
    await on.user.sees('The bounds of a target must rise');
    await on.user.sees('Fix the marked fields first.');
    await on.user.type('thigh slope: Acceptable from', '−40');
    await on.user.seesNoMore('must rise');
    await on.user.type('Method', 'Saddle for the sail loft');
    // What was typed outlives the page.
    await on.user.reload();
    expect(await on.user.valueOf('thigh slope: Acceptable from')).to.equal('−40');
    await on.user.press('Save as version 2');
    await on.user.sees('Saved as version 2.');
    await on.user.sees('−40 … −20°');
    await on.user.sees('own practice');
    const version = await on.user.find('combobox', 'Version');
    await (version as ElementHandle<HTMLSelectElement>).select('1');
    await on.user.sees('−45 … −20°');
    await on.user.press('Restore version 1');
    await on.user.sees('Saved as version 3.');
  });

  it('are given another order, other ties, hands, arms and steps', async () => {
    const { user } = on;
    const form = () => user.page.evaluate(() => document.querySelector('form')!.innerText);
    await user.choose('As in', 'Armrests roughly first');
    await user.unfold('Adjustment by adjustment');
    await user.press('Later: Armrest width');
    // The button that moved is still the one that Enter presses.
    await user.page.keyboard.press('Enter');
    await user.tick('again at the end: Seat height');
    await user.press('Remove: the lower armrests');
    await user.press('Earlier: nearer to the rest position');
    await user.choose('Armrests follow', 'the desk, if it is at elbow height');
    await user.choose('Gap behind the knee', '3 to 4 fingers');
    await user.choose('Fingers of', 'the fitter');
    await user.type('Elbow from (°)', '130');
    await user.sees('The bounds of a target must rise');
    await user.type('Elbow from (°)', '95');
    await user.press('Add step');
    await user.sees('Enter a name for the step.');
    await user.type('Step name', 'Square');
    await user.type('Instruction', 'Set everything square.');
    await user.choose('Targets', 'As in Upright');
    await user.unfold('Targets of this step');
    await user.reload();
    expect(await user.valueOf('Step name')).to.equal('Square');
    expect(await form()).to.include('+ the lower armrests');
    await user.press('Save as version 4');
    await user.sees('Saved as version 4.');
    const id = user.page.url().split('/').pop()!;
    const versions = await fetch(`${on.app.base}/api/v1/methods/${id}/versions`);
    const { method } = ((await versions.json()) as Page<MethodSummary>).items[0]!;
    expect(method.order.slice(0, 4)).to.deep.equal(['padSlide', 'armHeight', 'armWidth', 'seatHeight']);
    expect(method).to.deep.include({
      again: ['seatHeight'],
      tieBreaks: ['shorterDepth', 'nearerRest', 'lighterTension'],
      armsTo: 'desk',
      fingers: { lo: 3, hi: 4, whose: 'fitter' },
    });
    expect(method.reported.elbow.lo).to.equal(95);
    expect(method.steps).to.have.length(1);
    expect(method.steps![0]).to.deep.include({ name: 'Square', instruct: 'Set everything square.' });
    expect(method.steps![0]!.targets!.thigh!.bandHi).to.equal(4);
  });

  it('stand side by side on a fitting, with the differences in words', async () => {
    await on.user.goTo(await stage('set'));
    await on.user.choose('Other method', 'Reclined');
    await on.user.sees('Backrest angle 18° instead of 6°: 12° further back.');
    await on.user.sees('Reclining this far all day needs a headrest.');
    const before = await on.user.trackSays('Backrest angle');
    await on.user.press('Apply: Reclined');
    await on.user.page.waitForFunction(() =>
      document.querySelector('[role=slider][aria-label="Backrest angle"]')!.ariaValueText!.startsWith('18°'),
    );
    expect(await on.user.trackSays('Backrest angle')).not.to.equal(before);
    await on.user.press('Undo');
    await on.user.page.waitForFunction(() =>
      document.querySelector('[role=slider][aria-label="Backrest angle"]')!.ariaValueText!.startsWith('6°'),
    );
  });

  it('go by steps where they have them, and bring their cautions along', async () => {
    await on.user.goTo(await stage('choose'));
    await on.user.choose('Method', 'Upright, then open hip angle');
    await on.user.sees('Starts upright');
    await on.user.goTo(await stage('set'));
    await on.user.sees('Steps of this method');
    const back = () => on.user.trackSays('Backrest angle');
    await on.user.press('Set for this step: Upright first');
    await on.user.page.waitForFunction(() =>
      document.querySelector('[role=slider][aria-label="Backrest angle"]')!.ariaValueText!.startsWith('6°'),
    );
    const square = await back();
    await on.user.press('Set for this step: Open the backrest');
    await on.user.page.waitForFunction(
      (was) => document.querySelector('[role=slider][aria-label="Backrest angle"]')!.ariaValueText !== was,
      {},
      square,
    );
    await on.user.goTo(await stage('choose'));
    await on.user.choose('Method', 'Forward-sloping seat');
    await on.user.sees('needs a non-slip cover');
  });

  it('keep a fitting on the version it was made with, and say so', async () => {
    await on.user.goTo(await stage('choose'));
    await on.user.choose('Method', 'Saddle seat (copy)');
    await on.user.goTo('/practice/methods');
    await on.user.follow('Saddle seat (copy)');
    await on.user.type('Method', 'Saddle, changed');
    await on.user.press('Save as version 5');
    await on.user.sees('Saved as version 5.');
    await on.user.goTo(await stage('choose'));
    await on.user.sees('an earlier version');
  });
});
