/** A method as it is typed: its texts, what they come to, and what is wrong with them. */
import { methodDoubts, CONDITION_IDS, CONDITION_UNITS, type ConditionId } from '../../core/fit';
import { SHIPPED_METHODS, targetOf, type Method, type MethodStep, type Targets } from '../../core/method';
import type { Target } from '../../core/target';
import { formatLengthNumber, parseLength } from '../../core/units';
import { sayCaseDoubt, word, type Reading } from '../../words';

export const BOUNDS = ['hardLo', 'bandLo', 'aimLo', 'aimHi', 'bandHi', 'hardHi'] as const;
export type Bound = (typeof BOUNDS)[number];

/** A target as typed: an empty bound is open. */
export type TargetText = Readonly<Record<Bound | 'weight' | 'source', string>>;
/** Only what has been opened for change. */
export type TargetTexts = Readonly<Partial<Record<ConditionId, TargetText>>>;

/** A step while it is changed. */
export interface StepText {
  readonly name: string;
  readonly instruct: string;
  readonly judgeOnly: boolean;
  /** Aims of its own, before what is typed; null: what the method aims at. */
  readonly base: Targets | null;
  readonly targets: TargetTexts;
}

/** What is chosen rather than typed. */
export type MethodWays = Pick<
  Method,
  'order' | 'again' | 'tieBreaks' | 'fingers' | 'armsTo' | 'lock' | 'neutralStart' | 'screen' | 'cautions'
>;

export const REPORTED = ['knee', 'elbow'] as const;
export const ENDS = ['lo', 'hi'] as const;
export type ReportedText = Readonly<
  Record<(typeof REPORTED)[number], Readonly<Record<(typeof ENDS)[number], string>>>
>;

export interface MethodText {
  readonly name: string;
  readonly summary: string;
  readonly headRestFrom: string;
  readonly footrestPenalty: string;
  readonly reported: ReportedText;
  readonly targets: TargetTexts;
  readonly ways: MethodWays;
  readonly steps: readonly StepText[];
}

export const targetIn = (method: Method, id: ConditionId): Target =>
  id === 'kneeRoom' ? method.kneeRoom : targetOf(method, id);

/** The target of a step with aims of its own. */
export const targetOfStep = (method: Method, base: Targets, id: ConditionId): Target =>
  targetIn({ ...method, targets: base }, id);

const sayNumber = (value: number): string => String(Math.round(value * 1000) / 1000).replace('-', '−');

/** A bound as it is typed: lengths in this reader's unit, angles in degrees, the rest in its own count. */
export const sayBound = (id: ConditionId, value: number | undefined, reading: Reading): string => {
  if (value === undefined) return '';
  return CONDITION_UNITS[id] === 'mm' ? formatLengthNumber(value, reading.length) : sayNumber(value);
};

export const unitOfCondition = (id: ConditionId, reading: Reading): string =>
  ({ mm: reading.length, deg: '°', own: '' })[CONDITION_UNITS[id]];

export const targetText = (id: ConditionId, target: Target, reading: Reading): TargetText => ({
  ...(Object.fromEntries(BOUNDS.map((b) => [b, sayBound(id, target[b], reading)])) as Record<Bound, string>),
  weight: sayNumber(target.weight),
  source: target.source,
});

/** NaN where it is no number. */
function parseNumber(text: string): number {
  const plain = text.trim().replace('−', '-').replace(',', '.');
  return plain === '' ? NaN : Number(plain);
}

function parseBound(id: ConditionId, text: string, reading: Reading): number | undefined {
  if (text.trim() === '') return undefined;
  if (CONDITION_UNITS[id] !== 'mm') return parseNumber(text);
  const parsed = parseLength(text, reading.length);
  return parsed.ok ? parsed.value : NaN;
}

/** What was changed is the practice's own judgement, unless it says whose it is. */
function readTarget(id: ConditionId, was: Target, text: TargetText, reading: Reading): Target {
  const bounds = Object.fromEntries(
    BOUNDS.map((b) => [b, parseBound(id, text[b], reading)]).filter(([, value]) => value !== undefined),
  ) as Partial<Record<Bound, number>>;
  const target = {
    ...bounds,
    weight: parseNumber(text.weight),
    basis: was.basis,
    source: text.source.trim(),
  };
  const isSame = BOUNDS.every((b) => target[b] === was[b]) && target.weight === was.weight;
  if (isSame && target.source === was.source) return was;
  const isNamed = target.source !== '' && target.source !== was.source;
  return { ...target, basis: 'practice', source: isNamed ? target.source : word('methods.ownSource') };
}

