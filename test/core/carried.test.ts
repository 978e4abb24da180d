import { expect } from 'chai';
import fc from 'fast-check';
import {
  NO_REMEDIES,
  assess,
  bestAlone,
  costOf,
  heldDoubts,
  problemOf,
  runnersUp,
  solve,
  valuesOfSettings,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { cardOf } from '../../src/core/card';
import { certaintyOfSettings, drawsOf, quickCertainty, type SetCertainty } from '../../src/core/certainty';
import type { Adjustment, AdjustmentKind } from '../../src/core/seat';
import { drawnProblems } from '../support/drawn-seats';
import { mayBeSet } from '../support/enumeration';
import {
  FULL,
  adjustment,
  bodyWith,
  problemFor,
  q,
  seatWith,
  slides,
  steps,
  CARD_HEADER,
} from '../support/inputs';

interface Tied {
  readonly p: Problem;
  readonly leader: AdjustmentKind;
  readonly own: AdjustmentKind;
  readonly ratio: number;
}

/** A drawn seat of which one adjustment carries another along. */
const tiedProblems: fc.Arbitrary<Tied | null> = fc
  .record({
    p: drawnProblems(1500),
    pick: fc.noBias(fc.tuple(fc.nat(30), fc.nat(30))),
    ratio: fc.noBias(fc.constantFrom(-1.2, -0.5, -0.1, 0.1, 0.4, 0.5, 1, 1.7)),
  })
  .map(({ p, pick, ratio }) => {
    const movable = p.inputs.seat.adjustments.filter((a) => (p.variables[a.kind]?.values.length ?? 0) > 1);
    if (movable.length < 2) return null;
    const leader = movable[pick[0] % movable.length]!;
    const others = movable.filter((a) => a !== leader);
    const own = others[pick[1] % others.length]!;
    const follows: Adjustment = { ...own, holds: { how: 'follows', leaderId: leader.id, ratio } };
    const adjustments = p.inputs.seat.adjustments.map((a) => (a === own ? follows : a));
    const tied = problemOf({ ...p.inputs, seat: { ...p.inputs.seat, adjustments } });
    return { p: tied, leader: leader.kind, own: own.kind, ratio };
  });

/** The place of what is carried, worked out from what the seat's description says. */
function placeFor({ p, leader, own, ratio }: Tied, at: number): number {
  const [led, mine] = [p.variables[leader]!, p.variables[own]!];
  const start = ratio >= 0 ? mine.values[0]! : mine.values.at(-1)!;
  const wanted = start + ratio * (led.values[at]! - led.values[0]!);
  let place = 0;
  mine.values.forEach((value, i) => {
    if (Math.abs(value - wanted) < Math.abs(mine.values[place]! - wanted) - 1e-9) place = i;
  });
  return place;
}

/** The least cost of all settings in which what is carried stands where its leader has it. */
function plainBestOf(tied: Tied): number {
  const { p, leader, own } = tied;
  const variables = Object.values(p.variables).filter(({ kind }) => kind !== own);
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  let penalty = Infinity;
  const go = (i: number): void => {
    const variable = variables[i];
    if (!variable) {
      positions[own] = placeFor(tied, positions[leader]!);
      penalty = Math.min(penalty, costOf(p, { positions, remedies: NO_REMEDIES }).penalty);
      return;
    }
    for (let n = 0; n < variable.values.length; n++) {
      if (!mayBeSet(p, variable, n)) continue;
      positions[variable.kind] = n;
      go(i + 1);
    }
  };
  go(0);
  return penalty;
}

describe('what another adjustment carries along', () => {
  it('is found together with it at the least cost of all, by plain counting', () => {
    let seen = 0;
    let carried = 0;
    fc.assert(
      fc.property(tiedProblems, (tied) => {
        if (!tied || tied.p.carried.length === 0) return;
        seen++;
        const { p, leader, own } = tied;
        const found = solve(p, { remedies: NO_REMEDIES });
        const at = found.settings.positions[leader]!;
        expect(found.settings.positions[own]).to.equal(placeFor(tied, at));
        expect(found.ended).to.equal('proved');
        expect(found.penalty).to.equal(plainBestOf(tied));
        expect(costOf(p, found.settings).penalty).to.equal(found.penalty);
        if (found.settings.positions[own]! > 0) carried++;
      }),
      { numRuns: 150, seed: 20261129 },
    );
    expect(seen).to.be.above(80);
    expect(carried).to.be.above(20);
  });

  it('goes where its leader is put, whatever the settings say of it', () => {
    fc.assert(
      fc.property(tiedProblems, fc.nat(50), fc.nat(50), (tied, a, b) => {
        if (!tied || tied.p.carried.length === 0) return;
        const { p, leader, own } = tied;
        const at = a % p.variables[leader]!.values.length;
        const { settings } = solve(p, { remedies: NO_REMEDIES });
        const astray: Settings = {
          ...settings,
          positions: { ...settings.positions, [leader]: at, [own]: b % p.variables[own]!.values.length },
        };
        const place = placeFor(tied, at);
        expect(valuesOfSettings(p, astray)[own]).to.equal(p.variables[own]!.values[place]);
        expect(assess(p, astray).outcomes.find((o) => o.kind === own)!.position).to.equal(place);
        const v = valuesOfSettings(p, astray);
        const best = bestAlone(p, v, p.variables[leader]!);
        const there = (n: number): Settings => ({
          ...astray,
          positions: { ...astray.positions, [leader]: n },
        });
        const costs = p.variables[leader]!.values.map((_, n) => costOf(p, there(n)).penalty);
        if (!p.leaning) expect(costs[best]).to.equal(Math.min(...costs));
      }),
      { numRuns: 60, seed: 7 },
    );
  });

  it('is no cheaper in what comes after the best, nor apart from its leader there', () => {
    fc.assert(
      fc.property(tiedProblems, (tied) => {
        if (!tied || tied.p.carried.length === 0) return;
        const { p, leader, own } = tied;
        const best = solve(p, { remedies: NO_REMEDIES });
        for (const { settings, penalty } of runnersUp(p, { remedies: NO_REMEDIES }, 2)) {
          expect(penalty).to.be.at.least(best.penalty);
          expect(settings.positions[own]).to.equal(placeFor(tied, settings.positions[leader]!));
        }
      }),
      { numRuns: 60, seed: 11 },
    );
  });

  const HEIGHT = adjustment('seatHeight', slides(380, 560));
  const BACK = adjustment('backAngle', steps(0, 20, 5), { holds: { how: 'notched' } });
  const PAN = adjustment('seatAngle', slides(0, 10), {
    holds: { how: 'follows', leaderId: BACK.id, ratio: 0.5 },
  });

  it('makes a pan that the back carries along the same as one tied to it by two to one', () => {
    const carriedBy = problemFor({ body: bodyWith(FULL), seat: seatWith([HEIGHT, BACK, PAN]) });
    const seat = seatWith([HEIGHT, BACK]);
    const synchro = problemFor({
      body: bodyWith(FULL),
      seat: { ...seat, back: { ...seat.back, synchroRatio: 2 } },
    });
    for (const backAngle of [0, 1, 2, 3, 4]) {
      const settings = { positions: { seatHeight: 40, backAngle }, remedies: {} };
      const [a, b] = [assess(carriedBy, settings), assess(synchro, settings)];
      expect(a.values.seatAngle).to.equal(2.5 * backAngle);
      expect(a.angles).to.deep.equal(b.angles);
      const residuals = ({ outcomes }: typeof a) =>
        outcomes.flatMap((o) => o.conditions.map(({ id, residual }) => [id, residual] as const));
      expect(Object.fromEntries(residuals(a))).to.deep.equal(Object.fromEntries(residuals(b)));
    }
  });

  it('is off with what carries it, where it is told how sure settings are', () => {
    const sureOf = (spread: number) => {
      const loose: Adjustment = {
        ...BACK,
        travel: { type: 'steps', lowest: q(0, spread), highest: q(20, spread), count: 5 },
      };
      const p = problemFor({ body: bodyWith(FULL), seat: seatWith([HEIGHT, loose, PAN]) });
      const settings = { positions: { seatHeight: 40, backAngle: 1 }, remedies: {} };
      const draws = drawsOf(p.inputs.body);
      const pan = ({ each }: SetCertainty) => each.find(({ id }) => id === 'thigh')!.probability;
      return {
        exact: pan([...certaintyOfSettings(p, settings, draws)].at(-1)!),
        quick: pan(quickCertainty(p, settings, draws)),
      };
    };
    const [firm, slack] = [sureOf(0.1), sureOf(8)];
    expect(slack.exact)
      .to.be.below(firm.exact - 0.1)
      .and.closeTo(slack.quick, 0.03);
  });

  it('is said as what it is, asked for by no card and held by nobody', () => {
    const p = problemFor({ body: bodyWith(FULL), seat: seatWith([HEIGHT, BACK, PAN]) });
    const a = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    const pan = a.outcomes.find((o) => o.kind === 'seatAngle')!;
    expect(pan.words.key).to.equal('position.carried');
    const row = cardOf(a, CARD_HEADER, null).rows.find((r) => r.kind === 'seatAngle');
    expect(row?.check ?? null).to.equal(null);
    expect(row?.tolerance ?? null).to.equal(null);
    expect(heldDoubts(p.inputs, { seatAngle: 1 }).map((d) => d.reason)).to.deep.equal(['heldCarried']);
    expect(heldDoubts(p.inputs, { backAngle: 1 })).to.deep.equal([]);
  });
});
