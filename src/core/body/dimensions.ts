/**
 * The body dimensions that Velto knows, each declared once: unit, posture, where it runs, what it is called in
 * ISO 7250-1 (2017 layout; clause numbers from memory) or that it is a measure of the trade, and how well two
 * readings should agree.
 *
 * Limits are what a person from a small child to a very large adult can have: outside, an entry is a slip of
 * unit or of the row (assumed, wide on purpose). Repeat tolerances are common practice: 5 mm for heights on
 * bone, 10 mm over soft tissue, 0.5 kg.
 */
export interface DimensionRow {
  readonly unit: 'mm' | 'kg';
  readonly posture: 'standing' | 'seated' | 'footwear';
  /** `standard`: clause of ISO 7250-1; `trade`: not in the standard. */
  readonly origin: { readonly standard: string } | 'trade';
  readonly lowest: number;
  readonly highest: number;
  readonly repeatTolerance: number;
  /** `quick` is the three-minute set, `full` the eight-minute set. */
  readonly set: 'quick' | 'full';
}

const row = (
  unit: DimensionRow['unit'],
  posture: DimensionRow['posture'],
  clause: string | null,
  lowest: number,
  highest: number,
  repeatTolerance: number,
  set: DimensionRow['set'],
): DimensionRow => ({
  unit,
  posture,
  origin: clause === null ? 'trade' : { standard: clause },
  lowest,
  highest,
  repeatTolerance,
  set,
});

/** In the order of measuring that spares the sitter getting up and down: standing first, then seated upward. */
export const DIMENSIONS = {
  stature: row('mm', 'standing', '6.1.2', 700, 2400, 5, 'quick'),
  bodyMass: row('kg', 'standing', '6.1.1', 7, 350, 0.5, 'quick'),
  shoeHeel: row('mm', 'footwear', null, 0, 150, 5, 'quick'),
  poplitealHeight: row('mm', 'seated', '6.2.12', 150, 650, 5, 'quick'),
  kneeHeight: row('mm', 'seated', '6.2.14', 200, 800, 5, 'full'),
  buttockPoplitealLength: row('mm', 'seated', '6.4.6', 180, 750, 10, 'quick'),
  thighClearance: row('mm', 'seated', '6.2.13', 50, 320, 10, 'full'),
  elbowHeightSitting: row('mm', 'seated', '6.2.5', 90, 400, 5, 'quick'),
  shoulderHeightSitting: row('mm', 'seated', '6.2.4', 220, 850, 5, 'full'),
  cervicaleHeightSitting: row('mm', 'seated', '6.2.3', 260, 900, 5, 'full'),
  eyeHeightSitting: row('mm', 'seated', '6.2.2', 320, 1100, 5, 'full'),
  sittingHeight: row('mm', 'seated', '6.2.1', 400, 1250, 5, 'full'),
  smallOfBackHeight: row('mm', 'seated', null, 80, 350, 10, 'full'),
  smallOfBackDepth: row('mm', 'seated', null, 0, 100, 5, 'full'),
  napeHeight: row('mm', 'seated', null, 280, 950, 10, 'full'),
  hipBreadthSitting: row('mm', 'seated', '6.2.11', 150, 750, 10, 'quick'),
  elbowToElbowBreadth: row('mm', 'seated', '6.2.10', 180, 900, 10, 'full'),
  forearmBreadth: row('mm', 'seated', null, 40, 220, 10, 'full'),
  elbowGripLength: row('mm', 'seated', '6.4.3', 120, 550, 10, 'full'),
  forearmHandLength: row('mm', 'seated', '6.4.5', 150, 700, 10, 'full'),
} as const satisfies Record<string, DimensionRow>;

export type DimensionId = keyof typeof DIMENSIONS;
export const DIMENSION_IDS = Object.keys(DIMENSIONS) as DimensionId[];

export function isDimensionId(id: string): id is DimensionId {
  return Object.hasOwn(DIMENSIONS, id);
}
