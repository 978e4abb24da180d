/**
 * What a corner of a cost curve comes to when the residual itself is in doubt: E max(0, t + Z) with Z standard normal is
 * ψ(t) = t Φ(t) + φ(t). The table below, straight between its steps, is the definition, so that every engine that
 * computes with the same curve agrees to the last rounding.
 */

/** Steps of the table to one deviation, and how far it reaches: beyond, ψ is 0 or t. */
export const STEPS_PER_SD = 64;
export const REACH_SD = 6;

const density = (t: number): number => Math.exp((-t * t) / 2) / Math.sqrt(2 * Math.PI);

/** Φ at every step of the table, by Simpson's rule from the middle. */
function belowAtSteps(): Float64Array {
  const half = REACH_SD * STEPS_PER_SD;
  const below = new Float64Array(2 * half + 1);
  below[half] = 0.5;
  const step = 1 / STEPS_PER_SD;
  for (let k = 1; k <= half; k++) {
    const [from, to] = [(k - 1) * step, k * step];
    const area = (step / 6) * (density(from) + 4 * density((from + to) / 2) + density(to));
    below[half + k] = below[half + k - 1]! + area;
    below[half - k] = 1 - below[half + k]!;
  }
  return below;
}

function tabulate(): Float64Array {
  const below = belowAtSteps();
  const half = REACH_SD * STEPS_PER_SD;
  const table = below.map((share, k) => {
    const t = (k - half) / STEPS_PER_SD;
    return t * share + density(t);
  });
  table[0] = 0;
  table[2 * half] = REACH_SD;
  return table;
}

const TABLE = tabulate();
/** A hair under the end of the table rounds to it. */
const LAST_STEP = TABLE.length - 2;

/**
 * How steep ψ is where t lies, between two steps of its table.
 * @param t residual less corner, in deviations
 * @returns per step of t. Definition.
 */
export function steepness(t: number): number {
  if (t >= REACH_SD) return 1;
  if (t <= -REACH_SD) return 0;
  const k = Math.min(LAST_STEP, Math.floor((t + REACH_SD) * STEPS_PER_SD));
  return (TABLE[k + 1]! - TABLE[k]!) * STEPS_PER_SD;
}

/**
 * ψ(t), straight between steps of 1/64.
 * @param t residual less corner, in deviations
 * @returns in deviations, 0 or more: ψ(t) = t Φ(t) + φ(t). Definition (normal loss).
 */
export function expectedOver(t: number): number {
  if (t >= REACH_SD) return t;
  if (t <= -REACH_SD) return 0;
  const at = (t + REACH_SD) * STEPS_PER_SD;
  const k = Math.min(LAST_STEP, Math.floor(at));
  const low = TABLE[k]!;
  return low + (at - k) * (TABLE[k + 1]! - low);
}
