import { useState } from 'react';
import { MethodSummarySchema, type MethodSummary } from '../../contract';
import { methodDoubts } from '../../core/fit';
import {
  CONDITION_IDS,
  CONDITION_UNITS,
  targetOf,
  type ConditionId,
  type Method,
  type Target,
} from '../../core/method';
import { formatLengthNumber, parseLength } from '../../core/units';
import { ClientError, api, explain } from '../../ui/client';
import { useDraft } from '../../ui/use-draft';
import { sayCaseDoubt, word, type Reading } from '../../words';

export const BOUNDS = ['hardLo', 'bandLo', 'aimLo', 'aimHi', 'bandHi', 'hardHi'] as const;
export type Bound = (typeof BOUNDS)[number];

/** A target as typed: an empty bound is open. */
export type TargetText = Readonly<Record<Bound | 'weight' | 'source', string>>;

export interface MethodText {
  readonly name: string;
  readonly summary: string;
  readonly headRestFrom: string;
  readonly footrestPenalty: string;
  /** Only what has been opened for change. */
  readonly targets: Readonly<Partial<Record<ConditionId, TargetText>>>;
}

export const targetIn = (method: Method, id: ConditionId): Target =>
  id === 'kneeRoom' ? method.kneeRoom : targetOf(method, id);

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

function readMethod(method: Method, text: MethodText, reading: Reading): Method {
  const { kneeRoom, ...rest } = Object.fromEntries(
    CONDITION_IDS.flatMap((id) => {
      const typed = text.targets[id];
      return typed ? [[id, readTarget(id, targetIn(method, id), typed, reading)]] : [];
    }),
  ) as Partial<Record<ConditionId, Target>>;
  return {
    ...method,
    name: text.name.trim(),
    summary: text.summary.trim(),
    headRestFromDeg: parseNumber(text.headRestFrom),
    footrestPenalty: parseNumber(text.footrestPenalty),
    targets: { ...method.targets, ...rest },
    kneeRoom: kneeRoom ?? method.kneeRoom,
  };
}

/** The faults of a method by the row, or the field, that they belong to. */
function faultsOf(method: Method): Readonly<Record<string, string>> {
  const found = methodDoubts(method).map((doubt) => {
    const [, first = '', second] = doubt.field.split('/');
    return [first === 'targets' ? (second ?? first) : first, sayCaseDoubt(doubt).detail] as const;
  });
  const named = method.name === '' ? [['name', word('methods.nameMissing')] as const] : [];
  return Object.fromEntries([...found, ...named]);
}

const textOf = (method: Method): MethodText => ({
  name: method.name,
  summary: method.summary,
  headRestFrom: sayNumber(method.headRestFromDeg),
  footrestPenalty: sayNumber(method.footrestPenalty),
  targets: {},
});

/** A method of the practice's own while it is changed; what is typed is kept in this browser until it is saved. */
export function useMethodForm(
  { method, version }: MethodSummary,
  reading: Reading,
  onSaved: (saved: MethodSummary) => void,
) {
  const draft = useDraft(`method:${method.id}:${version}`, textOf(method));
  const { text, put } = draft;
  const [state, setState] = useState<'idle' | 'saving'>('idle');
  const [fault, setFault] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<MethodSummary | null>(null);
  const read = readMethod(method, text, reading);
  const faults = faultsOf(read);
  const isChanged = JSON.stringify(read) !== JSON.stringify(method);
  const save = async (on: number = version) => {
    if (Object.keys(faults).length > 0) return;
    setState('saving');
    try {
      const saved = await api.editMethod(read, on);
      await draft.drop();
      setFault(null);
      setTheirs(null);
      onSaved(saved);
    } catch (error) {
      const problem = error instanceof ClientError ? error.problem : null;
      const current = MethodSummarySchema.safeParse(problem?.current).data;
      if (current) setTheirs(current);
      else setFault(problem?.errors?.[0]?.detail ?? explain(error));
    } finally {
      setState('idle');
    }
  };
  return {
    text,
    put,
    faults,
    fault,
    theirs,
    isChanged,
    isSaving: state === 'saving',
    save,
    reset: () => {
      put(textOf(method));
      void draft.drop();
    },
    open: (id: ConditionId) =>
      put({ targets: { ...text.targets, [id]: targetText(id, targetIn(method, id), reading) } }),
    type: (id: ConditionId, change: Partial<TargetText>) => {
      const before = text.targets[id];
      if (before) put({ targets: { ...text.targets, [id]: { ...before, ...change } } });
    },
  };
}

export type MethodForm = ReturnType<typeof useMethodForm>;
