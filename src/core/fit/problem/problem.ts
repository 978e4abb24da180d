import { DIMENSION_IDS, type Body, type DimensionId } from '../../body';
import {
  COMMON_TARGETS,
  SCREEN_TARGETS,
  USUAL_FINGERS_MM,
  roomByFingers,
  roomForChild,
  type ConditionId,
  type Method,
  type Target,
} from '../../method';
import { TASK_OFFSETS, type Winner } from '../../place';
import { ANKLE_FRACTION, FOREARM_BREADTH_MM, FOREARM_FRACTION, HAND_FRACTION } from '../../posture';
import {
  ABOVE_SEAT_KINDS,
  ADJUSTMENT_KIND_IDS,
  ADJUSTMENT_UNITS,
  adjustmentOf,
  endsOf,
  heightShift,
  isFixed,
  kindNumber,
  meaningLine,
  positionCount,
  seatNumbers,
  uncalculated,
  valuesOf,
  type Adjustment,
  type SeatClass,
  type SeatModel,
  type AdjustmentKind,
  type Line,
  type SeatNumbers,
} from '../../seat';
import { cosDeg } from '../../units';
import { carriedOf, type Carried } from './carried';
import { leaningOf, type Leaning } from './leaning';
import { isChild, sizeInUse, type FitInputs, type RemedySettings } from './inputs';

/** One adjustment as the computation sees it: its values under this body, one for each position. */
export interface Variable {
  readonly kind: AdjustmentKind;
  readonly adjustment: Adjustment;
  /** In the adjustment's unit, rising with the position; heights already shifted by how far this body sinks. */
  readonly values: readonly number[];
  /** What was added to the stated values, mm. */
  readonly shiftMm: number;
  /** How its values come to mm or degrees. */
  readonly line: Line;
}

export type BodyNumbers = Readonly<Record<DimensionId, number>>;

/** The inputs made ready to compute with: numbers instead of quantities, targets as they hold for this sitter and task. */
export interface Problem {
  readonly inputs: FitInputs;
  /** NaN where not measured. */
  readonly body: BodyNumbers;
  readonly variables: Readonly<Partial<Record<AdjustmentKind, Variable>>>;
  /** The same in the order of the kinds (`kindNumber`). */
  readonly byNumber: readonly (Variable | undefined)[];
  /** What is carried along by another adjustment. */
  readonly carried: readonly Carried[];
  readonly targets: Readonly<Record<ConditionId, Target>>;
  readonly seat: SeatNumbers;
  /** Most upright back angle; where synchro counts from. */
  readonly uprightDeg: number;
  /** Whether back and pan tilt together, by synchro or because the whole chair does. */
  readonly isTied: boolean;
  /** Whether the pan can be anything but level. */
  readonly panTilts: boolean;
  /** Whether back and trunk can be anything but upright. */
  readonly trunkLeans: boolean;
  /** Whether the front third of the pan can drop. */
  readonly hasSlope: boolean;
  /** Whether anything but a cushion can bring the sitter forward. */
  readonly hasPush: boolean;
  /** Prominence of the lumbar at its flattest, mm: what the seat depth is measured from. */
  readonly flattestMm: number;
  /** Foot support to the hollow of the knee without the shoe, mm; less where the feet stand forward on pedals. */
  readonly lowerLegMm: number;
  /** Foot support to the top of the knee likewise, mm. */
  readonly kneeMm: number;
  /** How far the shank stands forward for pedals, degrees. */
  readonly shankAtDeg: number;
  /** Elbow to wrist, by stature, mm. */
  readonly forearmMm: number;
  /** Elbow to the grip of the hand; measured, or by stature, mm. */
  readonly gripMm: number;
  /** Elbow to fingertip; measured, or by stature, mm. */
  readonly fingertipMm: number;
  readonly forearmBreadthMm: number;
  /** Where the head begins to stay level: cervicale, or the shoulder where that was not measured, mm. */
  readonly headPivotMm: number;
  /** Whether there is a back to lean against. */
  readonly hasBack: boolean;
  /** How the back leans where nothing but a spring holds it; null: it is set like anything else. */
  readonly leaning: Leaning | null;
  /** Whether the thighs fall off the front until the feet stand. */
  readonly isPerched: boolean;
  /** Where the method wants the thigh: the middle of its aim, degrees. */
  readonly thighDeg: number;
  /** How far a method that sets the seat low has the knee rise off the pan; null: it does not. */
  readonly raisedDeg: number | null;
  /** At which lean pads that cannot be moved in height are met; null: as set. */
  readonly padsAtDeg: number | null;
  /** How thick a roll lies at the small of the back, mm; 0: none. */
  readonly rollMm: number;
  /** The same without what remedies changed about seat and place, and what they were; null where they changed nothing. */
  readonly bare: { readonly problem: Problem; readonly key: string } | null;
  /** What has been worked out of it already. */
  readonly known: unknown[];
}

