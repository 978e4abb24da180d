/** Inputs made ready to compute with. */
import { DIMENSION_IDS, type Body, type DimensionId } from '../../body';
import { ANKLE_FRACTION, FOREARM_BREADTH_MM, FOREARM_FRACTION, HAND_FRACTION } from '../../posture';
import {
  ABOVE_SEAT_KINDS,
  ADJUSTMENT_KIND_IDS,
  adjustmentOf,
  heightShift,
  kindNumber,
  meaningLine,
  seatNumbers,
  uncalculated,
  valuesOf,
  type Adjustment,
  type AdjustmentKind,
  type SeatClass,
  type SeatModel,
} from '../../seat';
import type { Target } from '../../target';
import { cosDeg } from '../../units';
import { carriedOf } from '../problem/carried';
import { adultShareOf, type FitInputs } from '../problem/inputs';
import { leaningOf } from '../problem/leaning';
import type { BodyNumbers, Problem, Variable } from '../problem/problem';
import { middleOfAim, targetsFor, targetsOf } from './targets';

const PUSHES = ['lumbarDepth', 'upperLumbar', 'lowerLumbar', 'backReach'] as const;

/** How far forward a shank stands with the feet on pedals: a knee of 120° on a level thigh (assumed). */
const SHANK_AT_PEDALS_DEG = 30;

/** Adjustments whose values do not follow the body: the same for everybody who sits there. */
const unshifted = new WeakMap<Adjustment, Variable>();

type Shift = ReturnType<typeof heightShift>;

/** By how much the values of an adjustment are shifted under a body, mm. */
function shiftOf(kind: AdjustmentKind, { ofSeat, aboveSeat }: Shift, hasBackHeight: boolean): number {
  if (kind === 'seatHeight') return ofSeat;
  return ABOVE_SEAT_KINDS.includes(kind) && !(kind === 'lumbarApex' && hasBackHeight) ? aboveSeat : 0;
}

function variableOf(adjustment: Adjustment, shiftMm: number): Variable {
  if (shiftMm !== 0) return shiftedBy(adjustment, shiftMm);
  let known = unshifted.get(adjustment);
  if (!known) unshifted.set(adjustment, (known = shiftedBy(adjustment, 0)));
  return known;
}

