/** The front and the plan view: breadths, the spacing of the arms and the turn of the forearms. */
import { message, type Message } from '../message';
import type { Assessment, Problem, SetValues } from '../fit';
import { figureOf, seatFigureOf } from '../fit/geometry/figure';
import { clearMm, elbowHalfMm, elbowOnPadMm, padFrontMm } from '../fit/geometry/arms';
import { datumFromRearMm, hollowFromRearMm, panPointMm, trunkDegOf } from '../fit/geometry/on-seat';
import { padTurnDeg, type Point } from '../posture';
import { cosDeg, sinDeg } from '../units';
import { Pen, at } from './pen';
import type { Dimension, Scene } from './primitives';

/** Thicknesses that nobody measures; for drawing only, mm. */
const CUSHION_MM = 55;
const PAD_MM = 26;
const BACK_MM = 30;
const UPPER_ARM_RADIUS_MM = 40;
const FOREARM_RADIUS_MM = 34;
const HEAD_RADIUS_MM = 80;
const KNEE_RADIUS_MM = 56;
const ANKLE_RADIUS_MM = 34;
/** Between a dimension line and what it measures. */
const LINE_GAP_MM = 46;
const MARGIN_MM = 50;
/** Below the lowest line, so that its thickness is seen whole. */
const EDGE_MM = 14;
const SIDES = [-1, 1] as const;

const isKnown = (...values: number[]): boolean => values.every((v) => Number.isFinite(v));

/** Where elbow and hand of one side stand across, mm from the middle. */
interface Arms {
  readonly elbow: number;
  readonly hand: number;
  readonly turnDeg: number;
}

/**
 * Elbows over the middle of the pads, or as broad as they are where there are none; hands before the middle as for a
 * keyboard. null where a measure is missing.
 */
function armsOf(p: Problem, v: SetValues): Arms | null {
  const overPads = elbowHalfMm(p, v);
  const hanging = p.body.elbowToElbowBreadth / 2 - UPPER_ARM_RADIUS_MM;
  const elbow = isKnown(overPads) ? overPads : hanging;
  if (!isKnown(elbow, p.fingertipMm, p.gripMm)) return null;
  const turn = padTurnDeg(elbow, p.fingertipMm);
  return { elbow, hand: elbow - p.gripMm * sinDeg(turn), turnDeg: turn };
}

class Dimensions {
  readonly all: Dimension[] = [];

  /** A breadth about the middle, at a height (or distance forward) of the drawing. */
  across(id: string, of: Dimension['of'], mm: number, height: number): void {
    if (isKnown(mm, height)) this.all.push({ id, of, mm, from: at(-mm / 2, height), to: at(mm / 2, height) });
  }
}

function spoken(dimensions: readonly Dimension[], arms: Arms | null, isPartial: boolean): Message[] {
  return [
    ...dimensions.map(({ id, mm }) =>
      message('alt.breadth', { name: { word: `breadth.${id}` }, size: { mm } }),
    ),
    ...(arms ? [message('alt.padTurn', { angle: { deg: Math.round(arms.turnDeg * 2) / 2 } })] : []),
    ...(isPartial ? [message('alt.undrawn')] : []),
  ];
}

function sceneOf(d: Pen, dimensions: readonly Dimension[], arms: Arms | null, isPartial: boolean): Scene {
  const points = [
    ...d.primitives.flatMap(({ shape }) =>
      shape.type === 'polyline'
        ? shape.points
        : shape.type === 'circle'
          ? [-1, 1].map((s) => at(shape.at.x + s * shape.radius, shape.at.z + s * shape.radius))
          : [shape.from, shape.to],
    ),
    ...dimensions.flatMap((m) => [m.from, m.to]),
  ];
  const xs = points.map((q) => q.x);
  const zs = points.map((q) => q.z);
  return {
    bounds: {
      lowX: Math.min(...xs) - MARGIN_MM,
      highX: Math.max(...xs) + MARGIN_MM,
      lowZ: Math.min(...zs) - EDGE_MM,
      highZ: Math.max(...zs) + MARGIN_MM,
    },
    primitives: d.primitives,
    dimensions,
    isPartial,
    alternative: spoken(dimensions, arms, isPartial),
  };
}

