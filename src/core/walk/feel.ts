/**
 * By feel: what the sitter says of a setting narrows where it would feel right, and moves it there. What is believed is
 * a chance for every place that it may be: at first about the setting as calculated, as unsure as the measures behind it.
 */
import { spreadInUse, type DimensionId } from '../body';
import {
  nudged,
  put,
  valuesOfSettings,
  type ConditionId,
  type Problem,
  type SetValues,
  type Settings,
} from '../fit';
import { conditionOf } from '../fit/conditions';
import { valuesOf, type Adjustment, type AdjustmentKind } from '../seat';
import { nearestTo } from './neutral';

/** What a sitter says; `right` of everything. */
export const FEEL_ANSWERS = [
  'right',
  'pushed',
  'falls',
  'tooHigh',
  'tooLow',
  'tooMuch',
  'tooLittle',
  'lifted',
  'hanging',
  'eyesLow',
  'eyesHigh',
  'headPushed',
  'headFalls',
  'presses',
  'hollow',
] as const;
export type FeelAnswer = (typeof FEEL_ANSWERS)[number];

interface Feel {
  /** What says that it stands too far up, and too far down, in the adjustment's own count. */
  readonly tooGreat: FeelAnswer;
  readonly tooSmall: FeelAnswer;
  /** The measure that is told by it, and the condition through which; absent: none. */
  readonly tells?: { readonly dimension: DimensionId; readonly by: ConditionId };
  /** Off by less nobody feels it: a share of the travel, or mm and degrees (assumed). */
  readonly unfelt: { readonly share: number } | { readonly own: number };
}

/** What is set by feel. Assumed, but for the answers: common practice, no source. */
export const FEELS: Readonly<Partial<Record<AdjustmentKind, Feel>>> = {
  tiltTension: {
    tooGreat: 'pushed',
    tooSmall: 'falls',
    tells: { dimension: 'bodyMass', by: 'tension' },
    unfelt: { share: 0.06 },
  },
  backHeight: {
    tooGreat: 'tooHigh',
    tooSmall: 'tooLow',
    tells: { dimension: 'smallOfBackHeight', by: 'lumbarHeight' },
    unfelt: { own: 8 },
  },
  lumbarApex: {
    tooGreat: 'tooHigh',
    tooSmall: 'tooLow',
    tells: { dimension: 'smallOfBackHeight', by: 'lumbarHeight' },
    unfelt: { own: 8 },
  },
  lumbarDepth: {
    tooGreat: 'tooMuch',
    tooSmall: 'tooLittle',
    tells: { dimension: 'smallOfBackDepth', by: 'lumbarDepth' },
    unfelt: { own: 2 },
  },
  upperLumbar: { tooGreat: 'tooMuch', tooSmall: 'tooLittle', unfelt: { share: 0.1 } },
  lowerLumbar: { tooGreat: 'tooMuch', tooSmall: 'tooLittle', unfelt: { share: 0.1 } },
  armHeight: {
    tooGreat: 'lifted',
    tooSmall: 'hanging',
    tells: { dimension: 'elbowHeightSitting', by: 'armHeight' },
    unfelt: { own: 6 },
  },
  backProfile: { tooGreat: 'eyesLow', tooSmall: 'eyesHigh', unfelt: { share: 0.1 } },
  headHeight: { tooGreat: 'tooHigh', tooSmall: 'tooLow', unfelt: { own: 10 } },
  headDepth: { tooGreat: 'headPushed', tooSmall: 'headFalls', unfelt: { own: 6 } },
  frontSlope: { tooGreat: 'presses', tooSmall: 'hollow', unfelt: { own: 1.5 } },
};

/**
 * Whether a setting is found by feel.
 * @returns false for what a tape or the eye decides. Common practice, no source.
 * @example
 * isFelt('seatHeight') // => false
 */
export const isFelt = (kind: AdjustmentKind): boolean => FEELS[kind] !== undefined;

/**
 * What can be answered of an adjustment, from too far down to too far up.
 * @returns empty for what is not found by feel. Common practice, no source.
 * @example
 * feelAnswersOf('tiltTension') // => ['falls', 'right', 'pushed']
 */
export function feelAnswersOf(kind: AdjustmentKind): readonly FeelAnswer[] {
  const feel = FEELS[kind];
  return feel ? [feel.tooSmall, 'right', feel.tooGreat] : [];
}

/** An answer, and where the adjustment stood when it was given. */
export interface Felt {
  readonly feel: FeelAnswer;
  /** From 0. */
  readonly position: number;
}

/** What is told of a measure by all answers, beside what was measured of it. */
export interface FeltMeasure {
  readonly dimension: DimensionId;
  readonly value: number;
  /** Standard deviation, same unit. */
  readonly spread: number;
}

