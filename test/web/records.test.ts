import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

describe('people, seats and places', function () {
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

  it('finds people by name', async () => {
    await user.goTo('/people');
    await user.sees('14 of 20');
    const search = await user.find('searchbox', 'Search by name');
    await search.type('QUILL');
    await user.seesNoMore('Maren Tolve');
    await user.sees('Odd Quillsay');
    await search.type('xyz');
    await user.sees('No results.');
  });

  it('asks for a name, beside the field', async () => {
    await user.goTo('/people');
    await user.press('Add person');
    await user.sees('Enter a name.');
  });

  it('explains wrong measures beside the field and never throws them away', async () => {
    await user.goTo('/people');
    await user.follow('Jory Pell');
    await user.sees('0 of 20 measured');
    await user.enter('Popliteal height', '44.5');
    await user.sees('Outside 150–650 mm');
    await user.enter('Stature', '1,740');
    await user.sees('This could mean 1.7 mm or 1740 mm');
    await user.enter('Nape height', 'high');
    await user.sees('Enter a number');
    await user.reload();
    expect(await user.valueOf('Popliteal height')).to.equal('44.5');
    expect(await user.valueOf('Stature')).to.equal('1,740');
    expect(await user.valueOf('Nape height')).to.equal('high');
    await user.sees('Outside 150–650 mm');
    expect(
      await readRows(
        app.folder,
        "select 1 from readings r join sitters s on s.id = r.sitter_id where s.name = 'Jory Pell'",
      ),
    ).to.deep.equal([]);
  });

  it('takes them once they are right', async () => {
    await user.enter('Popliteal height', '44.5 cm');
    await user.press('Accept 1740 mm');
    await user.enter('Nape height', '');
    await user.sees('2 of 20 measured');
    await user.saved();
    await user.reload();
    expect(await user.valueOf('Popliteal height')).to.equal('445');
    expect(await user.valueOf('Nape height')).to.equal('');
  });

  it('doubts two measures that cannot be of one body', async () => {
    await user.enter('Knee height', '430');
    await user.sees('This cannot be more than knee height (430 mm). Check both.');
    await user.sees('Why it is correct');
    await user.enter('Knee height', '545');
    await user.seesNoMore('Check both');
    await user.seesNoMore('Why it is correct');
  });

  it('takes a reading back by emptying the field', async () => {
    await user.enter('Knee height', '');
    await user.sees('2 of 20 measured');
    await user.saved();
    const rows = await readRows(
      app.folder,
      "select r.withdrawn_at is null as holds from readings r join sitters s on s.id = r.sitter_id where s.name = 'Jory Pell' and r.dimension = 'kneeHeight'",
    );
    expect(rows.map((r) => r.holds)).to.deep.equal([0]);
  });

  it('takes a reading back that is still on its way', async () => {
    for (let i = 0; i < 5; i++) {
      await user.enter('Thigh clearance', `${140 + i}`);
      await user.enter('Thigh clearance', '');
      await user.saved();
      const rows = await readRows(
        app.folder,
        "select r.id from readings r join sitters s on s.id = r.sitter_id where s.name = 'Jory Pell' and r.dimension = 'thighClearance' and r.withdrawn_at is null",
      );
      expect(rows, `round ${i}`).to.deep.equal([]);
      expect(await user.valueOf('Thigh clearance')).to.equal('');
    }
  });

  it('shows measures in the unit chosen', async () => {
    await user.prefer('Units', 'inches');
    expect(await user.valueOf('Popliteal height')).to.equal('17 1/2');
    await user.enter('Knee height', '21 1/2');
    await user.sees('3 of 20 measured');
    await user.prefer('Units', 'mm');
    expect(await user.valueOf('Knee height')).to.equal('546.1');
    await user.enter('Knee height', '');
    await user.sees('2 of 20 measured');
    await user.saved();
  });

  it('renames a sitter', async () => {
    await user.type('Name', 'Jory Pellworth');
    await user.press('Save');
    await user.page.waitForFunction(() => document.querySelector('h1')?.textContent === 'Jory Pellworth');
    expect(
      await readRows(app.folder, "select folded from sitters where name = 'Jory Pellworth'"),
    ).to.deep.equal([{ folded: 'jory pellworth' }]);
  });

  it('says so when somebody else changed the sitter meanwhile', async () => {
    const [row] = await readRows(app.folder, "select id, version from sitters where name = 'Jory Pellworth'");
    const other = await fetch(`${app.base}/api/v1/sitters/${String(row?.id)}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json', 'if-match': `"${Number(row?.version)}"` },
      body: JSON.stringify({ name: 'Jory Elsewhere' }),
    });
    expect(other.status).to.equal(200);
    await user.type('Name', 'Jory Here');
    await user.press('Save');
    await user.sees('Somebody changed this while you were editing');
    await user.sees('Jory Elsewhere');
    await user.press('Save choices');
    await user.page.waitForFunction(() => document.querySelector('h1')?.textContent === 'Jory Here');
  });

  it('fits with what there is: what lacks a measure says which', async () => {
    await user.pressAndGo('Start fitting');
    await user.press('Next: Workstation and seat');
    await user.chooseSeat('Tidewick');
    await user.press('Next: Adjust');
    await user.sees('Not calculated: shoe heel');
    await user.sees('Body mass not measured: the rated load of 120 kg is not confirmed.');
    await user.sees('Only measured or estimated parts are drawn.');
    expect(await user.trackSays('Seat height')).to.match(/not measured$/);
  });

  it('shows a seat with its controls', async () => {
    await user.goTo('/seats');
    await user.follow('Bellreef helm seat');
    await user.sees('Both hands: arm knob, under the rear of each arm');
    await user.sees('8 positions');
  });

  it('describes a place and makes a new version of it', async () => {
    await user.goTo('/places');
    await user.press('Add workstation');
    await user.press('Save workstation');
    await user.sees('Enter a name.');
    await user.type('Name', 'Ticket hatch');
    await user.type('Desk height', '73');
    await user.type('Desktop thickness', '3 cm');
    await user.press('Save workstation');
    await user.sees('Outside 300–1400 mm');
    await user.type('Desk height', '73 cm');
    await user.press('Save workstation');
    await user.sees('Saved as version 1');
    await user.sees('730 mm, fixed');
    await user.press('Edit: Ticket hatch');
    await user.choose('Desk', 'height-adjustable');
    await user.type('Lowest desk height', '660');
    await user.type('Highest desk height', '820');
    await user.press('Save workstation');
    await user.sees('Saved as version 2');
    const rows = await readRows(
      app.folder,
      "select number, json_extract(document, '$.adjustments[0].travel.type') as travel from place_versions where json_extract(document, '$.name') = 'Ticket hatch' order by number",
    );
    expect(rows).to.deep.equal([
      { number: 1, travel: 'listed' },
      { number: 2, travel: 'continuous' },
    ]);
  });

  it('adds a fitter and keeps the choice on this device', async () => {
    await user.choose('Fitter', 'Add fitter …');
    await user.type('Fitter’s name', 'Signe Holmgard');
    await user.press('Add');
    await user.page.waitForFunction(() =>
      [...document.querySelectorAll('select')].some(
        (s) => s.selectedOptions[0]?.textContent === 'Signe Holmgard',
      ),
    );
    await user.reload();
    const chosen = await user.page.evaluate(() =>
      [...document.querySelectorAll('select')].map((s) => s.selectedOptions[0]?.textContent),
    );
    expect(chosen).to.include('Signe Holmgard');
  });

  it('forgets a fitter who is not in this database', async () => {
    await user.page.setCookie({
      name: 'velto-fitter',
      value: '00000000-0000-7000-8000-000000000000',
      url: app.base,
    });
    await user.goTo('/people');
    await user.follow('Odd Quillsay');
    await user.pressAndGo('Start fitting');
    expect(new URL(user.page.url()).pathname).to.match(/^\/fittings\//);
  });
});

describe('a refused seat', function () {
  this.timeout(60_000);
  it('is said before anything else and cannot be handed over', async () => {
    const app = await startApp();
    const bench = await startBrowser();
    const user = new Driver(await bench.open(), app.base);
    const [row] = await readRows(
      app.folder,
      "select f.id from fittings f join sitters s on s.id = f.sitter_id where s.name = 'Tam Brask'",
    );
    await user.goTo(`/fittings/${String(row?.id)}?stage=choose`);
    await user.chooseSeat('Tidewick');
    await user.sees('Tidewick shared chair · Helm');
    await user.press('Next: Adjust');
    await user.sees(
      'Do not use: load 129 kg (124 kg + clothing 3 kg + tools 2 kg) is above the rated load of 120 kg.',
    );
    await user.press('Next: Card');
    await user.sees('A seat marked “do not use” cannot be signed off.');
    await user.sees('Do not use this seat for this person');
    const disabled = await user.page.evaluate(
      () =>
        [...document.querySelectorAll<HTMLButtonElement>('button')].find((b) => b.textContent === 'Sign off')
          ?.disabled,
    );
    expect(disabled).to.equal(true);
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
  });
});
