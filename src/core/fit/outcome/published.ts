/** Published rules, reported beside the settings and never the verdict. */
import type { Interval } from '../../target';
import { cosDeg } from '../../units';

/**
 * Seat height for a lower leg and a shoe, mm: `(P+s) cos 30° … (P+s) cos 5°` (Gouvali & Boudolos 2006).
 * @returns mm, both ends inside.
 */
export function seatHeightBand(poplitealMm: number, shoeMm: number): Interval {
  const leg = poplitealMm + shoeMm;
  return { lo: leg * cosDeg(30), hi: leg * cosDeg(5) };
}

/**
 * Seat depth for a buttock–popliteal length, mm: `0.80 B … 0.95 B` (Parcells et al. 1999; Gouvali & Boudolos 2006).
 * @returns mm, both ends inside.
 */
export const seatDepthBand = (buttockPoplitealMm: number): Interval => ({
  lo: 0.8 * buttockPoplitealMm,
  hi: 0.95 * buttockPoplitealMm,
});

/**
 * Seat width for a hip breadth, mm: `1.10 … 1.30` (Gouvali & Boudolos 2006; the upper end is for shared school seats).
 * @returns mm, both ends inside.
 */
export const seatWidthBand = (hipBreadthMm: number): Interval => ({
  lo: 1.1 * hipBreadthMm,
  hi: 1.3 * hipBreadthMm,
});
