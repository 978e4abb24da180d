/**
 * A walk at the seat as it stands: what was done so far, where the settings lead by now, and what comes next. It is
 * worked out anew from its events, so that two devices that add to one walk come to the same.
 */
import { NO_REMEDIES, inPlace, problemOf, solve, type Problem, type Settings } from '../fit';
import type { Body } from '../body';
import { HARNESS } from './couplings';
import {
  FEELS,
  feelAfter,
  together,
  type FeelAnswer,
  type FeelState,
  type Felt,
  type FeltMeasure,
} from './feel';
import { neutralOf } from './neutral';
import { kindOfStep, triedOf, walkSteps, type WalkStep } from './steps';
import { judged } from './judged';
import { positionCount, type AdjustmentKind } from '../seat';

/**
 * `stuck`: it could not be moved and stays; `left`: the tape says otherwise, and it stays there; `felt`: the sitter has
 * said how it feels.
 */
export const WALK_ANSWERS = ['done', 'foundSo', 'stuck', 'left', 'felt'] as const;
export type WalkAnswer = (typeof WALK_ANSWERS)[number];

/** Why something could not be done. */
export const STUCK_REASONS = ['jammed', 'broken', 'notFound', 'noTool', 'unwilling', 'other'] as const;
export type StuckReason = (typeof STUCK_REASONS)[number];

export interface WalkEvent {
  /** Of the step that it answers. */
  readonly step: string;
  readonly answer: WalkAnswer;
  /** Where the adjustment stands then, from 0; absent of a step that sets nothing. */
  readonly position?: number | undefined;
  /** Of `felt`: what the sitter said. */
  readonly feel?: FeelAnswer | undefined;
  /** Of `stuck`. */
  readonly reason?: StuckReason | undefined;
  readonly note?: string | undefined;
}

export type Positions = Readonly<Partial<Record<AdjustmentKind, number>>>;

export interface Walk {
  /** As it was given, or with what was felt beside what was measured. */
  readonly problem: Problem;
  /** Where everything is to stand, as far as what is stuck lets it. */
  readonly target: Settings;
  readonly steps: readonly WalkStep[];
  /** What could not be moved, or was left elsewhere, and where it stays. */
  readonly held: Positions;
  /** What the sitter has said something of, and what came of it. */
  readonly felt: Readonly<Partial<Record<AdjustmentKind, FeelState>>>;
  /** What was set so far, and where it was put. */
  readonly reached: Positions;
  /** The seat as it stands now: set so far, and still neutral. */
  readonly standing: Settings;
  /** What comes next; null once everything is done. */
  readonly next: WalkStep | null;
}

/** How settings are solved for with some held: handed in where it is remembered. */
export type Solve = (p: Problem, held: Positions, base: Settings) => Settings;

const solved: Solve = (p, held, base) => solve(p, { remedies: base.remedies ?? NO_REMEDIES, held }).settings;

export interface WalkMore {
  /** How many further postures the fitting has. */
  readonly postures?: number;
  readonly solve?: Solve;
}

/**
 * What an answer to a step says something of, by the step’s id.
 * @returns null of what sets nothing: also of sitting back after a change of depth. Definition.
 */
export const kindIn = (step: string): AdjustmentKind | null => {
  const kind = /^(?:set|again|trial):(\w+)$/.exec(step)?.[1];
  return kind === undefined || kind === HARNESS ? null : (kind as AdjustmentKind);
};

/** How many positions something has; 0 where the seat has no such thing. */
function countOf(p: Problem, kind: AdjustmentKind): number {
  const tried = triedOf(p).find((a) => a.kind === kind);
  return p.variables[kind]?.values.length ?? (tried ? positionCount(tried) : 0);
}

interface Placed extends WalkEvent {
  readonly kind: AdjustmentKind;
  readonly position: number;
}

/** The events that say where something stands, with positions that it has. */
const placedIn = (p: Problem, events: readonly WalkEvent[]): readonly Placed[] =>
  events.flatMap((event) => {
    const kind = kindIn(event.step);
    const count = kind && countOf(p, kind);
    if (!kind || !count || event.position === undefined) return [];
    return [{ ...event, kind, position: Math.max(0, Math.min(count - 1, Math.round(event.position))) }];
  });

/** Positions by kind out of those events that a test lets through; the last of each counts. */
function positionsOf(events: readonly Placed[], isMeant: (event: Placed) => boolean): Positions {
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  for (const event of events) {
    if (isMeant(event)) positions[event.kind] = event.position;
    else delete positions[event.kind];
  }
  return positions;
}

const isHeld = ({ answer }: WalkEvent): boolean => answer === 'stuck' || answer === 'left';

/** What was said of each by feel; what is put by tape or stuck after it counts instead. */
function feltIn(events: readonly Placed[]): ReadonlyMap<AdjustmentKind, readonly Felt[]> {
  const all = new Map<AdjustmentKind, readonly Felt[]>();
  for (const { kind, answer, feel, position } of events) {
    if (answer === 'felt' && feel && FEELS[kind])
      all.set(kind, [...(all.get(kind) ?? []), { feel, position }]);
    else if (isHeld({ step: '', answer })) all.delete(kind);
  }
  return all;
}

/** No finer than a reading. */
const inTenths = (value: number): number => Math.round(value * 10) / 10;

/**
 * A body with what was felt beside what was measured. A mass counts only where it was not weighed: what was felt never
 * takes the place of a scale.
 * @returns the same body where nothing was felt. Definition.
 * @example
 * feltBody(body, []) === body // => true
 */
