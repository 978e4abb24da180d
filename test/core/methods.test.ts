import { expect } from 'chai';
import {
  NO_REMEDIES,
  assess,
  compareMethods,
  explain,
  inputsOfStep,
  methodDoubts,
  problemOf,
  solve,
  type FitInputs,
} from '../../src/core/fit';
import {
  METHOD_CAUTIONS,
  ORDERS,
  ORDER_IDS,
  SHIPPED_METHODS,
  orderIdOf,
  targetOf,
  type Method,
} from '../../src/core/method';
import { bandOf, roomByFingers, roomForChild } from '../../src/core/target';
import type { Place } from '../../src/core/place';
import { ADJUSTMENT_KIND_IDS } from '../../src/core/seat';
import { cardHeader, cardOf } from '../../src/core/card';
import { COMMON as SHARED_WORDS, PAGES as PAGE_WORDS } from '../../src/words/en-GB';
import { DEFAULT_READING, say } from '../../src/words';
import {
  OPEN_HIP,
  RIGHT_ANGLE,
  ROUND,
  WIDE_SEAT,
  adjustment,
  bodyWith,
  inputsOf,
  placeWith,
  seatWith,
  slides,
} from '../support/inputs';

const WORDS = { ...SHARED_WORDS, ...PAGE_WORDS };

const shipped = (id: string): Method => SHIPPED_METHODS.find((m) => m.id === id)!;
const best = (inputs: FitInputs) => {
  const p = problemOf(inputs);
  return { p, assessment: assess(p, solve(p, { remedies: NO_REMEDIES }).settings) };
};
const angle = (inputs: FitInputs, id: string) =>
  best(inputs).assessment.angles.find((a) => a.id === id)!.deg!;

describe('orders of setting', () => {
  for (const id of ORDER_IDS) {
    it(`name every adjustment once: ${id}`, () => {
      expect([...ORDERS[id]].sort()).to.deep.equal([...ADJUSTMENT_KIND_IDS].sort());
      expect(orderIdOf([...ORDERS[id]])).to.equal(id);
      expect(WORDS).to.have.property(`order.${id}`);
    });
  }
  it('are told apart from one of a practice’s own', () =>
    expect(orderIdOf([...ORDERS.groundUp].reverse())).to.equal(null));
});

describe('every method that comes with the program', () => {
  for (const method of SHIPPED_METHODS) {
    it(`stands by itself: ${method.name}`, () => {
      expect(methodDoubts(method)).to.deep.equal([]);
      expect(method.summary).to.match(/\.$/);
      for (const caution of method.cautions ?? []) expect(METHOD_CAUTIONS).to.include(caution);
      // Band of the trunk–thigh angle lies within what back and thigh together can come to.
      const [back, thigh, both] = (['backAngle', 'thigh', 'trunkThigh'] as const).map((id) =>
        bandOf(targetOf(method, id)),
      ) as [ReturnType<typeof bandOf>, ReturnType<typeof bandOf>, ReturnType<typeof bandOf>];
      expect(both.lo).to.be.at.most(90 + back.hi - thigh.lo);
      expect(both.hi).to.be.at.least(90 + back.lo - thigh.hi);
    });
  }

  it('differ in what they set', () => {
    const seat = seatWith([
      adjustment('seatHeight', slides(380, 620)),
      adjustment('seatAngle', slides(-40, 10)),
      adjustment('seatDepth', slides(360, 460)),
      adjustment('backAngle', slides(-2, 30)),
    ]);
    const of = (id: string) => inputsOf({ seat, method: shipped(id) });
    expect(angle(of('right-angle'), 'trunkThigh')).to.be.within(90, 100);
    expect(angle(of('open-hip'), 'trunkThigh')).to.be.within(95, 110);
    expect(angle(of('open-wedge'), 'trunkThigh')).to.be.within(95, 110);
    expect(angle(of('saddle'), 'trunkThigh')).to.be.within(110, 135);
    expect(angle(of('laid-back'), 'trunkThigh')).to.be.within(100, 120);
    const thigh = (id: string) =>
      best(of(id))
        .assessment.outcomes.find((o) => o.kind === 'seatAngle')!
        .conditions.find((c) => c.id === 'thigh')!.residual;
    expect(thigh('low-seat')).to.be.within(4, 8);
    expect(thigh('open-wedge')).to.be.within(-15, -5);
    expect(thigh('saddle')).to.be.within(-45, -20);
  });

  it('ask in vain of a level seat what it cannot do: the thigh does not fall', () => {
    const seat = seatWith([adjustment('seatHeight', slides(380, 620))]);
    const { assessment } = best(inputsOf({ seat, method: shipped('saddle') }));
    const height = assessment.outcomes.find((o) => o.kind === 'seatHeight')!;
    const thigh = height.conditions.find((c) => c.id === 'thigh')!;
    expect(thigh.residual).to.be.at.least(0);
    expect(thigh.outside).to.be.at.least(20);
    expect(height.verdict).to.equal('cannotReach');
  });

  it('carry their cautions onto the card', () => {
    const { p, assessment } = best(inputsOf({ method: shipped('laid-back') }));
    const header = cardHeader(p, { sitter: 'A', fitter: 'B', date: '2026-11-26' });
    const cautions = cardOf(assessment, header, null)
      .cautions.map((m) => say(m, DEFAULT_READING))
      .join(' ');
    expect(cautions).to.include('needs a headrest');
    const plain = best(inputsOf({ method: RIGHT_ANGLE }));
    expect(cardOf(plain.assessment, header, null).cautions.map((m) => m.key)).not.to.include(
      'caution.method.laidBack',
    );
  });
});

