import {
  caseDoubts,
  solvePosture,
  type FitInputs,
  type Posture,
  type RemedySettings,
  type Settings,
} from '../core/fit';
import type { PostureSet } from '../contract';

/**
 * Every posture solved by itself, with the remedies that are in use; without settings where nothing can be computed.
 * @param stays what stands where it is in all of them
 */
export function solvedPostures(
  inputs: FitInputs | null,
  postures: readonly Posture[],
  remedies: RemedySettings,
  stays: Settings['positions'] = {},
): PostureSet[] {
  const isSound = inputs !== null && postures.length > 0 && caseDoubts(inputs).length === 0;
  return postures.map(({ name, task, leanDeg }) => {
    const posture = { name, ...(task && { task }), ...(leanDeg !== undefined && { leanDeg }) };
    return { ...posture, settings: isSound ? solvePosture(inputs, posture, remedies, stays) : null };
  });
}
