/** The parts of a seat that somebody points at, and what can move on each. */
import type { AdjustmentKind } from './adjustment-kinds';

interface PartRow {
  /** What most seats with this part have comes first. */
  readonly kinds: readonly AdjustmentKind[];
}

export const SEAT_PARTS = {
  pan: { kinds: ['seatHeight', 'seatDepth', 'seatAngle', 'forwardTilt', 'frontSlope'] },
  back: { kinds: ['backHeight', 'backAngle', 'backReach', 'backProfile'] },
  lumbar: { kinds: ['lumbarApex', 'lumbarDepth', 'lowerLumbar', 'upperLumbar'] },
  arms: { kinds: ['armHeight', 'armWidth', 'armDepth', 'armPivot', 'padSlide', 'armAngle'] },
  head: { kinds: ['headHeight', 'headAngle', 'headDepth'] },
  mechanism: { kinds: ['tiltTension', 'tiltLock', 'tiltLimiter', 'chairAngle'] },
  base: { kinds: ['footRing', 'foreAft', 'stationForeAft', 'suspensionWeight', 'damper', 'climate'] },
} as const satisfies Record<string, PartRow>;

export type SeatPart = keyof typeof SEAT_PARTS;
export const SEAT_PART_IDS = Object.keys(SEAT_PARTS) as SeatPart[];

/**
 * Returns the part that an adjustment belongs to.
 * @returns every kind belongs to one. Definition.
 * @example
 * partOf('seatDepth') // => 'pan'
 */
export const partOf = (kind: AdjustmentKind): SeatPart =>
  SEAT_PART_IDS.find((id) => (SEAT_PARTS[id].kinds as readonly AdjustmentKind[]).includes(kind)) ?? 'pan';
