/** The methods that come with the program: where good practitioners disagree. Who stands behind a number, it says. */
import { COMMON_TARGETS } from '../fit';
import { assumed, practice, type Target } from '../target';
import type { Method, MethodStep } from './method';
import { ORDERS } from './orders';

const TIE_BREAKS: Method['tieBreaks'] = ['shorterDepth', 'lowerArm', 'lighterTension', 'nearerRest'];
/** Elbow at the keyboard (common practice). */
const ELBOW = { lo: 90, hi: 120 };

/** Room behind the knee, as practitioners say it: best in the middle, and never so little that the edge presses. */
const ROOM = {
  wide: practice({ hardLo: 10, bandLo: 25, aimLo: 50, aimHi: 50, bandHi: 75, weight: 4 }),
  narrow: practice({ hardLo: 10, bandLo: 25, aimLo: 37.5, aimHi: 37.5, bandHi: 50, weight: 4 }),
  roomy: practice({ hardLo: 25, bandLo: 50, aimLo: 62.5, aimHi: 62.5, bandHi: 75, weight: 4 }),
  /** From three to four fingers, as broad as the hand is. */
  threeToFour: practice({ hardLo: 25, bandLo: 50, aimLo: 60, aimHi: 60, bandHi: 70, weight: 4 }),
  wedge: practice({ hardLo: 10, bandLo: 40, aimLo: 95, aimHi: 95, bandHi: 150, weight: 4 }),
  /** A short pan is the point of it: no upper end. */
  short: practice({ hardLo: 25, bandLo: 60, aimLo: 70, weight: 4 }),
} as const satisfies Record<string, Target>;

type Part = Pick<Method, 'id' | 'name' | 'summary' | 'kneeRoom'> & Partial<Method>;

const method = (part: Part): Method => ({
  headRestFromDeg: 15,
  footrestPenalty: 14,
  tieBreaks: TIE_BREAKS,
  order: ORDERS.groundUp,
  reported: { knee: { lo: 85, hi: 110 }, elbow: ELBOW },
  ...part,
  targets: { ...COMMON_TARGETS, ...part.targets },
});

const RIGHT_ANGLE = method({
  id: 'right-angle',
  name: 'Upright',
  summary:
    'Thighs level, knees at a right angle, trunk upright or slightly reclined. Simple to teach and to check.',
  kneeRoom: ROOM.wide,
  reported: { knee: { lo: 85, hi: 105 }, elbow: ELBOW },
});

const ARMS_TO_DESK = method({
  id: 'arms-to-desk',
  name: 'Upright, armrests at desk height',
  summary:
    'As Upright, with the armrests level with the desk so that the forearms are supported without a step, if the desk is at elbow height.',
  kneeRoom: ROOM.wide,
  armsTo: 'desk',
  reported: { knee: { lo: 85, hi: 105 }, elbow: ELBOW },
});

/** A hip opened by the back. */
const OPENED = {
  trunkThigh: practice({ bandLo: 95, aimLo: 95, aimHi: 110, bandHi: 110, weight: 0 }),
  backAngle: practice({ bandLo: 5, aimLo: 10, aimHi: 10, bandHi: 20, weight: 4 }),
};

const OPEN_HIP = method({
  id: 'open-hip',
  name: 'Open hip angle',
  summary:
    'Hips a little above the knees and the backrest reclined at least 5°, so that the hip angle opens and breathing is easy.',
  targets: { ...OPENED, thigh: practice({ bandLo: -6, aimLo: -3, aimHi: 0, bandHi: 2, weight: 2 }) },
  orLevel: true,
  kneeRoom: ROOM.roomy,
});

const LOW_SEAT = method({
  id: 'low-seat',
  name: 'Low seat',
  summary:
    'Knees level with the hips or a little higher, the backrest reclined as far as the thighs rise. Relieves the thighs and plants the feet.',
  targets: {
    thigh: practice({ bandLo: 2, aimLo: 4, aimHi: 8, bandHi: 10, weight: 2 }),
    trunkThigh: practice({ bandLo: 90, aimLo: 90, aimHi: 100, bandHi: 105, weight: 0 }),
    backAngle: practice({ bandLo: 4, aimLo: 8, aimHi: 8, bandHi: 15, weight: 4 }),
  },
  raisesKnee: true,
  kneeRoom: ROOM.narrow,
  cautions: ['lowSeat'],
  reported: { knee: { lo: 75, hi: 105 }, elbow: ELBOW },
});

