/**
 * A seat by itself, to scale: as it stands, and thin lines where it is at its lowest and its highest. What nobody
 * described is drawn where such seats commonly have it, in thin lines as well, and the scene says that it is partial.
 */
import { message, type Message } from '../message';
import type { Point } from '../posture';
import {
  adjustmentOf,
  endsOf,
  meaningLine,
  offersOf,
  positionCount,
  valueAt,
  type Adjustment,
  type AdjustmentKind,
  type SeatModel,
  SEAT_PARTS,
  type SeatPart,
} from '../seat';
import { cosDeg, sinDeg } from '../units';
import { Pen, at, shift } from './pen';
import type { Bounds, Dimension, Role, Scene } from './primitives';

/** Thicknesses that nobody measures; for drawing only, mm. */
const CUSHION_MM = 55;
const BACK_MM = 30;
const PAD_MM = 26;
const MARGIN_MM = 60;
/** Where what nobody described is commonly found; for drawing only, mm and degrees. */
const USUAL = {
  height: 450,
  depth: 420,
  backTop: 450,
  width: 470,
  backAngle: 8,
  lumbarUp: 190,
  arm: 220,
  clear: 470,
  head: 650,
  padLength: 250,
  padWidth: 90,
  padFront: 250,
} as const;
/** How far the head pad goes up and down from its middle. */
const HEAD_HALF_MM = 62;
const BASE_HALF_MM = 270;
const STEM_X_MM = 210;

/** Which position of every adjustment is drawn. */
export const STANCES_DRAWN = ['lowest', 'highest', 'standing'] as const;
export type StanceDrawn = (typeof STANCES_DRAWN)[number];

function positionAt(adjustment: Adjustment, stance: StanceDrawn): number {
  const last = positionCount(adjustment) - 1;
  if (stance === 'lowest') return 0;
  if (stance === 'highest') return last;
  const { neutral } = adjustment;
  if (typeof neutral === 'number') return Math.min(last, neutral);
  if (neutral === 'lowest') return 0;
  return neutral === 'highest' ? last : Math.floor(last / 2);
}

/** Kinds whose whole range is drawn; the others stand as they stand. */
const RANGED: readonly AdjustmentKind[] = [
  'seatHeight',
  'seatDepth',
  'backHeight',
  'lumbarApex',
  'armHeight',
  'armWidth',
  'armDepth',
  'padSlide',
  'headHeight',
  'footRing',
];

interface Shape {
  readonly height: number;
  readonly depth: number;
  readonly alphaDeg: number;
  readonly betaDeg: number;
  readonly lumbarUp: number;
  readonly lumbarOut: number;
  readonly backTop: number;
  readonly reach: number;
  readonly arm: number;
  readonly clear: number;
  readonly padForward: number;
  readonly head: number;
  readonly headOut: number;
  readonly ring: number;
}

/** What an adjustment comes to, mm or degrees; NaN where it is not there or nobody knows. */
function valueOf(seat: SeatModel, kind: AdjustmentKind, stance: StanceDrawn): number {
  const adjustment = adjustmentOf(seat.adjustments, kind);
  if (!adjustment) return NaN;
  const { zero, perUnit } = meaningLine(adjustment);
  const drawn = RANGED.includes(kind) ? stance : 'standing';
  return zero + perUnit * valueAt(adjustment, positionAt(adjustment, drawn));
}

const or = (value: number, other: number): number => (Number.isFinite(value) ? value : other);

function shapeOf(seat: SeatModel, stance: StanceDrawn): Shape {
  const v = (kind: AdjustmentKind) => valueOf(seat, kind, stance);
  const backUp = v('backHeight');
  const apex = v('lumbarApex');
  const chair = or(v('chairAngle'), 0);
  return {
    height: or(v('seatHeight'), USUAL.height),
    depth: or(v('seatDepth'), USUAL.depth),
    alphaDeg: or(v('seatAngle'), 0) + or(v('forwardTilt'), 0) - chair,
    betaDeg: or(v('backAngle'), USUAL.backAngle) + chair,
    lumbarUp: Number.isFinite(backUp) ? backUp + or(apex, 0) : or(apex, USUAL.lumbarUp),
    lumbarOut: or(v('lumbarDepth'), 0),
    backTop: seat.back.topMm ?? USUAL.backTop,
    reach: or(v('backReach'), 0),
    arm: or(v('armHeight'), USUAL.arm),
    clear: or(v('armWidth'), USUAL.clear) + or(v('padSlide'), 0),
    padForward: or(v('armDepth'), 0),
    head: or(v('headHeight'), USUAL.head),
    headOut: or(v('headDepth'), 0),
    ring: v('footRing'),
  };
}

