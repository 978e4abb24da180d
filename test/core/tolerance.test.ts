import { expect } from 'chai';
import {
  NO_REMEDIES,
  assess,
  computableConditions,
  milderWords,
  solve,
  toleranceOf,
  toleranceWords,
  CONDITION_UNITS,
} from '../../src/core/fit';
import { bandOf, outsideBy } from '../../src/core/target';
import { DEFAULT_READING, say } from '../../src/words';
import {
  ROUND,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  seatWith,
  settingsAt,
  slides,
  steps,
} from '../support/inputs';

describe('how far a setting may be off', () => {
  const body = bodyWith({ ...ROUND, shoeHeel: 25, poplitealHeight: 412 });
  const alone = problemFor({
    body,
    seat: seatWith([adjustment('seatHeight', steps(400, 500, 11)), adjustment('seatDepth', listed(400))]),
  });

  it('is to the ends of what fits now, by hand', () => {
    // The feet hang by 3; they may reach down from 25 too low to 5 too high.
    const { values } = assess(alone, settingsAt(alone, { seatHeight: 440 }));
    expect(toleranceOf(alone, values, 'seatHeight')).to.deep.equal({ below: 28, above: 2 });
    // 80 mm behind the knee, where 25 to 96 are right: a fifth of 480 at most.
    expect(toleranceOf(alone, values, 'seatDepth')).to.deep.equal({ below: 16, above: 55 });
  });

  it('counts what else hangs on it: the desk ends it first', () => {
    const p = problemFor({
      body,
      seat: seatWith([adjustment('seatHeight', steps(400, 500, 11)), adjustment('seatDepth', listed(400))]),
      place: placeWith(listed(700)),
    });
    const { values, outcomes } = assess(p, settingsAt(p, { seatHeight: 430, deskHeight: 700 }));
    const band = bandOf(p.targets.deskTop);
    const desk = outcomes.find((o) => o.kind === 'deskHeight')!.conditions.find((c) => c.id === 'deskTop')!;
    expect(outsideBy(band, desk.residual)).to.not.equal(0);
    // What does not fit as set ends nothing: the feet do, 7 too low and 18 from where they are.
    expect(toleranceOf(p, values, 'seatHeight')!.below).to.equal(18);
  });

  it('says nothing of what does not fit, and of what nothing judges', () => {
    const { values } = assess(alone, settingsAt(alone, { seatHeight: 500 }));
    expect(toleranceOf(alone, values, 'seatHeight')).to.equal(null);
    expect(toleranceOf(alone, values, 'armHeight')).to.equal(null);
  });

  it('holds everything that fits at every step within it, and nothing beyond', () => {
    const p = problemFor({
      body: bodyWith(ROUND),
      seat: seatWith([
        adjustment('seatHeight', slides(400, 520)),
        adjustment('seatDepth', slides(380, 450)),
        adjustment('backAngle', steps(0, 20, 11)),
        adjustment('armHeight', slides(180, 280)),
        adjustment('armWidth', slides(420, 520)),
      ]),
      place: placeWith(slides(620, 850)),
    });
    const { values, outcomes } = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    const fits = (v: typeof values) =>
      computableConditions(p)
        .filter((c) => p.targets[c.id].weight > 0)
        .filter(
          (c) =>
            Math.abs(outsideBy(bandOf(p.targets[c.id]), c.residual(p, v))) <
            { mm: 0.5, deg: 0.25, own: 0.05 }[CONDITION_UNITS[c.id]],
        )
        .map((c) => c.id);
    const now = fits(values);
    let told = 0;
    for (const { kind, variable } of outcomes) {
      const found = toleranceOf(p, values, kind);
      if (!found) continue;
      told++;
      const step = variable.adjustment.unit === 'deg' ? 0.5 : 1;
      for (const [sign, most] of [
        [-1, found.below],
        [1, found.above],
      ] as const) {
        const at = (by: number) => fits({ ...values, [kind]: values[kind] + sign * by });
        for (let by = step; by <= (most ?? 60); by += step) expect(at(by), kind).to.include.members(now);
        if (most !== null) expect(at(most + step), kind).to.not.include.members(now);
      }
    }
    expect(told).to.equal(6);
  });

  it('is said with the words of the adjustment', () => {
    const { values } = assess(alone, settingsAt(alone, { seatHeight: 440 }));
    const said = toleranceWords(alone, values, 'seatHeight');
    expect(say(said!, DEFAULT_READING)).to.equal('Fits from 28 mm lower to 2 mm higher.');
  });

  it('stands a little lower than exact where low is milder than high, and says so', () => {
    const { settings } = solve(alone, { remedies: NO_REMEDIES });
    const { outcomes, values } = assess(alone, settings);
    const height = outcomes.find((o) => o.kind === 'seatHeight')!;
    expect(values.seatHeight).to.equal(430);
    expect(say(milderWords(alone, height)!, DEFAULT_READING)).to.equal(
      'Set slightly lower than exact: if a measurement is off, lower is less harmful than higher.',
    );
    const exact = problemFor({
      body: bodyWith({ ...ROUND, shoeHeel: 25, poplitealHeight: 415 }),
      seat: seatWith([adjustment('seatHeight', listed(440))]),
    });
    const [only] = assess(exact, solve(exact, { remedies: NO_REMEDIES }).settings).outcomes;
    expect(milderWords(exact, only!)).to.equal(null);
  });
});
