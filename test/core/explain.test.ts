import { expect } from 'chai';
import { NO_REMEDIES, assess, explain, problemOf, solve, PLAIN_WORK, makeInputs } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { buildDemo } from '../../src/demo/build';
import { DEFAULT_READING, say } from '../../src/words';
import { ROUND, adjustment, bodyWith, problemFor, q, seatWith, slides, steps } from '../support/inputs';
import { proofRuns } from '../support/proof-runs';

function said(given: Parameters<typeof problemFor>[0], kind: string): string[] {
  const p = problemFor(given);
  const a = assess(p, solve(p, { remedies: NO_REMEDIES, budget: 300 }).settings);
  const outcome = a.outcomes.find((o) => o.kind === kind)!;
  return explain(p, a.values, outcome).map((m) => say(m, DEFAULT_READING));
}

describe('how a number comes about', () => {
  it('goes from leg and shoe to the lift', () => {
    const body = bodyWith({ ...ROUND, poplitealHeight: 412, shoeHeel: 25 });
    expect(
      said({ body, seat: seatWith([adjustment('seatHeight', slides(400, 500))]) }, 'seatHeight'),
    ).to.deep.equal([
      'Popliteal height 412 mm + shoe 25 mm + support 0 mm = 437 mm.',
      'Seat pan at 0° and the position of the feet give a thigh underside of 0°.',
      'Target on this scale: 422 mm to 437 mm.',
      'Range 400 mm to 500 mm; position 30 of 101: 429 mm.',
      'Set slightly lower than exact: if a measurement is off, lower is less harmful than higher.',
    ]);
  });

  it('says what the cushion moves and what is left over', () => {
    const seat = seatWith(
      [adjustment('seatHeight', slides(400, 500)), adjustment('armHeight', steps(150, 200, 3))],
      {
        cushion: { sinkMm: q(20), referenceMassKg: 80, heightsAre: 'loaded' },
      },
    );
    const chain = said({ body: bodyWith({ ...ROUND, bodyMass: 60 }), seat }, 'armHeight');
    expect(chain).to.include('This sitter’s mass moves the cushion heights by −5 mm.');
    // 195 under this body; the relaxed elbow hangs at 220, and the band begins 20 below it.
    expect(chain).to.include('5 mm outside the acceptable range.');
  });

  it('leaves no hole and ends with the position, on every demo seat for everybody', () => {
    const demo = buildDemo(1, new Date('2026-11-25T09:30:00Z'));
    for (const [i, sitter] of demo.sitters.entries())
      for (const [j, { seat }] of demo.seats.entries())
        for (const { place } of demo.places.filter((_, k) => (i + j + k) % proofRuns(1, 4) === 0)) {
          const body = bodyWith(Object.fromEntries(sitter.readings.map((r) => [r.dimension, r.value])));
          const p = problemOf(
            makeInputs({
              sitter: { ageYears: null },
              body,
              seat,
              place,
              method: SHIPPED_METHODS[0]!,
              work: PLAIN_WORK,
            }),
          );
          const a = assess(p, solve(p, { remedies: NO_REMEDIES, budget: 300 }).settings);
          for (const outcome of a.outcomes) {
            const chain = explain(p, a.values, outcome);
            expect(chain.map((m) => m.key)).to.satisfy((keys: string[]) =>
              keys.some((k) => k === 'chain.position' || k === 'chain.fixed'),
            );
            for (const m of chain) expect(say(m, DEFAULT_READING), m.key).not.to.match(/\{|NaN|undefined/);
          }
        }
  });
});
