export {
  FEWEST_TAKES,
  MOST_TAKES,
  SETTLED_HOW,
  apartBy,
  differTooMuch,
  settleTakes,
  TOLERANCE_LIMITS,
  takesWanted,
  toleranceOf,
  type Tolerances,
  type SettledHow,
  type SettledTakes,
} from './takes';
export {
  NEW_TOUR,
  TOUR_SETS,
  nextStep,
  progressOf,
  selectionOf,
  takesOf,
  withSelection,
  withSkipped,
  withTake,
  withoutLast,
  withoutTakes,
  type Step,
  type Take,
  type Tour,
  type TourSet,
} from './tour';
export { KEYS, isComplete, pressed, type Key } from './keypad';
export { INSTRUMENTS, INSTRUMENT_IDS, type Instrument } from './instruments';
