/** Several workers that share one long job over many things: each has a part of them. */
import { joinRankings } from '../core/rank/order';
import { JobDesk } from './desk';
import type { JobName, Jobs } from './jobs';

/** How a job is parted, and what its parts come to put together. */
export interface Sharing<I, R> {
  /** Over how many things it goes. */
  readonly sizeOf: (input: I) => number;
  /** Every so-manieth of the things, from one of them on. */
  readonly partOf: (input: I, from: number, every: number) => I;
  /** What all parts have come to, or are known to so far. */
  readonly join: (results: readonly R[]) => R;
}

export type SharingOf<N extends JobName> = Sharing<Jobs[N]['input'], Jobs[N]['result']>;

export const SHARED_RANKING: SharingOf<'rank'> = {
  sizeOf: ({ seats }) => seats.length,
  partOf: ({ asked, seats }, from, every) => ({ asked, seats: seats.filter((_, i) => i % every === from) }),
  join: joinRankings,
};

/** More workers take more of the memory of a tablet than they save of time. */
const MOST_WORKERS = 4;
/** For fewer things another worker takes longer to start than it saves. */
const WORTH_A_WORKER = 100;
/** How often is told what is known so far, ms: every telling draws the page anew. */
const TELL_EVERY_MS = 25;

const coresHere = (): number => globalThis.navigator?.hardwareConcurrency ?? 1;

export class SharedDesk<N extends JobName> {
  private readonly desks: JobDesk[] = [];
  private seq = 0;

  constructor(
    private readonly name: N,
    private readonly sharing: SharingOf<N>,
    private readonly options: { readonly start?: () => Worker; readonly cores?: number } = {},
  ) {}

  /**
   * Starts the job in place of whatever is under way.
   * @returns its result; null where another took its place, or it was cancelled
   * @throws where a worker cannot be started or fails
   */
  async run(
    input: Jobs[N]['input'],
    onProgress: (value: Jobs[N]['result']) => void,
  ): Promise<Jobs[N]['result'] | null> {
    const { name, sharing } = this;
    const seq = ++this.seq;
    const count = this.workersFor(sharing.sizeOf(input));
    // A part that has not told anything yet is missing in whatever would be told.
    const known = new Map<number, Jobs[N]['result']>();
    let toldAt = -Infinity;
    const hear = (part: number, value: Jobs[N]['result']): void => {
      known.set(part, value);
      if (known.size < count || seq !== this.seq || performance.now() - toldAt < TELL_EVERY_MS) return;
      toldAt = performance.now();
      onProgress(sharing.join([...known.values()]));
    };
    try {
      const results = await Promise.all(
        this.desks.slice(0, count).map((desk, i) =>
          desk
            .run(name, sharing.partOf(input, i, count), (value) => hear(i, value))
            .then((result) => {
              if (result) known.set(i, result);
              return result;
            }),
        ),
      );
      const found = results.filter((result) => result !== null);
      return found.length < count || seq !== this.seq ? null : sharing.join(found);
    } catch (error) {
      // Of a whole with a part missing nobody wants the rest.
      if (seq === this.seq) this.cancel();
      throw error;
    }
  }

  cancel(): void {
    this.seq++;
    for (const desk of this.desks) desk.cancel();
  }

  /** Ends the workers; the next job starts others. */
  close(): void {
    for (const desk of this.desks) desk.close();
  }

  /** So many share it; those that are left out of it stop what they were at. */
  private workersFor(size: number): number {
    const { start, cores = coresHere() } = this.options;
    const count = Math.max(1, Math.min(MOST_WORKERS, cores, Math.floor(size / WORTH_A_WORKER)));
    while (this.desks.length < count) this.desks.push(new JobDesk(start));
    for (const desk of this.desks.slice(count)) desk.cancel();
    return count;
  }
}
