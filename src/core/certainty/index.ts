export { USUAL_DRAWS, drawsOf, type DrawOptions, type Draws } from './draws';
export {
  certaintyOfSettings,
  quickCertainty,
  type ConditionCertainty,
  type SetCertainty,
  type Settling,
} from './set';
