import { expect } from 'chai';
import fc from 'fast-check';
import {
  NO_REMEDIES,
  assess,
  completeSettings,
  frontEdgeMm,
  remediesFor,
  solve,
  type Problem,
} from '../../src/core/fit';
import { cardOf, controlWords } from '../../src/core/card';
import {
  frontView,
  planView,
  ruleOf,
  sideView,
  spreadApart,
  trackOf,
  type Primitive,
  type Scene,
} from '../../src/core/scene';
import { sheetOf } from '../../src/drawing/sheet';
import { DEFAULT_READING } from '../../src/words';
import type { Point } from '../../src/core/posture';
import {
  OPEN_HIP,
  ROUND,
  WIDE_SEAT,
  adjustment,
  bodyWith,
  listed,
  placeWith,
  problemFor,
  seatWith,
  settingsAt,
  slides,
  withoutMeasure,
} from '../support/inputs';

const best = (p: Problem) => assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
const LEVEL_SEAT = seatWith(WIDE_SEAT.adjustments.filter((a) => a.kind !== 'seatAngle'));
const HEADER = { sitter: 'A', seat: 'B', place: null, method: 'C', fitter: 'D', date: '2026-11-25' };

function pointsOf(primitive: Primitive): Point[] {
  const { shape } = primitive;
  if (shape.type === 'polyline') return [...shape.points];
  return shape.type === 'limb' ? [shape.from, shape.to] : [shape.at];
}

describe('moving labels apart', () => {
  const labels = fc.array(fc.integer({ min: 0, max: 1000 }), { maxLength: 20 });

  it('keeps the gap and the order, and stays within the ends', () => {
    fc.assert(
      fc.property(labels, (wanted) => {
        const places = spreadApart(wanted, 18, 0, 1000);
        const order = wanted.map((z, i) => ({ z, i })).sort((a, b) => a.z - b.z || a.i - b.i);
        order.forEach(({ i }, n) => {
          expect(places[i]).to.be.within(-1e-6, 1000 + 1e-6);
          if (n > 0) expect(places[i]! - places[order[n - 1]!.i]!).to.be.at.least(18 - 1e-6);
        });
      }),
      { seed: 71 },
    );
  });

  it('leaves alone what does not touch', () =>
    expect(spreadApart([100, 200, 300], 18, 0, 1000)).to.deep.equal([100, 200, 300]));

  it('moves two that touch by the same', () =>
    expect(spreadApart([100, 104], 20, 0, 1000)).to.deep.equal([92, 112]));
});

describe('the side view', () => {
  const p = problemFor({ place: placeWith(slides(600, 800)) });
  const scene = sideView(best(p));
  const part = (id: string) => scene.primitives.find((x) => x.id === id);

  it('draws the computed posture: knee above the hollow, shoulder behind the hip when leaning back', () => {
    const thigh = part('thigh')!.shape;
    const trunk = part('trunk')!.shape;
    if (thigh.type !== 'limb' || trunk.type !== 'limb') throw new Error('limbs expected');
    // The thigh lies on the pan, the knee's centre 56 above its underside.
    expect(thigh.to.z).to.be.closeTo(best(p).values.seatHeight + 56, 1e-6);
    expect(trunk.to.x).to.be.lessThan(trunk.from.x);
  });

  it('puts the sole on the floor when the feet are flat', () => {
    const shoe = part('shoe')!.shape;
    if (shoe.type !== 'polyline') throw new Error('a polyline expected');
    expect(Math.min(...shoe.points.map((q) => q.z))).to.be.closeTo(0, 1e-6);
  });

  it('lets the feet hang when the seat is too high', () => {
    const high = assess(
      p,
      settingsAt(p, {
        seatHeight: 500,
        seatDepth: 430,
        armHeight: 240,
        armWidth: 400,
        deskHeight: 700,
        seatAngle: 0,
      }),
    );
    const shoe = sideView(high).primitives.find((x) => x.id === 'shoe')!.shape;
    if (shoe.type !== 'polyline') throw new Error('a polyline expected');
    expect(Math.min(...shoe.points.map((q) => q.z))).to.be.closeTo(60, 1e-6);
  });

  it('holds everything it draws within its bounds, and nothing that is no number', () => {
    for (const primitive of scene.primitives) {
      for (const point of pointsOf(primitive)) {
        expect(Number.isFinite(point.x) && Number.isFinite(point.z), primitive.id).to.equal(true);
        expect(point.x, primitive.id).to.be.within(scene.bounds.lowX - 60, scene.bounds.highX + 60);
        expect(point.z, primitive.id).to.be.within(-1, scene.bounds.highZ + 60);
      }
    }
  });

  it('leaves out what was not measured and says so', () => {
    const few = problemFor({ body: withoutMeasure('eyeHeightSitting', 'stature') });
    const partial = sideView(best(few));
    expect(partial.primitives.map((x) => x.id)).not.to.include.members(['head']);
    expect(partial.primitives.map((x) => x.id)).not.to.include.members(['foot']);
    expect(partial.primitives.map((x) => x.id)).to.include('trunk');
    expect(partial.alternative.map((m) => m.key)).to.include('alt.undrawn');
    expect(partial.isPartial).to.equal(true);
    expect(scene.isPartial).to.equal(false);
  });

  it('draws a seat with nobody measured on it', () => {
    const nobody = problemFor({ body: {}, place: placeWith(listed(720)) });
    const empty = sideView(best(nobody));
    expect(empty.primitives.filter((x) => x.role === 'sitter')).to.deep.equal([]);
    expect(empty.primitives.map((x) => x.id)).to.include.members(['pan', 'back', 'desk']);
    for (const primitive of empty.primitives)
      for (const point of pointsOf(primitive))
        expect(Number.isFinite(point.x + point.z), primitive.id).to.equal(true);
  });

  it('draws the remedies in use', () => {
    const used = assess(p, solve(p, { remedies: { footrestMm: 50, backCushionMm: 20 } }).settings);
    const ids = sideView(used)
      .primitives.filter((x) => x.role === 'remedy')
      .map((x) => x.id);
    expect(ids).to.have.members(['footrest', 'backCushion']);
  });

  it('says the angles in words', () => {
    const knee = scene.alternative.find(
      (m) => JSON.stringify(m.values.name) === JSON.stringify({ word: 'angle.knee' }),
    );
    const said = (knee!.values.angle as { deg: number }).deg;
    expect(said).to.equal(best(p).angles.find((a) => a.id === 'knee')!.deg);
  });
});

