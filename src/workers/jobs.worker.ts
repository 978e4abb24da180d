/** Runs jobs in a browser's worker: the newest is wanted, what came before it is let go. */
import { expose } from 'comlink';
import { JOBS, type JobName, type Jobs } from './jobs';
import { runSliced } from './sliced';

let newest = 0;

const api = {
  /** @param seq rises with every job; a later one, or `cancel`, ends an earlier one, which then gives null */
  async run<N extends JobName>(
    name: N,
    seq: number,
    input: Jobs[N]['input'],
    onProgress: (value: Jobs[N]['result']) => void,
  ): Promise<Jobs[N]['result'] | null> {
    newest = Math.max(newest, seq);
    return runSliced(JOBS[name](input), onProgress, () => seq === newest);
  },
  /** Ends every job up to this one. */
  cancel(seq: number): void {
    newest = Math.max(newest, seq + 1);
  },
};

export type JobsApi = typeof api;
expose(api);
