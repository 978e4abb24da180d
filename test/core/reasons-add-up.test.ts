import { expect } from 'chai';
import {
  NO_REMEDIES,
  assess,
  explain,
  problemOf,
  remediesFor,
  solve,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import type { Message, MessageValue } from '../../src/core/message';
import { buildDemo } from '../../src/demo/build';
import { SHIPPED_METHODS } from '../../src/core/method';
import { bodyOf } from '../../bench/body';
import { proofRuns } from '../support/proof-runs';
import { FULL, adjustment, bodyWith, inputsOf, listed, placeWith, seatWith } from '../support/inputs';

/** A number as the reader sees it. */
function shown(value: MessageValue | undefined): number {
  if (value === undefined) return NaN;
  if ('mm' in value) return Math.round(value.mm);
  if ('sizeMm' in value) return Math.round(Math.abs(value.sizeMm));
  if ('deg' in value) return Math.round(value.deg * 2) / 2;
  if ('kg' in value) return value.kg;
  return 'count' in value ? value.count : NaN;
}

type Numbers = Readonly<Record<string, number>>;

/** What a sentence says adds up, by its key: how far it is from doing so, and how many rounded numbers are in it. */
const SUMS: readonly (readonly [RegExp, number, (n: Numbers) => number])[] = [
  [/^reason\.footGap/, 4, (n) => n.leg! + n.shoe! + n.support! - n.reach!],
  [/^reason\.footGap\.(?!.*level)/, 3, (n) => Math.abs(n.hollow! - n.reach!) - n.gap!],
  [/^reason\.footGap\.more/, 0, (n) => Math.max(0, n.by! - n.gap!)],
  [/^reason\.kneeRoom\.\w+$/, 3, (n) => n.length! - n.depth! - n.room!],
  [/^reason\.kneeRoom\.\w+\.forward$/, 4, (n) => n.length! + n.forward! - n.depth! - n.room!],
  [/^reason\.kneeRoom\.\w+\.back$/, 4, (n) => n.length! - n.forward! - n.depth! - n.room!],
  [/^reason\.lumbarDepth\.good/, 2, (n) => n.hollow! / 2 - n.wanted!],
  [/^reason\.trunkThigh/, 3, (n) => 90 + n.back! - n.thigh! - n.angle!],
  [/^reason\.hipContact\.less/, 4, (n) => n.clear! + n.by! + n.gives! - n.hips!],
  [/^reason\.hip\w+\.good/, 3, (n) => n.clear! - n.hips! - 2 * n.side!],
  [/^reason\.deskTop/, 3, (n) => n.desk! + n.keyboard! - n.hands!],
  [/^reason\.deskContact\.less/, 3, (n) => n.legs! - n.underside! - n.by!],
  [/^reason\.deskClearance\.less/, 3, (n) => n.underside! - n.legs! - n.room!],
  [/^reason\.headroom/, 3, (n) => n.ceiling! - n.top! - n.room!],
  [/^chain\.footGap$/, 4, (n) => n.leg! + n.shoe! + n.support! - n.sum!],
  [/^chain\.trunkThigh/, 3, (n) => 90 + n.back! - n.thigh! - n.angle!],
  [/^chain\.backAngle/, 3, (n) => n.back! + n.chair! - n.sum!],
  [/^chain\.kneeRoom/, 5, (n) => n.length! - n.recess! + n.push! - n.depth! - n.room!],
  [/^chain\.hipClearance/, 3, (n) => n.clear! - n.hips! - 2 * n.side!],
  [/^chain\.deskTop/, 4, (n) => n.datum! + n.elbow! - n.keyboard! - n.top!],
  [/^chain\.headroom/, 4, (n) => n.datum! + n.sitting! + n.over! - n.top!],
  [/^chain\.suspensionWeight/, 0, (n) => n.mass! + n.clothing! + n.tools! - n.load!],
  [/^chain\.padAtDesk/, 3, (n) => n.grip! - n.keys! - n.edge!],
  [/^remedy\.footrestMm$/, 4, (n) => n.hollow! - n.leg! - n.shoe! - n.gap!],
  [/^remedy\.backCushionMm$/, 3, (n) => n.room! + n.size! - n.then!],
  [/^check\.ratedLoad\.(passes|refused)/, 0, (n) => n.mass! + n.clothing! + n.tools! - n.load!],
];

/** Each rounded number may be off by a half, and so may their sum. */
const ROUNDING = 0.5;

describe('the arithmetic of a reason', () => {
  const demo = buildDemo(11, new Date('2026-11-25T09:30:00Z'));
  const met = new Map<string, number>();

  function check(m: Message): void {
    const numbers = Object.fromEntries(Object.entries(m.values).map(([name, value]) => [name, shown(value)]));
    for (const [key, terms, missing] of SUMS) {
      if (!key.test(m.key)) continue;
      met.set(key.source, (met.get(key.source) ?? 0) + 1);
      expect(Math.abs(missing(numbers)), `${m.key} ${JSON.stringify(numbers)}`).to.be.at.most(
        ROUNDING * terms + 1e-6,
      );
    }
    // A difference that is said is there to be seen.
    if (m.values.by && 'sizeMm' in m.values.by) expect(shown(m.values.by), m.key).to.be.greaterThan(0);
    for (const [name, n] of Object.entries(numbers))
      if ('mm' in m.values[name]!) expect(n, `${m.key} ${name}`).to.satisfy(Number.isFinite);
  }

  const everywhere = (p: Problem): Settings[] => {
    const best = solve(p, { remedies: NO_REMEDIES, budget: 300 }).settings;
    const at = (share: number): Settings => ({
      ...best,
      positions: Object.fromEntries(
        Object.values(p.variables).map(({ kind, values }) => [kind, Math.round(share * (values.length - 1))]),
      ),
    });
    return [best, { ...best, remedies: { footrestMm: 60, backCushionMm: 25 } }, at(0), at(0.5), at(1)];
  };

  it('adds up for everybody on every seat at every workstation, at the best and elsewhere', () => {
    for (const [i, sitter] of demo.sitters.entries())
      for (const [j, { seat }] of demo.seats.entries())
        for (const { place } of demo.places.filter((_, k) => (i + j + k) % proofRuns(1, 4) === 0)) {
          const method = SHIPPED_METHODS[(i + j) % SHIPPED_METHODS.length]!;
          const p = problemOf(inputsOf({ body: bodyOf(sitter.readings), seat, place, method }));
          for (const settings of everywhere(p)) {
            const a = assess(p, settings);
            for (const o of a.outcomes) {
              check(o.reason);
              explain(a.problem, a.values, o).forEach(check);
            }
            a.checks.forEach((c) => check(c.reason));
          }
        }
  });

  it('adds up for what is offered', () => {
    for (const [i, sitter] of demo.sitters.slice(0, 6).entries())
      for (const { seat } of demo.seats.slice(0, 8)) {
        const { place } = demo.places[i % demo.places.length]!;
        const p = problemOf(inputsOf({ body: bodyOf(sitter.readings), seat, place }));
        for (const r of remediesFor(p).offered) r.arithmetic.forEach(check);
      }
  });

  it('adds up where hips do not come between the pads, and thighs not under the desk', () => {
    const seat = seatWith([adjustment('seatHeight', listed(520)), adjustment('armWidth', listed(350))]);
    const p = problemOf(
      inputsOf({ body: bodyWith({ ...FULL, hipBreadthSitting: 390 }), seat, place: placeWith(listed(620)) }),
    );
    const a = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    a.outcomes.forEach((o) => check(o.reason));
  });

  it('was met with every sentence that has any', () => {
    const never = SUMS.map(([key]) => key.source).filter((key) => !met.has(key));
    expect(never).to.deep.equal([]);
  });
});
