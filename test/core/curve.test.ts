import { expect } from 'chai';
import fc from 'fast-check';
import jstat from 'jstat';
import { Curve } from '../../src/core/fit';
import { expectedOver } from '../../src/core/fit/cost/expected';
import { leverCosts } from '../../src/core/fit/cost/levers';
import { assumed, type Target } from '../../src/core/target';
import { evenly } from '../support/evenly';

const MILLION = 1_000_000;
const FEET: Target = {
  hardLo: -45,
  bandLo: -25,
  aimLo: -15,
  aimHi: 0,
  bandHi: 5,
  hardHi: 60,
  weight: 5,
  basis: 'practice',
  source: 'test',
};
const ROOM: Target = { bandLo: 0, aimLo: 5, weight: 20, basis: 'assumed', source: 'test' };
const plain = new Curve(FEET, 'mm', 0);

/** The mean cost of a residual in doubt, by adding up many slices of the normal distribution. */
function meanCost(target: Target, residual: number, sd: number): number {
  const exact = new Curve(target, 'mm', 0);
  const SLICES = 4000;
  let sum = 0;
  for (let i = 0; i < SLICES; i++) {
    const z = jstat.jStat.normal.inv((i + 0.5) / SLICES, 0, 1);
    sum += exact.raw(residual + sd * z);
  }
  return sum / SLICES;
}

describe('what a corner comes to under doubt', () => {
  it('is t Φ(t) + φ(t) to within what a straight line between steps of 1/64 is off', () => {
    for (let t = -7; t <= 7; t += 0.013) {
      const { normal } = jstat.jStat;
      expect(expectedOver(t)).to.be.closeTo(t * normal.cdf(t, 0, 1) + normal.pdf(t, 0, 1), 2e-5);
    }
  });
  it('is told a hair under the ends of its table', () => {
    for (const t of [6 - 1e-15, 6 - 2e-15, 6 - 4.4e-16 * 4, -6 + 1e-15, -6 + 2e-15])
      expect(expectedOver(t)).to.be.closeTo(Math.max(0, t), 1e-6);
  });
  it('is nothing far below and all of it far above', () =>
    expect([expectedOver(-6), expectedOver(-9), expectedOver(6), expectedOver(9.5)]).to.deep.equal([
      0, 0, 6, 9.5,
    ]));
});

describe('the cost of a residual without doubt', () => {
  it('is nothing in the aim, and rises straight to the weight at the band’s edge', () => {
    expect([0, -7, -15].map((r) => plain.at(r))).to.deep.equal([0, 0, 0]);
    expect([5, 2.5, -25, -20].map((r) => plain.at(r) / MILLION)).to.deep.equal([5, 2.5, 5, 2.5]);
  });
  it('rises ten times as steeply beyond, and a hundred times beyond the hard bound', () => {
    expect([plain.at(6), plain.at(-26)]).to.deep.equal([15 * MILLION, 10 * MILLION]);
    expect(plain.at(61) - plain.at(60)).to.equal(100 * MILLION);
    expect(plain.at(-46) - plain.at(-45)).to.equal(50 * MILLION);
  });
  it('counts what lies beyond a hard bound in tenths, beside the cost', () =>
    expect([60, 63.2, -46].map((r) => plain.beyondHard(r))).to.deep.equal([0, 32, 10]));
  it('takes the aim for the band’s edge where there is no band, at least a millimetre wide', () => {
    const open = new Curve({ aimLo: 20, weight: 1, basis: 'practice', source: 'test' }, 'mm', 0);
    expect([open.at(25), open.at(19)]).to.deep.equal([0, 10 * MILLION]);
  });
  it('does not see differences in the last bit', () => expect(plain.at(2.5 + 1e-9)).to.equal(plain.at(2.5)));
});

