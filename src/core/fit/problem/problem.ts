import type { DimensionId } from '../../body';
import type { Target } from '../../target';
import type { ConditionId } from '../conditions';
import {
  ADJUSTMENT_KIND_IDS,
  type Adjustment,
  type AdjustmentKind,
  type Line,
  type SeatNumbers,
} from '../../seat';
import type { Carried } from './carried';
import type { Leaning } from './leaning';
import { sizeInUse, type FitInputs, type RemedySettings } from './inputs';

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
  /** Lumbar support depth at its flattest, mm: what the seat depth is measured from. */
  readonly flattestMm: number;
  /** How large hip and knee are against an adult's; 1 for adults. */
  readonly adultShare: number;
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

/**
 * No adjustment set; of the remedies what is read as a value of its own.
 * @returns fresh ones, NaN for every adjustment. Definition.
 */
export function emptyValues(remedies: RemedySettings): SetValues {
  const values = { ...NOTHING };
  values.footrestMm = sizeInUse(remedies, 'footrestMm');
  values.backCushionMm = sizeInUse(remedies, 'backCushionMm');
  return values;
}

/**
 * What a value of an adjustment comes to in mm or degrees; NaN where the seat has no such adjustment.
 * @param value in the adjustment’s unit
 * @returns mm or degrees, by the kind. Definition.
 */
export const meant = (variable: Variable | undefined, value: number): number =>
  variable ? variable.line.zero + variable.line.perUnit * value : NaN;

/**
 * The same as set.
 * @returns mm or degrees, by the kind. Definition.
 */
export const meaning = (p: Problem, v: SetValues, kind: AdjustmentKind): number =>
  meant(p.variables[kind], v[kind]);
