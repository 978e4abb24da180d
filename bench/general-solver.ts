/** The same choice by a general solver for mixed-integer linear programmes, its text parsed each time. */
import { performance } from 'node:perf_hooks';
import loadHighs from 'highs';
import { NO_REMEDIES, costOf, problemOf, solve, type FitInputs } from '../src/core/fit';
import { formulate } from '../test/support/linear-program';
import type { Mix } from './engine';
import { figureOf, type Figure } from './figure';

const CASES = 200;
const WARM_UP = 50;

export interface Compared {
  readonly ms: number;
  /** What everything costs in the core at our positions, and at those of the general solver, millionths. */
  readonly ours: number;
  readonly general: number;
}

/** Whether the text can say it: not a foot ring, a dropped front, a roof, or what is reached from a seat that slides. */
export const canBeWritten = ({ seat, place, method }: FitInputs): boolean =>
  !place?.pedals &&
  !method.perches &&
  // What tips by itself is judged at its more costly end, which no linear programme says.
  !seat.adjustments.some((a) => a.holds.how === 'passive') &&
  place?.headroomMm === undefined &&
  !seat.adjustments.some((a) => ['footRing', 'frontSlope', 'foreAft', 'armAngle'].includes(a.kind));

/** So many cases one instance of the general solver solves: it gives no memory back, and fails where that is full. */
const CASES_AN_INSTANCE = 15;

/** The general solver on each case, its positions judged by the core. */
export async function compare(all: readonly FitInputs[]): Promise<Compared[]> {
  const compared: Compared[] = [];
  let highs: Awaited<ReturnType<typeof loadHighs>> | null = null;
  for (const [i, inputs] of all.entries()) {
    if (!highs || i % CASES_AN_INSTANCE === 0) highs = await loadHighs();
    const p = problemOf(inputs);
    const { settings } = solve(p, { remedies: NO_REMEDIES });
    const { text, positionsOf } = formulate(p, settings);
    const start = performance.now();
    const found = highs.solve(text, { mip_rel_gap: 0 });
    const ms = performance.now() - start;
    if (found.Status !== 'Optimal') throw new Error(`the general solver ended ${found.Status}`);
    const columns = found.Columns as Record<string, { Primal?: number }>;
    const positions = positionsOf((name) => columns[name]?.Primal ?? 0);
    compared.push({
      ms,
      ours: costOf(p, settings).penalty,
      general: costOf(p, { positions, remedies: NO_REMEDIES }).penalty,
    });
  }
  return compared;
}

/** The text of the first case that can be written. */
export function programmeOf(mix: readonly Mix[]): string {
  const { inputs } = mix.find((one) => canBeWritten(one.inputs))!;
  const p = problemOf(inputs);
  return formulate(p, solve(p, { remedies: NO_REMEDIES }).settings).text;
}

/** A hundredth of a point: what the general solver may leave of its own accord. */
const HUNDREDTH = 1e4;

export async function generalFigures(mix: readonly Mix[]): Promise<Figure[]> {
  const all = mix
    .map(({ inputs }) => inputs)
    .filter(canBeWritten)
    .slice(0, CASES);
  for (const inputs of all.slice(0, WARM_UP)) solve(problemOf(inputs), { remedies: NO_REMEDIES });
  const ours = all.map((inputs) => {
    const p = problemOf(inputs);
    const start = performance.now();
    solve(p, { remedies: NO_REMEDIES });
    return performance.now() - start;
  });
  const compared = await compare(all);
  const logs = compared.map(({ ms }, i) => Math.log(ms / ours[i]!));
  return [
    figureOf('general/ours', ours, { detail: { cases: all.length } }),
    figureOf(
      'general/highs',
      compared.map((c) => c.ms),
      {
        detail: {
          geometricMeanRatio: Math.round(Math.exp(logs.reduce((a, b) => a + b, 0) / logs.length)),
          cheaperThanOurs: compared.filter((c) => c.general < c.ours).length,
          sameWithinHundredth: compared.filter((c) => c.general - c.ours < HUNDREDTH).length,
        },
      },
    ),
  ];
}
