import type { AdjustmentKind } from '../../seat';
import { inPlace } from '../case/in-place';
import type { Settings } from '../problem/inputs';
import { bindings, type Binding } from '../cost/judge';
import type { Problem } from '../problem/problem';
import type { SolveOptions } from '../search/axes';
import { TOLD_APART, runnersUp, solve, valuesOfSettings, type SolveResult } from '../search/solve';

/** Settings to choose among: the best, and those that come after it. */
export interface Choice extends SolveResult {
  /** What it costs and for which conditions, dearest first. */
  readonly binding: readonly Binding[];
  /** Which adjustments stand elsewhere than in the best, of those that are chosen together. */
  readonly differs: readonly AdjustmentKind[];
}

/** The best, and what comes after it, best first. */
export interface ChoicesFound {
  readonly best: Choice;
  readonly next: readonly Choice[];
}

/** Less than so many millionths of a point is not worth a word (assumed). */
const WORTH_NAMING = 1e4;

/**
 * The conditions that cost something at settings, dearest first.
 * @returns millionths of a point each; empty where nothing costs. Definition.
 */
export function bindingAt(bare: Problem, settings: Settings): readonly Binding[] {
  const p = inPlace(bare, settings.remedies);
  const values = valuesOfSettings(p, settings);
  return bindings(p, values)
    .filter(({ penalty, hard }) => penalty >= WORTH_NAMING || hard > 0)
    .sort((a, b) => b.penalty - a.penalty || b.hard - a.hard || (a.id < b.id ? -1 : 1));
}

/**
 * The best settings and the next best after them, best first, each with what it costs and where it differs.
 * @param count how many after the best at most; fewer where nothing else is left
 * @returns at least the best. Definition.
 * @example
 * choicesOf(problem, { remedies: NO_REMEDIES }, 2).next.length // => 2
 */
export function choicesOf(p: Problem, options: SolveOptions, count: number): ChoicesFound {
  const best = solve(p, options);
  const choice = (result: SolveResult): Choice => ({
    ...result,
    binding: bindingAt(p, result.settings),
    differs: TOLD_APART.filter((k) => result.settings.positions[k] !== best.settings.positions[k]),
  });
  return { best: choice(best), next: runnersUp(p, options, count).map(choice) };
}
