import { expect } from 'chai';
import fc from 'fast-check';
import {
  NO_REMEDIES,
  PLAIN_WORK,
  makeInputs,
  penaltyOf,
  problemOf,
  solve,
  type Problem,
} from '../../src/core/fit';
import { planOf } from '../../src/core/fit/plan';
import { valuesOfSettings } from '../../src/core/fit/solve';
import { COMMON_TARGETS, SHIPPED_METHODS, bandOf, type ConditionId } from '../../src/core/method';
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
    const id = WIDTHS[kind];
    if (!id) return [];
    const band = bandOf(p.targets[id]);
    const width = band.hi - band.lo;
    if (!Number.isFinite(width) || width <= 0 || values.length < 2) return [];
    const value = values[at[i]!]!;
    return [Math.round((100 * Math.min(value - values[0]!, values[values.length - 1]! - value)) / width)];
  });
  return rooms.length > 0 ? -Math.min(...rooms) : 0;
}

const TILTS: readonly AdjustmentKind[] = ['forwardTilt', 'chairAngle', 'frontSlope'];

/** Tenths of a degree of what is tilted without being the pan's own angle. */
const tiltTie = (p: Problem, kinds: readonly AdjustmentKind[], at: readonly number[]): number =>
  kinds.reduce(
    (sum, kind, i) =>
      TILTS.includes(kind) ? sum + Math.round(Math.abs(p.variables[kind]!.values[at[i]!]!) * 10) : sum,
    0,
  );

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
  const stage = planOf(p).find((s) => s.kinds.includes('seatHeight'))!;
  const { conditions } = stage;
  // A tilt that nobody asked for stays where it is.
  const kinds = stage.kinds.filter((kind) => kind !== 'forwardTilt');
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
      const vector = [hard, penalty, marginTie(p, kinds, at), tiltTie(p, kinds, at), ...at];
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

  it('finds it on 1,000 small seats with ring, slope, whole-chair tilt, pedals and what hangs under a desk', () => {
    const few = (...sets: (readonly number[])[]) => fc.constantFrom(...sets);
    const seat = fc.record({
      height: few([400, 430, 440, 460], [380, 385, 390, 470], [600, 640, 700], [420]),
      ring: fc.option(few([150, 180, 240], [200]), { nil: null }),
      slope: few([0], [-12, -6, 0], [-15, 0]),
      tilt: few([0], [0, 4], [-3, 0, 6]),
      forward: few([0], [-8, 0], [-10, -5]),
      rest: few([0], [0, 60], [0, 40, 90, 130]),
      desk: few([680, 720], [700], [640, 660, 900]),
      drawer: fc.option(fc.integer({ min: 30, max: 120 }), { nil: undefined }),
      apron: fc.option(fc.integer({ min: 30, max: 200 }), { nil: undefined }),
      pedals: fc.boolean(),
      wins: fc.constantFrom(undefined, 'desk' as const, 'feet' as const),
      falls: fc.boolean(),
    });
    const body = fc.record({
      poplitealHeight: fc.integer({ min: 330, max: 520 }),
      buttockPoplitealLength: fc.integer({ min: 400, max: 580 }),
      elbowHeightSitting: fc.integer({ min: 190, max: 290 }),
      thighClearance: fc.integer({ min: 120, max: 190 }),
    });
    const wedge = {
      ...RIGHT_ANGLE,
      targets: {
        ...RIGHT_ANGLE.targets,
        thigh: { ...COMMON_TARGETS.thigh, bandLo: -15, aimLo: -10, aimHi: -5, bandHi: -3 },
      },
    };
    let looked = 0;
    fc.assert(
      fc.property(seat, body, (s, measures) => {
        const p = problemFor({
          body: bodyWith({ ...ROUND, ...measures }),
          seat: seatWith(
            [
              adjustment('seatHeight', listed(...s.height)),
              ...(s.ring ? [adjustment('footRing', listed(...s.ring))] : []),
              adjustment('frontSlope', listed(...s.slope)),
              adjustment('chairAngle', listed(...s.tilt)),
              adjustment('forwardTilt', listed(...s.forward), {
                holds: { how: s.falls ? 'notched' : 'passive' },
              }),
              adjustment('backAngle', listed(3)),
            ],
            { pan: { axisFromRearMm: 150, recessMm: 10, frontEdgeRadiusMm: 40 } },
          ),
          place: placeWith(null, {
            adjustments: [
              adjustment('deskHeight', listed(...s.desk), { id: 'desk' }),
              adjustment('footrest', listed(...s.rest), { id: 'rest' }),
            ],
            drawerMm: s.drawer,
            apronMm: s.apron,
            ...(s.pedals ? { pedals: { forwardMm: 800, heightMm: 20 } } : {}),
            ...(s.wins ? { wins: s.wins } : {}),
          }),
          method: s.falls ? wedge : RIGHT_ANGLE,
        });
        const { count, ...least } = plainBest(p);
        const { hard, penalty } = solve(p, { remedies: NO_REMEDIES });
        expect({ hard, penalty }).to.deep.equal(least);
        looked += count;
      }),
      { seed: 83, numRuns: 1000 },
    );
    expect(looked).to.be.greaterThan(50_000);
  });

  it('chooses what every position of what works together chooses, ties and all, on 50 full seats', () => {
    const demo = buildDemo(3, NOW, { sitters: 60, seats: 60 });
    const seats = demo.seats.filter((s) => !s.seat.adjustments.some((a) => a.kind === 'footRing'));
    const sitters = demo.sitters.filter((s) => s.readings.length >= 14);
    for (let n = 0; n < 50; n++) {
      const sitter = sitters[n % sitters.length]!;
      const p = problemOf(
        makeInputs({
          sitter: { ageYears: null },
          body: bodyWith(Object.fromEntries(sitter.readings.map((r) => [r.dimension, r.value]))),
          seat: seats[(n * 7) % seats.length]!.seat,
          place: placeWith(slides(660, 780)),
          method: SHIPPED_METHODS[n % SHIPPED_METHODS.length]!,
          work: PLAIN_WORK,
        }),
      );
      const { positions } = solve(p, { remedies: NO_REMEDIES }).settings;
      const { kinds, best } = plainBlock(p);
      expect(
        kinds.map((kind) => positions[kind]),
        `${sitter.name} on ${p.inputs.seat.name}`,
      ).to.deep.equal(best.slice(4));
    }
  });
});
