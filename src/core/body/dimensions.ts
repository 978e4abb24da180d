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
  posture: DimensionRow['posture'],
  clause: string | null,
  lowest: number,
  highest: number,
  repeatTolerance: number,
  readingSd: number,
  set: DimensionRow['set'],
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
  stature: row('mm', 'standing', '6.1.2', 700, 2400, 5, 9, 'quick'),
  bodyMass: row('kg', 'standing', '6.1.1', 7, 350, 0.5, 0.5, 'quick'),
  elbowHeightStanding: row('mm', 'standing', null, 400, 1500, 5, 9, 'more'),
  footLength: row('mm', 'standing', null, 110, 400, 5, 2, 'more'),
  shoeHeel: row('mm', 'footwear', null, 0, 150, 5, 3, 'quick'),
  poplitealHeight: row('mm', 'seated', '6.2.12', 150, 650, 5, 6, 'quick'),
  kneeHeight: row('mm', 'seated', '6.2.14', 200, 800, 5, 4, 'full'),
  buttockPoplitealLength: row('mm', 'seated', '6.4.6', 180, 750, 10, 6, 'quick'),
  thighClearance: row('mm', 'seated', '6.2.13', 50, 320, 10, 3, 'full'),
  elbowHeightSitting: row('mm', 'seated', '6.2.5', 90, 400, 5, 9, 'quick'),
  shoulderHeightSitting: row('mm', 'seated', '6.2.4', 220, 850, 5, 8, 'full'),
  cervicaleHeightSitting: row('mm', 'seated', '6.2.3', 260, 900, 5, 8, 'full'),
  eyeHeightSitting: row('mm', 'seated', '6.2.2', 320, 1100, 5, 6, 'full'),
  sittingHeight: row('mm', 'seated', '6.2.1', 400, 1250, 5, 6, 'full'),
  smallOfBackHeight: row('mm', 'seated', null, 80, 350, 10, 10, 'full'),
  smallOfBackDepth: row('mm', 'seated', null, 0, 100, 5, 5, 'full'),
  napeHeight: row('mm', 'seated', null, 280, 950, 10, 10, 'full'),
  hipBreadthSitting: row('mm', 'seated', '6.2.11', 150, 750, 10, 6, 'quick'),
  elbowToElbowBreadth: row('mm', 'seated', '6.2.10', 180, 900, 10, 6, 'full'),
  forearmBreadth: row('mm', 'seated', null, 40, 220, 10, 6, 'full'),
  elbowGripLength: row('mm', 'seated', '6.4.3', 120, 550, 10, 6, 'full'),
  forearmHandLength: row('mm', 'seated', '6.4.5', 150, 700, 10, 6, 'full'),
  buttockKneeLength: row('mm', 'seated', '6.4.7', 220, 850, 10, 5, 'more'),
  shoulderElbowLength: row('mm', 'seated', '6.2.6', 130, 520, 5, 5, 'more'),
  shoulderBreadth: row('mm', 'seated', '6.2.9', 200, 750, 10, 6, 'more'),
  biacromialBreadth: row('mm', 'seated', '6.2.8', 170, 560, 5, 6, 'more'),
  abdominalDepth: row('mm', 'seated', '6.2.15', 110, 650, 10, 6, 'more'),
  threeFingerBreadth: row('mm', 'seated', null, 25, 90, 2, 1, 'more'),
  fourFingerBreadth: row('mm', 'seated', null, 35, 120, 2, 1, 'more'),
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
 */
export function isDimensionId(id: string): id is DimensionId {
  return Object.hasOwn(DIMENSIONS, id);
}
