/** Seat height, depth and width against published rules and tables. Values from memory unless marked as computed. */
import { expect } from 'chai';
import {
  NO_REMEDIES,
  SEAT_WIDTH_SHARE,
  assess,
  seatChecks,
  seatDepthBand,
  seatHeightBand,
  seatWidthBand,
  solve,
  type Verdict,
} from '../../src/core/fit';
import { DEMO_SEATS } from '../../src/demo/seats';
import {
  ROUND,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  problemFor,
  q,
  seatWith,
  slides,
  type Case,
} from '../support/inputs';

const heightOf = (given: Case) => {
  const p = problemFor(given);
  const { settings } = solve(p, { remedies: NO_REMEDIES });
  return p.variables.seatHeight!.values[settings.positions.seatHeight!]!;
};

function verdictOf(given: Case, kind: 'seatHeight' | 'seatDepth'): Verdict {
  const p = problemFor(given);
  return assess(p, solve(p, { remedies: NO_REMEDIES }).settings).outcomes.find((o) => o.kind === kind)!
    .verdict;
}

describe('seat height band (P+s) cos 30° … (P+s) cos 5°: Gouvali & Boudolos 2006, Applied Ergonomics 37:765; from memory', () => {
  // Worked from the stated equation, rounded to a tenth.
  const worked: readonly [number, number, number, number][] = [
    [350, 20, 320.4, 368.6],
    [400, 20, 363.7, 418.4],
    [400, 25, 368.1, 423.4],
    [400, 30, 372.4, 428.4],
  ];
  for (const [popliteal, shoe, lowest, highest] of worked) {
    it(`popliteal ${popliteal} with shoe ${shoe}: ${lowest} to ${highest}`, () => {
      const band = seatHeightBand(popliteal, shoe);
      expect(band.lo).to.be.closeTo(lowest, 0.05);
      expect(band.hi).to.be.closeTo(highest, 0.05);
    });
  }

  it('is not the 0.88 … 0.95 P of Parcells, Stommel & Hubbard 1999 (J. Adolescent Health 24:265; from memory)', () => {
    const band = seatHeightBand(400, 20);
    expect(band.lo).to.be.greaterThan(0.88 * 400);
    expect(band.hi).to.be.greaterThan(0.95 * 400);
  });
});

describe('seat depth 0.80 … 0.95 of buttock–popliteal length: Parcells et al. 1999; Gouvali & Boudolos 2006; from memory', () => {
  it('gives 384 to 456 for 480', () => {
    const band = seatDepthBand(480);
    expect(band.lo).to.be.closeTo(384, 1e-9);
    expect(band.hi).to.be.closeTo(456, 1e-9);
  });

  for (const length of [420, 450, 480, 510, 540]) {
    it(`holds the depth that both methods choose for an adult of ${length}`, () => {
      const p = problemFor({
        body: bodyWith({ ...ROUND, buttockPoplitealLength: length }),
        seat: seatWith([adjustment('seatHeight', listed(440)), adjustment('seatDepth', slides(300, 560))]),
      });
      const depth =
        p.variables.seatDepth!.values[solve(p, { remedies: NO_REMEDIES }).settings.positions.seatDepth!]!;
      const band = seatDepthBand(length);
      expect(depth).to.be.within(band.lo, band.hi);
    });
  }
});

describe('seat width at least 1.10 hip breadths, at most 1.30 for shared school seats: Gouvali & Boudolos 2006; from memory', () => {
  it('gives 407 to 481 for hips of 370', () => {
    expect(SEAT_WIDTH_SHARE).to.equal(1.1);
    const band = seatWidthBand(370);
    expect(band.lo).to.be.closeTo(407, 1e-9);
    expect(band.hi).to.be.closeTo(481, 1e-9);
  });

  it('is what the width check wants', () => {
    const verdict = (width: number) =>
      seatChecks(inputsOf({ seat: seatWith([], { seatWidthMm: q(width) }) })).find(
        (c) => c.id === 'seatWidth',
      )?.verdict;
    expect(verdict(407.1)).to.equal('passes');
    expect(verdict(406.9)).to.equal('close');
  });
});

