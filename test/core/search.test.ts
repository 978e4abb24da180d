import { expect } from 'chai';
import fc from 'fast-check';
import { CONDITION_IDS } from '../../src/core/method';
import { extentOf, conditionsOf, type Condition } from '../../src/core/fit/conditions';
import { Extents } from '../../src/core/fit/extents';
import type { Problem, SetValues } from '../../src/core/fit/problem';
import { search, type Box, type Cost, type Space } from '../../src/core/fit/search';
import { planOf } from '../../src/core/fit/plan';
import { emptyValues } from '../../src/core/fit/solve';
import type { AdjustmentKind } from '../../src/core/seat';
import {
  EVERYTHING,
  EVERY_PLACE,
  FULL,
  ROUND,
  WIDE_SEAT,
  adjustment,
  bodyWith,
  inputsOf,
  placeWith,
  seatWith,
  slides,
} from '../support/inputs';
import { problemOf } from '../../src/core/fit';

type Table = (positions: readonly number[]) => Cost;

function pointsOf({ lo, hi }: Pick<Box, 'lo' | 'hi'>): number[][] {
  let points: number[][] = [[]];
  lo.forEach((from, axis) => {
    const next: number[][] = [];
    for (const point of points) for (let n = from; n <= hi[axis]!; n++) next.push([...point, n]);
    points = next;
  });
  return points;
}

/** A space over a table, whose bound is the truth less what `slack` says: bounds may be loose, never too high. */
function spaceOver(
  counts: readonly number[],
  table: Table,
  ties: readonly Table[],
  slack: (box: Box) => number,
): Space {
  const least = (of: (point: readonly number[]) => number, box: Box) => Math.min(...pointsOf(box).map(of));
  const isOne = ({ lo, hi }: Box) => lo.every((n, i) => n === hi[i]);
  return {
    counts,
    weights: counts.map(() => 1),
    costOf: (box) => {
      const hard = least((x) => table(x).hard, box);
      const penalty = least((x) => table(x).penalty, box);
      if (isOne(box)) return { hard, penalty };
      // Where to look is only a hint: it may lead anywhere, out of the box as well.
      const towards = box.lo.map((lo, i) => (slack(box) === 0 ? NaN : lo + slack(box) - (i % 3)));
      return { hard: hard - slack(box), penalty: penalty - slack(box), towards };
    },
    ties: ties.map((tie) => (box) => least((x) => tie(x).penalty, box)),
  };
}

/** Every position looked at, in the order of the axes. */
function plainly(counts: readonly number[], table: Table, ties: readonly Table[]): readonly number[] {
  const all = pointsOf({ lo: counts.map(() => 0), hi: counts.map((n) => n - 1) });
  const vector = (x: readonly number[]) => [
    table(x).hard,
    table(x).penalty,
    ...ties.map((t) => t(x).penalty),
  ];
  return all.reduce((best, x) => {
    const [a, b] = [vector(x), vector(best)];
    const at = a.findIndex((n, i) => n !== b[i]);
    return at >= 0 && a[at]! < b[at]! ? x : best;
  });
}

const drawnTable = (counts: readonly number[], most: number) => {
  const size = counts.reduce((a, b) => a * b, 1);
  return fc
    .array(fc.tuple(fc.nat(2), fc.nat(most)), { minLength: size, maxLength: size })
    .map((cells): Table => {
      const index = (x: readonly number[]) => x.reduce((sum, n, i) => sum * counts[i]! + n, 0);
      return (x) => ({ hard: cells[index(x)]![0], penalty: cells[index(x)]![1] });
    });
};

const drawn = fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 4 }).chain((counts) =>
  fc.record({
    counts: fc.constant(counts),
    table: drawnTable(counts, 3),
    ties: fc.array(drawnTable(counts, 2), { maxLength: 2 }),
    slack: fc.array(fc.nat(4), { minLength: 8, maxLength: 8 }),
  }),
);

describe('branch and bound', () => {
  it('finds what looking at every position finds, ties and all, however loose its bounds, wherever it is sent', () => {
    fc.assert(
      fc.property(drawn, ({ counts, table, ties, slack }) => {
        const space = spaceOver(
          counts,
          table,
          ties,
          ({ lo, hi }) => slack[(lo[0]! + hi[0]!) % slack.length]!,
        );
        const found = search(space);
        expect(found.positions).to.deep.equal(plainly(counts, table, ties));
        expect({ hard: found.hard, penalty: found.penalty }).to.deep.equal(table(found.positions));
      }),
      { seed: 71, numRuns: 1500 },
    );
  });

  it('is caught where a bound promises too much', () => {
    let wrong = 0;
    fc.assert(
      fc.property(drawn, ({ counts, table, ties }) => {
        const found = search(spaceOver(counts, table, ties, () => -1));
        if (String(found.positions) !== String(plainly(counts, table, ties))) wrong++;
      }),
      { seed: 72, numRuns: 400 },
    );
    expect(wrong).to.be.greaterThan(40);
  });

  it('looks at a small part of a large space', () => {
    const counts = [500, 500, 40];
    const target = [321, 77, 12];
    const off = (lo: number, hi: number, at: number) => (at < lo ? lo - at : at > hi ? at - hi : 0);
    const found = search({
      counts,
      weights: [1, 1, 1],
      ties: [],
      costOf: ({ lo, hi }) => ({
        hard: 0,
        penalty: counts.reduce((sum, _, i) => sum + off(lo[i]!, hi[i]!, target[i]!), 0),
      }),
    });
    expect(found.positions).to.deep.equal(target);
    expect(found.nodes).to.be.lessThan(200);
  });
});

