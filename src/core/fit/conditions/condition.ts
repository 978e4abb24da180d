/** What a condition is, and the parts that the tables of conditions are written with. */
import type { DimensionId } from '../../body';
import { assumed, practice, type Interval, type Target } from '../../target';
import type { ConditionId } from './index';
import type { LeftUnused } from '../cost/curve';
import type { Place } from '../../place';
import { countOf, kindNumber, type AdjustmentKind } from '../../seat';
import type { Extents } from '../geometry/extents';
import type { Leg } from '../geometry/on-seat';
import type { RemedyId } from '../problem/inputs';
import type { Problem, SetValues } from '../problem/problem';
import type { Side, Step, Values } from './saying';

/** Two solids that must not meet, mm apart; and what is comfortable above that. */
export const CONTACT = assumed({ bandLo: 0, aimLo: 5, weight: 20 });
export const COMFORT = practice({ bandLo: 10, aimLo: 20, weight: 1 });

/** What the trade has against a shortfall; of what can also be made lower or shorter that by a name of its own. */
export type CureKey = RemedyId | 'columnMm.less' | 'deskMm.less';

/** A condition as its table states it: one residual of the set seat, and everything that is to be known of it. */
export interface ConditionRow {
  readonly id: string;
  /** What the residual is counted in; `own`: as the adjustment is. */
  readonly unit: 'mm' | 'deg' | 'own';
  /** What holds of every method that does not say otherwise; null: each method says its own. */
  readonly target: Target | null;
  /** What may close it where it is too much, and where it is too little. */
  readonly cures?:
    | { readonly more?: readonly CureKey[] | undefined; readonly less?: readonly CureKey[] | undefined }
    | undefined;
  /** The adjustments on whose tracks it is shown; the first that the seat has answers for it. */
  readonly owners: (p: Problem) => readonly AdjustmentKind[];
  /** Everything its residual depends on; absent adjustments do not count. */
  readonly scope: readonly AdjustmentKind[];
  /** The same on a seat whose pan stays level and in one piece: there how far forward one sits moves no height. */
  readonly levelScope?: readonly AdjustmentKind[] | undefined;
  /** Whether this seat and place have what it speaks of. */
  readonly applies: (p: Problem) => boolean;
  /** The measures it reads; one that it can do without only where it is known. */
  readonly needs: (p: Problem) => readonly DimensionId[];
  /** Two solid things that must not meet: outside its band they do, and nothing beside that is worth naming. */
  readonly isSolid?: true | undefined;
  /** Never on an estimate: where a guess could hurt. */
  readonly onlyMeasured?: true | undefined;
  /** @param leg how the leg stands, where that is known already */
  readonly residual: (p: Problem, v: SetValues, leg?: Leg) => number;
  /** What of the residual the seat itself may take up, so that only more than that is felt. */
  readonly forgiving?: Forgiving | undefined;
  /**
   * Either of two is enough: the residual is the greater of theirs, and nothing is ever wrong above. Each with what it
   * depends on.
   */
  readonly either?: readonly Alternative[] | undefined;
  /** The one quantity through which it depends on the stance; it never falls while an adjustment of the stance rises. */
  readonly through?: ((p: Problem, v: SetValues) => number) | undefined;
  /** What it stands for may also be left unused, at a cost. */
  readonly unused?: LeftUnused | undefined;
  /** Below this the seat is refused, in its unit: nothing else is dear enough to go there. */
  readonly refusedBelow?: number | undefined;
  /** Between which ends it lies while adjustments range over a span; absent: nobody tells before all stand still. */
  readonly extent?: ((x: Extents) => Interval) | undefined;
  /**
   * Whether it only rises, or only falls, while one adjustment goes from where it stands to `to`; absent: with each
   * adjustment that is chosen after the stance it does.
   */
  readonly isOneWay?: ((p: Problem, v: SetValues, kind: AdjustmentKind, to: number) => boolean) | undefined;
  /**
   * How the residual follows an owner's value: by as much (1), against it (−1), by an inverse of its own, or
   * not shown on the track (null).
   */
  readonly onTrack: Following | ((kind: AdjustmentKind) => Following);
  /** Whether it follows exactly so, at every value. */
  readonly isStraight?: true | undefined;
  /** The numbers that go into its sentence, `reason.<id>.<side>`. */
  readonly says: (p: Problem, v: SetValues, o: { readonly residual: number }) => Values;
  /** Which of several wordings of that sentence, as the end of its key. */
  readonly variant?: ((p: Problem, v: SetValues, side: Side) => string) | undefined;
  /** The steps from measures to what it wants; absent: they are those of another condition on its track. */
  readonly steps?: Step | undefined;
}

