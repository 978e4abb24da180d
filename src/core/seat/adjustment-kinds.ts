/**
 * The kinds of adjustment that Velto computes and the units they are counted in, each declared once.
 *
 * Heights above the seat are above the seat loaded with its reference mass. The origin (position 0) is always the
 * end against the sign: lowest, shortest, narrowest, lightest, most upright. Signs of angles: core/posture/frame.ts.
 * What a kind is called, where it counts from and which way is more are said by the wording table under
 * `kind.<kind>`, `datum.<datum>` and `more.<sign>`.
 */
export const ADJUSTMENT_UNITS = {
  /** A continuous length is offered on a lattice of 1 mm: below every repeat tolerance of a measure. */
  mm: { finestStep: 1, closeBy: 10 },
  deg: { finestStep: 0.5, closeBy: 2 },
  turn: { finestStep: 0.125, closeBy: 0.25 },
  step: { finestStep: 1, closeBy: 1 },
  /** Strokes of an air bulb. */
  pump: { finestStep: 1, closeBy: 1 },
  kg: { finestStep: 1, closeBy: 1 },
} as const satisfies Record<string, { finestStep: number; closeBy: number }>;

export type AdjustmentUnit = keyof typeof ADJUSTMENT_UNITS;
export const ADJUSTMENT_UNIT_IDS = Object.keys(ADJUSTMENT_UNITS) as AdjustmentUnit[];

/** Where values count from. */
export const DATUMS = [
  'floor',
  'loadedSeat',
  'alongBack',
  'backFrame',
  'backSupport',
  'rearmost',
  'level',
  'pan',
  'vertical',
  'backLine',
  'padLine',
  'betweenPads',
  'flattest',
  'lightest',
  'straightest',
  'off',
] as const;
export type Datum = (typeof DATUMS)[number];

/** Which way a greater value goes. */
export const SIGNS = [
  'up',
  'deeper',
  'frontUp',
  'leanBack',
  'topForward',
  'wider',
  'prominent',
  'forward',
  'toesIn',
  'stiffer',
  'heavier',
  'harder',
  'rounder',
  'on',
] as const;
export type Sign = (typeof SIGNS)[number];

/** Level or straight; the lowest position (most upright, off, unused); the middle of its range; nowhere. */
export const RESTS = ['level', 'lowest', 'middle', 'none'] as const;
/** In which part of the search for the best settings it is chosen. */
export const PARTS = ['stance', 'after'] as const;

export interface AdjustmentKindRow {
  /** The first is the usual one. */
  readonly units: readonly [AdjustmentUnit, ...AdjustmentUnit[]];
  readonly datum: Datum;
  readonly sign: Sign;
  /** Ends that no real seat passes; an entry outside is a slip (assumed, wide on purpose). */
  readonly lowest: number;
  readonly highest: number;
  /** What seats of the trade offer, in the first unit; null where there is no such thing. */
  readonly typical: readonly [number, number] | null;
  /** Who stands behind the typical range. */
  readonly source: 'common practice' | 'assumed';
  /** Where it is left when nothing asks for another place; `none`: wherever it is needed. */
  readonly rest: (typeof RESTS)[number];
  /** Whether it is there to be used or not: using it at all costs something. */
  readonly optional?: true;
  /** `stance`: what the whole body stands on; `after`: what follows it, and what is chosen once that stands still. */
  readonly part: (typeof PARTS)[number];
  /** Desk, screen and footrest are adjustments of the place: same type, same solver. */
  readonly belongsTo: 'seat' | 'place';
  /**
   * Where a count has to say what it does: what its ends come to, in this unit. Lengths and angles say it
   * themselves.
   */
  readonly means?: 'mm' | 'deg';
}

type Units = AdjustmentKindRow['units'];
const MM: Units = ['mm'];
const DEG: Units = ['deg'];

type Plan = Pick<AdjustmentKindRow, 'rest' | 'part'>;
const stance = (rest: Plan['rest']): Plan => ({ rest, part: 'stance' });
const after = (rest: Plan['rest']): Plan => ({ rest, part: 'after' });

function row(
  units: Units,
  {
    datum,
    sign,
    limits,
    typical,
    plan,
    more = {},
  }: {
    readonly datum: Datum;
    readonly sign: Sign;
    readonly limits: readonly [number, number];
    readonly typical: readonly [number, number] | null;
    readonly plan: Plan;
    readonly more?: Partial<AdjustmentKindRow>;
  },
): AdjustmentKindRow {
  const [lowest, highest] = limits;
  const source = 'common practice';
  return { units, datum, sign, lowest, highest, typical, source, ...plan, belongsTo: 'seat', ...more };
}

