export type { Bounds, Dimension, Primitive, Role, Scene, Shape, Tape } from './primitives';
export { spreadApart } from './declutter';
export { frontView, planView } from './across-views';
export { VERDICT_LINES } from './verdict-lines';
export {
  STANCES_DRAWN,
  partPoints,
  seatFrontView,
  seatPlanView,
  seatSideView,
  type StanceDrawn,
} from './seat-views';
export { controlSpots, zoneFromAbove, type ControlSpot } from './control-spots';
export { SURVEY_PLACES, surveyView, type SurveyPlace } from './survey-view';
export { MOVED_PARTS, movedIn, withMoved } from './moved';
export { sideView } from './side-view';
export { ruleOf, type Pair, type Rule, type Tag } from './rule';
export { trackOf, type Track } from './track';
