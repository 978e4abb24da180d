export {
  HIGH,
  LOW,
  TARGET_BASES,
  aimOf,
  bandOf,
  hardOf,
  outsideBy,
  type Interval,
  type Target,
  type TargetBasis,
} from './target';
export {
  CONDITION_IDS,
  CONDITION_UNITS,
  ROOM_REFERENCE_MM,
  TIE_BREAKS,
  roomForChild,
  type ConditionId,
  type Method,
  type TieBreak,
} from './method';
export { COMMON_TARGETS, SHIPPED_METHODS, targetOf } from './shipped';
