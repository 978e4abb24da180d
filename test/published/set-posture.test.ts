/** Settings that the program chooses, beside what others published about sitting. */
import { expect } from 'chai';
import { DIMENSIONS, type DimensionId } from '../../src/core/body';
import { NO_REMEDIES, assess, problemOf, solve, type Assessment } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { childAt } from '../../src/core/population';
import { supportMm, legOf } from '../../src/core/fit/geometry/on-seat';
import {
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  seatWith,
  slides,
  steps,
} from '../support/inputs';

/** Average and extreme adults (Pheasant, Bodyspace, British adults; from memory), breadths and heads by US Army 1988. */
const PEOPLE = {
  'the average woman': [400, 480, 500, 155, 235, 555, 370, 425, 1610, 740, 600, 640],
  'the average man': [440, 495, 545, 160, 245, 595, 360, 455, 1740, 790, 650, 690],
  'the tall man': [490, 550, 600, 185, 295, 645, 405, 515, 1855, 845, 700, 740],
  'the small woman': [355, 435, 455, 125, 185, 505, 310, 380, 1505, 685, 545, 585],
} as const;
const ORDER: readonly DimensionId[] = [
  'poplitealHeight',
  'buttockPoplitealLength',
  'kneeHeight',
  'thighClearance',
  'elbowHeightSitting',
  'shoulderHeightSitting',
  'hipBreadthSitting',
  'elbowToElbowBreadth',
  'stature',
  'eyeHeightSitting',
  'cervicaleHeightSitting',
  'napeHeight',
];
const bodyOf = (who: keyof typeof PEOPLE) =>
  bodyWith({
    ...Object.fromEntries(ORDER.map((id, i) => [id, PEOPLE[who][i]!])),
    shoeHeel: 25,
    bodyMass: 70,
  });

const CHAIR = seatWith([
  adjustment('seatHeight', slides(380, 540)),
  adjustment('seatDepth', slides(370, 470)),
  adjustment('backAngle', slides(0, 25)),
  adjustment('armHeight', slides(160, 290)),
  adjustment('armWidth', steps(360, 520, 81)),
]);
const RISING = placeWith(null, {
  adjustments: [
    adjustment('deskHeight', slides(560, 850), { id: 'desk' }),
    adjustment('screenHeight', slides(800, 1300), { id: 'screen' }),
  ],
  keyboardThicknessMm: 20,
  screenDistanceMm: 700,
});

function setFor(who: keyof typeof PEOPLE, method = 'open-hip'): Assessment {
  const inputs = inputsOf({
    body: bodyOf(who),
    seat: CHAIR,
    place: RISING,
    method: SHIPPED_METHODS.find((m) => m.id === method)!,
  });
  const p = problemOf(inputs);
  return assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
}
const angle = (a: Assessment, id: string): number => a.angles.find((x) => x.id === id)!.deg!;

for (const who of Object.keys(PEOPLE) as (keyof typeof PEOPLE)[])
  describe(`${who} at a desk and screen that can be moved`, () => {
    const a = setFor(who);

    it('leans the trunk within 97–121° (Grandjean, Hünting & Pidermann 1983, Hum. Factors 25:161; from memory)', () =>
      expect(90 + a.values.backAngle).to.be.within(97, 121));

    it('bends the elbow within 75–125° (the same study; from memory)', () =>
      expect(angle(a, 'elbow')).to.be.within(75, 125));

    it('lets the upper arm out by no more than 20°: ISO 11226:2000; from memory', () =>
      expect(Math.abs(angle(a, 'shoulder'))).to.be.at.most(20));

    it('keeps the neck within 0–25° of the trunk, and the wrist within 15°: ISO 11226:2000, RULA 1993; from memory', () => {
      expect(angle(a, 'neck')).to.be.within(0, 25);
      expect(Math.abs(angle(a, 'wrist'))).to.be.at.most(15);
    });

    it('bends the knee by 90–135°: ISO 11226:2000; from memory', () =>
      expect(angle(a, 'knee')).to.be.within(90, 135));

    it('puts the screen’s middle 15–20° below the eye (OSHA), within +2 to −26° (Grandjean 1987); from memory', () => {
      expect(angle(a, 'gaze')).to.be.within(15, 20);
      expect(-angle(a, 'gaze')).to.be.within(-26, 2);
    });

    it('puts keys no higher than seat + 0.8517 elbow + 0.1483 shoulder (Parcells et al. 1999; from memory)', () => {
      const [, , , , elbow, shoulder] = PEOPLE[who];
      const most = a.values.seatHeight + 0.8517 * elbow + 0.1483 * shoulder;
      expect(a.values.deskHeight + 20).to.be.at.most(most);
    });
  });

