/** How sure each residual is: what the spreads of measures and of the seat's own values come to in it. */
import { spreadInUse, type DimensionId } from '../../body';
import { aimOf, bandOf, type Target } from '../../target';
import { CONDITION_UNITS, type ConditionId, computable, scopeOf, type Condition } from '../conditions';
import { isEstimate } from '../../quantity';
import { looseness, positionCount, type AdjustmentKind } from '../../seat';
import { clearAtSpread, elbowMm, elbowOnPadMm } from '../geometry/arms';
import { eyeMm, napeAlongBackMm, restDegOf } from '../geometry/head';
import { bareGapMm, hollowFromRearMm, orZero } from '../geometry/on-seat';
import { carry, put, withLeaders } from '../problem/carried';
import { oncePer } from '../problem/once';
import { nudged } from '../case/problem-of';
import { emptyValues, type Problem, type SetValues } from '../problem/problem';

/** A residual is never surer than this: mm, degrees. Counts know no less. */
const LEAST_SD = { mm: 2, deg: 0.5, own: 0 } as const;
/** The pan holds the thigh: it is as sure as the pan's own angle, degrees. */
const THIGH_SD_DEG = 1;
/** Plain lengths of a seat that were described, and a tilt axis that nobody described, mm. */
const PLAIN_SD_MM = 3;
const AXIS_UNKNOWN_SD_MM = 30;
/** How far a value is moved to see what follows, mm or kg. */
const NUDGE = 1;

type Plain = 'axisFromRearMm' | 'recessMm' | 'padWidthMm' | 'padLengthMm' | 'padFrontMm';
/** Which plain lengths of the seat what an adjustment moves hangs on. */
const PLAIN: readonly (readonly [AdjustmentKind, readonly Plain[]])[] = [
  ['seatAngle', ['axisFromRearMm', 'recessMm']],
  ['seatDepth', ['recessMm']],
  ['armWidth', ['padWidthMm']],
  ['armDepth', ['padLengthMm', 'padFrontMm']],
];
/** Likewise of the place: everything that lies on a desk or hangs under it. */
const PLAIN_OF_PLACE = ['deskThicknessMm', 'keyboardThicknessMm', 'drawerMm', 'apronMm'] as const;

const PLAIN_IN = new WeakMap<Condition['scope'], readonly Plain[]>();

function plainOf({ scope }: Condition): readonly Plain[] {
  let found = PLAIN_IN.get(scope);
  if (!found) {
    found = PLAIN.flatMap(([kind, keys]) => (scope.includes(kind) ? keys : []));
    PLAIN_IN.set(scope, found);
  }
  return found;
}

const middleOf = (target: Target): number => {
  const [aim, band] = [aimOf(target), bandOf(target)];
  const [lo, hi] = [Number.isFinite(aim.lo) ? aim.lo : aim.hi, Number.isFinite(aim.hi) ? aim.hi : aim.lo];
  const middle = (lo + hi) / 2;
  return Number.isFinite(middle) ? middle : Number.isFinite(band.lo) ? band.lo : 0;
};

const nearest = (values: readonly number[], wanted: number): number =>
  values.reduce((best, v) => (Math.abs(v - wanted) < Math.abs(best - wanted) ? v : best), values[0]!);

/**
 * The reference setting of a case: every adjustment nearest its own aim, the thigh on the pan. Lengths stand exactly
 * where they are wanted, whether or not a position is there, so that what follows does not hang on the seat's steps.
 */
