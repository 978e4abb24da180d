export {
  ARMS_TO,
  LOCK_USES,
  METHOD_CAUTIONS,
  MOST_STEPS,
  NEUTRAL_STARTS,
  SCREEN_WAYS,
  TIE_BREAKS,
  leanMethod,
  targetOf,
  type ArmsTo,
  type LockUse,
  type Method,
  type MethodCaution,
  type MethodStep,
  type NeutralStart,
  type ScreenWay,
  type Targets,
  type TieBreak,
} from './method';
export { ORDERS, ORDER_IDS, orderIdOf, type OrderId } from './orders';
export { DEFAULT_METHOD, SHIPPED_METHODS } from './shipped';
export { upgradeMethod } from './upgrade';
