export {
  ABOVE_SEAT_KINDS,
  ADJUSTMENT_KINDS,
  ADJUSTMENT_KIND_IDS,
  isAdjustmentKind,
  kindNumber,
  ADJUSTMENT_UNITS,
  ADJUSTMENT_UNIT_IDS,
  NAMED_KINDS,
  DATUMS,
  SIGNS,
  type AdjustmentKind,
  type AdjustmentKindRow,
  type AdjustmentUnit,
  type Datum,
  type Sign,
} from './adjustment-kinds';
export type { Adjustment, Effort, Meaning, Travel } from './adjustment';
export {
  countOf,
  endsOf,
  isFixed,
  isStepped,
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
  HANDS,
  SITTER_ACTS,
  controlFor,
  oppositeOf,
  type Action,
  type Control,
  type ControlKind,
  type Direction,
  type Hand,
  type Move,
  type SitterAct,
} from './controls';
export { SEAT_CLASSES, adjustmentOf, takesCushions, type SeatClass, type SeatModel } from './seat';
export { heightShift, sinkMm } from './sink';
export { SEAT_FAULTS, adjustmentDoubts, seatDoubts, type SeatDoubt, type SeatFault } from './validate';
