import { expect } from 'chai';
import fc from 'fast-check';
import {
  computableConditions,
  costOf,
  judgesOf,
  leversAt,
  penaltyAt,
  problemOf,
  residualSds,
  valuesOfSettings,
  type FitInputs,
  type Problem,
  type Settings,
  CONDITION_UNITS,
} from '../../src/core/fit';
import { datumMm } from '../../src/core/fit/geometry/on-seat';
import { SHIPPED_METHODS } from '../../src/core/method';
import { childAt } from '../../src/core/population';
import { buildDemo } from '../../src/demo/build';
import { bodyOf } from '../../bench/body';
import { drawnProblems } from '../support/drawn-seats';
import { Evaluator } from '../support/evaluator';
import { meanCost } from '../support/mean-cost';
import { adjustment, inputsOf, seatWith, slides } from '../support/inputs';

/** What only the core computes: they follow mass and task, and have tests of their own. */
const APART: readonly string[] = ['tension', 'tiltLock'];

/** How far the total worked out anew is from the core's, points, and how many conditions were compared. */
function compare(p: Problem, settings: Settings): number {
  const { footrestMm = 0, backCushionMm = 0 } = settings.remedies;
  const evaluator = new Evaluator(p.inputs, settings.positions, footrestMm, backCushionMm);
  const mine = evaluator.residuals(p.targets);
  const values = valuesOfSettings(p, settings);
  const sds = residualSds(p);
  let total = evaluator.levers();
  expect(total, 'levers').to.be.closeTo(leversAt(p, values) / 1e6, 1e-4);
  const judged = computableConditions(p);
  for (const c of judged) {
    const theirs = c.residual(p, values);
    const unused = c.unused ?? null;
    if (!APART.includes(c.id)) expect(mine[c.id], c.id).to.be.closeTo(theirs, 1e-6);
    const residual = APART.includes(c.id) ? theirs : mine[c.id]!;
    const isGap = c.id === 'footGap';
    const { bare, mayFall } = evaluator.leg;
    const cost = meanCost(
      p.targets[c.id],
      CONDITION_UNITS[c.id],
      sds[c.id] ?? 0,
      isGap && mayFall !== null ? bare : residual,
      { unused, forgiven: isGap ? mayFall : null, refusedBelow: c.id === 'headroom' ? 0 : null },
    );
    const judge = judgesOf(p).find((j) => j.condition.id === c.id)!;
    expect(cost, `cost of ${c.id} at ${residual}`).to.be.closeTo(
      penaltyAt(judge, p, values) / 1e6,
      0.02 + 2e-3 * cost,
    );
    total += cost;
  }
  expect(judgesOf(p)).to.have.length(judged.length);
  const { penalty } = costOf(p, settings);
  // The table of expected costs is straight between steps of 1/64.
  expect(total).to.be.closeTo(penalty / 1e6, 0.02 + (2e-3 * penalty) / 1e6);
  return judged.length;
}

const drawnSettings = (p: Problem, n: number): Settings => ({
  positions: Object.fromEntries(
    Object.values(p.variables).map(({ kind, values }, i) => [kind, (n * 31 + i * 17) % values.length]),
  ),
  remedies: n % 3 === 0 ? { footrestMm: 10 * (n % 12) } : n % 3 === 1 ? { backCushionMm: 5 * (n % 9) } : {},
});

describe('an evaluator written from the documentation', () => {
  it('agrees on small seats drawn at random, at positions drawn at random', () => {
    let n = 0;
    fc.assert(
      fc.property(drawnProblems(), fc.nat(), (p, at) => {
        n += compare(p, drawnSettings(p, at)) > 0 ? 1 : 0;
      }),
      { numRuns: 500, seed: 41 },
    );
    expect(n).to.equal(500);
  });

  it('agrees on every seat of the demo, for everybody, by every method', () => {
    const demo = buildDemo(5, new Date('2026-11-29T09:30:00Z'));
    const met = new Set<string>();
    let n = 0;
    for (const [i, sitter] of demo.sitters.entries())
      for (const [j, { seat }] of demo.seats.entries())
        for (const { place } of demo.places.filter((_, k) => (i + j + k) % 2 === 0)) {
          const inputs: FitInputs = inputsOf({
            body: bodyOf(sitter.readings),
            seat,
            place,
            method: SHIPPED_METHODS[(i + 5 * j) % SHIPPED_METHODS.length]!,
          });
          const p = problemOf(inputs);
          compare(p, drawnSettings(p, n++));
          for (const c of computableConditions(p)) met.add(c.id);
        }
    expect(n).to.be.at.least(500);
    // Nearly everything that is ever asked.
    expect(met.size).to.be.greaterThan(28);
  });

  it('agrees on children, whose hips and knees lie in proportion', () => {
    const demo = buildDemo(5, new Date('2026-11-29T09:30:00Z'));
    let n = 0;
    for (const ageYears of [4, 6, 9, 12, 14.9])
      for (const share of [0.05, 0.95])
        for (const [j, { seat }] of demo.seats.entries()) {
          const inputs = inputsOf({
            ageYears,
            body: childAt(j % 2 ? 'men' : 'women', ageYears, share),
            seat,
            place: demo.places[n % demo.places.length]!.place,
            method: SHIPPED_METHODS[(n + j) % SHIPPED_METHODS.length]!,
          });
          const p = problemOf(inputs);
          compare(p, drawnSettings(p, n++));
        }
    expect(n).to.be.at.least(100);
  });

  it('would not agree if a child’s hips lay where an adult’s do', () => {
    const seat = seatWith(
      [adjustment('seatHeight', slides(300, 420)), adjustment('backAngle', slides(0, 20))],
      {
        pan: { axisFromRearMm: 0, recessMm: 0, frontEdgeRadiusMm: null },
        back: { topMm: 500, synchroRatio: 2 },
      },
    );
    const body = childAt('women', 6, 0.5);
    const heightOf = (ageYears: number): number => {
      const p = problemOf(inputsOf({ seat, body, ageYears }));
      return datumMm(p, valuesOfSettings(p, { positions: { seatHeight: 0, backAngle: 20 }, remedies: {} }));
    };
    // The pan stands at 5°: an adult is counted from 140 mm before its rear, a child from less.
    const length = body.buttockPoplitealLength!.value;
    const sin5 = Math.sin((5 * Math.PI) / 180);
    expect(heightOf(30)).to.be.closeTo(300 + 140 * sin5, 1e-9);
    expect(heightOf(6)).to.be.closeTo(300 + 140 * (length / 480) * sin5, 1e-9);
    expect(length).to.be.within(280, 360);
  });
});
