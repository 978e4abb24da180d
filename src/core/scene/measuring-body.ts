/** Bodies to measure on, drawn in a sitter's own proportions: seated and standing, from the side and the front; hand and shoe. */
import type { DimensionId } from '../body';
import type { Point } from '../posture';
import { Pen, at, shift } from './pen';

/** Every length of the body in mm, measured or estimated. */
export type SizeOf = (dimension: DimensionId) => number;

/** What is drawn of somebody of whom nothing is known yet, mm; and shares of stature of what nobody can tell (assumed). */
export const DRAWN_STATURE_MM = 1700;
const DRAWN_SHARES: Record<Exclude<DimensionId, 'stature' | 'bodyMass'>, number> = {
  elbowHeightStanding: 0.635,
  footLength: 0.15,
  shoeHeel: 0.015,
  poplitealHeight: 0.247,
  kneeHeight: 0.306,
  buttockPoplitealLength: 0.282,
  thighClearance: 0.082,
  elbowHeightSitting: 0.141,
  shoulderHeightSitting: 0.347,
  cervicaleHeightSitting: 0.365,
  eyeHeightSitting: 0.453,
  sittingHeight: 0.524,
  smallOfBackHeight: 0.106,
  smallOfBackDepth: 0.018,
  napeHeight: 0.382,
  hipBreadthSitting: 0.218,
  elbowToElbowBreadth: 0.253,
  forearmBreadth: 0.053,
  elbowGripLength: 0.2,
  forearmHandLength: 0.253,
  buttockKneeLength: 0.347,
  shoulderElbowLength: 0.206,
  shoulderBreadth: 0.265,
  biacromialBreadth: 0.226,
  abdominalDepth: 0.15,
  threeFingerBreadth: 0.031,
  fourFingerBreadth: 0.042,
};

/**
 * Lengths to draw with: what is known, the rest in the usual share of stature.
 * @returns mm for every dimension. Assumed shares.
 * @example
 * drawnSizes(() => undefined)('stature') // => 1700
 */
export function drawnSizes(known: (dimension: DimensionId) => number | undefined): SizeOf {
  const stature = known('stature') ?? DRAWN_STATURE_MM;
  return (id) => known(id) ?? (id === 'stature' || id === 'bodyMass' ? stature : DRAWN_SHARES[id] * stature);
}

/** Only for drawing, mm. */
const HEAD_RADIUS_MM = 92;
const ANKLE_MM = 72;
const SOLE_MM = 26;
export const BENCH_MM = 46;

export interface Seated {
  readonly seat: number;
  /** The trunk's middle line, before the rearmost buttock. */
  readonly middle: number;
  readonly knee: Point;
  readonly hollow: Point;
  readonly shoulder: Point;
  readonly elbow: Point;
  readonly fingertip: Point;
  readonly eye: Point;
  readonly crown: number;
}

function seatedOf(size: SizeOf): Seated {
  const seat = size('poplitealHeight');
  const middle = Math.max(95, size('abdominalDepth') * 0.45);
  const elbow = at(middle + 8, seat + size('elbowHeightSitting'));
  return {
    seat,
    middle,
    knee: at(size('buttockKneeLength') - 52, size('kneeHeight') - 56),
    hollow: at(size('buttockPoplitealLength'), seat),
    shoulder: at(middle, seat + size('shoulderHeightSitting')),
    elbow,
    fingertip: at(elbow.x - 20 + size('forearmHandLength'), elbow.z + 34),
    eye: at(middle + 105, seat + size('eyeHeightSitting')),
    crown: seat + size('sittingHeight'),
  };
}

function footAt(d: Pen, id: string, ankle: Point, length: number): void {
  const heel = ankle.x - length * 0.25;
  d.area(
    id,
    'sitter',
    at(heel, 0),
    at(heel + length, 0),
    at(heel + length - 8, SOLE_MM),
    at(ankle.x + 46, ANKLE_MM + 18),
    at(ankle.x - 34, ANKLE_MM + 18),
    at(heel, 40),
  );
}

/** The head from the side, with a nose to tell which way it looks. */
function headFromSide(d: Pen, shoulder: Point, eye: Point, crown: number): void {
  const centre = at(eye.x - 82, crown - HEAD_RADIUS_MM);
  d.limb('neck', {
    from: at(shoulder.x - 6, shoulder.z - 30),
    to: at(centre.x - 16, centre.z - 40),
    fromRadius: 62,
    toRadius: 46,
  });
  d.dot('head', 'sitter', centre, HEAD_RADIUS_MM);
  d.limb('face', {
    from: at(centre.x + 12, centre.z - 20),
    to: at(centre.x + 18, centre.z - 62),
    fromRadius: 74,
    toRadius: 56,
  });
  d.area('nose', 'sitter', at(eye.x + 2, eye.z - 4), at(eye.x + 24, eye.z - 46), at(eye.x + 2, eye.z - 56));
}

