import { useEffect, useState } from 'react';

/** Returns a text once it has stood still for so long; what it was before until then. */
export function useSettled(text: string, afterMs: number): string {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), afterMs);
    return () => clearTimeout(timer);
  }, [afterMs, text]);
  return settled;
}
