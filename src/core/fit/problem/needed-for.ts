import type { DimensionId } from '../../body';
import type { AdjustmentKind } from '../../seat';

/** What each measure is needed for, whatever the seat: settings, checks of the seat as a whole, estimates of the others. */
export const NEEDED_FOR: Readonly<
  Record<
    DimensionId,
    readonly (AdjustmentKind | 'ratedLoad' | 'seatWidth' | 'headroom' | 'belly' | 'estimates')[]
  >
> = {
  stature: ['seatAngle', 'tiltTension', 'armDepth', 'armPivot', 'foreAft', 'stationForeAft'],
  bodyMass: ['ratedLoad', 'tiltTension', 'suspensionWeight'],
  shoeHeel: ['seatHeight', 'seatAngle'],
  poplitealHeight: ['seatHeight', 'seatAngle', 'footRing', 'footrest', 'stationForeAft'],
  kneeHeight: ['deskHeight'],
  buttockPoplitealLength: ['seatDepth', 'backReach', 'seatAngle', 'stationForeAft'],
  thighClearance: ['deskHeight', 'armHeight'],
  elbowHeightSitting: ['armHeight', 'armWidth', 'deskHeight'],
  shoulderHeightSitting: ['armHeight', 'armWidth', 'headHeight', 'deskHeight'],
  cervicaleHeightSitting: ['headHeight', 'headDepth'],
  eyeHeightSitting: ['screenHeight', 'backProfile'],
  sittingHeight: ['headroom', 'seatHeight'],
  smallOfBackHeight: ['lumbarApex', 'backHeight', 'upperLumbar', 'lowerLumbar'],
  smallOfBackDepth: ['lumbarDepth', 'upperLumbar', 'lowerLumbar'],
  napeHeight: ['headHeight', 'headDepth'],
  hipBreadthSitting: ['seatWidth', 'armWidth', 'padSlide', 'armHeight'],
  elbowToElbowBreadth: ['armWidth', 'padSlide'],
  forearmBreadth: ['armWidth'],
  elbowGripLength: ['armDepth', 'armAngle', 'foreAft'],
  forearmHandLength: ['armPivot'],
  elbowHeightStanding: ['estimates'],
  buttockKneeLength: ['estimates'],
  shoulderElbowLength: ['estimates'],
  shoulderBreadth: ['estimates'],
  biacromialBreadth: ['estimates'],
  abdominalDepth: ['belly', 'estimates'],
  footLength: ['estimates'],
  threeFingerBreadth: ['seatDepth'],
  fourFingerBreadth: ['seatDepth'],
};

/** What is computed without: taken from other measures or as practice has it, and better where it was measured. */
export const DONE_WITHOUT: readonly DimensionId[] = [
  'cervicaleHeightSitting',
  'smallOfBackHeight',
  'forearmBreadth',
  'elbowGripLength',
  'forearmHandLength',
];
