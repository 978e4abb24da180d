/** A seat for whoever scans its label: how it is built and worked, and nothing of who described it, or what it cost. */
import type { SeatModel } from '../core/seat';

const NOBODY = { by: '–', at: '' };

/** What says who did something, when, or from which papers it was taken. */
function withoutOrigins(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutOrigins);
  if (value === null || typeof value !== 'object') return value;
  const inside = Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, withoutOrigins(inner)]),
  );
  if ('tried' in inside) inside.tried = NOBODY;
  if (!('basis' in inside && 'spread' in inside)) return inside;
  const { value: number, basis, spread } = inside;
  return { value: number, basis, spread, source: '', takenAt: null, takenBy: null };
}

/** What a seat is described by and no control needs. */
const OWN_AFFAIRS = ['price', 'variant'] as const;

export function forStrangers(seat: SeatModel): SeatModel {
  const shown: Record<string, unknown> = { ...(withoutOrigins(seat) as SeatModel), id: '', notes: '' };
  for (const key of OWN_AFFAIRS) delete shown[key];
  // What is left has the form of a seat: only texts about it were emptied.
  return shown as unknown as SeatModel;
}
