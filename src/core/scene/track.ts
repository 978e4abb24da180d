import type { SettingOutcome } from '../fit';
import type { Interval } from '../target';
import { isStepped } from '../seat';

/** One adjustment drawn to scale: all values in its own unit, under this body. */
export interface Track {
  readonly range: Interval;
  /** What is drawn: the range, and so much of band and aim beyond it as shows what cannot be reached. */
  readonly shown: Interval;
  /** Places of the clicks, stops or listed positions; empty where it slides freely. */
  readonly notches: readonly number[];
  readonly band: Interval | null;
  readonly aim: Interval | null;
  readonly at: number;
  readonly best: number;
  /** Half-width of the measure's doubt about the aim; null where nothing is known of it. */
  readonly doubt: number | null;
}

/** A track shows at most this share of its range beyond each end. */
const BEYOND_SHARE = 0.6;
const MARGIN_SHARE = 0.04;
/** What counts as the length of a travel that has none: so much that its band can be seen beside it. */
const FIXED_LENGTH = 20;
const FIXED_SHARE = 0.4;

const finite = (values: readonly (number | undefined)[]): number[] =>
  values.filter((v): v is number => v !== undefined && Number.isFinite(v));

/**
 * The track of a lever: where it goes, what fits and where it stands.
 * @returns positions and zones in the adjustment’s unit. Definition.
 * @example
 * trackOf(assessed.outcomes[0]).range // => { lo: 400, hi: 500 }
 */
export function trackOf(outcome: SettingOutcome): Track {
  const { values } = outcome.variable;
  const lo = values[0] ?? 0;
  const hi = values[values.length - 1] ?? lo;
  const length = hi - lo || Math.max(FIXED_LENGTH, Math.abs(lo) * FIXED_SHARE);
  const wanted = finite([outcome.band?.lo, outcome.band?.hi, outcome.aim?.lo, outcome.aim?.hi]);
  const low = Math.max(lo - BEYOND_SHARE * length, Math.min(lo, ...wanted));
  const high = Math.min(hi + BEYOND_SHARE * length, Math.max(hi, ...wanted));
  const margin = (high - low || length) * MARGIN_SHARE;
  const shown = { lo: low - margin, hi: high + margin };
  const clip = (i: Interval | null): Interval | null =>
    i && i.hi >= shown.lo && i.lo <= shown.hi
      ? { lo: Math.max(i.lo, shown.lo), hi: Math.min(i.hi, shown.hi) }
      : null;
  return {
    range: { lo, hi },
    shown,
    notches: isStepped(outcome.variable.adjustment) ? values : [],
    band: clip(outcome.band),
    aim: clip(outcome.aim),
    at: outcome.value,
    best: values[outcome.bestPosition] ?? outcome.value,
    doubt: outcome.doubt,
  };
}
