/** What a fitter would say of the best settings, case by case. */
import { expect } from 'chai';
import {
  NO_REMEDIES,
  assess,
  problemOf,
  solve,
  valuesOfSettings,
  type Problem,
  type SetValues,
} from '../../src/core/fit';
import {
  EVERYTHING,
  EVERY_PLACE,
  FULL,
  OPEN_HIP,
  ROUND,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  problemFor,
  seatWith,
  slides,
} from '../support/inputs';

const set = (p: Problem): SetValues => valuesOfSettings(p, solve(p, { remedies: NO_REMEDIES }).settings);

describe('as a fitter would set it', () => {
  it('pads stand well clear of the hips where there is room for it, not just where room begins', () => {
    const p = problemFor({
      seat: seatWith([adjustment('seatHeight', slides(400, 500)), adjustment('armWidth', slides(380, 560))]),
    });
    const room = set(p).armWidth - ROUND.hipBreadthSitting;
    expect(room).to.be.at.least(26);
    // And the elbows are not held out for it.
    const spread = assess(p, solve(p, { remedies: NO_REMEDIES }).settings).angles.find(
      (a) => a.id === 'shoulder',
    );
    expect(spread!.deg).to.be.at.most(18);
  });

  it('a seat stands a little lower than exact: if the measure errs, low is milder than high', () => {
    const sure = problemFor({ seat: seatWith([adjustment('seatHeight', slides(400, 500))]) });
    const unsure = problemFor({
      seat: seatWith([adjustment('seatHeight', slides(400, 500))]),
      body: { ...bodyWith(ROUND), poplitealHeight: { ...bodyWith(ROUND).poplitealHeight!, spread: 12 } },
    });
    expect(set(sure).seatHeight).to.be.within(428, 438);
    // The less sure the leg, the lower.
    expect(set(unsure).seatHeight).to.be.lessThan(set(sure).seatHeight);
  });

  it('nobody is leaned back to come down to low pads that cannot move', () => {
    const p = problemFor({
      method: OPEN_HIP,
      seat: seatWith([
        adjustment('seatHeight', slides(400, 500)),
        adjustment('backAngle', slides(0, 30)),
        adjustment('armHeight', listed(165)),
        adjustment('armWidth', listed(480)),
      ]),
    });
    expect(set(p).backAngle).to.be.within(9, 12);
  });

  it('the back gives way where the hand does not reach its lever otherwise', () => {
    const helm = (held: object) => {
      const p = problemFor({
        method: OPEN_HIP,
        seat: seatWith([
          adjustment('seatHeight', slides(400, 500)),
          adjustment('backAngle', listed(0, 5, 10, 15, 20)),
          adjustment('foreAft', slides(0, 40)),
        ]),
        place: placeWith(null, { task: 'controls', handControls: { forwardMm: 360, heightMm: 780 } }),
      });
      return { p, found: solve(p, { remedies: NO_REMEDIES, held }) };
    };
    const upright = helm({ backAngle: 0 });
    const free = helm({});
    expect(free.found.penalty).to.be.lessThan(upright.found.penalty);
    const elbow = (x: ReturnType<typeof helm>) =>
      assess(x.p, x.found.settings).outcomes.find((o) => o.kind === 'foreAft')!.conditions[0]!;
    expect(Math.abs(elbow(free).outside)).to.be.at.most(Math.abs(elbow(upright).outside));
  });

  it('legs are not pressed under a desk for the elbow’s sake', () => {
    const p = problemFor({
      body: bodyWith({ ...ROUND, thighClearance: 175, elbowHeightSitting: 215 }),
      seat: seatWith([adjustment('seatHeight', slides(400, 500)), adjustment('backAngle', listed(5))]),
      place: placeWith(slides(600, 800), { drawerMm: 70 }),
    });
    const v = set(p);
    expect(v.deskHeight - 70 - (v.seatHeight + 175)).to.be.at.least(0);
  });

  it('every adjustment of seat and place gets a position, whatever kind it is', () => {
    const p = problemOf(inputsOf({ seat: EVERYTHING, place: EVERY_PLACE, body: bodyWith(FULL) }));
    const { settings } = solve(p, { remedies: NO_REMEDIES, budget: 200 });
    for (const { kind, values } of Object.values(p.variables))
      expect(settings.positions[kind], kind).to.be.within(0, values.length - 1);
    expect(Object.keys(settings.positions)).to.have.members(Object.keys(p.variables));
  });
});
