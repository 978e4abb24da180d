/** Where each plain field of a seat's form stands. A new length of a seat is added to the list of its part. */
import type { SeatText } from './seat-text';

/** Fields that are typed as one text. */
export type PlainKey = {
  [K in keyof SeatText]: SeatText[K] extends string ? K : never;
}[keyof SeatText];

/** Beside what is adjusted on the part. */
export const PART_FIELDS = {
  /** Before the choice of how heights were taken. */
  panFirst: ['width'],
  pan: ['sink', 'referenceMass', 'edgeRadius', 'axis', 'recess'],
  back: ['backTop', 'backTopWidth', 'synchro'],
  lumbar: ['zoneLower', 'zoneUpper'],
  arms: ['padLength', 'padWidth', 'padFront', 'padPivot'],
  base: ['ride'],
} as const satisfies Readonly<Record<string, readonly PlainKey[]>>;

/** Words rather than numbers. */
export const TEXTS: readonly PlainKey[] = ['name', 'cleaning', 'variantLabel'];