function shiftedBy(adjustment: Adjustment, shiftMm: number): Variable {
  const values = valuesOf(adjustment);
  for (let i = 0; i < values.length; i++) values[i] = Math.round((values[i]! + shiftMm) * 1000) / 1000;
  return { kind: adjustment.kind, adjustment, values, shiftMm, line: meaningLine(adjustment) };
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

/** Thousands of bodies are drawn: copied and filled it is much faster than put together name by name. */
const UNMEASURED = Object.fromEntries(DIMENSION_IDS.map((id) => [id, NaN])) as Record<DimensionId, number>;

/** A body's measures as numbers, once for all the seats that are tried for it. */
const numbersOf = new WeakMap<Body, BodyNumbers>();

function bodyNumbers(body: Body): BodyNumbers {
  const known = numbersOf.get(body);
  if (known) return known;
  const numbers = { ...UNMEASURED };
  for (const id of DIMENSION_IDS) numbers[id] = body[id]?.value ?? NaN;
  numbersOf.set(body, numbers);
  return numbers;
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

const isTurned = (variable: Variable | undefined): boolean => variable?.values.some((v) => v !== 0) ?? false;

/** Every adjustment of seat and place that is calculated, by kind and by the number of its kind. */
function variablesOf(
  { seat, place }: FitInputs,
  carried: Problem['carried'],
  shift: Shift,
): Pick<Problem, 'variables' | 'byNumber'> {
  const hasBackHeight = adjustmentOf(seat.adjustments, 'backHeight') !== null;
  const variables: Partial<Record<AdjustmentKind, Variable>> = {};
  const byNumber = new Array<Variable | undefined>(ADJUSTMENT_KIND_IDS.length).fill(undefined);
  const isAdrift = ({ kind, holds }: Adjustment): boolean =>
    holds.how === 'follows' && !carried.some((one) => one.kind === kind);
  for (const adjustment of [...seat.adjustments, ...(place?.adjustments ?? [])]) {
    const number = kindNumber(adjustment.kind);
    if (byNumber[number] || uncalculated(adjustment) || isAdrift(adjustment)) continue;
    const shiftMm = shiftOf(adjustment.kind, shift, hasBackHeight);
    byNumber[number] = variables[adjustment.kind] = variableOf(adjustment, shiftMm);
  }
  return { variables, byNumber };
}

/** Kinds whose values are shifted. */
const SHIFTED: readonly AdjustmentKind[] = ['seatHeight', ...ABOVE_SEAT_KINDS];

/** The same for a body under which heights are shifted otherwise; nothing else follows the body. */
function shiftedAnew(p: Problem, shift: Shift): Pick<Problem, 'variables' | 'byNumber'> {
  const hasBackHeight = adjustmentOf(p.inputs.seat.adjustments, 'backHeight') !== null;
  const variables = { ...p.variables };
  const byNumber = p.byNumber.slice();
  let isMoved = false;
  for (const kind of SHIFTED) {
    const number = kindNumber(kind);
    const known = byNumber[number];
    if (!known) continue;
    const by = shiftOf(kind, shift, hasBackHeight);
    if (by === known.shiftMm) continue;
    isMoved = true;
    byNumber[number] = variables[kind] = variableOf(known.adjustment, by);
  }
  return isMoved ? { variables, byNumber } : p;
}

/**
 * A case as the search and the verdicts need it. The inputs must be free of doubts (`caseDoubts`).
 * @param rollMm of a roll at the small of the back
 * @returns everything that does not change with the settings, worked out once. Definition.
 * @example
 * Object.keys(problemOf(inputs).variables).length // => 5
 */
export function problemOf(inputs: FitInputs, rollMm = 0): Problem {
  const { seat, body } = inputs;
  const shift = heightShift(seat, body.bodyMass?.value ?? null);
  const carried = carriedOf(seat);
  const { variables, byNumber } = variablesOf(inputs, carried, shift);
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
    adultShare: adultShareOf(inputs),
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

function forBody(p: Problem, body: Body, numbers: BodyNumbers): Problem {
  const inputs = { ...p.inputs, body };
  const bare = p.bare && { ...p.bare, problem: forBody(p.bare.problem, body, numbers) };
  const isAsHeavy = Object.is(numbers.bodyMass, p.body.bodyMass);
  const { variables, byNumber } = isAsHeavy
    ? p
    : shiftedAnew(p, heightShift(p.inputs.seat, body.bodyMass?.value ?? null));
  const targets = targetsFor(p.targets, inputs);
  const parts = partsOf(inputs, numbers);
  return { ...p, inputs, body: numbers, variables, byNumber, targets, ...parts, bare, known: [] };
}

/**
 * The same seat, place and method for another body: what does not follow the body is taken over.
 * @param body with the same measures as the problem's own, at other values
 * @returns a new problem. Definition.
 */
export const withBody = (p: Problem, body: Body): Problem => forBody(p, body, bodyNumbers(body));

/**
 * The same for a body of which some measures are off.
 * @param ids of measures that the problem's own body has
 * @param off by how much, mm or kg, in the order of `ids`
 * @param from where in `off` that begins, from 0
 * @returns a new problem. Definition.
 */
export function offBy(p: Problem, ids: readonly DimensionId[], off: Float64Array, from = 0): Problem {
  const body: Partial<Record<DimensionId, Body[DimensionId]>> = { ...p.inputs.body };
  const numbers = { ...p.body };
  for (let i = 0; i < ids.length; i++) {
    const id = ids[i]!;
    const quantity = p.inputs.body[id]!;
    const value = quantity.value + off[from + i]!;
    body[id] = { ...quantity, value };
    numbers[id] = value;
  }
  return forBody(p, body, numbers);
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
 * @param by how far the measure is off, mm or kg
 * @returns a new problem; `p` stays as it is. Definition.
 */
export function nudged(p: Problem, id: DimensionId, by: number): Problem {
  const body = { ...p.body, [id]: p.body[id] + by };
  const quantity = p.inputs.body[id];
  const targets =
    quantity && MOVING_TARGETS.includes(id)
      ? targetsFor(p.targets, {
          ...p.inputs,
          body: { ...p.inputs.body, [id]: { ...quantity, value: body[id] } },
        })
      : p.targets;
  return { ...p, body, targets, ...partsOf(p.inputs, body), known: [] };
}

const flattestOf = (variable: Variable | undefined): number =>
  variable ? variable.line.zero + variable.line.perUnit * variable.values[0]! : Infinity;
