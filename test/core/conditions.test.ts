import { expect } from 'chai';
import {
  CONDITIONS,
  NEEDED_FOR,
  NO_REMEDIES,
  assess,
  balancedTension,
  datumMm,
  frontEdgeMm,
  solve,
  tensionFraction,
  valuesOfSettings,
  type Problem,
  type ConditionId,
} from '../../src/core/fit';
import { DIMENSION_IDS, type DimensionId } from '../../src/core/body';
import { napeAlongBackMm } from '../../src/core/fit/geometry/head';
import { trunkMomentNm } from '../../src/core/posture';
import type { AdjustmentKind } from '../../src/core/seat';
import { cosDeg } from '../../src/core/units';
import {
  EVERYTHING,
  EVERY_PLACE,
  FULL,
  ROUND,
  WIDE_SEAT,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  q,
  seatWith,
  settingsAt,
  slides,
  steps,
  withoutMeasure,
} from '../support/inputs';

const LEVEL: Partial<Record<AdjustmentKind, number>> = {
  seatHeight: 440,
  seatDepth: 430,
  seatAngle: 0,
  backAngle: 0,
  lumbarApex: 180,
  armWidth: 400,
  armHeight: 240,
  headHeight: 648,
};

function residual(
  p: Problem,
  id: ConditionId,
  values: Partial<Record<AdjustmentKind, number>>,
  remedies = { footrestMm: 0, backCushionMm: 0 },
): number {
  const condition = CONDITIONS.find((c) => c.id === id)!;
  return condition.residual(p, valuesOfSettings(p, settingsAt(p, values, remedies)));
}

describe('the conditions of a set seat', () => {
  const p = problemFor();

  it('measure the foot gap from seat, shoe and lower leg', () => {
    expect(residual(p, 'footGap', LEVEL)).to.equal(0);
    expect(residual(p, 'footGap', { ...LEVEL, seatHeight: 470 })).to.equal(30);
    expect(residual(p, 'footGap', { ...LEVEL, seatHeight: 420 })).to.equal(-20);
  });

  it('count a footrest under the feet', () => {
    expect(
      residual(p, 'footGap', { ...LEVEL, seatHeight: 500 }, { footrestMm: 60, backCushionMm: 0 }),
    ).to.equal(0);
  });

  it('measure the room behind the knee, and what a cushion gives to it', () => {
    expect(residual(p, 'kneeRoom', LEVEL)).to.equal(50);
    expect(residual(p, 'kneeRoom', LEVEL, { footrestMm: 0, backCushionMm: 25 })).to.equal(75);
  });

  it('count a recess behind the back support', () => {
    const recessed = problemFor({ seat: { ...WIDE_SEAT, pan: { ...WIDE_SEAT.pan, recessMm: 15 } } });
    expect(residual(recessed, 'kneeRoom', LEVEL)).to.equal(35);
  });

  it('let the thigh fall with the pan and only with the pan', () => {
    expect(residual(p, 'thigh', { ...LEVEL, seatHeight: 520 })).to.equal(0);
    expect(residual(p, 'thigh', { ...LEVEL, seatHeight: 520, seatAngle: -5 })).to.equal(-5);
  });

  it('open trunk and thigh with the back', () => {
    expect(residual(p, 'trunkThigh', LEVEL)).to.equal(90);
    expect(residual(p, 'trunkThigh', { ...LEVEL, backAngle: 10 })).to.equal(100);
    expect(residual(p, 'trunkThigh', { ...LEVEL, seatHeight: 520, backAngle: 10, seatAngle: -5 })).to.equal(
      105,
    );
  });

  it('compare lumbar apex and small of the back along the back', () => {
    expect(residual(p, 'lumbarHeight', { ...LEVEL, lumbarApex: 192 })).to.equal(12);
    expect(residual(p, 'lumbarHeight', { ...LEVEL, lumbarApex: 192, backAngle: 20 })).to.equal(12);
  });

  it('measure the pad against the hanging elbow', () => {
    // Pads at 340 would press the elbows in; at 250 + 90 the middles stand under elbows 430 apart less a forearm of 90.
    const narrow = problemFor({
      seat: seatWith([
        adjustment('seatHeight', slides(400, 500)),
        adjustment('armHeight', slides(160, 320)),
        adjustment('armWidth', listed(250)),
      ]),
    });
    // Relaxed and upright the elbow hangs 20 lower than it was measured.
    expect(residual(narrow, 'armHeight', { armHeight: 250, armWidth: 250 })).to.be.closeTo(30, 1e-9);
  });

  it('lift the elbow with the arm held out and sink it with the back', () => {
    const out = residual(p, 'armHeight', { ...LEVEL, armWidth: 460 });
    expect(out).to.be.lessThan(residual(p, 'armHeight', LEVEL));
    const back = residual(p, 'armHeight', { ...LEVEL, backAngle: 15 });
    // Upright it is 20 relaxed, and 10 against a leaning back.
    expect(back - residual(p, 'armHeight', LEVEL)).to.be.closeTo(570 - 580 * cosDeg(15), 1e-6);
  });

  it('keep the pads free of the hips', () => {
    expect(residual(p, 'hipClearance', LEVEL)).to.equal(30);
  });

  it('meet the nape along the back at the angle where the head leans', () => {
    // Against a leaning back neck and nape stand 15 lower than erect.
    expect(residual(p, 'headHeight', LEVEL)).to.be.closeTo(648 - (575 + 60 * cosDeg(15)), 1e-9);
    expect(residual(p, 'headHeight', { ...LEVEL, backAngle: 25 })).to.be.closeTo(
      648 - (575 + 60 * cosDeg(25)),
      1e-9,
    );
  });

  it('compare the desk with elbow and keyboard', () => {
    const at = problemFor({ place: placeWith(listed(660)) });
    expect(residual(at, 'deskTop', LEVEL)).to.equal(660 + 20 - (440 + 220));
  });

  it('ask for room over thigh and knee under the desk', () => {
    const at = problemFor({ place: placeWith(listed(660)) });
    // Thigh 440 + 140 = 580 against knee 20 + 520 = 540: the thigh is the higher one; underside 630.
    expect(residual(at, 'deskClearance', LEVEL)).to.equal(50);
    const highKnee = problemFor({
      body: bodyWith({ ...ROUND, kneeHeight: 580 }),
      place: placeWith(listed(660)),
    });
    expect(residual(highKnee, 'deskContact', LEVEL)).to.equal(30);
    // For comfort only the thighs count.
    expect(residual(highKnee, 'deskClearance', LEVEL)).to.equal(50);
  });
});

