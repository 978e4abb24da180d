import type { Message } from '../message';
import { message } from '../message';
import { adjustmentOf, endsOf, heightShift } from '../seat';
import { isEstimate, type Quantity } from '../quantity';
import type { FitInputs } from './inputs';

/** Clothing over the measured mass, kg (common practice). */
export const CLOTHING_KG = 3;
/** Seat width that is comfortable: this share of the hips (Gouvali & Boudolos 2006). */
export const SEAT_WIDTH_SHARE = 1.1;

export const CHECK_VERDICTS = ['passes', 'close', 'refused', 'notMeasured', 'notDescribed'] as const;

/** A check on the seat as a whole, which no setting changes. */
export interface SeatCheck {
  readonly id: 'ratedLoad' | 'seatWidth' | 'headroom';
  readonly verdict: (typeof CHECK_VERDICTS)[number];
  readonly reason: Message;
}

/** What a seat carries: the sitter in working clothes with tools, kg. */
export const workingLoadKg = ({ work }: Pick<FitInputs, 'work'>, massKg: number): number =>
  massKg + CLOTHING_KG + work.toolsKg;

/** Rated load: a measured mass in clothes with tools; never rounded in the seat's favour, never on an estimate. */
function ratedLoad({ seat, body, work }: FitInputs): SeatCheck {
  const mass = body.bodyMass;
  if (!seat.ratedLoadKg)
    return { id: 'ratedLoad', verdict: 'notDescribed', reason: message('check.ratedLoad.notDescribed') };
  const rated = seat.ratedLoadKg.value;
  if (!mass || isEstimate(mass)) {
    return {
      id: 'ratedLoad',
      verdict: 'notMeasured',
      reason: message('check.ratedLoad.notMeasured', { rated: { kg: rated } }),
    };
  }
  const load = workingLoadKg({ work }, mass.value);
  const verdict = load <= rated ? 'passes' : 'refused';
  const values = {
    rated: { kg: rated },
    mass: { kg: mass.value },
    clothing: { kg: CLOTHING_KG },
    tools: { kg: work.toolsKg },
    load: { kg: load },
  };
  return { id: 'ratedLoad', verdict, reason: message(`check.ratedLoad.${verdict}`, values) };
}

/** Nobody is refused a seat for a guess, nor let onto it. */
const measured = (quantity: Quantity | undefined): number | undefined =>
  isEstimate(quantity) ? undefined : quantity?.value;

function seatWidth({ seat, body }: FitInputs): SeatCheck {
  if (!seat.seatWidthMm)
    return { id: 'seatWidth', verdict: 'notDescribed', reason: message('check.seatWidth.notDescribed') };
  const width = seat.seatWidthMm.value;
  const hips = measured(body.hipBreadthSitting);
  if (hips === undefined)
    return {
      id: 'seatWidth',
      verdict: 'notMeasured',
      reason: message('check.seatWidth.notMeasured', { width: { mm: width } }),
    };
  const wanted = hips * SEAT_WIDTH_SHARE;
  const verdict = hips > width ? 'refused' : wanted > width ? 'close' : 'passes';
  const values = { width: { mm: width }, hips: { mm: hips }, wanted: { mm: Math.round(wanted) } };
  return { id: 'seatWidth', verdict, reason: message(`check.seatWidth.${verdict}`, values) };
}

/** What should stay free over the head in a cab, mm (assumed). */
const OVER_HEAD_MM = 50;

/** Headroom in a cab, with the seat as low as it goes; nothing where the place has no ceiling to speak of. */
function headroom({ seat, place, body }: FitInputs): SeatCheck[] {
  const ceiling = place?.headroomMm;
  const height = adjustmentOf(seat.adjustments, 'seatHeight');
  if (ceiling === undefined || !height) return [];
  const sitting = measured(body.sittingHeight);
  const room = { ceiling: { mm: ceiling } };
  if (sitting === undefined)
    return [{ id: 'headroom', verdict: 'notMeasured', reason: message('check.headroom.notMeasured', room) }];
  const lowest = endsOf(height.travel).lowest + heightShift(seat, body.bodyMass?.value ?? null).ofSeat;
  const top = lowest + sitting;
  const verdict = top > ceiling ? 'refused' : top + OVER_HEAD_MM > ceiling ? 'close' : 'passes';
  const values = { ...room, top: { mm: Math.round(top) }, seat: { mm: lowest }, sitting: { mm: sitting } };
  return [{ id: 'headroom', verdict, reason: message(`check.headroom.${verdict}`, values) }];
}

export const seatChecks = (inputs: FitInputs): SeatCheck[] => [
  ratedLoad(inputs),
  seatWidth(inputs),
  ...headroom(inputs),
];
export const isRefused = (checks: readonly SeatCheck[]): boolean =>
  checks.some((c) => c.verdict === 'refused');
