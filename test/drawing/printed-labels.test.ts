/** The words of what is printed: all of them on the paper, and none over another. */
import { inflateSync } from 'node:zlib';
import { expect } from 'chai';
import PDFDocument from 'pdfkit';
import { assess, problemOf, remediesFor, solve, NO_REMEDIES } from '../../src/core/fit';
import { cardHeader, cardOf } from '../../src/core/card';
import { frontView, planView, ruleOf, sideView, trackOf } from '../../src/core/scene';
import { DEMO_PLACES } from '../../src/demo/places';
import { DEMO_SEATS } from '../../src/demo/seats';
import { DEMO_SITTERS } from '../../src/demo/sitters';
import { cardMore } from '../../src/core/walk';
import { plainSheetOf } from '../../src/drawing/card-forms';
import { cardPdf } from '../../src/drawing/pdf/card-pdf';
import { plainCardPdf } from '../../src/drawing/pdf/plain-card-pdf';
import { drawingsPdf } from '../../src/drawing/pdf/drawings-pdf';
import { PAPERS, PAPER_NAMES, type Paper } from '../../src/drawing/pdf/paper';
import { sheetOf } from '../../src/drawing/sheet';
import { DEFAULT_READING, say, word, type Reading } from '../../src/words';
import { collisions, type Box } from '../support/boxes';
import { OPEN_HIP, bodyWith, inputsOf } from '../support/inputs';
import { leastMs, timeOf } from '../support/pace';

const MADE = new Date('2026-11-25T09:30:00Z');
const LONG = 'Maximiliane Featherstonehaugh-Cholmondeley of Skarrow and the Outer Skerries';
/** Of a line of text, above and below its base line, and from the top of its box to that line, as shares of its size. */
const [ABOVE, BELOW, TO_BASE] = [0.7, 0.2, 0.95];

/** What the library keeps of the state of drawing. */
interface Drawn {
  readonly _ctm: readonly number[];
  readonly _fontSize: number;
  readonly page: { readonly height: number };
  widthOfString(text: string): number;
}

interface Pen {
  text: (this: Drawn, words: string, x: number, y: number, ...rest: unknown[]) => unknown;
  addPage: (this: Drawn, ...options: unknown[]) => unknown;
}

/** Half of a card that is folded, points. */
const PANEL_PT = (74 / 25.4) * 72;
/** A paper is there before anybody waits for it. */
const MOST_MS = 1000;

/** The colours that a paper is painted in, as it names them. */
function coloursIn(pdf: Uint8Array): string[] {
  const file = Buffer.from(pdf);
  const found = new Set<string>();
  for (let at = file.indexOf('stream\n'); at >= 0; at = file.indexOf('stream\n', at + 1)) {
    if (file.subarray(at - 3, at).toString('latin1') === 'end') continue;
    const end = file.indexOf('endstream', at);
    let painted: string;
    try {
      painted = inflateSync(file.subarray(at + 'stream\n'.length, end)).toString('latin1');
    } catch {
      continue;
    }
    for (const [, colour] of painted.matchAll(/(?:^|\s)((?:[\d.]+ ){1,4})(?:rg|RG|scn|SCN|sc|SC|k|K|g|G)\s/g))
      found.add(colour!.trim());
  }
  return [...found];
}

/** Runs a painter and gives the words of every page as boxes, in points from the top left corner. */
async function wordsOf(paint: () => Promise<Uint8Array>): Promise<Box[][]> {
  const pages: Box[][] = [];
  const pen = PDFDocument.prototype as Pen;
  const { text, addPage } = pen;
  pen.text = function (words, x, y, ...rest) {
    const [a = 1, , , d = 1, e = 0, f = 0] = this._ctm;
    const base = this.page.height - (d * (y + TO_BASE * this._fontSize) + f);
    const size = this._fontSize * Math.abs(d);
    const left = a * x + e;
    pages.at(-1)!.push({
      text: words,
      left,
      right: left + this.widthOfString(words) * a,
      top: base - ABOVE * size,
      bottom: base + BELOW * size,
    });
    return text.call(this, words, x, y, ...rest);
  };
  pen.addPage = function (...options) {
    pages.push([]);
    return addPage.apply(this, options);
  };
  try {
    await paint();
  } finally {
    Object.assign(pen, { text, addPage });
  }
  return pages;
}

const CASES = DEMO_SITTERS.filter((_, i) => i % 3 === 0).map((sitter, i) => {
  const inputs = inputsOf({
    body: bodyWith(sitter.measures),
    seat: { ...DEMO_SEATS[(i * 5) % DEMO_SEATS.length]!, id: 's' },
    place: { ...DEMO_PLACES[i % DEMO_PLACES.length]!, id: 'p' },
    method: OPEN_HIP,
    ageYears: sitter.ageYears,
  });
  const p = problemOf(inputs);
  const length = (['mm', 'cm', 'in'] as const)[i % 3]!;
  const reading: Reading = { ...DEFAULT_READING, length };
  const paper: Paper = PAPER_NAMES[i % 2]!;
  return { p, a: assess(p, solve(p, { remedies: NO_REMEDIES, budget: 500 }).settings), reading, paper };
});

