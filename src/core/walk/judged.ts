/** Assessments that are asked for again: from step to step hardly anything changes. */
import { assess, sameSettings, type Assessment, type Problem, type Settings } from '../fit';

const KEPT = 6;
const recent = new WeakMap<Problem, readonly Assessment[]>();

/**
 * An assessment, as far as possible taken over from those made last.
 * @returns the same as `assess`; the same object for the same settings. Definition.
 * @example
 * judged(problem, best) === judged(problem, { ...best }) // => true
 */
export function judged(p: Problem, settings: Settings): Assessment {
  const known = recent.get(p) ?? [];
  const found = known.find((a) => sameSettings(a.settings, settings));
  if (found) return found;
  const made = assess(p, settings, known[0] ?? null);
  recent.set(p, [made, ...known].slice(0, KEPT));
  return made;
}
