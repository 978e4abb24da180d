/** Whether some position fits: counted over the very positions that may be chosen, and no others. */
import { expect } from 'chai';
import { certaintyOfSeat, drawsOf } from '../../src/core/certainty';
import {
  NO_REMEDIES,
  assess,
  computableConditions,
  problemOf,
  solve,
  valuesOfSettings,
  withBody,
  type Problem,
} from '../../src/core/fit';
import { bandOf } from '../../src/core/target';
import { DEMO_PLACES } from '../../src/demo/places';
import { DEMO_SEATS } from '../../src/demo/seats';
import { DEMO_SITTERS } from '../../src/demo/sitters';
import type { Body } from '../../src/core/body';
import type { Adjustment } from '../../src/core/seat';
import {
  FULL,
  OPEN_HIP,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  problemFor,
  seatWith,
  slides,
} from '../support/inputs';

/** As a fitter measures. */
const measured = (measures: Parameters<typeof bodyWith>[0]): Body =>
  Object.fromEntries(
    Object.entries(bodyWith(measures)).map(([id, q]) => [id, { ...q, spread: id === 'bodyMass' ? 0.5 : 4 }]),
  );

describe('whether some position fits', () => {
  const tippingBy = (forwardTilt: Adjustment): Problem =>
    problemFor({
      seat: seatWith([
        adjustment('seatHeight', slides(440, 500)),
        adjustment('seatDepth', listed(400)),
        forwardTilt,
      ]),
      body: measured(FULL),
      method: OPEN_HIP,
    });
  const tipping = tippingBy(adjustment('forwardTilt', listed(-3, 0), { holds: { how: 'passive' } }));

  it('asks of what tips by itself that everything fits at both ends', () => {
    const draws = drawsOf(tipping.inputs.body, { seed: 3, count: 400 });
    const { settings } = solve(tipping, { remedies: NO_REMEDIES });
    const said = certaintyOfSeat(tipping, settings, draws).all;
    const fits = (p: Problem, seatHeight: number): boolean =>
      [0, 1].every((forwardTilt) => {
        const v = valuesOfSettings(p, {
          positions: { seatHeight, seatDepth: 0, forwardTilt },
          remedies: NO_REMEDIES,
        });
        return computableConditions(p).every((c) => {
          const { lo, hi } = bandOf(p.targets[c.id]);
          const residual = c.residual(p, v);
          return lo - 0.05 <= residual && residual <= hi + 0.05;
        });
      });
    let found = 0;
    for (let d = 0; d < draws.count; d++) {
      const body: Record<string, unknown> = { ...tipping.inputs.body };
      draws.ids.forEach((id, i) => {
        const q = tipping.inputs.body[id]!;
        body[id] = { ...q, value: q.value + draws.off[d * draws.ids.length + i]! };
      });
      const p = withBody(tipping, body);
      if (tipping.variables.seatHeight!.values.some((_, at) => at % 2 === 0 && fits(p, at))) found++;
    }
    expect(said).to.be.within(0.05, 0.95);
    // Taken as straight, as everything here; a thigh that begins to hang bends.
    expect(said).to.be.closeTo(found / draws.count, 0.12);
    for (const end of [-3, 0]) {
      const alone = tippingBy(adjustment('forwardTilt', listed(end)));
      const best = solve(alone, { remedies: NO_REMEDIES }).settings;
      expect(certaintyOfSeat(alone, best, draws).all, `${end}°`).to.be.greaterThan(said + 0.02);
    }
  });

  it('does not count on being tipped forward where nobody asks for it', () => {
    const seat = (values: readonly number[]) =>
      problemFor({
        seat: seatWith([
          adjustment('seatHeight', listed(520)),
          adjustment('seatDepth', listed(400)),
          adjustment('seatAngle', listed(...values)),
        ]),
        body: measured(FULL),
        method: OPEN_HIP,
      });
    const chance = (p: Problem): number =>
      certaintyOfSeat(
        p,
        solve(p, { remedies: NO_REMEDIES }).settings,
        drawsOf(p.inputs.body, { seed: 1, count: 512 }),
      ).all;
    expect(chance(seat([-6, 0]))).to.be.closeTo(chance(seat([0])), 0.02);
  });

  it('is not likely where the best that can be set is far out, over the demo seats, sitters and places', function () {
    this.timeout(60_000);
    const contradictions: string[] = [];
    let seen = 0;
    for (const [i, sitter] of DEMO_SITTERS.entries())
      for (const [k, seat] of DEMO_SEATS.entries()) {
        const place = DEMO_PLACES[(i + k) % DEMO_PLACES.length]!;
        const body = measured(sitter.measures);
        const p = problemOf(
          inputsOf({
            body,
            seat: { ...seat, id: 's' },
            place: { ...place, id: 'p' },
            method: OPEN_HIP,
            ageYears: sitter.ageYears,
          }),
        );
        const { settings } = solve(p, { remedies: NO_REMEDIES });
        const a = assess(p, settings);
        if (a.refused) continue;
        seen++;
        const { all } = certaintyOfSeat(p, settings, drawsOf(body, { seed: 1, count: 512 }));
        const out = a.outcomes.filter((o) => o.verdict === 'cannotReach').map((o) => o.kind);
        if (all > 0.5 && out.length > 0)
          contradictions.push(
            `${sitter.name}, ${seat.name}, ${place.name}: ${all.toFixed(2)}, ${out.join()}`,
          );
      }
    expect(seen).to.be.greaterThan(80);
    expect(contradictions).to.deep.equal([]);
  });
});
