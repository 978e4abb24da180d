export { RANKING_DRAWS, USUAL_DRAWS, drawsOf, type DrawOptions, type Draws } from './draws';
export { certaintyOfSeat, type ChooseCertainty } from './choose';
export {
  certaintyByKind,
  certaintyOfSettings,
  quickCertainty,
  type CausedCertainty,
  type ConditionCertainty,
  type SetCertainty,
  type Settling,
} from './set';
