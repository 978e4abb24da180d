/** Seat and place as they stand with remedies in use: what is added, taken off or changed, nothing solved yet. */
import type { Place } from '../../place';
import {
  ABOVE_SEAT_KINDS,
  movedTravel,
  type Adjustment,
  type AdjustmentKind,
  type Offer,
  type SeatModel,
  type SeatState,
  type StateKind,
} from '../../seat';
import { REMEDY_IDS, sizeInUse, type FitInputs, type RemedyId, type RemedySettings } from '../problem/inputs';
import { oncePer } from '../problem/once';
import type { Problem } from '../problem/problem';
import { problemOf } from './problem-of';

/** What the computation reads as a value of its own, so that a footrest can be chosen together with the height. */
const AS_VALUES: readonly RemedyId[] = ['footrestMm', 'backCushionMm'];
const CHANGING = REMEDY_IDS.filter((id) => !AS_VALUES.includes(id));

/** Tray and what holds it, under the keyboard, mm (assumed). */
export const TRAY_PLATE_MM = 20;

const ARMS: readonly AdjustmentKind[] = [
  'armHeight',
  'armWidth',
  'padSlide',
  'armDepth',
  'armPivot',
  'armAngle',
];

const moved = (adjustments: readonly Adjustment[], kinds: readonly AdjustmentKind[], by: number) =>
  by === 0
    ? adjustments
    : adjustments.map((a) => (kinds.includes(a.kind) ? { ...a, travel: movedTravel(a.travel, by) } : a));

/** A pad raises the seat by its thickness (loaded), and everything that stands on the seat's frame is lower against it. */
function withPad(seat: SeatModel, padMm: number): SeatModel {
  if (padMm === 0) return seat;
  const { lumbarZones } = seat.back;
  const hasBackHeight = seat.adjustments.some((a) => a.kind === 'backHeight');
  const above = ABOVE_SEAT_KINDS.filter((kind) => !(kind === 'lumbarApex' && hasBackHeight));
  return {
    ...seat,
    back: {
      ...seat.back,
      topMm: seat.back.topMm === null ? null : seat.back.topMm - padMm,
      lumbarZones: lumbarZones && {
        lowerMm: lumbarZones.lowerMm - padMm,
        upperMm: lumbarZones.upperMm - padMm,
      },
    },
    adjustments: moved(moved(seat.adjustments, ['seatHeight'], padMm), above, -padMm),
  };
}

const HEAD_REST: readonly AdjustmentKind[] = ['headHeight', 'headAngle', 'headDepth'];

/** What is taken off or folded away: which states of a seat it is, and what goes with it. */
const TAKEN_AWAY = {
  armsFolded: { states: ['armsFolded', 'armsSwungOut'], kinds: ARMS, offer: 'arms' },
  headrestOff: { states: ['headrestOff'], kinds: HEAD_REST, offer: 'headrest' },
  armsOff: { states: ['armsOff'], kinds: ARMS, offer: 'arms' },
} as const satisfies Partial<
  Record<
    RemedyId,
    {
      readonly states: readonly StateKind[];
      readonly kinds: readonly AdjustmentKind[];
      /** What the seat offers no more. */
      readonly offer: Offer;
    }
  >
>;
export type TakenAway = keyof typeof TAKEN_AWAY;

/**
 * The state of a seat that something taken away is; null where it has none of the kind.
 * @returns null where it has none of the kind. Definition.
 */
export function stateFor({ states }: SeatModel, id: TakenAway): SeatState | null {
  const kinds: readonly StateKind[] = TAKEN_AWAY[id].states;
  return states.find(({ kind }) => kinds.includes(kind)) ?? null;
}

/** The seat without what is taken away, and with the width that it has then. */
function takenAway(seat: SeatModel, id: TakenAway): SeatModel {
  const state = stateFor(seat, id);
  const { kinds, offer } = TAKEN_AWAY[id];
  return {
    ...seat,
    offers: seat.offers.filter((one) => one !== offer),
    arms: kinds === ARMS ? null : seat.arms,
    seatWidthMm: state?.seatWidthMm === undefined ? seat.seatWidthMm : state.seatWidthMm,
    adjustments: seat.adjustments.filter((a) => !kinds.includes(a.kind) && !state?.removes.includes(a.id)),
  };
}

function seatWith(seat: SeatModel, size: (id: RemedyId) => number): SeatModel {
  const padded = withPad(seat, size('seatPadMm'));
  const raised = { ...padded, adjustments: moved(padded.adjustments, ['seatHeight'], size('columnMm')) };
  return (Object.keys(TAKEN_AWAY) as TakenAway[])
    .filter((id) => size(id) !== 0)
    .reduce<SeatModel>(takenAway, raised);
}

/** A tray holds the keyboard lower than the desk's top, and hangs over the thighs. */
function placeWith(place: Place, size: (id: RemedyId) => number): Place {
  const raised = moved(place.adjustments, ['deskHeight'], size('deskMm'));
  const adjustments = moved(raised, ['screenHeight'], size('screenRiserMm'));
  const tray = size('keyboardTrayMm');
  if (tray === 0) return { ...place, adjustments };
  return {
    ...place,
    adjustments,
    keyboardThicknessMm: place.keyboardThicknessMm - tray,
    drawerMm: Math.max(place.drawerMm ?? 0, tray + TRAY_PLATE_MM),
  };
}

/**
 * The inputs with seat and place as remedies leave them; a footrest and a back cushion are left to the settings.
 * @returns the inputs themselves where remedies change nothing in them. Definition.
 */
export function inputsWith(inputs: FitInputs, remedies: RemedySettings): FitInputs {
  const size = (id: RemedyId): number => sizeInUse(remedies, id);
  return {
    ...inputs,
    seat: seatWith(inputs.seat, size),
    place: inputs.place && placeWith(inputs.place, size),
  };
}

const fitted = oncePer(() => new Map<string, Problem>());
const MOST_FITTED = 64;

/**
 * The problem with seat and place as remedies leave them; the same object for the same remedies.
 * @param p with whatever remedies
 * @returns the same object for the same remedies. Definition.
 * @example
 * inPlace(problem, NO_REMEDIES) === problem // => true
 */
export function inPlace(p: Problem, remedies: RemedySettings): Problem {
  let key = '';
  for (const id of CHANGING) {
    const size = sizeInUse(remedies, id);
    if (size !== 0) key += `${id} ${size} `;
  }
  if (key === (p.bare?.key ?? '')) return p;
  const bare = p.bare?.problem ?? p;
  if (key === '') return bare;
  const known = fitted(bare);
  const found = known.get(key);
  if (found) return found;
  if (known.size >= MOST_FITTED) known.delete(known.keys().next().value!);
  const made: Problem = {
    ...problemOf(inputsWith(bare.inputs, remedies), sizeInUse(remedies, 'lumbarRollMm')),
    bare: { problem: bare, key },
  };
  known.set(key, made);
  return made;
}
