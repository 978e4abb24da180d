import { expect } from 'chai';
import fc from 'fast-check';
import { RANKING_DRAWS, certaintyOfSeat, drawsOf } from '../../src/core/certainty';
import { BUDGET_OF_MANY, NO_REMEDIES, problemOf, solve } from '../../src/core/fit';
import {
  byRank,
  rankSeats,
  rankingInTurn,
  type CaseWithoutSeat,
  type RankedSeat,
  type Ranking,
} from '../../src/core/rank';
import type { SeatModel } from '../../src/core/seat';
import { buildDemo } from '../../src/demo/build';
import {
  RIGHT_ANGLE,
  ROUND,
  WIDE_SEAT,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  q,
  seatWith,
  slides,
} from '../support/inputs';

const demo = buildDemo(9, new Date('2026-11-25T09:30:00Z'), { seats: 60 });
const seats = demo.seats.map(({ seat }) => seat);

function askedWith(measures: Parameters<typeof bodyWith>[0], spread = 8): CaseWithoutSeat {
  const exact = bodyWith(measures);
  const body = Object.fromEntries(Object.entries(exact).map(([id, one]) => [id, { ...one, spread }]));
  return inputsOf({ body, place: placeWith(slides(650, 800)), method: RIGHT_ANGLE });
}
const asked = askedWith(ROUND);
const rank = (of: readonly SeatModel[], by: CaseWithoutSeat = asked): Ranking =>
  rankSeats(by, of, drawsOf(by.body, RANKING_DRAWS));

const named = (name: string, seat: SeatModel, more: Partial<SeatModel> = {}): SeatModel => ({
  ...seat,
  id: `01990000-0000-7000-8000-${name.padStart(12, '0')}`,
  name,
  ...more,
});

describe('seats in order', () => {
  const known = rank(seats);

  it('do not hang on the order they came in', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(seats, { minLength: seats.length }), (shuffled) => {
        expect(rank(shuffled)).to.deep.equal(known);
      }),
      { numRuns: 8, seed: 4 },
    );
  });

  it('stand as they are compared, every two of them', () => {
    for (let i = 1; i < known.ranked.length; i++)
      expect(byRank(known.ranked[i - 1]!, known.ranked[i]!)).to.be.lessThan(0);
    expect(known.ranked.length + known.refused.length).to.equal(seats.length);
    expect(new Set(known.ranked.map((r) => r.percent)).size).to.be.greaterThan(3);
  });

  it('go by share, penalty, margin, price and name, in this order', () => {
    const base: RankedSeat = {
      seatId: 'b',
      name: 'B',
      percent: 50,
      standardError: 1,
      settings: { positions: {}, remedies: NO_REMEDIES },
      hard: 0,
      penalty: 10,
      margin: 1,
      price: 100,
      limiting: null,
      notMeant: [],
    };
    const better: readonly [string, Partial<RankedSeat>, Partial<RankedSeat>][] = [
      ['a greater share', { percent: 51, penalty: 99 }, {}],
      ['a lesser penalty', { penalty: 9, margin: 0 }, {}],
      ['a larger margin', { margin: 1.1, price: 999 }, {}],
      ['any margin before none', { price: 999 }, { margin: null }],
      ['a lower price', { price: 99, name: 'Z' }, {}],
      ['a known price before none', { name: 'Z' }, { price: null }],
      ['the name', { name: 'A', seatId: 'z' }, {}],
      ['at last the seat itself', { seatId: 'a' }, {}],
    ];
    for (const [why, first, second] of better) {
      expect(byRank({ ...base, ...first }, { ...base, ...second }), why).to.be.lessThan(0);
      expect(byRank({ ...base, ...second }, { ...base, ...first }), why).to.be.greaterThan(0);
    }
    expect(byRank(base, { ...base })).to.equal(0);
  });

  it('leave out what is refused, by name and with every reason', () => {
    const light = named('1', WIDE_SEAT, { ratedLoadKg: q(60) });
    const adjustments = WIDE_SEAT.adjustments.filter(({ kind }) => kind !== 'armWidth');
    const narrow = named('2', WIDE_SEAT, { ratedLoadKg: q(60), seatWidthMm: q(300), adjustments });
    const { ranked, refused } = rank([narrow, named('3', WIDE_SEAT), light]);
    expect(ranked.map((r) => r.name)).to.deep.equal(['3']);
    expect(refused.map((r) => [r.name, r.reasons.map((m) => m.key)])).to.deep.equal([
      ['1', ['check.ratedLoad.refused']],
      ['2', ['check.ratedLoad.refused', 'check.seatWidth.refused']],
    ]);
  });

  it('never refuse on a guessed mass: such a seat stays in the list', () => {
    const guessed: CaseWithoutSeat = {
      ...asked,
      body: { ...asked.body, bodyMass: { ...q(200, 20), basis: 'estimated' } },
    };
    expect(rank([named('1', WIDE_SEAT)], guessed).ranked).to.have.length(1);
  });

  it('name the condition that is least likely; at a tie the one furthest out', () => {
    const shallow = seatWith([
      adjustment('seatHeight', slides(380, 500)),
      adjustment('seatDepth', listed(475)),
    ]);
    expect(rank([shallow]).ranked[0]!.limiting).to.equal('kneeRoom');
    const both = seatWith([adjustment('seatHeight', listed(700)), adjustment('seatDepth', listed(640))]);
    const [worst] = rank([both], askedWith(ROUND, 1)).ranked;
    // Feet hang by 260 mm; the hollow of the knee lies 160 behind the edge, 185 short of its band.
    expect(worst!.percent).to.equal(0);
    expect(worst!.limiting).to.equal('footGap');
  });

  it('take the margin from the nearest end of a range, in widths of its band', () => {
    // The seat stands a little lower than exact, a few millimetres above its lowest end, in a band of 30.
    const seat = seatWith([
      adjustment('seatHeight', slides(420, 560)),
      adjustment('seatDepth', slides(350, 520)),
    ]);
    const [only] = rank([seat], { ...asked, place: null }).ranked;
    const values = problemOf({ ...asked, place: null, seat }).variables.seatHeight!.values;
    const above = values[only!.settings.positions.seatHeight!]! - 420;
    expect(above).to.be.within(5, 20);
    expect(only!.margin).to.equal(Math.round((1000 * above) / 30) / 1000);
  });

  it('give each seat the share that it has by itself', () => {
    const draws = drawsOf(asked.body, RANKING_DRAWS);
    for (const one of known.ranked.slice(0, 12)) {
      const p = problemOf({ ...asked, seat: seats.find((s) => s.id === one.seatId)! });
      const { settings, penalty } = solve(p, { remedies: NO_REMEDIES, budget: BUDGET_OF_MANY });
      expect(one.penalty).to.equal(penalty);
      expect(one.settings).to.deep.equal(settings);
      expect(one.percent).to.equal(Math.round(100 * certaintyOfSeat(p, settings, draws).all));
    }
  });

  it('tell on the way how far they are, the first ones of what is known in order', () => {
    const told = [...rankingInTurn(asked, seats, drawsOf(asked.body, RANKING_DRAWS))];
    expect(told).to.have.length(seats.length);
    told.forEach(({ done, count, ranked }, i) => {
      expect([done, count]).to.deep.equal([i + 1, seats.length]);
      for (let k = 1; k < ranked.length; k++) expect(byRank(ranked[k - 1]!, ranked[k]!)).to.be.lessThan(0);
    });
    expect(rank([])).to.deep.equal({ count: 0, done: 0, ranked: [], refused: [] });
  });
});
