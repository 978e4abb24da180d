import { expect } from 'chai';
import type { FittingSummary } from '../../src/contract';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

describe('a sitter among others', function () {
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

  const readings = (name: string) =>
    readRows(
      app.folder,
      'select r.dimension, r.value, r.basis from readings r join sitters s on s.id = r.sitter_id where s.name = ? and r.withdrawn_at is null order by r.dimension',
      [name],
    );
  /** What stands under the field of a measure. */
  const noteOf = (id: string): Promise<string> =>
    user.page.$eval(`#${id}`, (field) => field.closest('li')!.textContent);

  it('estimates nothing of somebody of whom nothing is known', async () => {
    await user.goTo('/people');
    await user.follow('Jory Pell');
    await user.sees('0 of 20 measured');
    expect(await user.text()).not.to.include('estimated');
  });

  it('estimates from what is measured, says so, and stores none of it', async () => {
    await user.enter('Stature', '1740');
    await user.enter('Body mass', '75');
    await user.sees('Estimates by “British adults 19–65” (men and women alike');
    const mixed = await noteOf('poplitealHeight');
    expect(mixed).to.match(/about 4\d\d mm ± \d\d mm, estimated/);
    await user.choose('Sex (for tables of bodies)', 'male');
    await user.press('Save');
    await user.sees('Estimates by “British adults 19–65” (men,');
    // The average man, in everything else as well.
    expect(await noteOf('poplitealHeight')).to.match(/about 440 mm ± \d\d mm, estimated/);
    expect(await noteOf('sittingHeight')).to.include('about 910 mm');
    expect(await readings('Jory Pell')).to.deep.equal([
      { dimension: 'bodyMass', value: 7500, basis: 'measured' },
      { dimension: 'stature', value: 17400, basis: 'measured' },
    ]);
    expect((await readRows(app.folder, "select sex from sitters where name = 'Jory Pell'"))[0]).to.include({
      sex: 'men',
    });
  });

  it('estimates by another table where one is chosen, and remembers it', async () => {
    await user.choose('Table of bodies', 'US Army 1988');
    await user.sees('Estimates by “US Army 1988” (men,');
    expect(await noteOf('sittingHeight')).to.match(/about 9\d\d mm/);
    expect(await noteOf('sittingHeight')).not.to.include('about 910 mm');
    await user.reload();
    await user.sees('Estimates by “US Army 1988”');
    expect(
      (await readRows(app.folder, "select table_id from sitters where name = 'Jory Pell'"))[0],
    ).to.include({
      table_id: 'us-army-1988',
    });
    await user.choose('Table of bodies', 'As usual: British adults 19–65');
    await user.sees('Estimates by “British adults 19–65” (men,');
  });

  it('asks about rows that were swapped, and swaps them', async () => {
    await user.enter('Sitting height', '910');
    await user.enter('Knee height', '545');
    await user.enter('Buttock–popliteal length', '430');
    await user.enter('Popliteal height', '505');
    await user.sees('from what the other measures let expect');
    const swap = await user.page.waitForSelector('::-p-text(Swap with)');
    await swap!.click();
    await user.seesNoMore('from what the other measures let expect');
    expect(await user.valueOf('Popliteal height')).to.equal('430');
    expect(await user.valueOf('Buttock–popliteal length')).to.equal('505');
    await user.saved();
  });

  it('names a slip of the unit, and takes what was meant', async () => {
    await user.enter('Thigh clearance', '16 cm');
    await user.enter('Body mass', '175');
    await user.sees('times the usual spread from what the other measures let expect');
    await user.enter('Body mass', '75');
    await user.seesNoMore('from what the other measures let expect');
  });

  it('keeps a measure that the others speak against only with a reason, and the reason with it', async () => {
    await user.enter('Elbow height sitting', '380');
    await user.sees('Measure it again, or say why it stands.');
    expect((await readings('Jory Pell')).map((r) => r.dimension)).not.to.include('elbowHeightSitting');
    // What was typed outlives the page.
    await user.reload();
    expect(await user.valueOf('Elbow height sitting')).to.equal('380');
    await user.enter('Elbow height sitting', '380');
    await user.type('Why it stands', 'cushioned elbows');
    await user.press('Keep it');
    await user.sees('Stands although the others speak against it: cushioned elbows');
    await user.saved();
    const [row] = await readRows(
      app.folder,
      "select value, reason from readings where dimension = 'elbowHeightSitting' and reason is not null",
    );
    expect(row).to.deep.equal({ value: 3800, reason: 'cushioned elbows' });
    await user.enter('Elbow height sitting', '245');
    await user.seesNoMore('Stands although');
    await user.saved();
  });

  it('shows where somebody stands, with the spread of the measure', async () => {
    await user.page.click('::-p-text(Among others)');
    await user.sees('Jory Pell: 1740 mm. 50 % of British adults 19–65 (men) measure less.');
    await user.choose('Measure', 'Sitting height');
    await user.sees('Jory Pell: 910 mm. 50 %');
    const painted = await user.page.$eval('canvas', (canvas) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return data.some((x) => x > 0);
    });
    expect(painted).to.equal(true);
  });

  it('takes more measures than settings need, out of the way', async () => {
    await user.page.click('::-p-text(More measures)');
    await user.enter('Foot length', '265');
    await user.page.waitForFunction(() =>
      document.querySelector('#footLength')!.closest('li')!.textContent.includes('taken'),
    );
    expect((await readings('Jory Pell')).map((r) => r.dimension)).to.include('footLength');
    await user.reload();
    // What is measured is not hidden.
    expect(await user.valueOf('Foot length')).to.equal('265');
    await user.sees('8 of 20 measured');
  });

  it('estimates a child by the proportions of children, and draws how it grows beside a seat', async () => {
    await user.goTo('/people');
    await user.follow('Wren Ostley');
    await user.sees('Estimates by the proportions of children of this age.');
    await user.page.click('::-p-text(Among others)');
    await user.sees('Puffling crèche chair: fits the average child from');
    await user.sees('Measure again by');
    await user.sees('School furniture of size mark');
    await user.choose('Measure', 'Buttock–popliteal length');
    await user.choose('Seat', 'Gullstone task chair');
    await user.sees('Gullstone task chair: fits the average child');
    await user.page.waitForFunction(() => {
      const canvas = document.querySelector('canvas')!;
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return data.some((x) => x > 0);
    });
  });
});

