/** Sitters who answer by a body that is not the one that was measured, and now and then wrongly. */
import { randomNormal, randomUniform } from 'd3-random';
import type { Body, DimensionId } from '../../src/core/body';
import { conditionOf } from '../../src/core/fit/conditions';
import {
  problemOf,
  solve,
  NO_REMEDIES,
  valuesOfSettings,
  type Problem,
  type Settings,
} from '../../src/core/fit';
import { bandOf, aimOf } from '../../src/core/target';
import { feelAfter, feelAnswersOf, type FeelAnswer, type Felt } from '../../src/core/walk';
import { seededRandom } from '../../src/devices';
import { FULL, bodyWith, problemFor, seatWith, adjustment, slides, steps, PADS, OPEN_HIP } from './inputs';

export const FELT = ['armHeight', 'lumbarDepth', 'tiltTension'] as const;
export type FeltKind = (typeof FELT)[number];
const BY = { armHeight: 'armHeight', lumbarDepth: 'lumbarDepth', tiltTension: 'tension' } as const;

/** How far true measures are off the measured ones: mm, mm, share of the mass. */
const OFF = { elbowHeightSitting: 15, smallOfBackDepth: 6, bodyMass: 0.08 } as const;
/** Of so many answers one is wrong. */
const WRONG = 0.1;
/** Sitters answer so often at most. */
const MOST_ANSWERS = 7;

const SEAT = seatWith(
  [
    adjustment('seatHeight', slides(400, 520)),
    adjustment('seatDepth', slides(380, 460)),
    adjustment('backAngle', slides(0, 25)),
    adjustment('lumbarDepth', slides(0, 40)),
    adjustment('tiltTension', steps(1, 17, 17), {
      unit: 'step',
      effort: { by: 'mass', lightestKg: 45, stiffestKg: 125 },
    }),
    adjustment('armHeight', slides(170, 310)),
  ],
  { arms: PADS },
);

/** What a reading is worth: an elbow read twice, a hollow by hand, a mass that was said. */
const SPREADS: Partial<Record<DimensionId, number>> = {
  elbowHeightSitting: 12,
  smallOfBackDepth: 6,
  bodyMass: 6,
};

export interface Sitting {
  readonly kind: FeltKind;
  readonly computed: number;
  readonly felt: number;
  /** The solver's for the true body. */
  readonly right: number;
  readonly answers: number;
  readonly isOutside: boolean;
  readonly values: readonly number[];
  readonly measure: { readonly value: number; readonly spread: number } | null;
  readonly measured: number;
  readonly isTrue: number;
}

function answerOf(truth: Problem, kind: FeltKind, settings: Settings, isWrong: number): FeelAnswer {
  const c = conditionOf(BY[kind]);
  const target = truth.targets[c.id];
  const r = c.residual(truth, valuesOfSettings(truth, settings));
  const [aim, band] = [aimOf(target), bandOf(target)];
  const middle = (aim.lo + aim.hi) / 2;
  // It feels right in the inner half of what fits.
  const [low, high] = [middle - (middle - band.lo) / 2, middle + (band.hi - middle) / 2];
  const answers = feelAnswersOf(kind);
  const at = r < low ? 0 : r > high ? 2 : 1;
  if (isWrong >= WRONG) return answers[at]!;
  const others = answers.filter((_, i) => i !== at);
  return others[isWrong < WRONG / 2 ? 0 : 1]!;
}

/** One sitter, who sits, answers and is done where it feels right. */
export function sitting(seed: number): readonly Sitting[] {
  const random = seededRandom(seed);
  const normal = randomNormal.source(random)(0, 1);
  const uniform = randomUniform.source(random)(0, 1);
  const measured = {
    ...FULL,
    bodyMass: 70 + 12 * normal(),
    elbowHeightSitting: 240 + 12 * normal(),
    smallOfBackDepth: Math.max(16, 30 + 5 * normal()),
  };
  const isTrue = {
    ...measured,
    bodyMass: measured.bodyMass * (1 + OFF.bodyMass * normal()),
    elbowHeightSitting: measured.elbowHeightSitting + OFF.elbowHeightSitting * normal(),
    smallOfBackDepth: Math.max(2, measured.smallOfBackDepth + OFF.smallOfBackDepth * normal()),
  };
  const withSpreads = (of: Record<string, number>): Body =>
    Object.fromEntries(
      Object.entries(bodyWith(of)).map(([id, one]) => [
        id,
        { ...one, spread: SPREADS[id as DimensionId] ?? 3 },
      ]),
    );
  const p = problemFor({ seat: SEAT, body: withSpreads(measured), method: OPEN_HIP });
  const truth = problemOf({ ...p.inputs, body: withSpreads(isTrue) });
  const best = solve(p, { remedies: NO_REMEDIES }).settings;
  const right = solve(truth, { remedies: NO_REMEDIES }).settings;
  return FELT.map((kind): Sitting => {
    const at = (position: number): Settings => ({
      ...best,
      positions: { ...best.positions, [kind]: position },
    });
    const felt: Felt[] = [];
    let state = feelAfter(p, { kind, settings: best }, felt)!;
    while (felt.length < MOST_ANSWERS && !state.isRight) {
      const { position } = state;
      felt.push({ feel: answerOf(truth, kind, at(position), uniform()), position });
      state = feelAfter(p, { kind, settings: best }, felt)!;
    }
    const values = p.variables[kind]!.values;
    const c = conditionOf(BY[kind]);
    const band = bandOf(p.targets[c.id]);
    const r = c.residual(p, valuesOfSettings(p, at(state.position)));
    return {
      kind,
      computed: best.positions[kind]!,
      felt: state.position,
      right: right.positions[kind]!,
      answers: felt.length,
      isOutside: r < band.lo || r > band.hi,
      values,
      measure: state.measure,
      measured: p.inputs.body[DIMENSION[kind]]!.value,
      isTrue: isTrue[DIMENSION[kind]],
    };
  });
}

export const DIMENSION = {
  armHeight: 'elbowHeightSitting',
  lumbarDepth: 'smallOfBackDepth',
  tiltTension: 'bodyMass',
} as const satisfies Record<FeltKind, DimensionId>;
