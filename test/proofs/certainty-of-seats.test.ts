import { expect } from 'chai';
import fc from 'fast-check';
import { DIMENSIONS, type DimensionId } from '../../src/core/body';
import { certaintyOfSeat, drawsOf, quickCertainty, type Draws } from '../../src/core/certainty';
import { shareInBand } from '../../src/core/certainty/along';
import { standardNormals } from '../../src/core/certainty/draws';
import {
  countWithin,
  plainShare,
  regionOf,
  sdOf,
  type Mover,
  type Row,
} from '../../src/core/certainty/linear';
import {
  NO_REMEDIES,
  isPassive,
  problemOf,
  solve,
  withBody,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { BRITISH, filledBody } from '../../src/core/population';
import type { SeatModel } from '../../src/core/seat';
import { bodyOf } from '../../bench/body';
import { buildDemo } from '../../src/demo/build';
import {
  RIGHT_ANGLE,
  ROUND,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  problemFor,
  q,
  seatWith,
  slides,
  steps,
} from '../support/inputs';
import { lookingOf, somePositionFits } from '../support/some-position';

const demo = buildDemo(5, new Date('2026-11-25T09:30:00Z'), { sitters: 40, seats: 40 });
const sitters = demo.sitters.filter((s) => s.readings.length >= 14);
const SITTER_LED = SHIPPED_METHODS.find((m) => m.id === 'sitter-led')!;
const FEW: readonly string[] = ['stature', 'bodyMass', 'shoeHeel'];
const SOME: readonly string[] = [
  ...FEW,
  'poplitealHeight',
  'buttockPoplitealLength',
  'elbowHeightSitting',
  'hipBreadthSitting',
];

interface Case {
  readonly p: Problem;
  readonly settings: Settings;
  readonly draws: Draws;
}

function caseOf(p: Problem, seed: number, count: number): Case {
  const { settings } = solve(p, { remedies: NO_REMEDIES });
  return { p, settings, draws: drawsOf(p.inputs.body, { seed, count }) };
}

/** Sitters who were measured in part, on seats of the demo records. */
function drawnCase(n: number, count: number): Case {
  const isBare = n % 3 !== 0;
  const kept = isBare ? FEW : SOME;
  const read = Object.fromEntries(
    Object.entries(bodyOf(sitters[n % sitters.length]!.readings))
      .filter(([id]) => kept.includes(id))
      .map(([id, quantity]) => [
        id,
        { ...quantity, spread: DIMENSIONS[id as DimensionId].repeatTolerance / 2 },
      ]),
  );
  const p = problemOf(
    inputsOf({
      body: filledBody(read, { sex: null, ageYears: 40 }, BRITISH),
      seat: demo.seats[(n * 7) % demo.seats.length]!.seat,
      place: n % 4 < 2 ? placeWith(slides(640, 800)) : null,
      method: isBare ? SITTER_LED : SHIPPED_METHODS[0]!,
    }),
  );
  return caseOf(p, n + 1, count);
}

/** The share of drawn bodies for which some position is found by looking. */
function lookedFor({ p, draws: { ids, off, count } }: Case): number {
  const plan = lookingOf(p);
  let found = 0;
  for (let d = 0; d < count; d++) {
    const body: Record<string, unknown> = { ...p.inputs.body };
    ids.forEach((id, i) => {
      const quantity = p.inputs.body[id]!;
      body[id] = { ...quantity, value: quantity.value + off[d * ids.length + i]! };
    });
    if (somePositionFits(withBody(p, body), plan)) found++;
  }
  return found / count;
}

/** Seats on which looking is quick enough: few angles, and nothing that hangs together in more than twos. */
const isQuickToLook = ({ p }: Case): boolean => {
  // What tips by itself has to fit at both ends at once, which is not looked for here.
  if (Object.values(p.variables).some(isPassive)) return false;
  const { first, pieces } = lookingOf(p);
  const angles = first.reduce((n, kind) => n * p.variables[kind]!.values.length, 1);
  return angles <= 50 && pieces.every(({ kinds }) => kinds.length <= 2);
};

describe('whether some position of a seat fits', () => {
  it('is told as by looking through the positions for 20,000 drawn bodies', function () {
    this.timeout(600_000);
    const off: number[] = [];
    for (const n of [0, 14, 47, 67, 127, 134]) {
      const one = drawnCase(n, 20_000);
      expect(isQuickToLook(one), String(n)).to.equal(true);
      off.push(Math.abs(certaintyOfSeat(one.p, one.settings, one.draws).all - lookedFor(one)));
    }
    // Conditions are taken as straight where they begin to fail: that, not the drawing, is what is left.
    expect(Math.max(...off)).to.be.lessThan(0.03);
    expect(off.reduce((a, b) => a + b) / off.length).to.be.lessThan(0.015);
  });

  it('is told within six points for nine of ten over many seats, sitters and methods', function () {
    this.timeout(600_000);
    const off: number[] = [];
    for (let n = 0; n < 160; n++) {
      const one = drawnCase(n, 500);
      const { all } = certaintyOfSeat(one.p, one.settings, one.draws);
      if (all < 0.05 || all > 0.97 || !isQuickToLook(one)) continue;
      off.push(Math.abs(all - lookedFor(one)));
    }
    expect(off.length).to.be.greaterThan(20);
    // A foot ring, or a perch on which thighs fall, fails in more ways than straight rows tell.
    expect(off.filter((x) => x < 0.06).length / off.length).to.be.at.least(0.9);
    expect(Math.max(...off)).to.be.lessThan(0.3);
    expect(off.reduce((a, b) => a + b) / off.length).to.be.lessThan(0.03);
  });

  it('is never less sure than that these very settings fit, but for what is taken as straight', () => {
    for (let n = 0; n < 60; n++) {
      const { p, settings, draws } = drawnCase(n, 2048);
      const set = quickCertainty(p, settings, draws).all;
      expect(certaintyOfSeat(p, settings, draws).all).to.be.greaterThan(set - 0.03);
    }
  });

  it('is never surer than its least condition, and names that one', () => {
    for (let n = 0; n < 60; n++) {
      const { p, settings, draws } = drawnCase(n, 1024);
      const { each, all, limiting } = certaintyOfSeat(p, settings, draws);
      for (const { probability } of each) expect(all).to.be.at.most(probability);
      if (limiting) expect(each[0]!.id).to.equal(limiting);
      else expect(all).to.equal(1);
    }
  });

  it('is the normal share where one measure meets one range', () => {
    // The hollow of the knee has to stand between 405 and 445 less 25 and plus 5: leg and shoe from 400 to 470.
    const seat = seatWith([adjustment('seatHeight', slides(405, 445))]);
    const of = (leg: number): number => {
      const body = bodyWith({ ...ROUND, poplitealHeight: leg, shoeHeel: 20 });
      const doubtful = { ...body, poplitealHeight: { ...body.poplitealHeight!, spread: 10 } };
      const one = caseOf(problemFor({ seat, body: doubtful, method: RIGHT_ANGLE }), 1, 4096);
      return certaintyOfSeat(one.p, one.settings, one.draws).each.find((c) => c.id === 'footGap')!
        .probability;
    };
    // At the end of what the seat can do one in two; one deviation within, Φ(1) = 0.8413.
    expect(of(450)).to.be.closeTo(0.5, 0.01);
    expect(of(440)).to.be.closeTo(0.8413, 0.01);
    expect(of(390)).to.be.closeTo(0.8413, 0.01);
    expect(of(420)).to.be.greaterThan(0.99);
  });

  it('counts stops that lie too far apart for a band', () => {
    // Pads every 30 mm, a band 25 mm wide: an elbow somewhere along a wide spread finds a stop five times in six.
    const seat = seatWith([
      adjustment('seatHeight', listed(440)),
      adjustment('armHeight', steps(140, 350, 8)),
    ]);
    const body = bodyWith(ROUND);
    const doubtful = { ...body, elbowHeightSitting: { ...body.elbowHeightSitting!, spread: 30 } };
    const one = caseOf(problemFor({ seat, body: doubtful, method: RIGHT_ANGLE }), 3, 4096);
    const { each } = certaintyOfSeat(one.p, one.settings, one.draws);
    expect(each.find((c) => c.id === 'armHeight')!.probability).to.be.closeTo(5 / 6, 0.04);
  });

  it('counts what a seat’s own sheet leaves open', () => {
    const height = (spread: number, low: number): SeatModel =>
      seatWith([
        adjustment('seatHeight', {
          type: 'continuous',
          lowest: q(low, spread),
          highest: q(500, spread),
        }),
      ]);
    const of = (spread: number, low = 445): number => {
      const one = caseOf(problemFor({ seat: height(spread, low), method: RIGHT_ANGLE }), 1, 4096);
      return certaintyOfSeat(one.p, one.settings, one.draws).all;
    };
    // Nobody said how far it may be off: 3 mm, as is usual.
    expect(of(0, 430)).to.be.at.least(0.999);
    expect(of(0)).to.be.closeTo(0.5, 0.03);
    // It may stand 5 mm too high for these feet, and that is where its lowest end is: one in two.
    expect(of(8)).to.be.closeTo(0.5, 0.03);
  });
});

describe('what can be moved, eliminated', () => {
  const UNKNOWNS = { covariance: Float64Array.from([1]), together: 1, count: 1 };
  const row = (at: number, move: readonly number[], off: number): Row => {
    const follows = [off];
    return { at, move, off: follows, sd: sdOf(follows, UNKNOWNS) };
  };

  it('leaves the same bodies as trying every position', () => {
    const Rows = fc.array(
      fc.tuple(
        fc.integer({ min: -6, max: 6 }),
        fc.array(fc.integer({ min: -2, max: 2 }), { minLength: 3, maxLength: 3 }),
        fc.integer({ min: -3, max: 3 }),
      ),
      { minLength: 1, maxLength: 7 },
    );
    const movers: readonly Mover[] = [
      { type: 'stops', values: [0, 1, 2, 5] },
      { type: 'stops', values: [-3, 0, 4] },
      { type: 'slides', lo: -2, hi: 3 },
    ];
    const columns = [Float64Array.from([-3, -2, -1, -0.5, 0.05, 0.4, 1.1, 2, 3])];
    fc.assert(
      fc.property(Rows, (given) => {
        const rows = given.map(([at, move, off]) => row(at + 0.013, move, off));
        const region = regionOf(rows, movers, UNKNOWNS);
        const count = countWithin(region, columns, UNKNOWNS.count > 0 ? columns[0]!.length : 0);
        let looked = 0;
        for (const x of columns[0]!) {
          const holds = (values: readonly number[]) =>
            rows.every((r) => r.at + r.move.reduce((s, m, j) => s + m * values[j]!, 0) + r.off[0]! * x >= 0);
          // The slider is looked at very closely: every end of every row lies on a hundredth or between two.
          const isFound = [0, 1, 2, 5].some((a) =>
            [-3, 0, 4].some((b) => {
              let [lo, hi] = [-2, 3];
              for (const r of rows) {
                const rest = r.at + r.move[0]! * a + r.move[1]! * b + r.off[0]! * x;
                const by = r.move[2]!;
                if (by > 0) lo = Math.max(lo, -rest / by);
                else if (by < 0) hi = Math.min(hi, rest / -by);
                else if (rest < 0) return false;
              }
              return lo <= hi && holds([a, b, (lo + hi) / 2]);
            }),
          );
          if (isFound) looked++;
        }
        expect(count).to.equal(looked);
      }),
      { numRuns: 400, seed: 11 },
    );
  });

  it('tells the share of a band by the normal curve', () => {
    const region = regionOf([row(1, [], 1), row(1, [], -1)], [], UNKNOWNS);
    // Within one deviation: 0.6827 (tables of the normal distribution).
    expect(plainShare(region, UNKNOWNS)).to.be.closeTo(0.6827, 1e-4);
    expect(plainShare(regionOf([row(-9, [], 1)], [], UNKNOWNS), UNKNOWNS)).to.equal(0);
    expect(plainShare(regionOf([row(9, [], 1)], [], UNKNOWNS), UNKNOWNS)).to.equal(1);
  });

  it('tells of a band alone the same with and without drawing', () => {
    const bodies = 20_000;
    const columns = standardNormals(bodies, 1);
    const movers: readonly Mover[] = [
      { type: 'stops', values: [0, 4, 9] },
      { type: 'slides', lo: -1, hi: 2 },
    ];
    const Given = fc.tuple(
      fc.integer({ min: -12, max: 6 }),
      fc.array(fc.integer({ min: -1, max: 1 }), { minLength: 2, maxLength: 2 }),
      fc.integer({ min: 0, max: 4 }),
      fc.integer({ min: 1, max: 6 }),
      fc.boolean(),
    );
    fc.assert(
      fc.property(Given, ([at, move, off, width, isBent]) => {
        const bends = isBent && move[0] !== 0 ? new Map([[0, [0, 0.7, -0.4]]]) : undefined;
        const low: Row = { ...row(at + 0.013, move, off), bends };
        const turn = row(width - low.at, [-move[0]!, -move[1]!], -off);
        const back = bends && new Map([[0, bends.get(0)!.map((x) => -x)]]);
        const region = regionOf([low, { ...turn, bends: back }], movers, UNKNOWNS);
        const drawn = countWithin(region, columns, bodies) / bodies;
        // Four standard errors of a share of so many.
        expect(shareInBand(low, width, movers)).to.be.closeTo(drawn, 4 * Math.sqrt(0.25 / bodies));
      }),
      { numRuns: 200, seed: 12 },
    );
    expect(shareInBand(row(0, [0, 0], 2), Infinity, movers)).to.be.closeTo(0.5, 1e-9);
  });
});
