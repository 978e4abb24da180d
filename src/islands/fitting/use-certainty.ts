import { useMemo } from 'react';
import type { SetCertainty } from '../../core/certainty';
import { usePart } from '../../drawing';
import { useJob } from '../shared/use-job';
import type { Setting } from './use-setting';

/** So long nothing may have moved before it is worked out. */
const REST_MS = 300;

/** How sure the settings are as they stand, worked out in the background: undefined until it is, null where it cannot be. */
export function useCertainty({ problem, live }: Setting): SetCertainty | null | undefined {
  const settings = usePart(live.atRest, (a) => a.settings);
  const input = useMemo(() => ({ inputs: problem.inputs, settings }), [problem, settings]);
  const { result, isDone } = useJob('certainty', input, REST_MS);
  return isDone ? result : undefined;
}