function readTargets(
  texts: TargetTexts,
  was: (id: ConditionId) => Target,
  reading: Reading,
): Partial<Record<ConditionId, Target>> {
  return Object.fromEntries(
    CONDITION_IDS.flatMap((id) => {
      const typed = texts[id];
      return typed ? [[id, readTarget(id, was(id), typed, reading)]] : [];
    }),
  );
}

function readStep(method: Method, text: StepText, reading: Reading): MethodStep {
  const { base } = text;
  const step = { name: text.name.trim(), instruct: text.instruct.trim() };
  if (text.judgeOnly) return { ...step, judgeOnly: true };
  if (!base) return step;
  const typed = readTargets(text.targets, (id) => targetOfStep(method, base, id), reading);
  return { ...step, targets: { ...base, ...typed } };
}

const orNone = <T>(list: readonly T[] | undefined): readonly T[] | undefined =>
  list && list.length > 0 ? list : undefined;

/** What was typed and chosen as a method; a number that is none is NaN. */
export function readMethod(method: Method, text: MethodText, reading: Reading): Method {
  const { kneeRoom, ...rest } = readTargets(text.targets, (id) => targetIn(method, id), reading);
  const interval = ({ lo, hi }: ReportedText['knee']) => ({ lo: parseNumber(lo), hi: parseNumber(hi) });
  return {
    ...method,
    ...text.ways,
    again: orNone(text.ways.again),
    cautions: orNone(text.ways.cautions),
    name: text.name.trim(),
    summary: text.summary.trim(),
    headRestFromDeg: parseNumber(text.headRestFrom),
    footrestPenalty: parseNumber(text.footrestPenalty),
    reported: { knee: interval(text.reported.knee), elbow: interval(text.reported.elbow) },
    targets: { ...method.targets, ...rest },
    kneeRoom: kneeRoom ?? method.kneeRoom,
    steps: orNone(text.steps.map((step) => readStep(method, step, reading))),
  };
}

const stepText = (step: MethodStep): StepText => ({
  name: step.name,
  instruct: step.instruct,
  judgeOnly: step.judgeOnly ?? false,
  base: step.targets ?? null,
  targets: {},
});

export function textOf(method: Method): MethodText {
  const { order, again, tieBreaks, fingers, armsTo, lock, neutralStart, screen, cautions, reported } = method;
  const interval = ({ lo, hi }: { readonly lo: number; readonly hi: number }) => ({
    lo: sayNumber(lo),
    hi: sayNumber(hi),
  });
  return {
    name: method.name,
    summary: method.summary,
    headRestFrom: sayNumber(method.headRestFromDeg),
    footrestPenalty: sayNumber(method.footrestPenalty),
    reported: { knee: interval(reported.knee), elbow: interval(reported.elbow) },
    targets: {},
    ways: { order, again, tieBreaks, fingers, armsTo, lock, neutralStart, screen, cautions },
    steps: (method.steps ?? []).map(stepText),
  };
}

export const EMPTY_STEP: StepText = { name: '', instruct: '', judgeOnly: true, base: null, targets: {} };

/** Where a step may take its aims from. */
export const AIMS_FROM = SHIPPED_METHODS.filter((m) => !m.steps);

/** To which row or field a doubt about a method belongs: by the name of its condition, field or step. */
function fieldOf(pointer: string): string {
  const [, first = '', second, third, fourth] = pointer.split('/');
  if (first === 'targets') return second ?? first;
  if (first === 'reported') return `reported/${second}`;
  return first === 'steps' ? [first, second, third === 'targets' ? fourth : third].join('/') : first;
}

/** The faults of a method by the row, or the field, that they belong to. */
export function faultsOf(method: Method): Readonly<Record<string, string>> {
  const found = methodDoubts(method).map(
    (doubt) => [fieldOf(doubt.field), sayCaseDoubt(doubt).detail] as const,
  );
  const steps = (method.steps ?? []).flatMap(({ name }, i) =>
    name === '' ? [[`steps/${i}/name`, word('steps.nameMissing')] as const] : [],
  );
  const named = method.name === '' ? [['name', word('methods.nameMissing')] as const] : [];
  return Object.fromEntries([...found, ...steps, ...named]);
}
