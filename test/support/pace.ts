/** Times of what has to be quick: others on a machine can only make it look slower, so the least of a few tries counts. */

const TRIES = 4;
/** Others come and go in bursts: a try waits for the next moment, ms. */
const APART_MS = 300;

/** Only where nothing else runs beside a test a clock says something of what it does. */
const IS_ALONE = process.env.VELTO_CLOCK === '1';

/**
 * Measures until it is quick enough, a few times at most. Beside other tests it is done once, and no time is told.
 * @param measure gives its own time, ms
 * @returns the least time that it took, ms; 0 beside others
 */
export async function leastMs(limitMs: number, measure: () => Promise<number>): Promise<number> {
  let least = await measure();
  if (!IS_ALONE) return 0;
  for (let n = 1; n < TRIES && least >= limitMs; n++) {
    await new Promise((after) => setTimeout(after, APART_MS));
    least = Math.min(least, await measure());
  }
  return least;
}

/** The time that something takes, ms. */
export async function timeOf(act: () => unknown): Promise<number> {
  const began = performance.now();
  await act();
  return performance.now() - began;
}