describe('arms to the desk', () => {
  const seat = seatWith([
    adjustment('seatHeight', slides(440, 440)),
    adjustment('armHeight', slides(180, 320)),
  ]);
  /** The elbow hangs at 440 + 240 = 680 above the floor; the keyboard is 20 thick. */
  const pads = (method: string, desk: number, more: Partial<Place> = {}) => {
    const place = placeWith(slides(desk, desk), more);
    const { p, assessment } = best(inputsOf({ seat, place, method: shipped(method) }));
    const outcome = assessment.outcomes.find((o) => o.kind === 'armHeight')!;
    const level = outcome.conditions.find((c) => c.id === 'padsLevel');
    return { p, pad: assessment.values.armHeight, outcome, level, values: assessment.values };
  };

  it('puts the pads level with the desk top, not at the elbow', () => {
    // The relaxed elbow hangs at 220; pads are best a little lower.
    expect(pads('right-angle', 655).pad).to.be.within(208, 220);
    expect(pads('right-angle', 655).level).to.equal(undefined);
    // The desk is at elbow height, 215 above the seat: pads between it and where the elbow has them.
    const { pad, level, outcome } = pads('arms-to-desk', 655);
    expect(pad).to.be.within(212, 216);
    expect(level!.residual).to.be.within(-3, 1);
    expect(outcome.verdict).to.equal('fits');
    expect(pads('arms-to-desk', 663).pad).to.be.within(216, 223);
  });

  it('follows the desk only as far as the elbow’s band goes', () => {
    expect(pads('arms-to-desk', 600).pad).to.be.within(200, 208);
    expect(pads('arms-to-desk', 760).pad).to.be.within(214, 225);
    const { p, outcome, values } = pads('arms-to-desk', 760);
    expect(outcome.verdict).to.equal('fits');
    const chain = explain(p, values, outcome).map((m) => say(m, DEFAULT_READING));
    expect(chain.join(' ')).to.include('Desk 760 mm − seat surface 440 mm, as far as the elbow at 220 mm');
  });

  it('says so where the pads do not come up to it, and asks nothing where there is no desk', () => {
    const low = seatWith([
      adjustment('seatHeight', slides(440, 440)),
      adjustment('armHeight', slides(180, 207)),
    ]);
    const { assessment } = best(
      inputsOf({ seat: low, place: placeWith(slides(685, 685)), method: shipped('arms-to-desk') }),
    );
    const { conditions, verdict } = assessment.outcomes.find((o) => o.kind === 'armHeight')!;
    // 685 − 440 is beyond the elbow's 225: 18 short of that.
    expect(conditions.find((c) => c.id === 'padsLevel')).to.include({ residual: -18, outside: -13 });
    expect(verdict).to.equal('cannotReach');
    const alone = best(inputsOf({ seat, method: shipped('arms-to-desk') }));
    expect(alone.assessment.outcomes.flatMap((o) => o.conditions.map((c) => c.id))).not.to.include(
      'padsLevel',
    );
  });
});

