/**
 * How body dimensions hang together: each score is a mixture of a few that do not depend on each other, and a rest of
 * its own. Whatever the numbers, the correlations that come of it are those of possible people (positive definite).
 *
 * The mixture is chosen so that the correlations lie where published ones do: stature and mass 0.52 (NASA RP-1024,
 * from memory), stature and sitting height 0.79, and for everything else the plausible bands of military adults
 * (both from memory); what nobody stated is assumed.
 */
import { BODY_DIMENSIONS, type BodyDimension } from './table';

/** Of stature; mass beside stature; length of the trunk beside stature; of the thigh; frame of the shoulders; of the forearm. */
export const FACTORS = ['stature', 'mass', 'trunk', 'thigh', 'frame', 'forearm'] as const;

const STATURE_MASS = 0.52;

export const LOADINGS: Readonly<Record<BodyDimension, readonly number[]>> = {
  stature: [1],
  bodyMass: [STATURE_MASS, Math.sqrt(1 - STATURE_MASS ** 2)],
  elbowHeightStanding: [0.93, 0, -0.05],
  footLength: [0.75, 0.15, -0.15],
  poplitealHeight: [0.82, -0.02, -0.42],
  kneeHeight: [0.88, 0.05, -0.36],
  buttockPoplitealLength: [0.73, 0.15, -0.3, 0.45],
  thighClearance: [0.3, 0.66],
  elbowHeightSitting: [0.2, 0.08, 0.7],
  shoulderHeightSitting: [0.68, 0.08, 0.58],
  cervicaleHeightSitting: [0.74, 0.05, 0.58],
  eyeHeightSitting: [0.77, 0, 0.58],
  sittingHeight: [0.79, 0, 0.58],
  smallOfBackHeight: [0.4, -0.05, 0.35],
  smallOfBackDepth: [0.05, -0.1, 0.1],
  napeHeight: [0.74, 0.03, 0.58],
  hipBreadthSitting: [0.38, 0.717],
  elbowToElbowBreadth: [0.25, 0.76, 0, 0, 0.15],
  forearmBreadth: [0.3, 0.6],
  elbowGripLength: [0.75, 0.08, -0.25, 0, 0, 0.4],
  forearmHandLength: [0.8, 0.08, -0.25, 0, 0, 0.45],
  buttockKneeLength: [0.8, 0.2, -0.3, 0.4],
  shoulderElbowLength: [0.8, 0.05, -0.15],
  shoulderBreadth: [0.4, 0.705, 0, 0, 0.3],
  biacromialBreadth: [0.5, 0.245, 0, 0, 0.5],
  abdominalDepth: [0.15, 0.845],
};

/** The dimensions of the model, in the order of measuring. */
export const MODELLED: readonly BodyDimension[] = BODY_DIMENSIONS;

const loading = (id: BodyDimension, factor: number): number => LOADINGS[id][factor] ?? 0;

/**
 * Share of the variance of a score that is its own.
 * @returns a share, 0 to 1. Assumed.
 */
export const ownShare = (id: BodyDimension): number =>
  Math.max(0, 1 - FACTORS.reduce((sum, _, f) => sum + loading(id, f) ** 2, 0));

/**
 * Correlation of two scores.
 * @returns −1 to 1; 1 for the same one. Assumed.
 */
export const scoreCorrelation = (a: BodyDimension, b: BodyDimension): number =>
  a === b ? 1 : FACTORS.reduce((sum, _, f) => sum + loading(a, f) * loading(b, f), 0);
