import { useCallback, useEffect, useRef, useState } from 'react';
import { keepDraft, loadDraft } from './outbox';

/**
 * A form's texts, kept in this browser while they are typed, so that closing the page or losing it loses nothing.
 * @param key names the form; the draft is let go by `drop`
 */
export function useDraft<T extends object>(key: string, initial: T) {
  const [text, setText] = useState(initial);
  const latest = useRef(text);
  const touched = useRef(false);

  useEffect(() => {
    const takeUp = (kept: unknown) => {
      if (kept && !touched.current)
        setText((latest.current = { ...latest.current, ...(kept as Partial<T>) }));
    };
    loadDraft(key).then(takeUp, () => undefined);
  }, [key]);

  const put = useCallback(
    (change: Partial<T>) => {
      touched.current = true;
      latest.current = { ...latest.current, ...change };
      setText(latest.current);
      keepDraft(key, latest.current).catch(() => undefined);
    },
    [key],
  );
  const drop = useCallback(() => keepDraft(key, null).catch(() => undefined), [key]);
  /** Also before it has been drawn. */
  const now = useCallback(() => latest.current, []);
  return { text, now, put, drop };
}