describe('room behind the knee in fingers', () => {
  const method = shipped('right-angle-then-open');
  const wedge = shipped('open-wedge');

  it('moves with the hand: lower bounds with three fingers, upper ones with four', () => {
    const room = roomByFingers(method.kneeRoom, { lo: 3, hi: 4, whose: 'sitter' }, { 3: 44, 4: 60 });
    expect(bandOf(room)).to.deep.equal({ lo: 44, hi: 60 });
    expect(
      bandOf(roomByFingers(method.kneeRoom, { lo: 3, hi: 4, whose: 'sitter' }, { 3: 50, 4: 70 })),
    ).to.deep.equal(bandOf(method.kneeRoom));
  });

  it('is that of the sitter or of whoever checks, and the usual one until it is measured', () => {
    const room = (inputs: FitInputs) => bandOf(problemOf(inputs).targets.kneeRoom);
    const bare = inputsOf({ method });
    // A fifth of this sitter's length, 96, may hang over at most.
    expect(room(bare)).to.deep.equal({ lo: 50, hi: 96 });
    const own = inputsOf({
      method,
      body: bodyWith({ ...ROUND, threeFingerBreadth: 44, fourFingerBreadth: 60 }),
    });
    expect(room(own)).to.deep.equal({ lo: 44, hi: 96 });
    // The sitter's hand is not the fitter's.
    expect(room({ ...own, method: wedge })).to.deep.equal(bandOf(wedge.kneeRoom));
    const byFitter = { ...wedge, fingers: { lo: 3, hi: 3, whose: 'fitter' } as const };
    expect(room({ ...bare, method: byFitter, fitterHandMm: { 3: 58 } })).to.deep.equal({ lo: 48, hi: 158 });
  });

  it('says in the chain whose fingers they are', () => {
    const chain = (inputs: FitInputs) => {
      const { p, assessment } = best(inputs);
      const depth = assessment.outcomes.find((o) => o.kind === 'seatDepth')!;
      return explain(p, assessment.values, depth)
        .map((m) => say(m, DEFAULT_READING))
        .join(' ');
    };
    expect(chain(inputsOf({ method }))).to.include('3 to 4 fingers of the sitter: typically 50 mm to 70 mm');
    const own = inputsOf({
      method,
      body: bodyWith({ ...ROUND, threeFingerBreadth: 44, fourFingerBreadth: 60 }),
    });
    expect(chain(own)).to.include('44 mm to 60 mm, measured');
    expect(chain(inputsOf({ method: RIGHT_ANGLE }))).not.to.include('fingers');
  });

  it('of a child is by its own fingers where they were measured, else in proportion', () => {
    const child = { ...ROUND, buttockPoplitealLength: 300 };
    const room = (measures: Parameters<typeof bodyWith>[0]) =>
      bandOf(problemOf(inputsOf({ method, body: bodyWith(measures), ageYears: 7 })).targets.kneeRoom);
    expect(room(child)).to.deep.equal(bandOf(roomForChild(method.kneeRoom, 300)));
    expect(room({ ...child, threeFingerBreadth: 34, fourFingerBreadth: 46 })).to.deep.equal({
      lo: 34,
      hi: 46,
    });
  });
});

describe('two methods side by side', () => {
  it('say in words what they set differently, and what each thinks of the other', () => {
    // A back that stays where it is put.
    const held = WIDE_SEAT.adjustments.filter(({ kind }) => kind !== 'tiltTension' && kind !== 'tiltLock');
    const seat = { ...WIDE_SEAT, adjustments: held };
    const { one, other, settings, angles, judged } = compareMethods(
      inputsOf({ seat }),
      OPEN_HIP,
      NO_REMEDIES,
    );
    expect([one.method.id, other.method.id]).to.deep.equal(['right-angle', 'open-hip']);
    const back = settings.find((d) => d.kind === 'backAngle')!;
    expect([back.one.value, back.other.value]).to.deep.equal([5, 10.5]);
    expect(say(back.words, DEFAULT_READING)).to.equal(
      'Backrest angle 10.5° instead of 5°: 5.5° further back.',
    );
    expect(angles.map((m) => say(m, DEFAULT_READING)).join(' ')).to.match(
      /Hip \(trunk–thigh\) 10\d(\.\d)?° instead of 9\d(\.\d)?°/i,
    );
    // Half a degree beyond its band is not what the other would set.
    expect(judged.map((m) => say(m, DEFAULT_READING))).to.deep.equal([
      'Backrest angle as set by “Open hip angle”: could be better by “Upright”.',
    ]);
    const far = compareMethods(inputsOf(), shipped('laid-back'), NO_REMEDIES).judged;
    expect(far.map((m) => say(m, DEFAULT_READING)).join(' ')).to.include(
      'Backrest angle as set by “Reclined”: ',
    );
    // Each side is what solving by its method alone gives.
    const alone = best(inputsOf({ seat, method: OPEN_HIP })).assessment;
    expect(other.assessment.settings).to.deep.equal(alone.settings);
  });

  it('have nothing to say of a method beside itself', () => {
    const same = compareMethods(inputsOf(), { ...RIGHT_ANGLE, id: 'copy' }, NO_REMEDIES);
    expect([same.settings, same.angles, same.judged]).to.deep.equal([[], [], []]);
  });
});

