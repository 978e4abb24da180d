import { expect } from 'chai';
import { problemOf } from '../../src/core/fit';
import { judgesOf, penaltyAt } from '../../src/core/fit/cost/judge';
import { emptyValues } from '../../src/core/fit/problem/problem';
import { levelStretches } from '../../src/core/fit/search/level';
import { SHIPPED_METHODS } from '../../src/core/method';
import { ADJUSTMENT_KIND_IDS } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import { bodyOf } from '../../bench/body';
import { inputsOf } from '../support/inputs';

/** Settings tried on each seat at each workstation. */
const TRIED = 40;
const NO_REMEDIES = {};

describe('pads that follow a desk', () => {
  const demo = buildDemo(5, new Date('2026-11-29T09:30:00Z'), { sitters: 8, seats: 16 });
  const methods = SHIPPED_METHODS.filter(({ armsTo }) => armsTo === 'desk' || armsTo === 'forearm');

  /** A number from 0 up to `count`, ever another. */
  let drawn = 1;
  const upTo = (count: number): number => (drawn = (drawn * 48_271) % 2_147_483_647) % count;

  it('cost no less than is told of them, wherever desk, seat, back and pads stand', () => {
    let [compared, tight] = [0, 0];
    for (const [n, { seat }] of demo.seats.entries())
      for (const { place } of demo.places) {
        const sitter = demo.sitters[n % demo.sitters.length]!;
        const method = methods[(n + compared) % methods.length]!;
        const p = problemOf(inputsOf({ seat, place, body: bodyOf(sitter.readings), method }));
        const judge = (id: string) => judgesOf(p).find(({ condition }) => condition.id === id);
        const [arm, level, top] = [judge('armHeight'), judge('padsLevel'), judge('deskTop')];
        if (!arm || !level || !top) continue;
        const v = emptyValues(NO_REMEDIES);
        const put = () => {
          for (const kind of ADJUSTMENT_KIND_IDS) {
            const values = p.variables[kind]?.values;
            if (values) v[kind] = values[upTo(values.length)]!;
          }
        };
        put();
        const stretches = levelStretches(p, v, { arm: arm.curve, level: level.curve });
        for (let i = 0; i < TRIED && stretches.length > 0; i++) {
          put();
          const over = top.condition.residual(p, v);
          const there = stretches.filter(({ lo, hi }) => lo <= over && over <= hi);
          expect(there).not.to.have.length(0);
          // Of all pads the one that is best here.
          const best = Math.min(
            ...p.variables.armHeight!.values.map((armHeight) => {
              const at = { ...v, armHeight };
              return penaltyAt(arm, p, at) + penaltyAt(level, p, at);
            }),
          );
          for (const { cost } of there) expect(cost, `${seat.name} ${over}`).to.be.at.most(best);
          if (there.some(({ cost }) => cost > 0.9 * best && cost > 1e6)) tight++;
          compared++;
        }
      }
    expect(compared).to.be.greaterThan(500);
    // It says something: of many settings nearly all that they cost.
    expect(tight).to.be.greaterThan(compared / 10);
  });

  it('follow each other without a gap, from anywhere to anywhere', () => {
    const { place } = demo.places.find((one) => one.place.name === 'Sail loft bench')!;
    for (const { seat } of demo.seats) {
      const p = problemOf(
        inputsOf({ seat, place, body: bodyOf(demo.sitters[0]!.readings), method: methods[0]! }),
      );
      const judge = (id: string) => judgesOf(p).find(({ condition }) => condition.id === id);
      const [arm, level] = [judge('armHeight'), judge('padsLevel')];
      if (!arm || !level) continue;
      const values = emptyValues(NO_REMEDIES);
      for (const kind of ADJUSTMENT_KIND_IDS) values[kind] = p.variables[kind]?.values[0] ?? NaN;
      const stretches = levelStretches(p, values, { arm: arm.curve, level: level.curve });
      if (stretches.length === 0) continue;
      expect(stretches[0]!.lo).to.equal(-Infinity);
      expect(stretches.at(-1)!.hi).to.equal(Infinity);
      stretches.slice(1).forEach(({ lo }, i) => expect(lo).to.equal(stretches[i]!.hi));
    }
  });
});