describe('what a residual can be over a span of adjustments', () => {
  const seats = [
    WIDE_SEAT,
    seatWith(WIDE_SEAT.adjustments, {
      back: { topMm: 600, synchroRatio: 2 },
      pan: { axisFromRearMm: 420, recessMm: 30, frontEdgeRadiusMm: 0 },
    }),
    seatWith([
      ...WIDE_SEAT.adjustments.filter((a) => a.kind !== 'seatHeight'),
      adjustment('seatHeight', slides(250, 700)),
    ]),
    EVERYTHING,
  ];
  const isTiny = (off: number): boolean => Math.abs(off) < 1e-9;
  const body = fc.record({
    poplitealHeight: fc.integer({ min: 300, max: 560 }),
    buttockPoplitealLength: fc.integer({ min: 350, max: 620 }),
    elbowHeightSitting: fc.integer({ min: 180, max: 300 }),
    thighClearance: fc.integer({ min: 100, max: 220 }),
  });
  const FREE: readonly AdjustmentKind[] = [
    'seatHeight',
    'seatAngle',
    'backAngle',
    'deskHeight',
    'forwardTilt',
    'chairAngle',
    'frontSlope',
    'footRing',
    'footrest',
  ];
  const SHARES = FREE.length + 1;
  const PLACES = [
    placeWith(slides(500, 900)),
    EVERY_PLACE,
    { ...EVERY_PLACE, pedals: undefined, wins: 'feet' as const },
  ];

  /** Values drawn on the adjustments that move together; the others in the middle. */
  function between(p: Problem, shares: readonly number[]): SetValues {
    const values = emptyValues({ footrestMm: Math.round(shares[FREE.length]! * 150), backCushionMm: 0 });
    for (const { kind, values: all } of Object.values(p.variables)) {
      const share = shares[FREE.indexOf(kind)] ?? 0.5;
      values[kind] = all[Math.round(share * (all.length - 1))]!;
    }
    return values;
  }
  /** What quantities can be between two settings. */
  function extentsOf(p: Problem, lo: SetValues, hi: SetValues): Extents {
    const x = new Extents(p, lo);
    Object.assign(x.hi, hi);
    x.update();
    return x;
  }
  const spread = (c: Condition): boolean => c.scope.some((k) => FREE.includes(k)) && c.extent !== undefined;

  const shares = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), {
    minLength: SHARES,
    maxLength: SHARES,
  });
  /** A span of a drawn seat, body and place, and how to put a share of it. */
  const spans = fc
    .tuple(fc.nat(seats.length - 1), fc.nat(PLACES.length - 1), body, shares, shares)
    .map(([n, m, measures, a, b]) => {
      const p = problemOf(
        inputsOf({
          seat: seats[n]!,
          body: bodyWith({ ...ROUND, sittingHeight: 880, ...measures }),
          place: PLACES[m]!,
        }),
      );
      const low = a.map((x, i) => Math.min(x, b[i]!));
      const high = a.map((x, i) => Math.max(x, b[i]!));
      return {
        p,
        span: extentsOf(p, between(p, low), between(p, high)),
        within: (inner: readonly number[]) =>
          between(
            p,
            inner.map((x, i) => low[i]! + x * (high[i]! - low[i]!)),
          ),
      };
    });

  it('holds every position within it, and is exact for one', () => {
    let looked = 0;
    fc.assert(
      fc.property(spans, fc.array(shares, { minLength: 6, maxLength: 6 }), ({ p, span, within }, inner) => {
        for (const c of conditionsOf(p).filter(spread)) {
          const { lo, hi } = { ...extentOf(c, span) };
          for (const x of inner) {
            const v = within(x);
            const residual = c.residual(p, v);
            expect(residual, c.id).to.be.within(lo - 1e-9, hi + 1e-9);
            const one = extentOf(c, extentsOf(p, v, v));
            // How far a thigh falls on a dropped front is bounded, not told exactly.
            if (!p.hasSlope)
              expect([one.lo - residual, one.hi - residual].every(isTiny), c.id).to.equal(true);
            looked++;
          }
        }
      }),
      { seed: 73, numRuns: 1500 },
    );
    expect(looked).to.be.greaterThan(20_000);
  });

  it('holds how much higher the legs are than the elbow', () => {
    fc.assert(
      fc.property(spans, shares, ({ p, span, within }, inner) => {
        const v = within(inner);
        const { lo, hi } = span.legsOverElbow();
        const { deskThicknessMm, keyboardThicknessMm } = p.inputs.place!;
        const residual = (id: string) =>
          conditionsOf(p)
            .find((c) => c.id === id)!
            .residual(p, v);
        const over = residual('deskTop') - residual('deskClearance') - deskThicknessMm - keyboardThicknessMm;
        expect(over).to.be.within(lo - 1e-9, hi + 1e-9);
      }),
      { seed: 74, numRuns: 3000 },
    );
  });

  it('is told for all conditions that adjustments move together', () => {
    const p = problemOf(inputsOf({ seat: EVERYTHING, place: EVERY_PLACE, body: bodyWith(FULL) }));
    const together = planOf(p).find((s) => s.kinds.includes('seatHeight'))!.conditions;
    expect(together.filter((c) => !c.extent).map((c) => c.id)).to.deep.equal([]);
    expect(together.map((c) => c.id)).to.include.members(['footGap', 'deskTop', 'deskClearance']);
    expect(CONDITION_IDS).to.include.members(together.map((c) => c.id));
  });
});
