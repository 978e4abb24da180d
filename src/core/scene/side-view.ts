import { message, type Message } from '../message';
import type { Point } from '../posture';
import { sizeInUse, type Assessment, type Problem, type RemedyId } from '../fit';
import { figureOf, seatFigureOf, type Figure, type SeatFigure } from '../fit/geometry/figure';
import { orZero } from '../fit/geometry/on-seat';
import { offers } from '../seat';
import { meaning } from '../fit/problem/problem';
import { overLegs } from '../place';
import { cosDeg, sinDeg } from '../units';
import { Pen, at, shift } from './pen';
import type { Scene } from './primitives';

/** Thicknesses that nobody measures; for drawing only, mm. */
const CUSHION_MM = 55;
const BACK_MM = 28;
const PAD_MM = 26;
const DESK_LENGTH_MM = 290;
const DESK_FROM_ELBOW_MM = 170;
const SCREEN_HALF_MM = 160;
const FOOTREST_LENGTH_MM = 330;
const HEAD_RADIUS_MM = 88;
const THIGH_RADIUS_MM = 70;
const TRAY_BEFORE_DESK_MM = 110;
const TRAY_MM = 14;
const ROLL_UP_MM = 110;
const ROLL_LEAST_MM = 14;

function drawBase(d: Pen, p: Problem, under: Point): void {
  if (offers(p.inputs.seat, 'bolted')) {
    d.area(
      'pedestal',
      'seatLine',
      shift(under, -120, 0),
      shift(under, 120, 0),
      at(under.x + 170, 0),
      at(under.x - 170, 0),
    );
    return;
  }
  const foot = offers(p.inputs.seat, 'glides') ? 12 : 40;
  d.line('column', 'seatLine', under, at(under.x, foot + 30));
  d.line('base', 'seatLine', at(under.x - 270, foot), at(under.x, foot + 34), at(under.x + 270, foot));
  for (const side of [-1, 1])
    d.dot(`castor${side}`, 'seatLine', at(under.x + side * 262, foot / 2 + 2), foot / 2);
}

function drawSeat(d: Pen, a: Assessment, s: SeatFigure): void {
  const { problem: p, values: v } = a;
  const under = at((s.rear.x + s.front.x) / 2, (s.rear.z + s.front.z) / 2 - CUSHION_MM);
  drawBase(d, p, under);
  const behind = (q: Point, by: number): Point => shift(q, -by * cosDeg(s.backDeg), -by * sinDeg(s.backDeg));
  const apex = s.lumbar ?? at((s.backFoot.x + s.backTop.x) / 2, (s.backFoot.z + s.backTop.z) / 2);
  d.line('backStem', 'seatLine', behind(s.backFoot, 30), shift(under, -60, 0));
  d.area(
    'back',
    'seat',
    behind(s.backFoot, 14),
    apex,
    behind(s.backTop, 20),
    behind(s.backTop, 20 + BACK_MM),
    behind(apex, BACK_MM),
    behind(s.backFoot, 14 + BACK_MM),
  );
  d.slab('pan', 'seat', { from: s.rear, to: s.dropped ? s.dropped.from : s.front, thick: CUSHION_MM });
  if (s.dropped) d.slab('panFront', 'seat', { from: s.dropped.from, to: s.dropped.to, thick: CUSHION_MM });
  if (!Number.isNaN(v.footRing)) drawRing(d, v.footRing, s.front.x);
  if (s.head)
    d.slab('headPad', 'seat', {
      from: shift(behind(s.head, 6), 0, -62),
      to: shift(behind(s.head, 6), 0, 62),
      thick: -40,
    });
  if (s.lumbar) d.dot('lumbarApex', 'seatLine', s.lumbar, 9);
  const { remedies } = a.settings;
  const pad = sizeInUse(remedies, 'seatPadMm');
  if (pad > 0)
    d.slab('seatPad', 'remedy', { from: s.rear, to: s.dropped ? s.dropped.from : s.front, thick: pad });
  if (p.rollMm > 0)
    d.dot('lumbarRoll', 'remedy', alongBackAt(s, ROLL_UP_MM), Math.max(ROLL_LEAST_MM, p.rollMm / 2));
  if (v.backCushionMm > 0)
    d.slab('backCushion', 'remedy', {
      from: s.backFoot,
      to: shift(s.backTop, 0, -40),
      thick: v.backCushionMm,
    });
}

/** A point of the back's line, so far up. */
function alongBackAt(s: SeatFigure, up: number): Point {
  const share = up / Math.max(1, s.backTop.z - s.backFoot.z);
  return at(
    s.backFoot.x + share * (s.backTop.x - s.backFoot.x),
    s.backFoot.z + share * (s.backTop.z - s.backFoot.z),
  );
}

function drawRing(d: Pen, heightMm: number, frontX: number): void {
  d.line('footRing', 'seatLine', at(frontX - 330, heightMm), at(frontX + 60, heightMm));
}

