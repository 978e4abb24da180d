import { expect } from 'chai';
import fc from 'fast-check';
import {
  CASE_FAULTS,
  NO_REMEDIES,
  assess,
  caseDoubts,
  explain,
  problemOf,
  solve,
  type FitInputs,
} from '../../src/core/fit';
import { SEAT_FAULTS, type Adjustment } from '../../src/core/seat';
import {
  EVERYTHING,
  EVERY_PLACE,
  FULL,
  adjustment,
  bodyWith,
  inputsOf,
  slides,
  steps,
} from '../support/inputs';
import { proofRuns } from '../support/proof-runs';

const REASONS: readonly string[] = [...CASE_FAULTS, ...SEAT_FAULTS];
const valid = inputsOf({
  seat: {
    ...EVERYTHING,
    adjustments: EVERYTHING.adjustments.filter((a) => a.kind !== 'chairAngle').slice(0, 14),
  },
  place: EVERY_PLACE,
  body: bodyWith(FULL),
});

/** Every number of a document, by its path. */
function numbersIn(
  value: unknown,
  path: readonly (string | number)[] = [],
): (readonly (string | number)[])[] {
  if (typeof value === 'number') return [path];
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([key, inner]) => numbersIn(inner, [...path, key]));
}

/** A copy with one value replaced. */
function withValue<T>(document: T, path: readonly (string | number)[], value: unknown): T {
  const [key, ...rest] = path;
  if (key === undefined) return value as T;
  const copy = (Array.isArray(document) ? [...(document as unknown[])] : { ...document }) as Record<
    string,
    unknown
  >;
  copy[key] = withValue(copy[key], rest, value);
  return copy as T;
}

const PATHS = numbersIn(valid).filter(
  ([top, , , last]) =>
    !['schema', 'coreVersion', 'tablesVersion', 'seed'].includes(String(top)) && last !== 'spread',
);
const absurd = fc.constantFrom(NaN, Infinity, -Infinity, -1, 0, -1e9, 1e9, 1e-300, 37.5);
const forty = Array.from({ length: 40 }, (_, i): Adjustment => ({
  ...adjustment('seatHeight', slides(400, 500)),
  id: `a${i}`,
}));

const spoiled: fc.Arbitrary<FitInputs> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.tuple(fc.nat(PATHS.length - 1), absurd).map(([i, x]) => withValue(valid, PATHS[i]!, x)),
  },
  {
    weight: 2,
    arbitrary: fc
      .tuple(fc.nat(PATHS.length - 1), fc.nat(PATHS.length - 1), absurd, absurd)
      .map(([i, j, x, y]) => withValue(withValue(valid, PATHS[i]!, x), PATHS[j]!, y)),
  },
  {
    weight: 1,
    arbitrary: fc
      .tuple(
        fc.nat(valid.seat.adjustments.length - 1),
        fc.constantFrom('wingHeight', '', '__proto__', 'toString'),
      )
      .map(([i, kind]) => withValue(valid, ['seat', 'adjustments', i, 'kind'], kind)),
  },
  {
    weight: 1,
    arbitrary: fc
      .constantFrom<readonly Adjustment[]>(
        [],
        forty,
        [adjustment('deskHeight', slides(600, 800))],
        [adjustment('seatHeight', steps(500, 400, 5))],
      )
      .map((all) => withValue(valid, ['seat', 'adjustments'], all)),
  },
);

/** Cases that are spoiled; all of them among the long proofs. */
const SPOILED = proofRuns(10_000, 400);

describe('a case that cannot be', function () {
  this.timeout(600_000);

  it('has no doubt about it where it can be', () => {
    expect(caseDoubts(valid)).to.deep.equal([]);
    expect(
      caseDoubts(inputsOf({ seat: EVERYTHING, place: EVERY_PLACE, body: bodyWith(FULL) })),
    ).to.deep.equal([]);
  });

  it('is told by a closed reason with field and value, or is computed to finite numbers: many spoiled cases', () => {
    let told = 0;
    fc.assert(
      fc.property(spoiled, (inputs) => {
        const doubts = caseDoubts(inputs);
        if (doubts.length > 0) {
          told++;
          for (const { reason, field, value } of doubts) {
            expect(REASONS).to.include(reason);
            expect(field).to.match(/^\/(body|seat|place|method|work)\//);
            expect(['number', 'string']).to.include(typeof value);
          }
          return;
        }
        const p = problemOf(inputs);
        const { settings, hard, penalty } = solve(p, { remedies: NO_REMEDIES });
        expect(Number.isFinite(hard + penalty)).to.equal(true);
        const { outcomes, values } = assess(p, settings);
        for (const outcome of outcomes) expect(explain(p, values, outcome)).not.to.have.length(0);
      }),
      { seed: 91, numRuns: SPOILED },
    );
    expect(told).to.be.greaterThan(SPOILED / 2);
  });

  for (const [what, path, value, reason] of [
    ['a reversed range', ['seat', 'adjustments', 0, 'travel', 'lowest', 'value'], 900, 'reversedRange'],
    ['a number that is none', ['seat', 'pan', 'axisFromRearMm'], NaN, 'notFinite'],
    ['an impossible body', ['body', 'poplitealHeight', 'value'], 4000, 'measureOutOfRange'],
    ['measures that contradict', ['body', 'kneeHeight', 'value'], 300, 'measuresContradict'],
    ['an unknown kind', ['seat', 'adjustments', 1, 'kind'], 'wingHeight', 'unknownKind'],
    ['a desk of a seat', ['seat', 'adjustments', 1, 'kind'], 'deskHeight', 'wrongOwner'],
    ['no adjustment at all', ['seat', 'adjustments'], [], 'missingSeatHeight'],
    ['forty adjustments', ['seat', 'adjustments'], forty, 'tooManyAdjustments'],
    ['a ceiling in the floor', ['place', 'headroomMm'], 3, 'outOfRange'],
    ['negative tools', ['work', 'toolsKg'], -2, 'negative'],
    ['a target that falls', ['method', 'kneeRoom', 'bandHi'], 10, 'reversedTarget'],
  ] as const) {
    it(`names ${what}: ${reason}`, () => {
      const doubts = caseDoubts(withValue(valid, path, value));
      expect(doubts.map((d) => d.reason)).to.include(reason);
      const named = doubts.find((d) => d.reason === reason)!;
      expect(named.field.startsWith(`/${String(path[0])}`)).to.equal(true);
    });
  }
});