export const ADJUSTMENT_KINDS = {
  /** Floor to the top of the seat's front edge, in the middle, loaded, pan level. */
  seatHeight: row(MM, {
    datum: 'floor',
    sign: 'up',
    limits: [150, 1000],
    typical: [400, 530],
    plan: stance('none'),
  }),
  /** Most forward point of the back support, lumbar at its flattest, to the front edge, along the pan. */
  seatDepth: row(MM, {
    datum: 'backSupport',
    sign: 'deeper',
    limits: [150, 650],
    typical: [380, 450],
    plan: after('none'),
  }),
  seatAngle: row(DEG, {
    datum: 'level',
    sign: 'frontUp',
    limits: [-30, 20],
    typical: [-8, 5],
    plan: stance('level'),
  }),
  /** The same movement as the seat angle, released or fixed: adds to it. */
  forwardTilt: row(DEG, {
    datum: 'level',
    sign: 'frontUp',
    limits: [-30, 0],
    typical: [-12, -5],
    plan: stance('level'),
    more: { optional: true },
  }),
  /** The front third drops on its own. */
  frontSlope: row(DEG, {
    datum: 'pan',
    sign: 'frontUp',
    limits: [-40, 0],
    typical: [-15, 0],
    plan: stance('level'),
    more: { optional: true },
  }),
  /** Back and lumbar together: the lumbar apex above the loaded seat, along the back. */
  backHeight: row(MM, {
    datum: 'alongBack',
    sign: 'up',
    limits: [60, 500],
    typical: [150, 250],
    plan: after('middle'),
  }),
  /** Above the loaded seat along the back; above the back's own frame where the seat has a back height as well. */
  lumbarApex: row(MM, {
    datum: 'alongBack',
    sign: 'up',
    limits: [-150, 400],
    typical: [150, 250],
    plan: after('middle'),
  }),
  /** How far the apex stands out. */
  lumbarDepth: row(['mm', 'turn', 'pump', 'step'], {
    datum: 'flattest',
    sign: 'prominent',
    limits: [0, 100],
    typical: [0, 40],
    plan: stance('middle'),
    more: {
      means: 'mm',
    },
  }),
  /** The shape of the whole back: turns the line of sight up or down. */
  backProfile: row(['turn', 'step'], {
    datum: 'straightest',
    sign: 'rounder',
    limits: [0, 60],
    typical: null,
    plan: after('lowest'),
    more: {
      means: 'deg',
    },
  }),
  /** The back brought in to the sitter, the pan where it is. */
  backReach: row(MM, {
    datum: 'rearmost',
    sign: 'forward',
    limits: [0, 200],
    typical: [50, 100],
    plan: stance('lowest'),
  }),
  upperLumbar: row(['step', 'turn', 'pump', 'mm'], {
    datum: 'flattest',
    sign: 'prominent',
    limits: [0, 100],
    typical: null,
    plan: stance('middle'),
    more: { means: 'mm' },
  }),
  lowerLumbar: row(['step', 'turn', 'pump', 'mm'], {
    datum: 'flattest',
    sign: 'prominent',
    limits: [0, 100],
    typical: null,
    plan: stance('middle'),
    more: { means: 'mm' },
  }),
  /** Of the back alone. */
  backAngle: row(DEG, {
    datum: 'vertical',
    sign: 'leanBack',
    limits: [-10, 60],
    typical: [0, 30],
    plan: stance('lowest'),
  }),
  /** Of the whole seat, back and pan together: adds to both. */
  chairAngle: row(DEG, {
    datum: 'level',
    sign: 'leanBack',
    limits: [-15, 45],
    typical: [0, 15],
    plan: stance('level'),
  }),
  /** From the lightest; of a mechanism that weighs by itself: the override, lighter below zero. */
  tiltTension: row(['turn', 'step'], {
    datum: 'lightest',
    sign: 'stiffer',
    limits: [-40, 40],
    typical: [0, 2],
    plan: after('none'),
  }),
  /** Positions are the states of its lock. */
  tiltLock: row(['step'], { datum: 'off', sign: 'on', limits: [0, 3], typical: null, plan: after('none') }),
  /** The furthest lean that a stop allows. */
  tiltLimiter: row(DEG, {
    datum: 'vertical',
    sign: 'leanBack',
    limits: [-10, 60],
    typical: [5, 30],
    plan: after('none'),
  }),
  /** Pad top. */
  armHeight: row(MM, {
    datum: 'loadedSeat',
    sign: 'up',
    limits: [80, 450],
    typical: [180, 280],
    plan: after('middle'),
  }),
  /** Clear distance between the pads: spacing of the arms under the seat. */
  armWidth: row(MM, {
    datum: 'betweenPads',
    sign: 'wider',
    limits: [200, 800],
    typical: [420, 520],
    plan: after('middle'),
  }),
  /** What the slide of both pads adds to the clear distance. */
  padSlide: row(MM, {
    datum: 'betweenPads',
    sign: 'wider',
    limits: [-150, 150],
    typical: [-30, 30],
    plan: after('middle'),
  }),
  /** Pads fore and aft. */
  armDepth: row(MM, {
    datum: 'rearmost',
    sign: 'forward',
    limits: [0, 250],
    typical: [50, 80],
    plan: after('middle'),
  }),
  armPivot: row(DEG, {
    datum: 'padLine',
    sign: 'toesIn',
    limits: [-180, 180],
    typical: [-15, 15],
    plan: after('level'),
  }),
  /** Slope of the pads. */
  armAngle: row(DEG, {
    datum: 'level',
    sign: 'frontUp',
    limits: [-45, 45],
    typical: [-10, 15],
    plan: after('level'),
    more: { source: 'assumed' },
  }),
  /** Pad centre. */
  headHeight: row(MM, {
    datum: 'alongBack',
    sign: 'up',
    limits: [250, 1000],
    typical: [550, 750],
    plan: after('none'),
    more: { source: 'assumed' },
  }),
  headAngle: row(DEG, {
    datum: 'backLine',
    sign: 'topForward',
    limits: [-45, 90],
    typical: [0, 40],
    plan: after('none'),
    more: { source: 'assumed' },
  }),
  /** The pad's face before the line of the back. */
  headDepth: row(['mm', 'step'], {
    datum: 'backLine',
    sign: 'forward',
    limits: [-100, 250],
    typical: [0, 80],
    plan: after('none'),
    more: {
      source: 'assumed',
      means: 'mm',
    },
  }),
  /** The seat against the hand controls. */
  foreAft: row(['mm', 'step'], {
    datum: 'rearmost',
    sign: 'forward',
    limits: [0, 500],
    typical: [0, 150],
    plan: after('none'),
    more: {
      source: 'assumed',
      means: 'mm',
    },
  }),
  /** Seat and hand controls together against the pedals. */
  stationForeAft: row(['mm', 'step'], {
    datum: 'rearmost',
    sign: 'forward',
    limits: [0, 700],
    typical: [0, 200],
    plan: after('none'),
    more: {
      source: 'assumed',
      means: 'mm',
    },
  }),
  /** The mass that the suspension is calibrated to. */
  suspensionWeight: row(['kg'], {
    datum: 'lightest',
    sign: 'heavier',
    limits: [20, 300],
    typical: [50, 130],
    plan: after('none'),
  }),
  /** 1 soft to 5 hard. */
  damper: row(['step'], {
    datum: 'lightest',
    sign: 'harder',
    limits: [0, 20],
    typical: [1, 5],
    plan: after('none'),
  }),
  footRing: row(MM, {
    datum: 'floor',
    sign: 'up',
    limits: [50, 700],
    typical: [150, 400],
    plan: stance('none'),
    more: { source: 'assumed' },
  }),
  /** 0 off, 1 heat, 2 cool: noted, never computed. */
  climate: row(['step'], { datum: 'off', sign: 'on', limits: [0, 2], typical: null, plan: after('lowest') }),
  /** Top of a footrest of the place; 0: not used. */
  footrest: row(MM, {
    datum: 'floor',
    sign: 'up',
    limits: [0, 400],
    typical: [50, 150],
    plan: stance('none'),
    more: { belongsTo: 'place' },
  }),
  /** The desk's top. */
  deskHeight: row(MM, {
    datum: 'floor',
    sign: 'up',
    limits: [300, 1400],
    typical: [650, 850],
    plan: after('none'),
    more: { belongsTo: 'place' },
  }),
  /** The screen's middle. */
  screenHeight: row(MM, {
    datum: 'floor',
    sign: 'up',
    limits: [500, 2200],
    typical: [920, 1160],
    plan: after('none'),
    more: { belongsTo: 'place' },
  }),
} as const satisfies Record<string, AdjustmentKindRow>;

