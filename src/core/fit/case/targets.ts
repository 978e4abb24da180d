/** Targets as they hold for this sitter, seat and task. */
import type { Method } from '../../method';
import { TASK_OFFSETS, type Winner } from '../../place';
import {
  ADJUSTMENT_UNITS,
  adjustmentOf,
  endsOf,
  isFixed,
  positionCount,
  seatNumbers,
  uncalculated,
  type Adjustment,
  type AdjustmentKind,
  type SeatModel,
} from '../../seat';
import { roomByFingers, roomForChild, type Target } from '../../target';
import { cosDeg } from '../../units';
import { COMMON_TARGETS, SCREEN_TARGETS, type ConditionId } from '../conditions';
import { handOf } from '../problem/hand';
import { isChild, type FitInputs } from '../problem/inputs';

/** Whoever wins counts this much more than what gives way (assumed). */
const WINNER_SHARE = 10;
const WINS: Record<Winner, readonly ConditionId[]> = {
  desk: ['deskTop', 'deskContact', 'deskClearance'],
  feet: ['footGap', 'thigh'],
};
/** A rounded front edge forgives `r (1 − cos 20°)`, at most this much, mm. */
const MOST_FORGIVEN_MM = 5;
const EDGE_TURN_DEG = 20;
/** A pad lies under the forearm from here to there before the elbow, mm. */
const UNDER_FOREARM_MM = { from: 50, to: 200 };

const moved = (t: Target, by: { readonly lo: number; readonly hi: number }): Target => ({
  ...t,
  bandLo: t.bandLo === undefined ? undefined : t.bandLo + by.lo,
  aimLo: t.aimLo === undefined ? undefined : t.aimLo + by.lo,
  aimHi: t.aimHi === undefined ? undefined : t.aimHi + by.hi,
  bandHi: t.bandHi === undefined ? undefined : t.bandHi + by.hi,
});

/** A band of one step of the adjustment's own count on either side. */
function withinOneStep(target: Target, adjustment: Adjustment | null): Target {
  if (!adjustment) return target;
  const { lowest, highest } = endsOf(adjustment.travel);
  const step = isFixed(adjustment) ? 0 : (highest - lowest) / (positionCount(adjustment) - 1);
  const slack = Math.max(step, ADJUSTMENT_UNITS[adjustment.unit].closeBy);
  return { ...target, bandLo: -slack, bandHi: slack };
}

/** A method's targets before seat, place and sitter are known, once for all that is tried with it. */
const targetsByMethod = new WeakMap<Method, Readonly<Record<ConditionId, Target>>>();

function commonTargets(method: Method): Readonly<Record<ConditionId, Target>> {
  const known = targetsByMethod.get(method);
  if (known) return known;
  const targets = { ...COMMON_TARGETS, ...method.targets, kneeRoom: method.kneeRoom };
  targetsByMethod.set(method, targets);
  return targets;
}

/** A long thigh may hang over by this share of its length (common practice). */
const ROOM_SHARE = 0.2;
const LEVEL_THIGH = { bandLo: -4, aimLo: 0, aimHi: 0, bandHi: 4 };

/** The room behind the knee on a seat: a short pan is no fault of a perch, and a long thigh bears more. */
function roomOnSeat(room: Target, { seatClass }: SeatModel, lengthMm: number | undefined): Target {
  if (seatClass === 'perching') return { ...room, aimHi: undefined, bandHi: undefined };
  if (room.bandHi === undefined || lengthMm === undefined) return room;
  return { ...room, bandHi: Math.max(room.bandHi, ROOM_SHARE * lengthMm) };
}

/** Whether pan or front slope of a seat goes below level. */
const letsThighFall = ({ adjustments }: SeatModel): boolean =>
  adjustments.some((a) => FALLING.includes(a.kind) && !uncalculated(a) && endsOf(a.travel).lowest < 0);
const FALLING: readonly AdjustmentKind[] = ['seatAngle', 'forwardTilt', 'chairAngle', 'frontSlope'];

/** The room behind the knee: by the method, in the fingers of whoever fits or in a child’s proportion, on this seat. */
function roomHere(inputs: FitInputs): Target {
  const { method, seat, body } = inputs;
  const length = body.buttockPoplitealLength?.value;
  const hand = handOf(inputs);
  const room =
    method.fingers && hand
      ? roomByFingers(method.kneeRoom, method.fingers, hand)
      : isChild(inputs) && length !== undefined
        ? roomForChild(method.kneeRoom, length)
        : method.kneeRoom;
  return roomOnSeat(room, seat, isChild(inputs) ? undefined : length);
}

/**
 * Every condition's target, as it holds here.
 * @returns by condition, bounds in its unit. Definition; each target names its source.
 */
export function targetsOf(inputs: FitInputs): Record<ConditionId, Target> {
  const { method, place, seat } = inputs;
  const of = (kind: AdjustmentKind) => adjustmentOf(seat.adjustments, kind);
  const slack = ADJUSTMENT_UNITS[of('tiltTension')?.unit ?? 'turn'].closeBy;
  const targets: Record<ConditionId, Target> = { ...commonTargets(method) };
  targets.kneeRoom = roomHere(inputs);
  if (method.orLevel && !letsThighFall(seat)) targets.thigh = { ...targets.thigh, ...LEVEL_THIGH };
  const forgiven = Math.min(
    MOST_FORGIVEN_MM,
    seatNumbers(seat).frontEdgeRadiusMm * (1 - cosDeg(EDGE_TURN_DEG)),
  );
  if (targets.footGap.bandHi !== undefined)
    targets.footGap = { ...targets.footGap, bandHi: targets.footGap.bandHi + forgiven };
  const way = inputs.work.screen ?? method.screen;
  if (way) {
    const weight = Math.max(targets.gaze.weight, SCREEN_TARGETS[way].weight);
    targets.gaze = { ...SCREEN_TARGETS[way], weight };
  }
  targets.tension = { ...targets.tension, bandLo: -slack, bandHi: slack };
  targets.suspensionWeight = withinOneStep(targets.suspensionWeight, of('suspensionWeight'));
  const { lo, hi } = TASK_OFFSETS[place?.task ?? 'keyboard'];
  targets.deskTop = moved(targets.deskTop, {
    lo: lo - TASK_OFFSETS.keyboard.lo,
    hi: hi - TASK_OFFSETS.keyboard.hi,
  });
  const pad = seat.arms?.lengthMm ?? 0;
  const longer = Math.max(0, pad - (UNDER_FOREARM_MM.to - UNDER_FOREARM_MM.from));
  targets.padReach = moved(targets.padReach, { lo: 0, hi: longer });
  for (const id of place?.wins ? WINS[place.wins] : [])
    targets[id] = { ...targets[id], weight: targets[id].weight * WINNER_SHARE };
  return targets;
}

/**
 * The same targets for another body: only the room behind the knee follows it.
 * @param targets of the same case for a body
 * @returns by condition, bounds in its unit. Definition.
 */
export function targetsFor(
  targets: Readonly<Record<ConditionId, Target>>,
  inputs: FitInputs,
): Readonly<Record<ConditionId, Target>> {
  const kneeRoom = roomHere(inputs);
  return kneeRoom === targets.kneeRoom ? targets : { ...targets, kneeRoom };
}

/**
 * The middle of an aim; of one that is open on a side its end.
 * @returns in the target’s unit; 0 where the aim is open on both sides. Definition.
 */
export const middleOfAim = ({ aimLo, aimHi }: Target): number =>
  ((aimLo ?? aimHi ?? 0) + (aimHi ?? aimLo ?? 0)) / 2;
