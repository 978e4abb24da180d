/** Remedies: each put in its place and everything solved again, so that what it closes and what else it does is known. */
import type { ConditionId } from '../conditions';
import type { SeatModel } from '../../seat';
import type { Assessment } from '../outcome/assess';
import { isRefused, notMeant, seatChecks } from '../outcome/refusals';
import { NO_REMEDIES, sizeInUse, type RemedySettings } from '../problem/inputs';
import { problemOf } from '../case/problem-of';
import type { Problem } from '../problem/problem';
import { curesAgainst, type Cure, type Shortfall } from './cures';
import {
  WORTH,
  inOrder,
  left,
  nameOf,
  remedyOf,
  totalOf,
  type OtherSeat,
  type Remedies,
  type Remedy,
} from './remedy';
import { candidateFor, smallestEnough, type Candidate } from './sizes';
import { closedBy, outsideIn, tryOut, type Trial } from './trial';

/** The first of the seats, by penalty and name, that leaves nothing over. */
function otherSeatFor(p: Problem, seats: readonly SeatModel[]): OtherSeat | null {
  let best: OtherSeat | null = null;
  for (const seat of seats) {
    if (seat.id === p.inputs.seat.id) continue;
    const inputs = { ...p.inputs, seat };
    const checks = seatChecks(inputs);
    if (isRefused(checks) || notMeant(checks).length > 0) continue;
    const trial = tryOut(problemOf(inputs), NO_REMEDIES);
    if (outsideIn(trial).length > 0) continue;
    const isBetter =
      !best || trial.penalty < best.penalty || (trial.penalty === best.penalty && seat.name < best.seat.name);
    if (isBetter) best = { seat, penalty: trial.penalty };
  }
  return best;
}

/** Several things together, each as small as it may be. */
interface Combination {
  readonly parts: readonly Candidate[];
  readonly trial: Trial;
  /** With what everything added takes. */
  readonly total: number;
}

/** At most so many things are added together, and so many are looked at on the way: more is a list nobody reads. */
const MOST_TOGETHER = 3;
const MOST_ALONE = 8;
const MOST_PAIRS = 4;

const partsOf = (parts: readonly Candidate[]) => parts.map(({ cure, sizeMm }) => ({ id: cure.id, sizeMm }));

const combination = (parts: readonly Candidate[], trial: Trial): Combination => ({
  parts,
  trial,
  total: totalOf({ penalty: trial.penalty, parts: partsOf(parts) }),
});

const sizesOf = (parts: readonly Candidate[], but: Cure | null = null): RemedySettings =>
  Object.fromEntries(parts.filter(({ cure }) => cure !== but).map(({ cure, sizeMm }) => [cure.id, sizeMm]));

/** Every part as small as it may be with the others as they are. */
function settled(p: Problem, inUse: RemedySettings, given: Combination): Combination {
  let { parts, trial } = given;
  for (const { cure, sizeMm } of given.parts) {
    const others = { ...inUse, ...sizesOf(parts, cure) };
    const found = smallestEnough(p, cure, {
      others,
      from: { size: Math.abs(sizeMm), best: trial },
      id: null,
    });
    parts = parts.map((part) => (part.cure === cure ? found : part));
    ({ trial } = found);
  }
  return combination(parts, trial);
}

/** One more beside others, where that is worth it and brings further than any of them alone; else null. */
function joined(
  p: Problem,
  base: Trial,
  {
    inUse,
    given,
    more,
  }: { readonly inUse: RemedySettings; readonly given: Combination; readonly more: Combination },
): Combination | null {
  const [one] = more.parts;
  if (!one || given.parts.some(({ cure }) => cure.id === one.cure.id)) return null;
  const parts = [...given.parts, one];
  const choosesFootrest = parts.some(({ cure }) => cure.id === 'footrestMm');
  const trial = tryOut(p, { ...inUse, ...sizesOf(parts) }, choosesFootrest);
  const height = sizeInUse(trial.settings.remedies, 'footrestMm');
  // Beside the others it is not wanted any more.
  if (choosesFootrest && height === 0) return null;
  const resized = parts.map((part) => (part.cure.id === 'footrestMm' ? { ...part, sizeMm: height } : part));
  const found = combination(resized, trial);
  if (found.total > Math.min(given.total, more.total) - WORTH) return null;
  const closes = closedBy(base, trial).length;
  const isFurther = [given, more].every(
    (alone) =>
      closedBy(base, alone.trial).length < closes || outsideIn(trial).length < outsideIn(alone.trial).length,
  );
  return isFurther ? settled(p, inUse, found) : null;
}