export interface FeelState {
  /** Where to put it now. */
  readonly position: number;
  /** Whether the sitter has said that it is right there. */
  readonly isRight: boolean;
  /** Whether it should go further than the adjustment does. */
  readonly isAtEnd: boolean;
  /** Whether an answer speaks against an earlier one. */
  readonly contradicts: boolean;
  /** null where nothing of the body is told. */
  readonly measure: FeltMeasure | null;
}

/** Of ten answers one is wrong (assumed). */
const WRONG = 0.1;
/** What may feel right is looked for among so many places. */
const PLACES = 121;
/** How far beyond what is believed at first, in standard deviations. */
const REACH = 4;

/** One adjustment with what is believed of it before anything is said. */
interface Prior {
  readonly kind: AdjustmentKind;
  readonly feel: Feel;
  readonly values: readonly number[];
  /** Where it is right as calculated, in the adjustment's unit, and how unsure that is; an infinite one: nobody knows. */
  readonly mean: number;
  readonly sd: number;
  /** Off by less it feels right, same unit. */
  readonly unfelt: number;
  /** How far what is right moves with the measure, units for each mm or kg; null where it tells of none. */
  readonly perMeasure: number | null;
}

const spanOf = (values: readonly number[]): number => Math.abs(values.at(-1)! - values[0]!);

/** A measure is moved by such a share of it to see what follows. */
const NUDGE = 0.2;

/** How far the value that is right moves with the measure that is told by it. */
function followsMeasure(
  p: Problem,
  kind: AdjustmentKind,
  v: SetValues,
  tells: NonNullable<Feel['tells']>,
): number | null {
  const c = conditionOf(tells.by);
  const quantity = p.inputs.body[tells.dimension];
  const variable = p.variables[kind];
  if (!quantity || !variable || variable.values.length < 2 || !c.applies(p)) return null;
  const there = (values: SetValues): number => c.residual(p, values);
  const at = variable.values.indexOf(v[kind]);
  const next = variable.values[at + 1] === undefined ? at - 1 : at + 1;
  const moved = { ...v };
  put(p, moved, kind, variable.values[next]!);
  const byValue = (there(moved) - there(v)) / (variable.values[next]! - v[kind]);
  // Both ways by so much that what comes in steps has taken some.
  const by = quantity.value * NUDGE;
  const far = (sign: 1 | -1): number => c.residual(nudged(p, tells.dimension, sign * by), v);
  const per = (far(-1) - far(1)) / (2 * by) / byValue;
  return Number.isFinite(per) && per !== 0 ? per : null;
}

function unfeltOf({ unfelt }: Feel, values: readonly number[], perUnit: number): number {
  return 'share' in unfelt ? unfelt.share * spanOf(values) : unfelt.own / Math.abs(perUnit || 1);
}

/** What is believed of an adjustment that is calculated. */
function calculated(p: Problem, kind: AdjustmentKind, feel: Feel, settings: Settings): Prior {
  const variable = p.variables[kind]!;
  const v = valuesOfSettings(p, settings);
  const perMeasure = feel.tells ? followsMeasure(p, kind, v, feel.tells) : null;
  const unfelt = unfeltOf(feel, variable.values, variable.line.perUnit);
  const quantity = feel.tells && p.inputs.body[feel.tells.dimension];
  const sd =
    perMeasure !== null && quantity
      ? Math.hypot(Math.abs(perMeasure) * spreadInUse(feel.tells.dimension, quantity.spread), unfelt)
      : spanOf(variable.values) / 4;
  return { kind, feel, values: variable.values, mean: v[kind], sd, unfelt, perMeasure };
}

/** Nobody knows: anywhere between its ends alike. */
function byTrial(adjustment: Adjustment, feel: Feel): Prior {
  const values = valuesOf(adjustment);
  const unfelt = unfeltOf(feel, values, 1);
  return {
    kind: adjustment.kind,
    feel,
    values,
    mean: (values[0]! + values.at(-1)!) / 2,
    sd: Infinity,
    unfelt,
    perMeasure: null,
  };
}

/** From 0 to 1, a half at 0; close to the chance of a standard normal. */
const risen = (t: number): number => 1 / (1 + Math.exp(-1.702 * t));

/** How likely an answer is where it stands off from what is right by so much. */
function likelihood({ feel, unfelt }: Prior, answer: FeelAnswer, off: number): number {
  // Near the edge of what is felt one may say either.
  const blur = unfelt / 2;
  const great = risen((off - unfelt) / blur);
  const small = risen((-off - unfelt) / blur);
  const said = answer === feel.tooGreat ? great : answer === feel.tooSmall ? small : 1 - great - small;
  return (1 - WRONG) * Math.max(0, said) + WRONG / 3;
}

interface Believed {
  readonly mean: number;
  readonly sd: number;
}

