/**
 * The choice of the best setting written as a mixed-integer linear programme, for comparison with a general solver.
 *
 * Taken as given is what the plan fixes beforehand: the back angle where nothing ties it to the pan, lumbar depth, the
 * width of the arms. What feet and trunk hang on together (seat height, footrest, and every angle that turns pan or
 * trunk) is one binary for each combination, so that everything that is not straight (sines, the rise of a thigh) is a
 * constant of it. Other lengths are integers that count positions, the rest one binary a position. Each penalty is four
 * slopes over a residual; a hard bound costs a thousand points a tenth; what is chosen after feet, trunk and desk counts
 * a thousandth, as the plan has it. Straightened is only the angle to a screen. The positions found are judged by the
 * core.
 */
import { bandOf, type ConditionId } from '../../src/core/method';
import type { Problem, Settings } from '../../src/core/fit';
import { computable, planOf } from '../../src/core/fit/plan';
import {
  datumMm,
  elbowAboveSeatMm,
  elbowHalfMm,
  eyeMm,
  hollowFromRearMm,
  napeAlongBackMm,
  napeBeforeBackMm,
  padFrontMm,
  restDegOf,
  shoulderPoint,
  spreadDeg,
  underDeskMm,
} from '../../src/core/fit/on-seat';
import { penaltyOf } from '../../src/core/fit/penalty';
import type { SetValues } from '../../src/core/fit/problem';
import { valuesOfSettings } from '../../src/core/fit/solve';
import { balancedTension, wantedLock, wantedProminenceMm } from '../../src/core/fit/wanted';
import { padTurnDeg } from '../../src/core/posture';
import type { AdjustmentKind } from '../../src/core/seat';
import { sinDeg, tanDeg } from '../../src/core/units';

/** A sum of columns with factors, and a constant. */
interface Linear {
  readonly constant: number;
  readonly terms: ReadonlyMap<string, number>;
}

const fixed = (constant: number): Linear => ({ constant, terms: new Map() });
const column = (name: string, factor = 1): Linear => ({ constant: 0, terms: new Map([[name, factor]]) });
const times = (x: Linear, by: number): Linear => ({
  constant: x.constant * by,
  terms: new Map([...x.terms].map(([name, factor]) => [name, factor * by])),
});
function plus(...all: readonly Linear[]): Linear {
  const terms = new Map<string, number>();
  let constant = 0;
  for (const x of all) {
    constant += x.constant;
    for (const [name, factor] of x.terms) terms.set(name, (terms.get(name) ?? 0) + factor);
  }
  return { constant, terms };
}
const minus = (a: Linear, b: Linear): Linear => plus(a, times(b, -1));

const number = (value: number): string => {
  const text = value.toFixed(9).replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
};
const written = ({ terms }: Linear): string =>
  [...terms]
    .filter(([, factor]) => Math.abs(factor) > 1e-12)
    .map(([name, factor]) => `${factor < 0 ? '-' : '+'} ${number(Math.abs(factor))} ${name}`)
    .join(' ') || '0 zero';

/** What a tenth of a millimetre, or of a degree, beyond a hard bound costs, in points. */
const HARD = 1000;
/** More than any height, gap or angle. */
const BIG = 4000;
const LEAST_EDGE = { mm: 1, deg: 0.5, own: 0.125 } as const;
const TOGETHER: readonly AdjustmentKind[] = [
  'seatAngle',
  'chairAngle',
  'backAngle',
  'footrest',
  'seatHeight',
];
/** What is chosen after feet, trunk and desk counts so much less. */
const AFTER = 1e-3;

class Programme {
  private objective = fixed(0);
  private readonly rows: string[] = [];
  private readonly bounds: string[] = ['zero = 0'];
  private readonly integers: string[] = [];
  private readonly binaries: string[] = [];

  cost(x: Linear): void {
    this.objective = plus(this.objective, x);
  }

  atMost(x: Linear, most = 0): void {
    this.rows.push(` r${this.rows.length}: ${written(x)} <= ${number(most - x.constant)}`);
  }

