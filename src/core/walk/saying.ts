/** What is said at a step of a walk: of the seat as it stands then, with what comes later still neutral. */
import { assess, put, valuesOfSettings, type Problem, type Settings } from '../fit';
import { footGapMm } from '../fit/geometry/on-seat';
import { message, type Message } from '../message';
import { settingOf } from '../scene/checks';
import { UNDESCRIBED, controlWords, type ControlWords } from '../scene/control-words';
import type { AdjustmentKind } from '../seat';
import { HARNESS } from './couplings';
import type { WalkStep } from './steps';
import type { Walk } from './walk';

export interface StepWords extends ControlWords {
  /** What it is set to; null of a step that sets nothing. */
  readonly setting: Message | null;
  /** What a tape or a level must show then. */
  readonly check: Message | null;
  /** Why it is set again. */
  readonly because: Message | null;
  /** Where the heels are meanwhile, and what brings them down. */
  readonly feet: Message | null;
}

/** Heels that hang by less are on the floor, mm: the end of what fits. */
const STANDS_MM = 5;

const kindOf = (step: WalkStep): AdjustmentKind | null => {
  if (step.what === 'set') return step.kind;
  return step.what === 'again' && step.touched !== HARNESS ? step.touched : null;
};

/** The seat as it stands once a step is done. */
const after = ({ standing, target }: Walk, kind: AdjustmentKind): Settings => ({
  ...standing,
  positions: { ...standing.positions, [kind]: target.positions[kind] ?? 0 },
});

/** Where the heels hang, which later step brings them to the floor; that they stand again; null where they stood before. */
function feetWords(p: Problem, walk: Walk, step: WalkStep, kind: AdjustmentKind): Message | null {
  const before = footGapMm(p, valuesOfSettings(p, walk.standing));
  const now = after(walk, kind);
  const values = valuesOfSettings(p, now);
  const gap = footGapMm(p, values);
  if (!Number.isFinite(gap)) return null;
  if (gap <= STANDS_MM)
    return before > STANDS_MM && kind !== 'seatHeight' ? message('walk.heelsStand') : null;
  if (kind !== 'seatHeight' && gap === before) return null;
  const rest = walk.steps.slice(walk.steps.findIndex(({ id }) => id === step.id) + 1);
  const later = { ...values };
  for (const next of rest) {
    const moved = next.what === 'set' ? next.kind : null;
    const variable = moved && p.variables[moved];
    if (!moved || !variable) continue;
    put(p, later, moved, variable.values[walk.target.positions[moved] ?? 0] ?? NaN);
    if (footGapMm(p, later) <= STANDS_MM)
      return message('walk.heelsHang', { by: { mm: gap }, kind: { word: `kind.${moved}` } });
  }
  return message('walk.heelsHang.stay', { by: { mm: gap } });
}

/**
 * Everything that is said at a step, of the seat as it stands once the step is done.
 * @returns messages; null or empty where there is nothing to say. Definition.
 */
export function stepWords(p: Problem, walk: Walk, step: WalkStep): StepWords {
  const kind = kindOf(step);
  const because =
    step.what === 'again'
      ? message('walk.because', { list: { words: step.because.map((cause) => `kind.${cause}`) } })
      : null;
  const variable = kind && p.variables[kind];
  if (!kind || !variable) return { ...UNDESCRIBED, setting: null, check: null, because, feet: null };
  const a = assess(p, after(walk, kind));
  const outcome = a.outcomes.find((o) => o.kind === kind);
  const { setting, check } = outcome ? settingOf(p, a, outcome) : { setting: null, check: null };
  return {
    ...controlWords(p.inputs.seat, variable.adjustment),
    setting,
    check,
    because,
    feet: feetWords(p, walk, step, kind),
  };
}
