import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';
import { readRows } from '../support/read-database';

/** Typed as a fitter might: several units in one sitting. */
const TYPED: readonly [string, string][] = [
  ['Stature', '173.1 cm'],
  ['Body mass', '76'],
  ['Shoe heel', '25'],
  ['Popliteal height', '42,5 cm'],
  ['Knee height', '530'],
  ['Buttock–popliteal length', '19 1/4"'],
  ['Thigh clearance', '150'],
  ['Elbow height, sitting', '241'],
  ['Shoulder height, sitting', '592'],
  ['Base-of-neck (cervicale) height, sitting', '625'],
  ['Eye height, sitting', '775'],
  ['Sitting height', '905'],
  ['Small-of-back height', '181'],
  ['Lumbar curve depth', '3 cm'],
  ['Nape height', '655'],
  ['Hip breadth, sitting', '394'],
  ['Elbow-to-elbow breadth', '440'],
  ['Forearm breadth', '88'],
  ['Elbow–grip length', '345'],
  ['Forearm–hand length', '440'],
];

describe('from a new sitter to a printed card', function () {
  this.timeout(90_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let fittingId: string;
  const paper = mkdtempSync(join(tmpdir(), 'velto-paper-'));
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
    rmSync(paper, { recursive: true, force: true });
  });

  it('names who works here', async () => {
    await user.goTo('/people');
    await user.choose('Fitter', 'Rowan Aldous');
    await user.press('OK');
    await user.seesNoMore('It is not a medical device');
  });

  it('adds a sitter', async () => {
    await user.type('Name', 'Asta Vikholm');
    await user.pressAndGo('Add person');
    await user.sees('Asta Vikholm');
    const rows = await readRows(app.folder, "select name, folded from sitters where name = 'Asta Vikholm'");
    expect(rows).to.deep.equal([{ name: 'Asta Vikholm', folded: 'asta vikholm' }]);
  });

  it('takes every measure as typed, in mm, cm and inches', async () => {
    for (const [label, text] of TYPED) await user.enter(label, text);
    await user.sees('20 of 20 measured');
    await user.saved();
    const rows = await readRows(
      app.folder,
      "select r.dimension, r.value, r.taken_by from readings r join sitters s on s.id = r.sitter_id where s.name = 'Asta Vikholm' and r.withdrawn_at is null",
    );
    const stored = Object.fromEntries(rows.map((r) => [String(r.dimension), Number(r.value)]));
    expect(stored).to.deep.include({
      stature: 17310,
      bodyMass: 7600,
      poplitealHeight: 4250,
      buttockPoplitealLength: 4890,
      shoeHeel: 250,
    });
    expect(rows).to.have.length(20);
    expect(new Set(rows.map((r) => r.taken_by))).to.deep.equal(new Set(['Rowan Aldous']));
  });

  it('starts a fitting and chooses seat, place and method', async () => {
    await user.pressAndGo('Start fitting');
    fittingId = new URL(user.page.url()).pathname.split('/')[2]!;
    await user.press('Next: Workstation and seat');
    await user.chooseSeat('Gullstone');
    await user.choose('Workstation', 'Chart room table');
    await user.sees('Gullstone task chair · Chart room table');
    await user.choose('Method', 'Open hip angle');
    await user.sees('Chart room table · Open hip angle');
  });

  it('is set by the program to what fits', async () => {
    await user.press('Next: Adjust');
    await user.press('Reset to best fit');
    await user.saved();
    expect(await user.trackSays('Seat height')).to.match(/^4[34]\d mm.*fits$/);
    expect(await user.trackSays('Recline tension')).to.match(/Dial at [A-G], fits$/);
    const [draft] = await readRows(
      app.folder,
      "select settings from setting_sets where fitting_id = ? and stage = 'reached' and version = 0",
      [fittingId],
    );
    const [computed] = await readRows(
      app.folder,
      "select settings, inputs from setting_sets where fitting_id = ? and stage = 'computed' order by version desc limit 1",
      [fittingId],
    );
    expect(JSON.parse(String(draft?.settings))).to.deep.equal(JSON.parse(String(computed?.settings)));
    expect((JSON.parse(String(computed?.inputs)) as { seat: { name: string } }).seat.name).to.equal(
      'Gullstone task chair',
    );
  });

  it('shows the card and hands it over', async () => {
    await user.press('Next: Card');
    await user.sees('Draft: not signed off');
    await user.press('Sign off');
    await user.sees('Signed off on');
    const [row] = await readRows(app.folder, 'select state from fittings where id = ?', [fittingId]);
    expect(row).to.deep.equal({ state: 'left' });
    const left = await readRows(
      app.folder,
      "select version from setting_sets where fitting_id = ? and stage = 'left'",
      [fittingId],
    );
    expect(left).to.have.length(1);
  });

  for (const size of ['A4', 'Letter'] as const) {
    it(`prints the card on one page of ${size}, in black and white`, async () => {
      await user.goTo(`/fittings/${fittingId}/card`);
      await user.choose('Paper size', size);
      await user.page.waitForFunction(
        (wanted) => [...document.querySelectorAll('style')].some((s) => s.textContent?.includes(wanted)),
        {},
        size === 'A4' ? 'A4' : 'letter',
      );
      const file = join(paper, `${size}.pdf`);
      writeFileSync(file, await user.page.pdf({ preferCSSPageSize: true }));
      const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
      expect(info).to.match(/Pages:\s+1\n/);
      expect(info).to.match(size === 'A4' ? /59[45]\.?\d* x 84[12]/ : /612 x 792/);
      const text = execFileSync('pdftotext', ['-raw', file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
      for (const wanted of [
        'Settings card',
        'Asta Vikholm',
        'Gullstone task chair',
        'Chart room table',
        'Rowan Aldous',
        '1. Seat height',
        'Right hand: long lever',
        'Dial at',
        'above the floor',
        'not a medical device',
      ])
        expect(text).to.include(wanted);
      expect(text).not.to.include('Draft');
    });
  }

  it('prints in black only', async () => {
    await user.page.emulateMediaType('print');
    const colours = await user.page.evaluate(() => [
      ...new Set([...document.querySelectorAll('article, article *')].map((e) => getComputedStyle(e).color)),
    ]);
    await user.page.emulateMediaType('screen');
    expect(colours).to.deep.equal(['rgb(0, 0, 0)']);
  });

  it('gives the card as JSON', async () => {
    const json = await user.page.evaluate(
      async (id) =>
        (await fetch(`/api/v1/fittings/${id}/card`)).json() as Promise<{
          header: object;
          settings: { adjustment: string; verdict: string }[];
        }>,
      fittingId,
    );
    expect(json.header).to.deep.include({ sitter: 'Asta Vikholm', fitter: 'Rowan Aldous' });
    expect(json.settings.map((s) => s.adjustment)).to.include.members([
      'seatHeight',
      'armHeight',
      'deskHeight',
    ]);
  });
});
