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
  datum: Datum,
  sign: Sign,
  limits: readonly [number, number],
  typical: readonly [number, number] | null,
  plan: Plan,
  more: Partial<AdjustmentKindRow> = {},
): AdjustmentKindRow {
  const [lowest, highest] = limits;
  const source = 'common practice';
  return { units, datum, sign, lowest, highest, typical, source, ...plan, belongsTo: 'seat', ...more };
}

export const ADJUSTMENT_KINDS = {
  /** Floor to the top of the seat's front edge, in the middle, loaded, pan level. */
  seatHeight: row(MM, 'floor', 'up', [150, 1000], [400, 530], stance('none')),
  /** Most forward point of the back support, lumbar at its flattest, to the front edge, along the pan. */
  seatDepth: row(MM, 'backSupport', 'deeper', [150, 650], [380, 450], after('none')),
  seatAngle: row(DEG, 'level', 'frontUp', [-30, 20], [-8, 5], stance('level')),
  /** The same movement as the seat angle, released or fixed: adds to it. */
  forwardTilt: row(DEG, 'level', 'frontUp', [-30, 0], [-12, -5], stance('level'), { optional: true }),
  /** The front third drops on its own. */
  frontSlope: row(DEG, 'pan', 'frontUp', [-40, 0], [-15, 0], stance('level'), { optional: true }),
  /** Back and lumbar together: the lumbar apex above the loaded seat, along the back. */
  backHeight: row(MM, 'alongBack', 'up', [60, 500], [150, 250], after('middle')),
  /** Above the loaded seat along the back; above the back's own frame where the seat has a back height as well. */
  lumbarApex: row(MM, 'alongBack', 'up', [-150, 400], [150, 250], after('middle')),
  /** How far the apex stands out. */
  lumbarDepth: row(
    ['mm', 'turn', 'pump', 'step'],
    'flattest',
    'prominent',
    [0, 100],
    [0, 40],
    stance('middle'),
    {
      means: 'mm',
    },
  ),
  /** The shape of the whole back: turns the line of sight up or down. */
  backProfile: row(['turn', 'step'], 'straightest', 'rounder', [0, 60], null, after('lowest'), {
    means: 'deg',
  }),
  /** The back brought in to the sitter, the pan where it is. */
  backReach: row(MM, 'rearmost', 'forward', [0, 200], [50, 100], stance('lowest')),
  upperLumbar: row(
    ['step', 'turn', 'pump', 'mm'],
    'flattest',
    'prominent',
    [0, 100],
    null,
    stance('middle'),
    { means: 'mm' },
  ),
  lowerLumbar: row(
    ['step', 'turn', 'pump', 'mm'],
    'flattest',
    'prominent',
    [0, 100],
    null,
    stance('middle'),
    { means: 'mm' },
  ),
  /** Of the back alone. */
  backAngle: row(DEG, 'vertical', 'leanBack', [-10, 60], [0, 30], stance('lowest')),
  /** Of the whole seat, back and pan together: adds to both. */
  chairAngle: row(DEG, 'level', 'leanBack', [-15, 45], [0, 15], stance('level')),
  /** From the lightest; of a mechanism that weighs by itself: the override, lighter below zero. */
  tiltTension: row(['turn', 'step'], 'lightest', 'stiffer', [-40, 40], [0, 2], after('none')),
  /** Positions are the states of its lock. */
  tiltLock: row(['step'], 'off', 'on', [0, 3], null, after('none')),
  /** The furthest lean that a stop allows. */
  tiltLimiter: row(DEG, 'vertical', 'leanBack', [-10, 60], [5, 30], after('none')),
  /** Pad top. */
  armHeight: row(MM, 'loadedSeat', 'up', [80, 450], [180, 280], after('middle')),
  /** Clear distance between the pads: spacing of the arms under the seat. */
  armWidth: row(MM, 'betweenPads', 'wider', [200, 800], [420, 520], after('middle')),
  /** What the slide of both pads adds to the clear distance. */
  padSlide: row(MM, 'betweenPads', 'wider', [-150, 150], [-30, 30], after('middle')),
  /** Pads fore and aft. */
  armDepth: row(MM, 'rearmost', 'forward', [0, 250], [50, 80], after('middle')),
  armPivot: row(DEG, 'padLine', 'toesIn', [-180, 180], [-15, 15], after('level')),
  /** Slope of the pads. */
  armAngle: row(DEG, 'level', 'frontUp', [-45, 45], [-10, 15], after('level'), { source: 'assumed' }),
  /** Pad centre. */
  headHeight: row(MM, 'alongBack', 'up', [250, 1000], [550, 750], after('none'), { source: 'assumed' }),
  headAngle: row(DEG, 'backLine', 'topForward', [-45, 90], [0, 40], after('none'), { source: 'assumed' }),
  /** The pad's face before the line of the back. */
  headDepth: row(['mm', 'step'], 'backLine', 'forward', [-100, 250], [0, 80], after('none'), {
    source: 'assumed',
    means: 'mm',
  }),
  /** The seat against the hand controls. */
  foreAft: row(['mm', 'step'], 'rearmost', 'forward', [0, 500], [0, 150], after('none'), {
    source: 'assumed',
    means: 'mm',
  }),
  /** Seat and hand controls together against the pedals. */
  stationForeAft: row(['mm', 'step'], 'rearmost', 'forward', [0, 700], [0, 200], after('none'), {
    source: 'assumed',
    means: 'mm',
  }),
  /** The mass that the suspension is calibrated to. */
  suspensionWeight: row(['kg'], 'lightest', 'heavier', [20, 300], [50, 130], after('none')),
  /** 1 soft to 5 hard. */
  damper: row(['step'], 'lightest', 'harder', [0, 20], [1, 5], after('none')),
  footRing: row(MM, 'floor', 'up', [50, 700], [150, 400], stance('none'), { source: 'assumed' }),
  /** 0 off, 1 heat, 2 cool: noted, never computed. */
  climate: row(['step'], 'off', 'on', [0, 2], null, after('lowest')),
  /** Top of a footrest of the place; 0: not used. */
  footrest: row(MM, 'floor', 'up', [0, 400], [50, 150], stance('none'), { belongsTo: 'place' }),
  /** The desk's top. */
  deskHeight: row(MM, 'floor', 'up', [300, 1400], [650, 850], after('none'), { belongsTo: 'place' }),
  /** The screen's middle. */
  screenHeight: row(MM, 'floor', 'up', [500, 2200], [920, 1160], after('none'), { belongsTo: 'place' }),
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
