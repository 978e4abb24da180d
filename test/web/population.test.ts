import { expect } from 'chai';
import type { FittingSummary } from '../../src/contract';
import type { Page } from '../../src/contract/paging';
import { screens } from '../support/screens';
import { readRows } from '../support/read-database';

describe('a sitter among others', function () {
  this.timeout(60_000);
  const on = screens();

  const readings = (name: string) =>
    readRows(
      on.app.folder,
      'select r.dimension, r.value, r.basis from readings r join sitters s on s.id = r.sitter_id where s.name = ? and r.withdrawn_at is null order by r.dimension',
      [name],
    );
  /** What stands under the field of a measure. */
  const noteOf = (id: string): Promise<string> =>
    on.user.page.$eval(`#${id}`, (field) => field.closest('li')!.textContent);

  it('estimates nothing of somebody of whom nothing is known', async () => {
    await on.user.goTo('/people');
    await on.user.follow('Jory Pell');
    await on.user.sees('0 of 20 measured');
    expect(await on.user.text()).not.to.include('estimated');
  });

  it('estimates from what is measured, says so, and stores none of it', async () => {
    await on.user.enter('Stature', '1740');
    await on.user.enter('Body mass', '75');
    await on.user.sees('Estimates from “British adults 19–65, 1986” (men and women combined;');
    const mixed = await noteOf('poplitealHeight');
    expect(mixed).to.match(/about 4\d\d mm ± \d\d mm, estimated/);
    await on.user.choose('Sex (for body-size tables)', 'male');
    await on.user.press('Save');
    await on.user.sees('Estimates from “British adults 19–65, 1986” (men;');
    // The average man, in everything else as well.
    expect(await noteOf('poplitealHeight')).to.match(/about 440 mm ± \d\d mm, estimated/);
    expect(await noteOf('sittingHeight')).to.include('about 910 mm');
    expect(await readings('Jory Pell')).to.deep.equal([
      { dimension: 'bodyMass', value: 7500, basis: 'measured' },
      { dimension: 'stature', value: 17400, basis: 'measured' },
    ]);
    expect((await readRows(on.app.folder, "select sex from sitters where name = 'Jory Pell'"))[0]).to.include(
      {
        sex: 'men',
      },
    );
  });

  it('estimates by another table where one is chosen, and remembers it', async () => {
    await on.user.choose('Body-size table', 'US Army 1988');
    await on.user.sees('Estimates from “US Army 1988” (men;');
    expect(await noteOf('sittingHeight')).to.match(/about 9\d\d mm/);
    expect(await noteOf('sittingHeight')).not.to.include('about 910 mm');
    await on.user.reload();
    await on.user.sees('Estimates from “US Army 1988”');
    expect(
      (await readRows(on.app.folder, "select table_id from sitters where name = 'Jory Pell'"))[0],
    ).to.include({
      table_id: 'us-army-1988',
    });
    await on.user.choose('Body-size table', 'Default: British adults 19–65, 1986');
    await on.user.sees('Estimates from “British adults 19–65, 1986” (men;');
  });

  it('asks about rows that were swapped, and swaps them', async () => {
    await on.user.enter('Sitting height', '910');
    await on.user.enter('Knee height', '545');
    await on.user.enter('Buttock–popliteal length', '430');
    await on.user.enter('Popliteal height', '505');
    await on.user.sees('SD from the expected value');
    const swap = await on.user.page.waitForSelector('::-p-text(Swap with)');
    await swap!.click();
    await on.user.seesNoMore('SD from the expected value');
    expect(await on.user.valueOf('Popliteal height')).to.equal('430');
    expect(await on.user.valueOf('Buttock–popliteal length')).to.equal('505');
    await on.user.saved();
  });

  it('names a slip of the unit, and takes what was meant', async () => {
    await on.user.enter('Thigh clearance', '16 cm');
    await on.user.enter('Body mass', '175');
    await on.user.sees('SD from the expected value');
    await on.user.enter('Body mass', '75');
    await on.user.seesNoMore('SD from the expected value');
  });

  it('keeps a measure that the others speak against only with a reason, and the reason with it', async () => {
    await on.user.enter('Elbow height, sitting', '380');
    await on.user.sees('Measure it again, or say why it is correct.');
    expect((await readings('Jory Pell')).map((r) => r.dimension)).not.to.include('elbowHeightSitting');
    // What was typed outlives the page.
    await on.user.reload();
    expect(await on.user.valueOf('Elbow height, sitting')).to.equal('380');
    await on.user.enter('Elbow height, sitting', '380');
    await on.user.type('Why it is correct', 'cushioned elbows');
    await on.user.press('Keep value');
    await on.user.sees('Kept although unexpected: cushioned elbows');
    await on.user.saved();
    const [row] = await readRows(
      on.app.folder,
      "select value, reason from readings where dimension = 'elbowHeightSitting' and reason is not null",
    );
    expect(row).to.deep.equal({ value: 3800, reason: 'cushioned elbows' });
    await on.user.enter('Elbow height, sitting', '245');
    await on.user.seesNoMore('Kept although');
    await on.user.saved();
  });

  it('shows where somebody stands, with the spread of the measure', async () => {
    await on.user.page.click('::-p-text(Percentile)');
    await on.user.sees('Jory Pell: 1740 mm. 50% of British adults 19–65, 1986 (men) measure less.');
    await on.user.choose('Measurement', 'Sitting height');
    await on.user.sees('Jory Pell: 910 mm. 50%');
    const painted = await on.user.page.$eval('canvas', (canvas) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return data.some((x) => x > 0);
    });
    expect(painted).to.equal(true);
  });

  it('takes more measures than settings need, out of the way', async () => {
    await on.user.page.click('::-p-text(More measurements)');
    await on.user.enter('Foot length', '265');
    await on.user.page.waitForFunction(() =>
      document.querySelector('#footLength')!.closest('li')!.textContent.includes('measured '),
    );
    expect((await readings('Jory Pell')).map((r) => r.dimension)).to.include('footLength');
    await on.user.reload();
    // What is measured is not hidden.
    expect(await on.user.valueOf('Foot length')).to.equal('265');
    await on.user.sees('8 of 20 measured');
  });

  it('estimates a child by the proportions of children, and draws how it grows beside a seat', async () => {
    await on.user.goTo('/people');
    await on.user.follow('Wren Ostley');
    await on.user.sees('Estimates from the proportions of children of this age.');
    await on.user.page.click('::-p-text(Percentile)');
    await on.user.sees('Puffling crèche chair: fits the average child from');
    await on.user.sees('Measure again by');
    await on.user.sees('School furniture size mark');
    await on.user.choose('Measurement', 'Buttock–popliteal length');
    await on.user.choose('Seat', 'Gullstone task chair');
    await on.user.sees('Gullstone task chair: fits the average child');
    await on.user.page.waitForFunction(() => {
      const canvas = document.querySelector('canvas')!;
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return data.some((x) => x > 0);
    });
  });
});