const OPEN_WEDGE = method({
  id: 'open-wedge',
  name: 'Forward-sloping seat',
  summary:
    'Seat sloped forward 5–15°, trunk about upright. Keeps the lumbar curve while leaning to the work.',
  targets: {
    thigh: practice({ bandLo: -15, aimLo: -10, aimHi: -10, bandHi: -5, weight: 2 }),
    trunkThigh: practice({ bandLo: 95, aimLo: 100, aimHi: 105, bandHi: 110, weight: 1 }),
    backAngle: practice({ bandLo: 0, aimLo: 0, aimHi: 2, bandHi: 6, weight: 4 }),
  },
  kneeRoom: ROOM.wedge,
  order: ORDERS.tiltThenHeight,
  again: ['seatHeight'],
  cautions: ['openWedge'],
  reported: { knee: { lo: 95, hi: 115 }, elbow: ELBOW },
});

/** Close handwork on long pads that carry the forearm: they follow it up to the hands, and the elbow is free. */
const FOREARMS_CARRIED = method({
  ...OPEN_WEDGE,
  id: 'forearms-carried',
  name: 'Close handwork, forearms supported',
  summary: 'As Forward-sloping seat, with long pads that support the forearm while the elbow stays free.',
  targets: {
    ...OPEN_WEDGE.targets,
    armHeight: practice({ bandLo: -20, aimLo: -10, aimHi: 30, bandHi: 45, hardHi: 70, weight: 1 }),
  },
  armsTo: 'forearm',
});

const SADDLE = method({
  id: 'saddle',
  name: 'Saddle seat',
  summary:
    'Thighs falling 20–45° over a high, narrow seat, hip angle wide open, for close work with the hands.',
  targets: {
    thigh: practice({ bandLo: -45, aimLo: -35, aimHi: -25, bandHi: -20, weight: 2 }),
    trunkThigh: practice({ bandLo: 110, aimLo: 115, aimHi: 130, bandHi: 135, weight: 1 }),
    backAngle: practice({ bandLo: 0, aimLo: 0, aimHi: 0, bandHi: 5, weight: 4 }),
  },
  kneeRoom: ROOM.short,
  order: ORDERS.depthBeforeHeight,
  neutralStart: 'backAndLevel',
  cautions: ['saddle', 'openWedge'],
  reported: { knee: { lo: 110, hi: 140 }, elbow: ELBOW },
});

const LAID_BACK = method({
  id: 'laid-back',
  name: 'Reclined',
  summary:
    'Backrest reclined 15–20° for the whole day, further for reading and telephoning. Takes load off the back.',
  targets: {
    thigh: practice({ bandLo: 0, aimLo: 3, aimHi: 6, bandHi: 8, weight: 2 }),
    trunkThigh: practice({ bandLo: 100, aimLo: 105, aimHi: 110, bandHi: 120, weight: 0 }),
    backAngle: practice({ bandLo: 13, aimLo: 15, aimHi: 20, bandHi: 30, weight: 4 }),
  },
  kneeRoom: ROOM.roomy,
  order: ORDERS.tensionBeforeBack,
  lock: 'never',
  cautions: ['laidBack'],
});

const HALF_SITTING = method({
  id: 'half-sitting',
  name: 'Half sitting',
  summary:
    'Perching between sitting and standing: thighs falling 20–40°, the feet carry half the weight. For sitting and standing all day.',
  targets: {
    thigh: practice({ bandLo: -40, aimLo: -35, aimHi: -25, bandHi: -20, weight: 2 }),
    trunkThigh: {
      bandLo: 120,
      aimLo: 125,
      aimHi: 135,
      bandHi: 140,
      weight: 1,
      basis: 'published',
      source: 'range: after Keegan 1953; not verified against source',
    },
    backAngle: practice({ bandLo: 0, aimLo: 0, aimHi: 0, bandHi: 10, weight: 1 }),
  },
  perches: true,
  kneeRoom: ROOM.short,
  order: ORDERS.depthBeforeHeight,
  neutralStart: 'liftToTop',
  cautions: ['perch'],
  reported: { knee: { lo: 120, hi: 170 }, elbow: ELBOW },
});

const BREAKS_ONLY = method({
  id: 'recline-for-breaks',
  name: 'Upright, recline for breaks',
  summary: 'Upright for work, reclined for rest. For sitters who want a disciplined posture.',
  targets: {
    backAngle: practice({ bandLo: 0, aimLo: 0, aimHi: 3, bandHi: 6, weight: 4 }),
  },
  kneeRoom: ROOM.wide,
  order: ORDERS.lumbarAndArmsFirst,
  lock: 'freeInBreaks',
  neutralStart: 'lockedUpright',
  reported: { knee: { lo: 85, hi: 105 }, elbow: ELBOW },
});

