/** Children: stature by age, seated lengths in the proportions of children, growth. */
import { DIMENSIONS, type Body, SEXES, type Sex } from '../body';
import type { Quantity } from '../quantity';
import { SCHOOL_SIZES } from '../seat';
import { MODELLED } from './factors';
import { centile, marginalOf } from './marginal';
import { rowOf, type Who } from './model';
import { BRITISH } from './tables';
import type { BodyDimension, PopulationTable, Row } from './table';

/** Age in years, mean and deviation of stature in mm. */
type Point = readonly [age: number, mean: number, sd: number];

/** From 5th and 95th centile. */
const spread = (p5: number, p95: number): number => (p95 - p5) / 3.29;

/** Stature, boys and girls: CDC 2000 below five, WHO 2007 from five on (read out of a growth-chart package's data). */
export const STATURE_BY_AGE: Readonly<Record<Sex, readonly Point[]>> = {
  men: [
    [3, 950, spread(889, 1016)],
    [4, 1022, spread(953, 1092)],
    [5, 1098, 45.6],
    [6, 1159.5, 49.3],
    [7, 1217.3, 52.9],
    [8, 1272.7, 56.5],
    [9, 1325.7, 60.1],
    [10, 1377.8, 63.7],
    [11, 1431.1, 67.3],
    [12, 1490.8, 70.9],
    [13, 1560.4, 74.3],
    [14, 1631.8, 76.9],
    [15, 1689.6, 78],
    [16, 1729, 77.7],
    [17, 1751.6, 76.4],
    [18, 1761.4, 74.7],
    [19, 1765.4, 73],
  ],
  women: [
    [3, 939, spread(875, 1005)],
    [4, 1008, spread(938, 1081)],
    [5, 1091.1, 47.4],
    [6, 1151.2, 51.2],
    [7, 1208.1, 54.7],
    [8, 1265.6, 58],
    [9, 1324.9, 61.1],
    [10, 1386.4, 64],
    [11, 1449.9, 66.5],
    [12, 1512.3, 68.4],
    [13, 1563.7, 69.4],
    [14, 1597.9, 69.4],
    [15, 1616.7, 68.8],
    [16, 1625.2, 67.9],
    [17, 1628.5, 66.9],
    [18, 1630.6, 66.1],
    [19, 1631.5, 65.4],
  ],
};

export const YOUNGEST = 3;
export const OLDEST = 19;

/** A row of a table by age, straight between the printed ages, held at the ends. */
function rowAtAge<R extends readonly number[]>(printed: readonly R[], ageYears: number): R {
  const age = Math.max(printed[0]![0]!, Math.min(printed[printed.length - 1]![0]!, ageYears));
  const above = printed.findIndex(([a]) => a! >= age);
  const [a, b] = [printed[Math.max(0, above - 1)]!, printed[above]!];
  const share = b[0] === a[0] ? 0 : (age - a[0]!) / (b[0]! - a[0]!);
  return a.map((value, i) => value + share * (b[i]! - value)) as unknown as R;
}

/**
 * Mean and deviation of stature at an age, mm.
 * @param ageYears 2 to 18
 * @returns mm. Source: WHO growth references (2006, 2007), from memory as marked in the table.
 */
export function statureAt(sex: Sex, ageYears: number): { readonly mean: number; readonly sd: number } {
  const [, mean, sd] = rowAtAge(STATURE_BY_AGE[sex], ageYears);
  return { mean, sd };
}

/** From here on a body has the proportions of an adult. */
const GROWN = 17;
const SMALL = 5;
/**
 * Shares of stature at five; from there they go straight to the adult's at seventeen. Popliteal height: the bands of
 * EN 1729-1 and 310 mm at seven; buttock–popliteal length: 280 mm at five (both from memory and common practice); the
 * others assumed. Adult shares would make a five-year-old's thigh 311 mm.
 */
const SHARE_AT_FIVE: Readonly<Partial<Record<BodyDimension, number>>> = {
  poplitealHeight: 0.2545,
  buttockPoplitealLength: 0.256,
  kneeHeight: 0.305,
  buttockKneeLength: 0.315,
  sittingHeight: 0.555,
  eyeHeightSitting: 0.46,
  shoulderHeightSitting: 0.335,
  cervicaleHeightSitting: 0.365,
  napeHeight: 0.385,
  elbowHeightSitting: 0.14,
  thighClearance: 0.083,
  hipBreadthSitting: 0.19,
};
/** How far a child's part is from its share of stature, of itself (popliteal: 280 mm for the smallest twentieth at seven). */
const OWN_SPREAD = 0.04;

const adultShare = (sex: Sex, id: BodyDimension): number =>
  rowOf(BRITISH, sex, id).mean / rowOf(BRITISH, sex, 'stature').mean;

