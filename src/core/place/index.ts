import { adjustmentOf, type Adjustment } from '../seat';

/** What is done at the place, and how far from the elbow the hands work. */
export const TASKS = ['keyboard', 'writing', 'handwork', 'controls'] as const;
export type Task = (typeof TASKS)[number];

/**
 * Where the hands work, above the elbow, mm (common practice; the family of values is Grandjean's, "Fitting the
 * Task to the Man", from memory). Below the elbow is negative.
 */
export const TASK_OFFSETS = {
  keyboard: { lo: -30, hi: 0 },
  writing: { lo: 0, hi: 30 },
  handwork: { lo: 50, hi: 150 },
  /** Levers and wheels stand where they stand. */
  controls: { lo: 0, hi: 0 },
} as const satisfies Record<Task, { readonly lo: number; readonly hi: number }>;

/** What the floor does under an operator seat, and how hard its damper is wanted (common practice; 1 soft, 5 hard). */
export const GROUNDS = ['smooth', 'mixed', 'rough'] as const;
export type Ground = (typeof GROUNDS)[number];
export const DAMPER_FOR = { smooth: 2, mixed: 3, rough: 4 } as const satisfies Record<Ground, number>;

/** Which side gives way where desk and feet cannot both be had; absent: they are weighed against each other. */
export const WINNERS = ['desk', 'feet'] as const;
export type Winner = (typeof WINNERS)[number];

/** A point in the side view that stands with the seat's rearmost position: forward of the back support's most forward point; above the floor. */
export interface Spot {
  readonly forwardMm: number;
  readonly heightMm: number;
}

/**
 * Where the seat is used: one immutable version. Desk, screen and footrest are adjustments of the place, of the same
 * type as a seat's; one that nobody can move has one position. What is absent is not there.
 */
export interface Place {
  readonly id: string;
  readonly name: string;
  readonly task: Task;
  /** Kinds `deskHeight`, `screenHeight`, `footrest`; none for a place without (a helm, a crane cab). */
  readonly adjustments: readonly Adjustment[];
  /** Desk top to its underside, mm. */
  readonly deskThicknessMm: number;
  /** Desk top to the bottom of a drawer over the thighs, mm. */
  readonly drawerMm?: number | undefined;
  /** Desk top to the lower edge of an apron before the knees, mm. */
  readonly apronMm?: number | undefined;
  /** What lies on the desk under the hands, mm. */
  readonly keyboardThicknessMm: number;
  /** Hands behind the desk's front edge, mm. */
  readonly keysFromEdgeMm?: number | undefined;
  /** Eye to screen, mm. */
  readonly screenDistanceMm?: number | undefined;
  /** Grip of the hand controls in neutral. */
  readonly handControls?: Spot | undefined;
  /** Heel on the pedals, half down. */
  readonly pedals?: Spot | undefined;
  readonly ground?: Ground | undefined;
  /** Floor to the ceiling of a cab, mm. */
  readonly headroomMm?: number | undefined;
  readonly wins?: Winner | undefined;
  readonly notes: string;
}

export const deskOf = (place: Place | null): Adjustment | null =>
  place ? adjustmentOf(place.adjustments, 'deskHeight') : null;

/** Desk top to the lowest thing over the thighs, and to the lowest thing before the knees, mm. */
export const overLegs = (place: Place): { readonly thighsMm: number; readonly kneesMm: number } => ({
  thighsMm: Math.max(place.deskThicknessMm, place.drawerMm ?? 0),
  kneesMm: Math.max(place.deskThicknessMm, place.apronMm ?? 0),
});

/** What is wrong with a place beside its adjustments: a number that is none or that no place has. */
export interface PlaceDoubt {
  readonly reason: 'outOfRange';
  /** JSON pointer into the place. */
  readonly field: string;
  readonly value: number;
}

/** Ends that no place passes, mm (assumed, wide on purpose). */
export const PLACE_LIMITS = {
  deskThicknessMm: [0, 400],
  drawerMm: [0, 400],
  apronMm: [0, 700],
  keyboardThicknessMm: [0, 100],
  keysFromEdgeMm: [0, 600],
  screenDistanceMm: [200, 5000],
  headroomMm: [800, 3000],
} as const satisfies Partial<Record<keyof Place, readonly [number, number]>>;
export const SPOT_LIMITS = {
  forwardMm: [-500, 2500],
  heightMm: [-200, 2500],
} as const satisfies Record<keyof Spot, readonly [number, number]>;

/** Everything of a place that is a plain number, against its limits. */
export function placeDoubts(place: Place): PlaceDoubt[] {
  const doubts: PlaceDoubt[] = [];
  const check = (field: string, value: number | undefined, [low, high]: readonly [number, number]) => {
    if (value !== undefined && !(low <= value && value <= high))
      doubts.push({ reason: 'outOfRange', field, value });
  };
  for (const key of Object.keys(PLACE_LIMITS) as (keyof typeof PLACE_LIMITS)[])
    check(`/${key}`, place[key], PLACE_LIMITS[key]);
  for (const spot of ['handControls', 'pedals'] as const)
    for (const key of ['forwardMm', 'heightMm'] as const)
      check(`/${spot}/${key}`, place[spot]?.[key], SPOT_LIMITS[key]);
  return doubts;
}
