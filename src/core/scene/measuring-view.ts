/**
 * Where a measure is taken, drawn on a body of this sitter's own proportions: the two landmarks and the tape between
 * them. Side, front or standing view, the hand or the shoe, whichever shows it.
 */
import type { DimensionId } from '../body';
import { message } from '../message';
import type { Point } from '../posture';
import { Pen, at, shift } from './pen';
import type { Scene, Tape } from './primitives';

/** Every length of the body in mm, measured or estimated. */
export type SizeOf = (dimension: DimensionId) => number;

/** Only for drawing, mm. */
const HEAD_RADIUS_MM = 92;
const ANKLE_MM = 72;
const SOLE_MM = 26;
const BENCH_MM = 46;
const LANDMARK_MM = 11;
/** Between the body and the tape beside it. */
const BESIDE_MM = 95;
const MARGIN_MM = 40;

/** A view to draw on, and where the dimension runs in it. */
interface Taken {
  readonly pen: Pen;
  /** The two landmarks; one of them may be floor or seat. */
  readonly from: Point;
  readonly to: Point;
  readonly tape: Tape;
}

interface Seated {
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
function headFromSide(d: Pen, nape: Point, eye: Point, crown: number): void {
  const centre = at(eye.x - 82, crown - HEAD_RADIUS_MM);
  d.limb('neck', at(nape.x + 44, nape.z - 40), at(centre.x - 6, centre.z - 30), 52, 50);
  d.dot('head', 'sitter', centre, HEAD_RADIUS_MM);
  d.limb('face', at(centre.x + 12, centre.z - 20), at(centre.x + 18, centre.z - 62), 74, 56);
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

/** Seated upright on a hard, level bench, feet flat, the forearm level. */
function sideOf(size: SizeOf): { readonly pen: Pen; readonly body: Seated } {
  const d = new Pen();
  const b = seatedOf(size);
  const thick = Math.min(78, size('thighClearance') / 2);
  bench(d, -70, b.hollow.x - 25, b.seat);
  floor(d, -150, b.knee.x + 240);
  const ankle = at(b.hollow.x + 42, ANKLE_MM + 14);
  d.limb('shank', b.knee, ankle, 56, 36);
  footAt(d, 'foot', ankle, size('footLength'));
  const hip = at(Math.max(98, b.middle), b.seat + Math.min(105, thick + 26));
  const chest = at(b.middle, b.shoulder.z - 96);
  d.limb('thigh', at(hip.x + 20, b.seat + thick), b.knee, thick, 54);
  d.limb('trunk', hip, chest, 98, 96);
  d.limb(
    'belly',
    at(hip.x + 18, hip.z + 30),
    at(chest.x + 10, chest.z - 70),
    Math.max(86, size('abdominalDepth') / 2 - 8),
    84,
  );
  headFromSide(d, at(b.middle - 60, b.seat + size('napeHeight')), b.eye, b.crown);
  d.over();
  d.limb('upperArm', shift(b.shoulder, 0, -44), at(b.elbow.x, b.elbow.z + 40), 46, 38);
  d.limb('forearm', at(b.elbow.x, b.elbow.z + 38), at(b.fingertip.x - 170, b.fingertip.z), 38, 26);
  d.limb('hand', at(b.fingertip.x - 170, b.fingertip.z), at(b.fingertip.x - 14, b.fingertip.z), 26, 12);
  return { pen: d, body: b };
}

/** Standing tall, seen from the side. */
function standingOf(size: SizeOf): { readonly pen: Pen; readonly elbow: Point; readonly ankle: Point } {
  const d = new Pen();
  const up = size('stature') - size('sittingHeight');
  const foot = size('footLength');
  const ankle = at(0, ANKLE_MM + 14);
  const hip = at(8, up + 96);
  const shoulder = at(2, up + size('shoulderHeightSitting'));
  floor(d, -330, 330);
  d.limb('shank', ankle, at(4, size('kneeHeight') - 50), 38, 54);
  footAt(d, 'foot', ankle, foot);
  d.limb('thigh', at(4, size('kneeHeight') - 50), hip, 56, 84);
  d.limb('trunk', hip, at(0, shoulder.z - 96), 94, 94);
  const eye = at(98, up + size('eyeHeightSitting'));
  headFromSide(d, at(-62, up + size('napeHeight')), eye, size('stature'));
  d.over();
  const elbow = at(0, size('elbowHeightStanding'));
  const reach = size('forearmHandLength');
  d.limb('upperArm', shift(shoulder, 0, -44), at(-6, elbow.z + 30), 44, 36);
  d.limb('forearm', at(-6, elbow.z + 30), at(reach - 190, elbow.z + 34), 36, 26);
  d.limb('hand', at(reach - 190, elbow.z + 34), at(reach - 40, elbow.z + 34), 26, 12);
  return { pen: d, elbow, ankle };
}

/** Seated, seen from the front; breadths only. */
function frontOf(size: SizeOf): { readonly pen: Pen; readonly body: Seated } {
  const d = new Pen();
  const b = seatedOf(size);
  const hip = size('hipBreadthSitting') / 2;
  const elbows = size('elbowToElbowBreadth') / 2;
  const shoulders = size('shoulderBreadth') / 2;
  bench(d, -hip - 60, hip + 60, b.seat);
  floor(d, -hip - 220, hip + 220);
  for (const side of [-1, 1]) {
    d.limb(`shank${side}`, at(side * hip * 0.5, b.knee.z), at(side * hip * 0.5, ANKLE_MM), 58, 36);
    d.area(
      `foot${side}`,
      'sitter',
      at(side * hip * 0.5 - 48, 0),
      at(side * hip * 0.5 + 48, 0),
      at(side * hip * 0.5 + 38, ANKLE_MM),
      at(side * hip * 0.5 - 38, ANKLE_MM),
    );
    d.limb(`thigh${side}`, at(side * (hip - 76), b.seat + 76), at(side * hip * 0.5, b.knee.z), 76, 58);
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
  d.limb('neck', at(0, b.shoulder.z), at(0, b.crown - 170), 58, 54);
  d.limb('head', at(0, b.crown - 84), at(0, b.crown - 150), 84, 66);
  d.over();
  for (const side of [-1, 1]) {
    const elbow = at(side * (elbows - 40), b.elbow.z + 42);
    d.limb(`upperArm${side}`, at(side * (shoulders - 46), b.shoulder.z - 52), elbow, 46, 40);
    d.dot(`fist${side}`, 'sitter', at(side * (elbows - 52), b.elbow.z + 36), 40);
  }
  return { pen: d, body: b };
}

/** The back of a hand, fingers together and up; the middle joints of the four lie on one line. */
function handOf(size: SizeOf): { readonly pen: Pen; readonly joints: number; readonly left: number } {
  const d = new Pen();
  const four = size('fourFingerBreadth');
  const [left, one] = [-four / 2, four / 4];
  const joints = 132;
  d.limb('wrist', at(0, -60), at(0, 20), 27, 34);
  d.area('palm', 'sitter', at(left, 88), at(-left, 88), at(-left - 6, 6), at(left + 6, 6));
  d.limb('thumb', at(left + 10, 20), at(left - 34, 78), 15, 10);
  [170, 184, 178, 150].forEach((tip, i) => {
    const x = left + one * (i + 0.5);
    d.limb(`finger${i}`, at(x, 84), at(x, tip), one / 2, one / 2 - 1.5);
  });
  return { pen: d, joints, left };
}

/** A shoe from the side, cut open at the heel. */
function shoeOf(size: SizeOf): { readonly pen: Pen; readonly heel: number } {
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

/** A tape upright beside the body, with the landmark level with its upper end. */
const upright = (pen: Pen, x: number, from: Point, to: Point): Taken => ({
  pen,
  from,
  to,
  tape: { from: at(x, from.z), to: at(x, to.z) },
});

/** A tape level at a height, from one landmark to the other. */
const level = (pen: Pen, z: number, from: Point, to: Point): Taken => ({
  pen,
  from,
  to,
  tape: { from: at(from.x, z), to: at(to.x, z) },
});

type Drawn = (size: SizeOf) => Taken;

/** Heights above the seat, beside the back or before the body. */
const aboveSeat =
  (
    id: DimensionId,
    pointOf: (b: Seated, size: SizeOf) => Point,
    side: 'behind' | 'before' = 'behind',
  ): Drawn =>
  (size) => {
    const { pen, body } = sideOf(size);
    const to = pointOf(body, size);
    const x = side === 'behind' ? -BESIDE_MM : to.x + BESIDE_MM;
    return upright(pen, x, at(side === 'behind' ? -20 : to.x, body.seat), at(to.x, body.seat + size(id)));
  };

const aboveFloor =
  (id: DimensionId, xOf: (b: Seated) => number): Drawn =>
  (size) => {
    const { pen, body } = sideOf(size);
    const x = xOf(body);
    return upright(pen, body.knee.x + BESIDE_MM + 60, at(x, 0), at(x, size(id)));
  };

/** From the rearmost buttock forward, below the bench. */
const forward =
  (id: DimensionId, zOf: (b: Seated) => number): Drawn =>
  (size) => {
    const { pen, body } = sideOf(size);
    return level(pen, body.seat - BENCH_MM - 60, at(0, body.seat + 60), at(size(id), zOf(body)));
  };

const across =
  (id: DimensionId, zOf: (b: Seated) => number, tapeOf: (b: Seated) => number): Drawn =>
  (size) => {
    const { pen, body } = frontOf(size);
    const half = size(id) / 2;
    return level(pen, tapeOf(body), at(-half, zOf(body)), at(half, zOf(body)));
  };

const acrossFingers =
  (count: 3 | 4): Drawn =>
  (size) => {
    const { pen, joints, left } = handOf(size);
    const width = size(count === 4 ? 'fourFingerBreadth' : 'threeFingerBreadth');
    return level(pen, joints + 78, at(left, joints), at(left + width, joints));
  };

/** Along the forearm from the back of the elbow. */
const alongForearm =
  (id: DimensionId): Drawn =>
  (size) => {
    const { pen, body } = sideOf(size);
    const from = at(body.elbow.x - 34, body.elbow.z + 36);
    return level(pen, body.elbow.z - 70, from, at(from.x + size(id), body.fingertip.z));
  };

const DRAWN: Record<Exclude<DimensionId, 'bodyMass'>, Drawn> = {
  stature: (size) => {
    const { pen } = standingOf(size);
    return upright(pen, -BESIDE_MM - 130, at(-60, 0), at(20, size('stature')));
  },
  elbowHeightStanding: (size) => {
    const { pen, elbow } = standingOf(size);
    return upright(pen, -BESIDE_MM - 130, at(-60, 0), elbow);
  },
  footLength: (size) => {
    const { pen, ankle } = standingOf(size);
    const heel = ankle.x - size('footLength') * 0.25;
    return level(pen, 170, at(heel, 30), at(heel + size('footLength'), 20));
  },
  shoeHeel: (size) => {
    const { pen, heel } = shoeOf(size);
    return upright(pen, -60, at(20, 0), at(20, heel));
  },
  poplitealHeight: aboveFloor('poplitealHeight', (b) => b.hollow.x),
  kneeHeight: aboveFloor('kneeHeight', (b) => b.knee.x),
  buttockPoplitealLength: forward('buttockPoplitealLength', (b) => b.seat),
  buttockKneeLength: forward('buttockKneeLength', (b) => b.knee.z),
  thighClearance: aboveSeat('thighClearance', (b) => at((b.middle + b.knee.x) / 2, 0), 'before'),
  elbowHeightSitting: aboveSeat('elbowHeightSitting', (b) => b.elbow),
  shoulderHeightSitting: aboveSeat('shoulderHeightSitting', (b) => b.shoulder),
  cervicaleHeightSitting: aboveSeat('cervicaleHeightSitting', (b) => at(b.middle - 78, 0)),
  eyeHeightSitting: aboveSeat('eyeHeightSitting', (b) => b.eye, 'before'),
  sittingHeight: aboveSeat('sittingHeight', (b) => at(b.eye.x - 82, 0)),
  smallOfBackHeight: aboveSeat('smallOfBackHeight', (_, size) => at(size('smallOfBackDepth'), 0)),
  smallOfBackDepth: (size) => {
    const { pen, body } = sideOf(size);
    const z = body.seat + size('smallOfBackHeight');
    pen.line('edge', 'leader', at(0, body.seat + 40), at(0, body.shoulder.z - 40));
    return level(pen, z, at(0, z), at(Math.max(12, size('smallOfBackDepth')), z));
  },
  napeHeight: aboveSeat('napeHeight', (b) => at(b.middle - 52, 0)),
  hipBreadthSitting: across(
    'hipBreadthSitting',
    (b) => b.seat + 70,
    (b) => b.seat - BENCH_MM - 50,
  ),
  elbowToElbowBreadth: across(
    'elbowToElbowBreadth',
    (b) => b.elbow.z + 40,
    (b) => b.elbow.z - 60,
  ),
  shoulderBreadth: across(
    'shoulderBreadth',
    (b) => b.shoulder.z - 60,
    (b) => b.crown + 60,
  ),
  biacromialBreadth: across(
    'biacromialBreadth',
    (b) => b.shoulder.z - 6,
    (b) => b.crown + 60,
  ),
  shoulderElbowLength: (size) => {
    const { pen, body } = sideOf(size);
    return upright(
      pen,
      -BESIDE_MM,
      at(body.elbow.x, body.shoulder.z - size('shoulderElbowLength')),
      body.shoulder,
    );
  },
  forearmBreadth: (size) => {
    const { pen, body } = frontOf(size);
    const x = size('elbowToElbowBreadth') / 2;
    const z = body.elbow.z + 40;
    return level(pen, z - 90, at(x - size('forearmBreadth'), z), at(x, z));
  },
  elbowGripLength: alongForearm('elbowGripLength'),
  forearmHandLength: alongForearm('forearmHandLength'),
  abdominalDepth: (size) => {
    const { pen, body } = sideOf(size);
    const z = body.seat + size('elbowHeightSitting') * 0.75;
    return level(pen, body.crown + 50, at(0, z), at(size('abdominalDepth'), z));
  },
  threeFingerBreadth: acrossFingers(3),
  fourFingerBreadth: acrossFingers(4),
};

function pointsOf(pen: Pen, tape: Tape | undefined): Point[] {
  return [
    ...pen.primitives.flatMap(({ shape }): Point[] => {
      if (shape.type === 'polyline') return [...shape.points];
      const ends =
        shape.type === 'circle'
          ? [{ at: shape.at, by: shape.radius }]
          : [
              { at: shape.from, by: shape.fromRadius },
              { at: shape.to, by: shape.toRadius },
            ];
      return ends.flatMap(({ at: p, by }) => [shift(p, -by, -by), shift(p, by, by)]);
    }),
    ...(tape ? [tape.from, tape.to] : []),
  ];
}

/** Landmarks as dots, and a thread from each to its end of the tape. */
function mark(pen: Pen, { from, to, tape }: Taken, radius: number): void {
  pen.over();
  for (const [name, landmark, end] of [
    ['from', from, tape.from],
    ['to', to, tape.to],
  ] as const) {
    if (Math.hypot(end.x - landmark.x, end.z - landmark.z) > radius)
      pen.line(`thread-${name}`, 'leader', landmark, end);
    pen.dot(`landmark-${name}`, 'sitterLine', landmark, radius);
  }
}

/** Drawn larger than the whole body. */
const SMALL: readonly DimensionId[] = ['threeFingerBreadth', 'fourFingerBreadth', 'shoeHeel'];

/**
 * The drawing of one dimension. Of the body mass: a person who stands on a scale.
 * @param size a length for every dimension
 */
export function measuringView(dimension: DimensionId, size: SizeOf): Scene {
  const isSmall = SMALL.includes(dimension);
  let pen: Pen;
  let tape: Tape | undefined;
  if (dimension === 'bodyMass') {
    pen = standingOf(size).pen;
    pen.area('scale', 'seat', at(-170, 0), at(210, 0), at(200, -44), at(-160, -44));
  } else {
    const taken = DRAWN[dimension](size);
    ({ pen, tape } = taken);
    mark(pen, taken, isSmall ? LANDMARK_MM / 4 : LANDMARK_MM);
  }
  const points = pointsOf(pen, tape);
  const [xs, zs] = [points.map((p) => p.x), points.map((p) => p.z)];
  const margin = isSmall ? MARGIN_MM / 4 : MARGIN_MM;
  return {
    bounds: {
      lowX: Math.min(...xs) - margin,
      highX: Math.max(...xs) + margin,
      lowZ: Math.min(...zs) - margin,
      highZ: Math.max(...zs) + margin,
    },
    primitives: pen.primitives,
    dimensions: [],
    tape,
    isPartial: false,
    alternative: [
      message('alt.measuring', {
        name: { word: `dimension.${dimension}` },
        how: { word: `how.${dimension}` },
      }),
    ],
  };
}
