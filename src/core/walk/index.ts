export { COUPLINGS, HARNESS, causesOf, type Touched } from './couplings';
export {
  FEEL_ANSWERS,
  feelAfter,
  feelAnswersOf,
  isFelt,
  together,
  type FeelAnswer,
  type FeelState,
  type Felt,
  type FeltMeasure,
} from './feel';
export { cardMore, type AsLeft, type CardMore } from './handed-over';
export { judged } from './judged';
export { leftOf, leftSettings, type LeftRow } from './left';
export { neutralOf } from './neutral';
export { standingAfter, stepWords, titleOf, type PostureMove, type StepWords } from './saying';
export { kindOfStep, triedOf, walkSteps, type WalkStep } from './steps';
export { positionByTape, tapeUnitOf, type TapeReading } from './tape';
export {
  STUCK_REASONS,
  WALK_ANSWERS,
  feltBody,
  feltMeasures,
  isOutsideBand,
  walkOf,
  type Positions,
  type Solve,
  type StuckReason,
  type Walk,
  type WalkAnswer,
  type WalkEvent,
} from './walk';