const OPENING: readonly MethodStep[] = [
  {
    name: 'Upright first',
    instruct:
      'Set everything square: thighs level, knees at a right angle, trunk upright. Let the sitter feel it.',
    targets: RIGHT_ANGLE.targets,
  },
  {
    name: 'Open the backrest',
    instruct: 'Recline the backrest one notch at a time until breathing is easy; stop where it feels best.',
    targets: { ...RIGHT_ANGLE.targets, ...OPENED },
  },
  {
    name: 'Let the thighs fall a little',
    instruct: 'Tip the seat or raise it until the hips are a little above the knees; set the height again.',
    targets: OPEN_HIP.targets,
  },
];

const THEN_OPEN = method({
  id: 'right-angle-then-open',
  name: 'Upright, then open hip angle',
  summary:
    'Starts upright, then opens backrest and tilt until it feels best. Teaches the sitter what each control does.',
  targets: OPEN_HIP.targets,
  orLevel: true,
  kneeRoom: ROOM.threeToFour,
  fingers: { lo: 3, hi: 4, whose: 'sitter' },
  steps: OPENING,
  lock: 'toggled',
});

const SITTER_LED = method({
  id: 'sitter-led',
  name: 'Sitter-led',
  summary:
    'The sitter finds each setting by preference without looking; then it is measured and judged. Comfort decides.',
  targets: {
    thigh: practice({ bandLo: -6, aimLo: -2, aimHi: 2, bandHi: 6, weight: 1 }),
    trunkThigh: practice({ bandLo: 90, aimLo: 95, aimHi: 110, bandHi: 120, weight: 0 }),
    backAngle: practice({ bandLo: 0, aimLo: 5, aimHi: 15, bandHi: 25, weight: 1 }),
    armHeight: practice({ bandLo: -25, aimLo: -15, aimHi: 0, bandHi: 10, hardHi: 25, weight: 2 }),
    lumbarHeight: practice({ bandLo: -40, aimLo: -15, aimHi: 15, bandHi: 40, weight: 0.5 }),
  },
  kneeRoom: practice({ bandLo: 20, aimLo: 35, aimHi: 65, bandHi: 90, weight: 3 }),
  order: ORDERS.threeZones,
  lock: 'never',
  steps: [
    {
      name: 'By feel',
      instruct:
        'Bring the seat to a neutral start. With eyes closed, the sitter finds the best position of each lever; write each one down.',
      judgeOnly: true,
    },
    {
      name: 'Measure and judge',
      instruct:
        'Enter what was found. Keep what is inside the acceptable range; outside it, say why and offer the nearest edge.',
      judgeOnly: true,
    },
  ],
});

const EYE_AND_HANDS = method({
  id: 'eye-and-hands',
  name: 'Sightline and reach first',
  summary:
    'For cabs and helms: sightline and hand controls decide the seat position, pedals follow. Sight and reach are safety.',
  targets: {
    gaze: { ...COMMON_TARGETS.gaze, weight: 5 },
    leverElbow: { ...COMMON_TARGETS.leverElbow, weight: 5 },
    footGap: { ...COMMON_TARGETS.footGap, weight: 3 },
    thigh: assumed({ bandLo: -4, aimLo: 0, aimHi: 6, bandHi: 10, weight: 1 }),
    trunkThigh: {
      bandLo: 95,
      aimLo: 100,
      aimHi: 110,
      bandHi: 120,
      weight: 0,
      basis: 'published',
      source: 'range: Rebiffé 1969; target assumed inside it; not verified against source',
    },
    backAngle: practice({ bandLo: 5, aimLo: 10, aimHi: 15, bandHi: 25, weight: 4 }),
  },
  kneeRoom: ROOM.wide,
  order: ORDERS.operator,
  reported: { knee: { lo: 95, hi: 135 }, elbow: { lo: 90, hi: 135 } },
});

export const SHIPPED_METHODS: readonly Method[] = [
  RIGHT_ANGLE,
  ARMS_TO_DESK,
  OPEN_HIP,
  LOW_SEAT,
  OPEN_WEDGE,
  FOREARMS_CARRIED,
  SADDLE,
  LAID_BACK,
  HALF_SITTING,
  BREAKS_ONLY,
  THEN_OPEN,
  SITTER_LED,
  EYE_AND_HANDS,
];

/** What a fitting begins with. Common practice, no source. */
export const DEFAULT_METHOD: Method = OPEN_HIP;
