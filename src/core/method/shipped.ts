/**
 * The methods that come with the program. Each number says who stands behind it: `published`, `practice`
 * (common practice, no source) or `assumed` (ours, to be tuned). Weights are assumed throughout.
 */
import type { AdjustmentKind } from '../seat';
import type { Method } from './method';
import type { Target } from './target';

const practice = (bounds: Omit<Target, 'basis' | 'source'>): Target => ({
  ...bounds,
  basis: 'practice',
  source: 'common practice',
});
const assumed = (bounds: Omit<Target, 'basis' | 'source'>): Target => ({
  ...bounds,
  basis: 'assumed',
  source: 'assumed',
});

const GROUND_UP: readonly AdjustmentKind[] = [
  'seatHeight',
  'seatDepth',
  'seatAngle',
  'lumbarApex',
  'backAngle',
  'tiltTension',
  'armWidth',
  'armHeight',
  'headHeight',
  'deskHeight',
];

const COMMON = {
  footGap: practice({ hardLo: -60, bandLo: -25, aimLo: 0, aimHi: 0, bandHi: 5, hardHi: 60, weight: 5 }),
  lumbarHeight: practice({ bandLo: -25, aimLo: 0, aimHi: 0, bandHi: 25, weight: 0.5 }),
  lumbarByPractice: {
    bandLo: 150,
    aimLo: 170,
    aimHi: 220,
    bandHi: 250,
    weight: 0.5,
    basis: 'published',
    source: 'band: ANSI/HFES 100-2007; aim: EN 1335-1:2000; from memory',
  },
  tension: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 1 }),
  armHeight: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 3 }),
  armSpread: assumed({ bandLo: -5, aimLo: 0, aimHi: 15, bandHi: 20, weight: 1 }),
  hipClearance: practice({ bandLo: 20, aimLo: 20, weight: 1 }),
  headHeight: practice({ bandLo: -20, aimLo: 0, aimHi: 0, bandHi: 20, weight: 1 }),
  deskTop: practice({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 15, weight: 3 }),
  deskClearance: practice({ hardLo: 0, bandLo: 20, aimLo: 20, weight: 1 }),
} as const satisfies Partial<Record<string, Target>>;

const RIGHT_ANGLE: Method = {
  id: 'right-angle',
  name: 'Right angle',
  summary:
    'Thighs level, knees at a right angle, trunk upright or a little back. Simple to teach, easy to check.',
  targets: {
    ...COMMON,
    thigh: practice({ bandLo: -2, aimLo: 0, aimHi: 0, bandHi: 2, weight: 2 }),
    trunkThigh: practice({ bandLo: 90, aimLo: 90, aimHi: 100, bandHi: 100, weight: 1 }),
    backAngle: practice({ bandLo: 0, aimLo: 5, aimHi: 5, bandHi: 10, weight: 2 }),
  },
  kneeRoom: practice({ bandLo: 25, aimLo: 50, aimHi: 50, bandHi: 75, weight: 4 }),
  headRestFromDeg: 15,
  footrestPenalty: 1,
  tieBreaks: ['shorterDepth', 'lowerArm', 'lighterTension', 'largerMargin'],
  order: GROUND_UP,
  reported: { knee: { lo: 85, hi: 100 }, elbow: { lo: 90, hi: 120 } },
};

const OPEN_HIP: Method = {
  id: 'open-hip',
  name: 'Open hip',
  summary:
    'Hips a little above the knees and the back leaned at least 5°, so that the hip opens and breathing is easy.',
  targets: {
    ...COMMON,
    thigh: practice({ bandLo: -3, aimLo: 0, aimHi: 0, bandHi: 3, weight: 2 }),
    trunkThigh: practice({ bandLo: 95, aimLo: 95, aimHi: 110, bandHi: 110, weight: 1 }),
    backAngle: practice({ bandLo: 5, aimLo: 10, aimHi: 10, bandHi: 20, weight: 2 }),
  },
  kneeRoom: practice({ bandLo: 50, aimLo: 62, aimHi: 63, bandHi: 75, weight: 4 }),
  headRestFromDeg: 15,
  footrestPenalty: 1,
  tieBreaks: ['shorterDepth', 'lowerArm', 'lighterTension', 'largerMargin'],
  order: GROUND_UP,
  reported: { knee: { lo: 85, hi: 110 }, elbow: { lo: 90, hi: 120 } },
};

export const SHIPPED_METHODS: readonly Method[] = [RIGHT_ANGLE, OPEN_HIP];
