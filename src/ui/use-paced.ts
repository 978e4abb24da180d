import { useEffect, useRef, useState } from 'react';

/** Returns a text as it changes: the first change at once, those that follow no more often than this. */
export function usePaced(text: string, everyMs: number): string {
  const [shown, setShown] = useState(text);
  const shownAt = useRef(-Infinity);
  useEffect(() => {
    const timer = setTimeout(
      () => {
        shownAt.current = performance.now();
        setShown(text);
      },
      Math.max(0, shownAt.current + everyMs - performance.now()),
    );
    return () => clearTimeout(timer);
  }, [everyMs, text]);
  return shown;
}
