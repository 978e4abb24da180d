import { expect } from 'chai';
import fc from 'fast-check';
import { NO_REMEDIES, makeInputs, penaltyOf, problemOf, solve, type Problem } from '../../src/core/fit';
import { planOf } from '../../src/core/fit/plan';
import { valuesOfSettings } from '../../src/core/fit/solve';
import { SHIPPED_METHODS, bandOf, type ConditionId } from '../../src/core/method';
import type { AdjustmentKind } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { plainBest } from '../support/enumeration';
import {
  OPEN_HIP,
  RIGHT_ANGLE,
  ROUND,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  seatWith,
  slides,
  steps,
} from '../support/inputs';

const NOW = new Date('2026-11-25T09:30:00Z');

const WIDTHS: Partial<Record<AdjustmentKind, ConditionId>> = {
  seatHeight: 'footGap',
  seatAngle: 'thigh',
  backAngle: 'backAngle',
  deskHeight: 'deskTop',
};

/** Less the least distance to a range's nearer end, in hundredths of its band's width. */
function marginTie(p: Problem, kinds: readonly AdjustmentKind[], at: readonly number[]): number {
  const rooms = kinds.flatMap((kind, i) => {
    const { values } = p.variables[kind]!;
    const band = bandOf(p.targets[WIDTHS[kind]!]);
    const width = band.hi - band.lo;
    if (!Number.isFinite(width) || width <= 0 || values.length < 2) return [];
    const value = values[at[i]!]!;
    return [Math.round((100 * Math.min(value - values[0]!, values[values.length - 1]! - value)) / width)];
  });
  return rooms.length > 0 ? -Math.min(...rooms) : 0;
}

const isLess = (a: readonly number[], b: readonly number[]): boolean => {
  const i = a.findIndex((n, k) => n !== b[k]);
  return i >= 0 && a[i]! < b[i]!;
};

/** Every position of the adjustments that are chosen together, with cost, tie and position numbers compared. */
function plainBlock(p: Problem): {
  readonly kinds: readonly AdjustmentKind[];
  readonly best: readonly number[];
} {
  const { settings } = solve(p, { remedies: NO_REMEDIES });
  const { kinds, conditions } = planOf(p).find((s) => s.kinds.includes('seatHeight'))!;
  const values = valuesOfSettings(p, settings);
  const at: number[] = [];
  let best: number[] = [Infinity];
  const go = (i: number): void => {
    const kind = kinds[i];
    if (!kind) {
      let [hard, penalty] = [0, 0];
      for (const c of conditions) {
        const one = penaltyOf(c.id, p.targets[c.id], c.residual(p, values));
        hard += one.hard;
        penalty += one.penalty;
        if (hard > best[0]! || (hard === best[0] && penalty > best[1]!)) return;
      }
      const vector = [hard, penalty, marginTie(p, kinds, at), ...at];
      if (isLess(vector, best)) best = vector;
      return;
    }
    p.variables[kind]!.values.forEach((value, n) => {
      values[kind] = value;
      at[i] = n;
      go(i + 1);
    });
  };
  go(0);
  return { kinds, best };
}

describe('the solver proved by looking at everything', function () {
  this.timeout(180_000);

  it('finds the least cost of the whole product on 1,000 small seats with coarse and fine steps', () => {
    const some = (low: number, high: number, most: number) =>
      fc
        .tuple(
          fc.integer({ min: low, max: high }),
          fc.integer({ min: 1, max: 30 }),
          fc.integer({ min: 2, max: most }),
        )
        .map(([lo, step, n]) => steps(lo, lo + step * (n - 1), n));
    const seat = fc.record({
      height: some(340, 520, 6),
      angles: fc.constantFrom([0], [-6, 0], [-5, -2.5, 0, 2.5], [3, 6]),
      back: fc.constantFrom(0, 5, 12),
      depth: some(380, 450, 3),
      lumbar: some(150, 210, 3),
      desk: fc.option(some(580, 760, 6), { nil: null }),
      openHip: fc.boolean(),
    });
    const body = fc.record({
      poplitealHeight: fc.integer({ min: 330, max: 520 }),
      buttockPoplitealLength: fc.integer({ min: 400, max: 580 }),
      elbowHeightSitting: fc.integer({ min: 190, max: 290 }),
      smallOfBackHeight: fc.integer({ min: 140, max: 220 }),
      thighClearance: fc.integer({ min: 120, max: 190 }),
    });
    let looked = 0;
    fc.assert(
      fc.property(seat, body, (s, measures) => {
        const p = problemFor({
          body: bodyWith({ ...ROUND, ...measures }),
          seat: seatWith([
            adjustment('seatHeight', s.height),
            adjustment('seatAngle', listed(...s.angles)),
            adjustment('backAngle', listed(s.back)),
            adjustment('seatDepth', s.depth),
            adjustment('lumbarApex', s.lumbar),
          ]),
          place: s.desk && placeWith(s.desk),
          method: s.openHip ? OPEN_HIP : RIGHT_ANGLE,
        });
        const { count, ...least } = plainBest(p);
        const { hard, penalty } = solve(p, { remedies: NO_REMEDIES });
        expect({ hard, penalty }).to.deep.equal(least);
        looked += count;
      }),
      { seed: 81, numRuns: 1000 },
    );
    expect(looked).to.be.greaterThan(100_000);
  });

  it('chooses what every position of what works together chooses, ties and all, on 50 full seats', () => {
    const demo = buildDemo(3, NOW, { sitters: 60, seats: 40 });
    const sitters = demo.sitters.filter((s) => s.readings.length >= 14);
    for (let n = 0; n < 50; n++) {
      const sitter = sitters[n % sitters.length]!;
      const p = problemOf(
        makeInputs({
          sitter: { ageYears: null },
          body: bodyWith(Object.fromEntries(sitter.readings.map((r) => [r.dimension, r.value]))),
          seat: demo.seats[(n * 7) % demo.seats.length]!.seat,
          place: placeWith(slides(660, 780)),
          method: SHIPPED_METHODS[n % SHIPPED_METHODS.length]!,
          work: { toolsKg: 0 },
        }),
      );
      const { positions } = solve(p, { remedies: NO_REMEDIES }).settings;
      const { kinds, best } = plainBlock(p);
      expect(
        kinds.map((kind) => positions[kind]),
        `${sitter.name} on ${p.inputs.seat.name}`,
      ).to.deep.equal(best.slice(3));
    }
  });
});
