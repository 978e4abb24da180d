import { expect } from 'chai';
import { EigenvalueDecomposition } from 'ml-matrix';
import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import {
  certaintyByKind,
  certaintyOfSettings,
  drawsOf,
  quickCertainty,
  type Draws,
  type SetCertainty,
} from '../../src/core/certainty';
import { DIMENSIONS, type Body, type DimensionId } from '../../src/core/body';
import {
  NO_REMEDIES,
  assess,
  computableConditions,
  problemOf,
  solve,
  valuesOfSettings,
  type FitInputs,
  type Problem,
  type Settings,
  CONDITION_UNITS,
} from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { bandOf } from '../../src/core/target';
import { BRITISH, filledBody } from '../../src/core/population';
import { errorsOf } from '../../src/core/population/errors';
import { buildDemo } from '../../src/demo/build';
import { adjustment, bodyWith, inputsOf, listed, placeWith, q, seatWith, slides } from '../support/inputs';

const NOW = new Date('2026-11-25T09:30:00Z');
const QUICK: readonly DimensionId[] = [
  'stature',
  'bodyMass',
  'shoeHeel',
  'poplitealHeight',
  'buttockPoplitealLength',
  'elbowHeightSitting',
  'hipBreadthSitting',
];

const SITTER_LED = SHIPPED_METHODS.find((m) => m.id === 'sitter-led')!;

/** Measured as a fitter does: a single reading each, the rest estimated. */
function halfMeasured(measures: Partial<Record<DimensionId, number>>, ids: readonly DimensionId[]): Body {
  const read = Object.fromEntries(Object.entries(measures).filter(([id]) => ids.includes(id as DimensionId)));
  const body = Object.fromEntries(
    Object.entries(bodyWith(read)).map(([id, quantity]) => [
      id,
      { ...quantity, spread: DIMENSIONS[id as DimensionId].repeatTolerance / 2 },
    ]),
  );
  return filledBody(body, { sex: null, ageYears: 40 }, BRITISH);
}

const demo = buildDemo(5, NOW, { sitters: 40, seats: 40 });
const sitters = demo.sitters.filter((s) => s.readings.length >= 14);

/** Sitters on seats, each half measured and set to its best. */
function caseOf(n: number): { readonly p: Problem; readonly settings: Settings; readonly draws: Draws } {
  const sitter = sitters[n % sitters.length]!;
  const isBare = n % 3 !== 0;
  const measures = Object.fromEntries(sitter.readings.map((r) => [r.dimension, r.value]));
  const p = problemOf(
    inputsOf({
      // Two of three hardly measured, by a method of wide bands: its errors hang together.
      body: halfMeasured(measures, isBare ? ['stature', 'bodyMass', 'shoeHeel'] : QUICK),
      seat: demo.seats[(n * 7) % demo.seats.length]!.seat,
      place: n % 4 < 2 ? placeWith(slides(640, 800)) : null,
      method: isBare ? SITTER_LED : SHIPPED_METHODS[0]!,
    }),
  );
  const { settings } = solve(p, { remedies: NO_REMEDIES });
  return { p, settings, draws: drawsOf(p.inputs.body, { seed: n + 1, count: 4096 }) };
}

/** To the end. */
function certaintyOf(p: Problem, settings: Settings, draws: Draws): SetCertainty {
  return [...certaintyOfSettings(p, settings, draws)].at(-1)!;
}

/** Cases in which it is really in doubt whether the settings fit. */
function inDoubt(count: number): ReturnType<typeof caseOf>[] {
  const found: ReturnType<typeof caseOf>[] = [];
  for (let n = 0; found.length < count; n++) {
    const one = caseOf(n);
    const { all } = quickCertainty(one.p, one.settings, one.draws);
    if (0.1 < all && all < 0.9) found.push(one);
  }
  return found;
}

/** Draws true bodies by plain sampling and asks each condition itself, without taking anything for straight. */
function plainShare(
  { p, settings }: { p: Problem; settings: Settings },
  count: number,
  seed: number,
): number {
  // What is taken erect and used relaxed is less sure by how far the trunk gives: 8 mm.
  const slumping = ['elbow', 'shoulder', 'cervicale', 'eye'].map((part) => `${part}HeightSitting`);
  const used = Object.fromEntries(
    Object.entries(p.inputs.body).map(([id, quantity]) => [
      id,
      quantity && [...slumping, 'napeHeight'].includes(id)
        ? { ...quantity, spread: Math.hypot(quantity.spread, 8) }
        : quantity,
    ]),
  );
  const { ids, covariance } = errorsOf(used);
  const { realEigenvalues, eigenvectorMatrix } = new EigenvalueDecomposition(covariance, {
    assumeSymmetric: true,
  });
  const random = xoroshiro128plus(seed);
  const normal = randomNormal.source(() => uniformFloat64(random))();
  let all = 0;
  for (let d = 0; d < count; d++) {
    const z = realEigenvalues.map((value) => Math.sqrt(Math.max(0, value)) * normal());
    const body: Record<string, unknown> = { ...p.inputs.body };
    ids.forEach((id, i) => {
      const off = z.reduce((sum, x, k) => sum + eigenvectorMatrix.get(i, k) * x, 0);
      body[id] = { ...p.inputs.body[id]!, value: p.inputs.body[id]!.value + off };
    });
    const there = problemOf({ ...p.inputs, body: body });
    const values = valuesOfSettings(there, settings);
    // Where nobody said how far a position may be off: 3 mm, 1°, a sixteenth of a turn; counts and switches are exact.
    const off = { ...values };
    for (const { kind, adjustment } of Object.values(there.variables))
      off[kind] += ({ mm: 3, deg: 1, turn: 1 / 16 }[adjustment.unit as string] ?? 0) * normal();
    const holds = computableConditions(there).every((c) => {
      const band = bandOf(there.targets[c.id]);
      const own = { ...values };
      for (const kind of c.owners(there)) own[kind] = off[kind];
      const residual = c.residual(there, CONDITION_UNITS[c.id] === 'own' ? own : off);
      return band.lo - 0.05 <= residual && residual <= band.hi + 0.05;
    });
    if (holds) all++;
  }
  return all / count;
}

