/** The words of a drawing: every label on its board, and none over another, for the smallest and the largest. */
import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect } from 'chai';
import PDFDocument from 'pdfkit';
import { assess, completeSettings, problemOf, solve, NO_REMEDIES, type FitInputs } from '../../src/core/fit';
import { frontView, planView, ruleOf, sideView } from '../../src/core/scene';
import { DEMO_PLACES } from '../../src/demo/places';
import { DEMO_SEATS } from '../../src/demo/seats';
import { DEMO_SITTERS } from '../../src/demo/sitters';
import { BOARD, boardMarks } from '../../src/drawing/board-marks';
import type { TextMark, TextStyle } from '../../src/drawing/marks';
import { VIEW, viewMarks } from '../../src/drawing/scene-marks';
import { DEFAULT_READING, type Reading } from '../../src/words';
import { collisions, type Box } from '../support/boxes';
import { OPEN_HIP, bodyWith, problemFor } from '../support/inputs';

/** As on the screen (drawing.module.css), px, and how bold. */
const SIZES: Readonly<Record<TextStyle, readonly [size: number, weight: 400 | 700]>> = {
  tickText: [11, 400],
  tagSitter: [13, 400],
  tagEquipment: [13, 400],
  numberSitter: [13, 700],
  numberEquipment: [13, 700],
  sideSitter: [12, 700],
  sideEquipment: [12, 700],
  apartNumber: [13, 700],
  badgeNumber: [15, 700],
  closeNumber: [12, 700],
};
/** Of a line of text, above and below its base line, as a share of its size: what capitals and descenders need. */
const [ASCENT, DESCENT] = [0.7, 0.2];

function ruler(): (text: string, style: TextStyle) => number {
  const require = createRequire(import.meta.url);
  const folder = dirname(require.resolve('@fontsource/atkinson-hyperlegible-next/package.json'));
  const doc = new PDFDocument();
  for (const weight of [400, 700])
    doc.registerFont(
      String(weight),
      readFileSync(join(folder, `files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`)),
    );
  return (text, style) => {
    const [size, weight] = SIZES[style];
    return doc.font(String(weight)).fontSize(size).widthOfString(text);
  };
}

function boxOf({ x, y, anchor, spans }: TextMark, widthOf: ReturnType<typeof ruler>): Box {
  const width = spans.reduce((sum, { text, style }) => sum + widthOf(text, style), 0);
  const size = Math.max(...spans.map(({ style }) => SIZES[style][0]));
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return {
    text: spans.map((s) => s.text).join(''),
    left,
    right: left + width,
    top: y - ASCENT * size,
    bottom: y + DESCENT * size,
  };
}

const READINGS: readonly Reading[] = (['mm', 'cm', 'in'] as const).map((length) => ({
  ...DEFAULT_READING,
  length,
}));

/** Every demo sitter, the child and the largest among them, on some of the seats, at some of the places. */
const cases: readonly FitInputs[] = DEMO_SITTERS.flatMap((sitter, i) =>
  DEMO_SEATS.filter((_, s) => (s + i) % 3 === 0).map(
    (seat, s) =>
      problemFor({
        body: bodyWith(sitter.measures),
        seat: { ...seat, id: 's' },
        place: { ...DEMO_PLACES[(s + i) % DEMO_PLACES.length]!, id: 'p' },
        method: OPEN_HIP,
        ageYears: sitter.ageYears,
      }).inputs,
  ),
);

describe('the labels of the front view and the plan', () => {
  it('stay in their view, and none runs into another', function () {
    this.timeout(90_000);
    const widthOf = ruler();
    const found = new Set<string>();
    let seen = 0;
    for (const [n, inputs] of cases.entries()) {
      const p = problemOf(inputs);
      const a = assess(p, solve(p, { remedies: NO_REMEDIES, budget: 500 }).settings);
      for (const scene of [frontView(a), planView(a)]) {
        const boxes = viewMarks(scene, VIEW.width, VIEW.height, READINGS[n % READINGS.length]!)
          .filter((mark) => mark.type === 'text')
          .map((mark) => boxOf(mark, widthOf));
        seen += boxes.length;
        for (const fault of collisions(boxes, VIEW)) found.add(fault);
      }
    }
    expect(seen).to.be.greaterThan(100);
    expect([...found]).to.deep.equal([]);
  });
});

describe('the labels of the drawing board', () => {
  it('stay on the board, and none runs into another, for child and giant in every unit', function () {
    this.timeout(90_000);
    const widthOf = ruler();
    const found = new Set<string>();
    let seen = 0;
    for (const [n, inputs] of cases.entries()) {
      const p = problemOf(inputs);
      const best = solve(p, { remedies: NO_REMEDIES, budget: 500 }).settings;
      const highest = Object.fromEntries(
        Object.values(p.variables).map(({ kind, values }) => [kind, values.length - 1]),
      );
      for (const settings of [best, completeSettings(p, { positions: highest, remedies: NO_REMEDIES })]) {
        const a = assess(p, settings);
        const reading = READINGS[n % READINGS.length]!;
        const boxes = boardMarks(ruleOf(a), sideView(a), reading)
          .filter((mark) => mark.type === 'text')
          .map((mark) => boxOf(mark, widthOf));
        seen += boxes.length;
        for (const fault of collisions(boxes, BOARD)) found.add(fault);
      }
    }
    expect(seen).to.be.greaterThan(1000);
    expect([...found]).to.deep.equal([]);
  });
});
