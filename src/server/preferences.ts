import type { AstroCookies } from 'astro';
import { readingIn } from '../api/reading';
import { LENGTH_UNITS, type LengthUnit } from '../core/units';
import type { Practice } from '../service/context';
import type { Reading } from '../words';

/** What this device has chosen, kept in cookies so that the first paint is already right. */
export const DEVICE_COOKIES = {
  units: 'velto-units',
  fitter: 'velto-fitter',
  scope: 'velto-scope',
} as const;

/** Returns how the reader at this device reads numbers and dates. */
export function readingOf(cookies: AstroCookies, practice: Practice): Reading {
  const chosen = cookies.get(DEVICE_COOKIES.units)?.value;
  const length = LENGTH_UNITS.find((unit: LengthUnit) => unit === chosen) ?? 'mm';
  return readingIn(practice, length);
}
