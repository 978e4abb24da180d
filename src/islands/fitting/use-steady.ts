import { useCallback, useEffect, useRef } from 'react';

/** A function that never changes and always does what the newest one given does. */
export function useSteady<A extends unknown[]>(act: (...args: A) => void): (...args: A) => void {
  const newest = useRef(act);
  useEffect(() => {
    newest.current = act;
  });
  return useCallback((...args: A) => newest.current(...args), []);
}
