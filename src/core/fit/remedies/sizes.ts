/** How much of a remedy: the smallest that does what more of it would do. */
import { aimOf, outsideBy } from '../../target';
import { CONDITION_UNITS, type ConditionId } from '../conditions';
import type { RemedySettings } from '../problem/inputs';
import type { Problem } from '../problem/problem';
import type { Cure } from './cures';
import { tryOut, type Stand, type Trial } from './trial';

/** One cure in a size, beside others that stay, and everything set with it. */
export interface Candidate {
  readonly cure: Cure;
  /** Less than nothing is shorter, lower. */
  readonly sizeMm: number;
  readonly trial: Trial;
}

/** So sure is sure enough, and so many millionths of a point from the best size is as good. */
const SURE = 0.9;
const AS_GOOD = 2e6;
const MOST_SIZES = 7;

/** What a condition counts at its band's edge, halved: nearer to the edge than that is not as good. */
const HALF_WEIGHT = 0.5e6;

function isEnough(p: Problem, trial: Trial, best: Trial, id: ConditionId | null): boolean {
  if (id === null) return trial.penalty <= best.penalty + AS_GOOD;
  const [now, then] = [trial.stands.get(id), best.stands.get(id)];
  // What more of it closes, less of it has to close as well.
  if (then?.outside === 0 && now && now.outside !== 0) return false;
  if ((now?.chance ?? 1) >= SURE) return true;
  return trial.penalty <= best.penalty + Math.min(AS_GOOD, HALF_WEIGHT * p.targets[id].weight);
}

/** Sizes worth trying against a shortfall: from what brings it to its band to what brings it to its aim, and beyond. */
function sizesFor(p: Problem, { sizes }: Cure, id: ConditionId, { residual, outside }: Stand): number[] {
  const last = sizes.length - 1;
  const atLeast = (mm: number): number => {
    const at = sizes.findIndex((size) => size >= mm - 1e-9);
    return at < 0 ? last : at;
  };
  const found = new Set<number>();
  if (CONDITION_UNITS[id] === 'mm' && !id.startsWith('lumbarH') && !id.startsWith('lumbarB')) {
    const first = atLeast(Math.abs(outside));
    for (let n = 0; n < 3; n++) found.add(Math.min(last, first + n));
    const toAim = outsideBy(aimOf(p.targets[id]), residual);
    if (Number.isFinite(toAim)) found.add(atLeast(Math.abs(toAim)));
  } else {
    const every = Math.max(1, Math.ceil(last / MOST_SIZES));
    for (let at = 0; at <= last; at += every) found.add(at);
  }
  return [...found].map((at) => sizes[at]!);
}

/**
 * The smallest size not above `from` that is enough: more is taken to do no less, up to the size that does best.
 * @param from positive, of which `best` is the trial
 * @returns a size of the trade’s steps, mm. Definition.
 */
export function smallestEnough(
  p: Problem,
  cure: Cure,
  {
    others,
    from,
    id,
  }: {
    readonly others: RemedySettings;
    readonly from: { readonly size: number; readonly best: Trial };
    readonly id: ConditionId | null;
  },
): Candidate {
  const sizes = cure.sizes.filter((size) => size < from.size);
  const tried = (size: number): Trial => tryOut(p, { ...others, [cure.id]: cure.sign * size });
  let found: Candidate = { cure, sizeMm: cure.sign * from.size, trial: from.best };
  let [low, high] = [0, sizes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const size = sizes[middle]!;
    const trial = tried(size);
    if (isEnough(p, trial, from.best, id)) {
      found = { cure, sizeMm: cure.sign * size, trial };
      high = middle;
    } else low = middle + 1;
  }
  return found;
}

/**
 * What a cure does about a shortfall beside what is there already; null where it does nothing.
 * @returns null where it does nothing. Definition.
 */
export function candidateFor(
  p: Problem,
  base: Trial,
  { cure, id, others }: { readonly cure: Cure; readonly id: ConditionId; readonly others: RemedySettings },
): Candidate | null {
  if (cure.id === 'footrestMm') {
    const best = tryOut(p, { ...others, footrestMm: 0 }, true);
    const size = best.settings.remedies.footrestMm ?? 0;
    if (size === 0) return null;
    return smallestEnough(p, cure, {
      others,
      from: { size, best: tryOut(p, { ...others, footrestMm: size }) },
      id,
    });
  }
  let from: { readonly size: number; readonly best: Trial } | null = null;
  for (const size of sizesFor(p, cure, id, base.stands.get(id)!)) {
    const best = tryOut(p, { ...others, [cure.id]: cure.sign * size });
    if (!from || best.penalty < from.best.penalty) from = { size, best };
  }
  return from && smallestEnough(p, cure, { others, from, id });
}
