/**
 * The figures of docs/model.md, drawn by the application's own painter from settings computed by its core: what the
 * model says and what the screens draw cannot part company. A made-up seat and body.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess, valuesOfSettings, type Problem, type SetValues } from '../src/core/fit';
import {
  chordDegOf,
  datumFromRearMm,
  datumPoint,
  hollowFromRearMm,
  legOf,
  panDegOf,
} from '../src/core/fit/geometry/on-seat';
import { elbowAboveSeatMm, shoulderPoint, spreadDeg } from '../src/core/fit/geometry/arms';
import { judgeOf } from '../src/core/fit/cost/judge';
import { bandOf } from '../src/core/target';
import type { Point } from '../src/core/posture';
import { frontView, sideView, type Scene } from '../src/core/scene';
import type { AdjustmentKind } from '../src/core/seat';
import { cosDeg, sinDeg } from '../src/core/units';
import { path, tenth, textAt, type Mark, type Style, type TextStyle } from '../src/drawing/marks';
import { markupOf } from '../src/drawing/painter';
import { sceneMarks } from '../src/drawing/scene-marks';
import type { Place2d } from '../src/drawing/shapes';
import { DEFAULT_READING } from '../src/words';
import {
  FULL,
  adjustment,
  bodyWith,
  listed,
  problemFor,
  seatWith,
  settingsAt,
  slides,
} from '../test/support/inputs';

const PANEL = { width: 300, height: 350 };
const CAPTION = 44;
const SCALE = 0.23;
const FLOOR = PANEL.height - 12;

const seat = seatWith(
  [
    adjustment('seatHeight', slides(380, 560)),
    adjustment('seatDepth', slides(380, 460)),
    adjustment('seatAngle', slides(-12, 8)),
    adjustment('chairAngle', slides(0, 20)),
    adjustment('frontSlope', listed(-15, 0)),
    adjustment('backAngle', slides(0, 25)),
    adjustment('lumbarApex', slides(150, 250)),
    adjustment('lumbarDepth', slides(0, 60)),
    adjustment('armWidth', slides(400, 560)),
    adjustment('armHeight', slides(160, 320)),
    adjustment('headHeight', slides(560, 760)),
  ],
  { pan: { axisFromRearMm: 0, recessMm: 0, frontEdgeRadiusMm: 0 } },
);

type Values = Partial<Record<AdjustmentKind, number>>;
/** A seat set as it fits, but for what a figure changes. */
const USUAL: Values = {
  seatHeight: 440,
  seatDepth: 430,
  seatAngle: 0,
  frontSlope: 0,
  backAngle: 0,
  lumbarApex: 190,
  lumbarDepth: 15,
  armWidth: 460,
  armHeight: 240,
  headHeight: 680,
};

interface Set {
  readonly p: Problem;
  readonly v: SetValues;
  readonly side: Scene;
  readonly front: Scene;
}

function set(values: Values, axisFromRearMm = 0): Set {
  const p = problemFor({
    body: bodyWith(FULL),
    seat: { ...seat, pan: { ...seat.pan, axisFromRearMm } },
  });
  const settings = settingsAt(p, { ...USUAL, ...values });
  const assessment = assess(p, settings);
  return {
    p,
    v: valuesOfSettings(p, settings),
    side: sideView(assessment),
    front: frontView(assessment),
  };
}

/** What is written into a panel, in the millimetres of its scene. */
type Note = (place: Place2d) => Mark[];

const text = (at: Point, words: string, anchor: 'start' | 'middle' | 'end', style: TextStyle): Note => {
  return ({ x, y }) => [textAt(x(at.x), y(at.z) + 4, anchor, { text: words, style })];
};
const line = (points: readonly Point[], style: Style): Note => {
  return ({ x, y }) => [
    path(points.map((q, i) => `${i === 0 ? 'M' : 'L'}${tenth(x(q.x))} ${tenth(y(q.z))}`).join(''), style),
  ];
};
const dot = (at: Point): Note => {
  return ({ x, y }) => [
    path(`M${tenth(x(at.x) - 3)} ${tenth(y(at.z))}a3 3 0 1 0 6 0a3 3 0 1 0 -6 0Z`, 'aim'),
  ];
};
/** A dot, a line out to one side, and what it is. */
const call = (at: Point, words: string, toX: number, style: TextStyle = 'tagSitter'): Note => {
  const right = toX > at.x;
  const end = { x: toX, z: at.z };
  return (place) => [
    ...line([at, end], style === 'tagSitter' ? 'threadSitter' : 'threadSeat')(place),
    ...dot(at)(place),
    ...text({ x: toX + (right ? 15 : -15), z: at.z }, words, right ? 'start' : 'end', style)(place),
  ];
};

interface Panel {
  readonly scene: Scene;
  readonly caption: readonly [string, string];
  readonly notes: readonly Note[];
}

