/** A seat of one’s own, from a sheet of paper to a printed card: by touch alone, and by keyboard alone. */
import { writeFileSync } from 'node:fs';
import { expect } from 'chai';
import type { ElementHandle, Page as BrowserPage } from 'puppeteer-core';
import { SEAT_EXAMPLE } from '../../src/api/examples';
import type { SeatSummary } from '../../src/contract';
import type { SeatListing } from '../../src/contract/catalogue';
import type { Page } from '../../src/contract/paging';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { allByRole, byRole, type FoundRole } from '../support/by-role';
import { taskFitting } from '../support/demo-records';
import { Driver, hitBy } from '../support/driver';

/** What stands on the sheet: part, chip, lowest, highest, positions. */
const SHEET: readonly (readonly [string, string, string, string, string?])[] = [
  ['Seat pan', 'Seat depth', '390', '450', '4'],
  ['Backrest', 'Backrest angle', '0', '24'],
  ['Lumbar support', 'Lumbar support height', '160', '230'],
  ['Lumbar support', 'Lumbar support depth', '0', '30'],
  ['Armrests', 'Armrest height', '185', '285', '5'],
  ['Armrests', 'Armrest width', '430', '510'],
  ['Armrests', 'Armrest depth', '0', '60'],
  ['Headrest', 'Headrest height', '580', '700'],
];
const MOST_ACTS = 70;
const WAIT_MS = 30_000;
const MOST_TRIES = 4;

/** Counts touches, and keys that are neither digits nor letters of a name. */
class Hand {
  acts = 0;
  constructor(
    private readonly page: BrowserPage,
    private readonly byTouch: boolean,
  ) {}

  async press(role: FoundRole, name: string): Promise<void> {
    for (let left = 4; ; left--)
      try {
        await this.once(role, name);
        break;
      } catch (error) {
        // Drawn anew between finding and pressing.
        if (left === 0 || !/world|detached|clickable/.test(String(error))) throw error;
      }
    this.acts++;
  }

  private async once(role: FoundRole, name: string): Promise<void> {
    const element = await byRole(this.page, role, name, WAIT_MS);
    if (!this.byTouch) {
      await this.reach(element);
      return this.page.keyboard.press('Enter');
    }
    await element.evaluate((e) => e.scrollIntoView({ block: 'center' }));
    // What has moved away from under the finger is found again.
    const wasHit = await hitBy(element, () => element.tap());
    if (!wasHit) throw new Error('not clickable: it has moved');
  }

  /** As far as a keyboard goes: so many tabs, forwards or backwards, as there are stops between here and there. */
  private async reach(element: ElementHandle<Element>): Promise<void> {
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      const stops = await element.evaluate((target) => {
        const all = [
          ...document.querySelectorAll<HTMLElement>(
            'a[href], button, input, select, textarea, summary, [tabindex="0"]',
          ),
        ].filter((e) => !e.matches(':disabled') && e.tabIndex >= 0 && e.checkVisibility());
        const at = document.activeElement as HTMLElement;
        const to = all.indexOf(target as HTMLElement);
        if (at === target) return 0;
        const from = all.indexOf(at);
        if (from >= 0) return to - from;
        const before = all.filter(
          (e) => at.compareDocumentPosition(e) & Node.DOCUMENT_POSITION_PRECEDING,
        ).length;
        return to >= before ? to - before + 1 : to - before;
      });
      if (stops === 0) return;
      if (stops < 0) await this.page.keyboard.down('Shift');
      for (let i = Math.abs(stops); i > 0; i--) await this.page.keyboard.press('Tab');
      if (stops < 0) await this.page.keyboard.up('Shift');
    }
    throw new Error('not reached by the Tab key');
  }

  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
  }

  async key(key: 'Enter'): Promise<void> {
    await this.page.keyboard.press(key);
    this.acts++;
  }

  async choose(label: string, value: string): Promise<void> {
    const select = await byRole(this.page, 'combobox', label, WAIT_MS);
    await (select as ElementHandle<HTMLSelectElement>).select(value);
    // Opened, and chosen.
    this.acts += 2;
  }
}

