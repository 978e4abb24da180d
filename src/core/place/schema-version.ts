/** Raised when documents of workstations change their form; older ones are upgraded on reading (`upgrade.ts`). */
export const PLACE_DOCUMENT = 2 as const;