function drawPad(d: Pen, s: SeatFigure): void {
  if (!s.pad) return;
  const stem = at((s.pad.from.x + s.pad.to.x) / 2, s.pad.from.z - PAD_MM);
  d.line('padStem', 'seatLine', stem, at(stem.x - 20, Math.min(stem.z, (s.rear.z + s.front.z) / 2 - 20)));
  d.slab('pad', 'seat', { from: s.pad.from, to: s.pad.to, thick: PAD_MM });
}

/** Screen, hand controls and pedals, where the place has them; returns how far forward they reach. */
function drawReached(d: Pen, a: Assessment, f: Figure): number {
  const { problem: p, values: v } = a;
  const { screenDistanceMm, handControls, pedals } = p.inputs.place ?? {};
  const forward = orZero(meaning(p, v, 'foreAft'));
  let reach = -Infinity;
  if (screenDistanceMm !== undefined && f.eye && !Number.isNaN(v.screenHeight)) {
    const x = f.eye.x + screenDistanceMm;
    d.slab('screen', 'place', {
      from: at(x, v.screenHeight + SCREEN_HALF_MM),
      to: at(x + 30, v.screenHeight + SCREEN_HALF_MM),
      thick: 2 * SCREEN_HALF_MM,
    });
    const riser = sizeInUse(a.settings.remedies, 'screenRiserMm');
    const foot = v.screenHeight - SCREEN_HALF_MM;
    if (riser > 0)
      d.slab('screenRiser', 'remedy', { from: at(x - 10, foot), to: at(x + 90, foot), thick: riser });
    d.line('gaze', 'leader', f.eye, at(x, v.screenHeight));
    reach = x + 60;
  }
  if (handControls) {
    const grip = at(handControls.forwardMm - forward, handControls.heightMm);
    d.line('leverStem', 'place', grip, shift(grip, 40, -160));
    d.dot('lever', 'place', grip, 22);
    reach = Math.max(reach, grip.x + 70);
  }
  if (pedals) {
    const heel = at(pedals.forwardMm - forward - orZero(meaning(p, v, 'stationForeAft')), pedals.heightMm);
    d.line('pedal', 'place', heel, shift(heel, 190, 110));
    reach = Math.max(reach, heel.x + 220);
  }
  return reach;
}

/** Where the desk's front edge stands with the hands where they work. */
function edgeOf(p: Problem, f: Figure): number {
  const { keysFromEdgeMm } = p.inputs.place ?? {};
  if (keysFromEdgeMm !== undefined && f.hand) return f.hand.x - keysFromEdgeMm;
  return Math.max((f.elbow?.x ?? 0) + DESK_FROM_ELBOW_MM, 290);
}

/** Desk and footrest; returns how far forward they reach. */
function drawPlace(d: Pen, a: Assessment, f: Figure, front: Point): number {
  const { problem: p, values: v } = a;
  const [footrest, role] =
    v.footrest > 0 ? ([v.footrest, 'place'] as const) : ([v.footrestMm, 'remedy'] as const);
  if (footrest > 0) {
    const x = f.heel ? f.heel.x - 60 : front.x;
    d.slab('footrest', role, {
      from: at(x, footrest),
      to: at(x + FOOTREST_LENGTH_MM, footrest),
      thick: footrest,
    });
  }
  const { place } = p.inputs;
  const reached = Math.max(front.x, drawReached(d, a, f));
  if (!place || Number.isNaN(v.deskHeight)) return reached;
  const start = edgeOf(p, f);
  const end = start + DESK_LENGTH_MM;
  d.slab('desk', 'place', {
    from: at(start, v.deskHeight),
    to: at(end, v.deskHeight),
    thick: place.deskThicknessMm,
  });
  const under = overLegs(place);
  const size = (id: RemedyId): number => sizeInUse(a.settings.remedies, id);
  const tray = size('keyboardTrayMm');
  if (place.drawerMm !== undefined && tray === 0)
    d.slab('drawer', 'place', {
      from: at(start + 10, v.deskHeight),
      to: at(start + 130, v.deskHeight),
      thick: under.thighsMm,
    });
  if (place.apronMm !== undefined)
    d.slab('apron', 'place', {
      from: at(end - 60, v.deskHeight),
      to: at(end - 40, v.deskHeight),
      thick: under.kneesMm,
    });
  d.line('deskLeg', 'place', at(end - 30, v.deskHeight - place.deskThicknessMm), at(end - 30, 0));
  const block = size('deskMm');
  if (block > 0)
    d.slab('deskBlock', 'remedy', { from: at(end - 55, block), to: at(end - 5, block), thick: block });
  const thick = place.keyboardThicknessMm + tray;
  if (thick > 0) {
    const top = v.deskHeight + place.keyboardThicknessMm;
    const from = tray > 0 ? start - TRAY_BEFORE_DESK_MM : start + 70;
    d.slab('keyboard', 'place', { from: at(from, top), to: at(from + 150, top), thick });
    if (tray > 0)
      d.slab('keyboardTray', 'remedy', {
        from: at(from - 20, top - thick),
        to: at(start + 60, top - thick),
        thick: TRAY_MM,
      });
  }
  return Math.max(reached, end);
}

