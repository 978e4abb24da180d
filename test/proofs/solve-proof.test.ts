import { expect } from 'chai';
import fc from 'fast-check';
import { NO_REMEDIES, PLAIN_WORK, costOf, makeInputs, problemOf, solve } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { buildDemo } from '../../src/demo/build';
import { drawnProblems } from '../support/drawn-seats';
import { isPassive } from '../../src/core/fit/search/solve';
import { mayBeSet, plainBest } from '../support/enumeration';
import { bodyWith } from '../support/inputs';

const NOW = new Date('2026-11-25T09:30:00Z');

describe('the solver proved by looking at everything', function () {
  this.timeout(300_000);

  it('finds the least cost of the whole product on 1,500 small seats, and positions that have it', () => {
    let looked = 0;
    fc.assert(
      fc.property(drawnProblems(3000), (p) => {
        const found = solve(p, { remedies: NO_REMEDIES });
        const { penalty, count, positions } = plainBest(p);
        expect(found.penalty).to.equal(penalty);
        expect([found.ended, found.bound]).to.deep.equal(['proved', penalty]);
        expect(costOf(p, found.settings).penalty).to.equal(penalty);
        expect(positions).to.deep.include(found.settings.positions);
        looked += count;
      }),
      { seed: 81, numRuns: 1500 },
    );
    expect(looked).to.be.greaterThan(1_000_000);
  });

  it('finds nothing cheaper with one lever held elsewhere, on 500 full seats', () => {
    const demo = buildDemo(3, NOW, { sitters: 300, seats: 120 });
    const sitters = demo.sitters.filter((s) => s.readings.length >= 14);
    const places = demo.places.filter((p) => p.place.adjustments.length > 0);
    let [held, proved] = [0, 0];
    for (let n = 0; n < 500; n++) {
      const p = problemOf(
        makeInputs({
          sitter: { ageYears: null },
          body: bodyWith(
            Object.fromEntries(sitters[n % sitters.length]!.readings.map((r) => [r.dimension, r.value])),
          ),
          seat: demo.seats[(n * 7) % demo.seats.length]!.seat,
          place: places[n % places.length]!.place,
          method: SHIPPED_METHODS[n % SHIPPED_METHODS.length]!,
          work: PLAIN_WORK,
        }),
      );
      const best = solve(p, { remedies: NO_REMEDIES, budget: 8000 });
      if (best.ended === 'proved') proved++;
      const movable = Object.values(p.variables).filter((v) => v.values.length > 1);
      // Some of them, others from case to case: every kind is held dozens of times.
      for (const variable of movable.filter((_, i) => (i + n) % 3 === 0)) {
        const at = (n * 31) % variable.values.length;
        if (!mayBeSet(p, variable, at) || isPassive(variable)) continue;
        const around = solve(p, { remedies: NO_REMEDIES, held: { [variable.kind]: at }, budget: 400 });
        expect(around.penalty, `${n} ${variable.kind}`).to.be.at.least(best.bound);
        if (best.ended === 'proved') expect(around.penalty).to.be.at.least(best.penalty);
        held++;
      }
    }
    expect(held).to.be.greaterThan(1200);
    expect(proved).to.be.greaterThan(400);
  });
});
