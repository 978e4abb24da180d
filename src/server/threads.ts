/** Threads beside the one that answers requests: a case that takes long keeps nobody waiting but who asked it. */
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { done, refused, type Outcome } from '../contract';
import type { Question } from '../core/answer';
import type { Compute, Urgency } from '../service/context';
import { Turns } from './turns';

/** Longer no case is calculated, ms: some made-up seats take minutes. Waiting does not count. */
const LIMIT_MS = 20_000;
const MOST_THREADS = 4;
/** So many may wait; whoever comes then is asked to try again. */
const MOST_WAITING = 24;
/** So long a thread waits for the next question, ms: starting one takes about as long as an answer. */
const IDLE_MS = 10 * 60_000;
/** When to try again where too many are waiting, seconds. */
const BUSY_S = 5;

export interface Threads {
  readonly compute: Compute;
  readonly close: () => Promise<void>;
}

export interface ThreadOptions {
  readonly limitMs?: number;
  readonly threads?: number;
  readonly mostWaiting?: number;
}

/** One core is left to the thread that answers requests, where there are several. */
const usualThreads = (): number => Math.min(MOST_THREADS, Math.max(1, availableParallelism() - 1));

/** @param filename of the bundle that the threads run */
export function openThreads(
  filename: string,
  { limitMs = LIMIT_MS, threads = usualThreads(), mostWaiting = MOST_WAITING }: ThreadOptions = {},
): Threads {
  const pool = new Piscina({ filename, minThreads: 0, maxThreads: threads, idleTimeout: IDLE_MS });
  const turns = new Turns(threads, mostWaiting);
  const ask = async <Q, A>(name: Question, question: Q, urgency?: Urgency): Promise<Outcome<A>> => {
    if (!(await turns.take(urgency?.patienceMs))) return refused('busy', { retryAfterS: BUSY_S });
    // From here on it counts: waiting for a turn is not calculating.
    const signal = AbortSignal.timeout(urgency?.limitMs ?? limitMs);
    try {
      return done((await pool.run(question, { name, signal })) as A);
    } catch (error) {
      if (signal.aborted) return refused('tooLong');
      throw error;
    } finally {
      turns.end();
    }
  };
  return {
    compute: {
      fit: (question, urgency) => ask('fit', question, urgency),
      rank: (question) => ask('rank', question),
    },
    close: () => pool.destroy(),
  };
}