describe('the words of what is printed', function () {
  this.timeout(120_000);

  it('of a card stay on the paper, and none runs into another', async () => {
    let seen = 0;
    for (const { p, a, reading, paper } of CASES) {
      const header = cardHeader(p, { sitter: LONG, fitter: LONG, date: '2026-11-25' });
      const card = cardOf(a, header, remediesFor(p));
      const pages = await wordsOf(() =>
        cardPdf(sheetOf(card, true, reading), null, { paper, title: 'Card', made: MADE, url: null }),
      );
      expect(pages, p.inputs.seat.name).to.have.length(1);
      for (const boxes of pages)
        expect(collisions(boxes, PAPERS[paper]), `${p.inputs.seat.name}, ${paper}`).to.deep.equal([]);
      seen += pages.flat().length;
    }
    expect(seen).to.be.greaterThan(1000);
  });

  for (const form of ['sitter', 'shared', 'pocket'] as const)
    it(`of a card for ${form} stay on the paper, none runs into another, and all is black`, async () => {
      for (const { p, a, reading, paper } of CASES) {
        const header = cardHeader(p, { sitter: LONG, fitter: LONG, date: '2026-11-25' });
        const card = cardOf(a, header, null);
        const postures = [{ name: LONG, settings: a.settings }];
        const more = cardMore(card, a, { postures, others: [], asLeft: null });
        const sheet = plainSheetOf(form, card, more, true, reading);
        const how = {
          paper,
          title: 'Card',
          made: MADE,
          url: 'https://seats.skarrow.example/c/Zx3_q-9LkTt0aVbN',
        };
        let pdf: Uint8Array = new Uint8Array();
        const draw = async () => (pdf = await plainCardPdf(sheet, how));
        expect(await leastMs(MOST_MS, () => timeOf(draw)), p.inputs.seat.name).to.be.lessThan(MOST_MS);
        const pages = await wordsOf(draw);
        for (const boxes of pages)
          expect(collisions(boxes, PAPERS[paper]), `${p.inputs.seat.name}, ${paper}`).to.deep.equal([]);
        expect(coloursIn(pdf), p.inputs.seat.name).to.deep.equal(['0 0 0']);
      }
    });

  it('of a card for the pocket stay inside the lines along which it is cut', async () => {
    for (const { p, a, reading, paper } of CASES) {
      const header = cardHeader(p, { sitter: LONG, fitter: LONG, date: '2026-11-25' });
      const card = cardOf(a, header, null);
      const more = cardMore(card, a, { postures: [], others: [], asLeft: null });
      const sheet = plainSheetOf('pocket', card, more, true, reading);
      const how = { paper, title: 'Card', made: MADE, url: null };
      const { width } = PAPERS[paper];
      const [left, fold] = [width / 2 - PANEL_PT, width / 2];
      const [boxes = []] = await wordsOf(() => plainCardPdf(sheet, how));
      const hint = new Set(word('cards.fold').split(' '));
      for (const box of boxes.filter(({ text }) => !hint.has(text))) {
        expect(box.left >= left && box.right <= fold + PANEL_PT, box.text).to.equal(true);
        expect(box.right <= fold || box.left >= fold, `${box.text} over the fold`).to.equal(true);
      }
    }
  });

  it('of drawings stay on the paper, and none runs into another', async () => {
    let seen = 0;
    for (const { p, a, reading, paper } of CASES) {
      const drawings = {
        headline: `${LONG} · ${p.inputs.seat.name}`,
        rule: ruleOf(a),
        side: sideView(a),
        front: frontView(a),
        plan: planView(a),
        tracks: a.outcomes.map((o) => ({
          name: word(`kind.${o.kind}`),
          value: `${say(o.words, reading)}, ${word(`verdict.${o.verdict}`)}`,
          track: trackOf(o),
        })),
      };
      const pages = await wordsOf(() => drawingsPdf(drawings, reading, paper, 'Drawings', MADE));
      for (const boxes of pages)
        expect(collisions(boxes, PAPERS[paper]), `${p.inputs.seat.name}, ${paper}`).to.deep.equal([]);
      seen += pages.flat().length;
    }
    expect(seen).to.be.greaterThan(300);
  });

  it('would be seen to run into each other', async () => {
    const { a, p, reading } = CASES[0]!;
    const header = cardHeader(p, { sitter: LONG, fitter: LONG, date: '2026-11-25' });
    const pages = await wordsOf(() =>
      cardPdf(sheetOf(cardOf(a, header, null), true, reading), null, {
        paper: 'A4',
        title: 'Card',
        made: MADE,
        url: null,
      }),
    );
    const [first = []] = pages;
    const moved = first.map((box, i) => (i === 1 ? { ...first[0]!, text: 'moved' } : box));
    expect(collisions(moved, PAPERS.A4).length).to.be.greaterThan(0);
    expect(collisions(first, { width: 200, height: 200 }).length).to.be.greaterThan(0);
  });
});
