/** What more than the settings is asked for: each takes its time. */
export const EXTRAS = ['certainty', 'remedies'] as const;
export type Extra = (typeof EXTRAS)[number];