function drawBody(d: Pen, p: Problem, f: Figure): void {
  const thigh = Number.isNaN(p.body.thighClearance) ? THIGH_RADIUS_MM : p.body.thighClearance / 2;
  d.limb('shank', { from: f.knee, to: f.ankle, fromRadius: 54, toRadius: 34 });
  d.limb('thigh', {
    from: f.hip && shift(f.hip, 0, thigh - 90),
    to: f.knee && f.hollow && at(f.knee.x - 15, f.hollow.z + 56),
    fromRadius: thigh,
    toRadius: 56,
  });
  if (f.heel && f.toe && f.ankle)
    d.area(
      'foot',
      'sitter',
      f.heel,
      f.toe,
      shift(f.toe, -8, 34),
      shift(f.ankle, 46, 18),
      shift(f.ankle, -34, 18),
    );
  d.limb('trunk', {
    from: f.hip && shift(f.hip, -14, 30),
    to: f.shoulder && shift(f.shoulder, -16, -60),
    fromRadius: 122,
    toRadius: 100,
  });
  d.limb('neck', { from: f.shoulder, to: f.nape && shift(f.nape, 28, 50), fromRadius: 52, toRadius: 50 });
  if (f.eye) d.dot('head', 'sitter', shift(f.eye, -70, 8), HEAD_RADIUS_MM);
}

function drawArm(d: Pen, f: Figure): void {
  d.over();
  const lift = (q: Point | null): Point | null => q && shift(q, 0, 34);
  d.limb('upperArm', { from: f.shoulder, to: lift(f.elbow), fromRadius: 44, toRadius: 34 });
  d.limb('forearm', { from: lift(f.elbow), to: lift(f.hand), fromRadius: 34, toRadius: 24 });
}

function drawJoints(d: Pen, p: Problem, f: Figure): void {
  if (f.heel && f.toe && p.body.shoeHeel > 0)
    d.slab('shoe', 'sitterLine', { from: f.heel, to: f.toe, thick: p.body.shoeHeel });
  if (f.eye) d.dot('eye', 'sitterLine', f.eye, 7);
  for (const [id, joint] of [
    ['hip', f.hip],
    ['knee', f.knee],
    ['shoulder', f.shoulder],
  ] as const) {
    if (joint) d.dot(`${id}Joint`, 'sitterLine', joint, 8);
  }
  if (f.hip && f.knee) d.line('hipKneeLine', 'leader', f.hip, f.knee);
}

function spoken(a: Assessment, isPartial: boolean): Message[] {
  const angles = a.angles
    .filter((x) => x.deg !== null)
    .map((x) => message('alt.angle', { name: { word: `angle.${x.id}` }, angle: { deg: x.deg ?? 0 } }));
  return isPartial ? [...angles, message('alt.undrawn')] : angles;
}

/**
 * The computed side view of this sitter in this seat at this place.
 * @returns primitives in mm. Definition.
 * @example
 * sideView(assessed).primitives.some((drawn) => drawn.id === 'desk') // => true
 */
export function sideView(a: Assessment): Scene {
  const p = a.problem;
  const v = a.values;
  const figure = figureOf(p, v);
  const seat = seatFigureOf(p, v);
  const d = new Pen();
  drawSeat(d, a, seat);
  const reach = drawPlace(d, a, figure, seat.front);
  drawBody(d, p, figure);
  drawPad(d, seat);
  drawArm(d, figure);
  drawJoints(d, p, figure);
  const isPartial = Object.values(figure).some((point) => point === null);
  const desk = Number.isNaN(v.deskHeight) ? 0 : v.deskHeight + 40;
  const screen = Number.isNaN(v.screenHeight) ? 0 : v.screenHeight + SCREEN_HALF_MM + 20;
  const highZ = Math.max(
    seat.backTop.z + 30,
    (figure.eye?.z ?? 0) + 110,
    (seat.head?.z ?? 0) + 80,
    desk,
    screen,
  );
  const lowX = Math.min(seat.backTop.x - 60, (seat.head?.x ?? 0) - 60, (figure.shoulder?.x ?? 0) - 130, -130);
  const highX = Math.max(reach, (figure.toe?.x ?? 0) + 20, seat.front.x + 120);
  return {
    bounds: { lowX, highX, lowZ: 0, highZ },
    primitives: d.primitives,
    dimensions: [],
    isPartial,
    get alternative() {
      return spoken(a, isPartial);
    },
  };
}
