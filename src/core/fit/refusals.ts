import type { Message } from '../message';
import { message } from '../message';
import type { FitInputs } from './inputs';

/** Clothing over the measured mass, kg (common practice). */
const CLOTHING_KG = 3;
/** Seat width that is comfortable: this share of the hips (Gouvali & Boudolos 2006). */
export const SEAT_WIDTH_SHARE = 1.1;

export const CHECK_VERDICTS = ['passes', 'close', 'refused', 'notMeasured'] as const;

/** A check on the seat as a whole, which no setting changes. */
export interface SeatCheck {
  readonly id: 'ratedLoad' | 'seatWidth';
  readonly verdict: (typeof CHECK_VERDICTS)[number];
  readonly reason: Message;
}

/** Rated load: a measured mass in clothes with tools; never rounded in the seat's favour, never on an estimate. */
function ratedLoad({ seat, body, work }: FitInputs): SeatCheck {
  const mass = body.bodyMass;
  const rated = seat.ratedLoadKg.value;
  if (!mass || mass.basis === 'estimated') {
    return {
      id: 'ratedLoad',
      verdict: 'notMeasured',
      reason: message('check.ratedLoad.notMeasured', { rated: { kg: rated } }),
    };
  }
  const load = mass.value + CLOTHING_KG + work.toolsKg;
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

function seatWidth({ seat, body }: FitInputs): SeatCheck {
  const width = seat.seatWidthMm.value;
  const hips = body.hipBreadthSitting?.value;
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

export const seatChecks = (inputs: FitInputs): SeatCheck[] => [ratedLoad(inputs), seatWidth(inputs)];
export const isRefused = (checks: readonly SeatCheck[]): boolean =>
  checks.some((c) => c.verdict === 'refused');
