/** Lengths that a seat says beside its adjustments: schema, limits and field of the form come from one row each. */

/** How the length is stored, and what stands where nobody said it. */
export type LengthForm =
  /** A quantity with basis and spread, or null. */
  | 'quantity'
  /** A number, or null; taken as null where it is left out. */
  | 'number'
  /** The same, never below zero. */
  | 'size'
  /** A size that is always there, be it null. */
  | 'givenSize'
  /** Left out where nobody said it. */
  | 'optional'
  | 'optionalSize';

export interface SeatLengthRow {
  /** Path in the document. */
  readonly at: string;
  readonly form: LengthForm;
  /** Ends that no seat passes, mm (assumed, wide on purpose). */
  readonly limits: readonly [number, number];
  /** Where most are, mm: a slip of the decimal point or of the unit is seen by it. null: anywhere. */
  readonly common: readonly [number, number] | null;
  readonly about: string;
}

export const SEAT_LENGTHS = {
  width: {
    at: 'seatWidthMm',
    form: 'quantity',
    limits: [200, 1000],
    common: [380, 560],
    about: 'usable width of the pan',
  },
  sink: {
    at: 'cushion/sinkMm',
    form: 'quantity',
    limits: [0, 150],
    common: [5, 60],
    about: 'how far it gives under the reference mass',
  },
  axis: {
    at: 'pan/axisFromRearMm',
    form: 'number',
    limits: [-200, 800],
    common: null,
    about: 'tilt axis from the pan’s rear end: 0 rear, depth front',
  },
  recess: {
    at: 'pan/recessMm',
    form: 'number',
    limits: [0, 200],
    common: null,
    about: 'how far the buttocks may lie behind the most forward point of the back support',
  },
  edgeRadius: {
    at: 'pan/frontEdgeRadiusMm',
    form: 'size',
    limits: [0, 300],
    common: null,
    about: 'radius of the front edge',
  },
  backTop: {
    at: 'back/topMm',
    form: 'number',
    limits: [60, 1200],
    common: [300, 700],
    about: 'above the loaded seat',
  },
  backTopWidth: {
    at: 'back/topWidthMm',
    form: 'optionalSize',
    limits: [50, 1000],
    common: [300, 500],
    about: 'width of the back at its top',
  },
  padLength: {
    at: 'arms/lengthMm',
    form: 'givenSize',
    limits: [20, 800],
    common: [150, 350],
    about: 'length of a pad',
  },
  padWidth: {
    at: 'arms/widthMm',
    form: 'givenSize',
    limits: [15, 300],
    common: [50, 120],
    about: 'width of a pad',
  },
  padFront: {
    at: 'arms/frontMm',
    form: 'optional',
    limits: [-200, 800],
    common: null,
    about:
      'front end before the back support’s most forward point, pads at their rearmost; absent: not known',
  },
  padPivot: {
    at: 'arms/pivotFromRearMm',
    form: 'optionalSize',
    limits: [0, 800],
    common: null,
    about: 'where the pad turns',
  },
  ride: {
    at: 'rideMm',
    form: 'optionalSize',
    limits: [0, 400],
    common: [30, 120],
    about: 'travel of a suspension',
  },
} as const satisfies Readonly<Record<string, SeatLengthRow>>;
export type SeatLength = keyof typeof SEAT_LENGTHS;
export const SEAT_LENGTH_IDS = Object.keys(SEAT_LENGTHS) as SeatLength[];
