import { expect } from 'chai';
import { DEMO_SEATS } from '../../src/demo/seats';
import {
  adjustmentOf,
  controlFor,
  heightShift,
  oppositeOf,
  seatDoubts,
  sinkMm,
  takesCushions,
  DIRECTIONS,
  type Control,
  type SeatFault,
  type SeatModel,
} from '../../src/core/seat';
import { adjustment, listed, q, seatWith, slides, steps } from '../support/inputs';

const ONE = [adjustment('seatHeight', slides(400, 500))];

describe('a seat’s description', () => {
  it('has nothing to say of the demo seats', () => {
    for (const seat of DEMO_SEATS) expect(seatDoubts({ ...seat, id: 'x' }), seat.name).to.deep.equal([]);
  });

  const faulty: readonly [string, SeatModel, SeatFault, string][] = [
    ['no seat height', seatWith([]), 'missingSeatHeight', '/adjustments'],
    [
      'a range upside down',
      seatWith([adjustment('seatHeight', slides(500, 400))]),
      'reversedRange',
      '/adjustments/0/travel',
    ],
    [
      'a height in centimetres',
      seatWith([adjustment('seatHeight', slides(41, 52))]),
      'outOfRange',
      '/adjustments/0/travel/lowest',
    ],
    [
      'a height that is no number',
      seatWith([adjustment('seatHeight', slides(NaN, 500))]),
      'outOfRange',
      '/adjustments/0/travel/lowest',
    ],
    [
      'positions that do not rise',
      seatWith([adjustment('seatHeight', listed(400, 450, 440))]),
      'notRising',
      '/adjustments/0/travel/values/2',
    ],
    ['an empty list', seatWith([adjustment('seatHeight', listed())]), 'emptyRange', '/adjustments/0/travel'],
    [
      'one click',
      seatWith([adjustment('seatHeight', steps(400, 500, 1))]),
      'emptyRange',
      '/adjustments/0/travel/count',
    ],
    [
      'half a click',
      seatWith([adjustment('seatHeight', steps(400, 500, 2.5))]),
      'emptyRange',
      '/adjustments/0/travel/count',
    ],
    [
      'too many clicks',
      seatWith([adjustment('seatHeight', steps(400, 500, 9000))]),
      'tooManyPositions',
      '/adjustments/0/travel',
    ],
    ['two of one name', seatWith([...ONE, ...ONE]), 'duplicateAdjustment', '/adjustments/1/id'],
    [
      'height in degrees',
      seatWith([adjustment('seatHeight', slides(400, 500), { unit: 'deg' })]),
      'unknownUnit',
      '/adjustments/0/unit',
    ],
    [
      'a lock with one state too few',
      seatWith([...ONE, adjustment('tiltLock', listed(0, 1, 2), { lock: { states: ['free', 'upright'] } })]),
      'lockStates',
      '/adjustments/1/lock/states',
    ],
    [
      'a leader that is not there',
      seatWith([
        ...ONE,
        adjustment('seatDepth', slides(380, 440), { holds: { how: 'follows', leaderId: 'x', ratio: 1 } }),
      ]),
      'leaderMissing',
      '/adjustments/1/holds/leaderId',
    ],
    [
      'a start that no position is',
      seatWith([adjustment('seatHeight', listed(400, 420), { neutral: 2 })]),
      'neutralOutside',
      '/adjustments/0/neutral',
    ],
    [
      'a state that removes what is not there',
      seatWith(ONE, { states: [{ id: 'off', kind: 'headrestOff', removes: ['headHeight'] }] }),
      'stateOfNothing',
      '/states/0/removes/0',
    ],
    [
      'arms taken off that are not there',
      seatWith(ONE, {
        arms: null,
        states: [{ id: 'off', kind: 'armsOff', removes: [], removesArms: true }],
      }),
      'stateOfNothing',
      '/states/0/removesArms',
    ],
    [
      'castors on a seat that is bolted down',
      seatWith(ONE, { offers: ['bolted', 'castorsHardFloor'] }),
      'secondFloor',
      '/offers/1',
    ],
    ['no rated load', seatWith(ONE, { ratedLoadKg: q(0) }), 'notPositive', '/ratedLoadKg'],
    ['no width', seatWith(ONE, { seatWidthMm: q(-1) }), 'notPositive', '/seatWidthMm'],
  ];
  for (const [what, seat, reason, field] of faulty) {
    it(`names ${what}`, () => {
      const doubts = seatDoubts(seat);
      expect(doubts.map((d) => d.reason)).to.include(reason);
      expect(doubts.find((d) => d.reason === reason)?.field).to.equal(field);
    });
  }

  it('names a control that moves nothing', () => {
    const control: Control = {
      id: 'c',
      name: 'lever',
      kind: 'lever',
      hand: 'right',
      place: 'right',
      moves: [
        {
          adjustmentId: 'armHeight',
          action: 'turn',
          directionForMore: 'up',
          sitter: { forMore: 'nothing', forLess: 'nothing' },
        },
      ],
      latch: 'none',
      scale: { type: 'none' },
    };
    const doubts = seatDoubts(seatWith(ONE, { controls: [control] }));
    expect(doubts).to.deep.equal([
      { reason: 'controlOfNothing', field: '/controls/0/moves/0/adjustmentId', value: 'armHeight' },
    ]);
    expect(controlFor([control], 'armHeight')?.control.name).to.equal('lever');
    expect(controlFor([control], 'seatHeight')).to.equal(null);
  });

  it('finds an adjustment by kind, or says there is none', () => {
    expect(adjustmentOf(ONE, 'seatHeight')?.id).to.equal('seatHeight');
    expect(adjustmentOf(ONE, 'armHeight')).to.equal(null);
  });

  it('takes no cushion on a harness or a suspension', () => {
    expect(takesCushions(seatWith(ONE))).to.equal(true);
    expect(takesCushions(seatWith(ONE, { offers: ['harness'] }))).to.equal(false);
    expect(takesCushions(seatWith(ONE, { offers: ['suspension'] }))).to.equal(false);
  });

  it('turns every direction round and back', () => {
    for (const direction of DIRECTIONS) expect(oppositeOf(oppositeOf(direction))).to.equal(direction);
  });
});

