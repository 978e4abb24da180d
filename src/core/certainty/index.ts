export { RANKING_DRAWS, USUAL_DRAWS, drawsOf, type DrawOptions, type Draws } from './draws';
export { certaintyByKind } from './by-kind';
export { certaintyOfSeat, type ChooseCertainty } from './choose';
export {
  certaintyOfSettings,
  quickCertainty,
  type CausedCertainty,
  type ConditionCertainty,
  type SetCertainty,
  type Settling,
} from './set';
export { weakPoints, type WeakPoints } from './weak-points';
