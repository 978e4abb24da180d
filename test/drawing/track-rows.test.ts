import { expect } from 'chai';
import fc from 'fast-check';
import { trackBoxes, type TrackLayout } from '../../src/drawing/pdf/track-rows';
import { evenly } from '../support/evenly';

const LAYOUT: TrackLayout = { columns: 2, firstTop: 500, nextTop: 50, bottom: 800, trackHeight: 38, gap: 3 };

describe('where tracks go on paper', () => {
  it('is on the page, level in a row, and never over another', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(11, 22, 33), { maxLength: 40 }),
        evenly(60, 790),
        (labels, firstTop) => {
          const boxes = trackBoxes(labels, { ...LAYOUT, firstTop });
          expect(boxes).to.have.length(labels.length);
          boxes.forEach((box, i) => {
            expect(box.trackTop + LAYOUT.trackHeight).to.be.at.most(LAYOUT.bottom + 1e-9);
            expect(box.trackTop - box.top).to.be.closeTo(labels[i]!, 1e-9);
            expect(box.column).to.equal(i % LAYOUT.columns);
            const above = boxes[i - LAYOUT.columns];
            if (above && above.page === box.page)
              expect(box.top).to.be.at.least(above.trackTop + LAYOUT.trackHeight);
            const beside = boxes[i - 1];
            if (beside && i % LAYOUT.columns === 1) {
              expect(box.page).to.equal(beside.page);
              expect(box.trackTop).to.equal(beside.trackTop);
            }
          });
        },
      ),
      { seed: 17, numRuns: 300 },
    );
  });

  it('goes on to the next page where the paper ends', () => {
    const boxes = trackBoxes(Array<number>(16).fill(11), LAYOUT);
    expect(boxes.map((b) => b.page)).to.deep.equal([
      ...Array<number>(10).fill(0),
      ...Array<number>(6).fill(1),
    ]);
    expect(boxes[10]!.top).to.equal(LAYOUT.nextTop);
  });
});
