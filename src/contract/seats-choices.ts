/** What becomes of seats of a file that are here with other contents; by itself, so that a page can know it. */
export const SEATS_EXISTING_CHOICES = ['leave', 'version'] as const;
export type SeatsExisting = (typeof SEATS_EXISTING_CHOICES)[number];
