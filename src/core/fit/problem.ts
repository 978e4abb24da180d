import { DIMENSION_IDS, type DimensionId } from '../body';
import { roomForChild, type ConditionId, type Target } from '../method';
import { TASK_OFFSETS, deskOf } from '../place';
import {
  ADJUSTMENT_UNITS,
  adjustmentOf,
  heightShift,
  valuesOf,
  type Adjustment,
  type AdjustmentKind,
} from '../seat';
import { isChild, type FitInputs } from './inputs';

/** One adjustment as the computation sees it: its values under this body, one for each position. */
export interface Variable {
  readonly kind: AdjustmentKind;
  readonly adjustment: Adjustment;
  /** In the adjustment's unit, rising with the position; heights already shifted by how far this body sinks. */
  readonly values: readonly number[];
  /** What was added to the stated values, mm. */
  readonly shiftMm: number;
}

export type BodyNumbers = Readonly<Record<DimensionId, number>>;

/** The inputs made ready to compute with: numbers instead of quantities, targets as they hold for this sitter and task. */
export interface Problem {
  readonly inputs: FitInputs;
  /** NaN where not measured. */
  readonly body: BodyNumbers;
  readonly variables: Readonly<Partial<Record<AdjustmentKind, Variable>>>;
  readonly targets: Readonly<Record<ConditionId, Target>>;
  /** Most upright back angle; where synchro counts from. */
  readonly uprightDeg: number;
  /** Whether back and pan tilt together. */
  readonly isSynchro: boolean;
  /** Whether the pan can be anything but level. */
  readonly panTilts: boolean;
}

/** Values of a set seat and place, in each adjustment's unit; NaN for what is absent or not yet chosen. */
export type SetValues = Record<AdjustmentKind, number> & { footrestMm: number; backCushionMm: number };

const ABOVE_SEAT: readonly AdjustmentKind[] = ['lumbarApex', 'armHeight', 'headHeight'];

function variableOf(
  adjustment: Adjustment,
  shift: { readonly ofSeat: number; readonly aboveSeat: number },
): Variable {
  const { kind } = adjustment;
  const shiftMm = kind === 'seatHeight' ? shift.ofSeat : ABOVE_SEAT.includes(kind) ? shift.aboveSeat : 0;
  return {
    kind,
    adjustment,
    values: valuesOf(adjustment).map((v) => Math.round((v + shiftMm) * 1000) / 1000),
    shiftMm,
  };
}

const moved = (t: Target, by: { readonly lo: number; readonly hi: number }): Target => ({
  ...t,
  bandLo: t.bandLo === undefined ? undefined : t.bandLo + by.lo,
  aimLo: t.aimLo === undefined ? undefined : t.aimLo + by.lo,
  aimHi: t.aimHi === undefined ? undefined : t.aimHi + by.hi,
  bandHi: t.bandHi === undefined ? undefined : t.bandHi + by.hi,
});

function targetsOf(inputs: FitInputs): Record<ConditionId, Target> {
  const { method, place, seat, body } = inputs;
  const length = body.buttockPoplitealLength?.value;
  const tension = adjustmentOf(seat.adjustments, 'tiltTension');
  const slack = ADJUSTMENT_UNITS[tension?.unit ?? 'turn'].closeBy;
  return {
    ...method.targets,
    kneeRoom:
      isChild(inputs) && length !== undefined ? roomForChild(method.kneeRoom, length) : method.kneeRoom,
    deskTop: place ? moved(method.targets.deskTop, TASK_OFFSETS[place.task]) : method.targets.deskTop,
    tension: { ...method.targets.tension, bandLo: -slack, bandHi: slack },
  };
}

export function problemOf(inputs: FitInputs): Problem {
  const { seat, place, body } = inputs;
  const shift = heightShift(seat, body.bodyMass?.value ?? null);
  const desk = deskOf(place);
  const variables: Partial<Record<AdjustmentKind, Variable>> = {};
  for (const adjustment of desk ? [...seat.adjustments, desk] : seat.adjustments) {
    // Two adjustments of one kind are told apart by later versions of the seat form; the first one counts.
    variables[adjustment.kind] ??= variableOf(adjustment, shift);
  }
  const numbers = Object.fromEntries(DIMENSION_IDS.map((id) => [id, body[id]?.value ?? NaN]));
  const isSynchro = seat.back.synchroRatio !== null;
  return {
    inputs,
    body: numbers as Record<DimensionId, number>,
    variables,
    targets: targetsOf(inputs),
    uprightDeg: variables.backAngle?.values[0] ?? 0,
    isSynchro,
    panTilts: isSynchro || (variables.seatAngle?.values.some((v) => v !== 0) ?? false),
  };
}
