export {
  BODY_DIMENSIONS,
  ROW_BASES,
  isBodyDimension,
  type BodyDimension,
  type PopulationTable,
  type Row,
  type Rows,
} from './table';
export { BRITISH, GERMAN, TABLES, US_ARMY, Z95, skewOf } from './tables';
export { FACTORS, LOADINGS, MODELLED, ownShare, scoreCorrelation } from './factors';
export { centile, marginalOf, scoreOf, shareBelow, valueAt, type Marginal } from './marginal';
export {
  BETWEEN_POPULATIONS,
  centileOf,
  densityOf,
  numberOf,
  populationOf,
  rowOf,
  valueAtShare,
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
export { filledBody, populationFor, type TableSitter } from './fill';
export { samplePeople, sampleScores, type SampleOptions } from './sample';
export {
  ASK_FROM,
  REASON_FROM,
  SLIPS,
  implausible,
  reasonWanted,
  type Implausible,
  type Slip,
} from './plausible';
export {
  ADULT_FROM,
  OLDEST,
  SIZE_MARKS,
  STATURE_BY_AGE,
  YOUNGEST,
  childAt,
  childRow,
  grown,
  shareOfStature,
  sizeMarkFor,
  statureAt,
  tableOfAge,
  type SizeMark,
  yearsToNextMeasuring,
} from './children';
export {
  CHILD_SHARES,
  CHILD_SHOE_MM,
  childSeatRow,
  childSeatRows,
  type Ages,
  type ChildSeatRow,
} from './child-seat';
export { repeatability, repeatabilityByFitter, type Pair, type Repeatability } from './repeat';
export {
  CSV_COLUMNS,
  CSV_OPTIONAL,
  CSV_REASONS,
  readTable,
  writeTable,
  type CsvFault,
  type ReadTable,
} from './csv';
