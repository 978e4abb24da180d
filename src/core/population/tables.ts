/**
 * Published tables of adult body dimensions, as data. Lengths in mm, mass in kg, unshod, as the source prints them.
 * All figures from memory unless a row says otherwise; none is a quotation to rely on.
 */
import type { Sex } from '../body';
import type { BodyDimension, PopulationTable, RowBasis, Rows } from './table';

/** Two means of a normal at its 5th and 95th centile. */
export const Z95 = 1.6448536269514722;

/**
 * Skew from printed centiles (Cornish and Fisher's first term): how far the middle of 5th and 95th lies above the mean.
 * Rounded to what such figures can carry.
 * @param mean mm or kg
 * @param sd same unit, above 0
 * @param p5 same unit
 * @param p95 same unit
 * @returns without unit, 0 for a normal one. Source: Cornish & Fisher 1938.
 */
export function skewOf(mean: number, sd: number, p5: number, p95: number): number {
  const above = (p5 + p95) / 2 - mean;
  return Math.round(((6 * above) / ((Z95 * Z95 - 1) * sd)) * 100) / 100;
}

type Printed = readonly [mean: number, sd: number, skew?: number];
const rowsOf = (
  printed: Partial<Record<BodyDimension, readonly [Printed, Printed]>>,
  basis: RowBasis,
  perUnit = 1,
): Record<Sex, Rows> => {
  const of = (which: 0 | 1): Rows =>
    Object.fromEntries(
      Object.entries(printed).map(([id, sexes]) => {
        const [mean, sd, skew = 0] = sexes[which];
        const scale = id === 'bodyMass' ? 1 : perUnit;
        return [id, { mean: mean * scale, sd: sd * scale, skew, basis }];
      }),
    );
  return { men: of(0), women: of(1) };
};

const together = (...all: readonly Record<Sex, Rows>[]): Record<Sex, Rows> => ({
  men: Object.assign({}, ...all.map((r) => r.men)) as Rows,
  women: Object.assign({}, ...all.map((r) => r.women)) as Rows,
});

/** From 5th and 95th centile, where no deviation is printed. */
const sdOf = (p5: number, p95: number): number => Math.round(((p95 - p5) / (2 * Z95)) * 10) / 10;

/** Of breadths and mass, skewed to the right: the US Army's, whose 5th and 95th centiles are printed beside the mean. */
const SKEW = {
  bodyMass: [skewOf(78.49, 11.1, 61.6, 98.1), skewOf(62, 8.35, 49.6, 77)],
  hipBreadthSitting: [skewOf(366.8, 25.2, 328.7, 411.6), skewOf(384.5, 27.2, 342.5, 432.2)],
  thighClearance: [skewOf(168.2, 12.6, 148.6, 189.9), skewOf(158.9, 12.1, 140.4, 180.2)],
  shoulderBreadth: [skewOf(491.8, 25.9, 450.1, 534.8), skewOf(432.7, 22.7, 397.2, 472)],
  /** Follow mass; nobody printed their centiles (assumed). */
  abdominalDepth: [0.5, 0.5],
  elbowToElbowBreadth: [0.4, 0.4],
} as const;

/** What no table of ours prints, as a plausible adult has it (assumed; the practice's own readings are better). */
const ASSUMED = rowsOf(
  {
    cervicaleHeightSitting: [
      [630, 33],
      [590, 32],
    ],
    napeHeight: [
      [670, 34],
      [630, 33],
    ],
    smallOfBackHeight: [
      [190, 18],
      [180, 17],
    ],
    smallOfBackDepth: [
      [28, 9],
      [32, 10],
    ],
    forearmBreadth: [
      [95, 9],
      [82, 8],
    ],
    elbowToElbowBreadth: [
      [480, sdOf(415, 555), SKEW.elbowToElbowBreadth[0]],
      [485, sdOf(395, 555), SKEW.elbowToElbowBreadth[1]],
    ],
  },
  'assumed',
);

/** Elbow to the axis of a grip, from DIN 33402-2:2005, which prints it. */
const GRIP = rowsOf(
  {
    elbowGripLength: [
      [350, sdOf(325, 390)],
      [315, sdOf(295, 350)],
    ],
  },
  'derived',
);

