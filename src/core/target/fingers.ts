/** Room behind the knee as hands say it, and in proportion to a child. */
import type { Target } from './target';

/** Three or four fingers instead of a length; the hand of whoever checks. */
export const FINGER_COUNTS = [3, 4] as const;
export const HANDS_OF = ['sitter', 'fitter'] as const;
export interface Fingers {
  readonly lo: (typeof FINGER_COUNTS)[number];
  readonly hi: (typeof FINGER_COUNTS)[number];
  readonly whose: (typeof HANDS_OF)[number];
}

/** Breadth of three and of four fingers where no hand was measured, mm (common practice, no source). */
export const USUAL_FINGERS_MM = { 3: 50, 4: 70 } as const;

/** Buttock–popliteal length of the adult for whom lengths are stated that a child has in proportion, mm (an average one). */
export const ADULT_LENGTH_MM = 480;

/**
 * The room behind the knee by the fingers of a measured hand: lower bounds by the fewer fingers, upper by the more.
 * @returns a new target, mm. Common practice, no source.
 */
export function roomByFingers(
  target: Target,
  fingers: Fingers,
  handMm: Readonly<Record<3 | 4, number>>,
): Target {
  const by = {
    lo: handMm[fingers.lo] - USUAL_FINGERS_MM[fingers.lo],
    hi: handMm[fingers.hi] - USUAL_FINGERS_MM[fingers.hi],
  };
  const moved = (v: number | undefined, mm: number) => (v === undefined ? undefined : v + mm);
  return {
    ...target,
    bandLo: moved(target.bandLo, by.lo),
    aimLo: moved(target.aimLo, by.lo),
    aimHi: moved(target.aimHi, by.hi),
    bandHi: moved(target.bandHi, by.hi),
  };
}

/**
 * The room behind the knee for a child: every bound in proportion.
 * @param buttockPoplitealMm of the child, mm
 * @returns a new target, mm. Assumed.
 */
export function roomForChild(target: Target, buttockPoplitealMm: number): Target {
  const share = buttockPoplitealMm / ADULT_LENGTH_MM;
  const scaled = (v: number | undefined) => (v === undefined ? undefined : v * share);
  return {
    ...target,
    bandLo: scaled(target.bandLo),
    aimLo: scaled(target.aimLo),
    aimHi: scaled(target.aimHi),
    bandHi: scaled(target.bandHi),
  };
}