describe('the rule', () => {
  const p = problemFor({ place: placeWith(listed(720)), method: OPEN_HIP });
  const rule = ruleOf(best(p));
  const pair = (id: string) => rule.pairs.find((x) => x.id === id)!;

  it('joins body and equipment that belong together', () => {
    expect(rule.pairs.map((x) => x.id)).to.deep.equal([
      'feet',
      'legsUnderDesk',
      'desk',
      'arms',
      'lumbar',
      'head',
    ]);
    expect(pair('feet').sitter.heightMm).to.equal(440);
    expect(pair('feet').verdict).to.equal('fits');
  });

  it('has in the break the same number as the verdict', () => {
    const outcome = best(p).outcomes.find((o) => o.kind === 'deskHeight')!;
    const residual = outcome.conditions.find((c) => c.id === 'deskTop')!.residual;
    // The keyboard works from the elbow down to 30 mm below it, so the wanted height is the elbow itself.
    expect(pair('desk').apartMm).to.be.closeTo(residual, 1e-3);
    expect(pair('desk').verdict).to.equal(outcome.verdict);
    expect(Math.abs(pair('desk').apartMm)).to.be.greaterThan(15);
  });

  it('says every pair in words with the same numbers', () => {
    expect(rule.alternative).to.have.length(rule.pairs.length);
    const feet = rule.alternative[0]!;
    expect(feet.values.at).to.deep.equal({ mm: 440 });
    expect(feet.values.verdict).to.deep.equal({ word: 'verdict.fits' });
  });

  it('shows equipment alone where the body was not measured', () => {
    const nobody = problemFor({ body: {}, place: placeWith(listed(720)) });
    const alone = ruleOf(best(nobody));
    expect(alone.pairs).to.deep.equal([]);
    expect(alone.single.map((t) => t.id)).to.have.members([
      'frontEdge',
      'padTop',
      'deskTop',
      'lumbarApex',
      'headPad',
    ]);
  });

  it('stands level where the two are equal', () => {
    const level = problemFor({ seat: seatWith([adjustment('seatHeight', listed(440))]) });
    const [feet] = ruleOf(best(level)).pairs;
    expect(feet?.apartMm).to.equal(0);
    expect(feet?.equipment.heightMm).to.equal(feet?.sitter.heightMm);
  });
});

