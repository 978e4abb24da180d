/** What did not change keeps its identity, so that only what changed is drawn again. */
import { useCallback, useEffect, useRef } from 'react';
import type { Assessment } from '../../core/fit';

/** Whether two plain values say the same. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(left);
  return keys.length === Object.keys(right).length && keys.every((key) => isSame(left[key], right[key]));
}

const keep = <T>(before: T, after: T): T => (isSame(before, after) ? before : after);

/** Hands on assessments whose unchanged parts are those of the one before. */
export class SteadyAssessment {
  private before: Assessment | null = null;

  next(after: Assessment): Assessment {
    const { before } = this;
    this.before = before
      ? {
          ...after,
          outcomes: after.outcomes.map((outcome) => {
            const earlier = before.outcomes.find((o) => o.kind === outcome.kind);
            return earlier ? keep(earlier, outcome) : outcome;
          }),
          angles: keep(before.angles, after.angles),
          checks: keep(before.checks, after.checks),
          missing: keep(before.missing, after.missing),
        }
      : after;
    return this.before;
  }
}

/** A function that never changes and always does what the newest one given does. */
export function useSteady<A extends unknown[]>(act: (...args: A) => void): (...args: A) => void {
  const newest = useRef(act);
  useEffect(() => {
    newest.current = act;
  });
  return useCallback((...args: A) => newest.current(...args), []);
}
