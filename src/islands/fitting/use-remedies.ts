import { useEffect, useRef, useState } from 'react';
import type { Problem, Remedies } from '../../core/fit';
import type { SeatSummary } from '../../contract';
import { JobDesk } from '../../workers/desk';

/** Remedies are solved for in the background, one after the other; null until the first are known. */
export function useRemedies(problem: Problem, seats: readonly SeatSummary[]): Remedies | null {
  const [found, setFound] = useState<{ readonly for: Problem; readonly remedies: Remedies } | null>(null);
  const desk = useRef<JobDesk | null>(null);
  useEffect(() => {
    desk.current ??= new JobDesk();
    const { current } = desk;
    const show = (remedies: Remedies) => setFound({ for: problem, remedies });
    current.run('remedies', { inputs: problem.inputs, seats: seats.map(({ seat }) => seat) }, show).then(
      (remedies) => remedies && show(remedies),
      () => undefined,
    );
    return () => current.cancel();
  }, [problem, seats]);
  useEffect(() => () => desk.current?.close(), []);
  return found?.for === problem ? found.remedies : null;
}