function referenceOf(p: Problem): SetValues {
  const v = emptyValues({});
  const put = (kind: AdjustmentKind, wanted: number): void => {
    if (p.variables[kind]) v[kind] = wanted;
  };
  const among = (kind: AdjustmentKind, wanted: number): void => {
    const values = p.variables[kind]?.values;
    if (values) v[kind] = nearest(values, wanted);
  };
  const middle = (id: ConditionId): number => middleOf(p.targets[id]);
  for (const variable of Object.values(p.variables))
    v[variable.kind] = nearest(variable.values, (variable.values[0]! + variable.values.at(-1)!) / 2);
  const { lo, hi } = aimOf(p.targets.thigh);
  among('seatAngle', Math.max(Number.isFinite(lo) ? lo : 0, Math.min(Number.isFinite(hi) ? hi : 0, 0)));
  for (const kind of ['forwardTilt', 'chairAngle', 'frontSlope', 'armAngle', 'backReach'] as const)
    among(kind, 0);
  among('backAngle', middle('backAngle') - orZero(v.chairAngle));
  among('footrest', 0);
  among('footRing', 0);
  // A hair too high, so that the thigh lies on the pan whatever is moved.
  put('seatHeight', v.seatHeight + 2 * NUDGE - bareGapMm(p, v));
  put('seatDepth', hollowFromRearMm(p, v) - middle('kneeRoom'));
  put('armWidth', Math.max(p.body.hipBreadthSitting + 20, clearAtSpread(p, 8)) - orZero(v.padSlide));
  put('armHeight', elbowOnPadMm(p, v) + middle('armHeight'));
  const keys = p.inputs.place?.keyboardThicknessMm ?? 0;
  put('deskHeight', elbowMm(p, v) - keys + middle('deskTop'));
  put('headHeight', napeAlongBackMm(p, v));
  put('headAngle', restDegOf(p, v));
  put('screenHeight', eyeMm(p, v) - 0.3 * (p.inputs.place?.screenDistanceMm ?? 0));
  return carry(p, v);
}

/** The same problem with one plain length of the seat a little more. */
const withPlain = (p: Problem, key: Plain): Problem => ({
  ...p,
  seat: { ...p.seat, [key]: p.seat[key] + NUDGE },
  known: [],
});

const withPlainPlace = (p: Problem, key: (typeof PLAIN_OF_PLACE)[number]): Problem => {
  const { place } = p.inputs;
  if (!place) return p;
  const there = { ...place, [key]: (place[key] ?? 0) + NUDGE };
  return { ...p, inputs: { ...p.inputs, place: there }, known: [] };
};

const plainSd = (p: Problem, key: Plain): number =>
  key === 'axisFromRearMm' && p.inputs.seat.pan.axisFromRearMm === null ? AXIS_UNKNOWN_SD_MM : PLAIN_SD_MM;

/**
 * How the errors of two estimates hang together: of somebody of whom stature and mass are known, as the factors of
 * `core/population` have it. What was read errs by itself.
 */
export const ESTIMATES_TOGETHER: readonly (readonly [DimensionId, DimensionId, number])[] = [
  ['elbowHeightSitting', 'shoulderHeightSitting', 0.57],
  ['napeHeight', 'cervicaleHeightSitting', 0.75],
  ['napeHeight', 'shoulderHeightSitting', 0.69],
  ['eyeHeightSitting', 'cervicaleHeightSitting', 0.79],
  ['eyeHeightSitting', 'shoulderHeightSitting', 0.73],
  ['elbowHeightSitting', 'elbowGripLength', -0.27],
  ['shoulderHeightSitting', 'elbowGripLength', -0.28],
  ['poplitealHeight', 'buttockPoplitealLength', 0.35],
  ['poplitealHeight', 'kneeHeight', 0.58],
  ['buttockPoplitealLength', 'kneeHeight', 0.36],
];

/** What is taken up makes nothing surer. */
const bareOf = (c: Condition): Condition['residual'] => c.forgiving?.bare ?? c.residual;

/** The reference setting with one adjustment off by its looseness; 0: it stands exactly. */
interface Loosened {
  readonly spread: number;
  readonly v: SetValues;
}

/** Everything that is not known exactly, each with the residuals' square that it comes to. */
class Doubts {
  private readonly v: SetValues;
  private readonly nudgedBy = new Map<DimensionId, Problem>();
  private readonly loosenedBy = new Map<AdjustmentKind, Loosened>();
  private readonly plainBy = new Map<Plain, Problem>();

  /** Of those that err together the ones that are estimates of this sitter. */
  private readonly together: typeof ESTIMATES_TOGETHER;

