/**
 * The floor-line rule as data: what of the body and what of the equipment stands at which height above the floor,
 * and which pairs belong together.
 */
import { estimatedOf, type DimensionId } from '../body';
import { message, type Message } from '../message';
import type { Assessment, Problem, SettingOutcome, Verdict } from '../fit';
import { figureOf, seatFigureOf } from '../fit/geometry/figure';
import { apexMm, datumMm, legOf, trunkDegOf } from '../fit/geometry/on-seat';
import { elbowAboveSeatMm, elbowOnPadMm } from '../fit/geometry/arms';
import { napeAlongBackMm, restDegOf } from '../fit/geometry/head';
import { underDeskMm } from '../fit/geometry/at-place';
import type { AdjustmentKind } from '../seat';
import { cosDeg } from '../units';

export interface Tag {
  readonly id: string;
  readonly heightMm: number;
  /** Adjustment that moves it, where one does. */
  readonly kind: AdjustmentKind | null;
  /** Whether a measure behind it was only estimated. */
  readonly isEstimate?: true;
}

/** A landmark of the body and the part of the equipment that belongs at its height. */
export interface Pair {
  readonly id: string;
  readonly sitter: Tag;
  readonly equipment: Tag;
  readonly verdict: Verdict;
  /** Equipment less body in mm as judged; the number in the break. */
  readonly apartMm: number;
  /** `clear`: the equipment has to stay above the body, by any amount. */
  readonly relation: 'level' | 'clear';
}

export interface Rule {
  readonly pairs: readonly Pair[];
  /** Landmarks that nothing is set to. */
  readonly single: readonly (Tag & { readonly side: 'sitter' | 'equipment' })[];
  /** Worded when asked for: every frame of a drag makes a rule, and few are read aloud. */
  readonly alternative: readonly Message[];
}

type Build = (p: Problem, a: Assessment) => Omit<Pair, 'verdict'> | null;

const known = (...values: number[]): boolean => values.every((v) => Number.isFinite(v));
const residualOf = (a: Assessment, kind: AdjustmentKind, id: string): number =>
  a.outcomes.find((o) => o.kind === kind)?.conditions.find((c) => c.id === id)?.residual ?? NaN;

/** The measures that landmarks of the body stand on. */
const STANDS_ON: Readonly<Record<string, readonly DimensionId[]>> = {
  hollowOfKnee: ['poplitealHeight'],
  elbow: ['elbowHeightSitting', 'shoulderHeightSitting'],
  hands: ['elbowHeightSitting', 'shoulderHeightSitting'],
  smallOfBack: ['smallOfBackHeight'],
  nape: ['napeHeight', 'cervicaleHeightSitting'],
  legTop: ['thighClearance', 'kneeHeight'],
  eye: ['eyeHeightSitting', 'cervicaleHeightSitting'],
};

/** Said as an estimate where it stands on one. */
const asKnown = (p: Problem, tag: Tag): Tag =>
  estimatedOf(p.inputs.body, STANDS_ON[tag.id] ?? []).length > 0 ? { ...tag, isEstimate: true } : tag;

const feet: Build = (p, a) => {
  const leg = legOf(p, a.values);
  const wanted = leg.supportMm + p.body.shoeHeel + p.lowerLegMm;
  const hollow = leg.hollowMm;
  if (!known(wanted, hollow)) return null;
  return {
    id: 'feet',
    sitter: tag('hollowOfKnee', wanted),
    equipment: tag('seatUnderKnee', hollow, 'seatHeight'),
    apartMm: hollow - wanted,
    relation: 'level',
  };
};

const arms: Build = (p, a) => {
  const datum = datumMm(p, a.values);
  const elbow = datum + elbowOnPadMm(p, a.values);
  const pad = datum + a.values.armHeight;
  if (!known(elbow, pad)) return null;
  return {
    id: 'arms',
    sitter: tag('elbow', elbow),
    equipment: tag('padTop', pad, 'armHeight'),
    apartMm: pad - elbow,
    relation: 'level',
  };
};

const lumbar: Build = (p, a) => {
  const datum = datumMm(p, a.values);
  const lean = cosDeg(trunkDegOf(a.values));
  const hollow = datum + p.body.smallOfBackHeight * lean;
  const apex = datum + apexMm(a.values) * lean;
  if (!known(hollow, apex)) return null;
  return {
    id: 'lumbar',
    sitter: tag('smallOfBack', hollow),
    equipment: tag('lumbarApex', apex, lumbarKind(p)),
    apartMm: apexMm(a.values) - p.body.smallOfBackHeight,
    relation: 'level',
  };
};

const head: Build = (p, a) => {
  const datum = datumMm(p, a.values);
  const lean = cosDeg(restDegOf(p, a.values));
  const along = napeAlongBackMm(p, a.values);
  if (!known(along, a.values.headHeight)) return null;
  return {
    id: 'head',
    sitter: tag('nape', datum + along * lean),
    equipment: tag('headPad', datum + a.values.headHeight * lean, 'headHeight'),
    apartMm: a.values.headHeight - along,
    relation: 'level',
  };
};

