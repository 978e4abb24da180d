import { useMemo } from 'react';
import { holdsBehind, type Assessment, type Settings, type ConditionId } from '../../core/fit';
import type { AdjustmentKind } from '../../core/seat';
import { usePart } from '../../drawing';
import type { Setting } from './use-setting';

/** What is held and keeps something from fitting that would fit with nothing held. */
export function useHolds(
  { problem, store }: Setting,
  { settings: { remedies } }: Assessment,
  outside: readonly ConditionId[],
): readonly AdjustmentKind[] {
  // As text: what says the same is not another question.
  const heldKey = usePart(store, () => JSON.stringify(store.held));
  const key = JSON.stringify([remedies, outside]);
  return useMemo(() => {
    const [inUse, ids] = JSON.parse(key) as [Settings['remedies'], ConditionId[]];
    return holdsBehind(problem, inUse, JSON.parse(heldKey) as Settings['positions'], ids);
  }, [heldKey, key, problem]);
}
