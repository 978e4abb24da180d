/** The invented crew of Skarrow Isles Ferries and what was measured of them, mm and kg. */
import type { DimensionId, Sex } from '../core/body';
import type { Posture } from '../core/fit';

export interface DemoSession {
  readonly clothes: string;
  readonly notes: string;
  readonly shoesOn?: true;
}

export interface DemoSitter {
  readonly name: string;
  /** Whole years before now. */
  readonly ageYears: number;
  /** null: nobody said. */
  readonly sex: Sex | null;
  readonly measures: Partial<Record<DimensionId, number>>;
  /** Who consented in the sitter's place; nobody has consented for whom nothing was measured. */
  readonly consentBy?: string;
  /** How the measures were taken: each twice, in one session; left out, one by one. */
  readonly taken?: DemoSession;
  /** What was measured before. */
  readonly earlier?: DemoSession & {
    readonly daysAgo: number;
    readonly measures: Partial<Record<DimensionId, number>>;
  };
  /** By place in the lists of seats and places; null: no fitting. */
  readonly fitting: {
    readonly seat: number;
    readonly place: number | null;
    readonly method: 'right-angle' | 'open-hip';
    readonly toolsKg: number;
    readonly daysAgo: number;
    /** Tag of the very seat that it was signed off on; absent: it is open. */
    readonly signedOffOn?: string;
    /** What was not measured is estimated. */
    readonly estimateMissing?: true;
    /** Beside the first. */
    readonly postures?: readonly Posture[];
  } | null;
}