/** A point along the pan, `u` mm from its rear end. */
function panPoint(seat: SeatModel, s: Shape, u: number): Point {
  const axis = seat.pan.axisFromRearMm ?? s.depth / 2;
  return at(u * cosDeg(s.alphaDeg), s.height + (u - axis) * sinDeg(s.alphaDeg));
}

/** A point along the back, `up` mm above the loaded seat. */
const backPoint = (foot: Point, s: Shape, up: number): Point =>
  shift(foot, s.reach - up * sinDeg(s.betaDeg), up * cosDeg(s.betaDeg));

/** Whether anything of a part is described: what is not is only guessed, and drawn so. */
const isDescribed = (seat: SeatModel, part: SeatPart): boolean =>
  seat.adjustments.some((a) => (SEAT_PARTS[part].kinds as readonly AdjustmentKind[]).includes(a.kind)) ||
  (part === 'back' && seat.back.topMm !== null);

/** What a seat has of the parts that not every seat has. */
const partsOf = (seat: SeatModel) => {
  const all = offersOf(seat);
  return {
    hasBack: seat.seatClass !== 'perching' || seat.back.topMm !== null,
    hasArms: seat.arms !== null,
    hasHead: all.has('headrest'),
    isBolted: all.has('bolted'),
    onGlides: all.has('glides'),
  };
};

function drawSide(
  d: Pen,
  seat: SeatModel,
  s: Shape,
  { id, seatRole, lineRole }: { readonly id: string; readonly seatRole: Role; readonly lineRole: Role },
): void {
  const { hasBack, hasArms, hasHead } = partsOf(seat);
  const [rear, front] = [panPoint(seat, s, 0), panPoint(seat, s, s.depth)];
  const name = (part: string) => (id === '' ? part : `${part}-${id}`);
  const roleOf = (part: SeatPart): Role => (isDescribed(seat, part) ? seatRole : 'seatThin');
  if (hasBack) {
    const points = [
      backPoint(rear, s, 40),
      shift(backPoint(rear, s, s.lumbarUp), s.lumbarOut, 0),
      backPoint(rear, s, s.backTop),
    ];
    if (id === '')
      d.area(name('back'), seatRole, ...points, ...[...points].reverse().map((p) => shift(p, -BACK_MM, 0)));
    else d.line(name('back'), lineRole, ...points);
    d.dot(name('lumbarApex'), lineRole, shift(backPoint(rear, s, s.lumbarUp), s.lumbarOut, 0), 9);
  }
  if (id === '') d.slab(name('pan'), seatRole, { from: rear, to: front, thick: CUSHION_MM });
  else d.line(name('pan'), lineRole, rear, front);
  if (hasHead) {
    const middle = shift(backPoint(rear, s, s.head), s.headOut, 0);
    const [from, to] = [shift(middle, 0, -HEAD_HALF_MM), shift(middle, 0, HEAD_HALF_MM)];
    if (id === '') d.slab(name('headPad'), roleOf('head'), { from, to, thick: -40 });
    else d.line(name('headPad'), lineRole, from, to);
  }
  if (hasArms) {
    const length = seat.arms?.lengthMm ?? USUAL.padLength;
    const end = (seat.arms?.frontMm ?? USUAL.padFront) + s.padForward;
    const [from, to] = [at(end - length, s.height + s.arm), at(end, s.height + s.arm)];
    if (id === '') {
      d.line(
        name('padStem'),
        lineRole,
        shift(from, length / 2, -PAD_MM),
        at(from.x + length / 2, s.height - 20),
      );
      d.slab(name('pad'), roleOf('arms'), { from, to, thick: PAD_MM });
    } else d.line(name('pad'), lineRole, from, to);
  }
  if (Number.isFinite(s.ring))
    d.line(name('footRing'), lineRole, at(STEM_X_MM - 170, s.ring), at(STEM_X_MM + 230, s.ring));
}

