/** What a residual costs in the mean, written from the description of the model and not from the core. */
import type { Target } from '../../src/core/target';

/** E max(0, t + Z), by the error function (Abramowitz & Stegun 7.1.26, from memory: to 1.5e-7). */
function over(t: number): number {
  const x = Math.abs(t) / Math.SQRT2;
  const k = 1 / (1 + 0.3275911 * x);
  const series =
    k * (0.254829592 + k * (-0.284496736 + k * (1.421413741 + k * (-1.453152027 + k * 1.061405429))));
  const erf = 1 - series * Math.exp(-x * x);
  const below = t >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
  return t * below + Math.exp((-t * t) / 2) / Math.sqrt(2 * Math.PI);
}

type Corner = readonly [at: number, way: 1 | -1, slope: number];

function corners(t: Target, least: number): Corner[] {
  const found: Corner[] = [];
  for (const [way, aim, band, hard] of [
    [-1, t.aimLo, t.bandLo, t.hardLo],
    [1, t.aimHi, t.bandHi, t.hardHi],
  ] as const) {
    if (aim === undefined) continue;
    const width = band === undefined ? 0 : Math.abs(band - aim);
    const slope = t.weight / Math.max(width, least);
    if (width > 0) found.push([aim, way, slope], [band!, way, 9 * slope]);
    else found.push([aim, way, 10 * slope]);
    if (hard !== undefined) found.push([hard, way, 90 * slope]);
  }
  return found;
}

/** The mean cost of a residual less the least of all, points. */
export function meanCost(
  target: Target,
  unit: 'mm' | 'deg' | 'own',
  sd: number,
  residual: number,
  {
    unused = null,
    forgiven = null,
    refusedBelow = null,
  }: {
    readonly unused?: { readonly flat: number; readonly perUnit: number } | null;
    readonly forgiven?: number | null;
    readonly refusedBelow?: number | null;
  },
): number {
  const of = (list: readonly Corner[], r: number, free = 0): number =>
    list.reduce((sum, [at, way, slope]) => {
      const past = way * (r - at) - (way > 0 ? free : 0);
      return sum + (sd > 0 ? slope * sd * over(past / sd) : slope * Math.max(0, past));
    }, 0);
  const main = corners(target, { mm: 1, deg: 0.5, own: 0.125 }[unit]);
  if (refusedBelow !== null) main.push([refusedBelow, -1, 40_000]);
  const ups = main.filter(([, way]) => way > 0);
  const downs = main.filter(([, way]) => way < 0);
  let least = 0;
  if (ups.length > 0 && downs.length > 0) {
    let [low, high] = [Math.min(...downs.map(([at]) => at)), Math.max(...ups.map(([at]) => at))];
    for (let i = 0; i < 200; i++) {
      const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
      if (of(main, a) <= of(main, b)) high = b;
      else low = a;
    }
    least = of(main, (low + high) / 2);
  }
  const cost = of(main, residual, forgiven ?? 0) - least;
  if (!unused) return Math.max(0, cost);
  const other = unused.flat + of([[0, -1, unused.perUnit], ...ups], residual);
  return Math.max(0, Math.min(cost, other));
}