function bench(d: Pen, from: number, to: number, height: number): void {
  d.area(
    'bench',
    'place',
    at(from, height),
    at(to, height),
    at(to, height - BENCH_MM),
    at(from, height - BENCH_MM),
  );
  for (const x of [from + 40, to - 40]) d.line(`leg${x}`, 'place', at(x, height - BENCH_MM), at(x, 0));
}

const floor = (d: Pen, from: number, to: number): void => d.line('floor', 'floor', at(from, 0), at(to, 0));

/**
 * Seated upright on a hard, level bench, feet flat, the forearm level.
 * @returns a pen with the body drawn, mm. Definition.
 */
export function sideOf(size: SizeOf): { readonly pen: Pen; readonly body: Seated } {
  const d = new Pen();
  const b = seatedOf(size);
  const thick = Math.min(78, size('thighClearance') / 2);
  bench(d, -70, b.hollow.x - 25, b.seat);
  floor(d, -150, b.knee.x + 240);
  const ankle = at(b.hollow.x + 42, ANKLE_MM + 14);
  d.limb('shank', { from: b.knee, to: ankle, fromRadius: 56, toRadius: 36 });
  footAt(d, 'foot', ankle, size('footLength'));
  const hip = at(Math.max(98, b.middle), b.seat + Math.min(105, thick + 26));
  const chest = at(b.middle, b.shoulder.z - 96);
  d.limb('thigh', { from: at(hip.x + 20, b.seat + thick), to: b.knee, fromRadius: thick, toRadius: 54 });
  d.limb('trunk', { from: hip, to: chest, fromRadius: 98, toRadius: 96 });
  d.limb('belly', {
    from: at(hip.x + 18, hip.z + 30),
    to: at(chest.x + 10, chest.z - 70),
    fromRadius: Math.max(86, size('abdominalDepth') / 2 - 8),
    toRadius: 84,
  });
  headFromSide(d, b.shoulder, b.eye, b.crown);
  d.over();
  d.limb('upperArm', {
    from: shift(b.shoulder, 0, -44),
    to: at(b.elbow.x, b.elbow.z + 40),
    fromRadius: 46,
    toRadius: 38,
  });
  d.limb('forearm', {
    from: at(b.elbow.x, b.elbow.z + 38),
    to: at(b.fingertip.x - 170, b.fingertip.z),
    fromRadius: 38,
    toRadius: 26,
  });
  d.limb('hand', {
    from: at(b.fingertip.x - 170, b.fingertip.z),
    to: at(b.fingertip.x - 14, b.fingertip.z),
    fromRadius: 26,
    toRadius: 12,
  });
  return { pen: d, body: b };
}

/**
 * Standing tall, seen from the side.
 * @returns a pen with the body drawn, mm. Definition.
 */
export function standingOf(size: SizeOf): {
  readonly pen: Pen;
  readonly elbow: Point;
  readonly ankle: Point;
} {
  const d = new Pen();
  const up = size('stature') - size('sittingHeight');
  const foot = size('footLength');
  const ankle = at(0, ANKLE_MM + 14);
  const hip = at(8, up + 96);
  const shoulder = at(2, up + size('shoulderHeightSitting'));
  floor(d, -330, 330);
  d.limb('shank', { from: ankle, to: at(4, size('kneeHeight') - 50), fromRadius: 38, toRadius: 54 });
  footAt(d, 'foot', ankle, foot);
  d.limb('thigh', { from: at(4, size('kneeHeight') - 50), to: hip, fromRadius: 56, toRadius: 84 });
  d.limb('trunk', { from: hip, to: at(0, shoulder.z - 96), fromRadius: 94, toRadius: 94 });
  const eye = at(98, up + size('eyeHeightSitting'));
  headFromSide(d, shoulder, eye, size('stature'));
  d.over();
  const elbow = at(0, size('elbowHeightStanding'));
  const reach = size('forearmHandLength');
  d.limb('upperArm', {
    from: shift(shoulder, 0, -44),
    to: at(-6, elbow.z + 30),
    fromRadius: 44,
    toRadius: 36,
  });
  d.limb('forearm', {
    from: at(-6, elbow.z + 30),
    to: at(reach - 190, elbow.z + 34),
    fromRadius: 36,
    toRadius: 26,
  });
  d.limb('hand', {
    from: at(reach - 190, elbow.z + 34),
    to: at(reach - 40, elbow.z + 34),
    fromRadius: 26,
    toRadius: 12,
  });
  return { pen: d, elbow, ankle };
}

/**
 * Seated, seen from the front; breadths only.
 * @returns a pen with the body drawn, mm. Definition.
 */