const standsOnLegs = (seat: SeatModel): boolean =>
  seat.seatClass === 'ordinary' || seat.seatClass === 'child';

function drawBase(d: Pen, seat: SeatModel, s: Shape): void {
  const { isBolted, onGlides } = partsOf(seat);
  const under = at(STEM_X_MM, s.height - CUSHION_MM);
  if (standsOnLegs(seat)) {
    for (const x of [10, s.depth - 20]) d.line(`leg${x}`, 'seatLine', at(x, s.height - CUSHION_MM), at(x, 0));
    return;
  }
  if (isBolted) {
    d.area(
      'pedestal',
      'seatLine',
      shift(under, -110, 0),
      shift(under, 110, 0),
      at(under.x + 160, 0),
      at(under.x - 160, 0),
    );
    return;
  }
  const foot = onGlides ? 12 : 40;
  d.line('column', 'seatLine', under, at(under.x, foot + 30));
  d.line(
    'base',
    'seatLine',
    at(under.x - BASE_HALF_MM, foot),
    at(under.x, foot + 34),
    at(under.x + BASE_HALF_MM, foot),
  );
  for (const side of [-1, 1])
    d.dot(`castor${side}`, 'seatLine', at(under.x + side * (BASE_HALF_MM - 8), foot / 2 + 2), foot / 2);
}

/** Which parts are drawn from a guess. */
const isGuessed = (seat: SeatModel): boolean =>
  seat.back.topMm === null ||
  seat.seatWidthMm === null ||
  adjustmentOf(seat.adjustments, 'seatDepth') === null;

function spoken(seat: SeatModel): Message[] {
  const ranges = seat.adjustments
    .filter((a) => a.unit === 'mm')
    .map((a) => {
      const { lowest, highest } = endsOf(a.travel);
      return message('alt.seatRange', {
        name: { word: `kind.${a.kind}` },
        low: { mm: lowest },
        high: { mm: highest },
      });
    });
  return isGuessed(seat) ? [...ranges, message('alt.seatGuessed')] : ranges;
}

/** The paper of a side view: larger where the seat is, so that it stays where it is while numbers are typed. */
const SIDE_PAPER: Bounds = { lowX: -430, highX: 720, lowZ: 0, highZ: 1180 };

function bounded(
  d: Pen,
  dimensions: readonly Dimension[],
  seat: SeatModel,
  paper: Bounds | null = null,
): Scene {
  const points = [
    ...d.primitives.flatMap(({ shape }) =>
      shape.type === 'polyline'
        ? shape.points
        : shape.type === 'circle'
          ? [
              shape.at,
              shift(shape.at, shape.radius, shape.radius),
              shift(shape.at, -shape.radius, -shape.radius),
            ]
          : [shape.from, shape.to],
    ),
    ...dimensions.flatMap((m) => [m.from, m.to]),
  ];
  const xs = points.map((p) => p.x);
  const zs = points.map((p) => p.z);
  const bounds: Bounds = {
    lowX: Math.min(...xs, ...(paper ? [paper.lowX + MARGIN_MM] : [])) - MARGIN_MM,
    highX: Math.max(...xs, ...(paper ? [paper.highX - MARGIN_MM] : [])) + MARGIN_MM,
    lowZ: paper ? paper.lowZ : Math.min(...zs) - MARGIN_MM,
    highZ: Math.max(...zs, ...(paper ? [paper.highZ - MARGIN_MM] : [])) + MARGIN_MM,
  };
  return {
    bounds,
    primitives: d.primitives,
    dimensions,
    isPartial: isGuessed(seat),
    get alternative() {
      return spoken(seat);
    },
  };
}

