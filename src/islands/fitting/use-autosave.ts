import { useCallback, useEffect, useRef, useState } from 'react';
import type { Settings } from '../../core/fit';
import { ClientError, api } from '../../ui/client';
import type { Saving } from '../../ui/SaveState';
import { word } from '../../words';
import type { SettingsStore } from './settings-store';

const QUIET_MS = 500;
const RETRY_MS = 4000;

/**
 * Saves the draft settings by itself: after a quiet moment, on letting go, and on leaving the page. `saved` is what
 * the server is known to have; nothing is said to be saved before it is.
 */
export function useAutosave(
  fittingId: string,
  store: SettingsStore,
  initiallySaved: { readonly settings: Settings; readonly at: string } | null,
  enabled: boolean,
) {
  const [saving, setSaving] = useState<Saving>(
    initiallySaved ? { state: 'saved', at: initiallySaved.at } : { state: 'unsent' },
  );
  const saved = useRef<Settings | null>(initiallySaved?.settings ?? null);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const busy = useRef<Promise<void> | null>(null);

  const send = useCallback(async () => {
    const settings = store.get();
    if (saved.current === settings) return;
    setSaving({ state: 'saving' });
    try {
      const set = await api.saveSettings(fittingId, settings);
      saved.current = settings;
      setSaving(store.get() === settings ? { state: 'saved', at: set.savedAt } : { state: 'unsent' });
    } catch (error) {
      const why =
        error instanceof ClientError && error.reason === 'offline'
          ? word('save.offline')
          : error instanceof Error
            ? error.message
            : word('fault.unknown');
      setSaving({ state: 'failed', why });
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flushRef.current(), RETRY_MS);
    }
  }, [fittingId, store]);

  /** Sends what is unsent, after whatever is being sent now. */
  const flush = useCallback(async () => {
    clearTimeout(timer.current);
    while (busy.current) await busy.current;
    busy.current = send().finally(() => {
      busy.current = null;
    });
    await busy.current;
  }, [send]);

  const flushRef = useRef(flush);
  useEffect(() => {
    flushRef.current = flush;
  }, [flush]);

  /** Settings that an act has already stored on the server. */
  const adopt = useCallback((settings: Settings, at: string) => {
    clearTimeout(timer.current);
    saved.current = settings;
    setSaving({ state: 'saved', at });
  }, []);

  useEffect(() => {
    if (!enabled) return;
    const changed = () => {
      if (store.get() === saved.current) return;
      setSaving({ state: 'unsent' });
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), QUIET_MS);
    };
    const hidden = () => {
      if (document.visibilityState === 'hidden') void flush();
    };
    changed();
    const stop = store.subscribe(changed);
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('pagehide', hidden);
    return () => {
      stop();
      clearTimeout(timer.current);
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('pagehide', hidden);
    };
  }, [enabled, flush, store]);

  return { saving, flush, adopt };
}