describe('a track', () => {
  const outcomeOf = (p: Problem, kind: string) => best(p).outcomes.find((o) => o.kind === kind)!;

  it('shows the whole range, and a band that lies beyond it', () => {
    const track = trackOf(
      outcomeOf(problemFor({ seat: seatWith([adjustment('seatHeight', slides(470, 520))]) }), 'seatHeight'),
    );
    expect(track.range).to.deep.equal({ lo: 470, hi: 520 });
    expect(track.shown.lo).to.be.lessThan(445);
    expect(track.band?.hi).to.equal(445);
    expect(track.at).to.equal(470);
  });

  it('never lets a far aim squeeze the range', () => {
    const track = trackOf(
      outcomeOf(problemFor({ seat: seatWith([adjustment('seatHeight', slides(900, 950))]) }), 'seatHeight'),
    );
    expect(track.shown.hi - track.shown.lo).to.be.lessThan(100);
    expect(track.aim).to.equal(null);
  });

  it('has notches for clicks and none for a free slide', () => {
    expect(trackOf(outcomeOf(problemFor(), 'seatHeight')).notches).to.deep.equal([]);
    expect(
      trackOf(
        outcomeOf(
          problemFor({ seat: seatWith([adjustment('seatHeight', listed(420, 440, 460))]) }),
          'seatHeight',
        ),
      ).notches,
    ).to.deep.equal([420, 440, 460]);
  });

  it('shows the band beside a position nobody can move', () => {
    const seat = seatWith([adjustment('seatHeight', listed(440)), adjustment('seatDepth', listed(360))]);
    const track = trackOf(outcomeOf(problemFor({ seat }), 'seatDepth'));
    expect(track.band).to.deep.equal({ lo: 384, hi: track.band!.hi });
    expect(track.band!.hi).to.be.greaterThan(384);
  });

  it('can show a position nobody can move', () => {
    const track = trackOf(
      outcomeOf(problemFor({ seat: seatWith([adjustment('seatHeight', listed(440))]) }), 'seatHeight'),
    );
    expect(track.shown.hi).to.be.greaterThan(track.shown.lo);
  });
});

describe('the settings card', () => {
  const p = problemFor({ seat: LEVEL_SEAT, place: placeWith(listed(740)) });
  const card = cardOf(best(p), HEADER, remediesFor(p));

  it('lists every adjustment in the method’s order of setting', () => {
    const order = card.rows.map((r) => r.kind);
    expect(order).to.deep.equal(p.inputs.method.order.filter((k) => order.includes(k)));
    // What is fixed nobody sets.
    const movable = Object.values(p.variables).filter((v) => v.values.length > 1);
    expect([...order].sort()).to.deep.equal(movable.map((v) => v.kind).sort());
  });

  it('names what is not reached with its remedy and what would close it', () => {
    expect(card.unreached.map((u) => u.kind)).to.deep.equal(['deskHeight']);
    expect(card.unreached[0]?.remedy).to.deep.equal({
      key: 'remedy.for.cures',
      values: {
        list: {
          words: ['footrestMm', 'seatPadMm', 'deskMm.less', 'keyboardTrayMm'].map(
            (id) => `remedy.hint.${id}`,
          ),
        },
      },
    });
    expect(card.offered.flatMap(({ parts }) => parts.map((m) => m.key))).to.include('remedy.footrestMm');
  });

  it('says a remedy in use as something to be added, not as an offer', () => {
    const remedies = remediesFor(p).offered;
    const footrest = remedies.find((r) => r.parts.some(({ id }) => id === 'footrestMm'))!;
    const used = cardOf(assess(p, footrest.settings), HEADER, remediesFor(p, [], footrest.settings.remedies));
    expect(used.remedies.map((m) => m.key)).to.deep.equal(['remedy.use.footrestMm']);
    expect(used.offered).to.deep.equal([]);
    expect(used.cautions.map((m) => m.key)).to.include('caution.remedies');
  });

  it('gives heights that a tape can check with the sitter seated', () => {
    expect(card.rows.find((r) => r.kind === 'seatHeight')?.setting).to.deep.equal({
      key: 'check.seatHeight',
      values: { value: { mm: frontEdgeMm(p, best(p).values) } },
    });
    const arm = card.rows.find((r) => r.kind === 'armHeight')!;
    expect(arm.setting.key).to.equal('check.armHeight');
    expect(arm.check).to.equal(null);
  });

  it('carries a refusal and the cautions that fit the seat', () => {
    const heavy = problemFor({
      body: bodyWith({ ...ROUND, bodyMass: 140 }),
      seat: { ...WIDE_SEAT, offers: ['harness', 'suspension', 'castorsHardFloor'] },
      ageYears: 9,
    });
    const refused = cardOf(best(heavy), HEADER, null);
    expect(refused.refusals.map((m) => m.key)).to.deep.equal(['check.ratedLoad.refused']);
    expect(refused.cautions.map((m) => m.key)).to.include.members([
      'caution.operator',
      'caution.children',
      'caution.scope',
      'caution.clinician',
    ]);
    expect(card.cautions.map((m) => m.key)).not.to.include('caution.operator');
    // Nobody described a lift on this seat, so nothing is said of one.
    expect(card.cautions.map((m) => m.key)).not.to.include('caution.height');
  });

  it('keeps unmeasured settings apart', () => {
    const few = problemFor({ body: withoutMeasure('napeHeight') });
    const partial = cardOf(best(few), HEADER, null);
    expect(partial.unmeasured.map((u) => u.kind)).to.deep.equal(['headHeight']);
    expect(partial.rows.find((r) => r.kind === 'headHeight')?.verdict).to.equal('notMeasured');
  });

  it('says when nobody knows what would help, and only where something does not fit', () => {
    const unsought = cardOf(best(p), HEADER, null);
    expect([card.isUnsought, unsought.isUnsought]).to.deep.equal([false, true]);
    expect(cardOf(best(problemFor()), HEADER, null).isUnsought).to.equal(false);
    const said = (c: typeof card) => JSON.stringify(sheetOf(c, false, DEFAULT_READING));
    expect(said(unsought)).to.contain('Remedies have not been calculated');
    expect(said(card)).not.to.contain('Remedies have not been calculated');
  });

  it('has no control words where nobody described the control', () => {
    const { seat } = problemFor().inputs;
    const [first] = seat.adjustments;
    expect(controlWords({ ...seat, controls: [] }, first!)).to.deep.equal({
      control: null,
      movement: [],
      shown: null,
    });
  });
});