describe('a tilted pan', () => {
  const axis = (axisFromRearMm: number) =>
    problemFor({ seat: { ...WIDE_SEAT, pan: { ...WIDE_SEAT.pan, axisFromRearMm } } });

  it('moves front edge and datum about its axis', () => {
    const p = axis(0);
    const v = valuesOfSettings(p, settingsAt(p, { ...LEVEL, seatAngle: -8 }));
    expect(frontEdgeMm(p, v)).to.be.closeTo(440 - 430 * Math.sin((8 * Math.PI) / 180), 1e-9);
    expect(datumMm(p, v)).to.be.closeTo(440 - 140 * Math.sin((8 * Math.PI) / 180), 1e-9);
  });

  it('leaves the front edge alone where the axis is at the front', () => {
    const p = axis(430);
    const v = valuesOfSettings(p, settingsAt(p, { ...LEVEL, seatAngle: -8 }));
    expect(frontEdgeMm(p, v)).to.be.closeTo(440, 1e-9);
  });
});

describe('a head rest', () => {
  it('is judged at the method’s lean, or as far as this back goes', () => {
    const napeAt = (mostDeg: number): number => {
      const p = problemFor({
        body: bodyWith(FULL),
        seat: seatWith([
          adjustment('seatHeight', slides(400, 500)),
          adjustment('backAngle', slides(0, mostDeg)),
          adjustment('headHeight', slides(560, 760)),
        ]),
      });
      expect(p.inputs.method.headRestFromDeg).to.equal(15);
      const { positions } = settingsAt(p, LEVEL);
      return napeAlongBackMm(p, valuesOfSettings(p, { positions, remedies: NO_REMEDIES }));
    };
    const pivot = FULL.cervicaleHeightSitting - 15;
    const along = (deg: number) => pivot + (FULL.napeHeight - 15 - pivot) * cosDeg(deg);
    expect(napeAt(25)).to.be.closeTo(along(15), 1e-9);
    expect(napeAt(10)).to.be.closeTo(along(10), 1e-9);
  });
});

