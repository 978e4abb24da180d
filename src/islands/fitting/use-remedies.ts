import { useMemo } from 'react';
import type { Remedies, RemedySettings } from '../../core/fit';
import type { OfferedSeat } from '../../contract';
import { usePart } from '../../drawing';
import { useJob } from '../shared/use-job';
import type { Setting } from './use-setting';

export interface FoundRemedies {
  /** null until the first are known. */
  readonly remedies: Remedies | null;
  readonly isDone: boolean;
}

/**
 * Remedies are solved for in the background, one after the other, beside those in use.
 */
export function useRemedies({ problem, live }: Setting, seats: readonly OfferedSeat[]): FoundRemedies {
  // As text: settings that use the same are not another question.
  const inUse = usePart(live.atRest, (a) => JSON.stringify(a.settings.remedies));
  const input = useMemo(
    () => ({
      inputs: problem.inputs,
      seats: seats.map(({ seat }) => seat),
      inUse: JSON.parse(inUse) as RemedySettings,
    }),
    [inUse, problem, seats],
  );
  const { result, isDone } = useJob('remedies', input);
  return useMemo(() => ({ remedies: result, isDone }), [isDone, result]);
}
