import { expect } from 'chai';
import type { DimensionId } from '../../src/core/body';
import { NO_REMEDIES, inPlace, offBy, problemOf, solve, withBody, type Problem } from '../../src/core/fit';
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

describe('a problem for another body', () => {
  /** Everything but what was worked out of it. */
  const asMade = ({ bare, ...p }: Problem): unknown => ({
    ...p,
    known: [],
    bare: bare && asMade(bare.problem),
  });

  it('is what a new one would be, where every measure is off, on every seat and with remedies', () => {
    const demo = buildDemo(5, new Date('2026-12-01T09:30:00Z'), { sitters: 12, seats: 60 });
    let shifted = 0;
    for (const [i, { seat }] of demo.seats.entries()) {
      const body = bodyOf(demo.sitters[i % demo.sitters.length]!.readings);
      const { place } = demo.places[i % demo.places.length]!;
      const method = SHIPPED_METHODS[i % SHIPPED_METHODS.length]!;
      const inputs = inputsOf({ seat, place, body, method });
      const remedies = i % 3 === 0 ? { seatPadMm: 20 } : NO_REMEDIES;
      const p = inPlace(problemOf(inputs), remedies);
      const ids = (Object.keys(body) as DimensionId[]).filter((_, k) => i % 4 > 0 || k % 2 === 0);
      const off = Float64Array.from(ids, (_, k) => ((k % 7) - 3) * 4 + 0.3);
      const there = offBy(p, ids, off);
      const made = { ...body };
      ids.forEach((id, k) => (made[id] = { ...body[id]!, value: body[id]!.value + off[k]! }));
      const anew = inPlace(problemOf({ ...inputs, body: made }), remedies);
      expect(asMade(there), seat.name).to.deep.equal(asMade(anew));
      expect(asMade(withBody(p, made)), seat.name).to.deep.equal(asMade(anew));
      if (there.variables.seatHeight!.values[0] !== p.variables.seatHeight!.values[0]) shifted++;
    }
    // Under another mass cushions sink otherwise.
    expect(shifted).to.be.greaterThan(5);
  });
});
