/** Whether a belly leaves the forearms their reach to the keys: nothing on the seat changes it, the keyboard's place does. */
import { message } from '../../message';
import { deskOf } from '../../place';
import { datumFromRear } from '../../posture';
import type { Problem } from '../problem/problem';
import type { SeatCheck } from './refusals';

/** What stays free between belly and desk, mm (common practice). */
const BEFORE_BELLY_MM = 20;

/**
 * Whether the belly leaves room for the hands to reach the keys. Nothing where nobody measured the belly, or nothing is said of desk and keys. The shoulder lies over the seated datum.
 * @returns one check at most. Definition.
 */
export function bellyAtDesk({ inputs: { body, place }, gripMm, adultShare }: Problem): SeatCheck[] {
  const belly = body.abdominalDepth?.value;
  const keys = place?.keysFromEdgeMm;
  if (belly === undefined || keys === undefined || !deskOf(place) || Number.isNaN(gripMm)) return [];
  const before = belly - datumFromRear(0, 0, adultShare);
  const room = Math.round(gripMm) - keys - Math.round(before);
  const isFree = room >= BEFORE_BELLY_MM;
  return [
    {
      id: 'belly',
      verdict: isFree ? 'passes' : 'close',
      reason: message(`check.belly.${isFree ? 'passes' : 'close'}`, {
        grip: { mm: gripMm },
        keys: { mm: keys },
        before: { mm: before },
        room: { mm: room },
        by: { sizeMm: BEFORE_BELLY_MM - room },
      }),
    },
  ];
}