export function frontOf(size: SizeOf): { readonly pen: Pen; readonly body: Seated } {
  const d = new Pen();
  const b = seatedOf(size);
  const hip = size('hipBreadthSitting') / 2;
  const elbows = size('elbowToElbowBreadth') / 2;
  const shoulders = size('shoulderBreadth') / 2;
  bench(d, -hip - 60, hip + 60, b.seat);
  floor(d, -hip - 220, hip + 220);
  for (const side of [-1, 1]) {
    d.limb(`shank${side}`, {
      from: at(side * hip * 0.5, b.knee.z),
      to: at(side * hip * 0.5, ANKLE_MM),
      fromRadius: 58,
      toRadius: 36,
    });
    d.area(
      `foot${side}`,
      'sitter',
      at(side * hip * 0.5 - 48, 0),
      at(side * hip * 0.5 + 48, 0),
      at(side * hip * 0.5 + 38, ANKLE_MM),
      at(side * hip * 0.5 - 38, ANKLE_MM),
    );
    d.limb(`thigh${side}`, {
      from: at(side * (hip - 76), b.seat + 76),
      to: at(side * hip * 0.5, b.knee.z),
      fromRadius: 76,
      toRadius: 58,
    });
  }
  const acromion = size('biacromialBreadth') / 2;
  d.area(
    'trunk',
    'sitter',
    at(-hip + 14, b.seat + 60),
    at(hip - 14, b.seat + 60),
    at(hip * 0.82, b.seat + 190),
    at(acromion - 12, b.shoulder.z - 90),
    at(acromion, b.shoulder.z - 14),
    at(acromion * 0.45, b.shoulder.z + 26),
    at(-acromion * 0.45, b.shoulder.z + 26),
    at(-acromion, b.shoulder.z - 14),
    at(-acromion + 12, b.shoulder.z - 90),
    at(-hip * 0.82, b.seat + 190),
  );
  d.limb('neck', { from: at(0, b.shoulder.z), to: at(0, b.crown - 170), fromRadius: 58, toRadius: 54 });
  d.limb('head', { from: at(0, b.crown - 84), to: at(0, b.crown - 150), fromRadius: 84, toRadius: 66 });
  d.over();
  for (const side of [-1, 1]) {
    const elbow = at(side * (elbows - 40), b.elbow.z + 42);
    d.limb(`upperArm${side}`, {
      from: at(side * (shoulders - 46), b.shoulder.z - 52),
      to: elbow,
      fromRadius: 46,
      toRadius: 40,
    });
    d.dot(`fist${side}`, 'sitter', at(side * (elbows - 52), b.elbow.z + 36), 40);
  }
  return { pen: d, body: b };
}

/**
 * The back of a hand, fingers together and up; the middle joints of the four lie on one line.
 * @returns a pen with the hand drawn, mm. Definition.
 */
export function handOf(size: SizeOf): { readonly pen: Pen; readonly joints: number; readonly left: number } {
  const d = new Pen();
  const four = size('fourFingerBreadth');
  const [left, one] = [-four / 2, four / 4];
  const joints = 132;
  d.limb('wrist', { from: at(0, -60), to: at(0, 20), fromRadius: 27, toRadius: 34 });
  d.area('palm', 'sitter', at(left, 88), at(-left, 88), at(-left - 6, 6), at(left + 6, 6));
  d.limb('thumb', { from: at(left + 10, 20), to: at(left - 34, 78), fromRadius: 15, toRadius: 10 });
  [170, 184, 178, 150].forEach((tip, i) => {
    const x = left + one * (i + 0.5);
    d.limb(`finger${i}`, { from: at(x, 84), to: at(x, tip), fromRadius: one / 2, toRadius: one / 2 - 1.5 });
  });
  return { pen: d, joints, left };
}

/**
 * A shoe from the side, cut open at the heel.
 * @returns a pen with the shoe drawn, mm. Definition.
 */
export function shoeOf(size: SizeOf): { readonly pen: Pen; readonly heel: number } {
  const d = new Pen();
  const heel = Math.max(4, size('shoeHeel'));
  const length = size('footLength') + 24;
  floor(d, -110, length + 60);
  d.area(
    'upper',
    'place',
    at(-6, heel),
    at(0, heel + 108),
    at(74, heel + 104),
    at(length * 0.55, heel + 70),
    at(length - 14, 56),
    at(length, 16),
    at(length - 60, 12),
    at(90, heel),
  );
  d.area(
    'sole',
    'seat',
    at(-6, 0),
    at(78, 0),
    at(96, 4),
    at(length - 4, 4),
    at(length, 16),
    at(96, Math.max(16, heel - 2)),
    at(-6, heel),
  );
  return { pen: d, heel };
}
