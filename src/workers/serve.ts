/** Runs jobs in a browser's worker: the newest is wanted, what came before it is let go. */
import { expose, releaseProxy, type Endpoint, type Remote } from 'comlink';
import { runSliced } from './sliced';

/** Jobs by name: what each takes and what it comes to. */
export type JobTable<J> = { readonly [N in keyof J]: { readonly input: unknown; readonly result: unknown } };
/** Each a generator whose every value says how far it is; the last one is its result. */
export type Runners<J extends JobTable<J>> = {
  readonly [N in keyof J]: (input: J[N]['input']) => Generator<J[N]['result'], void>;
};

export interface JobsApi {
  /** @param seq rises with every job; a later one, or `cancel`, ends an earlier one, which then gives null */
  readonly run: (
    name: string,
    seq: number,
    input: unknown,
    onProgress: (value: unknown) => void,
  ) => Promise<unknown>;
  /** Ends every job up to this one. */
  readonly cancel: (seq: number) => void;
}

/** Lets go of what a caller is heard through: its port would stay open until somebody clears up, or for good. */
function release(heard: Partial<Pick<Remote<object>, typeof releaseProxy>>): void {
  heard[releaseProxy]?.();
}

/** @param at where the caller is; else whoever started this worker */
export function serveJobs<J extends JobTable<J>>(jobs: Runners<J>, at?: Endpoint): void {
  let newest = 0;
  const api: JobsApi = {
    async run(name, seq, input, onProgress) {
      newest = Math.max(newest, seq);
      const job = jobs[name as keyof J] as unknown as (input: unknown) => Generator<unknown, void>;
      try {
        return await runSliced(job(input), onProgress, () => seq === newest);
      } finally {
        release(onProgress as object);
      }
    },
    cancel(seq) {
      newest = Math.max(newest, seq + 1);
    },
  };
  expose(api, at);
}
