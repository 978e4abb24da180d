import { expect } from 'chai';
import fc from 'fast-check';
import { curveOf, leastOfPair, penaltyOf } from '../../src/core/fit/penalty';
import type { Target } from '../../src/core/method';

const MILLION = 1_000_000;
const FEET: Target = {
  hardLo: -60,
  bandLo: -25,
  aimLo: 0,
  aimHi: 0,
  bandHi: 5,
  hardHi: 60,
  weight: 5,
  basis: 'practice',
  source: 'test',
};

describe('the penalty of a residual', () => {
  it('is nothing in the aim', () =>
    expect(penaltyOf('footGap', FEET, 0)).to.deep.equal({ hard: 0, penalty: 0 }));

  it('rises straight to the weight at the band’s edge', () => {
    expect(penaltyOf('footGap', FEET, 5).penalty).to.equal(5 * MILLION);
    expect(penaltyOf('footGap', FEET, 2.5).penalty).to.equal(2.5 * MILLION);
    expect(penaltyOf('footGap', FEET, -25).penalty).to.equal(5 * MILLION);
    expect(penaltyOf('footGap', FEET, -5).penalty).to.equal(MILLION);
  });

  it('rises ten times as steeply beyond', () => {
    expect(penaltyOf('footGap', FEET, 6).penalty).to.equal(15 * MILLION);
    expect(penaltyOf('footGap', FEET, -30).penalty).to.equal(15 * MILLION);
  });

  it('counts what lies beyond a hard bound in tenths', () => {
    expect(penaltyOf('footGap', FEET, 60).hard).to.equal(0);
    expect(penaltyOf('footGap', FEET, 63.2).hard).to.equal(32);
    expect(penaltyOf('footGap', FEET, -61).hard).to.equal(10);
  });

  it('takes the aim for the band’s edge where there is no band, at least a millimetre wide', () => {
    const open: Target = { aimLo: 20, weight: 1, basis: 'practice', source: 'test' };
    expect(penaltyOf('hipClearance', open, 25).penalty).to.equal(0);
    expect(penaltyOf('hipClearance', open, 19).penalty).to.equal(10 * MILLION);
    const tight: Target = { bandLo: 20, aimLo: 20, weight: 1, basis: 'practice', source: 'test' };
    expect(penaltyOf('hipClearance', tight, 19).penalty).to.equal(10 * MILLION);
  });

  it('does not see differences in the last bit', () => {
    expect(penaltyOf('footGap', FEET, 2.5 + 1e-9)).to.deep.equal(penaltyOf('footGap', FEET, 2.5));
  });

  it('is a whole number, never negative, and never falls away from the aim', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -200, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (residual, more) => {
          const here = penaltyOf('footGap', FEET, residual).penalty;
          const there = penaltyOf('footGap', FEET, residual + Math.sign(residual || 1) * more).penalty;
          expect(Number.isInteger(here)).to.equal(true);
          expect(here).to.be.at.least(0);
          expect(there).to.be.at.least(here);
        },
      ),
      { seed: 51 },
    );
  });

  it('is convex: the middle of two costs no more than their mean', () => {
    fc.assert(
      fc.property(fc.integer({ min: -150, max: 150 }), fc.integer({ min: -150, max: 150 }), (a, b) => {
        const cost = (r: number) => penaltyOf('footGap', FEET, r).penalty;
        expect(cost((a + b) / 2)).to.be.at.most((cost(a) + cost(b)) / 2 + 1);
      }),
      { seed: 52 },
    );
  });

  it('of two that pull apart is never less than what both cost at any place between', () => {
    const place = fc.integer({ min: -80, max: 80 });
    const CLEAR: Target = { hardLo: 0, bandLo: 20, aimLo: 20, weight: 1, basis: 'practice', source: 'test' };
    fc.assert(
      fc.property(
        place,
        place,
        place,
        place,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b, c, d, x, y) => {
          const first = { lo: Math.min(a, b), hi: Math.max(a, b) };
          const less = { lo: Math.min(c, d), hi: Math.max(c, d) };
          const least = leastOfPair(curveOf('deskTop', FEET), curveOf('deskClearance', CLEAR), first, less);
          const at = first.lo + x * (first.hi - first.lo);
          const second = at - (less.lo + y * (less.hi - less.lo));
          const both =
            penaltyOf('deskTop', FEET, at).penalty + penaltyOf('deskClearance', CLEAR, second).penalty;
          expect(both).to.be.at.least(least);
        },
      ),
      { seed: 53, numRuns: 3000 },
    );
    const apart = leastOfPair(
      curveOf('deskTop', FEET),
      curveOf('deskClearance', CLEAR),
      { lo: -100, hi: 100 },
      { lo: 10, hi: 10 },
    );
    // Anywhere from 5 to 30 either costs ten for each millimetre: 5 at the band's edge and 25 short of clear.
    expect(apart).to.be.closeTo(255 * MILLION, 0.05 * MILLION);
  });
});
