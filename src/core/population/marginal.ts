/**
 * How one dimension is distributed: normal, or, where the source is skewed to the right, a lognormal set off from zero
 * with the same mean, deviation and skew.
 */
import jstat from 'jstat';
import type { Row } from './table';

const { normal } = jstat.jStat;

/** Below this a skew is not worth the curve. */
const LEAST_SKEW = 0.05;

export interface Marginal {
  readonly mean: number;
  readonly sd: number;
  /** Deviation of the logarithm; 0 for a normal. */
  readonly s: number;
  /** Of the lognormal: value = `start` + `scale` exp(s z). */
  readonly start: number;
  readonly scale: number;
}

/** The deviation of the logarithm that gives a skew: (w + 2) √(w − 1), w = exp s². */
function logDeviation(skew: number): number {
  const skewAt = (s: number): number => {
    const w = Math.exp(s * s);
    return (w + 2) * Math.sqrt(w - 1);
  };
  let [low, high] = [0, 2];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (skewAt(middle) < skew) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The distribution of a dimension by mean, deviation and skew.
 * @returns parameters in the row’s unit, mm or kg. Definition (shifted log-normal; normal without skew).
 */
export function marginalOf({ mean, sd, skew }: Row): Marginal {
  if (skew < LEAST_SKEW) return { mean, sd, s: 0, start: mean, scale: sd };
  const s = logDeviation(skew);
  const scale = sd / (Math.sqrt(Math.exp(s * s) - 1) * Math.exp((s * s) / 2));
  return { mean, sd, s, start: mean - scale * Math.exp((s * s) / 2), scale };
}

/**
 * The value at a standard normal score.
 * @param z standard normal score
 * @returns mm or kg. Definition.
 */
export const valueAt = ({ s, start, scale }: Marginal, z: number): number =>
  s === 0 ? start + scale * z : start + scale * Math.exp(s * z);

/**
 * The standard normal score of a value; −∞ below where the distribution begins.
 * @param value mm or kg
 * @returns a standard normal score. Definition.
 */
export function scoreOf({ s, start, scale }: Marginal, value: number): number {
  if (s === 0) return (value - start) / scale;
  return value > start ? Math.log((value - start) / scale) / s : -Infinity;
}

/**
 * By how much the value rises with the score, there.
 * @param z standard normal score
 * @returns mm or kg a deviation, above 0. Definition.
 */
export const slopeAt = ({ s, scale }: Marginal, z: number): number =>
  s === 0 ? scale : s * scale * Math.exp(s * z);

/**
 * How common a value is: share of people for each mm or kg around it.
 * @param value mm or kg
 * @returns 0 or more. Definition.
 */
export function densityAt(m: Marginal, value: number): number {
  const z = scoreOf(m, value);
  return Number.isFinite(z) ? normal.pdf(z, 0, 1) / slopeAt(m, z) : 0;
}

/**
 * Share of people at most so large, 0…1.
 * @param value mm or kg
 * @returns 0 to 1. Definition.
 */
export const shareBelow = (m: Marginal, value: number): number => normal.cdf(scoreOf(m, value), 0, 1);

/**
 * The value that a share of people do not exceed.
 * @param share 0 to 1
 * @returns mm or kg; −∞ or ∞ at 0 and 1. Definition.
 */
export const centile = (m: Marginal, share: number): number => valueAt(m, normal.inv(share, 0, 1));

/**
 * Correlation of the values of two dimensions whose scores correlate by `r` (exact).
 * @param r −1 to 1
 * @returns −1 to 1. Definition.
 */
export function valueCorrelation(a: Marginal, b: Marginal, r: number): number {
  const grow = (s: number): number => Math.sqrt(Math.exp(s * s) - 1);
  if (a.s === 0 && b.s === 0) return r;
  if (a.s === 0) return (r * b.s) / grow(b.s);
  if (b.s === 0) return (r * a.s) / grow(a.s);
  return (Math.exp(r * a.s * b.s) - 1) / (grow(a.s) * grow(b.s));
}
