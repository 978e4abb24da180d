/**
 * How fast this machine is while something is measured. Limits are those of the machine that they were set on, left
 * alone; a slower one, or one that others use as well, is allowed so much more, up to a bound: what takes far too long
 * fails anywhere.
 */

/** What the fixed work takes there as a rule, ms: 108 at best. */
const THERE_MS = 150;
/** More than this is never allowed for. */
const MOST = 3;
const TRIES = 4;
/** Others come and go in bursts: a try waits for the next moment, ms. */
const APART_MS = 300;

/** Fresh memory that is written to, bytes, and how far apart. */
const FRESH = 64 * 2 ** 20;
const PAGE = 4096;

/** Numbers, a map and a sort, objects that are thrown away, and memory that was never used: as programs do it. */
function fixedWork(): number {
  const began = performance.now();
  const counts = new Map<number, number>();
  let x = 123456789;
  for (let i = 0; i < 400_000; i++) {
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    counts.set(x & 0xffff, (counts.get(x & 0xffff) ?? 0) + i);
  }
  const names = Array.from({ length: 20_000 }, (_, i) => `${(x * i) % 7919}`);
  names.sort((a, b) => (a < b ? -1 : 1));
  let thrownAway: unknown[] = [];
  for (let i = 0; i < 400_000; i++) {
    thrownAway.push({ i, pair: [i, i + 1], name: String(i) });
    if (thrownAway.length > 50_000) thrownAway = [];
  }
  const fresh = Buffer.allocUnsafeSlow(FRESH);
  for (let at = 0; at < FRESH; at += PAGE) fresh[at] = 1;
  return performance.now() - began;
}

const bounded = (ms: number): number => Math.min(MOST, Math.max(1, ms / THERE_MS));

/** How many times longer this machine takes just now. @returns from 1 to 3 */
export function pace(): number {
  const sorted = [fixedWork(), fixedWork(), fixedWork()].sort((a, b) => a - b);
  return bounded(sorted[1]!);
}

/** Does something, and tells how fast the machine was before and after it. */
export async function atPace<T>(
  act: () => Promise<T>,
): Promise<{ readonly result: T; readonly pace: number }> {
  const before = pace();
  const result = await act();
  return { result, pace: (before + pace()) / 2 };
}

/**
 * Measures until it is quick enough, a few times at most: others on a machine can only make it look slower.
 * @param measure gives its own time, ms
 * @returns the least time that it took, in milliseconds of the machine that limits were set on
 */
export async function leastMs(limitMs: number, measure: () => Promise<number>): Promise<number> {
  // Quick enough even so: nothing needs to be allowed for.
  let least = await measure();
  for (let n = 1; n < TRIES && least >= limitMs; n++) {
    await new Promise((after) => setTimeout(after, APART_MS));
    const { result, pace: by } = await atPace(measure);
    least = Math.min(least, result / by);
  }
  return least;
}

/** The time that something takes, ms. */
export async function timeOf(act: () => unknown): Promise<number> {
  const began = performance.now();
  await act();
  return performance.now() - began;
}
