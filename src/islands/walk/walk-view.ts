/** What the page of a walk shows, worked out from its record and its answers: nothing here knows the browser. */
import {
  inputsOfPosture,
  problemOf,
  solve,
  NO_REMEDIES,
  type Assessment,
  type Posture,
  type Problem,
  type Settings,
} from '../../core/fit';
import { frontView, movedIn, planView, sideView, withMoved, type Scene } from '../../core/scene';
import type { Message } from '../../core/message';
import { controlFor, valuesOf, type AdjustmentKind } from '../../core/seat';
import {
  isOutsideBand,
  judged,
  kindOfStep,
  leftOf,
  standingAfter,
  stepWords,
  triedOf,
  walkOf,
  type Solve,
  type StepWords,
  type Walk,
  type WalkStep,
} from '../../core/walk';
import type { GivenWalkEvent, WalkRecord } from '../../contract/walks';

/** Answers from everywhere, each once, in the order in which they count. */
export function mergedEvents(...lists: readonly (readonly GivenWalkEvent[])[]): readonly GivenWalkEvent[] {
  const all = new Map(lists.flat().map((event) => [event.id, event]));
  const order = (a: GivenWalkEvent): string => `${a.at} ${a.id}`;
  return [...all.values()].sort((a, b) => (order(a) < order(b) ? -1 : 1));
}

/** Solving once for what is asked again with every answer. */
export function remembered(): Solve {
  const known = new Map<string, Settings>();
  return (p, held, base) => {
    const key = JSON.stringify([p.inputs.body, held, base.remedies]);
    const found = known.get(key);
    if (found) return found;
    const settings = solve(p, { remedies: base.remedies ?? NO_REMEDIES, held }).settings;
    known.set(key, settings);
    return settings;
  };
}

/** A record made ready to compute with. */
export interface Ground {
  readonly record: WalkRecord;
  readonly problem: Problem;
  readonly solve: Solve;
}

export const groundOf = (record: WalkRecord): Ground => ({
  record,
  problem: problemOf(record.inputs),
  solve: remembered(),
});

export const walkAt = (
  { record, problem, solve: solveWith }: Ground,
  events: readonly GivenWalkEvent[],
): Walk => walkOf(problem, record.base, events, { postures: record.postures.length, solve: solveWith });

/** The seat before a step and after it; null where the step changes nothing that is drawn. */
interface Pair {
  readonly before: Scene;
  readonly after: Scene | null;
}

export interface StepView {
  readonly step: WalkStep;
  readonly number: number;
  readonly words: StepWords;
  readonly kind: AdjustmentKind | null;
  /** Of the control, where it is described. */
  readonly controlId: string | null;
  /** Whether the seat has it and nobody has described with what it is set. */
  readonly isUndescribed: boolean;
  /** Whether somebody stands to work it. */
  readonly isStanding: boolean;
  /** Whether the sitter’s choice lies outside what fits the measures. */
  readonly isOutside: boolean;
  /** What is drawn of it, asked for after the words are shown. */
  readonly scenes: () => Pair;
}

/** From where what an adjustment moves is seen best. */
const SEEN: Readonly<Partial<Record<AdjustmentKind, (a: Assessment) => Scene>>> = {
  armWidth: frontView,
  padSlide: frontView,
  armPivot: planView,
};

/** Two drawings that are compared lie in the same field. */
function toOneScale(before: Scene, after: Scene | null): Pair {
  if (!after) return { before, after };
  const [a, b] = [before.bounds, after.bounds];
  const bounds = {
    lowX: Math.min(a.lowX, b.lowX),
    highX: Math.max(a.highX, b.highX),
    lowZ: Math.min(a.lowZ, b.lowZ),
    highZ: Math.max(a.highZ, b.highZ),
  };
  const within = (scene: Scene): Scene => ({
    ...scene,
    bounds,
    get alternative() {
      return scene.alternative;
    },
  });
  return { before: within(before), after: within(after) };
}

const postureProblems = new WeakMap<Posture, { readonly of: Problem; readonly problem: Problem }>();

