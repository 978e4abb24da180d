/** What has to clear the roof of a cab over the sitter. */
import { offers } from '../../seat';
import type { FitInputs } from '../problem/inputs';
import { datumMm } from './on-seat';
import type { Problem, SetValues } from '../problem/problem';

/** How far a suspension of unknown travel may throw the sitter up, mm (assumed). */
const RIDE_UNKNOWN_MM = 50;
/** A helmet over the head, mm (assumed). */
const HELMET_MM = 40;

/**
 * Ride travel and helmet above the head, mm.
 * @returns mm, 0 or more. Assumed for the helmet.
 */
export const overHeadMm = ({ seat, work }: Pick<FitInputs, 'seat' | 'work'>): number =>
  (offers(seat, 'suspension') ? (seat.rideMm ?? RIDE_UNKNOWN_MM) : 0) + (work.helmet ? HELMET_MM : 0);

/**
 * How high the head can come as the seat stands, above the floor, mm: the sitter measured erect, thrown up by the ride.
 * @returns mm; NaN where sitting height was not measured. Definition.
 */
export const headTopMm = (p: Problem, v: SetValues): number =>
  datumMm(p, v) + p.body.sittingHeight + overHeadMm(p.inputs);
