import { expect } from 'chai';
import fc from 'fast-check';
import {
  ADJUSTMENT_KINDS,
  ADJUSTMENT_UNITS,
  endsOf,
  isFixed,
  isStepped,
  nearestPosition,
  positionCount,
  valueAt,
  valuesOf,
  type Adjustment,
} from '../../src/core/seat';
import { adjustment, listed, slides, steps } from '../support/inputs';
import { evenly } from '../support/evenly';

/** Any travel that a seat could have, in whole or half units. */
const anyAdjustment: fc.Arbitrary<Adjustment> = fc.oneof(
  fc
    .tuple(fc.integer({ min: 300, max: 500 }), fc.integer({ min: 1, max: 400 }))
    .map(([lo, length]) => adjustment('seatHeight', slides(lo, lo + length / 2))),
  fc
    .tuple(
      fc.integer({ min: 300, max: 500 }),
      fc.integer({ min: 1, max: 200 }),
      fc.integer({ min: 2, max: 20 }),
    )
    .map(([lo, length, n]) => adjustment('seatHeight', steps(lo, lo + length, n))),
  fc
    .uniqueArray(fc.integer({ min: 300, max: 700 }), { minLength: 1, maxLength: 12 })
    .map((values) => adjustment('seatHeight', listed(...values.sort((a, b) => a - b)))),
  fc.integer({ min: 1, max: 40 }).map((eighths) => adjustment('tiltTension', slides(0, eighths / 8))),
);

describe('positions of an adjustment', () => {
  it('counts both ends of a free slide on a lattice of one millimetre', () => {
    const a = adjustment('seatHeight', slides(415, 525));
    expect(positionCount(a)).to.equal(111);
    expect(valueAt(a, 0)).to.equal(415);
    expect(valueAt(a, 110)).to.equal(525);
    expect(valueAt(a, 37)).to.equal(452);
  });

  it('always has the highest end as a position, even off the lattice', () => {
    const a = adjustment('seatHeight', slides(400, 400.6));
    expect(valuesOf(a)).to.deep.equal([400, 400.6]);
  });

  it('offers half degrees and eighths of a turn', () => {
    expect(valuesOf(adjustment('backAngle', slides(0, 2)))).to.deep.equal([0, 0.5, 1, 1.5, 2]);
    expect(valuesOf(adjustment('tiltTension', slides(0, 0.5)))).to.deep.equal([0, 0.125, 0.25, 0.375, 0.5]);
  });

  it('places clicks at equal distances with both ends', () => {
    expect(valuesOf(adjustment('armHeight', steps(180, 280, 5)))).to.deep.equal([180, 205, 230, 255, 280]);
  });

  it('takes listed positions as they are', () => {
    expect(valuesOf(adjustment('backAngle', listed(2, 7, 12, 18)))).to.deep.equal([2, 7, 12, 18]);
  });

  it('knows what nobody can move and what can be told by touch', () => {
    expect(isFixed(adjustment('seatDepth', listed(360)))).to.equal(true);
    expect(isFixed(adjustment('seatDepth', listed(360, 380)))).to.equal(false);
    expect(isStepped(adjustment('seatDepth', slides(360, 380)))).to.equal(false);
    expect(isStepped(adjustment('seatDepth', steps(360, 380, 3)))).to.equal(true);
  });

  it('gives the ends of every form of travel', () => {
    expect(endsOf(slides(1, 2))).to.deep.equal({ lowest: 1, highest: 2 });
    expect(endsOf(steps(1, 2, 3))).to.deep.equal({ lowest: 1, highest: 2 });
    expect(endsOf(listed(4, 9))).to.deep.equal({ lowest: 4, highest: 9 });
  });

  it('rises with the position and stays within its ends', () => {
    fc.assert(
      fc.property(anyAdjustment, (a) => {
        const values = valuesOf(a);
        const { lowest, highest } = endsOf(a.travel);
        expect(values).to.have.length(positionCount(a));
        expect(values[0]).to.equal(lowest);
        expect(values[values.length - 1]).to.equal(highest);
        values.forEach((v, i) => i > 0 && expect(v).to.be.greaterThan(values[i - 1]!));
      }),
      { seed: 31 },
    );
  });

  it('finds the nearest position, the lower one at a tie, as looking through all of them does', () => {
    fc.assert(
      fc.property(anyAdjustment, evenly(-50, 900), (a, value) => {
        const values = valuesOf(a);
        const distance = (i: number) => Math.abs(values[i]! - value);
        const found = nearestPosition(a, value);
        for (let i = 0; i < values.length; i++) expect(distance(found)).to.be.at.most(distance(i) + 1e-6);
      }),
      { seed: 32 },
    );
    expect(nearestPosition(adjustment('armHeight', steps(180, 280, 5)), 192.5)).to.equal(0);
    expect(nearestPosition(adjustment('armHeight', listed(180, 200)), 190)).to.equal(0);
  });

  it('comes back to the position whose value it was given', () => {
    fc.assert(
      fc.property(anyAdjustment, fc.nat(5000), (a, n) => {
        const position = n % positionCount(a);
        expect(nearestPosition(a, valueAt(a, position))).to.equal(position);
      }),
      { seed: 33 },
    );
  });
});

describe('the table of adjustment kinds', () => {
  for (const [kind, row] of Object.entries(ADJUSTMENT_KINDS)) {
    it(`${kind} has rising ends and known units`, () => {
      expect(row.lowest).to.be.lessThan(row.highest);
      for (const unit of row.units) expect(ADJUSTMENT_UNITS).to.have.property(unit);
    });
  }
});
