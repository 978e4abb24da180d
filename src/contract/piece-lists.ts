/** Lists, limits and tags of tagged seats, without the schemas. */
import type { PieceSeries } from './pieces';

/** What can be wrong with one. */
export const PIECE_FAULTS = ['liftSinks', 'lockGives', 'latchNoClick', 'castor', 'cover', 'other'] as const;
export type PieceFaultKind = (typeof PIECE_FAULTS)[number];

/** `faulty` while a fault stands; `away`: in store, or with whoever mends it. */
export const PIECE_STATES = ['inUse', 'faulty', 'away'] as const;
export type PieceState = (typeof PIECE_STATES)[number];

export const LONGEST_TAG = 24;
/** Most tags of one series, and most labels of one print. */
export const LONGEST_SERIES = 500;
export const MOST_USERS = 60;

/** Returns the half of a text that is the same half twice over: a label that was scanned twice; null of any other. */
export function scannedTwice(text: string): string | null {
  const half = text.trim().slice(0, text.trim().length / 2);
  return half.length >= 2 && text.trim() === half + half && /\d/.test(half) ? half : null;
}

/** Returns the tags of a series in order: `C-007`, `C-008` … */
export const tagsOf = ({ prefix, first, digits, count }: PieceSeries): string[] =>
  Array.from({ length: count }, (_, i) => `${prefix}${String(first + i).padStart(digits, '0')}`);