function panelMarks({ scene, caption, notes }: Panel, left: number): Mark[] {
  const { lowX, highX } = scene.bounds;
  const middle = left + PANEL.width / 2;
  const place: Place2d = {
    x: (mm) => middle + (mm - (lowX + highX) / 2) * SCALE,
    y: (mm) => FLOOR - mm * SCALE,
    scale: SCALE,
  };
  return [
    ...sceneMarks(scene, place, DEFAULT_READING),
    ...notes.flatMap((note) => note(place)),
    textAt(middle, PANEL.height + 14, 'middle', { text: caption[0], style: 'numberSitter' }),
    textAt(middle, PANEL.height + 34, 'middle', { text: caption[1], style: 'tagSitter' }),
  ];
}

function figure(name: string, title: string, panels: readonly Panel[]): void {
  const width = PANEL.width * panels.length;
  write(name, title, width, PANEL.height + CAPTION, [
    ...panels.flatMap((panel, i) => panelMarks(panel, i * PANEL.width)),
    path(`M0 ${FLOOR}H${width}`, 'floor'),
  ]);
}

const [folder = 'docs/figures', styles = ''] = process.argv.slice(2);
const css = readFileSync(styles, 'utf8');
const tokens = /:root \{[^}]*\}/.exec(readFileSync('src/ui/tokens.css', 'utf8'))?.[0] ?? '';

function write(name: string, title: string, width: number, height: number, marks: readonly Mark[]): void {
  const style = `${tokens}\n${css}\ntext { font-family: var(--face); }`;
  const body = `<title>${title}</title><style>${style}</style><rect width="${width}" height="${height}" fill="var(--paper-raised)"/>`;
  writeFileSync(
    join(folder, `${name}.svg`),
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" class="drawing" role="img">${body}${markupOf(marks)}</svg>\n`,
  );
}

const mm = (value: number): string => `${String(Math.round(value)).replace('-', '−')} mm`;
const deg = (value: number): string => `${String(Math.round(value * 2) / 2).replace('-', '−')}°`;

/** A point of the pan in the side view. */
function onPan({ p, v }: Set, fromRear: number): Point {
  const axis = p.seat.axisFromRearMm;
  const pan = panDegOf(p, v);
  return {
    x: axis + (fromRear - axis) * cosDeg(pan),
    z: v.seatHeight + (fromRear - axis) * sinDeg(pan),
  };
}

function tilt(axis: number, name: string): Panel {
  const s = set({ seatAngle: -8 }, axis);
  const edge = onPan(s, s.v.seatDepth);
  const turned = onPan(s, axis);
  return {
    scene: s.side,
    caption: [`${name}, a = ${axis} mm`, `front edge ${mm(edge.z)}, foot gap ${mm(legOf(s.p, s.v).gapMm)}`],
    notes: [
      line(
        [
          { x: turned.x - 160, z: s.v.seatHeight },
          { x: turned.x + 560, z: s.v.seatHeight },
        ],
        'leader',
      ),
      dot(turned),
      dot(edge),
      text({ x: edge.x, z: edge.z - 85 }, 'front edge', 'middle', 'tagEquipment'),
    ],
  };
}
figure('pan', 'A pan tipped forward by 8° about its rear, its middle and its front', [
  tilt(0, 'Axis at the rear'),
  tilt(215, 'Axis in the middle'),
  tilt(430, 'Axis at the front'),
]);

function leg(seatHeight: number, name: string): Panel {
  const s = set({ seatHeight });
  const { gapMm, thighDeg, hollowMm } = legOf(s.p, s.v);
  const hollow = onPan(s, hollowFromRearMm(s.p, s.v));
  return {
    scene: s.side,
    caption: [name, `gap ${mm(gapMm)}, thigh ${deg(thighDeg)}`],
    notes: [call({ x: hollow.x, z: hollowMm }, 'zK', 680)],
  };
}
figure('leg', 'A leg too short for the seat, a leg that fits it, a leg too long', [
  leg(500, 'h = 500 mm: the feet hang'),
  leg(440, 'h = 440 mm: flat'),
  leg(400, 'h = 400 mm: the foot goes forward'),
]);

function push(lumbarDepth: number, name: string): Panel {
  const s = set({ lumbarDepth });
  const room = hollowFromRearMm(s.p, s.v) - s.v.seatDepth;
  const datum = onPan(s, datumFromRearMm(s.p, s.v));
  return {
    scene: s.side,
    caption: [name, `u = ${mm(datumFromRearMm(s.p, s.v))}, room behind the knee ${mm(room)}`],
    notes: [
      line(
        [
          { x: 0, z: 380 },
          { x: 0, z: 900 },
        ],
        'leader',
      ),
      line([datum, { x: datum.x, z: datum.z - 90 }], 'measureSitter'),
      dot(datum),
      text({ x: datum.x, z: datum.z - 130 }, 'datum', 'middle', 'tagSitter'),
    ],
  };
}
figure('push', 'A lumbar deeper than the hollow of the back pushes the sitter forward', [
  push(0, 'Lumbar flat'),
  push(30, 'As deep as the hollow: 30 mm'),
  push(60, 'Deeper: 60 mm'),
]);