describe('a seat height beside Gouvali & Boudolos 2006 (Appl. Ergon. 37:765; from memory), counted from the footrest', () => {
  for (const popliteal of [350, 380, 400, 420, 440])
    it(`lies within (P + s) cos 30° … (P + s) cos 5° for a lower leg of ${popliteal} at a desk fixed at 740`, () => {
      const share = popliteal / 400;
      const body = bodyWith({
        ...Object.fromEntries(ORDER.map((id, i) => [id, PEOPLE['the average woman'][i]!])),
        poplitealHeight: popliteal,
        kneeHeight: 500 + popliteal - 400,
        stature: 1610 * Math.sqrt(share),
        shoeHeel: 25,
      });
      const place = placeWith(listed(740), { keyboardThicknessMm: 20 });
      const p = problemOf(inputsOf({ body, seat: CHAIR, place }));
      const { settings } = solve(p, { remedies: NO_REMEDIES, chooseFootrest: true });
      const { values } = assess(p, settings);
      const support = supportMm(p, values, legOf(p, values).hollowMm);
      expect(support).to.be.greaterThan(0);
      const leg = popliteal + 25;
      // The solver's feet may hang by 5 at most, and the published upper end is 1.6 to 1.8 mm below the leg.
      expect(values.seatHeight - support).to.be.within(leg * 0.866025, leg * 0.996195 + 5);
    });
});

describe('half sitting', () => {
  it('opens trunk and thigh around the 135° of Keegan 1953 (J. Bone Joint Surg. 35-A:589; from memory)', () => {
    const { targets } = SHIPPED_METHODS.find((m) => m.id === 'half-sitting')!;
    expect(135).to.be.within(targets.trunkThigh!.aimLo!, targets.trunkThigh!.aimHi!);
  });
});

describe('how far one reading errs', () => {
  // US Army allowable difference of two observers (Gordon et al. 1989; Gordon & Bradtmiller 1992; from memory) over 1.1284.
  const DIFFER: Partial<Record<DimensionId, number>> = {
    stature: 10,
    sittingHeight: 6,
    eyeHeightSitting: 8,
    elbowHeightSitting: 10,
    buttockKneeLength: 6,
    buttockPoplitealLength: 7,
    shoulderHeightSitting: 9,
    poplitealHeight: 7,
    shoulderElbowLength: 6,
    thighClearance: 3,
  };
  for (const [id, differ] of Object.entries(DIFFER) as [DimensionId, number][])
    it(`${id}: ${differ} mm between two observers`, () =>
      expect(DIMENSIONS[id].readingSd).to.be.closeTo(differ / 1.1284, 1.2));

  it('the elbow is the noisiest of all seated dimensions (the same; from memory)', () => {
    const seated = (Object.keys(DIFFER) as DimensionId[]).filter((id) => id !== 'stature');
    for (const id of seated)
      expect(DIMENSIONS.elbowHeightSitting.readingSd, id).to.be.at.least(DIMENSIONS[id].readingSd);
  });
});

describe('children between the ages that masses are made of', () => {
  // CDC 2000 growth charts, 5th to 95th centile of mass, kg, both ends; read out of growth-reference data.
  for (const [sex, age, low, high] of [
    ['men', 7, 18.7, 30.7],
    ['women', 7, 18.2, 31.3],
    ['men', 12, 30.4, 59.0],
    ['women', 12, 31.0, 61.4],
    ['men', 14, 38.3, 72.4],
    ['women', 14, 37.8, 72.2],
  ] as const)
    it(`${sex === 'men' ? 'boys' : 'girls'} of ${age} weigh between the 5th and the 95th centile of CDC 2000`, () => {
      expect(childAt(sex, age, 0.05).bodyMass!.value).to.be.closeTo(low, 0.12 * low);
      expect(childAt(sex, age, 0.95).bodyMass!.value).to.be.closeTo(high, 0.16 * high);
    });
});
