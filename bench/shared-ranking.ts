/** How long a page takes to put many seats in order with the workers that it shares them among. */
import { availableParallelism } from 'node:os';
import { performance } from 'node:perf_hooks';
import { Worker as Thread } from 'node:worker_threads';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { PLAIN_WORK, makeInputs } from '../src/core/fit';
import { SHIPPED_METHODS } from '../src/core/method';
import { buildDemo } from '../src/demo/build';
import { SHARED_RANKING, SharedDesk } from '../src/workers/shared-desk';
import { bodyOf } from './body';
import { figureOf, type Figure } from './figure';

const SEED = 23;
const SEATS = 1000;
const FIRST = 50;
const RUNS = 7;

/** What a thread of the benchmarks is told where it is to work on jobs, as a page’s worker does. */
export const AS_WORKER = 'jobs';

export async function sharedRankingFigures(now: Date): Promise<Figure[]> {
  const demo = buildDemo(SEED, now, { seats: SEATS });
  const seats = demo.seats.map(({ seat }) => seat);
  const sitter = demo.sitters.find((s) => s.name === 'Maren Tolve')!;
  const asked = makeInputs({
    sitter: { ageYears: null },
    body: bodyOf(sitter.readings),
    seat: seats[0]!,
    place: demo.places.find((x) => x.place.name === 'Chart room table')!.place,
    method: SHIPPED_METHODS[0]!,
    work: PLAIN_WORK,
  });
  const threads: Thread[] = [];
  const start = (): Worker => {
    const thread = new Thread(new URL(import.meta.url), { workerData: AS_WORKER });
    threads.push(thread);
    return nodeEndpoint(thread) as unknown as Worker;
  };
  const desk = new SharedDesk('rank', SHARED_RANKING, { start, cores: availableParallelism() });
  const [first, all]: number[][] = [[], []];
  for (let run = 0; run < RUNS; run++) {
    const began = performance.now();
    let isFirst = true;
    await desk.run({ asked, seats }, ({ done }) => {
      if (!isFirst || done < FIRST) return;
      isFirst = false;
      first!.push(performance.now() - began);
    });
    all!.push(performance.now() - began);
  }
  await Promise.all(threads.map((thread) => thread.terminate()));
  const detail = { seats: SEATS, workers: threads.length };
  return [
    figureOf('rank/shared/first50', first!.slice(1), { detail }),
    figureOf('rank/shared/cold', all!.slice(0, 1), { detail }),
    figureOf('rank/shared/all', all!.slice(1), { detail }),
  ];
}
