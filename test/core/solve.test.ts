import { expect } from 'chai';
import fc from 'fast-check';
import {
  NO_REMEDIES,
  bindingAt,
  completeSettings,
  costOf,
  problemOf,
  sameSettings,
  solve,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { adjustmentOf, type AdjustmentKind } from '../../src/core/seat';
import { DEMO_SEATS } from '../../src/demo/seats';
import { DEMO_SITTERS } from '../../src/demo/sitters';
import { plainBest } from '../support/enumeration';
import {
  OPEN_HIP,
  ROUND,
  WIDE_SEAT,
  adjustment,
  bodyWith,
  inputsOf,
  listed,
  placeWith,
  problemFor,
  seatWith,
  slides,
  steps,
  withoutMeasure,
} from '../support/inputs';

const at = (p: Problem, settings: Settings, kind: AdjustmentKind): number =>
  p.variables[kind]!.values[settings.positions[kind]!]!;

describe('solving', () => {
  it('sets a wide seat to the aims of the method', () => {
    const p = problemFor();
    const { settings, hard } = solve(p, { remedies: NO_REMEDIES });
    expect(hard).to.equal(0);
    // A little lower than exact: if the measure errs, low is milder than high.
    expect(at(p, settings, 'seatHeight')).to.be.within(428, 436);
    // The room aimed at is 50, and too little of it hurts more than too much.
    expect(at(p, settings, 'seatDepth')).to.be.within(422, 430);
    expect(at(p, settings, 'seatAngle')).to.equal(0);
    expect(at(p, settings, 'backAngle')).to.equal(5);
    // The middle of its travel, 200, draws it a little.
    expect(at(p, settings, 'lumbarApex')).to.be.within(179, 184);
  });

  it('opens the hip where the method wants it', () => {
    const p = problemFor({ method: OPEN_HIP });
    expect(at(p, solve(p, { remedies: NO_REMEDIES }).settings, 'backAngle')).to.be.within(9.5, 10.5);
  });

  it('says how it ended, what binds and how much was looked at', () => {
    const p = problemFor({ seat: seatWith([adjustment('seatHeight', slides(460, 500))]) });
    const result = solve(p, { remedies: NO_REMEDIES });
    expect(result.ended).to.equal('proved');
    expect(result.bound).to.equal(result.penalty);
    expect(result.nodes).to.be.within(1, 40);
    expect(bindingAt(p, result.settings)).to.deep.equal([
      { id: 'footGap', hard: 0, penalty: result.penalty },
    ]);
    expect(result.settings.positions.seatHeight).to.equal(0);
  });

  it('has a best setting even where nothing can fit', () => {
    const p = problemFor({ seat: seatWith([adjustment('seatHeight', listed(560, 600))]) });
    const result = solve(p, { remedies: NO_REMEDIES });
    // 560 is 120 above leg and shoe, 60 beyond the hard bound.
    expect(result.hard).to.equal(600);
    expect(result.settings.positions.seatHeight).to.equal(0);
  });

  it('takes the shorter of two depths that lie equally far from the aim', () => {
    // 430 ± 7: too little room behind the knee hurts more than too much.
    const p = problemFor({
      seat: seatWith([adjustment('seatHeight', slides(400, 500)), adjustment('seatDepth', listed(423, 437))]),
    });
    expect(at(p, solve(p, { remedies: NO_REMEDIES }).settings, 'seatDepth')).to.equal(423);
  });

  it('never leans the sitter back to meet a desk', () => {
    const low = problemFor({ place: placeWith(listed(600)) });
    const free = problemFor();
    expect(at(low, solve(low, { remedies: NO_REMEDIES }).settings, 'backAngle')).to.equal(
      at(free, solve(free, { remedies: NO_REMEDIES }).settings, 'backAngle'),
    );
  });

  it('leaves what nobody measured at a neutral position: level, or the middle', () => {
    const p = problemFor({ body: withoutMeasure('poplitealHeight', 'elbowHeightSitting', 'napeHeight') });
    const { positions } = solve(p, { remedies: NO_REMEDIES }).settings;
    expect(p.variables.seatAngle!.values[positions.seatAngle!]).to.equal(0);
    expect(positions.seatHeight).to.equal(90);
    expect(positions.headHeight).to.equal(100);
  });

  it('takes a child’s room behind the knee in proportion', () => {
    const body = bodyWith({ ...ROUND, buttockPoplitealLength: 320 });
    const seat = seatWith([
      adjustment('seatHeight', slides(400, 500)),
      adjustment('seatDepth', slides(220, 330)),
    ]);
    const adult = problemFor({ body, seat, ageYears: 30 });
    const child = problemFor({ body, seat, ageYears: 8 });
    expect(at(adult, solve(adult, { remedies: NO_REMEDIES }).settings, 'seatDepth')).to.equal(270);
    // A room of 50 · 320/480 = 33.3 leaves 286.7; 287 is nearest.
    expect(at(child, solve(child, { remedies: NO_REMEDIES }).settings, 'seatDepth')).to.equal(287);
  });

  it('gives the same settings for the same inputs, through JSON and back', () => {
    const inputs = inputsOf({ place: placeWith(slides(600, 800)) });
    const once = solve(problemOf(inputs), { remedies: NO_REMEDIES });
    const again = solve(problemOf(JSON.parse(JSON.stringify(inputs)) as typeof inputs), {
      remedies: NO_REMEDIES,
    });
    expect(again).to.deep.equal(once);
  });

  it('leaves what is held where it is, and sets the rest around it', () => {
    const p = problemFor({ place: placeWith(slides(600, 800)) });
    const free = solve(p, { remedies: NO_REMEDIES }).settings;
    const held = { seatHeight: free.positions.seatHeight! + 30, backAngle: 3 };
    const around = solve(p, { remedies: NO_REMEDIES, held });
    expect(around.settings.positions).to.include(held);
    // The desk goes up with the seat.
    expect(at(p, around.settings, 'deskHeight') - at(p, free, 'deskHeight')).to.be.greaterThan(10);
    expect(around.penalty).to.be.greaterThan(solve(p, { remedies: NO_REMEDIES }).penalty);
    expect(costOf(p, around.settings)).to.deep.equal({ hard: around.hard, penalty: around.penalty });
  });

  it('holds no position that the seat does not have', () => {
    const p = problemFor();
    const held = { seatHeight: 99_999, deskHeight: 3, seatDepth: -1, armHeight: 1.5 };
    expect(solve(p, { remedies: NO_REMEDIES, held }).settings).to.deep.equal(
      solve(p, { remedies: NO_REMEDIES }).settings,
    );
  });

  it('finds the best of all that hold the same', () => {
    const p = problemFor({
      seat: seatWith([
        adjustment('seatHeight', steps(400, 500, 6)),
        adjustment('seatAngle', listed(-6, -3, 0, 3)),
        adjustment('backAngle', listed(5)),
        adjustment('seatDepth', steps(400, 440, 3)),
      ]),
      place: placeWith(steps(620, 760, 5)),
    });
    fc.assert(
      fc.property(
        fc.constantFrom('seatHeight', 'seatAngle', 'deskHeight'),
        fc.nat(2),
        (kind: AdjustmentKind, n) => {
          const found = solve(p, { remedies: NO_REMEDIES, held: { [kind]: n } });
          expect(found.settings.positions[kind]).to.equal(n);
          expect(found.penalty).to.equal(plainBest(p, { [kind]: n }).penalty);
        },
      ),
      { seed: 64, numRuns: 30 },
    );
  });

  it('says the cost that its settings have', () => {
    for (const sitter of DEMO_SITTERS.filter((s) => s.fitting)) {
      for (const seat of DEMO_SEATS) {
        const p = problemFor({
          body: bodyWith(sitter.measures),
          seat: { ...seat, id: 'x' },
          place: placeWith(slides(600, 800)),
          ageYears: sitter.ageYears,
        });
        const result = solve(p, { remedies: NO_REMEDIES });
        expect(costOf(p, result.settings), `${sitter.name} on ${seat.name}`).to.deep.equal({
          hard: result.hard,
          penalty: result.penalty,
        });
      }
    }
  });
});

describe('whole settings', () => {
  const p = problemFor({ place: placeWith(slides(600, 800)) });
  const best = solve(p, { remedies: NO_REMEDIES }).settings;

  it('come back as they are', () => expect(completeSettings(p, best)).to.equal(best));

  it('are the best ones where there are none', () =>
    expect(sameSettings(completeSettings(p, null), best)).to.equal(true));

  it('get what is missing and lose what is not there', () => {
    const { deskHeight, ...rest } = best.positions;
    const given = { positions: { ...rest, seatHeight: 3 }, remedies: NO_REMEDIES };
    const whole = completeSettings(p, given);
    expect(whole.positions.deskHeight).to.equal(deskHeight);
    expect(whole.positions.seatHeight).to.equal(3);
    const without = completeSettings(problemFor(), { ...best, positions: { ...best.positions } });
    expect(without.positions).not.to.have.property('deskHeight');
  });

  it('replace a position beyond the range', () => {
    const whole = completeSettings(p, { ...best, positions: { ...best.positions, seatHeight: 4999 } });
    expect(whole.positions.seatHeight).to.equal(best.positions.seatHeight);
  });

  it('differ in a position or a remedy', () => {
    expect(sameSettings(best, { ...best, positions: { ...best.positions, seatHeight: 1 } })).to.equal(false);
    expect(sameSettings(best, { ...best, remedies: { footrestMm: 20, backCushionMm: 0 } })).to.equal(false);
  });

  it('know the kinds of the wide seat', () =>
    expect(adjustmentOf(WIDE_SEAT.adjustments, 'headHeight')).not.to.equal(null));
});
