/**
 * A walk at the seat as it stands: what was done so far, where the settings lead by now, and what comes next. It is
 * worked out anew from its events, so that two devices that add to one walk come to the same.
 */
import { NO_REMEDIES, solve, type Problem, type Settings } from '../fit';
import type { AdjustmentKind } from '../seat';
import { HARNESS } from './couplings';
import { neutralOf } from './neutral';
import { walkSteps, type WalkStep } from './steps';

/** `stuck`: it could not be moved and stays; `left`: the tape says otherwise, and it stays there. */
export const WALK_ANSWERS = ['done', 'foundSo', 'stuck', 'left'] as const;
export type WalkAnswer = (typeof WALK_ANSWERS)[number];

export interface WalkEvent {
  /** Of the step that it answers. */
  readonly step: string;
  readonly answer: WalkAnswer;
  /** Where the adjustment stands then, from 0; absent of a step that sets nothing. */
  readonly position?: number;
}

export interface Walk {
  /** Where everything is to stand, as far as what is stuck lets it. */
  readonly target: Settings;
  readonly steps: readonly WalkStep[];
  /** What could not be moved, or was left elsewhere, and where it stays. */
  readonly held: Readonly<Partial<Record<AdjustmentKind, number>>>;
  /** The seat as it stands now: set so far, and still neutral. */
  readonly standing: Settings;
  /** What comes next; null once everything is done. */
  readonly next: WalkStep | null;
}

const kindIn = (step: string): AdjustmentKind | null => {
  const kind = /^(?:set|again):(\w+)$/.exec(step)?.[1];
  return kind === undefined || kind === HARNESS ? null : (kind as AdjustmentKind);
};

/** Positions by kind out of those events that a test lets through; the last of each counts. */
function positionsOf(
  p: Problem,
  events: readonly WalkEvent[],
  isMeant: (event: WalkEvent) => boolean,
): Partial<Record<AdjustmentKind, number>> {
  const positions: Partial<Record<AdjustmentKind, number>> = {};
  for (const event of events) {
    const kind = kindIn(event.step);
    const count = kind && p.variables[kind]?.values.length;
    if (!kind || !count || event.position === undefined) continue;
    if (isMeant(event)) positions[kind] = Math.max(0, Math.min(count - 1, Math.round(event.position)));
    else delete positions[kind];
  }
  return positions;
}

const isHeld = ({ answer }: WalkEvent): boolean => answer === 'stuck' || answer === 'left';

/** When a step was last answered: its place among the events; −1 where it never was. */
const lastOf = (events: readonly WalkEvent[], id: string): number =>
  events.map((e) => e.step).lastIndexOf(id);

function isOpen(
  step: WalkStep,
  events: readonly WalkEvent[],
  { target, held, reached }: { target: Settings; held: Walk['held']; reached: Walk['held'] },
): boolean {
  const answered = lastOf(events, step.id);
  if (step.what === 'set')
    return held[step.kind] === undefined && reached[step.kind] !== target.positions[step.kind];
  if (step.what === 'again')
    return answered < Math.max(...step.because.map((kind) => lastOf(events, `set:${kind}`)));
  return answered < (step.id === 'sit:seatDepth' ? lastOf(events, 'set:seatDepth') : 0);
}

/**
 * Where a walk stands after some events.
 * @param base settings to be reached where nothing is in the way
 * @returns the way on; `next` is null at the end. Definition.
 * @example
 * walkOf(problem, best, []).next.what // => 'neutral'
 */
export function walkOf(p: Problem, base: Settings, events: readonly WalkEvent[]): Walk {
  const held = positionsOf(p, events, isHeld);
  const reached = positionsOf(p, events, () => true);
  const remedies = base.remedies ?? NO_REMEDIES;
  const target = Object.keys(held).length > 0 ? solve(p, { remedies, held }).settings : base;
  const steps = walkSteps(p, target);
  const standing = { ...target, positions: { ...neutralOf(p, target).positions, ...reached } };
  const next = steps.find((step) => isOpen(step, events, { target, held, reached })) ?? null;
  return { target, steps, held, standing, next };
}
