import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { FittingDetail } from '../../contract';
import { outbox } from '../../ui/outbox';
import type { Saving } from '../../ui/SaveState';
import { DraftKeeper } from './draft-keeper';
import type { SettingsStore } from './settings-store';

export interface Autosave {
  readonly saving: Saving;
  readonly keeper: DraftKeeper;
  /** Whether somebody else's settings have been taken over. */
  readonly isTakenOver: boolean;
}

/** Saves the draft settings of a fitting while it is open, also on leaving the page; null before a seat is chosen. */
export function useAutosave(fitting: FittingDetail, store: SettingsStore | null): Autosave | null {
  const { id, state, seat } = fitting;
  const seatVersionId = seat?.versionId ?? null;
  // The revision that the page began with; from then on the keeper knows better.
  const keeper = useMemo(
    () => (store && seatVersionId ? new DraftKeeper(store, id, seatVersionId, fitting.draftRevision) : null),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [id, seatVersionId, store],
  );
  const saving = useSyncExternalStore(
    keeper?.subscribe ?? nothingToHear,
    keeper?.get ?? nothing,
    keeper?.get ?? nothing,
  );
  const isTakenOver = useSyncExternalStore(
    keeper?.subscribe ?? nothingToHear,
    keeper?.takenOver ?? no,
    keeper?.takenOver ?? no,
  );

  useEffect(() => {
    if (!keeper || state !== 'open') return;
    const stop = keeper.start(outbox());
    const leaving = () => {
      if (document.visibilityState === 'hidden') void keeper.release();
    };
    document.addEventListener('visibilitychange', leaving);
    window.addEventListener('pagehide', leaving);
    return () => {
      void keeper.release();
      stop();
      document.removeEventListener('visibilitychange', leaving);
      window.removeEventListener('pagehide', leaving);
    };
  }, [keeper, state]);

  return keeper && saving && { saving, keeper, isTakenOver };
}

const nothingToHear = () => () => undefined;
const nothing = () => null;
const no = () => false;
