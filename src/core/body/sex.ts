/** Tables of bodies are printed for each of these. */
export const SEXES = ['men', 'women'] as const;
export type Sex = (typeof SEXES)[number];
