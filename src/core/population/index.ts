export {
  BRITISH,
  GERMAN,
  TABLES,
  US_ARMY,
  Z95,
  skewOf,
  type BodyDimension,
  type PopulationTable,
  type Row,
} from './tables';
export { FACTORS, LOADINGS, MODELLED, ownShare, scoreCorrelation } from './factors';
export { centile, marginalOf, scoreOf, shareBelow, valueAt, type Marginal } from './marginal';
export {
  BETWEEN_POPULATIONS,
  centileOf,
  densityOf,
  numberOf,
  populationOf,
  rowOf,
  type Population,
  type Who,
} from './model';
export {
  SHARES_OF_STATURE,
  conditional,
  estimatesOf,
  knownOf,
  withBetween,
  type Estimate,
  type Known,
} from './estimate';
export { samplePeople, sampleScores, type SampleOptions } from './sample';
export { ASK_FROM, REASON_FROM, SLIPS, implausible, type Implausible, type Slip } from './plausible';
export {
  ADULT_FROM,
  OLDEST,
  SIZE_MARKS,
  STATURE_BY_AGE,
  YOUNGEST,
  childAt,
  childEstimatesOf,
  childRow,
  grown,
  shareOfStature,
  sizeMarkFor,
  statureAt,
  type SizeMark,
  yearsToNextMeasuring,
} from './children';
export { agesOf, type Ages } from './seat-ages';
export { repeatability, type Repeatability } from './repeat';
export { CSV_COLUMNS, CSV_REASONS, readTable, type CsvFault, type ReadTable } from './csv';