const across = (id: string, mm: number, z: number): Dimension => ({
  id,
  of: 'seat',
  from: at(-mm / 2, z),
  to: at(mm / 2, z),
  mm,
});

/** A pan whose width nobody described has none to draw. */
const panRole = (seat: SeatModel): Role => (seat.seatWidthMm ? 'seat' : 'seatThin');

/**
 * The seat from its right side.
 * @returns primitives in mm. Definition.
 * @example
 * seatSideView(seat).primitives.some((drawn) => drawn.id === 'pan') // => true
 */
export function seatSideView(seat: SeatModel): Scene {
  const d = new Pen();
  const standing = shapeOf(seat, 'standing');
  d.line('floor', 'floor', at(-380, 0), at(680, 0));
  drawBase(d, seat, standing);
  drawSide(d, seat, standing, { id: '', seatRole: 'seat', lineRole: 'seatLine' });
  d.over();
  for (const stance of ['lowest', 'highest'] as const)
    drawSide(d, seat, shapeOf(seat, stance), { id: stance, seatRole: 'seatThin', lineRole: 'seatThin' });
  return bounded(d, [], seat, SIDE_PAPER);
}

/**
 * The seat from the front, with its breadths.
 * @returns primitives in mm. Definition.
 * @example
 * seatFrontView(seat).primitives.length > 0 // => true
 */
export function seatFrontView(seat: SeatModel): Scene {
  const d = new Pen();
  const s = shapeOf(seat, 'standing');
  const width = seat.seatWidthMm?.value ?? USUAL.width;
  const { hasBack, hasArms } = partsOf(seat);
  const dimensions: Dimension[] = seat.seatWidthMm
    ? [across('seatWidth', width, s.height - CUSHION_MM - 40)]
    : [];
  d.line('floor', 'floor', at(-380, 0), at(380, 0));
  if (standsOnLegs(seat))
    for (const x of [-width / 2 + 20, width / 2 - 20])
      d.line(`leg${x}`, 'seatLine', at(x, s.height - CUSHION_MM), at(x, 0));
  else {
    d.line('column', 'seatLine', at(0, s.height - CUSHION_MM), at(0, 60));
    d.line('base', 'seatLine', at(-BASE_HALF_MM, 30), at(0, 64), at(BASE_HALF_MM, 30));
  }
  if (hasBack) {
    const top = seat.back.topWidthMm ?? width * 0.85;
    d.area(
      'back',
      isDescribed(seat, 'back') ? 'seat' : 'seatThin',
      at(-width * 0.42, s.height + 40),
      at(width * 0.42, s.height + 40),
      at(top / 2, s.height + s.backTop),
      at(-top / 2, s.height + s.backTop),
    );
  }
  d.box('pan', panRole(seat), { x: -width / 2, z: s.height - CUSHION_MM, width, height: CUSHION_MM });
  if (hasArms) {
    const pad = seat.arms?.widthMm ?? USUAL.padWidth;
    for (const [side, x] of [
      ['right', s.clear / 2],
      ['left', -s.clear / 2 - pad],
    ] as const) {
      d.line(
        `padStem-${side}`,
        'seatLine',
        at(x + pad / 2, s.height + s.arm - PAD_MM),
        at(x + pad / 2, s.height - CUSHION_MM / 2),
      );
      d.box(`pad-${side}`, isDescribed(seat, 'arms') ? 'seat' : 'seatThin', {
        x,
        z: s.height + s.arm - PAD_MM,
        width: pad,
        height: PAD_MM,
      });
    }
    if (adjustmentOf(seat.adjustments, 'armWidth'))
      dimensions.push(across('armWidth', s.clear, s.height + s.arm + 46));
  }
  return bounded(d, dimensions, seat, { lowX: -360, highX: 360, lowZ: 0, highZ: 1180 });
}

/**
 * The seat from above, front at the top.
 * @returns primitives in mm. Definition.
 * @example
 * seatPlanView(seat).primitives.length > 0 // => true
 */
