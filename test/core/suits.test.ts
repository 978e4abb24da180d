/** Whether a seat is meant for its place, clears the roof over it, and has a suspension made for who sits on it. */
import { expect } from 'chai';
import { RANKING_DRAWS, drawsOf } from '../../src/core/certainty';
import {
  NO_REMEDIES,
  assess,
  isRefused,
  problemOf,
  remediesFor,
  seatChecks,
  solve,
  type FitInputs,
  type SeatCheck,
} from '../../src/core/fit';
import { rankSeats } from '../../src/core/rank';
import type { SeatModel } from '../../src/core/seat';
import { DEFAULT_READING, say } from '../../src/words';
import {
  FULL,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  q,
  seatWith,
  slides,
} from '../support/inputs';

const check = (inputs: FitInputs, id: SeatCheck['id']): SeatCheck | undefined =>
  seatChecks(inputs).find((c) => c.id === id);
const named = (id: string, seat: SeatModel, more: Partial<SeatModel> = {}): SeatModel => ({
  ...seat,
  id: `01990000-0000-7000-8000-00000000000${id}`,
  name: id,
  ...more,
});

describe('the roof of a cab', () => {
  const seat = seatWith([adjustment('seatHeight', slides(380, 560))], { offers: ['bolted'] });
  // Feet flat at 440 + 20 of shoe; 880 of sitting height over it.
  const cab = (headroomMm: number, more: Partial<FitInputs['work']> = {}, of = seat): FitInputs => {
    const inputs = inputsOf({
      body: bodyWith({ ...FULL, sittingHeight: 880 }),
      seat: of,
      place: { ...placeWith(slides(700, 700)), adjustments: [], headroomMm },
    });
    return { ...inputs, work: { ...inputs.work, ...more } };
  };
  const heightOf = (inputs: FitInputs): number => {
    const p = problemOf(inputs);
    return p.variables.seatHeight!.values[
      solve(p, { remedies: NO_REMEDIES }).settings.positions.seatHeight!
    ]!;
  };

  it('lowers the seat as far as the head needs it, and no further', () => {
    const free = heightOf(cab(3000));
    // Fifty are free over the head: to be surer of them it goes down a little, and only a little.
    expect(free - heightOf(cab(free + 880 + 50))).to.be.within(0, 4);
    expect(heightOf(cab(free + 880 + 100))).to.equal(free);
    // Seventy and ninety too little: the head keeps clear, and well inside what a sitting height is read to.
    for (const roof of [free + 880 - 20, free + 880 - 40]) {
      expect(heightOf(cab(roof))).to.be.at.most(roof - 880);
      expect(heightOf(cab(roof))).to.be.at.most(free - 12);
    }
  });

  it('never gives settings that it would refuse itself while the seat can go lower, however long the legs', () => {
    for (const leg of [440, 520, 620])
      for (const roof of [1262, 1275, 1300, 1350]) {
        const inputs = cab(roof);
        const own = (value: number) => ({ ...inputs.body.poplitealHeight!, value });
        const place = { ...inputs.place!, wins: 'feet' as const };
        const sittingHeight = { ...inputs.body.sittingHeight!, spread: 6 };
        const long = { ...inputs.body, sittingHeight, poplitealHeight: own(leg), kneeHeight: own(leg + 100) };
        const p = problemOf({ ...inputs, place, body: long });
        const { settings } = solve(p, { remedies: NO_REMEDIES });
        const found = assess(p, settings);
        expect(found.refused, `${leg} under ${roof}`).to.equal(false);
        // The sitting height may err by 6: a head has twice that, even where the feet are to win.
        const clear = roof - 880 - found.values.seatHeight;
        expect(clear, `${leg} under ${roof}`).to.be.at.least(Math.min(12, roof - 880 - 380));
      }
  });

  it('is touched as little as it is gone through', () => {
    expect(check(cab(380 + 880), 'headroom')!.verdict).to.equal('refused');
    expect(check(cab(380 + 881), 'headroom')!.verdict).to.equal('close');
  });

  it('is told with what tips by itself at its worst, and what is set at its best', () => {
    const pan = { axisFromRearMm: 220, recessMm: 0, frontEdgeRadiusMm: null };
    const tips = (how: 'passive' | 'free') =>
      seatWith(
        [
          adjustment('seatHeight', slides(400, 500)),
          adjustment('forwardTilt', slides(-10, 0), { holds: { how } }),
        ],
        { offers: ['bolted'], pan },
      );
    // 80 mm behind its axis the seat surface rises by 80 sin 10° = 13.9.
    const under = (roof: number, how: 'passive' | 'free') =>
      check(cab(roof, {}, tips(how)), 'headroom')!.verdict;
    expect([under(1290, 'free'), under(1290, 'passive')]).to.deep.equal(['close', 'refused']);
    expect([under(1296, 'free'), under(1296, 'passive')]).to.deep.equal(['close', 'close']);
  });

  it('counts a helmet and the ride of a suspension, of one that does not tell it 50 mm', () => {
    const riding = (rideMm?: number) =>
      named('1', seat, { offers: ['bolted', 'suspension'], ...(rideMm === undefined ? {} : { rideMm }) });
    const topOf = (inputs: FitInputs) => (check(inputs, 'headroom')!.reason.values.top as { mm: number }).mm;
    const plain = topOf(cab(1400));
    expect(plain).to.equal(380 + 880);
    expect(topOf(cab(1400, { helmet: true }))).to.equal(plain + 40);
    expect(topOf(cab(1400, {}, riding()))).to.equal(plain + 50);
    expect(topOf(cab(1400, { helmet: true }, riding(90)))).to.equal(plain + 130);
  });

  it('is looked at as the seat is set: too high is refused, and says how high it may stand', () => {
    const inputs = cab(1340);
    const p = problemOf(inputs);
    const at = (mm: number) =>
      assess(p, {
        positions: { seatHeight: p.variables.seatHeight!.values.indexOf(mm) },
        remedies: NO_REMEDIES,
      });
    expect(at(405).checks.at(-1)!.verdict).to.equal('passes');
    expect(at(450).checks.at(-1)!.verdict).to.equal('close');
    const high = at(485);
    expect([high.refused, high.checks.at(-1)!.verdict]).to.deep.equal([true, 'refused']);
    expect(say(high.checks.at(-1)!.reason, DEFAULT_READING)).to.match(
      /head is at 1,?365 mm.*no higher than 459 mm/,
    );
    expect(isRefused(seatChecks(inputs))).to.equal(false);
    const outcome = high.outcomes.find((o) => o.kind === 'seatHeight')!;
    expect(outcome.conditions.find((c) => c.id === 'headroom')!.outside).to.equal(-25);
  });

  it('refuses a seat whose lowest is too high, and asks nothing of a sitter who was not measured', () => {
    expect(check(cab(1250), 'headroom')!.reason.key).to.equal('check.headroom.refused');
    const unknown = { ...cab(1250), body: { ...cab(1250).body, sittingHeight: undefined } };
    expect(check(unknown, 'headroom')!.verdict).to.equal('notMeasured');
    expect(heightOf(unknown)).to.equal(heightOf(cab(3000)));
  });
});