function frontBody(d: Pen, p: Problem, v: SetValues, datum: number): void {
  const { body } = p;
  const figure = figureOf(p, v);
  const half = body.hipBreadthSitting / 4;
  if (figure.knee && figure.ankle && isKnown(half))
    for (const side of SIDES)
      d.limb(`shank${side}`, {
        from: at(side * half, figure.knee.z),
        to: at(side * half, figure.ankle.z - ANKLE_RADIUS_MM),
        fromRadius: KNEE_RADIUS_MM,
        toRadius: ANKLE_RADIUS_MM,
      });
  const arms = armsOf(p, v);
  const shoulder = datum + body.shoulderHeightSitting;
  const trunkHalf = body.elbowToElbowBreadth / 2 - 2 * UPPER_ARM_RADIUS_MM;
  if (isKnown(half, shoulder, trunkHalf)) {
    const hip = body.hipBreadthSitting / 2;
    d.area(
      'trunk',
      'sitter',
      at(-hip, datum),
      at(hip, datum),
      at(hip * 0.92, datum + (shoulder - datum) * 0.35),
      at(trunkHalf + 20, shoulder - 40),
      at(trunkHalf - 30, shoulder),
      at(-trunkHalf + 30, shoulder),
      at(-trunkHalf - 20, shoulder - 40),
      at(-hip * 0.92, datum + (shoulder - datum) * 0.35),
    );
  }
  const elbow = datum + elbowOnPadMm(p, v) + FOREARM_RADIUS_MM;
  if (arms && isKnown(shoulder, elbow, trunkHalf))
    for (const side of SIDES)
      d.limb(`upperArm${side}`, {
        from: at(side * trunkHalf, shoulder - UPPER_ARM_RADIUS_MM),
        to: at(side * arms.elbow, elbow),
        fromRadius: UPPER_ARM_RADIUS_MM,
        toRadius: FOREARM_RADIUS_MM,
      });
  if (!figure.eye) return;
  if (isKnown(shoulder))
    d.limb('neck', {
      from: at(0, shoulder - 20),
      to: at(0, figure.eye.z - 40),
      fromRadius: 52,
      toRadius: 48,
    });
  d.dot('head', 'sitter', at(0, figure.eye.z + 8), HEAD_RADIUS_MM);
}

/** How wide a pan is drawn that nobody measured, mm; no figure stands beside it. */
const USUAL_WIDTH_MM = 460;
const drawnWidthMm = (p: Problem): number =>
  isKnown(p.seat.seatWidthMm) ? p.seat.seatWidthMm : USUAL_WIDTH_MM;

/**
 * Seen from the front: whether hips and elbows have room, and how far the arms are held out.
 * @returns primitives in mm. Definition.
 * @example
 * frontView(assessed).primitives.some((drawn) => drawn.id === 'trunk') // => true
 */
export function frontView(a: Assessment): Scene {
  const p = a.problem;
  const v = a.values;
  const d = new Pen();
  const m = new Dimensions();
  const width = drawnWidthMm(p);
  const front = panPointMm(p, v, Number.isNaN(v.seatDepth) ? 0 : v.seatDepth);
  const datum = panPointMm(p, v, datumFromRearMm(p, v));
  const figure = seatFigureOf(p, v);
  d.box('back', 'seat', {
    x: -width * 0.42,
    z: figure.backFoot.z,
    width: width * 0.84,
    height: figure.backTop.z - figure.backFoot.z,
  });
  d.line('column', 'seatLine', at(0, front - CUSHION_MM), at(0, 70));
  d.line('base', 'seatLine', at(-270, 40), at(0, 74), at(270, 40));
  frontBody(d, p, v, datum);
  d.box('pan', 'seat', { x: -width / 2, z: front - CUSHION_MM, width, height: CUSHION_MM });
  const padTop = datum + v.armHeight;
  const padWidth = p.seat.padWidthMm;
  if (isKnown(padTop, clearMm(v), padWidth)) {
    for (const side of SIDES) {
      const inner = (side * clearMm(v)) / 2;
      d.box(`pad${side}`, 'seat', {
        x: Math.min(inner, inner + side * padWidth),
        z: padTop - PAD_MM,
        width: padWidth,
        height: PAD_MM,
      });
      d.line(
        `padStem${side}`,
        'seatLine',
        at(inner + (side * padWidth) / 2, padTop - PAD_MM),
        at((side * width) / 2, front - CUSHION_MM),
      );
    }
    m.across('armWidth', 'seat', clearMm(v), padTop - PAD_MM - LINE_GAP_MM);
  }
  if (isKnown(p.seat.seatWidthMm)) m.across('seatWidth', 'seat', width, front - CUSHION_MM - LINE_GAP_MM);
  m.across('hips', 'sitter', p.body.hipBreadthSitting, datum + LINE_GAP_MM);
  const head = figureOf(p, v).eye?.z ?? datum + p.body.shoulderHeightSitting;
  m.across('elbows', 'sitter', p.body.elbowToElbowBreadth, head + HEAD_RADIUS_MM + LINE_GAP_MM);
  const isPartial = !isKnown(
    p.body.hipBreadthSitting,
    p.body.elbowToElbowBreadth,
    p.body.shoulderHeightSitting,
  );
  return sceneOf(d, m.all, null, isPartial);
}

