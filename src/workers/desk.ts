/** One worker of this page, and a number for each job given to it. */
import { proxy, wrap, type Remote } from 'comlink';
import type { Jobs } from './jobs';
import type { JobTable, JobsApi } from './serve';

const JOBS_WORKER = (): Worker =>
  new Worker(new URL('./jobs.worker.ts', import.meta.url), { type: 'module' });
/** Reads files of people. */
export const PEOPLE_WORKER = (): Worker =>
  new Worker(new URL('./people.worker.ts', import.meta.url), { type: 'module' });

/** Reads files of seats. */
export const SEATS_WORKER = (): Worker =>
  new Worker(new URL('./seats.worker.ts', import.meta.url), { type: 'module' });

export class JobDesk<J extends JobTable<J> = Jobs> {
  private worker: Worker | null = null;
  private api: Remote<JobsApi> | null = null;
  private seq = 0;

  constructor(private readonly start: () => Worker = JOBS_WORKER) {}

  /**
   * Starts a job in place of whatever is under way.
   * @returns its result; null where another took its place, or it was cancelled
   * @throws where the worker cannot be started or fails
   */
  async run<N extends keyof J & string>(
    name: N,
    input: J[N]['input'],
    onProgress: (value: J[N]['result']) => void,
  ): Promise<J[N]['result'] | null> {
    const seq = ++this.seq;
    this.worker ??= this.start();
    this.api ??= wrap<JobsApi>(this.worker);
    const api = this.api;
    const failed = new Promise<never>((_, reject) => {
      this.worker!.onerror = () => reject(new Error('the worker failed'));
    });
    // What is said on the way comes through another port than the result, and may be overtaken by it.
    let isOver = false;
    const heard = proxy((value: unknown) => {
      if (seq === this.seq && !isOver) onProgress(value);
    });
    try {
      return await Promise.race([api.run(name, seq, input, heard), failed]);
    } finally {
      isOver = true;
    }
  }

  cancel(): void {
    void this.api?.cancel(this.seq);
    this.seq++;
  }

  /** Ends the worker; the next job starts another. */
  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.api = null;
  }
}
