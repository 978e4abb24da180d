/** Part of the stance: the positions from `lo` to `hi` on each of its axes, both included. */
export interface Box {
  readonly lo: number[];
  readonly hi: number[];
}

/**
 * Whether some axes of a box are one position each.
 * @param on numbers of axes, from 0
 * @returns true for no axes. Definition.
 */
export function isStill({ lo, hi }: Box, on: readonly number[]): boolean {
  for (const i of on) if (lo[i] !== hi[i]) return false;
  return true;
}
