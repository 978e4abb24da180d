import { expect } from 'chai';
import type { AdjustmentKind } from '../../src/core/seat';
import { conditionOf, type Condition } from '../../src/core/fit/conditions';
import { Curve } from '../../src/core/fit/cost/curve';
import { leverCosts } from '../../src/core/fit/cost/levers';
import { emptyValues } from '../../src/core/fit/problem/problem';
import { choiceOf, type Axis, type Standing, type Term } from '../../src/core/fit/search/choice';
import { assumed } from '../../src/core/target';
import { problemFor } from '../support/inputs';

/** Adjustments that rest in the middle, at their lowest, level, may be left off, or have no rest. */
const KINDS: readonly AdjustmentKind[] = ['armHeight', 'seatDepth', 'armAngle', 'headHeight', 'deskHeight'];

describe('one adjustment with everything else standing still', () => {
  let drawn = 1;
  const upTo = (count: number): number => (drawn = (drawn * 48_271) % 2_147_483_647) % count;

  function axisAtRandom(key: AdjustmentKind): Axis {
    const step = [0.5, 1, 2, 5, 25][upTo(5)]!;
    const count = 2 + upTo(120);
    const values = Array.from({ length: count }, (_, i) => 100 + step * i);
    const costs = upTo(6) === 0 ? new Float64Array(count) : leverCosts(key, values);
    return { key, first: 0, values, costs };
  }

  /** What pulls the adjustment to somewhere: a band about it, hard bounds, a thing that may be left unused, or a floor. */
  function curveAtRandom(): Curve {
    const [half, sd, weight] = [1 + upTo(30), upTo(4) * upTo(8), [0.2, 1, 20][upTo(3)]!];
    const aim = { aimLo: -upTo(half), aimHi: upTo(half), bandLo: -half, bandHi: half };
    const hard = { hardLo: -half - 20, hardHi: half + 20 };
    const { aimLo, bandLo } = aim;
    const targets = [
      { ...aim, weight },
      { ...aim, ...hard, weight },
      { aimLo, bandLo, weight },
    ];
    const which = upTo(3);
    // Only what may also be too high is ever left unused.
    const unused = which < 2 && upTo(3) === 0 ? { flat: 12, perUnit: 0.05 } : null;
    return new Curve(assumed(targets[which]!), 'mm', sd, { unused: unused ?? undefined });
  }

  function termAtRandom(key: AdjustmentKind, { values }: Axis): Term {
    const wanted = values[0]! - 30 + upTo(values.at(-1)! - values[0]! + 60) + upTo(1000) / 1000;
    const isStraight = upTo(4) > 0 || undefined;
    const way = upTo(2) === 0 ? 1 : -1;
    const residual: Condition['residual'] = (_, v) => way * (v[key] - wanted);
    const condition: Condition = {
      ...conditionOf('armHeight'),
      isStraight,
      isOneWay: undefined,
      onTrack: way,
      owners: () => [key],
      residual,
    };
    return { condition, curve: curveAtRandom(), residual, on: [key], isByLean: false };
  }

  it('stands where it costs least, at the lowest such place, as trying every place finds', () => {
    const s: Standing = { p: problemFor(), v: emptyValues({}), leg: undefined, looks: 0, turn: 0 };
    let [places, tied, unused] = [0, 0, 0];
    for (let n = 0; n < 3000; n++) {
      const key = KINDS[n % KINDS.length]!;
      const axis = axisAtRandom(key);
      const terms = Array.from({ length: 1 + upTo(3) }, () => termAtRandom(key, axis));
      const all = axis.values.map((value, i) => {
        s.v[key] = value;
        return terms.reduce((sum, t) => sum + t.curve.at(t.residual(s.p, s.v)), axis.costs[i]!);
      });
      const least = Math.min(...all);
      const choice = choiceOf(s.p, { axes: [axis], terms });
      // Asked again it begins where it stood; a limit that it does not stay under is told as such.
      for (const limit of [Infinity, least + 1, Infinity]) {
        expect(choice.solve(s, limit), `case ${n}`).to.equal(least);
        expect(choice.at, `case ${n}`).to.equal(all.indexOf(least));
        expect(s.v[key]).to.equal(axis.values[choice.at]);
      }
      expect(choice.solve(s, least), `case ${n}`).to.equal(Infinity);
      places += axis.values.length;
      if (all.filter((cost) => cost === least).length > 1) tied++;
      if (least > 12e6) unused++;
    }
    // Ties and things left unused are among them, and far from every place was looked at.
    expect(tied).to.be.above(100);
    expect(unused).to.be.above(20);
    expect(s.looks).to.be.below(4 * places * 0.5);
  });
});
