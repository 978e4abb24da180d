import { inputsOfPosture, type Posture } from '../problem/posture';
import type { FitInputs, RemedySettings, Settings } from '../problem/inputs';
import { problemOf } from '../case/problem-of';
import type { Problem } from '../problem/problem';
import { BUDGET_OF_MANY, solve } from './solve';

/** The lean that a posture names, held at the nearest position that the back has, or else the whole chair. */
function heldLean({ variables }: Problem, leanDeg: number): Settings['positions'] {
  const leans = variables.backAngle ?? variables.chairAngle;
  if (!leans || leans.values.length < 2) return {};
  const off = (i: number): number => Math.abs(leans.values[i]! - leanDeg);
  const nearest = leans.values.reduce((best, _, i) => (off(i) < off(best) ? i : best), 0);
  return { [leans.kind]: nearest };
}

/**
 * The best settings for a posture of a fitting, solved by itself.
 * @param stays what cannot be moved, or the sitter wants so, whatever the posture
 * @returns positions by kind. Definition.
 * @example
 * solvePosture(inputs, { name: 'Reading', leanDeg: 10 }, NO_REMEDIES).positions.backAngle // => 2
 */
export function solvePosture(
  inputs: FitInputs,
  posture: Posture,
  remedies: RemedySettings,
  stays: Settings['positions'] = {},
): Settings {
  const p = problemOf(inputsOfPosture(inputs, posture));
  const lean = posture.leanDeg === undefined ? {} : heldLean(p, posture.leanDeg);
  // Of what was found by trial nobody knows the positions.
  const kept = Object.fromEntries(Object.entries(stays).filter(([kind]) => kind in p.variables));
  return solve(p, { remedies, held: { ...lean, ...kept }, budget: BUDGET_OF_MANY }).settings;
}
