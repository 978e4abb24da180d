/** What is done at the place, and how far from the elbow the hands work. */
export const TASKS = ['keyboard', 'writing', 'handwork', 'controls'] as const;
export type Task = (typeof TASKS)[number];

/** What the floor does under an operator seat. */
export const GROUNDS = ['smooth', 'mixed', 'rough'] as const;
export type Ground = (typeof GROUNDS)[number];

/** Which side gives way where desk and feet cannot both be had; absent: they are weighed against each other. */
export const WINNERS = ['desk', 'feet'] as const;
export type Winner = (typeof WINNERS)[number];

/** A length that a place says: its schema, its limits and its field of the form come from this row. */
export interface PlaceLengthRow {
  /** Ends that no place passes, mm (assumed, wide on purpose). */
  readonly limits: readonly [number, number];
  /** Whether every place says it; otherwise what is absent is not there. */
  readonly isRequired: boolean;
  readonly about: string;
}
export const PLACE_LENGTHS = {
  deskThicknessMm: { limits: [0, 400], isRequired: true, about: 'desk top to its underside' },
  keyboardThicknessMm: { limits: [0, 100], isRequired: true, about: 'what lies on the desk under the hands' },
  drawerMm: {
    limits: [0, 400],
    isRequired: false,
    about: 'desk top to the bottom of a drawer over the thighs',
  },
  apronMm: {
    limits: [0, 700],
    isRequired: false,
    about: 'desk top to the lower edge of an apron in front of the knees',
  },
  keysFromEdgeMm: { limits: [0, 600], isRequired: false, about: 'hands behind the desk’s front edge' },
  screenDistanceMm: { limits: [200, 5000], isRequired: false, about: 'eye to screen' },
  headroomMm: { limits: [800, 3000], isRequired: false, about: 'floor to the ceiling of a cab' },
} as const satisfies Readonly<Record<string, PlaceLengthRow>>;
export type PlaceLength = keyof typeof PLACE_LENGTHS;
export const PLACE_LENGTH_IDS = Object.keys(PLACE_LENGTHS) as PlaceLength[];
export const SPOT_LIMITS = {
  forwardMm: [-500, 2500],
  heightMm: [-200, 2500],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;
