/** Digits typed with one thumb: what they say, and when nothing more can follow. */
import { DIMENSIONS, type DimensionId } from '../body';

/** Keys of a keypad, row by row as they lie. */
export const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', 'back'] as const;
export type Key = (typeof KEYS)[number];

const MOST_DIGITS = 6;

/**
 * The text after one more key.
 * @returns the same text where the key adds nothing. Definition.
 * @example
 * pressed('17', '4') // => '174'
 */
export function pressed(text: string, key: Key): string {
  if (key === 'back') return text.slice(0, -1);
  if (key === '.') return text.includes('.') ? text : text === '' ? '0.' : `${text}.`;
  return text.replace('.', '').length >= MOST_DIGITS ? text : text === '0' ? key : text + key;
}

/**
 * Whether no further digit could make another measure of this dimension: whole millimetres only, because in any other
 * unit a fraction may follow.
 * @returns false for what is no number. Definition.
 * @example
 * [isComplete('stature', '174'), isComplete('stature', '1740')] // => [false, true]
 */
export function isComplete(dimension: DimensionId, text: string): boolean {
  const { unit, lowest, highest } = DIMENSIONS[dimension];
  if (unit !== 'mm' || !/^\d+$/.test(text)) return false;
  const value = Number(text);
  return value >= lowest && value <= highest && value * 10 > highest;
}