const desk: Build = (p, a) => {
  const apartMm = residualOf(a, 'deskHeight', 'deskTop');
  const elbow = datumMm(p, a.values) + elbowAboveSeatMm(p, a.values, 0);
  const top = a.values.deskHeight + (p.inputs.place?.keyboardThicknessMm ?? 0);
  if (!known(apartMm, elbow, top)) return null;
  const { aimLo = 0, aimHi = 0 } = p.targets.deskTop;
  const wanted = Math.max(elbow + aimLo, Math.min(top, elbow + aimHi));
  return {
    id: 'desk',
    sitter: tag('hands', wanted),
    equipment: tag('deskTop', top, 'deskHeight'),
    apartMm: top - wanted,
    relation: 'level',
  };
};

const legsUnderDesk: Build = (p, a) => {
  const legs = underDeskMm(p, a.values);
  const underside = a.values.deskHeight - (p.inputs.place?.deskThicknessMm ?? 0);
  if (!known(legs, underside)) return null;
  return {
    id: 'legsUnderDesk',
    sitter: tag('legTop', legs),
    equipment: tag('deskUnderside', underside, 'deskHeight'),
    apartMm: underside - legs,
    relation: 'clear',
  };
};

const tag = (id: string, heightMm: number, kind: AdjustmentKind | null = null): Tag => ({
  id,
  heightMm,
  kind,
});
const equipmentAt = (id: string, heightMm: number, kind: AdjustmentKind): Rule['single'] =>
  Number.isNaN(heightMm) ? [] : [{ ...tag(id, heightMm, kind), side: 'equipment' }];

/** The adjustment that answers for the height of the apex. */
const lumbarKind = (p: Problem): AdjustmentKind => (p.variables.lumbarApex ? 'lumbarApex' : 'backHeight');

type Owner = AdjustmentKind | ((p: Problem) => AdjustmentKind);
const BUILDS: readonly (readonly [Build, Owner, string])[] = [
  [feet, 'seatHeight', 'footGap'],
  [legsUnderDesk, 'deskHeight', 'deskClearance'],
  [desk, 'deskHeight', 'deskTop'],
  [arms, 'armHeight', 'armHeight'],
  [lumbar, lumbarKind, 'lumbarHeight'],
  [head, 'headHeight', 'headHeight'],
];

/** The verdict of one condition: the adjustment's own where it is the one that decides, else inside or not. */
function verdictOf(outcome: SettingOutcome | undefined, conditionId: string): Verdict {
  const condition = outcome?.conditions.find((c) => c.id === conditionId);
  if (!outcome || !condition) return 'notMeasured';
  if (condition.outside === 0) return 'fits';
  return outcome.verdict === 'fits' ? 'close' : outcome.verdict;
}

/**
 * The rule of a set seat; pairs with a missing measure are left out and said.
 * @returns heights in mm. Definition.
 * @example
 * ruleOf(assessed).pairs.length > 0 // => true
 */
export function ruleOf(a: Assessment): Rule {
  const p = a.problem;
  const pairs = BUILDS.flatMap(([build, owner, condition]): Pair[] => {
    const kind = typeof owner === 'function' ? owner(p) : owner;
    const pair = build(p, a);
    return pair
      ? [
          {
            ...pair,
            sitter: asKnown(p, pair.sitter),
            verdict: verdictOf(
              a.outcomes.find((o) => o.kind === kind),
              condition,
            ),
          },
        ]
      : [];
  });
  const figure = figureOf(p, a.values);
  const seat = seatFigureOf(p, a.values);
  const paired = new Set(pairs.flatMap((x) => [x.equipment.id]));
  const single: Rule['single'] = [
    ...(figure.eye ? [{ ...asKnown(p, tag('eye', figure.eye.z)), side: 'sitter' as const }] : []),
    ...equipmentAt('screen', a.values.screenHeight, 'screenHeight'),
    ...equipmentAt('footRing', a.values.footRing, 'footRing'),
    ...(paired.has('seatUnderKnee')
      ? []
      : [{ ...tag('frontEdge', seat.front.z, 'seatHeight'), side: 'equipment' as const }]),
    ...(paired.has('padTop') || !seat.pad
      ? []
      : [{ ...tag('padTop', seat.pad.from.z, 'armHeight'), side: 'equipment' as const }]),
    ...(paired.has('deskTop') || Number.isNaN(a.values.deskHeight)
      ? []
      : [{ ...tag('deskTop', a.values.deskHeight, 'deskHeight'), side: 'equipment' as const }]),
    ...(paired.has('lumbarApex') || !seat.lumbar
      ? []
      : [{ ...tag('lumbarApex', seat.lumbar.z, lumbarKind(p)), side: 'equipment' as const }]),
    ...(paired.has('headPad') || !seat.head
      ? []
      : [{ ...tag('headPad', seat.head.z, 'headHeight'), side: 'equipment' as const }]),
  ];
  return {
    pairs,
    single,
    get alternative() {
      return pairs.map(spoken);
    },
  };
}

function spoken(pair: Pair): Message {
  const { isEstimate } = pair.sitter;
  const clear = isEstimate ? 'alt.clear.estimated' : 'alt.clear';
  const level = isEstimate ? 'alt.pair.estimated' : 'alt.pair';
  return message(pair.relation === 'clear' ? clear : level, {
    sitter: { word: `tag.${pair.sitter.id}` },
    at: { mm: Math.round(pair.sitter.heightMm) },

    equipment: { word: `tag.${pair.equipment.id}` },
    stands: { mm: Math.round(pair.equipment.heightMm) },
    apart: { sizeMm: Math.round(Math.abs(pair.apartMm)) },
    verdict: { word: `verdict.${pair.verdict}` },
  });
}
