/** Seat and place with something added or changed, solved anew, and how everything stands then. */
import { bandOf, leftOver } from '../../target';
import { CONDITION_UNITS, type ConditionId, computable } from '../conditions';
import { residualSds } from '../cost/doubt';
import { steepness } from '../cost/expected';
import { inPlace } from '../case/in-place';
import type { RemedySettings, Settings } from '../problem/inputs';
import { oncePer } from '../problem/once';
import type { Problem } from '../problem/problem';
import { BUDGET_OF_MANY, solve, valuesOfSettings } from '../search/solve';

export interface Stand {
  readonly residual: number;
  /** Signed; 0 inside. */
  readonly outside: number;
  /** How likely it is inside its band, 0…1. */
  readonly chance: number;
}

/** Settings tried, and how everything stands with them. */
export interface Trial {
  readonly settings: Settings;
  readonly hard: number;
  readonly penalty: number;
  readonly stands: ReadonlyMap<ConditionId, Stand>;
}

/** Φ, as steep as the table of expected costs has it. */
const below = steepness;

/**
 * Where every condition stands as set.
 * @returns in the condition’s unit; without those that cannot be calculated. Definition.
 */
export function standsOf(p: Problem, settings: Settings): ReadonlyMap<ConditionId, Stand> {
  const q = inPlace(p, settings.remedies);
  const values = valuesOfSettings(q, settings);
  const sds = residualSds(q);
  return new Map(
    computable(q).map((c): [ConditionId, Stand] => {
      const target = q.targets[c.id];
      const residual = c.residual(q, values);
      const outside = leftOver(target, CONDITION_UNITS[c.id], residual);
      const sd = sds[c.id] ?? 0;
      const { lo, hi } = bandOf(target);
      const chance =
        sd > 0 ? below((hi - residual) / sd) - below((lo - residual) / sd) : outside === 0 ? 1 : 0;
      return [c.id, { residual, outside, chance }];
    }),
  );
}

/** What was tried of a problem already: the same size of a cure is looked at against one shortfall after the other. */
const triedOf = oncePer((): Map<string, Trial> => new Map());

/**
 * What remedies come to with everything solved anew.
 * @param choosesFootrest whether its height is chosen with everything else, at the method's price
 * @returns the best settings with them, and where everything stands then. Definition.
 */
export function tryOut(p: Problem, remedies: RemedySettings, choosesFootrest = false): Trial {
  const known = triedOf(p);
  const key = JSON.stringify([choosesFootrest, Object.entries(remedies).sort()]);
  const trial = known.get(key) ?? trialOf(p, remedies, choosesFootrest);
  known.set(key, trial);
  return trial;
}

function trialOf(p: Problem, remedies: RemedySettings, choosesFootrest: boolean): Trial {
  const options = { remedies, chooseFootrest: choosesFootrest, budget: BUDGET_OF_MANY };
  const { settings, hard, penalty } = solve(p, options);
  return { settings, hard, penalty, stands: standsOf(p, settings) };
}

/**
 * What is outside its band in a trial.
 * @returns in the order of the conditions. Definition.
 */
export const outsideIn = ({ stands }: Trial): ConditionId[] =>
  [...stands].filter(([, { outside }]) => outside !== 0).map(([id]) => id);

/**
 * What was outside and is not any more; what is not there any more is not outside.
 * @returns in the order of the conditions. Definition.
 */
export const closedBy = (base: Trial, trial: Trial): ConditionId[] =>
  outsideIn(base).filter((id) => (trial.stands.get(id)?.outside ?? 0) === 0);