/** British adults 19–65: Pheasant, Bodyspace (1986; 2nd ed. 1996), main table; printed to 5 mm. */
export const BRITISH: PopulationTable = {
  id: 'british',
  name: 'British adults 19–65, 1986',
  source: 'Pheasant, Bodyspace, 1986 and 1996, not verified against source',
  n: null,
  rows: together(
    ASSUMED,
    GRIP,
    rowsOf(
      {
        stature: [
          [1740, 70],
          [1610, 62],
        ],
        bodyMass: [
          [75, 12, SKEW.bodyMass[0]],
          [63, 11, SKEW.bodyMass[1]],
        ],
        sittingHeight: [
          [910, 36],
          [850, 35],
        ],
        eyeHeightSitting: [
          [790, 35],
          [740, 33],
        ],
        shoulderHeightSitting: [
          [595, 32],
          [555, 31],
        ],
        elbowHeightSitting: [
          [245, 31],
          [235, 29],
        ],
        thighClearance: [
          [160, 15, SKEW.thighClearance[0]],
          [155, 17, SKEW.thighClearance[1]],
        ],
        kneeHeight: [
          [545, 32],
          [500, 27],
        ],
        buttockKneeLength: [
          [595, 31],
          [570, 30],
        ],
        buttockPoplitealLength: [
          [495, 32],
          [480, 30],
        ],
        poplitealHeight: [
          [440, 29],
          [400, 27],
        ],
        shoulderBreadth: [
          [465, 28, SKEW.shoulderBreadth[0]],
          [395, 24, SKEW.shoulderBreadth[1]],
        ],
        biacromialBreadth: [
          [400, 20],
          [355, 18],
        ],
        hipBreadthSitting: [
          [360, 29, SKEW.hipBreadthSitting[0]],
          [370, 38, SKEW.hipBreadthSitting[1]],
        ],
        abdominalDepth: [
          [270, 32, SKEW.abdominalDepth[0]],
          [255, 30, SKEW.abdominalDepth[1]],
        ],
        shoulderElbowLength: [
          [365, 20],
          [330, 17],
        ],
        forearmHandLength: [
          [475, 21],
          [430, 19],
        ],
        footLength: [
          [265, 14],
          [235, 12],
        ],
        elbowHeightStanding: [
          [1090, 52],
          [1005, 46],
        ],
      },
      'published',
    ),
  ),
};

/** US Army 1988: Gordon et al. 1989, NATICK/TR-89/044. */
export const US_ARMY: PopulationTable = {
  id: 'us-army-1988',
  name: 'US Army 1988',
  source: 'Gordon et al. 1989, NATICK/TR-89/044, not verified against source',
  n: { men: 1774, women: 2208 },
  rows: rowsOf(
    {
      stature: [
        [175.58, 6.68],
        [162.94, 6.36],
      ],
      bodyMass: [
        [78.49, 11.1, SKEW.bodyMass[0]],
        [62, 8.35, SKEW.bodyMass[1]],
      ],
      sittingHeight: [
        [91.39, 3.56],
        [85.2, 3.49],
      ],
      eyeHeightSitting: [
        [79.2, 3.42],
        [73.87, 3.32],
      ],
      shoulderHeightSitting: [
        [59.78, 2.96],
        [55.55, 2.86],
      ],
      elbowHeightSitting: [
        [23.06, 2.72],
        [22.05, 2.68],
      ],
      thighClearance: [
        [16.82, 1.26, SKEW.thighClearance[0]],
        [15.89, 1.21, SKEW.thighClearance[1]],
      ],
      kneeHeight: [
        [55.88, 2.79],
        [51.54, 2.63],
      ],
      poplitealHeight: [
        [43.41, 2.49],
        [38.94, 2.37],
      ],
      buttockPoplitealLength: [
        [50.04, 2.66],
        [48.17, 2.66],
      ],
      buttockKneeLength: [
        [61.64, 2.99],
        [58.89, 2.96],
      ],
      hipBreadthSitting: [
        [36.68, 2.52, SKEW.hipBreadthSitting[0]],
        [38.45, 2.72, SKEW.hipBreadthSitting[1]],
      ],
      shoulderBreadth: [
        [49.18, 2.59, SKEW.shoulderBreadth[0]],
        [43.27, 2.27, SKEW.shoulderBreadth[1]],
      ],
      forearmHandLength: [
        [48.4, 2.33],
        [44.29, 2.34],
      ],
      shoulderElbowLength: [
        [36.9, 1.79],
        [33.58, 1.74],
      ],
      footLength: [
        [26.97, 1.31],
        [24.44, 1.22],
      ],
    },
    'published',
    10,
  ),
};