  atLeast(x: Linear, least = 0): void {
    this.rows.push(` r${this.rows.length}: ${written(x)} >= ${number(least - x.constant)}`);
  }

  exactly(x: Linear, value = 0): void {
    this.rows.push(` r${this.rows.length}: ${written(x)} = ${number(value - x.constant)}`);
  }

  free(name: string): Linear {
    this.bounds.push(` ${name} free`);
    return column(name);
  }

  between(name: string, low: number, high: number): Linear {
    this.bounds.push(` ${number(low)} <= ${name} <= ${number(high)}`);
    return column(name);
  }

  integer(name: string, most: number): Linear {
    this.integers.push(name);
    return this.between(name, 0, most);
  }

  /** @returns names of binaries of which exactly one is 1 */
  oneOf(name: string, count: number): string[] {
    const names = Array.from({ length: count }, (_, i) => `${name}_${i}`);
    this.binaries.push(...names);
    this.exactly(plus(...names.map((n) => column(n))), 1);
    return names;
  }

  binary(name: string): Linear {
    this.binaries.push(name);
    return column(name);
  }

  toString(): string {
    return [
      'Minimize',
      ` points: ${written(this.objective)}`,
      'Subject To',
      ...this.rows,
      'Bounds',
      ...this.bounds,
      ...(this.integers.length > 0 ? ['General', ` ${this.integers.join(' ')}`] : []),
      ...(this.binaries.length > 0 ? ['Binary', ` ${this.binaries.join(' ')}`] : []),
      'End',
    ].join('\n');
  }
}

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

