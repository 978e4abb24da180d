/** One worker of this page, and a number for each job given to it. */
import { proxy, wrap, type Remote } from 'comlink';
import type { JobName, Jobs } from './jobs';
import type { JobsApi } from './jobs.worker';

export class JobDesk {
  private worker: Worker | null = null;
  private api: Remote<JobsApi> | null = null;
  private seq = 0;

  /**
   * Starts a job in place of whatever is under way.
   * @returns its result; null where another took its place, or it was cancelled
   * @throws where the worker cannot be started or fails
   */
  async run<N extends JobName>(
    name: N,
    input: Jobs[N]['input'],
    onProgress: (value: Jobs[N]['result']) => void,
  ): Promise<Jobs[N]['result'] | null> {
    const seq = ++this.seq;
    this.worker ??= new Worker(new URL('./jobs.worker.ts', import.meta.url), { type: 'module' });
    this.api ??= wrap<JobsApi>(this.worker);
    const api = this.api;
    const failed = new Promise<never>((_, reject) => {
      this.worker!.onerror = () => reject(new Error('the worker failed'));
    });
    // What is said on the way comes through another port than the result, and may be overtaken by it.
    let isOver = false;
    const heard = proxy((value: Jobs[N]['result']) => {
      if (seq === this.seq && !isOver) onProgress(value);
    });
    try {
      return await Promise.race([
        api.run(name, seq, input, heard) as Promise<Jobs[N]['result'] | null>,
        failed,
      ]);
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
