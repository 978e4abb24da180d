/**
 * The body dimensions that Velto knows, each declared once: unit, posture, where it runs, what it is called in
 * ISO 7250-1 (2017 layout; clause numbers from memory) or that it is a measure of the trade, and how well two
 * readings should agree.
 *
 * Limits are what a person from a small child to a very large adult can have: outside, an entry is a slip of
 * unit or of the row (assumed, wide on purpose). Repeat tolerances are common practice: 5 mm for heights on
 * bone, 10 mm over soft tissue, 0.5 kg. How far one careful reading errs comes from how far two observers of the US
 * Army differ (Gordon et al. 1989, Gordon & Bradtmiller 1992, from memory: mean difference over 1.13), rounded; where
 * they tell nothing it is assumed.
 */
export interface DimensionRow {
  readonly unit: 'mm' | 'kg';
  readonly posture: 'standing' | 'seated' | 'footwear';
  /** `standard`: clause of ISO 7250-1; `trade`: not in the standard. */
  readonly origin: { readonly standard: string } | 'trade';
  readonly lowest: number;
  readonly highest: number;
  readonly repeatTolerance: number;
  /** Standard deviation of one careful reading, same unit. */
  readonly readingSd: number;
  /** `quick` is the three-minute set, `full` the eight-minute set, `more` what only sharpens estimates of the others. */
  readonly set: 'quick' | 'full' | 'more';
}

const row = (
  unit: DimensionRow['unit'],
  {
    posture,
    clause,
    lowest,
    highest,
    repeatTolerance,
    readingSd,
    set,
  }: {
    readonly posture: DimensionRow['posture'];
    readonly clause: string | null;
    readonly lowest: number;
    readonly highest: number;
    readonly repeatTolerance: number;
    readonly readingSd: number;
    readonly set: DimensionRow['set'];
  },
): DimensionRow => ({
  unit,
  posture,
  origin: clause === null ? 'trade' : { standard: clause },
  lowest,
  highest,
  repeatTolerance,
  readingSd,
  set,
});

