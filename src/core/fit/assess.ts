import { missingOf, DIMENSION_IDS, type DimensionId } from '../body';
import type { Interval } from '../method';
import type { Message } from '../message';
import { ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../seat';
import { anglesOf, type PostureAngle } from './angles';
import type { Settings } from './inputs';
import { adjustmentOutcome, type AdjustmentOutcome } from './outcome';
import { positionWords } from './position-words';
import type { Problem, SetValues } from './problem';
import { seatDepthBand, seatHeightBand } from './published';
import { reasonFor } from './reasons';
import { isRefused, seatChecks, type SeatCheck } from './refusals';
import { costOf, valuesOfSettings } from './solve';
import { frontEdgeMm } from './on-seat';

/** A published rule beside a setting: reported, never the verdict. */
export interface PublishedCheck {
  readonly rule: 'gouvaliBoudolos' | 'depthShare';
  readonly band: Interval;
  readonly inside: boolean;
}

export interface SettingOutcome extends AdjustmentOutcome {
  readonly words: Message;
  readonly bestWords: Message;
  readonly reason: Message;
  readonly published: PublishedCheck | null;
}

/** Everything there is to say of settings on this body: what every screen, the card and the API show. */
export interface Assessment {
  readonly settings: Settings;
  readonly values: SetValues;
  /** In the method's order of setting. */
  readonly outcomes: readonly SettingOutcome[];
  readonly checks: readonly SeatCheck[];
  readonly refused: boolean;
  readonly angles: readonly PostureAngle[];
  readonly hard: number;
  readonly penalty: number;
  readonly missing: readonly DimensionId[];
}

function publishedFor(p: Problem, v: SetValues, kind: AdjustmentKind): PublishedCheck | null {
  const { poplitealHeight, shoeHeel, buttockPoplitealLength } = p.body;
  const check = (rule: PublishedCheck['rule'], band: Interval, value: number): PublishedCheck | null =>
    Number.isNaN(band.lo + band.hi + value)
      ? null
      : { rule, band, inside: band.lo <= value && value <= band.hi };
  if (kind === 'seatHeight')
    return check('gouvaliBoudolos', seatHeightBand(poplitealHeight, shoeHeel), frontEdgeMm(p, v));
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

/** Judges settings as they stand. Fast enough for every frame of a drag. */
export function assess(p: Problem, settings: Settings): Assessment {
  const values = valuesOfSettings(p, settings);
  const order = [...new Set([...p.inputs.method.order, ...ADJUSTMENT_KIND_IDS])];
  const outcomes = order
    .map((kind) => settingOutcome(p, values, kind, settings.positions[kind] ?? 0))
    .filter((o) => o !== null);
  const checks = seatChecks(p.inputs);
  const cost = costOf(p, settings);
  return {
    settings,
    values,
    outcomes,
    checks,
    refused: isRefused(checks),
    angles: anglesOf(p, values),
    hard: cost.hard,
    penalty: cost.penalty,
    missing: missingOf(p.inputs.body, DIMENSION_IDS),
  };
}
