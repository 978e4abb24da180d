/** The sheet of a seat’s controls: everything on it, nothing over anything else, one page. */
import { proofRuns } from '../support/proof-runs';
import { expect } from 'chai';
import '../../src/words/pages';
import { controlSpots } from '../../src/core/scene';
import { DEMO_SEATS } from '../../src/demo/seats';
import { controlMarks, type SheetView } from '../../src/drawing/control-marks';
import { controlSheetOf } from '../../src/drawing/control-sheet';
import type { TextMark } from '../../src/drawing/marks';
import { PICTOGRAMS } from '../../src/drawing/pictograms';
import { PAPER_NAMES } from '../../src/drawing/pdf/paper';
import { controlSheetPdf } from '../../src/drawing/pdf/control-sheet-pdf';
import { DEFAULT_READING } from '../../src/words';
import { leastMs, timeOf } from '../support/pace';

const SEATS = DEMO_SEATS.map((seat) => ({ ...seat, id: '01990000-0000-7000-8000-000000000001' }));
const FIELD = { width: 460, height: 380 };
/** Two numbers in their rings, px. */
const RING = 26;

const numbersIn = (seat: (typeof SEATS)[number], view: SheetView): TextMark[] =>
  controlMarks(seat, view, FIELD.width, FIELD.height, DEFAULT_READING).filter(
    (mark): mark is TextMark => mark.type === 'text' && mark.spans[0]?.style === 'badgeNumber',
  );

describe('the sheet of a seat’s controls', () => {
  it('shows every control in both views, on the paper and none over another', () => {
    let compared = 0;
    for (const seat of SEATS)
      for (const view of ['side', 'above'] as const) {
        const numbers = numbersIn(seat, view);
        expect(new Set(numbers.map((n) => n.spans[0]!.text)).size, seat.name).to.equal(seat.controls.length);
        numbers.forEach((a, i) => {
          expect(a.x, seat.name).to.be.within(13, FIELD.width - 13);
          expect(a.y, seat.name).to.be.within(13, FIELD.height - 7);
          for (const b of numbers.slice(i + 1)) {
            const apart = Math.hypot(a.x - b.x, a.y - b.y);
            expect(apart, `${seat.name} ${view}: ${a.spans[0]!.text} and ${b.spans[0]!.text}`).to.be.at.least(
              RING,
            );
            compared++;
          }
        });
      }
    expect(compared).to.be.greaterThan(800);
  });

  it('puts right and left as the sitter has them, and one on each side where there are two', () => {
    for (const seat of SEATS)
      for (const { id, fromAbove } of controlSpots(seat)) {
        const { side } = seat.controls.find((c) => c.id === id)!;
        expect(fromAbove, id).to.have.length(side === 'bothSides' ? 2 : 1);
        if (side === 'right') expect(fromAbove[0]!.x, id).to.be.greaterThan(0);
        if (side === 'left') expect(fromAbove[0]!.x, id).to.be.lessThan(0);
        if (side === 'bothSides') expect(fromAbove[0]!.x, id).to.equal(-fromAbove[1]!.x);
      }
  });

  it('draws a control that was pointed at where it was pointed at', () => {
    const [seat] = SEATS;
    const [control] = seat!.controls;
    const point = { forwardMm: 120, rightMm: -90, upMm: -40 };
    const [spot] = controlSpots({ ...seat!, controls: [{ ...control!, point }] });
    expect(spot!.fromAbove).to.deep.equal([{ x: -90, z: 120 }]);
    expect(spot!.fromSide!.x).to.equal(120);
  });

  it('lists what nobody placed or tried, and has a picture for everything it shows', () => {
    for (const seat of SEATS)
      for (const { moves } of controlSheetOf(seat, DEFAULT_READING).controls)
        for (const { pictograms, how } of moves) {
          expect(Object.keys(PICTOGRAMS)).to.include.members([...pictograms]);
          expect(how).to.match(/\.$/);
        }
    const [seat] = SEATS;
    const [first, ...rest] = seat!.controls;
    const bare = {
      ...first!,
      side: undefined,
      moves: first!.moves.map((m) => ({ ...m, directionForMore: 'unknown' as const })),
    };
    const sheet = controlSheetOf({ ...seat!, controls: [bare, ...rest] }, DEFAULT_READING);
    expect(sheet.notes.join(' ')).to.contain(`not tried on the seat: ${first!.name}.`);
    expect(sheet.notes.join(' ')).to.contain(`Not shown in the drawing: ${first!.name}.`);
  });

  it('is one page of either paper, within a second', async () => {
    for (const [i, seat] of SEATS.entries())
      for (const paper of PAPER_NAMES.filter((_, k) => (i + k) % proofRuns(1, 2) === 0)) {
        let bytes = new Uint8Array();
        const draw = async () => {
          const sheet = controlSheetOf(seat, DEFAULT_READING);
          bytes = new Uint8Array(
            await controlSheetPdf(seat, sheet, DEFAULT_READING, paper, new Date('2026-11-29')),
          );
        };
        expect(await leastMs(1000, () => timeOf(draw)), seat.name).to.be.lessThan(1000);
        expect(
          Buffer.from(bytes)
            .toString('latin1')
            .match(/\/Type \/Page\b/g),
        ).to.have.length(1);
      }
  }).timeout(40_000);
});