describe('the front and the plan view', () => {
  const p = problemFor();
  const at = (values: Parameters<typeof settingsAt>[1]) => assess(p, settingsAt(p, values));
  const measured = (scene: Scene) => Object.fromEntries(scene.dimensions.map((d) => [d.id, d.mm]));
  const xsOf = (scene: Scene, id: string) => {
    const shape = scene.primitives.find((x) => x.id === id)?.shape;
    return shape?.type === 'polyline' ? shape.points.map((q) => q.x) : [];
  };

  it('write in the breadths they draw, those of the checks and tracks', () => {
    const a = at({ armWidth: 440 });
    expect(measured(frontView(a))).to.deep.equal({
      armWidth: 440,
      seatWidth: 480,
      hips: ROUND.hipBreadthSitting,
      elbows: ROUND.elbowToElbowBreadth,
    });
    expect(measured(planView(a))).to.deep.equal({ armWidth: 440, seatWidth: 480 });
    for (const view of [frontView(a), planView(a)])
      for (const d of view.dimensions) expect(d.to.x - d.from.x, d.id).to.be.closeTo(d.mm, 1e-9);
  });

  it('move the pads with the arm width, the same on both sides', () => {
    for (const armWidth of [400, 500]) {
      for (const view of [frontView, planView]) {
        const scene = view(at({ armWidth }));
        expect(Math.min(...xsOf(scene, 'pad1'))).to.be.closeTo(armWidth / 2, 1e-9);
        expect(Math.max(...xsOf(scene, 'pad-1'))).to.be.closeTo(-armWidth / 2, 1e-9);
      }
    }
  });

  it('turn the forearms in further the wider the pads stand', () => {
    const turn = (armWidth: number) => {
      const said = planView(at({ armWidth })).alternative.find((m) => m.key === 'alt.padTurn');
      return (said?.values.angle as { deg: number }).deg;
    };
    // Elbow over the pad’s middle: 440 / 2 + 90 / 2 = 265; (265 − 60) / (0.254 × 1700, to the fingertips) = sin 28.3°.
    expect(turn(440)).to.equal(28.5);
    expect(turn(380)).to.be.lessThan(turn(440));
  });

  it('leave out what was not measured and say so, and hold what they draw within their bounds', () => {
    const bare = problemFor({ body: {} });
    const settings = completeSettings(bare, null);
    for (const view of [frontView, planView]) {
      const scene = view(assess(bare, settings));
      expect(scene.isPartial).to.equal(true);
      expect(scene.alternative.map((m) => m.key)).to.include('alt.undrawn');
      expect(scene.primitives.some((x) => x.role === 'sitter')).to.equal(false);
      expect(Object.values(scene.bounds).every(Number.isFinite)).to.equal(true);
    }
    const whole = frontView(at({}));
    for (const { shape } of whole.primitives)
      if (shape.type === 'polyline')
        for (const q of shape.points) {
          expect(q.x).to.be.within(whole.bounds.lowX, whole.bounds.highX);
          expect(q.z).to.be.within(whole.bounds.lowZ, whole.bounds.highZ);
        }
  });
});