export type AdjustmentKind = keyof typeof ADJUSTMENT_KINDS;
export const ADJUSTMENT_KIND_IDS = Object.keys(ADJUSTMENT_KINDS) as AdjustmentKind[];

const NUMBERS: ReadonlyMap<string, number> = new Map(ADJUSTMENT_KIND_IDS.map((kind, i) => [kind, i]));
/**
 * Where a kind stands in `ADJUSTMENT_KIND_IDS`; −1 for what is none.
 * @returns a place from 0, or −1. Definition.
 */
export const kindNumber = (kind: AdjustmentKind): number => NUMBERS.get(kind) ?? -1;

/**
 * Whether a text names a kind of adjustment.
 * @returns false for any other text. Definition.
 * @example
 * [isAdjustmentKind('seatHeight'), isAdjustmentKind('lift')] // => [true, false]
 */
export const isAdjustmentKind = (id: string): id is AdjustmentKind => NUMBERS.has(id);

/** Counted from the loaded seat: a body that sinks deeper stands lower beside them. */
export const ABOVE_SEAT_KINDS: readonly AdjustmentKind[] = [
  'lumbarApex',
  'backHeight',
  'armHeight',
  'headHeight',
];

/** Kinds whose positions have names of their own. */
export const NAMED_KINDS: readonly AdjustmentKind[] = ['tiltLock', 'climate'];
