/** What is wrong with a file of people, in words. */
import type { PeopleFault } from '../core/exchange/people';
import { sayWith } from './say';

/** What is wrong, in words, without its place. */
export function sayPeopleFault({ reason, value, limits, unit = '' }: PeopleFault): string {
  const [lo, hi] = limits ?? [0, 0];
  return sayWith(`exchange.fault.${reason}`, { value, lo, hi, unit });
}
