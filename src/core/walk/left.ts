/** The seat as left: of everything that was set what was calculated, where the walk led, where it stands, and why. */
import type { Assessment, Problem, Settings } from '../fit';
import { message, type Message } from '../message';
import { settingOf } from '../card/checks';
import { saysValue } from '../card/control-words';
import type { AdjustmentKind } from '../seat';
import { kindOfStep, triedOf } from './steps';
import { isOutsideBand, kindIn, type Walk, type WalkEvent } from './walk';
import { judged } from './judged';

export interface LeftRow {
  readonly kind: AdjustmentKind;
  /** As calculated before the walk, and where the walk led; the same message where they are alike; null: by trial. */
  readonly computed: Message | null;
  readonly reached: Message | null;
  /** null where nobody set it. */
  readonly left: Message | null;
  /** Why they are not all the same; what the sitter preferred. */
  readonly why: readonly Message[];
  /** Words of whoever set it. */
  readonly note: string | null;
}

function wordsAt(a: Assessment, kind: AdjustmentKind): Message | null {
  const outcome = a.outcomes.find((o) => o.kind === kind);
  if (!outcome) return null;
  const { setting } = settingOf(a.problem, a, outcome);
  return setting === outcome.words || !saysValue(outcome.words) ? setting : outcome.words;
}

/** The last answer to any step that sets something. */
const lastOn = (events: readonly WalkEvent[], kind: AdjustmentKind): WalkEvent | undefined =>
  events.filter(({ step }) => kindIn(step) === kind).at(-1);

interface Stands {
  readonly given: Problem;
  readonly base: Settings;
  readonly walk: Walk;
  /** What could not be set as calculated, or was set by feel: what else moved because of it. */
  readonly causes: readonly AdjustmentKind[];
}

/** Why something was left elsewhere than calculated. */
function whyOf(
  { given, base, walk, causes }: Stands,
  kind: AdjustmentKind,
  last: WalkEvent | undefined,
): Message[] {
  const [computed, reached, left] = [base, walk.target, walk.standing].map((s) => s.positions[kind]);
  const whys: Message[] = [];
  if (!last) whys.push(message('left.why.notDone'));
  if (last?.answer === 'stuck') whys.push(message(`left.why.${last.reason ?? 'other'}`));
  if (last?.answer === 'left') whys.push(message('left.why.tape'));
  const isFelt = last?.answer === 'felt';
  if (isFelt) whys.push(message(isOutsideBand(given, walk, kind) ? 'left.why.feltOutside' : 'left.why.felt'));
  else if (reached !== computed && walk.held[kind] === undefined)
    whys.push(
      message('left.why.follows', {
        list: { words: causes.map((k) => `kind.${k}`) },
      }),
    );
  if (last && last.answer === 'foundSo' && left === computed) whys.push(message('left.why.foundSo'));
  return whys;
}

/**
 * What stands at the end of a walk, side by side with what was calculated.
 * @param given the problem as it was before anything was felt
 * @returns one row for everything that a step sets, in the order of the steps. Definition.
 * @example
 * leftOf(problem, best, walkOf(problem, best, []), []).map((row) => row.kind) // => ['seatHeight', 'seatDepth', 'backAngle', 'armHeight']
 */
export function leftOf(
  given: Problem,
  base: Settings,
  walk: Walk,
  events: readonly WalkEvent[],
): readonly LeftRow[] {
  const kinds = [...new Set(walk.steps.flatMap((step) => kindOfStep(step) ?? []))];
  const tried = triedOf(given).map((a) => a.kind);
  const causes = kinds.filter(
    (kind) => walk.held[kind] !== undefined || lastOn(events, kind)?.answer === 'felt',
  );
  const at = {
    base: judged(given, base),
    reached: judged(given, walk.target),
    left: judged(given, walk.standing),
  };
  return kinds.map((kind): LeftRow => {
    const last = lastOn(events, kind);
    const isTried = tried.includes(kind);
    const counted =
      isTried && last?.position !== undefined
        ? message('left.tried', { number: { count: last.position + 1 } })
        : null;
    return {
      kind,
      computed: wordsAt(at.base, kind),
      reached: wordsAt(at.reached, kind),
      left: last ? (counted ?? wordsAt(at.left, kind)) : null,
      why: whyOf({ given, base, walk, causes }, kind, last),
      note: last?.note ?? null,
    };
  });
}

/**
 * What a walk leaves: everything where it stands, and what was found by trial.
 * @returns settings to be signed off. Definition.
 * @example
 * leftSettings(walkOf(problem, best, []), []).remedies // => {}
 */
export function leftSettings(walk: Walk, events: readonly WalkEvent[]): Settings {
  const positions = { ...walk.standing.positions };
  for (const step of walk.steps) {
    const kind = kindOfStep(step);
    if (!kind) continue;
    const last = lastOn(events, kind);
    if (step.what === 'trial' && last?.position !== undefined) positions[kind] = last.position;
  }
  return { ...walk.standing, positions };
}