describe('a suspension', () => {
  const sprung = seatWith(
    [
      adjustment('seatHeight', slides(400, 500)),
      adjustment('suspensionWeight', slides(60, 110), { unit: 'kg' }),
    ],
    { offers: ['suspension', 'bolted'], ratedLoadKg: q(200) },
  );
  const of = (kg: number, basis: 'measured' | 'estimated' = 'measured') => {
    const inputs = inputsOf({ seat: sprung, toolsKg: 2 });
    return check({ ...inputs, body: { ...inputs.body, bodyMass: { ...q(kg), basis } } }, 'suspension');
  };

  it('is not driven outside the masses that it is made for, in clothes and with tools', () => {
    expect(of(105)!.verdict).to.equal('passes');
    expect([of(106)!.verdict, of(106)!.reason.key]).to.deep.equal(['refused', 'check.suspension.tooHeavy']);
    expect(of(55)!.verdict).to.equal('passes');
    expect([of(54)!.verdict, of(54)!.reason.key]).to.deep.equal(['refused', 'check.suspension.tooLight']);
  });

  it('is refused to nobody for a guess, nor where nobody knows its masses', () => {
    expect(of(150, 'estimated')).to.equal(undefined);
    const turns = seatWith([adjustment('suspensionWeight', slides(0, 8), { unit: 'turn' })]);
    expect(check(inputsOf({ seat: turns }), 'suspension')).to.equal(undefined);
  });
});

describe('a seat and its place', () => {
  const chair = seatWith([adjustment('seatHeight', slides(380, 560))]);
  const helm = {
    ...placeWith(slides(700, 700)),
    name: 'Helm',
    adjustments: [],
    ground: 'rough' as const,
    needs: ['harness'] as const,
    seatClasses: ['operator'] as const,
  };
  const asked = inputsOf({ place: helm });
  const seats = [
    named('1', chair, { offers: ['castorsHardFloor'], seatClass: 'operator' }),
    named('2', chair, { offers: ['bolted'], seatClass: 'office' }),
    named('3', seatWith([adjustment('seatHeight', listed(600)), adjustment('seatDepth', listed(250))]), {
      offers: ['bolted', 'harness'],
      seatClass: 'operator',
    }),
    named('4', chair, { offers: ['bolted'], seatClass: 'operator' }),
  ];

  it('suit each other or not, and the reason says why', () => {
    const said = seats.map((seat) => {
      const { verdict, reason } = check({ ...asked, seat }, 'place')!;
      return [verdict, say(reason, DEFAULT_READING)];
    });
    expect(said).to.deep.equal([
      ['refused', 'Do not use: the seat has castors and would roll at Helm.'],
      ['notMeant', 'Does not suit Helm: Shared office chair; missing harness.'],
      ['passes', 'Suits Helm.'],
      ['notMeant', 'Does not suit Helm: missing harness.'],
    ]);
    const anywhere = { ...helm, ground: undefined, needs: [], seatClasses: [] };
    for (const seat of seats) expect(check(inputsOf({ seat, place: anywhere }), 'place')).to.equal(undefined);
  });

  it('are ranked apart where they do not, however well they fit', () => {
    const { ranked, refused } = rankSeats(asked, seats, drawsOf(asked.body, RANKING_DRAWS));
    expect(refused.map((r) => r.name)).to.deep.equal(['1']);
    expect(ranked.map((r) => r.name)).to.deep.equal(['3', '2', '4']);
    expect(ranked[0]!.percent).to.be.lessThan(ranked[1]!.percent);
    expect(ranked.map((r) => r.notMeant.length)).to.deep.equal([0, 1, 1]);
  });

  it('are proposed to nobody as another seat where they do not', () => {
    const p = problemOf({ ...asked, seat: seats[2]! });
    expect(remediesFor(p, seats).otherSeat).to.equal(null);
    const suited = named('5', chair, { offers: ['bolted', 'harness'], seatClass: 'operator' });
    expect(remediesFor(p, [...seats, suited]).otherSeat?.seat.name).to.equal('5');
  });
});
