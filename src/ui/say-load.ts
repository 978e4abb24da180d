import type { SeatModel } from '../core/seat';
import { sayValue, word, type Reading } from '../words';

/** Returns what a seat carries, in words. */
export const sayLoad = ({ ratedLoadKg }: Pick<SeatModel, 'ratedLoadKg'>, reading: Reading): string =>
  ratedLoadKg ? sayValue({ kg: ratedLoadKg.value }, reading) : word('seats.loadUnknown');
