export {
  HIGH,
  LOW,
  TARGET_BASES,
  aimOf,
  bandOf,
  hardOf,
  leftOver,
  outsideBy,
  type Interval,
  type Target,
  type TargetBasis,
} from './target';
export {
  ARMS_TO,
  CONDITION_IDS,
  CONDITION_UNITS,
  FINGER_COUNTS,
  HANDS_OF,
  METHOD_CAUTIONS,
  MOST_STEPS,
  ROOM_REFERENCE_MM,
  TIE_BREAKS,
  USUAL_FINGERS_MM,
  roomByFingers,
  roomForChild,
  type ArmsTo,
  type ConditionId,
  type Fingers,
  type Method,
  type MethodCaution,
  type MethodStep,
  type Targets,
  type TieBreak,
} from './method';
export { COMMON_TARGETS, targetOf } from './common-targets';
export { ORDERS, ORDER_IDS, orderIdOf, type OrderId } from './orders';
export { SHIPPED_METHODS } from './shipped';
export { upgradeMethod } from './upgrade';