/** A residual before something of it is taken up, and how much may be: what lies above the aim costs only beyond that. */
export interface Forgiving {
  /** Whether there is anything that takes it up. */
  readonly applies: (p: Problem) => boolean;
  readonly bare: (p: Problem, v: SetValues, leg?: Leg) => number;
  readonly by: (p: Problem, v: SetValues, leg?: Leg) => number;
  /** Between which ends the bare one lies, and the most that is taken up, over a span. */
  readonly extent: (x: Extents) => Interval;
  readonly most: (x: Extents) => number;
}

/** One of two ways of meeting a condition. */
export interface Alternative {
  readonly scope: readonly AdjustmentKind[];
  readonly residual: (p: Problem, v: SetValues) => number;
  /** At most so much over a span; absent: nobody tells before all stand still. */
  readonly most?: ((x: Extents) => number) | undefined;
}

/**
 * A row with its name known to the compiler.
 * @returns the row itself. Definition.
 */
export const condition = <const Id extends string>(
  row: ConditionRow & { readonly id: Id },
): ConditionRow & { readonly id: Id } => row;

/** A condition made ready. */
export interface Condition extends ConditionRow {
  readonly id: ConditionId;
  /** Whether it depends on how the legs stand. */
  readonly onLegs: boolean;
  /** Whether it depends on the height of a desk. */
  readonly onDesk: boolean;
}

/** 1, −1, null, or the owner's value at which the residual would be what is asked for. */
export type Following = 1 | -1 | null | Inverse;
export interface Inverse {
  readonly valueAt: (p: Problem, v: SetValues, residual: number) => number;
}

/**
 * How a residual follows an adjustment.
 * @returns 1 or −1 where it goes up or down by as much; null where it is not shown on the track. Definition.
 */
export const followingOf = (c: ConditionRow, kind: AdjustmentKind): Following =>
  typeof c.onTrack === 'function' ? c.onTrack(kind) : c.onTrack;

/**
 * Follows through what the owner's count comes to: residual = `sign` (meaning − `zero`).
 * @param zero what the meaning is less where the residual is 0, in the residual’s unit
 * @returns the way from a residual back to the adjustment’s value. Definition.
 */
export const inverseOf = (
  kind: AdjustmentKind,
  zero: (p: Problem, v: SetValues) => number,
  sign: 1 | -1 = 1,
): Inverse => ({
  valueAt: (p, v, residual) => {
    const variable = p.variables[kind];
    return variable ? countOf(variable.adjustment, zero(p, v) + sign * residual) : NaN;
  },
});

/**
 * Asked of every problem by many conditions: by number, which is found much faster than by name.
 * @returns a test of a problem: whether the seat or the place has all of them. Definition.
 */
export const has = (...kinds: readonly AdjustmentKind[]): ((p: Problem) => boolean) => {
  const numbers = kinds.map(kindNumber);
  return ({ byNumber }) => {
    for (let i = 0; i < numbers.length; i++) if (byNumber[numbers[i]!]) return true;
    return false;
  };
};
/**
 * Joins tests of a problem.
 * @returns a test that holds where all hold. Definition.
 */