export const DEMO_SITTERS: readonly DemoSitter[] = [
  {
    name: 'Maren Tolve',
    ageYears: 41,
    sex: 'women',
    measures: {
      stature: 1648,
      bodyMass: 68.5,
      shoeHeel: 25,
      poplitealHeight: 402,
      kneeHeight: 503,
      buttockPoplitealLength: 476,
      thighClearance: 142,
      elbowHeightSitting: 236,
      shoulderHeightSitting: 566,
      eyeHeightSitting: 742,
      smallOfBackHeight: 172,
      napeHeight: 628,
      hipBreadthSitting: 388,
      elbowToElbowBreadth: 418,
    },
    fitting: { seat: 0, place: 0, method: 'open-hip', toolsKg: 0, daysAgo: 0 },
  },
  {
    name: 'Piet Lunder',
    ageYears: 56,
    sex: 'men',
    measures: {
      stature: 1786,
      bodyMass: 84,
      shoeHeel: 30,
      poplitealHeight: 442,
      kneeHeight: 548,
      buttockPoplitealLength: 501,
      thighClearance: 156,
      elbowHeightSitting: 246,
      shoulderHeightSitting: 607,
      eyeHeightSitting: 797,
      smallOfBackHeight: 184,
      napeHeight: 676,
      hipBreadthSitting: 366,
      elbowToElbowBreadth: 462,
    },
    fitting: { seat: 1, place: 1, method: 'right-angle', toolsKg: 0, daysAgo: 1 },
  },
  {
    name: 'Odd Quillsay',
    ageYears: 33,
    sex: 'men',
    measures: {
      stature: 1702,
      bodyMass: 71,
      shoeHeel: 22,
      poplitealHeight: 418,
      kneeHeight: 522,
      buttockPoplitealLength: 482,
      thighClearance: 146,
      elbowHeightSitting: 239,
      shoulderHeightSitting: 580,
      smallOfBackHeight: 178,
      hipBreadthSitting: 352,
    },
    taken: { clothes: 'work trousers, shirt', notes: 'Came straight from the loft floor.' },
    earlier: {
      daysAgo: 420,
      clothes: 'overalls, padded',
      notes: 'In a hurry; boots stayed on.',
      shoesOn: true,
      measures: {
        stature: 1724,
        bodyMass: 74.5,
        poplitealHeight: 441,
        buttockPoplitealLength: 490,
        elbowHeightSitting: 236,
        hipBreadthSitting: 371,
      },
    },
    fitting: { seat: 2, place: 2, method: 'open-hip', toolsKg: 1.5, daysAgo: 3, signedOffOn: 'SL-01' },
  },
  {
    name: 'Ines Farrowby',
    ageYears: 29,
    sex: 'women',
    measures: {
      stature: 1574,
      bodyMass: 57,
      shoeHeel: 20,
      poplitealHeight: 376,
      kneeHeight: 472,
      buttockPoplitealLength: 448,
      thighClearance: 131,
      elbowHeightSitting: 226,
      shoulderHeightSitting: 541,
      eyeHeightSitting: 711,
      cervicaleHeightSitting: 573,
      sittingHeight: 818,
      smallOfBackHeight: 164,
      smallOfBackDepth: 32,
      napeHeight: 598,
      hipBreadthSitting: 371,
      elbowToElbowBreadth: 392,
      forearmBreadth: 82,
      elbowGripLength: 312,
      forearmHandLength: 402,
    },
    fitting: {
      seat: 3,
      place: 3,
      method: 'open-hip',
      toolsKg: 0,
      daysAgo: 4,
      postures: [
        { name: 'Leaning back to listen', leanDeg: 20 },
        { name: 'Writing the log', task: 'writing' },
      ],
    },
  },
  {
    name: 'Tam Brask',
    ageYears: 47,
    sex: 'men',
    measures: {
      stature: 1954,
      bodyMass: 124,
      shoeHeel: 35,
      poplitealHeight: 492,
      kneeHeight: 606,
      buttockPoplitealLength: 548,
      thighClearance: 181,
      elbowHeightSitting: 263,
      shoulderHeightSitting: 662,
      eyeHeightSitting: 868,
      cervicaleHeightSitting: 706,
      sittingHeight: 998,
      smallOfBackHeight: 202,
      smallOfBackDepth: 41,
      napeHeight: 738,
      hipBreadthSitting: 428,
      elbowToElbowBreadth: 541,
      forearmBreadth: 112,
      elbowGripLength: 391,
      forearmHandLength: 506,
    },
    fitting: { seat: 4, place: 4, method: 'right-angle', toolsKg: 2, daysAgo: 6 },
  },
  {
    name: 'Wren Ostley',
    ageYears: 6,
    sex: 'women',
    measures: {
      stature: 1162,
      bodyMass: 21.4,
      shoeHeel: 18,
      poplitealHeight: 287,
      kneeHeight: 351,
      buttockPoplitealLength: 312,
      thighClearance: 92,
      elbowHeightSitting: 164,
      shoulderHeightSitting: 374,
      eyeHeightSitting: 523,
      smallOfBackHeight: 122,
      napeHeight: 418,
      hipBreadthSitting: 216,
      elbowToElbowBreadth: 262,
    },
    consentBy: 'Aske Ostley, father',
    taken: { clothes: 'leggings, socks', notes: 'Sat still for the second round only.' },
    earlier: {
      daysAgo: 205,
      clothes: 'leggings, socks',
      notes: '',
      measures: {
        stature: 1131,
        bodyMass: 20.1,
        poplitealHeight: 277,
        buttockPoplitealLength: 302,
        elbowHeightSitting: 160,
        hipBreadthSitting: 211,
      },
    },
    fitting: { seat: 5, place: 5, method: 'right-angle', toolsKg: 0, daysAgo: 9 },
  },
  {
    name: 'Sunniva Harkaway-Brennholm of the Outer Skerries',
    ageYears: 38,
    sex: 'women',
    measures: {
      stature: 1731,
      bodyMass: 76,
      shoeHeel: 25,
      poplitealHeight: 425,
      buttockPoplitealLength: 489,
      elbowHeightSitting: 241,
      hipBreadthSitting: 394,
    },
    fitting: { seat: 0, place: 0, method: 'open-hip', toolsKg: 0, daysAgo: 11, estimateMissing: true },
  },
  { name: 'Jory Pell', ageYears: 24, sex: null, measures: {}, fitting: null },
];
