import { useEffect, useState } from 'react';
import { JobDesk } from '../../workers/desk';
import type { JobName, Jobs } from '../../workers/jobs';
import { SharedDesk, type SharingOf } from '../../workers/shared-desk';

/** What is known of a job in the background. */
export interface JobState<R> {
  /** The newest there is; null until there is one. */
  readonly result: R | null;
  readonly isDone: boolean;
  /** This browser cannot. */
  readonly isFailed: boolean;
}

const NOTHING = { result: null, isDone: false, isFailed: false };

/** Where one job at a time is worked on. */
interface Desk<N extends JobName> {
  readonly run: (
    input: Jobs[N]['input'],
    onProgress: (value: Jobs[N]['result']) => void,
  ) => Promise<Jobs[N]['result'] | null>;
  readonly cancel: () => void;
}

function newDesk<N extends JobName>(name: N, sharing: SharingOf<N> | undefined): Desk<N> {
  if (sharing) return new SharedDesk(name, sharing);
  const desk = new JobDesk();
  return { run: (input, onProgress) => desk.run(name, input, onProgress), cancel: () => desk.cancel() };
}

/** One desk for each job of this page: a stage that comes back finds its workers as it left them. */
const DESKS = new Map<JobName, unknown>();

function deskFor<N extends JobName>(name: N, sharing: SharingOf<N> | undefined): Desk<N> {
  const desk = (DESKS.get(name) as Desk<N> | undefined) ?? newDesk(name, sharing);
  DESKS.set(name, desk);
  return desk;
}

/**
 * Runs a job for an input, and the next for the next one, whose place it takes.
 * @param input the same object as long as nothing of it changes; null: nothing is asked
 * @param afterMs so long the input has to stand still first
 * @param sharing how several workers share it; one has it alone otherwise
 */
export function useJob<N extends JobName>(
  name: N,
  input: Jobs[N]['input'] | null,
  { afterMs = 0, sharing }: { readonly afterMs?: number; readonly sharing?: SharingOf<N> } = {},
): JobState<Jobs[N]['result']> {
  const [known, setKnown] = useState<
    (JobState<Jobs[N]['result']> & { readonly for: Jobs[N]['input'] }) | null
  >(null);
  useEffect(() => {
    if (!input) return;
    const show = (result: Jobs[N]['result'] | null, isDone: boolean, isFailed = false) =>
      setKnown({ for: input, result, isDone, isFailed });
    const desk = deskFor(name, sharing);
    const timer = setTimeout(() => {
      desk
        .run(input, (result) => show(result, false))
        .then(
          (result) => result && show(result, true),
          () => show(null, true, true),
        );
    }, afterMs);
    return () => {
      clearTimeout(timer);
      desk.cancel();
    };
  }, [afterMs, input, name, sharing]);
  return known && known.for === input ? known : NOTHING;
}
