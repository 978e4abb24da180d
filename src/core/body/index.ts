export { DIMENSIONS, DIMENSION_IDS, isDimensionId, type DimensionId, type DimensionRow } from './dimensions';
export { isMeasured, missingOf, pairDoubts, rangeDoubt, type Body, type MeasureDoubt } from './body';
