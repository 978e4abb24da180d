/** Work in slices between which others are heard: a message that the work is not wanted any more, above all. */
const SLICE_MS = 25;

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

/**
 * Runs to the end, or until it is not wanted any more.
 * @param onProgress hears the newest value after every slice
 * @returns the last value; null where there was none or it was not wanted any more
 */
export async function runSliced<T>(
  work: Generator<T, void>,
  onProgress: (value: T) => void,
  isWanted: () => boolean,
): Promise<T | null> {
  let last: T | null = null;
  for (;;) {
    const end = performance.now() + SLICE_MS;
    do {
      const step = work.next();
      if (step.done) return last;
      last = step.value;
    } while (performance.now() < end);
    onProgress(last);
    await pause();
    if (!isWanted()) return null;
  }
}
