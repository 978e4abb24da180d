/** Threads beside the one that answers requests: a case that takes long keeps nobody waiting but who asked it. */
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { done, refused, type Outcome } from '../contract';
import type { Question } from '../core/answer';
import type { Compute } from '../service/context';

/** Longer no case is computed, ms: some made-up seats take minutes. */
const LIMIT_MS = 20_000;
const MOST_THREADS = 4;
/** So many may wait. */
const MOST_WAITING = 64;

export interface Threads {
  readonly compute: Compute;
  readonly close: () => Promise<void>;
}

/** @param filename of the bundle that the threads run */
export function openThreads(filename: string, limitMs = LIMIT_MS): Threads {
  const pool = new Piscina({
    filename,
    minThreads: 0,
    maxThreads: Math.min(MOST_THREADS, availableParallelism()),
    maxQueue: MOST_WAITING,
    idleTimeout: 30_000,
  });
  const ask = async <Q, A>(name: Question, question: Q): Promise<Outcome<A>> => {
    const signal = AbortSignal.timeout(limitMs);
    try {
      return done((await pool.run(question, { name, signal })) as A);
    } catch (error) {
      if (signal.aborted) return refused('tooLong');
      throw error;
    }
  };
  return {
    compute: { fit: (question) => ask('fit', question), rank: (question) => ask('rank', question) },
    close: () => pool.destroy(),
  };
}
