/** How long it takes to put seats in order in as many threads as there are cores, as the page of a fitting does it. */
import { availableParallelism } from 'node:os';
import { performance } from 'node:perf_hooks';
import { MessageChannel, Worker as Thread } from 'node:worker_threads';
import type { Body } from '../src/core/body';
import { PLAIN_WORK, makeInputs } from '../src/core/fit';
import { SHIPPED_METHODS } from '../src/core/method';
import type { Place } from '../src/core/place';
import { JobDesk } from '../src/workers/desk';
import { RankDesk } from '../src/workers/rank-desk';
import type { SeatModel } from '../src/core/seat';
import { figureOf, type Figure } from './figure';

const RUNS = 7;
const FIRST = 20;
const MOST_THREADS = 4;

/** @param thread the bundle that runs jobs when told so */
export async function sharedRankingFigures(
  thread: URL,
  {
    body,
    place,
    seats,
  }: { readonly body: Body; readonly place: Place; readonly seats: readonly SeatModel[] },
): Promise<Figure[]> {
  const asked = makeInputs({
    sitter: { ageYears: 38 },
    body,
    seat: seats[0]!,
    place,
    method: SHIPPED_METHODS[0]!,
    work: PLAIN_WORK,
  });
  const threads: Thread[] = [];
  const start = (): Worker => {
    const { port1, port2 } = new MessageChannel();
    threads.push(new Thread(thread, { workerData: port2, transferList: [port2] }));
    port1.start();
    return port1 as unknown as Worker;
  };
  const workers = Math.min(MOST_THREADS, availableParallelism());
  const desk = new RankDesk(workers, () => new JobDesk(start));
  const [first, all]: number[][] = [[], []];
  for (let run = 0; run < RUNS; run++) {
    const began = performance.now();
    let seen = 0;
    await desk.run({ asked, seats }, ({ ranked }) => {
      if (ranked.length >= FIRST) seen ||= performance.now() - began;
    });
    all!.push(performance.now() - began);
    first!.push(seen);
  }
  await Promise.all(threads.map((one) => one.terminate()));
  const detail = { seats: seats.length, threads: workers };
  return [
    figureOf('rank/shared/first20', first!.slice(1), { detail }),
    figureOf('rank/shared/cold', all!.slice(0, 1), { detail }),
    figureOf('rank/shared', all!.slice(1), { detail }),
  ];
}
