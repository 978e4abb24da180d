import type { Problem } from './problem';

/** A problem never changes: what follows from it alone is worked out once, for every frame of a drag asks again. */
export function oncePer<T>(work: (p: Problem) => T): (p: Problem) => T {
  const known = new WeakMap<Problem, { readonly made: T }>();
  return (p) => {
    const found = known.get(p) ?? { made: work(p) };
    known.set(p, found);
    return found.made;
  };
}
