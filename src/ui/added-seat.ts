/** A seat that was added from inside a fitting, on its way back to it: in this tab alone, so that no link can bring one. */
import { inTab } from './device-storage';

const KEY = 'velto-added-seat';

export function sendAddedSeat(fittingId: string, seatVersionId: string): void {
  inTab.set(KEY, JSON.stringify({ fittingId, seatVersionId }));
}

/** Takes the seat that was added for this fitting; once. */
export function takeAddedSeat(fittingId: string): string | null {
  const kept = JSON.parse(inTab.get(KEY) ?? 'null') as { fittingId: string; seatVersionId: string } | null;
  if (kept?.fittingId !== fittingId) return null;
  inTab.remove(KEY);
  return kept.seatVersionId;
}
