/** What the examples in the core's comments may use besides the core itself. */
import { drawsOf, quickCertainty } from '../../src/core/certainty';
import { assess, makeInputs, NO_REMEDIES, PLAIN_WORK, problemOf, solve } from '../../src/core/fit';
import { BRITISH, populationOf } from '../../src/core/population';
import { FULL, RIGHT_ANGLE, adjustment, bodyWith, listed, placeWith, seatWith, steps } from './inputs';

const body = bodyWith(FULL);
const seat = seatWith([
  adjustment('seatHeight', steps(400, 500, 11)),
  adjustment('seatDepth', listed(400, 430, 460)),
  adjustment('backAngle', listed(0, 5, 10)),
  adjustment('armHeight', steps(180, 260, 9)),
]);
const lever = {
  id: 'lever',
  name: 'lever',
  kind: 'lever',
  hand: 'right',
  place: 'under the seat on the right',
  latch: 'none',
  scale: { type: 'none' },
  moves: [
    {
      adjustmentId: 'seatHeight',
      action: 'liftAndHold',
      directionForMore: 'up',
      sitter: { forMore: 'weightOff', forLess: 'weightOn' },
    },
  ],
} as const;
const place = placeWith(listed(720));
const method = RIGHT_ANGLE;
const inputs = makeInputs({ sitter: { ageYears: 30 }, body, seat, place, method, work: PLAIN_WORK });
const problem = problemOf(inputs);
const best = solve(problem, { remedies: NO_REMEDIES }).settings;
const draws = drawsOf(body, { seed: 1, count: 64 });

export const SCENE = {
  body,
  seat,
  lever,
  place,
  method,
  inputs,
  problem,
  best,
  draws,
  assessed: assess(problem, best),
  certainty: quickCertainty(problem, best, draws),
  asked: { ...inputs, remedies: NO_REMEDIES },
  people: populationOf(BRITISH, 'women'),
  person: {
    name: 'Yrsa',
    isNickname: false,
    birthDate: null,
    sex: null,
    tableId: null,
    consentOn: null,
    consentBy: null,
    sessions: [],
    readings: [],
  },
  tour: { selection: ['stature', 'bodyMass'], takes: [{ dimension: 'stature', value: 1702 }], skipped: [] },
  /** The last of what a computation yields. */
  last: <T>(all: Iterable<T>): T | undefined => [...all].at(-1),
};