/**
 * A dimension as a share of stature.
 * @param ageYears 2 to 18
 * @returns a share, 0 to 1. Source: as told with the table of proportions.
 */
export function shareOfStature(sex: Sex, id: BodyDimension, ageYears: number): number {
  const grown = adultShare(sex, id);
  const small = SHARE_AT_FIVE[id] ?? grown;
  const share = Math.max(0, Math.min(1, (ageYears - SMALL) / (GROWN - SMALL)));
  return small + share * (grown - small);
}

/** Age in years; body mass index a deviation below the middle, in the middle, a deviation above, kg/m². */
type IndexPoint = readonly [age: number, below: number, median: number, above: number];

/** WHO growth reference 2007, BMI for age; between printed deviations they are taken as straight; from memory. */
export const BMI_BY_AGE: Readonly<Record<Sex, readonly IndexPoint[]>> = {
  men: [
    [5, 14.1, 15.3, 16.6],
    [6, 14.1, 15.3, 16.8],
    [8, 14.4, 15.7, 17.4],
    [10, 14.9, 16.4, 18.5],
    [11, 15.3, 16.9, 19.2],
    [13, 16.4, 18.2, 20.8],
    [15, 17.6, 19.8, 22.7],
    [17, 18.8, 21.1, 24.3],
    [19, 19.6, 22.2, 25.4],
  ],
  women: [
    [5, 13.9, 15.2, 16.9],
    [6, 13.9, 15.3, 17],
    [8, 14.1, 15.7, 17.7],
    [10, 14.8, 16.6, 19],
    [11, 15.3, 17.2, 19.9],
    [13, 16.6, 18.8, 21.8],
    [15, 17.8, 20.2, 23.5],
    [17, 18.4, 21, 24.5],
    [19, 18.7, 21.4, 25],
  ],
};

/** Body mass index at an age: middle, deviation and third moment, as a skewed curve through the printed deviations has them. */
function bmiAt(
  sex: Sex,
  ageYears: number,
): { readonly median: number; readonly sd: number; readonly skew: number } {
  const [, below, median, above] = rowAtAge(BMI_BY_AGE[sex], ageYears);
  return {
    median,
    sd: (above - below) / 2,
    skew: SKEW_PER_STEEPNESS * Math.log((above - median) / (median - below)),
  };
}
/** Of a curve whose logarithm is normal the third moment is about three times the deviation of that logarithm. */
const SKEW_PER_STEEPNESS = 3;
const MM_PER_M = 1000;

/** A child's mass follows from its stature and the body mass index of its age, not from an adult's. */
function massAt(sex: Sex, ageYears: number): Row {
  const { mean, sd } = statureAt(sex, ageYears);
  const bmi = bmiAt(sex, ageYears);
  const middle = bmi.median * (mean / MM_PER_M) ** 2;
  // Index and stature hardly hang together; the square of a stature spreads twice as much as the stature itself.
  const deviation = middle * Math.hypot(bmi.sd / bmi.median, (2 * sd) / mean);
  // The mean of a skewed curve lies beside its middle by a sixth of its third moment.
  return { mean: middle + (bmi.skew * deviation) / 6, sd: deviation, skew: bmi.skew, basis: 'derived' };
}

/**
 * How one dimension is distributed among children of an age.
 * @param ageYears 2 to 18
 * @returns mm or kg. Source: as told with the tables.
 */
export function childRow(sex: Sex, id: BodyDimension, ageYears: number): Row {
  const { mean, sd } = statureAt(sex, ageYears);
  if (id === 'stature') return { mean, sd, skew: 0, basis: 'published' };
  if (id === 'bodyMass') return massAt(sex, ageYears);
  const part = shareOfStature(sex, id, ageYears) * mean;
  const withStature = shareOfStature(sex, id, ageYears) * sd;
  return {
    mean: part,
    sd: Math.hypot(withStature, OWN_SPREAD * part),
    skew: 0,
    basis: SHARE_AT_FIVE[id] === undefined ? 'assumed' : 'derived',
  };
}

/** Of a child whose sex does not matter: the mean of both. */
function rowAt(who: Who, id: BodyDimension, ageYears: number): Row {
  if (who !== 'mixed') return childRow(who, id, ageYears);
  const [a, b] = SEXES.map((sex) => childRow(sex, id, ageYears)) as [Row, Row];
  return {
    mean: (a.mean + b.mean) / 2,
    sd: Math.sqrt((a.sd ** 2 + b.sd ** 2) / 2 + (a.mean - b.mean) ** 2 / 4),
    skew: (a.skew + b.skew) / 2,
    basis: a.basis,
  };
}

/**
 * A made-up child of an age: in every dimension at the same centile.
 * @param share 0.5 for the average child, 0.05 for the 5th percentile
 * @param ageYears 2 to 18
 * @returns every dimension, marked as an estimate. Definition.
 */