describe('a method that goes by steps', () => {
  const method = shipped('right-angle-then-open');

  it('begins square and opens step by step', () => {
    const inputs = inputsOf({ method, seat: WIDE_SEAT });
    const trunkThigh = method.steps!.map((_, i) => angle(inputsOfStep(inputs, i), 'trunkThigh'));
    expect(trunkThigh[0]).to.equal(angle(inputsOf({ method: RIGHT_ANGLE }), 'trunkThigh'));
    expect(trunkThigh[1]).to.be.greaterThan(trunkThigh[0]!);
    expect(trunkThigh[2]).to.be.at.least(trunkThigh[1]!);
  });

  it('computes nothing where the sitter finds it', () => {
    const led = shipped('sitter-led');
    expect(led.steps!.every((s) => s.judgeOnly)).to.equal(true);
    const inputs = inputsOf({ method: led });
    expect(inputsOfStep(inputs, 0)).to.equal(inputs);
    expect(inputsOfStep(inputs, 9)).to.equal(inputs);
  });
});

describe('a method that cannot be', () => {
  const reasons = (method: Method) => methodDoubts(method).map((d) => [d.reason, d.field]);

  it('is told where: bounds the wrong way round, a weight below nothing, a condition that is none', () => {
    expect(reasons({ ...RIGHT_ANGLE, kneeRoom: { ...RIGHT_ANGLE.kneeRoom, bandLo: 60 } })).to.deep.equal([
      ['reversedTarget', '/kneeRoom'],
    ]);
    const targets = { ...RIGHT_ANGLE.targets, thigh: { ...targetOf(RIGHT_ANGLE, 'thigh'), weight: -1 } };
    expect(reasons({ ...RIGHT_ANGLE, targets })).to.deep.equal([['negative', '/targets/thigh/weight']]);
    const unknown = { ...RIGHT_ANGLE.targets, girth: targetOf(RIGHT_ANGLE, 'thigh') };
    expect(reasons({ ...RIGHT_ANGLE, targets: unknown })).to.deep.equal([
      ['unknownTarget', '/targets/girth'],
    ]);
    expect(reasons({ ...RIGHT_ANGLE, footrestPenalty: NaN })).to.deep.equal([
      ['notFinite', '/footrestPenalty'],
    ]);
  });

  it('is told where: what is there twice, a hand the wrong way round, a step that aims at nothing there is', () => {
    expect(reasons({ ...RIGHT_ANGLE, tieBreaks: ['lowerArm', 'lowerArm'] })).to.deep.equal([
      ['repeated', '/tieBreaks/1'],
    ]);
    expect(reasons({ ...RIGHT_ANGLE, order: ['seatHeight', 'backAngle', 'seatHeight'] })).to.deep.equal([
      ['repeated', '/order/2'],
    ]);
    expect(reasons({ ...RIGHT_ANGLE, fingers: { lo: 4, hi: 3, whose: 'sitter' } })).to.deep.equal([
      ['reversedTarget', '/fingers'],
    ]);
    const reported = { ...RIGHT_ANGLE.reported, elbow: { lo: 120, hi: 90 } };
    expect(reasons({ ...RIGHT_ANGLE, reported })).to.deep.equal([['reversedTarget', '/reported/elbow']]);
    const thigh = { ...targetOf(RIGHT_ANGLE, 'thigh'), bandLo: 9 };
    const steps = [
      { name: 'A', instruct: '' },
      { name: 'B', instruct: '', targets: { thigh } },
    ];
    expect(reasons({ ...RIGHT_ANGLE, steps })).to.deep.equal([['reversedTarget', '/steps/1/targets/thigh']]);
  });
});
