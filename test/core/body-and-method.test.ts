import { expect } from 'chai';
import {
  DIMENSIONS,
  DIMENSION_IDS,
  isDimensionId,
  missingOf,
  pairDoubts,
  rangeDoubt,
  type DimensionId,
} from '../../src/core/body';
import { SHIPPED_METHODS, targetOf } from '../../src/core/method';
import { aimOf, bandOf, hardOf, outsideBy, roomForChild, type Target } from '../../src/core/target';
import { CONDITION_IDS } from '../../src/core/fit';
import { deskOf, overLegs } from '../../src/core/place';
import { FULL, ROUND, bodyWith, placeWith, withoutMeasure } from '../support/inputs';

describe('the table of body dimensions', () => {
  it('has a value of the full adult for each measure, standing before seated', () => {
    expect(DIMENSION_IDS).to.have.members(Object.keys(FULL));
    const postures = DIMENSION_IDS.map((id) => DIMENSIONS[id].posture);
    expect(postures.lastIndexOf('standing')).to.be.lessThan(postures.indexOf('seated'));
  });

  for (const id of DIMENSION_IDS) {
    it(`${id} has limits around an adult and a repeat tolerance`, () => {
      const row = DIMENSIONS[id];
      expect(row.lowest).to.be.lessThan(FULL[id]);
      expect(row.highest).to.be.greaterThan(FULL[id]);
      expect(row.repeatTolerance).to.be.greaterThan(0);
    });
  }

  it('knows its own names and nothing else', () => {
    expect(isDimensionId('poplitealHeight')).to.equal(true);
    expect(isDimensionId('toString')).to.equal(false);
    expect(isDimensionId('height')).to.equal(false);
  });
});

describe('doubts about measures', () => {
  it('passes a round adult', () => expect(pairDoubts(bodyWith(ROUND))).to.deep.equal([]));

  it('names a value no body has, with the limit it passed', () => {
    expect(rangeDoubt('poplitealHeight', 42)).to.deep.equal({
      reason: 'outOfRange',
      dimension: 'poplitealHeight',
      limit: 150,
    });
    expect(rangeDoubt('poplitealHeight', 4200)).to.deep.equal({
      reason: 'outOfRange',
      dimension: 'poplitealHeight',
      limit: 650,
    });
    expect(rangeDoubt('poplitealHeight', NaN)?.reason).to.equal('outOfRange');
    expect(rangeDoubt('poplitealHeight', 420)).to.equal(null);
  });

  it('names two measures that cannot be of one body', () => {
    const doubts = pairDoubts(bodyWith({ ...ROUND, poplitealHeight: 540 }));
    expect(doubts).to.deep.equal([
      { reason: 'notBelow', dimension: 'poplitealHeight', other: 'kneeHeight', limit: 520 },
    ]);
  });

  it('says nothing of a pair of which one is missing', () => {
    const body = bodyWith({ poplitealHeight: 640 });
    expect(pairDoubts(body)).to.deep.equal([]);
    expect(missingOf(body, ['poplitealHeight', 'stature'])).to.deep.equal(['stature']);
    const round = Object.keys(ROUND) as DimensionId[];
    expect(missingOf(withoutMeasure('stature', 'bodyMass'), round)).to.deep.equal(['stature', 'bodyMass']);
  });
});

describe('targets', () => {
  const open: Target = { aimLo: 20, bandLo: 10, weight: 1, basis: 'practice', source: 'test' };

  it('are open where no bound is given', () => {
    expect(aimOf(open)).to.deep.equal({ lo: 20, hi: Infinity });
    expect(bandOf(open)).to.deep.equal({ lo: 10, hi: Infinity });
    expect(hardOf(open)).to.deep.equal({ lo: -Infinity, hi: Infinity });
  });

  it('say how far a value lies outside, with its side', () => {
    expect(outsideBy({ lo: -25, hi: 5 }, 0)).to.equal(0);
    expect(outsideBy({ lo: -25, hi: 5 }, 9)).to.equal(4);
    expect(outsideBy({ lo: -25, hi: 5 }, -30)).to.equal(-5);
    expect(outsideBy({ lo: -25, hi: 5 }, 5)).to.equal(0);
  });

  it('shrink the room behind the knee in proportion for a child', () => {
    const adult: Target = {
      bandLo: 25,
      aimLo: 50,
      aimHi: 50,
      bandHi: 75,
      weight: 4,
      basis: 'practice',
      source: 'test',
    };
    const room = roomForChild(adult, 320);
    expect(room.aimLo).to.be.closeTo(33.3, 0.05);
    expect(room.bandHi).to.equal(50);
    expect(room.weight).to.equal(4);
  });
});

describe('the methods that come with the program', () => {
  for (const method of SHIPPED_METHODS) {
    describe(method.name, () => {
      for (const id of CONDITION_IDS) {
        it(`orders the bounds of ${id}`, () => {
          const target = id === 'kneeRoom' ? method.kneeRoom : targetOf(method, id);
          const [hard, band, aim] = [hardOf(target), bandOf(target), aimOf(target)];
          expect(hard.lo).to.be.at.most(band.lo);
          expect(band.lo).to.be.at.most(aim.lo);
          expect(aim.lo).to.be.at.most(aim.hi);
          expect(aim.hi).to.be.at.most(band.hi);
          expect(band.hi).to.be.at.most(hard.hi);
          // Trunk to thigh is shown by most, and added up by few.
          expect(target.weight).to.be.at.least(id === 'trunkThigh' ? 0 : 0.1);
          expect(target.source).not.to.equal('');
        });
      }

      it('sets every adjustment once', () =>
        expect(new Set(method.order).size).to.equal(method.order.length));
    });
  }
});

describe('a place', () => {
  it('says what hangs lowest over thighs and knees', () => {
    expect(overLegs(placeWith(null))).to.deep.equal({ thighsMm: 30, kneesMm: 30 });
    const place = placeWith(null, { drawerMm: 80, apronMm: 20 });
    expect(overLegs(place)).to.deep.equal({ thighsMm: 80, kneesMm: 30 });
  });

  it('may have no desk, or be nowhere', () => {
    expect(deskOf(placeWith(null))).to.equal(null);
    expect(deskOf(null)).to.equal(null);
  });
});
