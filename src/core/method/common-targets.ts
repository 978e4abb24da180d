/**
 * What holds of every method that does not say otherwise. Each number says who stands behind it: `published`, `practice`
 * (common practice, no source) or `assumed` (ours, to be tuned). Weights are assumed throughout.
 */
import type { ConditionId, Method } from './method';
import type { Target } from './target';

export const practice = (bounds: Omit<Target, 'basis' | 'source'>): Target => ({
  ...bounds,
  basis: 'practice',
  source: 'common practice',
});
export const assumed = (bounds: Omit<Target, 'basis' | 'source'>): Target => ({
  ...bounds,
  basis: 'assumed',
  source: 'assumed',
});

/** The targets that every method starts from; each may put its own in their place. */
export const COMMON_TARGETS = {
  footGap: practice({ hardLo: -60, bandLo: -25, aimLo: 0, aimHi: 0, bandHi: 5, hardHi: 60, weight: 5 }),
  thigh: practice({ bandLo: -2, aimLo: 0, aimHi: 0, bandHi: 2, weight: 2 }),
  trunkThigh: practice({ bandLo: 90, aimLo: 90, aimHi: 100, bandHi: 100, weight: 1 }),
  backAngle: practice({ bandLo: 0, aimLo: 5, aimHi: 5, bandHi: 10, weight: 2 }),
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
  lumbarDepth: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 1 }),
  upperLumbar: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
  lowerLumbar: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
  lumbarEven: practice({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
  tension: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 1 }),
  tiltLock: practice({ bandLo: -0.5, aimLo: 0, aimHi: 0, bandHi: 0.5, weight: 0.5 }),
  tiltLimiter: assumed({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
  armHeight: practice({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 3 }),
  // Stronger than the elbow's own aim, within whose band it stays.
  padsLevel: practice({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 4 }),
  armSpread: assumed({ bandLo: -5, aimLo: 0, aimHi: 15, bandHi: 20, weight: 1 }),
  hipClearance: practice({ bandLo: 20, aimLo: 20, weight: 1 }),
  padReach: practice({ bandLo: 170, aimLo: 200, aimHi: 200, bandHi: 230, weight: 0.5 }),
  padAtDesk: practice({ hardLo: -20, bandLo: -10, aimLo: 0, weight: 1 }),
  armPivot: assumed({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 10, weight: 0.5 }),
  armAngle: assumed({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 }),
  headHeight: practice({ bandLo: -20, aimLo: 0, aimHi: 0, bandHi: 20, weight: 1 }),
  headAngle: assumed({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 10, weight: 0.5 }),
  headDepth: assumed({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 15, weight: 0.5 }),
  leverElbow: practice({ bandLo: 90, aimLo: 100, aimHi: 120, bandHi: 135, weight: 3 }),
  pedalKnee: {
    bandLo: 95,
    aimLo: 110,
    aimHi: 130,
    bandHi: 135,
    weight: 3,
    basis: 'published',
    source: 'band: Rebiffé 1969; from memory',
  },
  suspensionWeight: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 1 }),
  damper: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 0.5 }),
  deskTop: practice({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 15, weight: 3 }),
  deskClearance: practice({ hardLo: 0, bandLo: 20, aimLo: 20, weight: 1 }),
  headroom: assumed({ hardLo: 0, bandLo: 0, aimLo: 50, weight: 3 }),
  gaze: {
    bandLo: 0,
    aimLo: 15,
    aimHi: 20,
    bandHi: 30,
    weight: 1,
    basis: 'published',
    source: 'aim: OSHA workstation guidance; band: assumed around it; from memory',
  },
} as const satisfies Record<Exclude<ConditionId, 'kneeRoom'>, Target>;

/** The target of a condition as a method has it. */
export const targetOf = (method: Method, id: Exclude<ConditionId, 'kneeRoom'>): Target =>
  method.targets[id] ?? COMMON_TARGETS[id];