export const both =
  (...tests: readonly ((p: Problem) => boolean)[]) =>
  (p: Problem): boolean =>
    tests.every((test) => test(p));
/**
 * Whether the place says something.
 * @returns a test of a problem; false where there is no place. Definition.
 */
export const placeHas = (key: keyof Place) => (p: Problem) => p.inputs.place?.[key] !== undefined;
/**
 * Those of the named kinds that this seat has, the ones that can be moved first.
 * @returns the kinds in the order named. Definition.
 */
export const owned = (...kinds: readonly AdjustmentKind[]): ((p: Problem) => readonly AdjustmentKind[]) => {
  const numbers = kinds.map(kindNumber);
  return ({ byNumber }) => {
    const [movable, fixed]: AdjustmentKind[][] = [[], []];
    for (let i = 0; i < numbers.length; i++) {
      const variable = byNumber[numbers[i]!];
      if (variable) (variable.values.length > 1 ? movable : fixed)!.push(variable.kind);
    }
    return fixed!.length > 0 ? movable!.concat(fixed!) : movable!;
  };
};

export const TRUNK: readonly AdjustmentKind[] = ['backAngle', 'chairAngle'];
const LUMBAR: readonly AdjustmentKind[] = ['lumbarDepth', 'upperLumbar', 'lowerLumbar'];
export const PUSH: readonly AdjustmentKind[] = [...LUMBAR, 'backReach'];
/** Everything that turns the pan or the trunk. */
export const LEANS: readonly AdjustmentKind[] = ['seatAngle', 'forwardTilt', ...TRUNK];
/** What the seated heights stand on. */
export const SITS: readonly AdjustmentKind[] = ['seatHeight', ...LEANS, ...PUSH];
export const FEET: readonly AdjustmentKind[] = [...SITS, 'frontSlope', 'footRing', 'footrest'];
export const LEVEL_FEET: readonly AdjustmentKind[] = ['seatHeight', 'footRing', 'footrest'];
export const LEVEL_SITS: readonly AdjustmentKind[] = ['seatHeight', ...TRUNK];
export const ELBOW: readonly DimensionId[] = ['elbowHeightSitting', 'shoulderHeightSitting'];

/**
 * What the posture of the leg is calculated from.
 * @returns dimensions that must be known. Definition.
 */
export const legNeeds = (p: Problem): DimensionId[] => [
  'poplitealHeight',
  'shoeHeel',
  ...(p.panTilts || p.hasSlope ? (['buttockPoplitealLength'] as const) : []),
  ...(p.shankAtDeg !== 0 ? (['stature'] as const) : []),
];
/**
 * What the thigh’s place under a desk is calculated from.
 * @returns dimensions that must be known. Definition.
 */
export const thighNeeds = (): readonly DimensionId[] => [
  'poplitealHeight',
  'shoeHeel',
  'buttockPoplitealLength',
  'stature',
];
/**
 * Whether the trunk can lean on this seat.
 * @returns true also where the whole chair tips. Definition.
 */
export const leans = (p: Problem): boolean => p.trunkLeans;
/**
 * What the height of the elbow is calculated from.
 * @returns dimensions that must be known. Definition.
 */
export const elbowNeeds = (p: Problem): readonly DimensionId[] => (leans(p) ? ELBOW : ['elbowHeightSitting']);
/**
 * What the reach to the desk is calculated from.
 * @returns dimensions that must be known. Definition.
 */
export const gripNeeds = (p: Problem): readonly DimensionId[] => [
  ...ELBOW,
  Number.isNaN(p.body.elbowGripLength) ? 'stature' : 'elbowGripLength',
];
/**
 * What the head’s place at its rest is calculated from.
 * @returns dimensions that must be known. Definition.
 */
export const headNeeds = (p: Problem): readonly DimensionId[] => [
  'napeHeight',
  Number.isNaN(p.body.cervicaleHeightSitting) ? 'shoulderHeightSitting' : 'cervicaleHeightSitting',
];