  constructor(private readonly p: Problem) {
    this.v = referenceOf(p);
    const { body } = p.inputs;
    this.together = ESTIMATES_TOGETHER.filter(([a, b]) => isEstimate(body[a]) && isEstimate(body[b]));
  }

  private more(id: DimensionId): Problem {
    let made = this.nudgedBy.get(id);
    if (!made) this.nudgedBy.set(id, (made = nudged(this.p, id, NUDGE)));
    return made;
  }

  /** One adjustment by its own looseness further, and what it carries along. */
  private loosened(kind: AdjustmentKind): Loosened {
    let made = this.loosenedBy.get(kind);
    if (made) return made;
    const adjustment = this.p.variables[kind]?.adjustment;
    const spread = adjustment ? looseness(adjustment, Math.floor(positionCount(adjustment) / 2)) : 0;
    made = { spread, v: this.v };
    if (spread > 0) {
      made = { spread, v: { ...this.v } };
      put(this.p, made.v, kind, this.v[kind] + spread);
    }
    this.loosenedBy.set(kind, made);
    return made;
  }

  private longer(key: Plain): Problem {
    let made = this.plainBy.get(key);
    if (!made) this.plainBy.set(key, (made = withPlain(this.p, key)));
    return made;
  }

  /** What the measures come to together: readings err by themselves, estimates with each other. */
  private ofMeasures(c: Condition, here: number): number {
    const { p, v } = this;
    const { body } = p.inputs;
    const parts = new Map<DimensionId, number>();
    const residual = bareOf(c);
    for (const id of c.needs(p)) {
      const quantity = body[id];
      const spread = quantity ? spreadInUse(id, quantity.spread) : 0;
      const by = spread > 0 ? ((residual(this.more(id), v) - here) / NUDGE) * spread : 0;
      if (Number.isFinite(by) && by !== 0) parts.set(id, by);
    }
    let square = 0;
    for (const by of parts.values()) square += by * by;
    for (const [one, other, r] of this.together)
      square += 2 * r * (parts.get(one) ?? 0) * (parts.get(other) ?? 0);
    return Math.max(0, square);
  }

  of(c: Condition): number {
    const { p, v } = this;
    const residual = bareOf(c);
    const here = residual(p, v);
    let square = 0;
    const add = (slope: number, spread: number): void => {
      if (Number.isFinite(slope)) square += (slope * spread) ** 2;
    };
    square += this.ofMeasures(c, here);
    const owners = c.owners(p);
    for (const kind of withLeaders(p, scopeOf(p, c))) {
      const { spread, v: there } = this.loosened(kind);
      // What is only switched by an angle does not follow it.
      if (spread === 0 || (CONDITION_UNITS[c.id] === 'own' && !owners.includes(kind))) continue;
      add((residual(p, there) - here) / spread, spread);
    }
    for (const key of plainOf(c))
      if (Number.isFinite(p.seat[key])) add((residual(this.longer(key), v) - here) / NUDGE, plainSd(p, key));
    if (c.onDesk)
      for (const key of PLAIN_OF_PLACE)
        if (p.inputs.place?.[key]) add((residual(withPlainPlace(p, key), v) - here) / NUDGE, PLAIN_SD_MM);
    return Math.sqrt(square);
  }
}

/** To so much residuals' deviations are told, in parts of their unit: cases that differ by less share their curves. */
const PARTS = 100;

function sdsOf(p: Problem): Readonly<Partial<Record<ConditionId, number>>> {
  const doubts = new Doubts(p);
  const sds: Partial<Record<ConditionId, number>> = {};
  for (const c of computable(p)) {
    const sd = c.id === 'thigh' ? THIGH_SD_DEG : doubts.of(c);
    sds[c.id] =
      Math.round(PARTS * Math.max(LEAST_SD[CONDITION_UNITS[c.id]], Number.isFinite(sd) ? sd : 0)) / PARTS;
  }
  return sds;
}

/**
 * The deviation of every residual that can be computed, in its unit, worked out at the reference setting.
 * @returns by condition, 0 or more. Definition (propagation of errors).
 */
export const residualSds = oncePer(sdsOf);