/** Φ, by Abramowitz and Stegun 7.1.26: right to 1.5e−7. */
function shareBelow(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2);
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp((-z * z) / 2);
  return z < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
}

describe('how sure settings are', () => {
  const seat = seatWith([adjustment('seatHeight', listed(440))]);
  const legs = (spread: number): FitInputs => {
    const body = bodyWith({ poplitealHeight: 430, shoeHeel: 20 });
    return inputsOf({ seat, body: { ...body, poplitealHeight: { ...body.poplitealHeight!, spread } } });
  };
  const settings = { positions: { seatHeight: 0 }, remedies: NO_REMEDIES };

  it('is all or nothing where nothing is in doubt', () => {
    const p = problemOf(legs(0));
    expect(certaintyOf(p, settings, drawsOf(p.inputs.body)).all).to.equal(1);
    const far = problemOf(
      inputsOf({ seat: seatWith([adjustment('seatHeight', listed(480))]), body: legs(0).body }),
    );
    expect(certaintyOf(far, settings, drawsOf(far.inputs.body))).to.deep.include({
      all: 0,
      settle: null,
    });
  });

  it('of one condition is what the normal distribution says of its band', () => {
    // The gap is 440 − 450 = −10 in a band of −25 to 5: 15 to either side.
    for (const spread of [5, 10, 20]) {
      const p = problemOf(legs(spread));
      const { all, each, standardError } = certaintyOf(p, settings, drawsOf(p.inputs.body));
      expect(quickCertainty(p, settings, drawsOf(p.inputs.body)).all).to.be.closeTo(all, 0.002);
      // The lift may be off by 3 mm, as is usual.
      const wanted = 1 - 2 * shareBelow(-15.05 / Math.hypot(spread, 3));
      expect(all).to.be.closeTo(wanted, 3 * standardError + 1e-6);
      expect(each.find((c) => c.id === 'footGap')!.probability).to.equal(all);
    }
  });

  it('counts what the seat’s own sheet leaves open', () => {
    const loose = (spread: number) => {
      const lift = adjustment('seatHeight', { type: 'listed', values: [q(440, spread)] });
      const p = problemOf({ ...legs(0), seat: seatWith([lift]) });
      return certaintyOf(p, settings, drawsOf(p.inputs.body));
    };
    expect(loose(0).all).to.equal(1);
    const { all } = loose(10);
    expect(all).to.be.closeTo(1 - 2 * shareBelow(-1.505), 0.025);
  });

  it('of all at once is never more than of the least, and the same for the same seed', () => {
    for (let n = 0; n < 12; n++) {
      const { p, settings: set, draws } = caseOf(n);
      const one = quickCertainty(p, set, draws);
      expect(one.all).to.be.at.most(one.each[0]!.probability);
      for (let i = 1; i < one.each.length; i++)
        expect(one.each[i]!.probability).to.be.at.least(one.each[i - 1]!.probability);
      const again = quickCertainty(p, set, drawsOf(p.inputs.body, { seed: n + 1, count: 4096 }));
      expect(again).to.deep.equal(one);
    }
  });

  it('agrees with plain sampling of true bodies, and is no product of single ones', function () {
    this.timeout(process.env.VELTO_DRAWS ? 3_600_000 : 240_000);
    let [agree, correlated] = [0, 0];
    // `VELTO_DRAWS=200000` for a closer look, which takes some minutes.
    const plain = Number(process.env.VELTO_DRAWS ?? 2000);
    for (const [n, one] of inDoubt(50).entries()) {
      const { all, each, standardError } = certaintyOf(one.p, one.settings, one.draws);
      // The quick way is for lists: a few points off at most.
      expect(quickCertainty(one.p, one.settings, one.draws).all, `${n}`).to.be.closeTo(all, 0.06);
      const share = plainShare(one, plain, 900 + n);
      const error = Math.hypot(standardError, Math.sqrt((share * (1 - share)) / plain), 0.5 / plain);
      if (Math.abs(all - share) <= 3 * error) agree++;
      const product = each.reduce((sum, c) => sum * c.probability, 1);
      if (Math.abs(all - product) > 0.02) correlated++;
    }
    expect(agree).to.be.at.least(48);
    expect(correlated).to.be.at.least(10);
  });

  it('names the measure that, taken again, settles most', function () {
    this.timeout(600_000);
    let [named, right] = [0, 0];
    for (const { p, settings: set, draws } of inDoubt(60)) {
      if (named === 50) break;
      const { settle } = quickCertainty(p, set, draws);
      if (!settle) continue;
      named++;
      const { ids, covariance } = errorsOf(p.inputs.body);
      const few = drawsOf(p.inputs.body, { seed: 77, count: 1024 });
      // What is left on average when a measure is taken: the other errors follow it as far as they hang together.
      const left = ids.map((id, i) => {
        const spread = Math.sqrt(covariance.get(i, i));
        const tolerance = DIMENSIONS[id].repeatTolerance / 2;
        if (tolerance >= spread) return settle.doubt;
        const outcomes = [-2.25, -1.5, -0.75, 0, 0.75, 1.5, 2.25];
        const weights = outcomes.map((z) => Math.exp((-z * z) / 2));
        const total = weights.reduce((a, b) => a + b);
        const keep = (tolerance / spread) ** 2;
        return outcomes.reduce((sum, z, k) => {
          const off = few.off.slice();
          const moved = z * Math.sqrt(spread ** 2 - tolerance ** 2);
          for (let d = 0; d < few.count; d++) {
            const was = off[d * ids.length + i]!;
            // A new error of the size of the tolerance in place of the old one.
            const by = moved + was * Math.sqrt(keep) - was;
            ids.forEach((_, j) => {
              off[d * ids.length + j]! += (covariance.get(i, j) / spread ** 2) * by;
            });
          }
          const { all } = quickCertainty(p, set, { ...few, off });
          return sum + (weights[k]! / total) * all * (1 - all);
        }, 0);
      });
      const best = Math.min(...left);
      // Two that settle as much, as far as such a simulation can tell, are both right.
      if (left[ids.indexOf(settle.dimension)]! <= best + 0.005) right++;
    }
    expect(named).to.equal(50);
    expect(right).to.be.at.least(45);
  });

  it('names on each track the least sure condition, and the measure its doubt comes from', () => {
    const { p, settings, draws } = caseOf(3);
    const certainty = quickCertainty(p, settings, draws);
    const byKind = certaintyByKind(p, certainty);
    for (const c of computableConditions(p)) {
      const one = certainty.each.find(({ id }) => id === c.id)!;
      for (const kind of c.owners(p)) expect(byKind.get(kind)!.probability).to.be.at.most(one.probability);
      if (one.cause) expect(c.needs(p)).to.include(one.cause);
      if (one.probability === 1) expect(one.cause).to.equal(null);
    }
    const gap = certainty.each.find(({ id }) => id === 'footGap')!;
    // The shoe is known to a millimetre or two, the lower leg is not.
    expect(gap.cause).to.equal('poplitealHeight');
  });

  it('goes with the verdict: what is said to fit is likelier than not to', () => {
    for (let n = 0; n < 10; n++) {
      const { p, settings: set, draws } = caseOf(n);
      const { each } = quickCertainty(p, set, draws);
      for (const o of assess(p, set).outcomes.filter((x) => x.verdict === 'fits' && x.estimated.length === 0))
        for (const c of o.conditions)
          expect(each.find((e) => e.id === c.id)!.probability, `${n} ${c.id}`).to.be.at.least(0.45);
    }
  });
});

