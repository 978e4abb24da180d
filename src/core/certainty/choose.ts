/**
 * How sure it is that some position of a seat fits: every condition is taken as straight where it begins to fail, what
 * can be moved is eliminated, and drawn bodies are asked what is left.
 */
import {
  computableConditions,
  endsOfPassive,
  inPlace,
  type Condition,
  type Problem,
  type Settings,
  type ConditionId,
} from '../fit';
import { bandOf, outsideBy } from '../target';
import { shareInBand } from './along';
import { columnsOf, standardNormals, type Draws } from './draws';
import { frameOf } from './frame';
import { countWithin, plainShare, regionOf, type Row } from './linear';
import type { ConditionCertainty } from './set';
import { straightened, type Straightened } from './straight';

export interface ChooseCertainty {
  /** That some position meets each condition, all others left aside; the least certain first. */
  readonly each: readonly ConditionCertainty[];
  /** That some position meets all of them at once, 0…1; never more than the least. */
  readonly all: number;
  readonly standardError: number;
  readonly count: number;
  /** The least certain condition; at a tie the one furthest outside its band at the best settings. null: all are sure. */
  readonly limiting: ConditionId | null;
}

/**
 * How sure it is that some position of this seat fits, each condition alone and all at once.
 * @param best settings of this problem: remedies in use count as given
 * @param draws of this problem's body
 * @returns shares of bodies, 0 to 1, by condition and in all. Definition (counted over the draws).
 */
export function certaintyOfSeat(bare: Problem, best: Settings, draws: Draws): ChooseCertainty {
  const p = inPlace(bare, best.remedies);
  // What tips by itself stands at any of its ends: whatever fits has to fit at each.
  const frames = endsOfPassive(p).map((end) =>
    frameOf(p, { positions: { ...best.positions, ...end }, remedies: best.remedies }, draws),
  );
  const f = frames[0]!;
  const drawn = [...columnsOf(draws), ...standardNormals(draws.count, f.loose.length)];
  const conditions = computableConditions(p);
  const straight = conditions.map((c): Straightened => {
    const [one, ...others] = frames.map((frame) => straightened(frame, c));
    if (others.length === 0) return one!;
    return { rows: [one!, ...others].flatMap(({ rows }) => rows), along: null };
  });
  const shareFor = (of: readonly Row[]): number => {
    const region = regionOf(of, f.movers, f.unknowns);
    return plainShare(region, f.unknowns) ?? countWithin(region, drawn, draws.count) / draws.count;
  };
  const outside = (c: Condition): number =>
    Math.abs(outsideBy(bandOf(p.targets[c.id]), c.residual(p, f.from)));
  const each = conditions
    .map((c, i) => {
      const { rows, along } = straight[i]!;
      const probability = along ? shareInBand(along.residual, along.width, f.movers) : shareFor(rows);
      return { id: c.id, probability, outside: outside(c) };
    })
    .sort((a, b) => a.probability - b.probability || b.outside - a.outside || (a.id < b.id ? -1 : 1));
  const least = each[0];
  const most = least?.probability ?? 1;
  const all = most > 0 ? Math.min(shareFor(straight.flatMap(({ rows }) => rows)), most) : most;
  return {
    each: each.map(({ id, probability }) => ({ id, probability })),
    all,
    standardError: Math.sqrt((all * (1 - all)) / draws.count),
    count: draws.count,
    limiting: least && (least.probability < 1 || least.outside > 0) ? least.id : null,
  };
}
