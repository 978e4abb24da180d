/** Labels on paper: the code is read by a reader that knows nothing of us, and so many are there soon enough. */
import { expect } from 'chai';
import jsQR from 'jsqr';
import '../../src/words/pages';
import { codeOf } from '../../src/drawing/code';
import { labelsPdf, labelsPerSheet } from '../../src/drawing/pdf/labels-pdf';
import { PAPER_NAMES } from '../../src/drawing/pdf/paper';
import { leastMs, timeOf } from '../support/pace';

const MADE = new Date('2026-11-25T09:30:00Z');
const URL_OF = 'https://seats.skarrow.example/t/Zx3_q-9LkTt0aVbN4mPcQw';
/** Of a square in a picture, px. */
const SQUARE = 4;

/** What a reader of codes makes of the bars, drawn as they are printed. */
function read(text: string): string | null {
  const { size, bars } = codeOf(text);
  const side = size * SQUARE;
  const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
  for (const bar of bars)
    for (let y = bar.y * SQUARE; y < (bar.y + 1) * SQUARE; y++)
      for (let x = bar.x * SQUARE; x < (bar.x + bar.length) * SQUARE; x++)
        pixels.fill(0, (y * side + x) * 4, (y * side + x) * 4 + 3);
  return jsQR(pixels, side, side)?.data ?? null;
}

const pagesIn = (pdf: Uint8Array): number =>
  Buffer.from(pdf)
    .toString('latin1')
    .match(/\/Type \/Page\b(?!s)/g)?.length ?? 0;

const labels = (n: number, url: string | null) =>
  Array.from({ length: n }, (_, i) => ({
    tag: `BO-${String(i + 1).padStart(3, '0')}`,
    seat: 'Gullstone task chair with the long name of a seat that nobody can read at a glance',
    url: url && `${url}${i}`,
  }));

describe('labels', () => {
  it('carry a code that leads to the seat, or holds the tag', () => {
    for (const text of [URL_OF, 'BO-01', 'SKARROW ISLES/HC 0021.A', 'Ü-7'])
      expect(read(text), text).to.equal(text);
  });

  it('fill sheets from the first free label on', async () => {
    for (const paper of PAPER_NAMES) {
      const each = labelsPerSheet(paper);
      const pages = async (n: number, taken: number) =>
        pagesIn(await labelsPdf(labels(n, null), { paper, taken }, MADE));
      expect(await pages(each, 0), paper).to.equal(1);
      expect(await pages(each + 1, 0), paper).to.equal(2);
      expect(await pages(1, each - 1), paper).to.equal(1);
      expect(await pages(2, each - 1), paper).to.equal(2);
      expect(await pages(0, 0), paper).to.equal(1);
    }
  });

  it('are there within three seconds for 500 seats, and the same each time', async function () {
    this.timeout(60_000);
    let first = new Uint8Array();
    const draw = async () => {
      first = new Uint8Array(await labelsPdf(labels(500, URL_OF), { paper: 'A4', taken: 0 }, MADE));
    };
    expect(await leastMs(3000, () => timeOf(draw))).to.be.lessThan(3000);
    expect(pagesIn(first)).to.equal(Math.ceil(500 / labelsPerSheet('A4')));
    const few = () => labelsPdf(labels(30, URL_OF), { paper: 'A4', taken: 0 }, MADE);
    expect(Buffer.from(await few()).equals(Buffer.from(await few()))).to.equal(true);
  });
});
