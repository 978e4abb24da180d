import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { sameSettings, type Settings } from '../../core/fit';
import type { FittingDetail } from '../../contract';
import { api, explain } from '../../ui/client';
import type { Saving } from '../../ui/SaveState';
import { DraftSaver } from './draft-saver';
import type { SettingsStore } from './settings-store';

export interface Autosave {
  readonly saving: Saving;
  readonly saver: DraftSaver<Settings>;
}

/** Saves the draft settings of a fitting while it is open, also on leaving the page; null before a seat is chosen. */
export function useAutosave(fitting: FittingDetail, store: SettingsStore | null): Autosave | null {
  const { id, state } = fitting;
  const saver = useMemo(() => {
    if (!store) return null;
    const settings = store.get();
    const saved =
      store.stored && sameSettings(store.stored.settings, settings)
        ? { value: settings, at: store.stored.savedAt }
        : null;
    return new DraftSaver(store, (value) => api.saveSettings(id, value), explain, saved);
  }, [id, store]);
  const saving = useSyncExternalStore(
    saver?.subscribe ?? nothingToHear,
    saver?.get ?? nothing,
    saver?.get ?? nothing,
  );

  useEffect(() => {
    if (!saver || state !== 'open') return;
    const stop = saver.start();
    const leaving = () => {
      if (document.visibilityState === 'hidden') void saver.flush();
    };
    document.addEventListener('visibilitychange', leaving);
    window.addEventListener('pagehide', leaving);
    return () => {
      stop();
      document.removeEventListener('visibilitychange', leaving);
      window.removeEventListener('pagehide', leaving);
    };
  }, [saver, state]);

  return saver && saving && { saving, saver };
}

const nothingToHear = () => () => undefined;
const nothing = () => null;
