/** Work in slices between which others are heard: a message that the work is not wanted any more, above all. */
const SLICE_MS = 25;
/** How often is told how far it is, ms: whoever hears it draws a page anew. */
const TELL_EVERY_MS = 100;

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

/**
 * Runs to the end, or until it is not wanted any more.
 * @param onProgress hears the newest value after the first slice, and from then on now and then
 * @returns the last value; null where there was none or it was not wanted any more
 */
export async function runSliced<T>(
  work: Generator<T, void>,
  onProgress: (value: T) => void,
  isWanted: () => boolean,
): Promise<T | null> {
  let last: T | null = null;
  let toldAt = -Infinity;
  for (;;) {
    const end = performance.now() + SLICE_MS;
    do {
      const step = work.next();
      if (step.done) return last;
      last = step.value;
    } while (performance.now() < end);
    if (performance.now() - toldAt >= TELL_EVERY_MS) {
      toldAt = performance.now();
      onProgress(last);
    }
    await pause();
    if (!isWanted()) return null;
  }
}
