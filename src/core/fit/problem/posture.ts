/** A fitting holds up to three postures, each named: what is done in it, and how far the back leans. */
import type { Task } from '../../place';
import type { FitInputs } from './inputs';

export interface Posture {
  readonly name: string;
  /** What is done then; absent: what is done at the workstation. */
  readonly task?: Task | undefined;
  /** How far the back leans then, degrees; absent: as the method has it. */
  readonly leanDeg?: number | undefined;
}

/** The one that is set first is counted. */
export const MOST_POSTURES = 3;
/** How far a lean may be from the one that was asked for, degrees (assumed). */
const NEAR_DEG = 5;

/**
 * The inputs of one posture: the same case with its task, judged by its lean. Whoever asks for a lean gets the lock that
 * holds it.
 * @returns the same document where the posture asks for nothing else. Definition.
 * @example
 * inputsOfPosture(inputs, { name: 'Reading' }) === inputs // => true
 */
export function inputsOfPosture(inputs: FitInputs, { task, leanDeg }: Posture): FitInputs {
  const { method, place } = inputs;
  const there: FitInputs = task && place ? { ...inputs, place: { ...place, task } } : inputs;
  if (leanDeg === undefined) return there;
  const weight = method.targets.backAngle?.weight ?? 4;
  const backAngle = {
    bandLo: leanDeg - NEAR_DEG,
    aimLo: leanDeg,
    aimHi: leanDeg,
    bandHi: leanDeg + NEAR_DEG,
    weight,
    basis: 'practice',
    source: 'the fitting',
  } as const;
  return { ...there, method: { ...method, lock: 'toggled', targets: { ...method.targets, backAngle } } };
}
