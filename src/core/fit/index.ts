export {
  CORE_VERSION,
  INPUTS_SCHEMA,
  NO_REMEDIES,
  PLAIN_WORK,
  REMEDY_IDS,
  REMEDY_LIMITS,
  TABLES_VERSION,
  WORK_FLAGS,
  isChild,
  makeInputs,
  isSwitch,
  sizeInUse,
  workOf,
  type FitInputs,
  type RemedyId,
  type RemedySettings,
  type Settings,
  type Work,
  type WorkFlag,
} from './problem/inputs';
export { uncalculatedOf } from './problem/uncalculated';
export { solvePosture } from './search/solve-posture';
export { MOST_POSTURES, inputsOfPosture, type Posture } from './problem/posture';
export { inPlace, inputsWith } from './case/in-place';
export { nudged, offBy, problemOf, withBody } from './case/problem-of';
export type { Problem, SetValues, Variable } from './problem/problem';
export {
  COMMON_TARGETS,
  CONDITIONS,
  CONDITION_IDS,
  CONDITION_UNITS,
  SCREEN_TARGETS,
  computable as computableConditions,
  conditionsFor,
  followsStraight,
  scopeOf,
  type Condition,
  type ConditionId,
} from './conditions';
export { balancedTension, tensionFraction } from './conditions/wanted';
export { Curve, curveOf, type LeftUnused } from './cost/curve';
export { residualSds } from './cost/doubt';
export { bindings, costAt, judgesOf, leversAt, penaltyAt, type Binding, type Cost } from './cost/judge';
export {
  BUDGET,
  BUDGET_OF_MANY,
  ENDINGS,
  bestAlone,
  endsOfPassive,
  isPassive,
  costOf,
  runnersUp,
  solve,
  valuesOfSettings,
  type SolveResult,
} from './search/solve';
export { axesOf, type SolveOptions } from './search/axes';
export { isCarried, put, withLeaders } from './problem/carried';
export { VERDICTS, type AdjustmentOutcome, type ConditionOutcome, type Verdict } from './outcome/outcome';
export { bindingAt, choicesOf, type Choice, type ChoicesFound } from './outcome/choices';
export {
  assess,
  fitCountOf,
  placed,
  type Assessment,
  type Placed,
  type PublishedCheck,
  type SettingOutcome,
} from './outcome/assess';
export {
  compareMethods,
  inputsOfStep,
  type Comparison,
  type MethodSide,
  type SettingDifference,
} from './outcome/compare';
export {
  CASE_FAULTS,
  caseDoubts,
  heldDoubts,
  methodDoubts,
  type CaseDoubt,
  type CaseFault,
} from './case/doubts';
export { explain } from './explanation/explain';
export { milderWords } from './explanation/milder';
export { toleranceOf, toleranceWords, type Tolerance } from './outcome/tolerance';
export { remedyHint } from './remedies/remedy-hint';
export { REMEDY_COSTS, remedyName, type RemedyCost } from './remedies/cures';
export { holdsBehind } from './remedies/held';
export { closedBySetting, remediesFor, remediesInTurn } from './remedies/remedies';
export type { OtherSeat, Remedies, Remedy, RemedyEffect } from './remedies/remedy';
export { SEAT_WIDTH_SHARE, isRefused, notMeant, seatChecks, type SeatCheck } from './outcome/refusals';
export { seatDepthBand, seatHeightBand, seatWidthBand } from './outcome/published';
export { completeSettings, sameSettings } from './search/complete';
export { DONE_WITHOUT, NEEDED_FOR } from './problem/needed-for';
export { ANGLE_IDS, ANGLE_SOURCES, type PostureAngle } from './geometry/angles';
export {
  datumFromRearMm,
  datumMm,
  frontEdgeMm,
  hollowFromRearMm,
  legOf,
  type Leg,
  panDegOf,
  panPointMm,
} from './geometry/on-seat';