/** Values of a set seat and place, in each adjustment's unit; NaN for what is absent or not yet chosen. */
export type SetValues = Record<AdjustmentKind, number> & { footrestMm: number; backCushionMm: number };

/**
 * Nothing set. Every solving begins with a copy of it: one object of which no field is known to be a number is copied
 * ten times as fast as one that is put together, or that is all numbers.
 */
const NOTHING: SetValues = { ...blank() };

function blank(): SetValues {
  const names = [...ADJUSTMENT_KIND_IDS, 'footrestMm', 'backCushionMm'] as const;
  const values = Object.fromEntries(names.map((name) => [name, null])) as Record<string, number | null>;
  for (const name of names) values[name] = NaN;
  return values as SetValues;
}

/** No adjustment set; of the remedies what is read as a value of its own. */
export function emptyValues(remedies: RemedySettings): SetValues {
  const values = { ...NOTHING };
  values.footrestMm = sizeInUse(remedies, 'footrestMm');
  values.backCushionMm = sizeInUse(remedies, 'backCushionMm');
  return values;
}

const PUSHES = ['lumbarDepth', 'upperLumbar', 'lowerLumbar', 'backReach'] as const;

/** How far forward a shank stands with the feet on pedals: a knee of 120° on a level thigh (assumed). */
const SHANK_AT_PEDALS_DEG = 30;
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

function variableOf(
  adjustment: Adjustment,
  shift: { readonly ofSeat: number; readonly aboveSeat: number },
  hasBackHeight: boolean,
): Variable {
  const { kind } = adjustment;
  const isAbove = ABOVE_SEAT_KINDS.includes(kind) && !(kind === 'lumbarApex' && hasBackHeight);
  const shiftMm = kind === 'seatHeight' ? shift.ofSeat : isAbove ? shift.aboveSeat : 0;
  const values = valuesOf(adjustment);
  for (let i = 0; i < values.length; i++) values[i] = Math.round((values[i]! + shiftMm) * 1000) / 1000;
  return {
    kind,
    adjustment,
    values,
    shiftMm,
    line: meaningLine(adjustment),
  };
}

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

