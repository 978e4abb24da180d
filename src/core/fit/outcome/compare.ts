/** One fitting after two methods: what each would set, what follows for the posture, and what each says of the other. */
import { message, type Message } from '../../message';
import type { Method } from '../../method';
import { ADJUSTMENT_KINDS, type AdjustmentKind } from '../../seat';
import type { PostureAngle } from '../geometry/angles';
import { assess, type Assessment, type SettingOutcome } from './assess';
import type { FitInputs, RemedySettings } from '../problem/inputs';
import { problemOf } from '../case/problem-of';
import { ownValue } from '../conditions/saying';
import { solve } from '../search/solve';

/** What one method comes to, at its best. */
export interface MethodSide {
  readonly method: Method;
  readonly assessment: Assessment;
  readonly penalty: number;
  readonly hard: number;
}

/** One adjustment that the two set differently. */
export interface SettingDifference {
  readonly kind: AdjustmentKind;
  readonly one: SettingOutcome;
  readonly other: SettingOutcome;
  readonly words: Message;
}

export interface Comparison {
  readonly one: MethodSide;
  readonly other: MethodSide;
  /** In the first method's order of setting; empty where both set the same. */
  readonly settings: readonly SettingDifference[];
  /** Angles that differ by a degree or more. */
  readonly angles: readonly Message[];
  /** What either would not call fitting of what the other sets. */
  readonly judged: readonly Message[];
}

function sideOf(inputs: FitInputs, method: Method, remedies: RemedySettings): MethodSide {
  const problem = problemOf({ ...inputs, method });
  const { settings, penalty, hard } = solve(problem, { remedies });
  return { method, assessment: assess(problem, settings), penalty, hard };
}

function settingDifference(one: SettingOutcome, other: SettingOutcome): SettingDifference {
  const { adjustment } = one.variable;
  const by = other.value - one.value;
  const way = by > 0 ? 'more' : 'less';
  const said = (n: number) => ownValue(adjustment.unit, n);
  const words = message('compare.setting', {
    name: { word: `kind.${one.kind}` },
    one: said(one.value),
    other: said(other.value),
    by: said(Math.abs(by)),
    way: { word: `${way}.${ADJUSTMENT_KINDS[one.kind].sign}` },
  });
  return { kind: one.kind, one, other, words };
}

/** Angles closer than this feel the same, degrees. */
const ANGLE_APART_DEG = 1;

function angleDifferences(one: MethodSide, other: MethodSide): Message[] {
  const there = new Map(other.assessment.angles.map((a) => [a.id, a]));
  return one.assessment.angles.flatMap((a: PostureAngle) => {
    const deg = there.get(a.id)?.deg;
    if (a.deg === null || deg == null || Math.abs(deg - a.deg) < ANGLE_APART_DEG) return [];
    return [
      message('compare.angle', { name: { word: `angle.${a.id}` }, one: { deg: a.deg }, other: { deg } }),
    ];
  });
}

/** What a method would not call fitting of what the other one sets. */
function judgedBy(inputs: FitInputs, judge: MethodSide, judged: MethodSide): Message[] {
  const there = assess(problemOf({ ...inputs, method: judge.method }), judged.assessment.settings);
  const own = new Map(judge.assessment.outcomes.map((o) => [o.kind, o.verdict]));
  return there.outcomes
    .filter((o) => o.verdict !== own.get(o.kind) && ['close', 'cannotReach', 'off'].includes(o.verdict))
    .map((o) =>
      message('compare.judged', {
        judge: { method: { id: judge.method.id, name: judge.method.name } },
        judged: { method: { id: judged.method.id, name: judged.method.name } },
        name: { word: `kind.${o.kind}` },
        verdict: { word: `verdict.${o.verdict}` },
      }),
    );
}

/**
 * The same sitter, seat and place after the fitting's own method and after another one.
 * @param remedies in use in both
 * @returns both with their settings and what differs. Definition.
 * @example
 * compareMethods(inputs, method, NO_REMEDIES).settings // => []
 */
export function compareMethods(inputs: FitInputs, other: Method, remedies: RemedySettings): Comparison {
  const [a, b] = [sideOf(inputs, inputs.method, remedies), sideOf(inputs, other, remedies)];
  const there = new Map(b.assessment.outcomes.map((o) => [o.kind, o]));
  return {
    one: a,
    other: b,
    settings: a.assessment.outcomes.flatMap((o) => {
      const o2 = there.get(o.kind);
      return o2 && o2.position !== o.position ? [settingDifference(o, o2)] : [];
    }),
    angles: angleDifferences(a, b),
    judged: [...judgedBy(inputs, a, b), ...judgedBy(inputs, b, a)],
  };
}

/**
 * The inputs of one step of a method that goes by steps: the same case, aimed at what the step aims at.
 * @param number from 0
 * @returns the inputs themselves where the step has no targets of its own. Definition.
 * @example
 * inputsOfStep(inputs, 0) === inputs // => true
 */
export function inputsOfStep(inputs: FitInputs, number: number): FitInputs {
  const targets = inputs.method.steps?.[number]?.targets;
  return targets ? { ...inputs, method: { ...inputs.method, targets } } : inputs;
}
