export {
  DIMENSIONS,
  DIMENSION_IDS,
  FITTING_DIMENSIONS,
  isDimensionId,
  type DimensionId,
  type DimensionRow,
} from './dimensions';
export { SEXES, type Sex } from './sex';
export {
  estimatedOf,
  isMeasured,
  missingOf,
  pairDoubts,
  rangeDoubt,
  bodyInUse,
  spreadInUse,
  type Body,
  type MeasureDoubt,
} from './body';