function planThighs(d: Pen, p: Problem, v: SetValues): void {
  const { body } = p;
  const datum = datumFromRearMm(p, v);
  const half = body.hipBreadthSitting / 4;
  const knee = hollowFromRearMm(p, v);
  if (isKnown(half, knee))
    for (const side of SIDES)
      d.limb(`thigh${side}`, {
        from: at(side * half, datum),
        to: at(side * half, knee),
        fromRadius: Math.min(half, 95),
        toRadius: KNEE_RADIUS_MM,
      });
}

/** Arms, shoulders and head, which hide each other in this order. */
function planTrunk(d: Pen, p: Problem, v: SetValues, arms: Arms | null): void {
  const { body } = p;
  const trunkHalf = body.elbowToElbowBreadth / 2 - 2 * UPPER_ARM_RADIUS_MM;
  const lean = trunkDegOf(v);
  const shoulder = datumFromRearMm(p, v) - body.shoulderHeightSitting * sinDeg(lean);
  if (arms && isKnown(shoulder)) planArms(d, p, arms, shoulder);
  if (!isKnown(trunkHalf, shoulder)) return;
  d.over();
  d.limb('shoulders', {
    from: at(-trunkHalf + 30, shoulder),
    to: at(trunkHalf - 30, shoulder),
    fromRadius: 100,
    toRadius: 100,
  });
  d.over();
  d.dot('head', 'sitter', at(0, shoulder + 40), HEAD_RADIUS_MM);
}

function planArms(d: Pen, p: Problem, arms: Arms, shoulder: number): void {
  d.over();
  const forearm = (arms.elbow - arms.hand) / (sinDeg(arms.turnDeg) || 1);
  for (const side of SIDES) {
    const elbow = at(side * arms.elbow, shoulder);
    const length = arms.turnDeg === 0 ? p.gripMm : forearm;
    d.limb(`forearm${side}`, {
      from: elbow,
      to: at(side * arms.hand, shoulder + length * cosDeg(arms.turnDeg)),
      fromRadius: FOREARM_RADIUS_MM,
      toRadius: 24,
    });
  }
}

/** A pad from above, turned about its middle: toes in. */
function planPad(
  d: Pen,
  side: -1 | 1,
  middle: Point,
  {
    pad,
    pivotDeg,
  }: { readonly pad: { readonly lengthMm: number; readonly widthMm: number }; readonly pivotDeg: number },
): void {
  const turn = Number.isNaN(pivotDeg) ? 0 : -side * pivotDeg;
  const corner = (across: number, along: number): Point =>
    at(
      middle.x + across * cosDeg(turn) + along * sinDeg(turn),
      middle.z - across * sinDeg(turn) + along * cosDeg(turn),
    );
  const [w, l] = [pad.widthMm / 2, pad.lengthMm / 2];
  d.area(`pad${side}`, 'seat', corner(-w, -l), corner(w, -l), corner(w, l), corner(-w, l));
}

/**
 * Seen from above: the seat's breadth and depth, and which way the forearms, and so the pads, have to turn.
 * @returns primitives in mm. Definition.
 * @example
 * planView(assessed).primitives.some((drawn) => drawn.id === 'pan') // => true
 */
export function planView(a: Assessment): Scene {
  const p = a.problem;
  const v = a.values;
  const d = new Pen();
  const m = new Dimensions();
  const width = drawnWidthMm(p);
  const depth = Number.isNaN(v.seatDepth) ? 0 : v.seatDepth;
  const arms = armsOf(p, v);
  if (depth > 0) d.box('pan', 'seat', { x: -width / 2, z: 0, width, height: depth });
  const back = Number.isNaN(v.backReach) ? 0 : v.backReach;
  d.box('back', 'seat', { x: -width * 0.42, z: back - BACK_MM, width: width * 0.84, height: BACK_MM });
  planThighs(d, p, v);
  const pad = { lengthMm: p.seat.padLengthMm, widthMm: p.seat.padWidthMm };
  if (isKnown(clearMm(v), pad.lengthMm, pad.widthMm)) {
    const middle = padFrontMm(p, v) - pad.lengthMm / 2;
    for (const side of SIDES)
      planPad(d, side, at((side * (clearMm(v) + pad.widthMm)) / 2, middle), { pad, pivotDeg: v.armPivot });
    m.across('armWidth', 'seat', clearMm(v), depth + LINE_GAP_MM);
  }
  planTrunk(d, p, v, arms);
  if (isKnown(p.seat.seatWidthMm)) m.across('seatWidth', 'seat', width, -BACK_MM - LINE_GAP_MM);
  const isPartial = arms === null || !isKnown(p.body.hipBreadthSitting, p.body.buttockPoplitealLength);
  return sceneOf(d, m.all, arms, isPartial);
}