/** The same object for the same posture of the same problem: what was judged is kept with it. */
function postureProblem(of: Problem, posture: Posture): Problem {
  const known = postureProblems.get(posture);
  if (known?.of === of) return known.problem;
  const problem = problemOf(inputsOfPosture(of.inputs, posture));
  postureProblems.set(posture, { of, problem });
  return problem;
}

function scenesOf(walk: Walk, step: WalkStep, record: WalkRecord): Pair {
  const { problem } = walk;
  const now = judged(problem, walk.standing);
  if (step.what === 'posture') {
    const posture = record.postures[step.number];
    const there = posture?.settings && postureProblem(problem, posture);
    return {
      ...toOneScale(
        sideView(now),
        there && posture.settings ? sideView(judged(there, posture.settings)) : null,
      ),
    };
  }
  const kind = kindOfStep(step);
  const view = (kind && SEEN[kind]) ?? sideView;
  const before = view(now);
  const then = standingAfter(walk, step);
  if (!kind || then === walk.standing) return { before, after: null };
  const after = view(judged(problem, then));
  return movedIn(after, kind).length > 0
    ? toOneScale(withMoved(before, kind), withMoved(after, kind))
    : { before, after: null };
}

/** Everything that a step shows. */
export function stepView({ record, problem: given }: Ground, walk: Walk, step: WalkStep): StepView {
  const { problem } = walk;
  const kind = kindOfStep(step);
  const words = stepWords(problem, walk, step, record.postures);
  const { seat } = problem.inputs;
  const adjustment = seat.adjustments.find((a) => a.kind === kind);
  return {
    step,
    number: walk.steps.findIndex(({ id }) => id === step.id) + 1,
    words,
    kind,
    controlId: adjustment ? (controlFor(seat.controls, adjustment.id)?.control.id ?? null) : null,
    isUndescribed: adjustment !== undefined && words.control === null,
    isStanding: words.movement.some(
      ({ key }) => key.startsWith('working.stance.') || key === 'working.standUp',
    ),
    isOutside: kind !== null && isOutsideBand(given, walk, kind),
    scenes: () => scenesOf(walk, step, record),
  };
}

/** How many positions an adjustment has; 0 for what the seat has not. */
export function positionsOf(p: Problem, kind: AdjustmentKind): number {
  const tried = triedOf(p).find((a) => a.kind === kind);
  return p.variables[kind]?.values.length ?? (tried ? valuesOf(tried).length : 0);
}

/** Where an adjustment stands, or is to be put: by feel, by the tape, or as the walk has it. */
export function positionAt(walk: Walk, kind: AdjustmentKind): number | undefined {
  return walk.felt[kind]?.position ?? walk.target.positions[kind];
}

/** Answers to one step that came from another device, of those who gave them; empty where there are none. */
export function answeredElsewhere(
  events: readonly GivenWalkEvent[],
  step: string,
  device: string,
): readonly string[] {
  const own = events.some((e) => e.step === step && e.device === device);
  const others = events.filter((e) => e.step === step && e.device !== undefined && e.device !== device);
  return own ? [...new Set(others.map((e) => e.by ?? '–'))] : [];
}

/** What will have to be said: of the next step, or of the end, where all stands side by side. */
interface Ahead {
  readonly next: StepWords | null;
  readonly rest: readonly Message[];
}

/** Works out what is shown once a step is done: whatever was judged then is remembered. */
export function warm(
  ground: Ground,
  walk: Walk,
  events: readonly GivenWalkEvent[],
  { step, kind }: Pick<StepView, 'step' | 'kind'>,
): Ahead {
  const position = kind === null ? undefined : positionAt(walk, kind);
  const at = { id: '', at: '9999', by: null };
  const done: GivenWalkEvent = {
    ...at,
    step: step.id,
    answer: 'done',
    ...(position !== undefined && { position }),
  };
  const given = [...events, done];
  const after = walkAt(ground, given);
  if (after.next) {
    const view = stepView(ground, after, after.next);
    view.scenes();
    return { next: view.words, rest: [] };
  }
  const rows = leftOf(ground.problem, ground.record.base, after, given);
  return {
    next: null,
    rest: rows.flatMap(({ computed, reached, left, why }) =>
      [computed, reached, left, ...why].filter((m) => m !== null),
    ),
  };
}
