import { hashKey } from '@tanstack/react-query';
import { useState } from 'react';
import type { MethodSummary } from '../../contract';
import type { Target } from '../../core/target';
import type { ConditionId } from '../../core/fit';
import { ClientError, api, explain } from '../../ui/client';
import { useDraftForm } from '../../ui/use-draft-form';
import type { Reading } from '../../words';
import {
  faultsOf,
  readMethod,
  targetIn,
  targetOfStep,
  targetText,
  textOf,
  type MethodWays,
  type StepText,
  type TargetText,
  type TargetTexts,
} from './method-text';
import { recordMet } from '../../ui/current';

/** Targets while they are changed: rows are opened, then typed into. */
export interface TargetsForm {
  readonly texts: TargetTexts;
  readonly faultOf: (id: ConditionId) => string | undefined;
  readonly open: (id: ConditionId) => void;
  readonly type: (id: ConditionId, change: Partial<TargetText>) => void;
}

function targetsForm(
  texts: TargetTexts,
  targetAt: (id: ConditionId) => Target,
  faultOf: TargetsForm['faultOf'],
  reading: Reading,
  put: (texts: TargetTexts) => void,
): TargetsForm {
  return {
    texts,
    faultOf,
    open: (id) => put({ ...texts, [id]: targetText(id, targetAt(id), reading) }),
    type: (id, change) => {
      const before = texts[id];
      if (before) put({ ...texts, [id]: { ...before, ...change } });
    },
  };
}

/** A method of the practice's own while it is changed; what is typed is kept in this browser until it is saved. */
export function useMethodForm(
  { method, version }: MethodSummary,
  reading: Reading,
  onSaved: (saved: MethodSummary) => void,
) {
  const draft = useDraftForm(`method:${method.id}:${version}`, textOf(method));
  const { text, put } = draft;
  const [state, setState] = useState<'idle' | 'saving'>('idle');
  const [fault, setFault] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<MethodSummary | null>(null);
  const read = readMethod(method, text, reading);
  const faults = faultsOf(read);
  const isChanged = hashKey([read]) !== hashKey([method]);
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
      const current = recordMet('method', error);
      if (current) setTheirs(current);
      else setFault(problem?.errors?.[0]?.detail ?? explain(error));
    } finally {
      setState('idle');
    }
  };
  const putStep = (number: number, change: Partial<StepText>) =>
    put({ steps: text.steps.map((step, i) => (i === number ? { ...step, ...change } : step)) });
  return {
    text,
    /** What it comes to as it is typed. */
    read,
    put,
    choose: (change: Partial<MethodWays>) => put({ ways: { ...text.ways, ...change } }),
    putStep,
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
    targets: targetsForm(
      text.targets,
      (id) => targetIn(method, id),
      (id) => faults[id],
      reading,
      (targets) => put({ targets }),
    ),
    /** null: the step has no aims of its own. */
    targetsOfStep: (number: number): TargetsForm | null => {
      const step = text.steps[number];
      const base = step?.base;
      if (!step || !base) return null;
      return targetsForm(
        step.targets,
        (id) => targetOfStep(method, base, id),
        (id) => faults[`steps/${number}/${id}`],
        reading,
        (targets) => putStep(number, { targets }),
      );
    },
  };
}

export type MethodForm = ReturnType<typeof useMethodForm>;
