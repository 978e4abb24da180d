import { useEffect, useRef, useState } from 'react';

/** Returns a text as it changes: the first change at once, those that follow no more often than this. */
export function usePaced(text: string, everyMs: number): string {
  const [shown, setShown] = useState(text);
  const shownAt = useRef(-Infinity);
  useEffect(() => {
    const show = () => {
      shownAt.current = performance.now();
      setShown(text);
    };
    const waits = shownAt.current + everyMs - performance.now();
    if (waits <= 0) return show();
    const timer = setTimeout(show, waits);
    return () => clearTimeout(timer);
  }, [everyMs, text]);
  return shown;
}
