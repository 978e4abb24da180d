/**
 * The choice of the best setting written as a mixed-integer linear programme, for comparison with a general solver.
 *
 * Taken as given are how far the lumbar and the back stand out and how wide the arms stand. What feet and trunk hang on
 * together (seat height, footrest, and every angle that turns pan or trunk) is one binary for each combination, so that
 * everything that is not straight (sines, the rise of a thigh) is a constant of it. Other lengths are integers that
 * count positions, the rest one binary a position. The cost of each residual is the upper edge of straight lines that
 * touch its curve. Straightened is only the angle to a screen. The positions found are judged by the core.
 */
import { bandOf } from '../../src/core/target';
import { type ConditionId, judgesOf, type Problem, type Settings } from '../../src/core/fit';
import { computable } from '../../src/core/fit/conditions';
import type { Curve } from '../../src/core/fit/cost/curve';
import { leversOf } from '../../src/core/fit/cost/judge';
import { footrestCost } from '../../src/core/fit/cost/levers';
import {
  clearMm,
  elbowAboveSeatMm,
  elbowHalfMm,
  padFrontMm,
  shoulderPoint,
  spreadDeg,
} from '../../src/core/fit/geometry/arms';
import { datumMm, hollowFromRearMm, legTopsMm } from '../../src/core/fit/geometry/on-seat';
import {
  eyeMm,
  napeAlongBackMm,
  napeBeforeBackMm,
  napeBeforeUprightMm,
  restDegOf,
} from '../../src/core/fit/geometry/head';
import { underDeskMm } from '../../src/core/fit/geometry/at-place';
import type { SetValues } from '../../src/core/fit/problem/problem';
import { valuesOfSettings } from '../../src/core/fit/search/solve';
import { balancedTension, wantedLock, wantedLumbarDepthMm } from '../../src/core/fit/conditions/wanted';
import { overLegs } from '../../src/core/place';
import { padTurnDeg } from '../../src/core/posture';
import type { AdjustmentKind } from '../../src/core/seat';
import { mayBeSet } from './enumeration';
import { Programme, column, fixed, minus, plus, times, type Linear } from './programme';
import { sinDeg, tanDeg } from '../../src/core/units';

/** More than any height, gap or angle; and than any cost, in points. */
const BIG = 4000;
const DEAR = 1e6;
/** By so much a curve lies above its lines at most, points; and how far apart its slope is told. */
const BETWEEN_LINES = 0.03;
const STEP = 1e-4;
const LEAST_BEND = 1e-9;
const TOGETHER: readonly AdjustmentKind[] = [
  'seatAngle',
  'chairAngle',
  'backAngle',
  'footrest',
  'seatHeight',
];
export interface Formulation {
  /** In the LP file format. */
  readonly text: string;
  readonly positionsOf: (primal: (name: string) => number) => Settings['positions'];
}

/** One combination of what feet and trunk hang on together. */
interface Pose {
  readonly column: string;
  readonly at: Partial<Record<AdjustmentKind, number>>;
  readonly values: SetValues;
}

