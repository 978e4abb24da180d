import { expect } from 'chai';
import { NO_REMEDIES, problemOf, solve } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { buildDemo } from '../../src/demo/build';
import { bodyOf } from '../../bench/body';
import { inputsOf } from '../support/inputs';

describe('what is kept with a seat for everybody who tries it', () => {
  it('gives the same as a copy of that seat which nobody has tried, whoever tried it before', () => {
    const demo = buildDemo(23, new Date('2026-12-01T09:30:00Z'), { sitters: 12, seats: 40 });
    const masses = new Set<number | undefined>();
    for (const [i, { seat }] of demo.seats.entries())
      for (const k of [0, 1, 2]) {
        const body = bodyOf(demo.sitters[(i + 3 * k) % demo.sitters.length]!.readings);
        const { place } = demo.places[(i + k) % demo.places.length]!;
        const method = SHIPPED_METHODS[(i + 2 * k) % SHIPPED_METHODS.length]!;
        const inputs = inputsOf({ seat, place, body, method });
        masses.add(body.bodyMass?.value);
        const [tried, untried] = [inputs, structuredClone(inputs)].map((one) =>
          solve(problemOf(one), { remedies: NO_REMEDIES, budget: 1000 }),
        );
        expect(tried, `${seat.name} ${k}`).to.deep.equal(untried);
      }
    // Cushions sink by mass: heights follow it, and everything else does not.
    expect(masses.size).to.be.greaterThan(5);
  });
});