/** German adults 18–65: DIN 33402-2:2005; the deviation from 5th and 95th centile. */
export const GERMAN: PopulationTable = {
  id: 'german',
  name: 'German adults 18–65, 2005',
  source: 'DIN 33402-2:2005, not verified against source',
  n: null,
  rows: rowsOf(
    {
      stature: [
        [1750, sdOf(1650, 1855)],
        [1625, sdOf(1535, 1720)],
      ],
      bodyMass: [
        [79, sdOf(63, 100), SKEW.bodyMass[0]],
        [66, sdOf(52, 87), SKEW.bodyMass[1]],
      ],
      sittingHeight: [
        [910, sdOf(855, 965)],
        [860, sdOf(810, 910)],
      ],
      eyeHeightSitting: [
        [795, sdOf(740, 850)],
        [755, sdOf(705, 805)],
      ],
      elbowHeightSitting: [
        [240, sdOf(210, 285)],
        [230, sdOf(185, 275)],
      ],
      poplitealHeight: [
        [450, sdOf(410, 490)],
        [415, sdOf(375, 450)],
      ],
      buttockPoplitealLength: [
        [495, sdOf(450, 540)],
        [485, sdOf(435, 530)],
      ],
      buttockKneeLength: [
        [610, sdOf(565, 655)],
        [590, sdOf(545, 640)],
      ],
      hipBreadthSitting: [
        [375, sdOf(350, 420), SKEW.hipBreadthSitting[0]],
        [390, sdOf(360, 460), SKEW.hipBreadthSitting[1]],
      ],
      shoulderBreadth: [
        [480, sdOf(440, 525), SKEW.shoulderBreadth[0]],
        [435, sdOf(395, 485), SKEW.shoulderBreadth[1]],
      ],
      thighClearance: [
        [150, sdOf(130, 180), SKEW.thighClearance[0]],
        [145, sdOf(125, 175), SKEW.thighClearance[1]],
      ],
      elbowGripLength: [
        [350, sdOf(325, 390)],
        [315, sdOf(295, 350)],
      ],
    },
    'published',
  ),
};

/**
 * US Army 2012: Gordon et al. 2014, NATICK/TR-15/007, as far as it is remembered; women's deviation of sitting height is
 * that of 1988.
 */
export const US_ARMY_2012: PopulationTable = {
  id: 'us-army-2012',
  name: 'US Army 2012',
  source:
    'Gordon et al. 2014, NATICK/TR-15/007, not verified against source; stature, mass and sitting height only',
  n: { men: 4082, women: 1986 },
  rows: together(
    rowsOf(
      {
        stature: [
          [1756.2, 68.6],
          [1628.5, 64.2],
        ],
        bodyMass: [
          [85.5, 14.2, SKEW.bodyMass[0]],
          [67.8, 11, SKEW.bodyMass[1]],
        ],
      },
      'published',
    ),
    rowsOf(
      {
        sittingHeight: [
          [918, 36],
          [857, 34.9],
        ],
      },
      'derived',
    ),
  ),
};

/** The survey prints standard errors of its means, which are no deviations: these are the US Army's of 2012 (assumed). */
export const US_ADULTS: PopulationTable = {
  id: 'us-adults-2015-18',
  name: 'US adults from 20, 2015–18',
  source:
    'means: NHANES 2015–18, Fryar et al. 2021, VHS 3(46), not verified against source; spreads: US Army 2012, assumed',
  n: null,
  rows: rowsOf(
    {
      stature: [
        [1753, 68.6],
        [1613, 64.2],
      ],
      bodyMass: [
        [90.6, 14.2, SKEW.bodyMass[0]],
        [77.5, 11, SKEW.bodyMass[1]],
      ],
    },
    'assumed',
  ),
};

/** The first is what estimates go by where nobody has chosen. */
export const TABLES: readonly PopulationTable[] = [BRITISH, US_ARMY, US_ARMY_2012, GERMAN, US_ADULTS];