describe('the tension that balances a trunk', () => {
  const by = (
    travel: Parameters<typeof adjustment>[1],
    effort: NonNullable<ReturnType<typeof adjustment>['effort']>,
    unit: 'turn' | 'step',
    massKg = 70,
  ): number =>
    balancedTension(
      problemFor({
        body: bodyWith({ ...ROUND, bodyMass: massKg }),
        seat: seatWith([
          adjustment('seatHeight', slides(400, 500)),
          adjustment('tiltTension', travel, { effort, unit }),
        ]),
      }),
    );

  it('is linear in the moment, in turns from the lightest', () => {
    const moment = trunkMomentNm(70, 1700, 15);
    const wanted = (3 * (moment - 15)) / (65 - 15);
    expect(
      by(slides(0, 3), { by: 'moment', lightestNm: 15, stiffestNm: 65, atDeg: 15 }, 'turn'),
    ).to.be.closeTo(wanted, 1e-9);
  });

  it('is linear in the mass where only masses are known', () => {
    expect(by(slides(0, 2), { by: 'mass', lightestKg: 50, stiffestKg: 90 }, 'turn')).to.equal(1);
  });

  it('lies beyond the lightest and the stiffest for a trunk that the seat is not made for: no end fits then', () => {
    const effort = { by: 'mass', lightestKg: 50, stiffestKg: 90 } as const;
    expect(by(slides(0, 2), effort, 'turn', 40)).to.equal(-0.5);
    expect(by(slides(0, 2), effort, 'turn', 140)).to.equal(4.5);
    const verdictOf = (massKg: number) => {
      const p = problemFor({
        body: bodyWith({ ...ROUND, bodyMass: massKg }),
        seat: seatWith([
          adjustment('seatHeight', slides(400, 500)),
          adjustment('tiltTension', slides(0, 2), { effort, unit: 'turn' }),
        ]),
      });
      return assess(p, solve(p, { remedies: NO_REMEDIES }).settings).outcomes.find(
        (o) => o.kind === 'tiltTension',
      )!.verdict;
    };
    expect([30, 50, 90, 92, 140].map(verdictOf)).to.deep.equal([
      'cannotReach',
      'fits',
      'fits',
      'fits',
      'cannotReach',
    ]);
  });

  it('is left to a mechanism that weighs by itself, within what it can weigh', () => {
    const effort = { by: 'weighing', lightestKg: 45, stiffestKg: 120 } as const;
    expect(by(slides(-1, 1), effort, 'turn', 120)).to.equal(0);
    expect(by(slides(-1, 1), effort, 'turn', 135)).to.be.greaterThan(1.25);
    expect(by(slides(-1, 1), effort, 'turn', 30)).to.be.lessThan(-1.25);
  });

  it('rounds to a position, halves down', () => {
    const positions = (massKg: number) =>
      by(steps(1, 5, 5), { by: 'mass', lightestKg: 50, stiffestKg: 90 }, 'step', massKg);
    expect(positions(50)).to.equal(1);
    expect(positions(55)).to.equal(1);
    expect(positions(56)).to.equal(2);
    expect(positions(65)).to.equal(2);
    expect(positions(66)).to.equal(3);
    expect(positions(90)).to.equal(5);
  });

  it('is a share from 0 to 1', () => {
    const p = problemFor();
    expect(tensionFraction({ by: 'mass', lightestKg: 60, stiffestKg: 100 }, p)).to.equal(0.25);
  });
});

describe('what a measure is needed for', () => {
  const p = problemFor({ seat: EVERYTHING, place: EVERY_PLACE, body: bodyWith(FULL) });
  // Measures that stand behind nearly everything: the table names what is specific to each.
  const BEHIND_MANY: readonly DimensionId[] = [
    'stature',
    'poplitealHeight',
    'shoeHeel',
    'buttockPoplitealLength',
    'elbowHeightSitting',
    'shoulderHeightSitting',
  ];
  const CHECKS: readonly string[] = ['ratedLoad', 'seatWidth', 'headroom', 'estimates'];

  for (const id of DIMENSION_IDS) {
    it(`is told truly for ${id}`, () => {
      const without = problemFor({ seat: EVERYTHING, place: EVERY_PLACE, body: withoutMeasure(id) });
      const owners = new Set<string>(
        CONDITIONS.filter((c) => c.applies(p) && c.needs(without).includes(id)).flatMap((c) => c.owners(p)),
      );
      const told = NEEDED_FOR[id].filter((x) => !CHECKS.includes(x));
      if (BEHIND_MANY.includes(id)) expect([...owners]).to.include.members(told);
      // A zone's share and a forearm's breadth only sharpen what can be computed without them.
      else if (owners.size > 0) expect(told).to.include.members([...owners]);
      expect(NEEDED_FOR[id].length).to.be.greaterThan(0);
    });
  }

  it('leaves conditions out that lack a measure', () => {
    const few = problemFor({ body: withoutMeasure('poplitealHeight') });
    expect(CONDITIONS.find((c) => c.id === 'footGap')!.needs(few)).to.include('poplitealHeight');
  });

  it('asks for the thigh length in the foot gap only where the pan can tilt', () => {
    const level = problemFor({ seat: seatWith([adjustment('seatHeight', slides(400, 500))]) });
    const footGap = CONDITIONS.find((c) => c.id === 'footGap')!;
    expect(footGap.needs(level)).to.deep.equal(['poplitealHeight', 'shoeHeel']);
    expect(footGap.needs(problemFor())).to.include('buttockPoplitealLength');
  });
});

describe('heights under this body', () => {
  it('shift by how far the cushion gives', () => {
    const soft = seatWith(
      [adjustment('seatHeight', slides(400, 500)), adjustment('armHeight', slides(200, 260))],
      { cushion: { sinkMm: q(20), referenceMassKg: 80, heightsAre: 'loaded' } },
    );
    const light = problemFor({ seat: soft, body: bodyWith({ ...ROUND, bodyMass: 60 }) });
    expect(light.variables.seatHeight!.values[0]).to.equal(405);
    expect(light.variables.armHeight!.values[0]).to.equal(195);
  });
});
