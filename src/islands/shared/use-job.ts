import { useEffect, useState } from 'react';
import { JobDesk } from '../../workers/desk';
import type { JobName, Jobs } from '../../workers/jobs';

/** What is known of a job in the background. */
export interface JobState<R> {
  /** The newest there is; null until there is one. */
  readonly result: R | null;
  readonly isDone: boolean;
  /** This browser cannot. */
  readonly isFailed: boolean;
}

const NOTHING = { result: null, isDone: false, isFailed: false };

/** One desk for each job of this page: a stage that comes back finds its worker as it left it. */
const DESKS = new Map<JobName, JobDesk>();

function deskFor(name: JobName): JobDesk {
  const desk = DESKS.get(name) ?? new JobDesk();
  DESKS.set(name, desk);
  return desk;
}

/**
 * Runs a job for an input, and the next for the next one, whose place it takes.
 * @param input the same object as long as nothing of it changes; null: nothing is asked
 * @param afterMs so long the input has to stand still first
 */
export function useJob<N extends JobName>(
  name: N,
  input: Jobs[N]['input'] | null,
  afterMs = 0,
): JobState<Jobs[N]['result']> {
  const [known, setKnown] = useState<
    (JobState<Jobs[N]['result']> & { readonly for: Jobs[N]['input'] }) | null
  >(null);
  useEffect(() => {
    if (!input) return;
    const show = (result: Jobs[N]['result'] | null, isDone: boolean, isFailed = false) =>
      setKnown({ for: input, result, isDone, isFailed });
    const timer = setTimeout(() => {
      deskFor(name)
        .run(name, input, (result) => show(result, false))
        .then(
          (result) => result && show(result, true),
          () => show(null, true, true),
        );
    }, afterMs);
    return () => {
      clearTimeout(timer);
      DESKS.get(name)?.cancel();
    };
  }, [afterMs, input, name]);
  return known && known.for === input ? known : NOTHING;
}
