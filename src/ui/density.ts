import type { AstroCookies } from 'astro';

/** Sizes of the same screen: for a desk, for the floor, or by the pointer of the device. */
export const DENSITIES = ['auto', 'desk', 'floor'] as const;
export type Density = (typeof DENSITIES)[number];

export const DENSITY_COOKIE = 'velto-density';

export function densityOf(cookies: AstroCookies): Density {
  const kept = cookies.get(DENSITY_COOKIE)?.value;
  return DENSITIES.find((d) => d === kept) ?? 'auto';
}