describe('a fitting of somebody half measured, on screen', function () {
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
    const { id } = fittings.find((f) => f.sitter?.name.startsWith('Sunniva'))!;
    return `/fittings/${id}?stage=${name}`;
  }

  it('says everywhere what it only estimates', async () => {
    await user.goTo(await stage('choose'));
    await user.sees('on estimates');
    await user.goTo(await stage('set'));
    await user.sees('Estimated, not measured: ');
    await user.sees('fits, on an estimate');
    await user.sees('Drawn as far as it was measured or estimated.');
    await user.sees('Everything fits as set: ');
    expect(await user.text()).to.match(/about \d+(\.\d)?°/);
    const board = await user.page.$eval('[aria-label="Drawing board"]', (e) => e.textContent);
    expect(board).to.match(/Eye about \d+/);
    await user.goTo(await stage('card'));
    await user.sees('On estimates, not measures:');
  });

  it('names the measure that would settle most, where that is in doubt', async () => {
    await user.goTo(await stage('choose'));
    await user.choose('Place', 'No desk');
    await user.seesNoMore('· Booking office counter ·');
    await user.goTo(await stage('set'));
    await user.sees('would settle most.');
    await user.press('To the measures');
    await user.sees('7 of 20 measured');
    // The field of that very measure has the cursor.
    await user.page.waitForFunction(() => document.activeElement instanceof HTMLInputElement);
  });

  it('computes without them where the fitter does not want them', async () => {
    await user.goTo(await stage('measure'));
    await user.page.click('::-p-text(Compute this fitting with estimates)');
    await user.sees('Without them, settings that need a missing measure are not computed.');
    await user.goTo(await stage('set'));
    await user.sees('Missing measures: ');
    await user.seesNoMore('on an estimate');
  });
});
