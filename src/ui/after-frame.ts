/** Where nothing is drawn, as in a tab behind others, it is not waited for longer than this, ms. */
const LONGEST_MS = 250;

/**
 * Acts once the next frame has been drawn, so that what a hand has just done is seen before what follows from it is
 * worked out.
 * @returns gives it up
 */
export function afterFrame(act: () => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const once = () => {
    clearTimeout(timer);
    cancelFrame?.();
    act();
  };
  timer = setTimeout(once, LONGEST_MS);
  let cancelFrame: (() => void) | undefined;
  if (typeof requestAnimationFrame === 'function') {
    const frame = requestAnimationFrame(() => {
      clearTimeout(timer);
      timer = setTimeout(once);
    });
    cancelFrame = () => cancelAnimationFrame(frame);
  }
  return () => {
    clearTimeout(timer);
    cancelFrame?.();
  };
}
