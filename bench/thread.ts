/** What a thread of the benchmarks does: it runs jobs for who measures, or measures by itself. */
import { MessagePort, parentPort, workerData } from 'node:worker_threads';
import type { Endpoint } from 'comlink';
import { JOBS, type Jobs } from '../src/workers/jobs';
import { serveJobs } from '../src/workers/serve';
import { certaintyFigures } from './certainty';

/** A port to be asked through; else the day that records are made for. */
const given = workerData as MessagePort | Date;
if (given instanceof MessagePort) serveJobs<Jobs>(JOBS, given as unknown as Endpoint);
else {
  parentPort!.postMessage(certaintyFigures(given));
  process.exit(0);
}