export function childAt(who: Who, ageYears: number, share: number): Body {
  return Object.fromEntries(
    MODELLED.map((id) => [id, estimate(centile(marginalOf(rowAt(who, id, ageYears)), share), 0)]),
  );
}

const SOURCE = 'WHO 2007, CDC 2000 and proportions of children, not verified against source';
const estimate = (value: number, sd: number): Quantity => ({
  value,
  spread: sd,
  basis: 'estimated',
  source: SOURCE,
  takenAt: null,
  takenBy: null,
});

const SOURCE_NAME = 'Children of this age';
/** Ages are told apart to a twentieth of a year. */
const AGES_PER_YEAR = 20;
const tables = new Map<number, PopulationTable>();

/**
 * How children of an age are distributed, as a table like those of adults: by WHO, CDC and the proportions of children.
 * @param ageYears 2 to 18
 * @returns a table for both sexes, mm and kg. Sources stand with the table.
 */
export function tableOfAge(ageYears: number): PopulationTable {
  const age = Math.round(ageYears * AGES_PER_YEAR) / AGES_PER_YEAR;
  const known = tables.get(age);
  if (known) return known;
  const of = (sex: Sex) => Object.fromEntries(MODELLED.map((id) => [id, childRow(sex, id, age)]));
  const table: PopulationTable = {
    id: `age-${age}`,
    name: SOURCE_NAME,
    source: SOURCE,
    n: null,
    rows: { men: of('men'), women: of('women') },
  };
  tables.set(age, table);
  return table;
}

/** From this age on the tables of adults hold. */
export const ADULT_FROM = GROWN;

/** Furniture for schools by size. */
export interface SizeMark {
  readonly mark: number;
  /** Popliteal height without shoes, from and below, mm: what a size is chosen by. */
  readonly popliteal: readonly [number, number];
  /** Height of the seat, mm. */
  readonly seatMm: number;
}

const POPLITEAL_OF_MARKS = [
  [200, 250],
  [250, 280],
  [280, 315],
  [315, 355],
  [355, 405],
  [405, 435],
  [435, 485],
  [485, Infinity],
] as const;

/** EN 1729-1 (2006; 2015), from memory. Popliteal heights join without a gap; statures would overlap. */
export const SIZE_MARKS: readonly SizeMark[] = SCHOOL_SIZES.map(({ mark, heightMm }) => ({
  mark,
  popliteal: POPLITEAL_OF_MARKS[mark],
  seatMm: heightMm,
}));

/**
 * The size for a popliteal height without shoes, mm; null for one that is too small for any.
 * @returns null for a popliteal height that no size is meant for. Source: EN 1729-1, from memory.
 */
export const sizeMarkFor = (poplitealMm: number): SizeMark | null =>
  SIZE_MARKS.find(({ popliteal: [from, below] }) => from <= poplitealMm && poplitealMm < below) ?? null;

/** Children grow at different paces: a prediction is off by so much of the growth (assumed). */
const PACE = 0.2;

/**
 * A child's measures at a later age: each keeps its place among children of the age, as far as it was known; a
 * prediction, marked as an estimate.
 * @param fromYears 2 to 18
 * @param toYears 2 to 18
 * @returns a new body. Assumed: each keeps its centile.
 */
export function grown(body: Body, who: Who, fromYears: number, toYears: number): Body {
  const grownBody: Partial<Record<BodyDimension, Quantity>> = {};
  for (const id of MODELLED) {
    const quantity = body[id];
    if (!quantity) continue;
    const [now, then] = [rowAt(who, id, fromYears), rowAt(who, id, toYears)];
    const value = then.mean + ((quantity.value - now.mean) / now.sd) * then.sd;
    const off = Math.hypot((quantity.spread * then.sd) / now.sd, PACE * (value - quantity.value));
    grownBody[id] = estimate(value, off);
  }
  return { ...body, ...grownBody };
}

/** A child is measured again after half a year at the latest (common practice). */
const LATEST_YEARS = 0.5;
const SOONEST_YEARS = 1 / 12;
const WATCHED = ['poplitealHeight', 'buttockPoplitealLength'] as const;

/**
 * After how many years to measure again: when leg or thigh will have outgrown what a reading can tell, at the latest in half a year.
 * @param ageYears 2 to 18
 * @returns years, above 0 to 0.5. Common practice, no source.
 */
export function yearsToNextMeasuring(who: Who, ageYears: number): number {
  if (ageYears >= OLDEST) return LATEST_YEARS;
  for (let years = SOONEST_YEARS; years < LATEST_YEARS; years += SOONEST_YEARS)
    for (const id of WATCHED) {
      const growth = rowAt(who, id, ageYears + years).mean - rowAt(who, id, ageYears).mean;
      if (growth > DIMENSIONS[id].repeatTolerance) return years;
    }
  return LATEST_YEARS;
}
