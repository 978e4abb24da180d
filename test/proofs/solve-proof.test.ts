import { expect } from 'chai';
import fc from 'fast-check';
import { NO_REMEDIES, costOf, problemOf, solve } from '../../src/core/fit';
import { drawnProblems } from '../support/drawn-seats';
import { isPassive } from '../../src/core/fit/search/solve';
import { mayBeSet, plainBest } from '../support/enumeration';
import { fullCases } from '../support/full-cases';

describe('the solver proved by looking at everything', function () {
  this.timeout(600_000);

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
    let [held, proved] = [0, 0];
    for (const [n, inputs] of fullCases(3, 500, { sitters: 300, seats: 120 }).entries()) {
      const p = problemOf(inputs);
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