describe('the cost of a residual in doubt', () => {
  const residual = evenly(-120, 120);
  const sd = fc.constantFrom(2, 4.3, 7, 11.6);

  it('is the mean of what it costs without, less the least that any residual costs', () => {
    for (const deviation of [2, 6, 11]) {
      const curve = new Curve(FEET, 'mm', deviation);
      let least = Infinity;
      for (let r = -30; r <= 10; r += 0.25) least = Math.min(least, meanCost(FEET, r, deviation));
      for (const r of [-40, -22, -12, -7, 0, 4, 12, 40])
        expect(curve.at(r) / MILLION).to.be.closeTo(meanCost(FEET, r, deviation) - least, 0.05);
    }
  });
  it('is least inside the band, further from the side where being wrong hurts more', () => {
    const curve = new Curve(FEET, 'mm', 6);
    const costs = Array.from({ length: 61 }, (_, i) => curve.at(i / 2 - 25));
    const best = costs.indexOf(Math.min(...costs)) / 2 - 25;
    // The upper edge lies 5 above the aim and is twice as steep as the lower one.
    expect(best).to.be.within(-14, -9);
    expect(Math.min(...costs)).to.be.lessThan(5000);
  });
  it('falls towards an open end, and is nothing there', () => {
    const curve = new Curve(ROOM, 'mm', 5);
    expect([curve.at(60), curve.at(200)]).to.deep.equal([0, 0]);
    expect(curve.at(5)).to.be.greaterThan(curve.at(10));
  });
  it('is a whole number, never negative, and convex', () => {
    fc.assert(
      fc.property(residual, residual, sd, (a, b, deviation) => {
        const curve = new Curve(FEET, 'mm', deviation);
        for (const r of [a, b]) {
          expect(Number.isInteger(curve.at(r))).to.equal(true);
          expect(curve.at(r)).to.be.at.least(0);
        }
        expect(curve.raw((a + b) / 2)).to.be.at.most((curve.raw(a) + curve.raw(b)) / 2 + 1e-9);
      }),
      { seed: 51, numRuns: 2000 },
    );
  });
  it('lies nowhere below a line that touches it', () => {
    fc.assert(
      fc.property(residual, residual, sd, (a, b, deviation) => {
        const curve = new Curve(FEET, 'mm', deviation);
        expect(curve.raw(a) + curve.slope(a) * (b - a)).to.be.at.most(curve.raw(b) + 1e-9);
      }),
      { seed: 52, numRuns: 2000 },
    );
  });
  const STEEP_ABOVE = assumed({ bandLo: -4, aimLo: 0, aimHi: 0, bandHi: 4, hardHi: 24, weight: 20 });
  it('is nowhere in an interval less than what is told of the interval', () => {
    const unused = { flat: 12, perUnit: 0.01 };
    fc.assert(
      fc.property(residual, residual, evenly(0, 1), sd, (a, b, x, deviation) => {
        for (const curve of [
          new Curve(FEET, 'mm', deviation),
          new Curve(ROOM, 'mm', deviation),
          new Curve(FEET, 'mm', deviation, { unused }),
          // So steep above that doubt of it is felt far below, where it is left unused.
          new Curve(STEEP_ABOVE, 'mm', 3 * deviation, { unused }),
        ]) {
          const [lo, hi] = [Math.min(a, b), Math.max(a, b)];
          expect(curve.leastPenalty(lo, hi)).to.be.at.most(curve.at(lo + x * (hi - lo)));
          const there = Math.round(1000 * a) / 1000;
          expect(curve.leastPenalty(there, there)).to.equal(curve.at(there));
        }
      }),
      { seed: 53, numRuns: 3000 },
    );
  });
});

describe('pads that may be left unused', () => {
  const used = new Curve(FEET, 'mm', 4);
  const either = new Curve(FEET, 'mm', 4, { unused: { flat: 12, perUnit: 0.01 } });
  it('cost as ever where they are near, and a flat price and a little more where they are far too low', () => {
    expect(either.at(-20)).to.equal(used.at(-20));
    expect(either.at(-90) / MILLION).to.be.closeTo(12.9, 0.01);
    expect(used.at(-90) / MILLION).to.be.greaterThan(100);
  });
  it('help nobody whose shoulders they lift', () => expect(either.at(30)).to.be.greaterThan(100 * MILLION));
});

describe('levers', () => {
  const costs = (kind: Parameters<typeof leverCosts>[0], values: readonly number[]) =>
    Array.from(leverCosts(kind, values), (c) => c / MILLION);
  it('cost a fifth of a point at the end that is further from rest', () => {
    expect(costs('backAngle', [0, 10, 20])).to.deep.equal([0, 0.1, 0.2]);
    expect(costs('seatAngle', [-4, 0, 6])).to.deep.equal([0.133333, 0, 0.2]);
    expect(costs('armHeight', [180, 230, 280])).to.deep.equal([0.2, 0, 0.2]);
  });
  it('cost half a point more where what may be left off is used', () =>
    expect(costs('frontSlope', [-10, 0])).to.deep.equal([0.7, 0]));
  it('cost nothing where there is no rest', () =>
    expect(costs('seatHeight', [400, 450, 500])).to.deep.equal([0, 0, 0]));
});