describe('how far a cushion gives', () => {
  const soft = (heightsAre: 'loaded' | 'empty') =>
    seatWith(ONE, { cushion: { sinkMm: q(24), referenceMassKg: 80, heightsAre } });

  it('goes with the mass, within half and one and a half times the stated sink', () => {
    expect(sinkMm(soft('loaded'), 80)).to.equal(24);
    expect(sinkMm(soft('loaded'), 60)).to.equal(18);
    expect(sinkMm(soft('loaded'), 20)).to.equal(12);
    expect(sinkMm(soft('loaded'), 160)).to.equal(36);
    expect(sinkMm(soft('loaded'), null)).to.equal(24);
  });

  it('lifts a light sitter above the loaded heights and lowers what stands above the seat', () => {
    expect(heightShift(soft('loaded'), 60)).to.deep.equal({ ofSeat: 6, aboveSeat: -6 });
    expect(heightShift(soft('loaded'), 100)).to.deep.equal({ ofSeat: -6, aboveSeat: 6 });
    expect(heightShift(soft('loaded'), 80)).to.deep.equal({ ofSeat: 0, aboveSeat: 0 });
  });

  it('takes the whole sink from heights given empty and adds it above the seat', () => {
    expect(heightShift(soft('empty'), 80)).to.deep.equal({ ofSeat: -24, aboveSeat: 24 });
    expect(heightShift(soft('empty'), 60)).to.deep.equal({ ofSeat: -18, aboveSeat: 18 });
  });
});
