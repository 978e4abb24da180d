/**
 * What holds of every method that does not say otherwise. Each number says who stands behind it: `published`, `practice`
 * (common practice, no source) or `assumed` (ours, to be tuned). Weights are assumed throughout.
 */
import type { ConditionId, Method, ScreenWay } from './method';
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

/** Two solids that must not meet, mm apart; and what is comfortable above that. */
const CONTACT = assumed({ bandLo: 0, aimLo: 5, weight: 20 });
const COMFORT = practice({ bandLo: 10, aimLo: 20, weight: 1 });

/** The targets that every method starts from; each may put its own in their place. */
export const COMMON_TARGETS = {
  footGap: practice({ hardLo: -45, bandLo: -25, aimLo: -15, aimHi: 0, bandHi: 5, hardHi: 60, weight: 5 }),
  thigh: practice({ bandLo: -4, aimLo: 0, aimHi: 0, bandHi: 4, weight: 2 }),
  // Back less thigh says the same: shown, and added up only by methods that give it a weight.
  trunkThigh: practice({ bandLo: 90, aimLo: 90, aimHi: 100, bandHi: 100, weight: 0 }),
  backAngle: practice({ bandLo: 0, aimLo: 5, aimHi: 5, bandHi: 10, weight: 4 }),
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
  tiltLock: practice({ bandLo: -0.5, aimLo: 0, aimHi: 0, bandHi: 0.5, weight: 1 }),
  tiltLimiter: assumed({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 1 }),
  armHeight: practice({ bandLo: -20, aimLo: -10, aimHi: 0, bandHi: 5, hardHi: 25, weight: 3 }),
  // Stronger than the elbow's own aim, within whose band it stays.
  padsLevel: practice({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 4 }),
  armSpread: assumed({ aimHi: 15, bandHi: 20, weight: 1 }),
  hipContact: CONTACT,
  padContact: CONTACT,
  hipClearance: COMFORT,
  padReach: practice({ bandLo: 170, aimLo: 200, aimHi: 200, bandHi: 230, weight: 1 }),
  padAtDesk: practice({ bandLo: -10, aimLo: 0, weight: 1 }),
  armPivot: assumed({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 10, weight: 1 }),
  armAngle: assumed({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 1 }),
  headHeight: practice({ bandLo: -20, aimLo: 0, aimHi: 0, bandHi: 20, weight: 1 }),
  headAngle: assumed({ bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 10, weight: 1 }),
  headDepth: assumed({ bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 15, weight: 1 }),
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
  damper: practice({ bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 1 }),
  deskTop: practice({ bandLo: -45, aimLo: -30, aimHi: 0, bandHi: 25, weight: 3 }),
  deskContact: CONTACT,
  deskClearance: COMFORT,
  // Through the roof is refused: nothing below is dear enough to go there.
  headroom: assumed({ hardLo: 0, bandLo: 0, aimLo: 50, weight: 40 }),
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

/**
 * How far the screen's middle lies below the eye: as guidance has it; with its top edge at the eye, as most screens are
 * high and far; itself at the eye; lower, until a head behind progressive lenses no longer tips back.
 */
export const SCREEN_TARGETS: Readonly<Record<ScreenWay, Target>> = {
  middleBelow: COMMON_TARGETS.gaze,
  topAtEye: practice({ bandLo: 3, aimLo: 10, aimHi: 15, bandHi: 22, weight: 1 }),
  middleAtEye: practice({ bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 10, weight: 1 }),
  lower: practice({ bandLo: 15, aimLo: 25, aimHi: 35, bandHi: 40, weight: 1 }),
};

/** The target of a condition as a method has it. */
export const targetOf = (method: Method, id: Exclude<ConditionId, 'kneeRoom'>): Target =>
  method.targets[id] ?? COMMON_TARGETS[id];
