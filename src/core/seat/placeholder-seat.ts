import { stated } from '../quantity';
import type { SeatClass } from './lists';
import type { SeatModel } from './schema';
import { SEAT_DOCUMENT } from './schema-version';

/**
 * For the drawing only, before a height has been typed: a seat of which nothing is known.
 * @returns a seat of one fixed height, mm. Assumed.
 * @example
 * placeholderSeat('child').adjustments.length // => 1
 */
export const placeholderSeat = (seatClass: SeatClass): SeatModel => ({
  schema: SEAT_DOCUMENT,
  id: '00000000-0000-7000-8000-000000000000',
  name: '',
  seatClass,
  ratedLoadKg: null,
  seatWidthMm: null,
  cushion: { sinkMm: null, referenceMassKg: 75, heightsAre: 'loaded' },
  pan: { axisFromRearMm: null, recessMm: null, frontEdgeRadiusMm: null },
  back: { topMm: null, synchroRatio: null },
  arms: null,
  offers: [],
  states: [],
  strappedCushions: [],
  adjustments: [
    {
      id: 'seatHeight',
      kind: 'seatHeight',
      side: 'both',
      unit: 'mm',
      travel: { type: 'listed', values: [stated(seatClass === 'child' ? 340 : 460, 'for the drawing')] },
      holds: { how: 'free' },
    },
  ],
  controls: [],
  procedures: [],
  notes: '',
});
