export {
  ABOVE_SEAT_KINDS,
  ADJUSTMENT_KINDS,
  ADJUSTMENT_KIND_IDS,
  isAdjustmentKind,
  kindNumber,
  ADJUSTMENT_UNITS,
  ADJUSTMENT_UNIT_IDS,
  NAMED_KINDS,
  PARTS,
  RESTS,
  DATUMS,
  SIGNS,
  type AdjustmentKind,
  type AdjustmentKindRow,
  type AdjustmentUnit,
  type Datum,
  type Sign,
} from './adjustment-kinds';
export type { Adjustment, Effort, Holds, Lock, Meaning, SeatModel, SeatState, Travel } from './schema';
export { SEAT_DOCUMENT } from './schema-version';
export {
  UPPER_SUPPORT,
  UPPER_SUPPORT_OFF,
  isLoose,
  upgradeAdjustment,
  upgradeSeat,
  without,
  type Loose,
} from './upgrade';
export {
  countOf,
  endsOf,
  isFixed,
  isStepped,
  looseness,
  meaningLine,
  movedTravel,
  nearestPosition,
  positionCount,
  positionSpread,
  valueAt,
  valuesOf,
  type Line,
} from './positions';
export {
  ACTIONS,
  CONTROL_KINDS,
  DIRECTIONS,
  DONE_BY,
  HANDS,
  PROCEDURE_KINDS,
  PULLS,
  SIDES,
  SITTER_ACTS,
  STANCES,
  ZONES,
  type Action,
  type ControlKind,
  type Direction,
  type DoneBy,
  type Hand,
  type ProcedureKind,
  type Side,
  type SitterAct,
  type Stance,
  type Zone,
} from './control-lists';
export type { Control, Move, Precondition, Procedure } from './control-schema';
export { controlFor, oppositeOf } from './controls';
export { workingOf } from './working';
export { USUAL_STEPS, stepsOf } from './procedures';
export { placeholderSeat } from './placeholder-seat';
export {
  ARM_SUPPORTS,
  COVERS,
  CUSHION_ZONES,
  FLOOR_OFFERS,
  LOCK_STATES,
  MOVED_BY,
  NAMED_POSITIONS,
  OFFERS,
  SEAT_CLASSES,
  STATE_KINDS,
  VARIANT_PARTS,
  type ArmSupport,
  type CushionZone,
  type FloorOffer,
  type LockState,
  type MovedBy,
  type Offer,
  type SeatClass,
  type StateKind,
} from './lists';
export { SEAT_LENGTHS, SEAT_LENGTH_IDS, type SeatLength, type SeatLengthRow } from './lengths';
export { seatNumbers, type SeatNumbers } from './numbers';
export {
  adjustmentOf,
  floorOf,
  leaderOf,
  offers,
  offersOf,
  takesCushions,
  uncalculated,
  UNCALCULATED,
} from './seat';
export {
  MOST_COMPARED,
  compareSeats,
  offeredBySome,
  tipsForward,
  type ComparedRange,
  type ComparedRow,
} from './compare';
export {
  DIMENSION_SETS,
  DIMENSION_SET_IDS,
  SCHOOL_SIZES,
  orientationOf,
  schoolSizesOf,
  setsFor,
  type PublishedRule,
  type DimensionSet,
  type Orientation,
  type PlainDimension,
  type SchoolSize,
} from './orientation';
export { GAP_COSTS, SEAT_GAPS, gapCost, gapsOf, type GapCost, type SeatGap } from './gaps';
export { SEAT_PARTS, SEAT_PART_IDS, partOf, type SeatPart } from './parts';
export { heightShift, sinkMm } from './sink';
export { SLIPS, likelySlip, slipOf, type LikelySlip, type Slip } from './slips';
export { SEAT_FAULTS, adjustmentDoubts, seatDoubts, type SeatDoubt, type SeatFault } from './validate';