export function seatPlanView(seat: SeatModel): Scene {
  const d = new Pen();
  const s = shapeOf(seat, 'standing');
  const width = seat.seatWidthMm?.value ?? USUAL.width;
  const { hasBack, hasArms } = partsOf(seat);
  d.box('pan', panRole(seat), { x: -width / 2, z: 0, width, height: s.depth });
  for (const stance of ['lowest', 'highest'] as const) {
    const { depth } = shapeOf(seat, stance);
    d.line(`front-${stance}`, 'seatThin', at(-width / 2, depth), at(width / 2, depth));
  }
  if (hasBack)
    d.box('back', isDescribed(seat, 'back') ? 'seat' : 'seatThin', {
      x: -width * 0.42,
      z: -BACK_MM,
      width: width * 0.84,
      height: BACK_MM,
    });
  if (hasArms) {
    const pad = seat.arms?.widthMm ?? USUAL.padWidth;
    const length = seat.arms?.lengthMm ?? USUAL.padLength;
    const end = (seat.arms?.frontMm ?? USUAL.padFront) + s.padForward;
    d.over();
    for (const [side, x] of [
      ['right', s.clear / 2],
      ['left', -s.clear / 2 - pad],
    ] as const)
      d.box(`pad-${side}`, isDescribed(seat, 'arms') ? 'seat' : 'seatThin', {
        x,
        z: end - length,
        width: pad,
        height: length,
      });
  }
  return bounded(d, seat.seatWidthMm ? [across('seatWidth', width, s.depth + 50)] : [], seat);
}

/** Lengths of a seat as it is drawn standing, described or as such seats commonly are, mm. */
export interface SeatFrame {
  readonly heightMm: number;
  readonly depthMm: number;
  readonly widthMm: number;
  /** Top of the pads, and the clear distance between them and the middle of their length. */
  readonly padsMm: number;
  readonly clearMm: number;
  readonly padMiddleMm: number;
  readonly padWidthMm: number;
  readonly hasArms: boolean;
  readonly stemMm: number;
  /** A point of the back in the side view, so far above the seat. */
  readonly onBack: (upMm: number) => Point;
  readonly backTopMm: number;
}

/**
 * The lengths that a seat is drawn with.
 * @returns mm. Definition; what nobody described is assumed.
 * @example
 * seatFrameOf(seat).depthMm // => 430
 */
export function seatFrameOf(seat: SeatModel): SeatFrame {
  const s = shapeOf(seat, 'standing');
  const rear = panPoint(seat, s, 0);
  const length = seat.arms?.lengthMm ?? USUAL.padLength;
  return {
    heightMm: s.height,
    depthMm: s.depth,
    widthMm: seat.seatWidthMm?.value ?? USUAL.width,
    padsMm: s.arm,
    clearMm: s.clear,
    padMiddleMm: (seat.arms?.frontMm ?? USUAL.padFront) + s.padForward - length / 2,
    padWidthMm: seat.arms?.widthMm ?? USUAL.padWidth,
    hasArms: partsOf(seat).hasArms,
    stemMm: STEM_X_MM,
    onBack: (upMm) => backPoint(rear, s, upMm),
    backTopMm: s.backTop,
  };
}

/**
 * Where each part is pointed at in the side view, mm.
 * @returns by part. Definition.
 * @example
 * Object.keys(partPoints(seat)).includes('pan') // => true
 */
export function partPoints(seat: SeatModel): Readonly<Record<SeatPart, Point>> {
  const s = shapeOf(seat, 'standing');
  const rear = panPoint(seat, s, 0);
  return {
    pan: shift(panPoint(seat, s, s.depth), -60, -10),
    back: backPoint(rear, s, Math.max(s.backTop - 70, s.lumbarUp + 110)),
    lumbar: shift(backPoint(rear, s, s.lumbarUp), 20, 0),
    arms: at((seat.arms?.frontMm ?? USUAL.padFront) - 60, s.height + s.arm + 20),
    head: backPoint(rear, s, Math.max(s.head, s.backTop + 130)),
    mechanism: at(STEM_X_MM - 110, s.height - CUSHION_MM - 95),
    base: at(STEM_X_MM, 70),
  };
}
