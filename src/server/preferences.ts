import type { AstroCookies } from 'astro';
import { LENGTH_UNITS, type LengthUnit } from '../core/units';
import type { Practice } from '../service/context';
import { DEFAULT_READING, type Reading } from '../words';

/** What this device has chosen, kept in cookies so that the first paint is already right. */
export interface Preferences {
  readonly reading: Reading;
  readonly fitterId: string | null;
}

export const COOKIES = { units: 'velto-units', fitter: 'velto-fitter' } as const;

export function preferencesOf(cookies: AstroCookies, practice: Practice): Preferences {
  const length = cookies.get(COOKIES.units)?.value as LengthUnit | undefined;
  const known = length !== undefined && LENGTH_UNITS.includes(length);
  const { locale, timeZone } = practice;
  const reading: Reading = {
    ...DEFAULT_READING,
    locale,
    timeZone,
    ...(known ? { length, mass: length === 'in' ? 'lb' : 'kg' } : {}),
  };
  return {
    reading,
    fitterId: cookies.get(COOKIES.fitter)?.value || null,
  };
}