function slope(frontSlope: number, seatHeight: number, name: string): Panel {
  const s = set({ frontSlope, seatHeight });
  const { gapMm, thighDeg } = legOf(s.p, s.v);
  return {
    scene: s.side,
    caption: [name, `chord ${deg(chordDegOf(s.p, s.v))}, thigh ${deg(thighDeg)}, gap ${mm(gapMm)}`],
    notes: [],
  };
}
figure('slope', 'A front that drops lets a hanging thigh fall until the foot stands', [
  slope(0, 465, 'Front level, h = 465 mm'),
  slope(-15, 465, 'Front third dropped by 15°'),
  slope(-15, 520, 'Too high for the drop as well'),
]);

function lean(values: Values, name: string): Panel {
  const s = set(values);
  const datum = datumPoint(s.p, s.v);
  const shoulder = shoulderPoint(s.p, s.v);
  const elbow = { x: shoulder.x, z: datum.z + elbowAboveSeatMm(s.p, s.v, 0) };
  return {
    scene: s.side,
    caption: [
      name,
      `elbow ${mm(elbow.z - datum.z)}, trunk–thigh ${deg(90 + s.v.backAngle + s.v.chairAngle - legOf(s.p, s.v).thighDeg)}`,
    ],
    notes: [
      line([datum, { x: datum.x, z: datum.z + 760 }], 'leader'),
      line([datum, shoulder], 'measureSitter'),
      dot(datum),
      dot(shoulder),
      dot(elbow),
      text({ x: datum.x + 20, z: datum.z + 740 }, 'β', 'start', 'tagSitter'),
    ],
  };
}
figure('trunk', 'Back upright, back leaning, and the whole chair tilted: the head stays level', [
  lean({}, 'β = 0°'),
  lean({ backAngle: 20 }, 'Back angle 20°'),
  lean({ backAngle: 10, chairAngle: 10 }, 'Back 10° and whole chair 10°'),
]);

function arms(armWidth: number): Panel {
  const s = set({ armWidth });
  return {
    scene: s.front,
    caption: [`Clear distance ${mm(s.v.armWidth)}`, `upper arm out δ = ${deg(spreadDeg(s.p, s.v))}`],
    notes: [],
  };
}
figure('arms', 'Pads further apart take the upper arms out, and the elbows up', [
  arms(440),
  arms(500),
  arms(560),
]);

/** What the foot gap costs, and how a lattice of positions falls on it. */
function penalty(): void {
  const { p } = set({});
  const target = p.targets.footGap;
  const { lo, hi } = bandOf(target);
  const [width, height] = [900, 300];
  const x = (gap: number) => 470 + gap * 9;
  const y = (points: number) => height - 50 - points * 7;
  const from = -48;
  const to = 10;
  const { curve } = judgeOf(p, 'footGap')!;
  const cost = (gap: number) => curve.at(gap) / 1e6;
  const points = Array.from({ length: (to - from) * 4 + 1 }, (_, i) => from + i / 4).filter(
    (g) => cost(g) <= 33,
  );
  const at = (gap: number, words: string, anchor: 'start' | 'middle' | 'end'): Mark[] => [
    path(`M${tenth(x(gap))} ${y(0)}V${y(33)}`, 'doubt'),
    textAt(x(gap), y(0) + 34, anchor, { text: words, style: 'tagSitter' }),
  ];
  write('penalty', 'What a foot gap costs', width, height, [
    path(`M${tenth(x(lo))} ${y(0)}H${tenth(x(hi))}V${y(33)}H${tenth(x(lo))}Z`, 'band'),
    path(`M${tenth(x(from))} ${y(0)}H${tenth(x(to + 14))}`, 'rule'),
    ...at(lo, `band from ${mm(lo)}`, 'middle'),
    ...at(0, 'aim 0', 'end'),
    ...at(hi, `to +${mm(hi)}`, 'start'),
    path(
      points.map((g, i) => `${i === 0 ? 'M' : 'L'}${tenth(x(g))} ${tenth(y(cost(g)))}`).join(''),
      'seatLine',
    ),
    ...points
      .filter((g) => Number.isInteger(g) && g % 3 === 0)
      .map((g) => path(`M${tenth(x(g) - 3)} ${tenth(y(cost(g)))}a3 3 0 1 0 6 0a3 3 0 1 0 -6 0Z`, 'aim')),
    ...[0, 5, 15, 30].flatMap((n) => [
      path(`M${tenth(x(from) - 6)} ${y(n)}h6`, 'tick'),
      textAt(x(from) - 12, y(n) + 4, 'end', { text: String(n), style: 'tickText' }),
    ]),
    textAt(x(from) + 8, y(33) + 8, 'start', { text: 'points', style: 'tagSitter' }),
    textAt(x(to + 14), y(0) + 18, 'end', { text: 'foot gap', style: 'tagSitter' }),
  ]);
}
penalty();
