import { useMemo } from 'react';
import type { Problem, Remedies } from '../../core/fit';
import type { OfferedSeat } from '../../contract';
import { useJob } from '../jobs/use-job';

/** Remedies are solved for in the background, one after the other; null until the first are known. */
export function useRemedies(problem: Problem, seats: readonly OfferedSeat[]): Remedies | null {
  const input = useMemo(
    () => ({ inputs: problem.inputs, seats: seats.map(({ seat }) => seat) }),
    [problem, seats],
  );
  return useJob('remedies', input).result;
}
