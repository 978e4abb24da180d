/** Seats in the order in which they are to be considered for one person at one place. */
import { certaintyOfSeat, type Draws } from '../certainty';
import {
  BUDGET_OF_MANY,
  NO_REMEDIES,
  computableConditions,
  followsStraight,
  notMeant,
  problemOf,
  seatChecks,
  solve,
  valuesOfSettings,
  type FitInputs,
  type Problem,
  type SetValues,
  CONDITION_UNITS,
} from '../fit';
import { bandOf } from '../target';
import type { SeatModel } from '../seat';
import { byName, byRank, type RankedSeat, type Ranking, type RefusedSeat } from './order';

export { byRank, type RankedSeat, type Ranking, type RefusedSeat } from './order';

/** Everything a fitting is computed from but the seat. */
export type CaseWithoutSeat = Omit<FitInputs, 'seat'>;

const MARGIN_STEP = 1e3;

/** What the settings leave to either side of each range, as a share of the width of its band: the least of all. */
function marginOf(p: Problem, v: SetValues): number | null {
  let least: number | null = null;
  for (const c of computableConditions(p)) {
    const band = bandOf(p.targets[c.id]);
    const width = band.hi - band.lo;
    if (!Number.isFinite(width) || width <= 0) continue;
    for (const kind of c.owners(p)) {
      const { values, adjustment } = p.variables[kind]!;
      const isInUnit = CONDITION_UNITS[c.id] === 'own' || CONDITION_UNITS[c.id] === adjustment.unit;
      if (values.length < 2 || !isInUnit || !followsStraight(c, kind)) continue;
      const left = Math.min(v[kind] - values[0]!, values[values.length - 1]! - v[kind]) / width;
      least = Math.min(least ?? Infinity, left);
    }
  }
  return least === null ? null : Math.round(least * MARGIN_STEP) / MARGIN_STEP;
}

/**
 * One seat by itself: refused, or with all that its rank hangs on.
 * @returns never null; the reasons stand with a refused seat. Definition.
 */
export function rankOne(asked: CaseWithoutSeat, seat: SeatModel, draws: Draws): RankedSeat | RefusedSeat {
  const inputs = { ...asked, seat };
  const of = { seatId: seat.id, name: seat.name };
  const checks = seatChecks(inputs);
  const refusals = checks.filter((c) => c.verdict === 'refused');
  if (refusals.length > 0) return { ...of, reasons: refusals.map((c) => c.reason) };
  const p = problemOf(inputs);
  const { settings, hard, penalty } = solve(p, { remedies: NO_REMEDIES, budget: BUDGET_OF_MANY });
  const { all, standardError, limiting } = certaintyOfSeat(p, settings, draws);
  return {
    ...of,
    percent: Math.round(100 * all),
    standardError: 100 * standardError,
    settings,
    hard,
    penalty,
    margin: marginOf(p, valuesOfSettings(p, settings)),
    price: seat.price ?? null,
    limiting,
    notMeant: notMeant(checks),
  };
}

const isRefused = (one: RankedSeat | RefusedSeat): one is RefusedSeat => 'reasons' in one;

/** While it is being worked out so many are told of. */
const FIRST = 50;

/**
 * Ranks seats one after the other; the order they come in does not matter. Yields after each what is known so far, and
 * last the whole.
 * @param draws of the asked body, the same for all seats
 * @returns ranked and refused so far. Definition.
 * @example
 * last(rankingInTurn(asked, [seat], draws)).refused.length // => 0
 */
export function* rankingInTurn(
  asked: CaseWithoutSeat,
  seats: readonly SeatModel[],
  draws: Draws,
): Generator<Ranking, void> {
  const ranked: RankedSeat[] = [];
  const refused: RefusedSeat[] = [];
  const count = seats.length;
  let done = 0;
  for (const seat of seats) {
    const one = rankOne(asked, seat, draws);
    done++;
    if (isRefused(one)) refused.push(one);
    else {
      let [before, after] = [0, ranked.length];
      while (before < after) {
        const middle = (before + after) >> 1;
        if (byRank(one, ranked[middle]!) < 0) after = middle;
        else before = middle + 1;
      }
      ranked.splice(after, 0, one);
    }
    if (done < count) yield { count, done, ranked: ranked.slice(0, FIRST), refused: [] };
  }
  yield { count, done, ranked, refused: refused.sort(byName) };
}

/**
 * All of `rankingInTurn` at once.
 * @returns ranked and refused. Definition.
 */
export function rankSeats(asked: CaseWithoutSeat, seats: readonly SeatModel[], draws: Draws): Ranking {
  let last: Ranking = { count: 0, done: 0, ranked: [], refused: [] };
  for (const known of rankingInTurn(asked, seats, draws)) last = known;
  return last;
}