/** Where it is right after all that was said. */
function believedAfter(prior: Prior, felt: readonly Felt[]): Believed {
  const [lo, hi] = [Math.min(...prior.values), Math.max(...prior.values)];
  const reach = Number.isFinite(prior.sd) ? REACH * prior.sd : 0;
  const [from, to] = [Math.min(lo, prior.mean - reach), Math.max(hi, prior.mean + reach)];
  let [sum, first, second] = [0, 0, 0];
  for (let i = 0; i < PLACES; i++) {
    const at = from + ((to - from) * i) / (PLACES - 1);
    const far = Number.isFinite(prior.sd) ? (at - prior.mean) / prior.sd : 0;
    let chance = Math.exp(-far * far * 0.5);
    for (const { feel, position } of felt)
      chance *= likelihood(prior, feel, (prior.values[position] ?? NaN) - at);
    sum += chance;
    first += chance * at;
    second += chance * at * at;
  }
  const mean = first / sum;
  return { mean, sd: Math.sqrt(Math.max(0, second / sum - mean * mean)) };
}

/** Between which positions the answers leave it: above the highest that was too small, below the lowest too great. */
function bracketOf({ feel, values }: Prior, felt: readonly Felt[]): readonly [number, number] {
  const small = felt.filter((f) => f.feel === feel.tooSmall).map((f) => f.position);
  const great = felt.filter((f) => f.feel === feel.tooGreat).map((f) => f.position);
  return [Math.max(-1, ...small), Math.min(values.length, ...great)];
}

/** What the answers alone say of the measure: what has to be added to the measured one to come to what is believed now. */
function measureOf(p: Problem, prior: Prior, now: Believed): FeltMeasure | null {
  const { perMeasure, feel, mean, sd, unfelt } = prior;
  const measured = feel.tells && p.inputs.body[feel.tells.dimension];
  if (perMeasure === null || !measured || !(now.sd < sd)) return null;
  const weight = 1 / now.sd ** 2 - 1 / sd ** 2;
  const alone = (now.mean / now.sd ** 2 - mean / sd ** 2) / weight;
  return {
    dimension: feel.tells.dimension,
    value: measured.value + (alone - mean) / perMeasure,
    // Within what nobody feels, nobody tells where.
    spread: Math.hypot(1 / Math.sqrt(weight), unfelt) / Math.abs(perMeasure),
  };
}

/**
 * Where to put an adjustment after what the sitter has said of it, and what that tells of the body. It always goes the
 * way that was asked for, and never to where the opposite was said, until the answers leave nothing between them.
 * @param of where everything stands as calculated; or the adjustment that nothing is calculated for
 * @returns null for what is not found by feel. Assumed.
 */
export function feelAfter(
  p: Problem,
  of: { readonly kind: AdjustmentKind; readonly settings: Settings } | Adjustment,
  felt: readonly Felt[],
): FeelState | null {
  const feel = FEELS[of.kind];
  if (!feel) return null;
  const prior = 'settings' in of ? calculated(p, of.kind, feel, of.settings) : byTrial(of, feel);
  const { values } = prior;
  const last = felt.at(-1);
  const now = believedAfter(prior, felt);
  const wanted = nearestTo(values, now.mean);
  if (!last) return { position: wanted, isRight: false, isAtEnd: false, contradicts: false, measure: null };
  const measure = measureOf(p, prior, now);
  const [above, below] = bracketOf(prior, felt);
  const contradicts = above >= below;
  if (last.feel === 'right')
    return { position: last.position, isRight: true, isAtEnd: false, contradicts, measure };
  const way = last.feel === feel.tooGreat ? -1 : 1;
  // Never less than what is felt, where the steps are finer.
  const least = Math.max(1, Math.round(prior.unfelt / (spanOf(values) / Math.max(1, values.length - 1))));
  const asked = way > 0 ? Math.max(wanted, last.position + least) : Math.min(wanted, last.position - least);
  // Nothing is left between what was said to be too little and too much.
  const isClosed = above >= 0 && below < values.length && below - above <= 1;
  const [from, to] = isClosed ? [Math.min(above, below), Math.max(above, below)] : [above + 1, below - 1];
  const inside = Math.max(from, Math.min(to, isClosed ? wanted : asked));
  const position = Math.max(0, Math.min(values.length - 1, inside));
  return {
    position,
    isRight: false,
    isAtEnd: way > 0 ? last.position === values.length - 1 : last.position === 0,
    contradicts: contradicts || (isClosed && position === last.position),
    measure,
  };
}

/**
 * What is felt and what was measured of one thing, as one: each counts by how sure it is.
 * @returns value and standard deviation. Definition.
 * @example
 * together({ value: 100, spread: 10 }, { value: 110, spread: 10 }).value // => 105
 */
export function together(
  a: { readonly value: number; readonly spread: number },
  b: { readonly value: number; readonly spread: number },
): { readonly value: number; readonly spread: number } {
  const [wa, wb] = [1 / a.spread ** 2, 1 / b.spread ** 2];
  return { value: (a.value * wa + b.value * wb) / (wa + wb), spread: 1 / Math.sqrt(wa + wb) };
}
