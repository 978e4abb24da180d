import { SHIPPED_METHODS } from '../core/method';
import { stated } from '../core/quantity';
import { SEAT_DOCUMENT, type SeatModel } from '../core/seat';

/** A custom method: a copy of the first built-in one under an id of its own. */
export const METHOD_EXAMPLE = {
  ...SHIPPED_METHODS[0]!,
  id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a08',
  name: 'Upright, as at the booking office',
  copiedFrom: SHIPPED_METHODS[0]!.id,
};

/** A chair of which nothing is known but that it is 455 mm high and does not move. */
export const SEAT_EXAMPLE: SeatModel = {
  schema: SEAT_DOCUMENT,
  id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a07',
  name: 'Waiting room chair',
  seatClass: 'ordinary',
  ratedLoadKg: null,
  seatWidthMm: null,
  cushion: { sinkMm: null, referenceMassKg: 75, heightsAre: 'empty' },
  pan: { axisFromRearMm: null, recessMm: null, frontEdgeRadiusMm: null },
  back: { topMm: null, synchroRatio: null },
  arms: null,
  offers: ['glides'],
  states: [],
  strappedCushions: [],
  adjustments: [
    {
      id: 'seatHeight',
      kind: 'seatHeight',
      side: 'both',
      unit: 'mm',
      travel: { type: 'listed', values: [stated(455, 'measured in the waiting room')] },
      holds: { how: 'notched' },
    },
  ],
  controls: [],
  procedures: [],
  notes: '',
};
