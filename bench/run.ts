/**
 * Times the computations that a fitter waits for. `npm run bench -- --json` prints one JSON document; without
 * `--json` a table. `--server`, `--exchange`, `--drag`, `--door`, `--choosing` or `--all` add what the built application costs; `--general` the comparison with
 * a general solver (minutes); `--programme` prints one of its formulations. Every figure is measured here and now: median and 95th centile of repeated runs, after a warm-up.
 */
import { cpus, loadavg } from 'node:os';
import { performance } from 'node:perf_hooks';
import { Worker, isMainThread, parentPort } from 'node:worker_threads';
import {
  NO_REMEDIES,
  PLAIN_WORK,
  assess,
  makeInputs,
  problemOf,
  remediesFor,
  solve,
  type FitInputs,
} from '../src/core/fit';
import { ruleOf, sideView } from '../src/core/scene';
import { SHIPPED_METHODS } from '../src/core/method';
import { buildDemo } from '../src/demo/build';
import { doorFigures } from './door';
import { dragFigures } from './drag';
import { catalogueFigures } from './catalogue';
import { choosingFigures } from './choosing';
import { certaintyFigures } from './certainty';
import { engineFigures, mixOf } from './engine';
import { generalFigures, programmeOf } from './general-solver';
import { exchangeFigures } from './exchange';
import { bodyOf } from './body';
import { figureOf, type Figure } from './figure';
import { pageFigures } from './pages';
import { populationFigures } from './population';
import { serverFigures } from './server';

/** In a thread of its own, as the product computes it: what else runs in this process does not slow it down. */
const inThread = (): Promise<readonly Figure[]> =>
  new Promise((resolve, reject) => {
    const thread = new Worker(new URL(import.meta.url));
    thread.once('message', resolve);
    thread.once('error', reject);
  });

const NOW = new Date('2026-11-25T09:30:00Z');
const WARM_UP = 5;
const RUNS = 40;

/** The demo fittings as inputs: six sitters on six seats. */
function demoInputs(): { readonly name: string; readonly inputs: FitInputs }[] {
  const demo = buildDemo(1, NOW);
  return demo.sitters.flatMap((sitter) => {
    if (!sitter.fitting) return [];
    const { seat, place, method, toolsKg } = sitter.fitting;
    const body = bodyOf(sitter.readings);
    const inputs = makeInputs({
      sitter: { ageYears: null },
      body,
      seat: demo.seats[seat]!.seat,
      place: place === null ? null : demo.places[place]!.place,
      method: SHIPPED_METHODS.find((m) => m.id === method)!,
      work: { ...PLAIN_WORK, toolsKg },
    });
    return [{ name: inputs.seat.seatClass, inputs }];
  });
}

function time(name: string, act: () => void, detail?: Readonly<Record<string, number>>): Figure {
  for (let i = 0; i < WARM_UP; i++) act();
  const times: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    const start = performance.now();
    act();
    times.push(performance.now() - start);
  }
  return figureOf(name, times, detail ? { detail } : {});
}

function figuresOf(name: string, inputs: FitInputs): Figure[] {
  const problem = problemOf(inputs);
  const solved = solve(problem, { remedies: NO_REMEDIES });
  return [
    time(`solve/${name}`, () => void solve(problem, { remedies: NO_REMEDIES }), { nodes: solved.nodes }),
    time(`assess/${name}`, () => void assess(problem, solved.settings)),
    time(`frame/${name}`, () => {
      const assessment = assess(problem, solved.settings);
      ruleOf(assessment);
      sideView(assessment);
    }),
    time(`remedies/${name}`, () => void remediesFor(problem)),
  ];
}

/** Of these, those that a linear programme can say are compared. */
const GENERAL_CASES = 200;

if (!isMainThread) {
  parentPort!.postMessage(certaintyFigures(NOW));
  process.exit(0);
}

/** `--server`, `--exchange`, `--pages`, `--choosing` and `--drag` use the built application: `npm run build` first. */
const wanted = (flag: string): boolean => process.argv.includes(flag) || process.argv.includes('--all');
if (process.argv.includes('--programme')) {
  console.log(programmeOf(mixOf(GENERAL_CASES, NOW)));
  process.exit(0);
}
/** `--only` leaves the computations out: what else was asked for is measured by itself. */
const isOnly = process.argv.includes('--only');
const computations = async (): Promise<Figure[]> => [
  ...demoInputs().flatMap(({ name, inputs }) => figuresOf(name, inputs)),
  ...engineFigures(NOW),
  ...catalogueFigures(NOW),
  ...populationFigures(),
  ...(await inThread()),
];
const figures: Figure[] = [
  ...(isOnly ? [] : await computations()),
  ...(wanted('--server') ? await serverFigures() : []),
  ...(wanted('--exchange') ? await exchangeFigures() : []),
  ...(wanted('--drag') ? await dragFigures() : []),
  ...(wanted('--pages') ? await pageFigures() : []),
  ...(wanted('--choosing') ? await choosingFigures() : []),
  ...(wanted('--door') ? await doorFigures() : []),
  ...(wanted('--general') ? await generalFigures(mixOf(2 * GENERAL_CASES, NOW)) : []),
];
/** What else ran shows in the load: on two cores a load of two and more makes every figure worse. */
const machine = {
  node: process.version,
  cpu: cpus()[0]?.model ?? 'unknown',
  cores: cpus().length,
  load: loadavg().map((n) => Math.round(n * 10) / 10),
};

if (process.argv.includes('--json')) {
  process.stdout.write(
    `${JSON.stringify({ format: 'velto-bench', formatVersion: 1, machine, figures }, null, 2)}\n`,
  );
} else {
  console.log(
    `${machine.cpu}, ${machine.cores} cores, Node ${machine.node}, load ${machine.load.join(' ')} in 1, 5, 15 minutes`,
  );
  for (const f of figures)
    console.log(
      `${f.name.padEnd(24)} median ${f.median.toFixed(2)} ${f.unit}   95th ${f.p95.toFixed(2)}${f.detail ? `   ${JSON.stringify(f.detail)}` : ''}`,
    );
}
// A browser that they shared would keep this from ending.
for (const end of globalThis.veltoAtEnd ?? []) end();