describe('EN 1729-1 size marks 1–6 at the middle of the mark with a 20 mm shoe; from memory', () => {
  /** Mark, popliteal height from and to, seat height. */
  const marks: readonly [number, number, number, number][] = [
    [1, 250, 280, 260],
    [2, 280, 315, 310],
    [3, 315, 355, 350],
    [4, 355, 405, 380],
    [5, 405, 435, 430],
    [6, 435, 485, 460],
  ];
  const heights = marks.map(([, , , height]) => height);

  for (const [mark, low, high, height] of marks) {
    const popliteal = (low + high) / 2;
    it(`mark ${mark}: a seat of ${height} lies in the cosine band of ${popliteal}`, () => {
      const band = seatHeightBand(popliteal, 20);
      expect(height).to.be.within(band.lo, band.hi);
    });

    it(`mark ${mark}: of all six heights the solver takes ${height}`, () => {
      const body = bodyWith({ poplitealHeight: popliteal, shoeHeel: 20 });
      const seat = seatWith([adjustment('seatHeight', listed(...heights))], { seatClass: 'child' });
      expect(heightOf({ body, seat, ageYears: 9 })).to.equal(height);
    });
  }
});

describe('fixed-seat anchors: Pheasant, Bodyspace, British adults 19–65; from memory', () => {
  const anchored = { poplitealHeight: 355, shoeHeel: 45, buttockPoplitealLength: 435 };

  it('400 mm: the smallest twentieth of women in shoes of 45 mm sit with flat feet, and no higher', () => {
    expect(
      heightOf({ body: bodyWith(anchored), seat: seatWith([adjustment('seatHeight', slides(380, 520))]) }),
    ).to.be.within(388, 400);
    expect(
      verdictOf(
        { body: bodyWith(anchored), seat: seatWith([adjustment('seatHeight', listed(400))]) },
        'seatHeight',
      ),
    ).to.equal('fits');
    expect(
      verdictOf(
        { body: bodyWith(anchored), seat: seatWith([adjustment('seatHeight', listed(416))]) },
        'seatHeight',
      ),
    ).to.equal('cannotReach');
  });

  it('435 mm: a depth of their buttock–popliteal length leaves no room at all', () => {
    const p = problemFor({
      body: bodyWith(anchored),
      seat: seatWith([adjustment('seatHeight', listed(400)), adjustment('seatDepth', listed(435))]),
    });
    const depth = assess(p, solve(p, { remedies: NO_REMEDIES }).settings).outcomes.find(
      (o) => o.kind === 'seatDepth',
    )!;
    expect(depth.deciding?.residual).to.equal(0);
    expect(depth.verdict).to.equal('cannotReach');
  });
});

describe('a child’s seat with its lowest front edge at 300 mm and shortest depth at 260 mm: common practice, no source', () => {
  const seat = seatWith([adjustment('seatHeight', listed(300)), adjustment('seatDepth', listed(260))], {
    seatClass: 'child',
  });
  const height = (poplitealHeight: number, shoeHeel: number) =>
    verdictOf(
      { body: bodyWith({ poplitealHeight, shoeHeel, buttockPoplitealLength: 320 }), seat, ageYears: 7 },
      'seatHeight',
    );

  it('fits the average seven-year-old barefoot (popliteal about 310) and the average six-year-old in 20 mm shoes', () => {
    expect(height(310, 0)).to.equal('fits');
    expect(height(280, 20)).to.equal('fits');
  });

  it('does not fit the smallest twentieth of seven-year-olds barefoot (about 280)', () =>
    expect(height(280, 0)).to.equal('cannotReach'));

  it('leaves the average five-year-old (280) a room of 20 mm, which is enough for a child and would not be for an adult', () => {
    const body = bodyWith({ poplitealHeight: 262, shoeHeel: 20, buttockPoplitealLength: 280 });
    expect(verdictOf({ body, seat, ageYears: 5 }, 'seatDepth')).to.equal('fits');
    expect(verdictOf({ body, seat, ageYears: 30 }, 'seatDepth')).to.equal('close');
    expect(260).to.be.at.most(seatDepthBand(280).hi);
  });
});

describe('a gas lift of 415–525 mm: common practice, no source', () => {
  // Pheasant, Bodyspace, British adults; shoe corrections 25 and 45 mm; from memory.
  const people: readonly [string, number, number, Verdict][] = [
    ['the average man', 440, 25, 'fits'],
    ['the average woman', 400, 45, 'fits'],
    ['the tallest twentieth of men', 490, 25, 'fits'],
    ['the smallest twentieth of women in flat shoes', 355, 25, 'cannotReach'],
  ];
  const office = DEMO_SEATS.find((s) => s.seatClass === 'office')!;
  for (const [who, poplitealHeight, shoeHeel, verdict] of people) {
    it(`${who}: ${verdict}`, () => {
      const body = bodyWith({ poplitealHeight, shoeHeel, bodyMass: 77 });
      expect(verdictOf({ body, seat: { ...office, id: 'x' } }, 'seatHeight')).to.equal(verdict);
    });
  }
});
