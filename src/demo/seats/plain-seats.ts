import { DESCRIBED, adjustment, q, stops, type DemoSeat } from './describe';

/** Nothing on it moves: it is judged as it is, and mended from outside. */
export const ordinary: DemoSeat = {
  ...DESCRIBED,
  name: 'Sandwick waiting room chair',
  seatClass: 'ordinary',
  ratedLoadKg: null,
  price: 45,
  seatWidthMm: q(430),
  cushion: { sinkMm: null, referenceMassKg: 75, heightsAre: 'loaded' },
  pan: { axisFromRearMm: null, recessMm: 0, frontEdgeRadiusMm: 20 },
  back: { topMm: 400, synchroRatio: null },
  arms: null,
  offers: ['glides', 'cleanable'],
  adjustments: [
    adjustment('seatHeight', stops(455)),
    adjustment('seatDepth', stops(410)),
    adjustment('backAngle', stops(8)),
  ],
  controls: [],
  notes: 'Nobody knows what it carries: the label is gone.',
};
