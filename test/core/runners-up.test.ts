import { expect } from 'chai';
import {
  NO_REMEDIES,
  choicesOf,
  costOf,
  runnersUp,
  solve,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import {
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  ROUND,
  seatWith,
  slides,
} from '../support/inputs';

const key = (cost: { readonly penalty: number }) => cost.penalty;

describe('runners-up', () => {
  const p: Problem = problemFor({
    body: bodyWith(ROUND),
    seat: seatWith([
      adjustment('seatHeight', slides(410, 470)),
      adjustment('seatAngle', listed(-6, -3, 0, 3)),
      adjustment('backAngle', listed(5)),
      adjustment('seatDepth', slides(400, 450)),
    ]),
    place: placeWith(listed(680, 720)),
  });
  const best = solve(p, { remedies: NO_REMEDIES });
  const next = runnersUp(p, { remedies: NO_REMEDIES }, 4);

  it('come after the best, each no better than the one before', () => {
    expect(next).to.have.length(4);
    // None of them is cheaper than the best.
    for (const one of next) expect(one.penalty).to.be.at.least(best.penalty);
    const costs = [best, ...next].map(key);
    expect(costs).to.deep.equal([...costs].sort((a, b) => a - b));
    for (const { settings, hard, penalty } of next)
      expect(costOf(p, settings)).to.deep.equal({ hard, penalty });
  });

  it('are each the best of what is not near a better one', () => {
    const far = (a: Settings, b: Settings) =>
      Math.abs(a.positions.seatHeight! - b.positions.seatHeight!) > 10 ||
      a.positions.seatAngle !== b.positions.seatAngle ||
      a.positions.deskHeight !== b.positions.deskHeight;
    const better = [best.settings];
    for (const one of next) {
      let least = Infinity;
      for (let seatHeight = 0; seatHeight <= 60; seatHeight++)
        for (let seatAngle = 0; seatAngle < 4; seatAngle++)
          for (let deskHeight = 0; deskHeight < 2; deskHeight++) {
            // Nobody is tipped forward unasked.
            if (seatAngle < 2) continue;
            const settings: Settings = {
              positions: { ...best.settings.positions, seatHeight, seatAngle, deskHeight },
              remedies: NO_REMEDIES,
            };
            if (better.every((b) => far(settings, b))) least = Math.min(least, key(costOf(p, settings)));
          }
      expect(key(one)).to.equal(least);
      better.push(one.settings);
    }
  });

  it('end where nothing else is left, and keep what is held', () => {
    const one = problemFor({ seat: seatWith([adjustment('seatHeight', slides(430, 436))]) });
    expect(runnersUp(one, { remedies: NO_REMEDIES }, 3)).to.deep.equal([]);
    for (const { settings } of runnersUp(p, { remedies: NO_REMEDIES, held: { seatAngle: 0 } }, 3))
      expect(settings.positions.seatAngle).to.equal(0);
  });

  it('say what each costs, for which conditions, and where it differs from the best', () => {
    const choices = choicesOf(p, { remedies: NO_REMEDIES }, 4);
    expect(choices.best.settings).to.deep.equal(best.settings);
    expect(choices.best.differs).to.deep.equal([]);
    expect(choices.next.map((c) => c.settings)).to.deep.equal(next.map((n) => n.settings));
    for (const choice of [choices.best, ...choices.next]) {
      const sum = (of: 'hard' | 'penalty') => choice.binding.reduce((total, b) => total + b[of], 0);
      expect(sum('hard')).to.equal(choice.hard);
      // Conditions that cost next to nothing are not named, and levers are none.
      expect(choice.penalty - sum('penalty')).to.be.within(0, 0.9e6);
      expect(choice.bound).to.equal(choice.penalty);
      for (const kind of ['seatHeight', 'seatAngle', 'deskHeight'] as const)
        expect(choice.differs.includes(kind), kind).to.equal(
          choice.settings.positions[kind] !== best.settings.positions[kind],
        );
    }
    expect(choices.next[0]!.differs).not.to.deep.equal([]);
  });
});
