import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { FittingSummary, SitterDetail } from '../../src/contract';
import type { Page } from '../../src/contract/paging';
import { startApp, type App } from '../support/app';
import { startBrowser, type BrowserBench } from '../support/browser';
import { Driver } from '../support/driver';

const PAPERS = { A4: /59[45]\.?\d* x 84[12]/, Letter: /61[12]\.?\d* x 79[12]/ } as const;
type Paper = keyof typeof PAPERS;

const bare = (text: string): string => text.replace(/\s+/g, '');
/** A text without the signs that HTML writes in other words. */
const plain = (html: string): string =>
  html
    .replace(/&#x([0-9a-f]+);/gi, (_, hex: string) => String.fromCodePoint(parseInt(hex, 16)))
    .replace(/&quot;/g, '"')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&amp;/g, '&');
/** The letters of a text by themselves, whatever the order of its columns. */
const letters = (text: string): string => [...bare(text)].sort().join('');

describe('what is handed out on paper', function () {
  this.timeout(240_000);
  let app: App;
  let bench: BrowserBench;
  let user: Driver;
  let fittings: readonly FittingSummary[];
  const folder = mkdtempSync(join(tmpdir(), 'velto-papers-'));
  before(async () => {
    app = await startApp();
    bench = await startBrowser();
    user = new Driver(await bench.open(), app.base);
    fittings = ((await (await fetch(`${app.base}/api/v1/fittings`)).json()) as Page<FittingSummary>).items;
  });
  after(async () => {
    expect(user.faults).to.deep.equal([]);
    await bench.stop();
    await app.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  function read(name: string, bytes: Uint8Array): { text: string; info: string } {
    const file = join(folder, name);
    writeFileSync(file, bytes);
    return {
      text: execFileSync('pdftotext', ['-raw', file, '-'], { encoding: 'utf8' }),
      info: execFileSync('pdfinfo', [file], { encoding: 'utf8' }),
    };
  }
  async function pdf(path: string, name: string, cookie = '') {
    const response = await fetch(`${app.base}${path}`, { headers: { cookie } });
    expect(response.status).to.equal(200);
    expect(response.headers.get('content-type')).to.equal('application/pdf');
    return read(name, new Uint8Array(await response.arrayBuffer()));
  }
  /** The card as the browser prints it, with its paragraphs. */
  async function printed(id: string, paper: Paper) {
    await user.goTo(`/fittings/${id}/card`);
    await user.choose('Paper size', paper);
    // What only the screen shows is not on paper.
    await user.page.emulateMediaType('print');
    const paragraphs = await user.page.$$eval(
      'article h2, article dt, article dd, article td, article th, article p',
      (all) => all.map((e) => e.innerText),
    );
    await user.page.emulateMediaType();
    return { ...read('printed.pdf', await user.page.pdf({ preferCSSPageSize: true })), paragraphs };
  }

  /** Every line of a card as the page has it, without a browser. */
  async function lines(id: string, form = 'record'): Promise<string[]> {
    const html = await (await fetch(`${app.base}/fittings/${id}/card?form=${form}`)).text();
    // What is folded away on the screen never goes on paper.
    const article = html
      .slice(html.indexOf('<article'), html.indexOf('</article>'))
      .replace(/<details.*?<\/details>/gs, '');
    return [...article.matchAll(/<(h2|h3|dt|dd|td|th|p)\b[^>]*>(.*?)<\/\1>/gs)].map(([, , inner]) =>
      plain(inner!.replace(/<[^>]*>/g, '\n')),
    );
  }
  const shown = (paragraphs: readonly string[]): string[] =>
    paragraphs.flatMap((p) => p.split('\n')).filter((p) => p.trim() !== '');

  it('is the same card on the page and by the program, for every fitting, on one page', async () => {
    expect(fittings.length).to.be.greaterThan(4);
    for (const [i, fitting] of fittings.entries()) {
      const paper: Paper = i % 2 === 0 ? 'A4' : 'Letter';
      // The paper has the remedies that the card as JSON has waited for.
      await (await fetch(`${app.base}/api/v1/fittings/${fitting.id}/card`)).arrayBuffer();
      const made = await pdf(`/api/v1/fittings/${fitting.id}/card.pdf?paper=${paper}`, 'made.pdf');
      expect(made.info).to.match(/Pages:\s+1\n/);
      expect(made.info).to.match(PAPERS[paper]);
      const paragraphs = shown(await lines(fitting.id));
      expect(paragraphs.length, fitting.sitter?.name).to.be.greaterThan(15);
      for (const paragraph of paragraphs) expect(bare(made.text), paragraph).to.include(bare(paragraph));
    }
  });

  // Each fitting in one form, each form on several fittings.
  for (const [n, form] of ['sitter', 'shared', 'pocket'].entries())
    it(`is the same on the page and by the program for ${form}, on as few pages as will do`, async () => {
      const own = fittings.filter((_, i) => i % 3 === n);
      expect(own.length).to.be.greaterThan(1);
      for (const [i, fitting] of own.entries()) {
        const paper: Paper = i % 2 === 0 ? 'Letter' : 'A4';
        const path = `/api/v1/fittings/${fitting.id}/card.pdf?paper=${paper}&form=${form}`;
        const made = await pdf(path, 'made.pdf');
        const pages = Number(/Pages:\s+(\d+)/.exec(made.info)![1]);
        expect(pages, fitting.seat?.name).to.be.at.most(form === 'sitter' ? 2 : 1);
        expect(made.info).to.match(PAPERS[paper]);
        const paragraphs = shown(await lines(fitting.id, form));
        expect(paragraphs.length, fitting.sitter?.name).to.be.greaterThan(8);
        for (const paragraph of paragraphs) expect(bare(made.text), paragraph).to.include(bare(paragraph));
      }
    });

  for (const [i, paper] of (['A4', 'Letter'] as const).entries())
    it(`is the same card by the browser and by the program, letter for letter, on ${paper}`, async () => {
      const fitting = fittings.filter((f) => f.seat)[i]!;
      await (await fetch(`${app.base}/api/v1/fittings/${fitting.id}/card`)).arrayBuffer();
      const made = await pdf(`/api/v1/fittings/${fitting.id}/card.pdf?paper=${paper}`, 'made.pdf');
      const print = await printed(fitting.id, paper);
      expect(print.info).to.match(PAPERS[paper]);
      expect(letters(made.text), fitting.sitter?.name).to.equal(letters(print.text));
      for (const paragraph of shown(print.paragraphs)) {
        expect(bare(made.text), paragraph).to.include(bare(paragraph));
        expect(bare(print.text), paragraph).to.include(bare(paragraph));
      }
    });

  it('is the same in the units of the reader', async () => {
    const { id } = fittings[0]!;
    const inches = await pdf(`/api/v1/fittings/${id}/card.pdf?units=in`, 'inches.pdf');
    expect(inches.text).to.match(/\d in\b/);
    expect(inches.text).not.to.match(/\d mm\b/);
  });

  it('has every letter of a long northern name, and stays on one page', async () => {
    const name = `Łucja ${'Þórhildur-Ångström '.repeat(5)}Čížek`.slice(0, 118);
    const { sitter } = (await (await fetch(`${app.base}/api/v1/fittings/${fittings[0]!.id}`)).json()) as {
      sitter: SitterDetail;
    };
    const renamed = await fetch(`${app.base}/api/v1/sitters/${sitter.id}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json', 'if-match': `"${sitter.version}"` },
      body: JSON.stringify({ name }),
    });
    expect(renamed.status).to.equal(200);
    const made = await pdf(`/api/v1/fittings/${fittings[0]!.id}/card.pdf`, 'long.pdf');
    expect(bare(made.text)).to.include(bare(name));
    expect(made.info).to.match(/Pages:\s+1\n/);
  });

  it('draws rule, views and tracks with the numbers of the screen', async () => {
    const { id } = fittings.find((f) => f.seat && f.place)!;
    const made = await pdf(`/api/v1/fittings/${id}/drawings.pdf?paper=A4`, 'drawings.pdf');
    await user.goTo(`/fittings/${id}?stage=set`);
    const numbers = await user.page.$$eval('figure svg text tspan', (all) =>
      all.map((e) => e.textContent ?? ''),
    );
    await user.press('Front and top view');
    numbers.push(
      ...(await user.page.$$eval('figure svg text tspan', (all) => all.map((e) => e.textContent ?? ''))),
    );
    expect(numbers.length).to.be.greaterThan(20);
    for (const text of numbers) expect(bare(made.text), text).to.include(bare(text));
    for (const track of await user.page.$$eval('[role="slider"]', (all) =>
      all.map((e) => e.getAttribute('aria-label') ?? ''),
    ))
      expect(made.text).to.include(track);
  });

  it('cuts nothing off, however many tracks there are: each stays in its column and on its page', async () => {
    const { id } = fittings.find((f) => f.seat?.name.includes('helm'))!;
    for (const paper of ['A4', 'Letter']) {
      await pdf(`/api/v1/fittings/${id}/drawings.pdf?paper=${paper}&units=in`, 'many.pdf');
      const boxes = execFileSync('pdftotext', ['-bbox', join(folder, 'many.pdf'), '-'], { encoding: 'utf8' });
      const pages = boxes.split('<page ').slice(1);
      expect(pages.length).to.be.greaterThan(1);
      for (const page of pages) {
        const [, width, height] = /width="([\d.]+)" height="([\d.]+)"/.exec(page)!.map(Number) as [
          0,
          number,
          number,
        ];
        const words = [
          ...page.matchAll(/xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)">([^<]*)</g),
        ].map((m) => ({ box: m.slice(1, 5).map(Number) as [number, number, number, number], text: m[5]! }));
        expect(words.length).to.be.greaterThan(10);
        for (const { box, text } of words) {
          expect(box[2], `${paper} ${text}`).to.be.at.most(width - 20);
          expect(box[3], `${paper} ${text}`).to.be.at.most(height - 20);
        }
      }
    }
    const { text } = await pdf(`/api/v1/fittings/${id}/drawings.pdf`, 'named.pdf');
    await user.goTo(`/fittings/${id}?stage=set`);
    for (const track of await user.page.$$eval('[role="slider"]', (all) =>
      all.map((e) => e.getAttribute('aria-label') ?? ''),
    ))
      expect(bare(text), track).to.include(bare(track));
  });

  it('is refused for a paper that is none, and for a fitting without a seat', async () => {
    const { id } = fittings[0]!;
    expect((await fetch(`${app.base}/api/v1/fittings/${id}/card.pdf?paper=A3`)).status).to.equal(422);
    const noSeat = fittings.find((f) => !f.seat);
    if (noSeat)
      expect((await fetch(`${app.base}/api/v1/fittings/${noSeat.id}/card.pdf`)).status).to.equal(409);
  });
});
