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
  sizeInUse,
  workOf,
  type FitInputs,
  type RemedyId,
  type RemedySettings,
  type Settings,
  type Work,
  type WorkFlag,
} from './inputs';
export { uncalculatedOf } from './uncalculated';
export { upgradeInputs, upgradeSettings } from './upgrade';
export { inPlace, inputsWith } from './in-place';
export { nudged, problemOf, withBody, type Problem, type SetValues, type Variable } from './problem';
export {
  CONDITIONS,
  computable as computableConditions,
  followsStraight,
  scopeOf,
  type Condition,
} from './conditions';
export { balancedTension, tensionFraction } from './wanted';
export { Curve, curveOf, type LeftUnused } from './curve';
export { residualSds } from './doubt';
export { bindings, costAt, judgesOf, leversAt, type Binding, type Cost } from './judge';
export {
  BUDGET,
  BUDGET_OF_MANY,
  ENDINGS,
  costOf,
  runnersUp,
  solve,
  valuesOfSettings,
  type SolveOptions,
  type SolveResult,
} from './solve';
export { VERDICTS, type AdjustmentOutcome, type ConditionOutcome, type Verdict } from './outcome';
export { bindingAt, choicesOf, type Choice, type ChoicesFound } from './choices';
export { assess, type Assessment, type PublishedCheck, type SettingOutcome } from './assess';
export {
  compareMethods,
  inputsOfStep,
  type Comparison,
  type MethodSide,
  type SettingDifference,
} from './compare';
export { CASE_FAULTS, caseDoubts, heldDoubts, methodDoubts, type CaseDoubt, type CaseFault } from './doubts';
export { explain } from './explain';
export { remedyHint } from './remedy-hint';
export { REMEDY_COSTS, type RemedyCost } from './cures';
export {
  closedBySetting,
  remediesFor,
  remediesInTurn,
  type OtherSeat,
  type Remedies,
  type Remedy,
  type RemedyEffect,
} from './remedies';
export { SEAT_WIDTH_SHARE, isRefused, notMeant, seatChecks, type SeatCheck } from './refusals';
export { seatDepthBand, seatHeightBand, seatWidthBand } from './published';
export { completeSettings, sameSettings } from './complete';
export { DONE_WITHOUT, NEEDED_FOR } from './needed-for';
export { ANGLE_IDS, ANGLE_SOURCES, type PostureAngle } from './angles';
export {
  datumFromRearMm,
  datumMm,
  frontEdgeMm,
  hollowFromRearMm,
  legOf,
  type Leg,
  panDegOf,
  panPointMm,
} from './on-seat';
