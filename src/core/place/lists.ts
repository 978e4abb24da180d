/** What is done at the place, and how far from the elbow the hands work. */
export const TASKS = ['keyboard', 'writing', 'handwork', 'controls'] as const;
export type Task = (typeof TASKS)[number];

/** What the floor does under an operator seat. */
export const GROUNDS = ['smooth', 'mixed', 'rough'] as const;
export type Ground = (typeof GROUNDS)[number];

/** Which side gives way where desk and feet cannot both be had; absent: they are weighed against each other. */
export const WINNERS = ['desk', 'feet'] as const;
export type Winner = (typeof WINNERS)[number];

/** Ends that no place passes, mm (assumed, wide on purpose). */
export const PLACE_LIMITS = {
  deskThicknessMm: [0, 400],
  drawerMm: [0, 400],
  apronMm: [0, 700],
  keyboardThicknessMm: [0, 100],
  keysFromEdgeMm: [0, 600],
  screenDistanceMm: [200, 5000],
  headroomMm: [800, 3000],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;
export const SPOT_LIMITS = {
  forwardMm: [-500, 2500],
  heightMm: [-200, 2500],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;
