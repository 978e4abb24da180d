import { expect } from 'chai';
import { NO_REMEDIES, assess, solve } from '../../src/core/fit';
import {
  ROUND,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  seatWith,
  steps,
} from '../support/inputs';

/** The case that the documentation works by hand. */
describe('the worked case', () => {
  const p = problemFor({
    body: bodyWith({ ...ROUND, shoeHeel: 25, poplitealHeight: 412 }),
    seat: seatWith([
      adjustment('seatHeight', steps(400, 500, 6)),
      adjustment('seatDepth', listed(400, 440)),
      adjustment('lumbarApex', listed(170, 200)),
      adjustment('backAngle', listed(0, 6)),
      adjustment('armHeight', steps(200, 260, 4)),
    ]),
    place: placeWith(listed(700)),
  });
  const result = solve(p, { remedies: NO_REMEDIES });
  const elbow = 590 * Math.cos((6 * Math.PI) / 180) - 350;

  it('costs in all what its rows add up to', () => {
    const rows = [
      (4 * 10) / 25,
      (2 * 1) / 5,
      (5 * 3) / 5,
      (3 * (15 + 10 * (700 + 20 - (440 + elbow) - 15))) / 15,
      (0.5 * 10) / 25,
      (3 * (240 - elbow)) / 5,
    ];
    expect(result.hard).to.equal(0);
    expect(result.penalty / 1e6).to.be.closeTo(
      rows.reduce((a, b) => a + b, 0),
      2e-3,
    );
    expect(result.penalty).to.equal(66_603_200);
  });

  it('is set as the rows say', () => {
    const values = Object.fromEntries(assess(p, result.settings).outcomes.map((o) => [o.kind, o.value]));
    expect(values).to.deep.equal({
      seatHeight: 440,
      seatDepth: 440,
      lumbarApex: 170,
      backAngle: 6,
      armHeight: 240,
      deskHeight: 700,
    });
  });
});