/** @param given settings of which only how far lumbar and back stand out and how wide the arms stand is taken */
export function formulate(p: Problem, given: Settings): Formulation {
  if (p.hasSlope || p.variables.footRing || p.inputs.place?.pedals)
    throw new Error('not of this kind of seat');
  const lp = new Programme();
  const base = valuesOfSettings(p, given);
  const before: readonly AdjustmentKind[] = [
    'lumbarDepth',
    'upperLumbar',
    'lowerLumbar',
    'backReach',
    'armWidth',
    'padSlide',
    'forwardTilt',
    'backProfile',
    'climate',
  ];
  const readers: ((primal: (name: string) => number) => readonly [AdjustmentKind, number])[] = [];
  const isGiven = (kind: AdjustmentKind) => before.includes(kind) || p.variables[kind]?.values.length === 1;

  const poses = posesOf();
  /** A constant of each pose. */
  const byPose = (of: (v: SetValues) => number): Linear =>
    plus(...poses.map((s) => column(s.column, of(s.values))));
  const known = new Map<AdjustmentKind, Linear>();
  const value = (kind: AdjustmentKind): Linear => {
    const found = known.get(kind) ?? makeValue(kind);
    known.set(kind, found);
    return found;
  };

  function posesOf(): Pose[] {
    let all: { at: Pose['at']; values: SetValues }[] = [{ at: {}, values: base }];
    for (const kind of TOGETHER) {
      const values = p.variables[kind]?.values;
      if (!values || isGiven(kind)) continue;
      all = all.flatMap((s) =>
        values.flatMap((x, i) =>
          mayBeSet(p, p.variables[kind]!, i)
            ? [{ at: { ...s.at, [kind]: i }, values: { ...s.values, [kind]: x } }]
            : [],
        ),
      );
    }
    const names = lp.oneOf('pose', all.length);
    return all.map((s, i) => ({ ...s, column: names[i]! }));
  }

  function makeValue(kind: AdjustmentKind): Linear {
    const { values } = p.variables[kind]!;
    if (isGiven(kind)) {
      readers.push(() => [kind, given.positions[kind] ?? 0]);
      return fixed(base[kind]);
    }
    if (TOGETHER.includes(kind)) {
      readers.push((primal) => [kind, poses.find((s) => primal(s.column) > 0.5)!.at[kind]!]);
      return byPose((v) => v[kind]);
    }
    const step = values[1]! - values[0]!;
    const isEven = values.every((x, i) => Math.abs(x - values[0]! - i * step) < 1e-9);
    if (isEven && values.length > 5) {
      readers.push((primal) => [kind, Math.round(primal(kind))]);
      leverOnSlide(kind, values);
      return plus(fixed(values[0]!), times(lp.integer(kind, values.length - 1), step));
    }
    const names = lp.oneOf(kind, values.length);
    readers.push((primal) => [kind, names.findIndex((n) => primal(n) > 0.5)]);
    lp.cost(plus(...names.map((n, i) => column(n, leverOf(kind, i)))));
    return plus(...names.map((n, i) => column(n, values[i])));
  }

  /** The value of a function of a listed adjustment. */
  function through(kind: AdjustmentKind, of: (x: number) => number): Linear {
    value(kind);
    const { values } = p.variables[kind]!;
    return isGiven(kind)
      ? fixed(of(base[kind]))
      : plus(...values.map((x, i) => column(`${kind}_${i}`, of(x))));
  }

  function leverOf(kind: AdjustmentKind, position: number): number {
    return leversOf(p).get(kind)![position]! / 1e6;
  }

  /** What a slide costs is straight on either side of where it rests. */
  function leverOnSlide(kind: AdjustmentKind, values: readonly number[]): void {
    const costs = values.map((_, i) => leverOf(kind, i));
    const last = values.length - 1;
    if (costs.every((c) => c === 0)) return;
    const cost = lp.between(`lever_${kind}`, 0, BIG);
    for (const at of [0, last - 1]) {
      const slope = costs[at + 1]! - costs[at]!;
      lp.atLeast(minus(cost, plus(fixed(costs[at]! - slope * at), column(kind, slope))));
    }
    lp.cost(cost);
  }

  const curves = new Map(judgesOf(p).map(({ condition, curve }) => [condition.id, curve]));
  let count = 0;

  /** Lines that touch a curve, over all residuals that matter: as close together as it bends. */
  function linesOf(curve: Curve, unit: 'mm' | 'deg' | 'own') {
    const reach = unit === 'mm' ? 400 : unit === 'deg' ? 60 : 40;
    const lineAt = (at: number) => {
      const slope = (curve.raw(at + STEP) - curve.raw(at - STEP)) / (2 * STEP);
      return { slope, at0: curve.raw(at) - slope * at };
    };
    let line = lineAt(-reach);
    const lines = [line];
    for (let at = -reach; at < reach;) {
      // The curve lies furthest above two lines where they meet.
      let step = reach / 10;
      let next = lineAt(at + step);
      const above = (): number => {
        const bend = next.slope - line.slope;
        const meet = bend < LEAST_BEND ? at : (line.at0 - next.at0) / bend;
        return curve.raw(meet) - (line.at0 + line.slope * meet);
      };
      while (above() > BETWEEN_LINES) next = lineAt(at + (step /= 2));
      at += step;
      line = next;
      lines.push(line);
    }
    return lines;
  }

  function judge(id: ConditionId, residual: Linear, unit: 'mm' | 'deg' | 'own'): void {
    const curve = curves.get(id)!;
    const n = count++;
    const cost = lp.between(`cost_${n}`, 0, DEAR);
    const isUnused = id === 'armHeight' ? lp.binary(`unused_${n}`) : null;
    const lines = curve.sd === 0 ? plainLines(id, unit) : linesOf(curve, unit);
    for (const { slope, at0 } of lines)
      lp.atLeast(
        plus(cost, times(residual, -slope), fixed(-at0), ...(isUnused ? [times(isUnused, DEAR)] : [])),
      );
    lp.cost(cost);
    if (!isUnused) return;
    // Left unused: a flat price, a little for each millimetre that they are too low, and the lifting side as ever.
    const other = lp.between(`other_${n}`, 0, DEAR);
    lp.atLeast(minus(plus(other, times(residual, 0.01)), plus(times(isUnused, 12 + DEAR), fixed(-DEAR))));
    lp.atLeast(minus(other, times(isUnused, 12)));
    for (const { slope, at0 } of lines.filter((l) => l.slope > 0))
      lp.atLeast(
        minus(plus(other, times(residual, -slope), fixed(-at0)), plus(times(isUnused, DEAR), fixed(-DEAR))),
      );
    lp.cost(other);
  }

  /** Of a curve without doubt its own pieces, drawn on. */
  function plainLines(id: ConditionId, unit: 'mm' | 'deg' | 'own') {
    const curve = curves.get(id)!;
    const { hardLo, bandLo, aimLo, aimHi, bandHi, hardHi } = p.targets[id];
    const corners = [hardLo, bandLo, aimLo, aimHi, bandHi, hardHi].filter((x) => x !== undefined);
    const step = unit === 'own' ? 1e-3 : 1e-2;
    return corners.flatMap((at) =>
      [-step, step].map((by) => {
        const slope = (curve.raw(at + 2 * by) - curve.raw(at + by)) / by;
        return { slope, at0: curve.raw(at + by) - slope * (at + by) };
      }),
    );
  }

  const { body, inputs } = p;
  const { place } = inputs;
  const has = (id: ConditionId) =>
    computable(p).some((c) => c.id === id) && !decided.some((c) => c.id === id);
  const datum = byPose((v) => datumMm(p, v));
  const elbowOver = (outDeg: number) => byPose((v) => elbowAboveSeatMm(p, v, outDeg));
  // Everything that the pose alone decides, as the core judges it.
  const decided = computable(p).filter((c) =>
    c.scope.every((kind) => TOGETHER.includes(kind) || !p.variables[kind] || isGiven(kind)),
  );
  lp.cost(
    byPose((v) => {
      let points = footrestCost(inputs.method.footrestPenalty, v.footrest || 0) / 1e6;
      for (const condition of decided) points += curves.get(condition.id)!.at(condition.residual(p, v)) / 1e6;
      for (const kind of Object.keys(p.variables) as AdjustmentKind[]) {
        if (!TOGETHER.includes(kind) && !isGiven(kind)) continue;
        const at = p.variables[kind]!.values.indexOf(v[kind]);
        if (kind !== 'footrest') points += leverOf(kind, Math.max(0, at));
      }
      return points;
    }),
  );
  if (has('kneeRoom')) judge('kneeRoom', minus(fixed(hollowFromRearMm(p, base)), value('seatDepth')), 'mm');

  const apex = plus(
    p.variables.lumbarApex ? value('lumbarApex') : fixed(0),
    p.variables.backHeight ? value('backHeight') : fixed(0),
  );
  if (has('lumbarHeight')) judge('lumbarHeight', minus(apex, fixed(body.smallOfBackHeight)), 'mm');
  if (has('lumbarByPractice')) judge('lumbarByPractice', apex, 'mm');
  if (has('lumbarDepth'))
    judge('lumbarDepth', fixed(meaningAt('lumbarDepth') - wantedLumbarDepthMm(p)), 'mm');
  if (has('tension')) judge('tension', minus(value('tiltTension'), fixed(balancedTension(p))), 'own');
  if (has('tiltLock'))
    judge(
      'tiltLock',
      minus(
        value('tiltLock'),
        byPose((v) => wantedLock(p, v)),
      ),
      'own',
    );
  if (has('tiltLimiter'))
    judge('tiltLimiter', minus(value('tiltLimiter'), fixed(bandOf(p.targets.backAngle).hi)), 'deg');

  const spread = spreadDeg(p, base);
  if (has('armSpread')) judge('armSpread', fixed(spread), 'deg');
  const armHeight = p.variables.armHeight ? value('armHeight') : fixed(NaN);
  const elbow = elbowOver(Math.max(0, Number.isNaN(spread) ? 0 : spread));
  if (has('armHeight')) judge('armHeight', minus(armHeight, elbow), 'mm');
  if (has('padContact')) {
    const over = minus(armHeight, fixed(30 + body.thighClearance));
    judge('padContact', moreOf(over, fixed(clearMm(base) - body.hipBreadthSitting)), 'mm');
  }
  if (has('padsLevel')) judge('padsLevel', minus(armHeight, padsAtDesk()), 'mm');
  if (has('armPivot'))
    judge(
      'armPivot',
      minus(value('armPivot'), fixed(padTurnDeg(elbowHalfMm(p, base), p.fingertipMm))),
      'deg',
    );
  if (p.variables.armDepth) {
    const front = plus(
      value('armDepth'),
      byPose((v) => padFrontMm(p, { ...v, armDepth: 0 })),
    );
    const before = minus(
      front,
      byPose((v) => shoulderPoint(p, v).x),
    );
    if (has('padReach')) judge('padReach', before, 'mm');
    if (has('padAtDesk')) {
      const room = minus(fixed(p.gripMm - place!.keysFromEdgeMm! - 20), before);
      const below = minus(
        minus(value('deskHeight'), fixed(place!.deskThicknessMm + 10)),
        plus(datum, armHeight),
      );
      judge('padAtDesk', moreOf(room, below), 'mm');
    }
  }
  if (has('headHeight'))
    judge(
      'headHeight',
      minus(
        value('headHeight'),
        byPose((v) => napeAlongBackMm(p, v)),
      ),
      'mm',
    );
  if (has('headAngle'))
    judge(
      'headAngle',
      minus(
        value('headAngle'),
        byPose((v) => restDegOf(p, v)),
      ),
      'deg',
    );
  if (has('headDepth')) {
    const turned = p.variables.headAngle ? through('headAngle', (x) => 60 * sinDeg(x)) : fixed(0);
    const pad = plus(value('headDepth'), turned);
    judge(
      'headDepth',
      minus(
        pad,
        byPose((v) => napeBeforeBackMm(p, v)),
      ),
      'mm',
    );
    judge(
      'headClear',
      minus(
        pad,
        byPose((v) => napeBeforeUprightMm(p, v)),
      ),
      'mm',
    );
  }

  if (place && p.variables.deskHeight) {
    const desk = value('deskHeight');
    if (has('deskTop'))
      judge('deskTop', minus(plus(desk, fixed(place.keyboardThicknessMm)), plus(datum, elbowOver(0))), 'mm');
    if (has('deskClearance'))
      judge(
        'deskClearance',
        minus(
          minus(desk, fixed(overLegs(place).thighsMm)),
          byPose((v) => legTopsMm(p, v).thigh),
        ),
        'mm',
      );
    if (has('deskContact'))
      judge(
        'deskContact',
        minus(
          minus(desk, fixed(place.deskThicknessMm)),
          byPose((v) => underDeskMm(p, v)),
        ),
        'mm',
      );
  }
  if (has('gaze')) {
    const far = place!.screenDistanceMm!;
    const below = minus(
      byPose((v) => eyeMm(p, v)),
      value('screenHeight'),
    );
    // Straight about the aim, where a degree is this long.
    const { aimLo = 0, aimHi = 0 } = p.targets.gaze;
    const middle = (aimLo + aimHi) / 2;
    const perDeg = (far * (tanDeg(middle + 1) - tanDeg(middle - 1))) / 2;
    judge('gaze', plus(fixed(middle), times(minus(below, fixed(far * tanDeg(middle))), 1 / perDeg)), 'deg');
  }
  for (const kind of Object.keys(p.variables) as AdjustmentKind[]) value(kind);

  /** The larger of two, of which having more never costs. */
  function moreOf(a: Linear, b: Linear): Linear {
    const n = count++;
    const isSecond = lp.binary(`second_${n}`);
    const more = lp.free(`more_${n}`);
    lp.atMost(minus(minus(more, a), times(isSecond, BIG)));
    lp.atMost(minus(minus(more, b), times(minus(fixed(1), isSecond), BIG)));
    return more;
  }

  /** Where pads run on level with the desk's top, or carry the forearm, as far as the elbow's band lets them. */
  function padsAtDesk(): Linear {
    const { lo, hi } = bandOf(p.targets.armHeight);
    const [lowest, highest] = [plus(elbow, fixed(lo)), plus(elbow, fixed(hi))];
    const overElbow = minus(
      plus(value('deskHeight'), fixed(inputs.place!.keyboardThicknessMm)),
      elbowOver(0),
    );
    const level =
      inputs.method.armsTo === 'forearm'
        ? plus(elbow, times(minus(overElbow, datum), 125 / p.forearmMm))
        : minus(value('deskHeight'), datum);
    const [isLowest, isHighest] = [lp.binary('padsLowest'), lp.binary('padsHighest')];
    const pads = lp.free('padsLevel');
    lp.atLeast(minus(pads, lowest));
    lp.atMost(minus(pads, highest));
    lp.atMost(minus(minus(pads, level), times(isLowest, BIG)));
    lp.atLeast(plus(minus(pads, level), times(isHighest, BIG)));
    lp.atMost(minus(minus(pads, lowest), times(minus(fixed(1), isLowest), BIG)));
    lp.atLeast(plus(minus(pads, highest), times(minus(fixed(1), isHighest), BIG)));
    return pads;
  }

  function meaningAt(kind: AdjustmentKind): number {
    const { zero, perUnit } = p.variables[kind]!.line;
    return zero + perUnit * base[kind];
  }

  return {
    text: lp.toString(),
    positionsOf: (primal) => Object.fromEntries(readers.map((read) => read(primal))),
  };
}
