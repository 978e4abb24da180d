/** How long the best setting takes: a fixed mix of seeded cases, half of them with an aim out of reach. */
import { performance } from 'node:perf_hooks';
import { NO_REMEDIES, PLAIN_WORK, makeInputs, problemOf, solve, type FitInputs } from '../src/core/fit';
import { SHIPPED_METHODS } from '../src/core/method';
import { buildDemo } from '../src/demo/build';
import { bodyOf } from './body';
import { figureOf, type Figure } from './figure';

const SEED = 11;
const CASES = 400;
const ROUNDS = 3;
/** Adjustments of seat and place. */
const FEWEST = 14;
/** As many as it takes to fill the mix. */
const SIZE = { sitters: 900, seats: 240 };

export interface Mix {
  readonly inputs: FitInputs;
  readonly isOutOfReach: boolean;
}

/** Cases of seats with the most adjustments: as many whose best setting costs something hard or leaves its bands as not. */
export function mixOf(count: number, now: Date): Mix[] {
  const demo = buildDemo(SEED, now, SIZE);
  const sitters = demo.sitters.filter((s) => s.readings.length >= 14);
  const seats = demo.seats.filter((s) => s.seat.adjustments.length >= FEWEST - 1);
  const places = demo.places.filter((p) => p.place.adjustments.length > 0);
  const half = { in: [] as Mix[], out: [] as Mix[] };
  for (let n = 0; half.in.length < count / 2 || half.out.length < count / 2; n++) {
    if (n > 100 * count) throw new Error('the mix does not fill');
    const sitter = sitters[n % sitters.length]!;
    const inputs = makeInputs({
      sitter: { ageYears: null },
      body: bodyOf(sitter.readings),
      seat: seats[(n * 7) % seats.length]!.seat,
      place: places[n % places.length]!.place,
      method: SHIPPED_METHODS[n % SHIPPED_METHODS.length]!,
      work: PLAIN_WORK,
    });
    // Weights are at most 5: a penalty of more than that in one condition lies beyond its band.
    const { hard, penalty } = solve(problemOf(inputs), { remedies: NO_REMEDIES });
    const isOutOfReach = hard > 0 || penalty > 5e6;
    const side = isOutOfReach ? half.out : half.in;
    if (side.length < count / 2) side.push({ inputs, isOutOfReach });
  }
  return half.in.flatMap((one, i) => [one, half.out[i]!]);
}

/** Problem made and solved, each case anew. */
export function engineFigures(now: Date): Figure[] {
  const mix = mixOf(CASES, now);
  const [solved, made]: [number[], number[]] = [[], []];
  let nodes = 0;
  for (let round = 0; round <= ROUNDS; round++) {
    for (const { inputs } of mix) {
      const start = performance.now();
      const p = problemOf(inputs);
      const ready = performance.now();
      const result = solve(p, { remedies: NO_REMEDIES });
      // The first round compiles what the others run.
      if (round === 0) continue;
      made.push(ready - start);
      solved.push(performance.now() - ready);
      nodes += result.nodes;
    }
  }
  const sorted = [...solved].sort((a, b) => a - b);
  const p99 = Math.round(sorted[Math.floor(0.99 * sorted.length)]! * 1000) / 1000;
  const adjustments = mix.map(({ inputs }) => inputs.seat.adjustments.length + 1);
  return [
    figureOf('engine/mix', solved, {
      detail: {
        cases: CASES,
        p99,
        nodes: Math.round(nodes / solved.length),
        fewestAdjustments: Math.min(...adjustments),
        mostAdjustments: Math.max(...adjustments),
      },
    }),
    figureOf('engine/problem', made),
    hardFigure(now),
  ];
}

/** Legs that no usual seat is made for, mm: of a small child and of a giant. */
const LEGS = [230, 300, 560, 640];
const HARD_METHODS = ['low-seat', 'saddle', 'right-angle', 'open-hip', 'laid-back', 'half-sitting'];
const THIGH_SHARE = 1.15;

/** Seats with the most adjustments for legs far out of their reach, within the budget that everybody has. */
function hardFigure(now: Date): Figure {
  const demo = buildDemo(SEED, now);
  const sitter = demo.sitters.find((s) => s.readings.length >= 20)!;
  const seats = [...demo.seats]
    .sort((a, b) => b.seat.adjustments.length - a.seat.adjustments.length)
    .slice(0, 4);
  const times: number[] = [];
  let [byBudget, worstGap, boxes] = [0, 0, 0];
  for (const leg of LEGS)
    for (const id of HARD_METHODS)
      for (const { seat } of seats)
        for (const { place } of demo.places.filter((p) => p.place.adjustments.length > 0).slice(0, 2)) {
          const body = bodyOf(sitter.readings);
          const own = (value: number) => ({ ...body.poplitealHeight!, value });
          const inputs = makeInputs({
            sitter: { ageYears: null },
            body: {
              ...body,
              poplitealHeight: own(leg),
              kneeHeight: own(leg + 100),
              buttockPoplitealLength: own(THIGH_SHARE * leg),
              buttockKneeLength: own(THIGH_SHARE * leg + 100),
            },
            seat,
            place,
            method: SHIPPED_METHODS.find((m) => m.id === id)!,
            work: PLAIN_WORK,
          });
          const p = problemOf(inputs);
          const start = performance.now();
          const found = solve(p, { remedies: NO_REMEDIES });
          times.push(performance.now() - start);
          if (found.ended === 'budget') byBudget++;
          worstGap = Math.max(worstGap, (found.penalty - found.bound) / 1e6);
          boxes = Math.max(boxes, found.nodes);
        }
  const worstMs = Math.round(Math.max(...times));
  const gap = Math.round(worstGap * 100) / 100;
  return figureOf('engine/hard', times, {
    detail: { cases: times.length, byBudget, worstMs, worstGapPoints: gap, mostBoxes: boxes },
  });
}