const byTotal = (a: Combination, b: Combination): number => a.total - b.total;

/** Everything that does something about a shortfall by itself, best first. */
function* alone(p: Problem, base: Trial, inUse: RemedySettings): Generator<Combination, void> {
  const known = new Set<string>();
  for (const id of outsideIn(base)) {
    const shortfall: Shortfall = `${id}.${base.stands.get(id)!.outside > 0 ? 'more' : 'less'}`;
    for (const cure of curesAgainst(shortfall)) {
      if (!cure.isPossible(p.inputs)) continue;
      if (sizeInUse(inUse, cure.id) !== 0) continue;
      const found = candidateFor(p, base, { cure, id, others: inUse });
      const name = found && `${cure.id} ${found.sizeMm}`;
      if (!found || known.has(name!)) continue;
      known.add(name!);
      yield combination([found], found.trial);
    }
  }
}

/**
 * The remedies that close a shortfall of the best settings: one thing, or two or three together where none alone closes
 * everything, each solved for with everything around it. Yields what is known so far after each one tried; the last is
 * the whole.
 * @param seats to look among for another one
 * @param inUse what is there already; what is offered comes to it
 * @returns shortfalls, and what is offered against them by what it lowers. Definition.
 * @example
 * last(remediesInTurn(problem)).shortfalls // => ['deskTop']
 */
export function* remediesInTurn(
  p: Problem,
  seats: readonly SeatModel[] = [],
  inUse: RemedySettings = NO_REMEDIES,
): Generator<Remedies, void> {
  const base = tryOut(p, inUse);
  const shortfalls = outsideIn(base);
  const offered: Remedy[] = [];
  const known = (): Remedies => ({ shortfalls, offered: inOrder(offered), otherSeat: null });
  const offer = ({ parts, trial }: Combination): void => {
    if (base.penalty - trial.penalty < WORTH || closedBy(base, trial).length === 0) return;
    const remedy = remedyOf(
      p,
      base,
      trial,
      parts.map(({ cure }) => cure),
    );
    if (!offered.some((r) => nameOf(r) === nameOf(remedy))) offered.push(remedy);
  };
  const isDone = (): boolean => shortfalls.length === 0 || offered.some((r) => left(r) === 0);
  yield known();
  const singles: Combination[] = [];
  for (const found of alone(p, base, inUse)) {
    singles.push(found);
    offer(found);
    yield known();
  }
  const beside = [...singles].sort(byTotal).slice(0, MOST_ALONE);
  let open = beside;
  for (let size = 2; size <= MOST_TOGETHER && !isDone(); size++) {
    const next: Combination[] = [];
    for (const [i, given] of open.entries())
      for (const more of size === 2 ? beside.slice(i + 1) : beside) {
        const found = joined(p, base, { inUse, given, more });
        if (found) next.push(found);
        yield known();
      }
    next.forEach(offer);
    open = next.sort(byTotal).slice(0, MOST_PAIRS);
  }
  yield { ...known(), otherSeat: isDone() ? null : otherSeatFor(p, seats) };
}

/**
 * All of `remediesInTurn` at once.
 * @returns empty lists where nothing is left over. Definition.
 */
export function remediesFor(
  p: Problem,
  seats: readonly SeatModel[] = [],
  inUse: RemedySettings = NO_REMEDIES,
): Remedies {
  let last: Remedies = { shortfalls: [], offered: [], otherSeat: null };
  for (const known of remediesInTurn(p, seats, inUse)) last = known;
  return last;
}

/**
 * What is outside its band as set though the best settings, with nothing added, would bring it inside.
 * @returns empty where setting alone closes nothing. Definition.
 * @example
 * closedBySetting(assessed, remediesFor(problem)) // => []
 */
export function closedBySetting(
  { outcomes }: Pick<Assessment, 'outcomes'>,
  { shortfalls }: Remedies,
): ConditionId[] {
  const outside = outcomes.flatMap((o) => o.conditions.filter((c) => c.outside !== 0).map((c) => c.id));
  return [...new Set(outside)].filter((id) => !shortfalls.includes(id));
}
