/**
 * The kinds of adjustment that Velto computes and the units they are counted in, each declared once.
 *
 * Heights above the seat are above the seat loaded with its reference mass. The origin (position 0) is always the
 * lowest, shortest, narrowest, lightest, most upright end. Signs of angles: core/posture/frame.ts.
 */
export const ADJUSTMENT_UNITS = {
  /** A continuous length is offered on a lattice of 1 mm: below every repeat tolerance of a measure. */
  mm: { finestStep: 1, closeBy: 10 },
  deg: { finestStep: 0.5, closeBy: 2 },
  turn: { finestStep: 0.125, closeBy: 0.25 },
  step: { finestStep: 1, closeBy: 1 },
} as const satisfies Record<string, { finestStep: number; closeBy: number }>;

export type AdjustmentUnit = keyof typeof ADJUSTMENT_UNITS;
export const ADJUSTMENT_UNIT_IDS = Object.keys(ADJUSTMENT_UNITS) as AdjustmentUnit[];

export interface AdjustmentKindRow {
  readonly units: readonly [AdjustmentUnit, ...AdjustmentUnit[]];
  /** Ends that no real seat passes; an entry outside is a slip (assumed, wide on purpose). */
  readonly lowest: number;
  readonly highest: number;
  /** Desk and footrest are adjustments of the place: same type, same solver. */
  readonly belongsTo: 'seat' | 'place';
}

export const ADJUSTMENT_KINDS = {
  /** Floor to the top of the seat's front edge, in the middle, loaded, pan level. */
  seatHeight: { units: ['mm'], lowest: 150, highest: 1000, belongsTo: 'seat' },
  /** Most forward point of the back support to the front edge, along the pan. */
  seatDepth: { units: ['mm'], lowest: 150, highest: 650, belongsTo: 'seat' },
  /** Positive with the front edge up. */
  seatAngle: { units: ['deg'], lowest: -30, highest: 20, belongsTo: 'seat' },
  /** From the vertical, positive leaning back. */
  backAngle: { units: ['deg'], lowest: -10, highest: 60, belongsTo: 'seat' },
  /** Lumbar apex above the loaded seat, along the back. */
  lumbarApex: { units: ['mm'], lowest: 60, highest: 400, belongsTo: 'seat' },
  /** From the lightest. */
  tiltTension: { units: ['turn', 'step'], lowest: 0, highest: 40, belongsTo: 'seat' },
  /** Pad top above the loaded seat. */
  armHeight: { units: ['mm'], lowest: 80, highest: 450, belongsTo: 'seat' },
  /** Clear distance between the pads. */
  armWidth: { units: ['mm'], lowest: 200, highest: 800, belongsTo: 'seat' },
  /** Pad centre above the loaded seat, along the back. */
  headHeight: { units: ['mm'], lowest: 250, highest: 1000, belongsTo: 'seat' },
  /** Floor to the desk's top. */
  deskHeight: { units: ['mm'], lowest: 300, highest: 1400, belongsTo: 'place' },
} as const satisfies Record<string, AdjustmentKindRow>;

export type AdjustmentKind = keyof typeof ADJUSTMENT_KINDS;
export const ADJUSTMENT_KIND_IDS = Object.keys(ADJUSTMENT_KINDS) as AdjustmentKind[];
