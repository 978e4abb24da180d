import { expect } from 'chai';
import { NO_REMEDIES, assess, costOf, residualSds, solve } from '../../src/core/fit';
import {
  ROUND,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  seatWith,
  settingsAt,
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
  // Against a back at 6° the trunk stands 20 − 6 lower than erect.
  const elbow = (590 - 14) * Math.cos((6 * Math.PI) / 180) - 350;
  const sds = residualSds(p);

  const density = (t: number): number => Math.exp((-t * t) / 2) / Math.sqrt(2 * Math.PI);
  /** Φ by adding up the density in small steps. */
  const below = (t: number): number => {
    let sum = 0;
    for (let x = -8; x < t; x += 1e-3) sum += 1e-3 * density(x + 5e-4);
    return sum;
  };
  const over = (t: number): number => t * below(t) + density(t);
  type Corner = readonly [at: number, way: 1 | -1, slope: number];
  const mean = (corners: readonly Corner[], r: number, sd: number): number =>
    corners.reduce((sum, [at, way, slope]) => sum + slope * sd * over((way * (r - at)) / sd), 0);
  /** Less the least of all, looked for tenth by tenth. */
  const cost = (corners: readonly Corner[], r: number, sd: number, from: number, to: number): number => {
    let least = Infinity;
    for (let x = from; x <= to; x += (to - from) / 200) least = Math.min(least, mean(corners, x, sd));
    return mean(corners, r, sd) - least;
  };

  it('costs in all what its rows add up to', () => {
    const DESK: Corner[] = [
      [-30, -1, 3 / 15],
      [-45, -1, 27 / 15],
      [0, 1, 3 / 25],
      [25, 1, 27 / 25],
    ];
    const rows = {
      foot: cost(
        [
          [-15, -1, 0.5],
          [-25, -1, 4.5],
          [-45, -1, 45],
          [0, 1, 1],
          [5, 1, 9],
          [60, 1, 90],
        ],
        440 - 437,
        sds.footGap!,
        -25,
        5,
      ),
      room: cost(
        [
          [50, -1, 4 / 25],
          [25, -1, 36 / 25],
          [10, -1, 360 / 25],
          [50, 1, 4 / 46],
          [96, 1, 36 / 46],
        ],
        480 - 440,
        sds.kneeRoom!,
        10,
        96,
      ),
      back: cost(
        [
          [5, -1, 0.8],
          [0, -1, 7.2],
          [5, 1, 0.8],
          [10, 1, 7.2],
        ],
        6,
        sds.backAngle!,
        0,
        10,
      ),
      lumbar: cost(
        [
          [0, -1, 0.02],
          [-25, -1, 0.18],
          [0, 1, 0.02],
          [25, 1, 0.18],
        ],
        -10,
        sds.lumbarHeight!,
        -25,
        25,
      ),
      arms: cost(
        [
          [-10, -1, 0.3],
          [-20, -1, 2.7],
          [0, 1, 0.6],
          [5, 1, 5.4],
          [25, 1, 54],
        ],
        220 - elbow,
        sds.armHeight!,
        -20,
        5,
      ),
      desk: cost(DESK, 700 + 20 - (440 + elbow), sds.deskTop!, -45, 25),
      // Back at the farther end of two, apex at one of two, pads a third of the way to an end.
      levers: 0.2 + 0.2 + 0.2 / 3,
    };
    const sum = Object.values(rows).reduce((a, b) => a + b, 0);
    expect(result.penalty / 1e6).to.be.closeTo(sum, 0.02);
    expect(result.penalty / 1e6).to.be.closeTo(53.98, 0.005);
    expect(rows.desk).to.be.closeTo(41.51, 0.02);
  });

  it('is set as the rows say, and a higher seat costs more', () => {
    const values = Object.fromEntries(assess(p, result.settings).outcomes.map((o) => [o.kind, o.value]));
    expect(values).to.deep.equal({
      seatHeight: 440,
      seatDepth: 440,
      lumbarApex: 170,
      backAngle: 6,
      armHeight: 220,
      deskHeight: 700,
    });
    const higher = settingsAt(p, { ...values, seatHeight: 460 });
    expect(costOf(p, higher).penalty / 1e6).to.be.greaterThan(80);
  });
});
