/**
 * Where a measure is taken, drawn on a body of this sitter's own proportions: the two landmarks and the tape between
 * them. Side, front or standing view, the hand or the shoe, whichever shows it.
 */
import type { DimensionId } from '../body';
import { message } from '../message';
import type { Point } from '../posture';
import { Pen, at, shift } from './pen';
import type { Scene, Shape, Tape } from './primitives';
import {
  BENCH_MM,
  DRAWN_STATURE_MM,
  frontOf,
  handOf,
  shoeOf,
  sideOf,
  standingOf,
  type Seated,
  type SizeOf,
} from './measuring-body';

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

const scaledPoint = (p: Point, by: number): Point => at(p.x * by, p.z * by);

function scaledShape(shape: Shape, by: number): Shape {
  switch (shape.type) {
    case 'polyline':
      return { ...shape, points: shape.points.map((p) => scaledPoint(p, by)) };
    case 'circle':
      return { ...shape, at: scaledPoint(shape.at, by), radius: shape.radius * by };
    case 'limb':
      return {
        type: 'limb',
        from: scaledPoint(shape.from, by),
        to: scaledPoint(shape.to, by),
        fromRadius: shape.fromRadius * by,
        toRadius: shape.toRadius * by,
      };
  }
}

/**
 * The drawing of one dimension. Of the body mass: a person who stands on a scale.
 * @param size a length for every dimension
 * @returns primitives in mm. Definition.
 * @example
 * measuringView('stature', () => 1700).primitives.length > 0 // => true
 */
export function measuringView(dimension: DimensionId, size: SizeOf): Scene {
  // Drawn as large as an adult, for whom thicknesses are made up, and brought to the sitter's own size.
  const by = size('stature') / DRAWN_STATURE_MM;
  const large: SizeOf = (id) => size(id) / by;
  const isSmall = SMALL.includes(dimension);
  let pen: Pen;
  let tape: Tape | undefined;
  if (dimension === 'bodyMass') {
    pen = standingOf(large).pen;
    pen.area('scale', 'seat', at(-170, 0), at(210, 0), at(200, -44), at(-160, -44));
  } else {
    const taken = DRAWN[dimension](large);
    ({ pen, tape } = taken);
    mark(pen, taken, isSmall ? LANDMARK_MM / 4 : LANDMARK_MM);
  }
  const points = pointsOf(pen, tape);
  const [xs, zs] = [points.map((p) => p.x), points.map((p) => p.z)];
  const margin = isSmall ? MARGIN_MM / 4 : MARGIN_MM;
  return {
    bounds: {
      lowX: by * (Math.min(...xs) - margin),
      highX: by * (Math.max(...xs) + margin),
      lowZ: by * (Math.min(...zs) - margin),
      highZ: by * (Math.max(...zs) + margin),
    },
    primitives: pen.primitives.map((p) => ({ ...p, shape: scaledShape(p.shape, by) })),
    dimensions: [],
    tape: tape && { from: scaledPoint(tape.from, by), to: scaledPoint(tape.to, by) },
    isPartial: false,
    alternative: [
      message('alt.measuring', {
        name: { word: `dimension.${dimension}` },
        how: { word: `how.${dimension}` },
      }),
    ],
  };
}