describe('errors of a body', () => {
  it('of readings do not hang together, of estimates they do; every spread stays', () => {
    const body = halfMeasured({ stature: 1740, shoeHeel: 25 }, ['stature', 'shoeHeel']);
    const { ids, covariance } = errorsOf(body);
    ids.forEach((id, i) => expect(covariance.get(i, i)).to.be.closeTo(body[id]!.spread ** 2, 1e-6));
    const between = (a: DimensionId, b: DimensionId) =>
      covariance.get(ids.indexOf(a), ids.indexOf(b)) / (body[a]!.spread * body[b]!.spread);
    expect(between('stature', 'shoeHeel')).to.equal(0);
    // A longer lower leg than the stature lets expect goes with a higher knee and a shorter trunk.
    expect(between('poplitealHeight', 'kneeHeight')).to.be.greaterThan(0.4);
    expect(between('poplitealHeight', 'sittingHeight')).to.be.lessThan(-0.2);
    expect(between('stature', 'poplitealHeight')).to.be.within(0, 0.3);
  });

  it('are those of possible people', () => {
    for (let n = 0; n < 20; n++) {
      const { covariance } = errorsOf(caseOf(n).p.inputs.body);
      const { realEigenvalues } = new EigenvalueDecomposition(covariance, { assumeSymmetric: true });
      const largest = Math.max(...realEigenvalues);
      for (const value of realEigenvalues) expect(value).to.be.at.least(-1e-6 * largest);
    }
  });
});
