/** Raised when documents of seats change their form; older ones are upgraded on reading (`upgrade.ts`). */
export const SEAT_DOCUMENT = 2 as const;