/** The hand that a method checks with, mm; null where it checks with none or nobody measured it. */
export function handOf({ method, body, fitterHandMm }: FitInputs): Readonly<Record<3 | 4, number>> | null {
  if (!method.fingers) return null;
  const three = method.fingers.whose === 'sitter' ? body.threeFingerBreadth?.value : fitterHandMm?.[3];
  const four = method.fingers.whose === 'sitter' ? body.fourFingerBreadth?.value : fitterHandMm?.[4];
  if (three === undefined && four === undefined) return null;
  return { 3: three ?? USUAL_FINGERS_MM[3], 4: four ?? USUAL_FINGERS_MM[4] };
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

function targetsOf(inputs: FitInputs): Record<ConditionId, Target> {
  const { method, place, seat, body } = inputs;
  const length = body.buttockPoplitealLength?.value;
  const of = (kind: AdjustmentKind) => adjustmentOf(seat.adjustments, kind);
  const slack = ADJUSTMENT_UNITS[of('tiltTension')?.unit ?? 'turn'].closeBy;
  const targets: Record<ConditionId, Target> = { ...commonTargets(method) };
  const hand = handOf(inputs);
  if (method.fingers && hand) targets.kneeRoom = roomByFingers(method.kneeRoom, method.fingers, hand);
  else if (isChild(inputs) && length !== undefined) targets.kneeRoom = roomForChild(method.kneeRoom, length);
  targets.kneeRoom = roomOnSeat(targets.kneeRoom, seat, isChild(inputs) ? undefined : length);
  if (method.orLevel && !letsThighFall(seat)) targets.thigh = { ...targets.thigh, ...LEVEL_THIGH };
  const forgiven = Math.min(
    MOST_FORGIVEN_MM,
    seatNumbers(seat).frontEdgeRadiusMm * (1 - cosDeg(EDGE_TURN_DEG)),
  );
  if (targets.footGap.bandHi !== undefined)
    targets.footGap = { ...targets.footGap, bandHi: targets.footGap.bandHi + forgiven };
  if (method.screen) targets.gaze = { ...SCREEN_TARGETS[method.screen], weight: targets.gaze.weight };
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

/** Of a leg, an arm and a head, what follows from the measures alone. */
function partsOf(
  inputs: FitInputs,
  body: BodyNumbers,
): Pick<
  Problem,
  | 'lowerLegMm'
  | 'kneeMm'
  | 'shankAtDeg'
  | 'forearmMm'
  | 'gripMm'
  | 'fingertipMm'
  | 'forearmBreadthMm'
  | 'headPivotMm'
> {
  const known = (value: number, otherwise: number): number => (Number.isNaN(value) ? otherwise : value);
  const shankAtDeg = inputs.place?.pedals ? SHANK_AT_PEDALS_DEG : 0;
  const ankle = ANKLE_FRACTION * body.stature;
  const lowerLegMm =
    shankAtDeg === 0 ? body.poplitealHeight : ankle + (body.poplitealHeight - ankle) * cosDeg(shankAtDeg);
  return {
    shankAtDeg,
    lowerLegMm,
    kneeMm: body.kneeHeight - (body.poplitealHeight - lowerLegMm),
    forearmMm: FOREARM_FRACTION * body.stature,
    gripMm: known(body.elbowGripLength, (FOREARM_FRACTION + HAND_FRACTION / 2) * body.stature),
    fingertipMm: known(body.forearmHandLength, (FOREARM_FRACTION + HAND_FRACTION) * body.stature),
    forearmBreadthMm: known(body.forearmBreadth, FOREARM_BREADTH_MM),
    headPivotMm: known(body.cervicaleHeightSitting, body.shoulderHeightSitting),
  };
}

/** A body's measures as numbers, once for all the seats that are tried for it. */
const numbersOf = new WeakMap<Body, BodyNumbers>();

function bodyNumbers(body: Body): BodyNumbers {
  const known = numbersOf.get(body);
  if (known) return known;
  const numbers = Object.fromEntries(DIMENSION_IDS.map((id) => [id, body[id]?.value ?? NaN]));
  numbersOf.set(body, numbers as BodyNumbers);
  return numbers as BodyNumbers;
}

const BACKS: readonly AdjustmentKind[] = ['backAngle', 'backHeight', 'lumbarApex', 'lumbarDepth'];
/** A perch has a back only where it is described. */
const hasBackOf = ({ seatClass, back, adjustments }: SeatModel): boolean =>
  seatClass !== 'perching' || back.topMm !== null || adjustments.some((a) => BACKS.includes(a.kind));

/** Seats that one can perch on: off the front of others one slides. */
const PERCHED: readonly SeatClass[] = ['perching', 'handwork'];

/** The lean at which pads that nobody can move in height are met: the middle of the method's aim, within the back's reach. */
function padsAtDegOf(
  armHeight: Variable | undefined,
  backAngle: Variable | undefined,
  target: Target,
): number | null {
  if (armHeight?.values.length !== 1 || !backAngle) return null;
  const { values } = backAngle;
  return Math.max(values[0]!, Math.min(values[values.length - 1]!, middleOfAim(target)));
}

/** The middle of an aim; of one that is open on a side its end. */
const middleOfAim = ({ aimLo, aimHi }: Target): number => ((aimLo ?? aimHi ?? 0) + (aimHi ?? aimLo ?? 0)) / 2;

const isTurned = (variable: Variable | undefined): boolean => variable?.values.some((v) => v !== 0) ?? false;

/** @param rollMm of a roll at the small of the back */
export function problemOf(inputs: FitInputs, rollMm = 0): Problem {
  const { seat, place, body } = inputs;
  const shift = heightShift(seat, body.bodyMass?.value ?? null);
  const hasBackHeight = adjustmentOf(seat.adjustments, 'backHeight') !== null;
  const variables: Partial<Record<AdjustmentKind, Variable>> = {};
  const byNumber = new Array<Variable | undefined>(ADJUSTMENT_KIND_IDS.length).fill(undefined);
  const carried = carriedOf(seat);
  const isAdrift = ({ kind, holds }: Adjustment): boolean =>
    holds.how === 'follows' && !carried.some((one) => one.kind === kind);
  const add = (adjustment: Adjustment): void => {
    const number = kindNumber(adjustment.kind);
    if (byNumber[number] || uncalculated(adjustment) || isAdrift(adjustment)) return;
    byNumber[number] = variables[adjustment.kind] = variableOf(adjustment, shift, hasBackHeight);
  };
  seat.adjustments.forEach(add);
  place?.adjustments.forEach(add);
  const numbers = bodyNumbers(body);
  const isSynchro = seat.back.synchroRatio !== null;
  const { seatAngle, forwardTilt, chairAngle, frontSlope, backAngle, armHeight } = variables;
  const targets = targetsOf(inputs);
  const parts = partsOf(inputs, numbers);
  const isPerched = inputs.method.perches === true && PERCHED.includes(seat.seatClass);
  const flattest = Math.min(
    flattestOf(variables.lumbarDepth),
    flattestOf(variables.upperLumbar),
    flattestOf(variables.lowerLumbar),
  );
  return {
    inputs,
    seat: seatNumbers(seat),
    body: numbers,
    variables,
    byNumber,
    carried,
    targets,
    hasBack: hasBackOf(seat),
    thighDeg: middleOfAim(targets.thigh),
    raisedDeg: inputs.method.raisesKnee ? (targets.thigh.aimLo ?? null) : null,
    padsAtDeg: padsAtDegOf(armHeight, backAngle, targets.backAngle),
    uprightDeg: backAngle?.values[0] ?? 0,
    isTied: isSynchro || chairAngle !== undefined,
    panTilts: isSynchro || isTurned(seatAngle) || isTurned(forwardTilt) || isTurned(chairAngle),
    trunkLeans: isTurned(backAngle) || isTurned(chairAngle),
    hasSlope: isTurned(frontSlope) || isPerched,
    isPerched,
    leaning: leaningOf(inputs, variables, targets.backAngle),
    // A roll on a back without a lumbar of its own stands out from a flat one.
    flattestMm: rollMm > 0 && flattest === Infinity ? 0 : flattest,
    hasPush: rollMm > 0 || PUSHES.some((kind) => variables[kind]),
    rollMm,
    bare: null,
    known: [],
    shankAtDeg: parts.shankAtDeg,
    lowerLegMm: parts.lowerLegMm,
    kneeMm: parts.kneeMm,
    forearmMm: parts.forearmMm,
    gripMm: parts.gripMm,
    fingertipMm: parts.fingertipMm,
    forearmBreadthMm: parts.forearmBreadthMm,
    headPivotMm: parts.headPivotMm,
  };
}

/**
 * The same seat, place and method for a body that differs by little: what does not follow the body is taken over.
 * @param body with the same measures as the problem's own, at other values
 */
export function withBody(p: Problem, body: Body): Problem {
  const inputs = { ...p.inputs, body };
  const bare = p.bare && { ...p.bare, problem: withBody(p.bare.problem, body) };
  if (body.bodyMass?.value !== p.inputs.body.bodyMass?.value) return { ...problemOf(inputs, p.rollMm), bare };
  const numbers = bodyNumbers(body);
  const targets = targetsOf(inputs);
  return { ...p, inputs, body: numbers, targets, ...partsOf(inputs, numbers), bare, known: [] };
}

/** Measures that a target moves with, for some sitters and methods. */
const MOVING_TARGETS: readonly DimensionId[] = [
  'buttockPoplitealLength',
  'threeFingerBreadth',
  'fourFingerBreadth',
];

/**
 * The same with one measure a little off, for asking conditions only: heights do not follow a nudged body mass, and
 * the inputs stay as they were.
 */
export function nudged(p: Problem, id: DimensionId, by: number): Problem {
  const body = { ...p.body, [id]: p.body[id] + by };
  const quantity = p.inputs.body[id];
  const targets =
    quantity && MOVING_TARGETS.includes(id)
      ? targetsOf({ ...p.inputs, body: { ...p.inputs.body, [id]: { ...quantity, value: body[id] } } })
      : p.targets;
  return { ...p, body, targets, ...partsOf(p.inputs, body), known: [] };
}

const flattestOf = (variable: Variable | undefined): number =>
  variable ? variable.line.zero + variable.line.perUnit * variable.values[0]! : Infinity;

/** What a value of an adjustment comes to in mm or degrees; NaN where the seat has no such adjustment. */
export function meaning(p: Problem, v: SetValues, kind: AdjustmentKind): number {
  const line = p.variables[kind]?.line;
  return line ? line.zero + line.perUnit * v[kind] : NaN;
}