/** In the order of measuring that spares the sitter getting up and down: standing first, then seated upward. */
export const DIMENSIONS = {
  stature: row('mm', {
    posture: 'standing',
    clause: '6.1.2',
    lowest: 700,
    highest: 2400,
    repeatTolerance: 5,
    readingSd: 9,
    set: 'quick',
  }),
  bodyMass: row('kg', {
    posture: 'standing',
    clause: '6.1.1',
    lowest: 7,
    highest: 350,
    repeatTolerance: 0.5,
    readingSd: 0.5,
    set: 'quick',
  }),
  elbowHeightStanding: row('mm', {
    posture: 'standing',
    clause: null,
    lowest: 400,
    highest: 1500,
    repeatTolerance: 5,
    readingSd: 9,
    set: 'more',
  }),
  footLength: row('mm', {
    posture: 'standing',
    clause: null,
    lowest: 110,
    highest: 400,
    repeatTolerance: 5,
    readingSd: 2,
    set: 'more',
  }),
  shoeHeel: row('mm', {
    posture: 'footwear',
    clause: null,
    lowest: 0,
    highest: 150,
    repeatTolerance: 5,
    readingSd: 3,
    set: 'quick',
  }),
  poplitealHeight: row('mm', {
    posture: 'seated',
    clause: '6.2.12',
    lowest: 150,
    highest: 650,
    repeatTolerance: 5,
    readingSd: 6,
    set: 'quick',
  }),
  kneeHeight: row('mm', {
    posture: 'seated',
    clause: '6.2.14',
    lowest: 200,
    highest: 800,
    repeatTolerance: 5,
    readingSd: 4,
    set: 'full',
  }),
  buttockPoplitealLength: row('mm', {
    posture: 'seated',
    clause: '6.4.6',
    lowest: 180,
    highest: 750,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'quick',
  }),
  thighClearance: row('mm', {
    posture: 'seated',
    clause: '6.2.13',
    lowest: 50,
    highest: 320,
    repeatTolerance: 10,
    readingSd: 3,
    set: 'full',
  }),
  elbowHeightSitting: row('mm', {
    posture: 'seated',
    clause: '6.2.5',
    lowest: 90,
    highest: 400,
    repeatTolerance: 5,
    readingSd: 9,
    set: 'quick',
  }),
  shoulderHeightSitting: row('mm', {
    posture: 'seated',
    clause: '6.2.4',
    lowest: 220,
    highest: 850,
    repeatTolerance: 5,
    readingSd: 8,
    set: 'full',
  }),
  cervicaleHeightSitting: row('mm', {
    posture: 'seated',
    clause: '6.2.3',
    lowest: 260,
    highest: 900,
    repeatTolerance: 5,
    readingSd: 8,
    set: 'full',
  }),
  eyeHeightSitting: row('mm', {
    posture: 'seated',
    clause: '6.2.2',
    lowest: 320,
    highest: 1100,
    repeatTolerance: 5,
    readingSd: 6,
    set: 'full',
  }),
  sittingHeight: row('mm', {
    posture: 'seated',
    clause: '6.2.1',
    lowest: 400,
    highest: 1250,
    repeatTolerance: 5,
    readingSd: 6,
    set: 'full',
  }),
  smallOfBackHeight: row('mm', {
    posture: 'seated',
    clause: null,
    lowest: 80,
    highest: 350,
    repeatTolerance: 10,
    readingSd: 10,
    set: 'full',
  }),
  smallOfBackDepth: row('mm', {
    posture: 'seated',
    clause: null,
    lowest: 0,
    highest: 100,
    repeatTolerance: 5,
    readingSd: 5,
    set: 'full',
  }),
  napeHeight: row('mm', {
    posture: 'seated',
    clause: null,
    lowest: 280,
    highest: 950,
    repeatTolerance: 10,
    readingSd: 10,
    set: 'full',
  }),
  hipBreadthSitting: row('mm', {
    posture: 'seated',
    clause: '6.2.11',
    lowest: 150,
    highest: 750,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'quick',
  }),
  elbowToElbowBreadth: row('mm', {
    posture: 'seated',
    clause: '6.2.10',
    lowest: 180,
    highest: 900,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'full',
  }),
  forearmBreadth: row('mm', {
    posture: 'seated',
    clause: null,
    lowest: 40,
    highest: 220,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'full',
  }),
  elbowGripLength: row('mm', {
    posture: 'seated',
    clause: '6.4.3',
    lowest: 120,
    highest: 550,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'full',
  }),
  forearmHandLength: row('mm', {
    posture: 'seated',
    clause: '6.4.5',
    lowest: 150,
    highest: 700,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'full',
  }),
  buttockKneeLength: row('mm', {
    posture: 'seated',
    clause: '6.4.7',
    lowest: 220,
    highest: 850,
    repeatTolerance: 10,
    readingSd: 5,
    set: 'more',
  }),
  shoulderElbowLength: row('mm', {
    posture: 'seated',
    clause: '6.2.6',
    lowest: 130,
    highest: 520,
    repeatTolerance: 5,
    readingSd: 5,
    set: 'more',
  }),
  shoulderBreadth: row('mm', {
    posture: 'seated',
    clause: '6.2.9',
    lowest: 200,
    highest: 750,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'more',
  }),
  biacromialBreadth: row('mm', {
    posture: 'seated',
    clause: '6.2.8',
    lowest: 170,
    highest: 560,
    repeatTolerance: 5,
    readingSd: 6,
    set: 'more',
  }),
  abdominalDepth: row('mm', {
    posture: 'seated',
    clause: '6.2.15',
    lowest: 110,
    highest: 650,
    repeatTolerance: 10,
    readingSd: 6,
    set: 'more',
  }),
  threeFingerBreadth: row('mm', {
    posture: 'seated',
    clause: null,
    lowest: 25,
    highest: 90,
    repeatTolerance: 2,
    readingSd: 1,
    set: 'more',
  }),
  fourFingerBreadth: row('mm', {
    posture: 'seated',
    clause: null,
    lowest: 35,
    highest: 120,
    repeatTolerance: 2,
    readingSd: 1,
    set: 'more',
  }),
} as const satisfies Record<string, DimensionRow>;

export type DimensionId = keyof typeof DIMENSIONS;
export const DIMENSION_IDS = Object.keys(DIMENSIONS) as DimensionId[];

/** What settings are computed from; the rest only sharpens estimates. */
export const FITTING_DIMENSIONS: readonly DimensionId[] = DIMENSION_IDS.filter(
  (id) => DIMENSIONS[id].set !== 'more',
);

/**
 * Whether a text names a dimension.
 * @returns false for any other text, without a fault. Definition.
 * @example
 * [isDimensionId('stature'), isDimensionId('height')] // => [true, false]
 */
export function isDimensionId(id: string): id is DimensionId {
  return Object.hasOwn(DIMENSIONS, id);
}
