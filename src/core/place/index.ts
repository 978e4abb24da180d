import { adjustmentOf, type Adjustment } from '../seat';
import { PLACE_LENGTHS, PLACE_LENGTH_IDS, SPOT_LIMITS, type Ground, type Task } from './lists';
import type { Place } from './schema';

export {
  GROUNDS,
  PLACE_LENGTHS,
  PLACE_LENGTH_IDS,
  SPOT_LIMITS,
  TASKS,
  WINNERS,
  type Ground,
  type PlaceLength,
  type Task,
  type Winner,
} from './lists';
export type { Place, Spot } from './schema';
export { PLACE_DOCUMENT } from './schema-version';
export { upgradePlace } from './upgrade';

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

/** How hard a damper is wanted on this ground (common practice; 1 soft, 5 hard). */
export const DAMPER_FOR = { smooth: 2, mixed: 3, rough: 4 } as const satisfies Record<Ground, number>;

/**
 * The desk of a place.
 * @returns null where there is none. Definition.
 * @example
 * deskOf(place)?.kind // => 'deskHeight'
 */
export const deskOf = (place: Place | null): Adjustment | null =>
  place ? adjustmentOf(place.adjustments, 'deskHeight') : null;

/**
 * Desk top to the lowest thing over the thighs, and to the lowest thing before the knees, mm.
 * @returns mm, 0 or more. Definition.
 */
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

/**
 * Everything of a place that is a plain number, against its limits.
 * @returns empty where nothing is wrong. Assumed limits.
 */
export function placeDoubts(place: Place): PlaceDoubt[] {
  const doubts: PlaceDoubt[] = [];
  const check = (field: string, value: number | undefined, [low, high]: readonly [number, number]) => {
    if (value !== undefined && !(low <= value && value <= high))
      doubts.push({ reason: 'outOfRange', field, value });
  };
  for (const key of PLACE_LENGTH_IDS) check(`/${key}`, place[key], PLACE_LENGTHS[key].limits);
  for (const spot of ['handControls', 'pedals'] as const)
    for (const key of ['forwardMm', 'heightMm'] as const)
      check(`/${spot}/${key}`, place[spot]?.[key], SPOT_LIMITS[key]);
  return doubts;
}
