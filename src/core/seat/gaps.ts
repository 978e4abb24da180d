/** What nobody described of a seat, in the order in which it matters for a fit. */
import type { SeatModel } from './schema';
import { adjustmentOf, offers, uncalculated } from './seat';

export const SEAT_GAPS = [
  'ratedLoad',
  'suspensionWeight',
  'sink',
  'seatDepth',
  'seatWidth',
  'backAngle',
  'armHeight',
  'armWidth',
  'backTop',
  'lumbarApex',
  'padSize',
  'tension',
  'counts',
  'armsWithBack',
  'tiltAxis',
  'directions',
] as const;
export type SeatGap = (typeof SEAT_GAPS)[number];

/** What a gap leaves open: whether a person may sit there, whether it fits, or only how to work it. */
export const GAP_COSTS = ['safety', 'fit', 'handling'] as const;
export type GapCost = (typeof GAP_COSTS)[number];

const COST: Readonly<Record<SeatGap, GapCost>> = {
  ratedLoad: 'safety',
  suspensionWeight: 'safety',
  sink: 'fit',
  seatDepth: 'fit',
  seatWidth: 'fit',
  backAngle: 'fit',
  armHeight: 'fit',
  armWidth: 'fit',
  backTop: 'fit',
  lumbarApex: 'fit',
  padSize: 'fit',
  tension: 'fit',
  counts: 'fit',
  armsWithBack: 'fit',
  tiltAxis: 'fit',
  directions: 'handling',
};
/**
 * What a gap in a description costs.
 * @returns what cannot be told without it. Definition.
 * @example
 * gapCost(gapsOf(seat)[0]) // => 'fit'
 */
export const gapCost = (gap: SeatGap): GapCost => COST[gap];

/** Whether each gap is open. Order of importance: safety, then the weights of the conditions it leaves open. */
const IS_OPEN: Readonly<Record<SeatGap, (seat: SeatModel) => boolean>> = {
  ratedLoad: (seat) => seat.ratedLoadKg === null,
  suspensionWeight: (seat) =>
    offers(seat, 'suspension') && adjustmentOf(seat.adjustments, 'suspensionWeight') === null,
  // A cushion described as loaded has its sink in the heights already.
  sink: (seat) => seat.cushion.heightsAre === 'empty' && seat.cushion.sinkMm === null,
  seatDepth: (seat) => adjustmentOf(seat.adjustments, 'seatDepth') === null,
  seatWidth: (seat) => seat.seatWidthMm === null,
  backAngle: (seat) =>
    seat.seatClass !== 'perching' &&
    adjustmentOf(seat.adjustments, 'backAngle') === null &&
    adjustmentOf(seat.adjustments, 'chairAngle') === null,
  armHeight: (seat) => seat.arms !== null && adjustmentOf(seat.adjustments, 'armHeight') === null,
  armWidth: (seat) => seat.arms !== null && adjustmentOf(seat.adjustments, 'armWidth') === null,
  backTop: (seat) => seat.seatClass !== 'perching' && seat.back.topMm === null,
  lumbarApex: (seat) =>
    seat.seatClass !== 'perching' &&
    adjustmentOf(seat.adjustments, 'lumbarApex') === null &&
    adjustmentOf(seat.adjustments, 'backHeight') === null,
  padSize: (seat) => seat.arms !== null && (seat.arms.lengthMm === null || seat.arms.widthMm === null),
  tension: (seat) => seat.adjustments.some((a) => uncalculated(a) === 'byTrial'),
  counts: (seat) => seat.adjustments.some((a) => uncalculated(a) === 'countUnknown'),
  armsWithBack: (seat) => seat.arms !== null && seat.arms.moveWithBack === null && seat.arms.on === null,
  tiltAxis: (seat) =>
    seat.pan.axisFromRearMm === null && adjustmentOf(seat.adjustments, 'seatAngle') !== null,
  directions: (seat) =>
    seat.controls.some((c) => c.moves.some((m) => m.directionForMore === 'unknown')) ||
    seat.adjustments.some(
      (a) =>
        a.holds.how !== 'passive' &&
        a.holds.how !== 'follows' &&
        !seat.controls.some((c) => c.moves.some((m) => m.adjustmentId === a.id)),
    ),
};

/**
 * Returns what is open of a seat, the most important first; empty where everything is described.
 * @returns the most important first. Definition.
 * @example
 * gapsOf(seat).length > 0 // => true
 */
export const gapsOf = (seat: SeatModel): SeatGap[] => SEAT_GAPS.filter((gap) => IS_OPEN[gap](seat));
