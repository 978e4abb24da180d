import type { Interval } from '../../target';
import type { Message } from '../../message';
import { ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../../seat';
import { anglesOf, type PostureAngle } from '../geometry/angles';
import { ownedBy } from '../conditions';
import type { Settings } from '../problem/inputs';
import { inPlace } from '../case/in-place';
import { carriedAs, withLeaders } from '../problem/carried';
import { oncePer } from '../problem/once';
import { bellyAtDesk } from './belly';
import { leanEnds } from './lean-ends';
import { adjustmentOutcome, decidedOn, type AdjustmentOutcome } from './outcome';
import { positionWords } from '../explanation/position-words';
import type { Problem, SetValues } from '../problem/problem';
import { seatDepthBand, seatHeightBand } from './published';
import { reasonFor } from '../explanation/reasons';
import { againstAdded, checksOfSeat, headroom, isRefused, type SeatCheck } from './refusals';
import { valuesOfSettings } from '../search/solve';
import { datumMm, frontEdgeMm, underFootMm } from '../geometry/on-seat';

/** A published rule beside a setting: reported, never the verdict. */
export interface PublishedCheck {
  readonly rule: 'gouvaliBoudolos' | 'depthShare';
  /** Counted from what the feet stand on, on the adjustment's own scale. */
  readonly band: Interval;
  /** What it is compared with. */
  readonly value: number;
}

export interface SettingOutcome extends AdjustmentOutcome {
  readonly words: Message;
  readonly bestWords: Message;
  readonly reason: Message;
  readonly published: PublishedCheck | null;
}

/** Everything there is to say of settings on this body: what every screen, the card and the API show. */
export interface Assessment {
  /** Seat and place as they stand with the remedies in use. */
  readonly problem: Problem;
  readonly settings: Settings;
  readonly values: SetValues;
  /** In the method's order of setting. */
  readonly outcomes: readonly SettingOutcome[];
  readonly checks: readonly SeatCheck[];
  readonly refused: boolean;
  readonly angles: readonly PostureAngle[];
}

function publishedFor(p: Problem, v: SetValues, kind: AdjustmentKind): PublishedCheck | null {
  const { poplitealHeight, shoeHeel, buttockPoplitealLength } = p.body;
  const check = (rule: PublishedCheck['rule'], band: Interval, value: number): PublishedCheck | null =>
    Number.isNaN(band.lo + band.hi + value) ? null : { rule, band, value };
  if (kind === 'seatHeight') {
    const { lo, hi } = seatHeightBand(poplitealHeight, shoeHeel);
    const under = underFootMm(p, v);
    return check('gouvaliBoudolos', { lo: lo + under, hi: hi + under }, frontEdgeMm(p, v));
  }
  if (kind === 'seatDepth') return check('depthShare', seatDepthBand(buttockPoplitealLength), v.seatDepth);
  return null;
}

function settingOutcome(
  p: Problem,
  v: SetValues,
  kind: AdjustmentKind,
  position: number,
): SettingOutcome | null {
  const variable = p.variables[kind];
  if (!variable) return null;
  const outcome = adjustmentOutcome(p, v, variable, position);
  return {
    ...outcome,
    words: positionWords(p, variable, position),
    bestWords: positionWords(p, variable, outcome.bestPosition),
    reason: reasonFor(p, v, outcome),
    published: publishedFor(p, v, kind),
  };
}

/** Where an adjustment stands; what is carried along, where its leader has it. */
function positionOf(p: Problem, { positions }: Settings, kind: AdjustmentKind): number {
  const carried = carriedAs(p, kind);
  return (carried ? carried.by[positions[carried.leader] ?? 0] : positions[kind]) ?? 0;
}

const checksOf = oncePer((p) => [...checksOfSeat(p.inputs), ...bellyAtDesk(p)]);
const orderOf = oncePer((p) => [...new Set([...p.inputs.method.order, ...ADJUSTMENT_KIND_IDS])]);

/** What a published rule reads beyond the conditions of its track. */
const PUBLISHED_READS: Partial<Record<AdjustmentKind, readonly AdjustmentKind[]>> = {
  seatHeight: ['seatDepth', 'seatAngle', 'backAngle', 'footrest'],
};

/** Everything that what is said of an adjustment depends on. */
const readsOf = oncePer(
  (p): ReadonlyMap<AdjustmentKind, readonly AdjustmentKind[]> =>
    new Map(
      ADJUSTMENT_KIND_IDS.map((kind) => {
        const scopes = (ownedBy(p).get(kind) ?? []).flatMap((c) => c.scope);
        return [
          kind,
          [
            ...new Set(
              withLeaders(p, [kind, ...scopes, ...decidedOn(p, kind), ...(PUBLISHED_READS[kind] ?? [])]),
            ),
          ],
        ];
      }),
    ),
);

/** What was said of an adjustment, where nothing that it depends on has changed since. */
function stillTrue(
  p: Problem,
  v: SetValues,
  kind: AdjustmentKind,
  before: Assessment,
): SettingOutcome | undefined {
  const was = before.values;
  const isSame =
    before.problem === p &&
    was.footrestMm === v.footrestMm &&
    was.backCushionMm === v.backCushionMm &&
    readsOf(p)
      .get(kind)!
      .every((k) => Object.is(was[k], v[k]));
  return isSame ? before.outcomes.find((o) => o.kind === kind) : undefined;
}

/**
 * Judges settings as they stand. Fast enough for every frame of a drag.
 * @param before of the same problem: what has not changed since is taken over as it is, the same object
 * @returns every adjustment and condition with its verdict. Definition (docs/model.md).
 * @example
 * assess(problem, best).outcomes.map((outcome) => outcome.kind) // => ['seatHeight', 'seatDepth', 'backAngle', 'armHeight', 'deskHeight']
 */
export function assess(bare: Problem, settings: Settings, before: Assessment | null = null): Assessment {
  const p = inPlace(bare, settings.remedies);
  const values = valuesOfSettings(p, settings);
  const outcomes = orderOf(p)
    .map(
      (kind) =>
        (before && stillTrue(p, values, kind, before)) ??
        settingOutcome(p, values, kind, positionOf(p, settings, kind)),
    )
    .filter((o) => o !== null);
  const asSet = [
    ...againstAdded(p.inputs, settings.remedies),
    ...headroom(p, datumMm(p, values)),
    ...leanEnds(p, values),
  ];
  const checks = asSet.length > 0 ? [...checksOf(p), ...asSet] : checksOf(p);
  return {
    problem: p,
    settings,
    values,
    outcomes,
    checks,
    refused: isRefused(checks),
    angles: anglesOf(p, values),
  };
}

/** Where everything stands, unjudged. */
export interface Placed {
  /** Seat and place as they stand with the remedies in use. */
  readonly problem: Problem;
  readonly values: SetValues;
  /** In the method's order of setting. */
  readonly stands: readonly Pick<SettingOutcome, 'kind' | 'position' | 'words'>[];
}

/**
 * Where everything stands, and how that is said, without judging it: many times quicker than `assess`, which says the
 * same of it.
 * @returns every adjustment of seat and place. Definition.
 * @example
 * placed(problem, best).stands.map(({ kind }) => kind) // => ['seatHeight', 'seatDepth', 'backAngle', 'armHeight', 'deskHeight']
 */
export function placed(bare: Problem, settings: Settings): Placed {
  const problem = inPlace(bare, settings.remedies);
  const stands = orderOf(problem).flatMap((kind) => {
    const variable = problem.variables[kind];
    if (!variable) return [];
    const position = positionOf(problem, settings, kind);
    return [{ kind, position, words: positionWords(problem, variable, position) }];
  });
  return { problem, values: valuesOfSettings(problem, settings), stands };
}

/**
 * Returns how many settings fit, and of how many: what has no target, and is as the sitter likes it, counts nowhere.
 * @returns `fits` of `all`. Definition.
 * @example
 * fitCountOf(assessed) // => { fits: 4, all: 5 }
 */
export function fitCountOf({ outcomes }: Pick<Assessment, 'outcomes'>): {
  readonly fits: number;
  readonly all: number;
} {
  const judged = outcomes.filter(({ verdict }) => verdict !== 'noted');
  return { fits: judged.filter(({ verdict }) => verdict === 'fits').length, all: judged.length };
}