describe('a seat of one’s own, on screen', function () {
  this.timeout(120_000);
  let app: App;
  let bench: BrowserBench;
  let fittingId: string;
  before(async () => {
    app = await startApp();
    ({ fittingId } = await taskFitting(app.folder));
    bench = await startBrowser();
  });
  after(async () => {
    await bench.stop();
    await app.stop();
  });
  const get = async <T>(path: string) => (await (await fetch(`${app.base}/api/v1${path}`)).json()) as T;

  async function enter(page: BrowserPage, hand: Hand, name: string): Promise<void> {
    // The name has the focus already.
    await page.waitForFunction(() => document.activeElement?.matches('[data-field="name"]'));
    await hand.type(name);
    await hand.key('Enter');
    await hand.type('415');
    await hand.key('Enter');
    await hand.type('525');
    let open = 'Seat pan';
    for (const [part, chip, lowest, highest, positions] of SHEET) {
      if (part !== open) await hand.press('button', part);
      open = part;
      await hand.press('button', chip);
      await page.waitForFunction(() => document.activeElement?.matches('[data-field$="/lowest"]'));
      await hand.type(lowest);
      await hand.key('Enter');
      await hand.type(highest);
      if (positions === undefined) continue;
      await hand.choose(`${chip}, how it moves`, 'clicks');
      await hand.press('textbox', `${chip}, number of positions`);
      await hand.type(positions);
    }
  }

  for (const way of ['touch', 'keyboard'] as const)
    it(`is entered by ${way} alone in at most 70 acts, chosen in the fitting one came from, solved, and its card printed`, async () => {
      const isTouch = way === 'touch';
      const page = await bench.open(isTouch ? { width: 800, height: 1280, touch: true } : {});
      const user = new Driver(page, app.base);
      const hand = new Hand(page, isTouch);
      const name = `Ringed plover ${way}`;
      await user.goTo(`/fittings/${fittingId}?stage=choose`);
      await user.sees('Seat not listed?');
      await Promise.all([page.waitForNavigation({ waitUntil: 'load' }), hand.press('link', 'Add seat')]);
      await user.sees('Once saved, the seat is chosen');
      hand.acts = 0;
      await enter(page, hand, name);
      expect(hand.acts).to.be.at.most(MOST_ACTS);
      await user.sees('Rated load: read the label.');
      await Promise.all([page.waitForNavigation({ waitUntil: 'load' }), hand.press('button', 'Save seat')]);
      await user.sees(`${name} ·`);
      const [listed] = (await get<Page<SeatListing>>(`/seats?search=plover%20${way}&include=document`)).items;
      expect(listed!.seat!.adjustments).to.have.length(9);
      expect([listed!.state, listed!.facts!.ratedLoadKg]).to.deep.equal(['draft', null]);
      const depth = listed!.seat!.adjustments.find((a) => a.kind === 'seatDepth')!;
      expect(depth.travel).to.deep.include({ type: 'steps', count: 4 });
      await hand.press('button', 'Next: Adjust');
      await user.track('Seat height');
      await hand.press('button', 'Reset to best fit');
      await user.saved();
      const card = await get<{ settings: { adjustment: string; value: number }[] }>(
        `/fittings/${fittingId}/card`,
      );
      const height = card.settings.find((s) => s.adjustment === 'seatHeight')!;
      expect(height.value).to.be.within(415 - 10, 525 + 10);
      const pdf = await fetch(`${app.base}/api/v1/fittings/${fittingId}/card.pdf`);
      expect(pdf.status).to.equal(200);
      expect(user.faults).to.deep.equal([]);
      await page.close();
    });

  it('is changed and checked, and every version stays', async () => {
    const user = new Driver(await bench.open(), app.base);
    const [gull] = (await get<Page<SeatListing>>('/seats?search=gullstone')).items;
    await user.goTo(`/seats/${gull!.id}`);
    await user.sees('Checked against the seat.');
    await user.follow('Edit seat');
    await user.type('Seat depth, lowest', '385');
    await user.pressAndGo('Save seat');
    await user.sees('Draft: not yet checked');
    await user.sees('385–455 mm');
    await user.press('Mark as checked');
    await user.sees('Checked against the seat.');
    await user.unfold('Earlier versions');
    await user.follow('Version 1');
    await user.sees('This is version 1. The newest is version 2.');
    expect(user.faults).to.deep.equal([]);
  });

  it('says what is wrong where it was typed, and puts what was meant there by a tap', async () => {
    const user = new Driver(await bench.open(), app.base);
    await user.goTo('/seats/new');
    await user.type('Seat height, lowest', '48');
    await user.type('Seat height, highest', '53');
    await user.sees('48: centimetres? Did you mean 480 mm?');
    await user.press('Use 480');
    expect(await user.valueOf('Seat height, lowest')).to.equal('480');
    await user.press('Save seat');
    await user.sees('Enter a name.');
    await user.sees('fields need attention');
  });

  it('keeps its draft over a reload, undoes and redoes, and lets two who edit choose field by field', async () => {
    const user = new Driver(await bench.open(), app.base);
    const added = await fetch(`${app.base}/api/v1/seats`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(SEAT_EXAMPLE),
    });
    const { seat } = (await added.json()) as SeatSummary;
    await user.goTo(`/seats/${seat.id}/edit`);
    await user.type('Name', 'Mine');
    await user.sees('Draft kept on this device');
    await user.press('Undo');
    expect(await user.valueOf('Name')).to.equal(seat.name);
    await user.press('Redo');
    expect(await user.valueOf('Name')).to.equal('Mine');
    await user.reload();
    await user.page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-field="name"]')?.value === 'Mine',
    );
    await fetch(`${app.base}/api/v1/seats/${seat.id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'if-match': '"1"' },
      body: JSON.stringify({ ...seat, name: 'Theirs', notes: 'theirs too' }),
    });
    await user.press('Save seat');
    await user.sees('Theirs');
    await user.page.evaluate(() => {
      const row = [...document.querySelectorAll('tr')].find((r) => r.textContent?.startsWith('Name'))!;
      row.querySelectorAll<HTMLInputElement>('input')[0]!.click();
    });
    await user.pressAndGo('Save choices');
    const now = await get<SeatSummary>(`/seats/${seat.id}`);
    expect([now.version, now.seat.name, now.seat.notes]).to.deep.equal([3, 'Mine', 'theirs too']);
  });

  it('is found, sorted and compared', async () => {
    const user = new Driver(await bench.open(), app.base);
    await user.goTo('/seats');
    await user.unfold('More filters');
    await user.choose('Range of', 'Seat height');
    await user.type('covers', '600');
    await user.seesNoMore('Gullstone task chair');
    await user.sees('Kittiwake high counter chair');
    await user.press('Clear filters');
    await user.sees('Gullstone task chair');
    await user.choose('Sort by', 'Price');
    await user.tick('Largest first');
    await user.page.waitForFunction(() =>
      document.querySelector('tbody a')?.textContent?.startsWith('Razorbill'),
    );
    for (const name of ['Gullstone task chair', 'Kittiwake high counter chair'])
      await user.tick(`Compare ${name}`);
    await user.follow('Compare 2 seats');
    await user.sees('Gullstone task chair starts 160 mm below the next.');
    await user.sees('Not on: Gullstone task chair.');
    expect(user.faults).to.deep.equal([]);
    expect(await allByRole(user.page, 'link', 'Gullstone task chair')).to.have.length(1);
  });

  it('comes from a file with a preview, and goes again by undoing', async () => {
    const user = new Driver(await bench.open(), app.base);
    const [first] = (await get<Page<SeatListing>>('/seats?search=sandwick&include=document')).items;
    const copy = { ...first!.seat!, id: '01990000-0000-7000-8000-0000000beef1', name: 'From a file' };
    const file = {
      format: 'velto.seats',
      version: 1,
      seats: [copy, { ...copy, id: 'x' }, { ...first!.seat!, notes: 'other' }],
    };
    await user.goTo('/seats/files');
    await user.choose('Fitter', (await get<Page<{ name: string }>>('/fitters')).items[0]!.name);
    await user.goTo('/seats/files');
    const input = (await user.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    writeFileSync(`${app.folder}/more.json`, JSON.stringify(file));
    await input.uploadFile(`${app.folder}/more.json`);
    await user.sees('3 seats: 2 ready, 1 with errors.');
    await user.sees('1 new, 0 already here, 1 here with different content.');
    await user.press('Import 2 seats');
    await user.sees('Imported: 1 new, 0 new versions, 0 already here, 1 unchanged.');
    expect((await get<Page<SeatListing>>('/seats?search=file')).items).to.have.length(1);
    await user.press('Undo import of more.json');
    await user.sees('Undone: 1 removed; 0 stay');
    expect((await get<Page<SeatListing>>('/seats?search=file')).items).to.have.length(0);
    expect(user.faults).to.deep.equal([]);
  });

  it('can be cancelled while a file is imported: nothing of it stays', async () => {
    const user = new Driver(await bench.open(), app.base);
    const [first] = (await get<Page<SeatListing>>('/seats?search=sandwick&include=document')).items;
    const seats = Array.from({ length: 300 }, (_, i) => ({
      ...first!.seat!,
      id: `01990000-0000-7000-8000-${String(i).padStart(12, '0')}`,
      name: `Cancelled ${i}`,
    }));
    writeFileSync(`${app.folder}/many.json`, JSON.stringify({ format: 'velto.seats', version: 1, seats }));
    await user.goTo('/seats/files');
    await user.choose('Fitter', (await get<Page<{ name: string }>>('/fitters')).items[0]!.name);
    await user.goTo('/seats/files');
    const input = (await user.page.waitForSelector('input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(`${app.folder}/many.json`);
    await user.sees('300 new, 0 already here');
    // The second part waits until somebody has thought better of it.
    let parts = 0;
    let goOn: (() => void) | null = null;
    await user.page.setRequestInterception(true);
    user.page.on('request', (request) => {
      const isPart = request.method() === 'POST' && /seat-imports\/[^/]+$/.test(request.url());
      if (isPart && ++parts === 2) goOn = () => void request.continue();
      else void request.continue();
    });
    await user.press('Import 300 seats');
    while (!goOn) await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await get<Page<SeatListing>>('/seats?search=cancelled')).total).to.be.greaterThan(0);
    await user.press('Cancel');
    (goOn as () => void)();
    await user.sees('Cancelled. Imported seats were removed again.');
    expect((await get<Page<SeatListing>>('/seats?search=cancelled')).total).to.equal(0);
    expect(user.faults).to.deep.equal([]);
  });

  it('is chosen in a fitting by nobody’s link', async () => {
    const user = new Driver(await bench.open(), app.base);
    const seatNow = async () => (await get<{ seat: unknown }>(`/fittings/${fittingId}`)).seat;
    const before = await seatNow();
    expect(before).not.to.equal(undefined);
    const [petrel] = (await get<Page<SeatListing>>('/seats?search=petrel')).items;
    await user.goTo(`/fittings/${fittingId}?stage=choose&seat=${petrel!.versionId}`);
    await user.sees('Seat not listed?');
    await user.page.waitForNetworkIdle();
    expect(await seatNow()).to.deep.equal(before);
  });
});