describe('a fitting of somebody half measured, on screen', function () {
  this.timeout(60_000);
  const on = screens();

  async function stage(name: string): Promise<string> {
    const fittings = ((await (await fetch(`${on.app.base}/api/v1/fittings`)).json()) as Page<FittingSummary>)
      .items;
    const { id } = fittings.find((f) => f.sitter?.name.startsWith('Sunniva'))!;
    return `/fittings/${id}?stage=${name}`;
  }

  it('says everywhere what it only estimates', async () => {
    await on.user.goTo(await stage('choose'));
    await on.user.sees('based on estimates');
    await on.user.goTo(await stage('set'));
    await on.user.sees('Estimated, not measured: ');
    await on.user.sees('fits, based on an estimate');
    await on.user.sees('Only measured or estimated parts are drawn.');
    await on.user.sees('likely to fit at these settings');
    expect(await on.user.text()).to.match(/about \d+(\.\d)?°/);
    const board = await on.user.page.$eval('[aria-label="Drawing"]', (e) => e.textContent);
    expect(board).to.match(/Eye about \d+/);
    await on.user.goTo(await stage('card'));
    await on.user.sees('Based on estimates:');
  });

  it('names the measure that would settle most, where that is in doubt', async () => {
    await on.user.goTo(await stage('choose'));
    await on.user.choose('Workstation', 'No workstation');
    await on.user.seesNoMore('· Booking office counter ·');
    await on.user.goTo(await stage('set'));
    await on.user.sees('To be surer, measure');
    await on.user.press('Go to Measure');
    await on.user.sees('7 of 20 measured');
    // The field of that very measure has the cursor.
    await on.user.page.waitForFunction(() => document.activeElement instanceof HTMLInputElement);
  });

  it('computes without them where the fitter does not want them', async () => {
    await on.user.goTo(await stage('measure'));
    await on.user.page.click('::-p-text(Estimate missing measurements)');
    await on.user.sees('Without estimates, adjustments that need a missing measurement are not calculated.');
    await on.user.goTo(await stage('set'));
    await on.user.sees('Missing measurements: ');
    await on.user.seesNoMore('based on an estimate');
  });
});