export function feltBody(body: Body, measures: readonly FeltMeasure[]): Body {
  return measures.reduce<Body>((now, { dimension, ...felt }) => {
    const known = now[dimension];
    if (!known || !(known.spread > 0) || (dimension === 'bodyMass' && known.basis === 'measured')) return now;
    const { value, spread } = together(known, felt);
    return { ...now, [dimension]: { ...known, value: inTenths(value), spread: inTenths(spread) } };
  }, body);
}

/** When a step was last answered: its place among the events; −1 where it never was. */
const lastOf = (events: readonly WalkEvent[], id: string): number =>
  events.map((e) => e.step).lastIndexOf(id);

interface Standing {
  readonly target: Settings;
  readonly held: Positions;
  readonly reached: Positions;
  readonly felt: Walk['felt'];
}

function isOpen(step: WalkStep, events: readonly WalkEvent[], standing: Standing): boolean {
  const { target, held, reached, felt } = standing;
  const answered = lastOf(events, step.id);
  if (step.what === 'trial')
    return answered < 0 || (events[answered]!.answer === 'felt' && felt[step.kind]?.isRight === false);
  if (step.what === 'set')
    return held[step.kind] === undefined && reached[step.kind] !== target.positions[step.kind];
  if (step.what === 'again') {
    // What stays where it is need not be set again.
    if (step.touched !== HARNESS && held[step.touched] !== undefined) return false;
    return answered < Math.max(...step.because.map((kind) => lastOf(events, `set:${kind}`)));
  }
  return answered < (step.id === 'sit:seatDepth' ? lastOf(events, 'set:seatDepth') : 0);
}

/** What was felt of everything, with where each would be put. */
function feelStates(
  p: Problem,
  calculated: Settings,
  said: ReadonlyMap<AdjustmentKind, readonly Felt[]>,
): Walk['felt'] {
  const tried = triedOf(p);
  // What is found by trial alone begins somewhere before anything was said.
  const all = new Map([...tried.map(({ kind }) => [kind, []] as const), ...said]);
  return Object.fromEntries(
    [...all].flatMap(([kind, felt]) => {
      const state = feelAfter(p, tried.find((a) => a.kind === kind) ?? { kind, settings: calculated }, felt);
      return state ? [[kind, state]] : [];
    }),
  );
}

/** Of what is believed of a body, the measures that were told by feel. */
const measuresOf = (felt: Walk['felt']): readonly FeltMeasure[] =>
  Object.values(felt).flatMap((state) => (state.measure ? [state.measure] : []));

/**
 * Where a walk stands after some events.
 * @param base settings to be reached where nothing is in the way
 * @returns the way on; `next` is null at the end. Definition.
 * @example
 * walkOf(problem, best, []).next.what // => 'neutral'
 */
export function walkOf(
  given: Problem,
  base: Settings,
  events: readonly WalkEvent[],
  { postures = 0, solve: solveWith = solved }: WalkMore = {},
): Walk {
  const placed = placedIn(given, events);
  const held = positionsOf(placed, isHeld);
  const reached = positionsOf(placed, () => true);
  const isAny = (some: Positions): boolean => Object.keys(some).length > 0;
  const calculated = isAny(held) ? solveWith(given, held, base) : base;
  const felt = feelStates(given, calculated, feltIn(placed));
  const measures = measuresOf(felt);
  const problem = measures.length > 0 ? withFelt(given, measures) : given;
  const byFeel = Object.fromEntries(
    Object.entries(felt).flatMap(([kind, { position }]) =>
      given.variables[kind as AdjustmentKind] ? [[kind, position]] : [],
    ),
  );
  const target = isAny(byFeel) ? solveWith(problem, { ...held, ...byFeel }, base) : calculated;
  const steps = walkSteps(problem, target, postures);
  const neutral = neutralOf(inPlace(problem, target.remedies), target);
  // What no step sets, as a back that leans freely, stands where it works: nothing is neutral about it.
  const set = new Set(steps.map(kindOfStep));
  const unset = Object.fromEntries(
    Object.entries(target.positions).filter(([kind]) => !set.has(kind as AdjustmentKind)),
  );
  const standing = { ...target, positions: { ...neutral.positions, ...unset, ...reached } };
  const now = { target, held, reached, felt };
  const next = steps.find((step) => isOpen(step, events, now)) ?? null;
  return { problem, target, steps, held, felt, reached, standing, next };
}

const known = new WeakMap<Problem, { readonly key: string; readonly problem: Problem }>();

/** The same object for the same measures: what was worked out of it is kept with it. */
function withFelt(p: Problem, measures: readonly FeltMeasure[]): Problem {
  const key = JSON.stringify(measures);
  const before = known.get(p);
  if (before?.key === key) return before.problem;
  const problem = problemOf({ ...p.inputs, body: feltBody(p.inputs.body, measures) }, p.rollMm);
  known.set(p, { key, problem });
  return problem;
}

/**
 * Every measure that was told by feel in a walk, to be kept beside what was measured.
 * @returns one a dimension; empty where nothing was felt. Assumed.
 * @example
 * feltMeasures(walkOf(problem, best, [])) // => []
 */
export const feltMeasures = (walk: Walk): readonly FeltMeasure[] => measuresOf(walk.felt);

/**
 * Whether what is set by feel lies outside what fits the body as it was measured.
 * @returns false where nothing was felt of it. Definition.
 * @example
 * isOutsideBand(problem, walkOf(problem, best, []), 'armHeight') // => false
 */
export function isOutsideBand(p: Problem, walk: Walk, kind: AdjustmentKind): boolean {
  if (!walk.felt[kind] || !p.variables[kind]) return false;
  const outcome = judged(p, walk.target).outcomes.find((o) => o.kind === kind);
  return outcome?.verdict === 'cannotReach' || outcome?.verdict === 'close' || outcome?.verdict === 'off';
}
