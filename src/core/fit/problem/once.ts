import type { Problem } from './problem';

let shelves = 0;

/**
 * A problem never changes: what follows from it alone is worked out once, for every frame of a drag asks again. It is
 * kept with the problem itself, on a shelf for each piece of work.
 * @returns the same answers as `work`. Definition.
 */
export function oncePer<T>(work: (p: Problem) => T): (p: Problem) => T {
  const shelf = shelves++;
  return (p) => {
    const found = p.known[shelf] as { readonly made: T } | undefined;
    if (found) return found.made;
    const made = work(p);
    p.known[shelf] = { made };
    return made;
  };
}
