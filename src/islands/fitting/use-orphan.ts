import { useSyncExternalStore } from 'react';
import type { FittingDetail } from '../../contract';
import { outbox, seatOfSubject, type Entry } from '../../ui/outbox';

const noEntries: readonly Entry[] = [];
const subscribeToOutbox = (listener: () => void): (() => void) => outbox().subscribe(listener);

/** Returns settings kept on this device for a seat that the fitting no longer has; undefined where there are none. */
export function useOrphan(fitting: FittingDetail): Entry | undefined {
  const entries = useSyncExternalStore(
    subscribeToOutbox,
    () => outbox().get().entries,
    () => noEntries,
  );
  return entries.find(
    (e) =>
      e.kind === 'settings' &&
      e.recordId === fitting.id &&
      e.refusal !== null &&
      seatOfSubject(e.subject) !== fitting.seat?.versionId,
  );
}
