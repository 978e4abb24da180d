import type { DimensionId } from '../body';
import type { AdjustmentKind } from '../seat';

/** What each measure is needed for, whatever the seat: settings, and checks of the seat as a whole. */
export const NEEDED_FOR: Readonly<
  Record<DimensionId, readonly (AdjustmentKind | 'ratedLoad' | 'seatWidth')[]>
> = {
  stature: ['seatAngle', 'tiltTension'],
  bodyMass: ['ratedLoad', 'tiltTension'],
  shoeHeel: ['seatHeight', 'seatAngle'],
  poplitealHeight: ['seatHeight', 'seatAngle'],
  kneeHeight: ['deskHeight'],
  buttockPoplitealLength: ['seatDepth', 'seatAngle'],
  thighClearance: ['deskHeight'],
  elbowHeightSitting: ['armHeight', 'armWidth', 'deskHeight'],
  shoulderHeightSitting: ['armHeight', 'armWidth', 'headHeight', 'deskHeight'],
  eyeHeightSitting: [],
  smallOfBackHeight: ['lumbarApex'],
  napeHeight: ['headHeight'],
  hipBreadthSitting: ['seatWidth', 'armWidth'],
  elbowToElbowBreadth: ['armWidth'],
};