/** @param given settings of which only what the plan fixes beforehand is taken */
export function formulate(p: Problem, given: Settings): Formulation {
  if (p.hasSlope || p.variables.footRing || p.inputs.place?.pedals)
    throw new Error('not of this kind of seat');
  const lp = new Programme();
  const base = valuesOfSettings(p, given);
  const before: readonly AdjustmentKind[] = [
    ...(p.isTied ? [] : (['backAngle'] as const)),
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
        values.map((x, i) => ({ at: { ...s.at, [kind]: i }, values: { ...s.values, [kind]: x } })),
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
      return plus(fixed(values[0]!), times(lp.integer(kind, values.length - 1), step));
    }
    const names = lp.oneOf(kind, values.length);
    readers.push((primal) => [kind, names.findIndex((n) => primal(n) > 0.5)]);
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

  const together = new Set(
    planOf(p)
      .find((stage) => stage.kinds.includes('seatHeight'))!
      .conditions.map((c) => c.id),
  );
  let count = 0;
  function judge(id: ConditionId, residual: Linear, unit: keyof typeof LEAST_EDGE): void {
    const { hardLo, bandLo, aimLo, aimHi, bandHi, hardHi } = p.targets[id];
    const share = together.has(id) ? 1 : AFTER;
    const weight = p.targets[id].weight * share;
    const n = count++;
    const side = (name: string, aim: number | undefined, band: number | undefined, sign: 1 | -1): void => {
      if (aim === undefined) return;
      const edge = band === undefined ? 0 : sign * (band - aim);
      const width = Math.max(edge, LEAST_EDGE[unit]);
      const inside = lp.between(`${name}_in_${n}`, 0, edge);
      const beyond = lp.between(`${name}_out_${n}`, 0, BIG);
      lp.atLeast(plus(inside, beyond, times(minus(fixed(aim), residual), sign)));
      lp.cost(plus(times(inside, weight / width), times(beyond, (10 * weight) / width)));
    };
    side('over', aimHi, bandHi, 1);
    side('under', aimLo, bandLo, -1);
    for (const [bound, sign] of [
      [hardHi, 1],
      [hardLo, -1],
    ] as const) {
      if (bound === undefined) continue;
      const hard = lp.between(`hard_${sign > 0 ? 'over' : 'under'}_${n}`, 0, BIG);
      lp.atLeast(plus(hard, times(minus(fixed(bound), residual), sign)));
      lp.cost(times(hard, 10 * HARD * share));
    }
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
      let points = v.footrest > 0 ? inputs.method.footrestPenalty : 0;
      for (const condition of decided) {
        const { hard, penalty } = penaltyOf(condition.id, p.targets[condition.id], condition.residual(p, v));
        points += (together.has(condition.id) ? 1 : AFTER) * (penalty / 1e6 + hard * HARD);
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
  if (has('lumbarDepth')) judge('lumbarDepth', fixed(meaningAt('lumbarDepth') - wantedProminenceMm(p)), 'mm');
  if (has('tension')) judge('tension', minus(value('tiltTension'), fixed(balancedTension(p))), 'own');
  if (has('tiltLock')) judge('tiltLock', minus(value('tiltLock'), fixed(wantedLock(p, base))), 'own');
  if (has('tiltLimiter'))
    judge('tiltLimiter', minus(value('tiltLimiter'), fixed(bandOf(p.targets.backAngle).hi)), 'deg');

  const spread = spreadDeg(p, base);
  if (has('armSpread')) judge('armSpread', fixed(spread), 'deg');
  const armHeight = p.variables.armHeight ? value('armHeight') : fixed(NaN);
  if (has('armHeight'))
    judge('armHeight', minus(armHeight, elbowOver(Math.max(0, Number.isNaN(spread) ? 0 : spread))), 'mm');
  if (has('armPivot'))
    judge(
      'armPivot',
      minus(value('armPivot'), fixed(padTurnDeg(elbowHalfMm(p, base), p.fingertipMm))),
      'deg',
    );
  if (p.variables.armDepth) {
    // Arms that lean with the back are taken to do so at the height of the elbow.
    const front = plus(
      value('armDepth'),
      byPose((v) => padFrontMm(p, { ...v, armDepth: 0, armHeight: body.elbowHeightSitting })),
    );
    const before = minus(
      front,
      byPose((v) => shoulderPoint(p, v).x),
    );
    if (has('padReach')) judge('padReach', before, 'mm');
    if (has('padAtDesk')) {
      const room = minus(fixed(p.gripMm - place!.keysFromEdgeMm! - 20), before);
      const under = lp.binary('padsUnder');
      const left = lp.free('padRoom');
      lp.atMost(minus(minus(left, room), times(under, BIG)));
      lp.atMost(minus(left, times(minus(fixed(1), under), BIG)));
      const padTop = plus(datum, armHeight, fixed(10));
      lp.atMost(
        plus(minus(padTop, minus(value('deskHeight'), fixed(place!.deskThicknessMm))), times(under, BIG)),
        BIG,
      );
      judge('padAtDesk', left, 'mm');
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
  if (has('headDepth'))
    judge(
      'headDepth',
      minus(
        plus(
          value('headDepth'),
          p.variables.headAngle ? through('headAngle', (x) => 60 * sinDeg(x)) : fixed(0),
        ),
        byPose((v) => napeBeforeBackMm(p, v)),
      ),
      'mm',
    );

  if (place && p.variables.deskHeight) {
    const desk = value('deskHeight');
    if (has('deskTop'))
      judge('deskTop', minus(plus(desk, fixed(place.keyboardThicknessMm)), plus(datum, elbowOver(0))), 'mm');
    if (has('deskClearance'))
      judge(
        'deskClearance',
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

  function meaningAt(kind: AdjustmentKind): number {
    const { zero, perUnit } = p.variables[kind]!.line;
    return zero + perUnit * base[kind];
  }

  return {
    text: lp.toString(),
    positionsOf: (primal) => Object.fromEntries(readers.map((read) => read(primal))),
  };
}

/** What feet, trunk and desk cost, as the core judges them. */
export function togetherCost(
  p: Problem,
  settings: Settings,
): { readonly hard: number; readonly penalty: number } {
  const v = valuesOfSettings(p, settings);
  let [hard, penalty] = [0, v.footrest > 0 ? Math.round(p.inputs.method.footrestPenalty * 1e6) : 0];
  for (const c of planOf(p).find((stage) => stage.kinds.includes('seatHeight'))!.conditions) {
    const one = penaltyOf(c.id, p.targets[c.id], c.residual(p, v));
    hard += one.hard;
    penalty += one.penalty;
  }
  return { hard, penalty };
}
