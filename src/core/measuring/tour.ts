/** In which order somebody is measured: a tour through the dimensions that spares the sitter getting up and down. */
import { DIMENSIONS, DIMENSION_IDS, type DimensionId, type DimensionRow } from '../body';
import { takesWanted, type Tolerances } from './takes';

/** One reading as it was taken. */
export interface Take {
  readonly dimension: DimensionId;
  /** mm or kg. */
  readonly value: number;
}

/** How far a tour has come; everything else follows from it. */
export interface Tour {
  /** What is to be measured; the order does not matter. */
  readonly selection: readonly DimensionId[];
  /** In the order they were taken. */
  readonly takes: readonly Take[];
  readonly skipped: readonly DimensionId[];
}

export interface Step {
  readonly dimension: DimensionId;
  /** 1, 2 or 3. */
  readonly reading: number;
}

export const TOUR_SETS = ['quick', 'full'] as const;
export type TourSet = (typeof TOUR_SETS)[number];

/**
 * The three-minute set, or all that settings are computed from.
 * @returns in the order of measuring. Common practice, no source.
 * @example
 * selectionOf('quick').length // => 7
 */
export const selectionOf = (set: TourSet): readonly DimensionId[] =>
  DIMENSION_IDS.filter((id) => {
    const own = DIMENSIONS[id].set;
    return own === 'quick' || (set === 'full' && own === 'full');
  });

export const NEW_TOUR: Tour = { selection: selectionOf('quick'), takes: [], skipped: [] };

/**
 * The readings of one dimension.
 * @returns mm or kg, first reading first; empty where there are none. Definition.
 * @example
 * takesOf(tour, 'stature') // => [1702]
 */
export const takesOf = ({ takes }: Tour, dimension: DimensionId): number[] =>
  takes.filter((t) => t.dimension === dimension).map((t) => t.value);

const POSTURES: readonly DimensionRow['posture'][] = ['standing', 'footwear', 'seated'];

/**
 * What is measured next: all of one posture once, then all of it again, so that the hand does not remember the first
 * reading and nobody gets up twice; a third reading at once, while the tape is still there.
 * @returns null when everything has been measured or skipped. Common practice, no source.
 * @example
 * nextStep(tour) // => { dimension: 'bodyMass', reading: 1 }
 */
export function nextStep(tour: Tour, tolerances: Tolerances = {}): Step | null {
  const left = DIMENSION_IDS.filter((id) => tour.selection.includes(id) && !tour.skipped.includes(id));
  for (const posture of POSTURES) {
    const open = left
      .filter((id) => DIMENSIONS[id].posture === posture)
      .map((dimension) => ({ dimension, taken: takesOf(tour, dimension) }))
      .filter(({ dimension, taken }) => taken.length < takesWanted(dimension, taken, tolerances));
    if (open.length === 0) continue;
    const third = open.find(({ taken }) => taken.length === 2);
    const fewest = Math.min(...open.map(({ taken }) => taken.length));
    const { dimension, taken } = third ?? open.find((one) => one.taken.length === fewest)!;
    return { dimension, reading: taken.length + 1 };
  }
  return null;
}

/**
 * How many readings are taken, and how many there will be as far as can be told.
 * @returns counts of readings. Definition.
 * @example
 * progressOf(tour) // => { taken: 1, of: 4 }
 */
export function progressOf(
  tour: Tour,
  tolerances: Tolerances = {},
): { readonly taken: number; readonly of: number } {
  const counts = tour.selection.map((id) => {
    const taken = takesOf(tour, id);
    const wanted = tour.skipped.includes(id) ? 0 : takesWanted(id, taken, tolerances);
    return { taken: taken.length, of: Math.max(taken.length, wanted) };
  });
  return {
    taken: counts.reduce((sum, c) => sum + c.taken, 0),
    of: counts.reduce((sum, c) => sum + c.of, 0),
  };
}

/**
 * One more reading taken.
 * @returns a new tour. Definition.
 * @example
 * withTake(tour, { dimension: 'bodyMass', value: 68 }).takes.length // => 2
 */
export const withTake = (tour: Tour, take: Take): Tour => ({ ...tour, takes: [...tour.takes, take] });

/**
 * The last reading undone; the dimension is no longer skipped if it was.
 * @returns a new tour; the same where there is none. Definition.
 * @example
 * withoutLast(tour).takes // => []
 */
export function withoutLast(tour: Tour): Tour {
  const last = tour.takes.at(-1);
  return {
    ...tour,
    takes: tour.takes.slice(0, -1),
    skipped: tour.skipped.filter((id) => id !== last?.dimension),
  };
}

/**
 * All readings of one dimension discarded, to measure it anew.
 * @returns a new tour. Definition.
 * @example
 * withoutTakes(tour, 'stature').takes // => []
 */
export const withoutTakes = (tour: Tour, dimension: DimensionId): Tour => ({
  ...tour,
  takes: tour.takes.filter((t) => t.dimension !== dimension),
  skipped: tour.skipped.filter((id) => id !== dimension),
});

/**
 * A dimension left out.
 * @returns a new tour. Definition.
 * @example
 * withSkipped(tour, 'bodyMass').skipped // => ['bodyMass']
 */
export const withSkipped = (tour: Tour, dimension: DimensionId): Tour => ({
  ...tour,
  skipped: [...tour.skipped, dimension],
});

/**
 * Measured in this selection from now on; what was taken stays.
 * @returns a new tour. Definition.
 * @example
 * withSelection(tour, ['bodyMass']).selection // => ['bodyMass']
 */
export const withSelection = (tour: Tour, selection: readonly DimensionId[]): Tour => ({
  ...tour,
  selection,
  skipped: tour.skipped.filter((id) => selection.includes(id)),
});
