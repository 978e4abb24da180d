/** What is said of seats that were ranked, and which of two comes first. */
import type { ConditionId, Settings } from '../fit';
import type { Message } from '../message';

/** One seat that is not refused, at its best settings. */
export interface RankedSeat {
  readonly seatId: string;
  readonly name: string;
  /** Likelihood that the seat can be set to fit, whole per cent; and how far the drawing may have it off, in points. */
  readonly percent: number;
  readonly standardError: number;
  readonly settings: Settings;
  /** Beyond a hard bound, in tenths; total penalty in millionths. */
  readonly hard: number;
  readonly penalty: number;
  /** The least distance of a setting to the nearer end of its range, in widths of its band; null where nothing has one. */
  readonly margin: number | null;
  /** In the practice's own currency; null: not known. */
  readonly price: number | null;
  /** The condition that is least likely to be met; null where all are sure. */
  readonly limiting: ConditionId | null;
  /** Why it is not meant for the place; empty where it is: others come before it. */
  readonly notMeant: readonly Message[];
}

/** One seat that must not be used, with every reason. */
export interface RefusedSeat {
  readonly seatId: string;
  readonly name: string;
  readonly reasons: readonly Message[];
}

export interface Ranking {
  /** Of so many. */
  readonly count: number;
  readonly done: number;
  /** Best first; while it is being worked out the first ones of what is known. */
  readonly ranked: readonly RankedSeat[];
  /** By name. */
  readonly refused: readonly RefusedSeat[];
}

/**
 * By name, and of equal names by the seat itself.
 * @returns negative, 0 or positive, as `sort` takes it. Definition.
 * @example
 * byName({ seatId: '1', name: 'A' }, { seatId: '1', name: 'B' }) // => -1
 */
export const byName = (a: { readonly name: string; readonly seatId: string }, b: typeof a): number =>
  a.name < b.name ? -1 : a.name > b.name ? 1 : a.seatId < b.seatId ? -1 : a.seatId > b.seatId ? 1 : 0;

/**
 * Meant for the place before not meant; likelier to fit (whole per cent) before less likely; then the lesser penalty, the larger margin, the lower price (not
 * known: last), the name.
 * @returns negative, 0 or positive, as `sort` takes it. Definition.
 * @example
 * ((ranked) => byRank(ranked, ranked))(rankSeats(asked, [seat], draws).ranked[0]) // => 0
 */
export function byRank(a: RankedSeat, b: RankedSeat): number {
  return (
    Number(a.notMeant.length > 0) - Number(b.notMeant.length > 0) ||
    b.percent - a.percent ||
    a.penalty - b.penalty ||
    (b.margin ?? -1) - (a.margin ?? -1) ||
    (a.price ?? Infinity) - (b.price ?? Infinity) ||
    byName(a, b)
  );
}
