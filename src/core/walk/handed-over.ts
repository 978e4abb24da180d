/** What goes with a card when the seat is handed over: how to move, what to set on a shared seat, how it was left. */
import { movementOf, sharedLevers, type Card, type PostureSettings, type SharedLevers } from '../card';
import type { Assessment, Settings } from '../fit';
import type { Message } from '../message';
import type { LeftRow } from './left';

/** A walk as it was signed off. */
export interface AsLeft {
  readonly rows: readonly LeftRow[];
  readonly by: string | null;
  /** ISO 8601 instant. */
  readonly at: string;
}

export interface CardMore {
  /** How and when to change posture, one sentence each. */
  readonly move: readonly Message[];
  readonly levers: SharedLevers;
  /** null where no walk was signed off, or nobody asked. */
  readonly asLeft: AsLeft | null;
}

/**
 * Everything that the forms of a card say beyond its settings.
 * @param others as other people have this seat set
 * @returns messages and kinds. Definition.
 * @example
 * cardMore(cardOf(assessed, cardHeader(problem, { sitter: 'Yrsa', fitter: 'Signy', date: '2026-11-25' }), null), assessed, { postures: [], others: [], asLeft: null }).levers.others // => 0
 */
export function cardMore(
  card: Card,
  a: Assessment,
  given: {
    readonly postures: readonly PostureSettings[];
    readonly others: readonly Settings[];
    readonly asLeft: AsLeft | null;
  },
): CardMore {
  const among = card.rows.map(({ kind }) => kind);
  return {
    move: card.header.isStopped || card.refused ? [] : movementOf(a, given.postures),
    levers: sharedLevers(a, among, given.others),
    asLeft: given.asLeft,
  };
}
