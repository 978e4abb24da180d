/** Remedies: each put in its place and everything solved again, so that what it closes and what else it does is known. */
import { CONDITION_UNITS, aimOf, bandOf, outsideBy, type ConditionId } from '../../method';
import { message, type Message, type MessageValue } from '../../message';
import type { SeatModel } from '../../seat';
import type { Assessment } from '../outcome/assess';
import { computable } from '../conditions';
import { CURES, REMEDY_COSTS, type Cure, type RemedyCost, type Shortfall } from './cures';
import { inPlace } from '../problem/in-place';
import {
  NO_REMEDIES,
  REMEDY_IDS,
  type RemedyId,
  type RemedySettings,
  type Settings,
} from '../problem/inputs';
import { INSIDE_SLACK } from '../outcome/outcome';
import { problemOf, type Problem } from '../problem/problem';
import { isRefused, notMeant, seatChecks } from '../outcome/refusals';
import { BUDGET_OF_MANY, solve, valuesOfSettings } from '../search/solve';

/** What a remedy does to one condition. */
export interface RemedyEffect {
  readonly id: ConditionId;
  /** What becomes of its verdict. */
  readonly turn: 'closed' | 'opened' | 'same';
  readonly words: Message;
}

/** One or two things to be added or changed, solved for. */
export interface Remedy {
  readonly parts: readonly { readonly id: RemedyId; readonly sizeMm: number }[];
  readonly cost: RemedyCost;
  /** Of its parts together: what can be put in place at once before what needs a tool, a part, a workshop. */
  readonly effort: number;
  /** What was outside its band at the best settings and is not any more; what still is; what only now is. */
  readonly closes: readonly ConditionId[];
  readonly leaves: readonly ConditionId[];
  readonly opens: readonly ConditionId[];
  /** A sentence for each part. */
  readonly arithmetic: readonly Message[];
  /** What else moves: out of or into its band first. */
  readonly effects: readonly RemedyEffect[];
  /** The best settings with it. */
  readonly settings: Settings;
  readonly hard: number;
  readonly penalty: number;
}

/** Another seat with which nothing is left over. */
export interface OtherSeat {
  readonly seat: SeatModel;
  readonly penalty: number;
}

export interface Remedies {
  /** Outside its band at the best settings without any remedy. */
  readonly shortfalls: readonly ConditionId[];
  /** What lowers the total most first; to keep the arms counts for something. */
  readonly offered: readonly Remedy[];
  /** Only where nothing offered closes everything. */
  readonly otherSeat: OtherSeat | null;
}

interface Stand {
  readonly residual: number;
  /** Signed; 0 inside. */
  readonly outside: number;
}

/** Settings tried, and how everything stands with them. */
interface Trial {
  readonly settings: Settings;
  readonly hard: number;
  readonly penalty: number;
  readonly stands: ReadonlyMap<ConditionId, Stand>;
}

function standsOf(p: Problem, settings: Settings): ReadonlyMap<ConditionId, Stand> {
  const q = inPlace(p, settings.remedies);
  const values = valuesOfSettings(q, settings);
  return new Map(
    computable(q).map((c) => {
      const residual = c.residual(q, values);
      const outside = outsideBy(bandOf(q.targets[c.id]), residual);
      return [c.id, { residual, outside: Math.abs(outside) <= INSIDE_SLACK ? 0 : outside }];
    }),
  );
}

function tryOut(p: Problem, remedies: RemedySettings): Trial {
  const chooseFootrest = remedies.footrestMm !== undefined;
  const { settings, hard, penalty } = solve(p, { remedies, chooseFootrest, budget: BUDGET_OF_MANY });
  return { settings, hard, penalty, stands: standsOf(p, settings) };
}

const isLess = (a: Trial, b: Trial): boolean => a.penalty < b.penalty;

/** Less than so many millionths of a point is not worth a remedy (assumed). */
const WORTH = 3e6;
const isWorth = (trial: Trial, base: Trial): boolean => base.penalty - trial.penalty >= WORTH;

const outsideIn = ({ stands }: Trial): ConditionId[] =>
  [...stands].filter(([, { outside }]) => outside !== 0).map(([id]) => id);

/** Sizes worth trying against a shortfall: from what brings it to its band to what brings it to its aim. */
function sizesFor(
  p: Problem,
  { sizes, sign }: Cure,
  id: ConditionId,
  { residual, outside }: Stand,
): number[] {
  const { least, most, step } = sizes;
  const onStep = (mm: number): number => Math.max(least, Math.min(most, Math.ceil(mm / step - 1e-9) * step));
  const found = new Set<number>();
  if (CONDITION_UNITS[id] === 'mm' && !id.startsWith('lumbarH') && !id.startsWith('lumbarB')) {
    const first = onStep(Math.abs(outside));
    for (let n = 0; n < 3; n++) found.add(Math.min(most, first + n * step));
    const toAim = outsideBy(aimOf(p.targets[id]), residual);
    if (Number.isFinite(toAim)) found.add(onStep(Math.abs(toAim)));
  } else {
    const every = Math.max(step, Math.ceil((most - least) / MOST_SIZES / step) * step);
    for (let size = least; size <= most; size += every) found.add(size);
  }
  return [...found].map((size) => sign * size);
}
const MOST_SIZES = 7;

interface Candidate {
  readonly cure: Cure;
  readonly sizeMm: number;
  readonly trial: Trial;
}

const closedBy = (base: Trial, trial: Trial): ConditionId[] =>
  outsideIn(base).filter((id) => (trial.stands.get(id)?.outside ?? 0) === 0);

/** The best size of one cure against one shortfall: of those that close it the one that costs least, else any. */
function candidateFor(p: Problem, base: Trial, cure: Cure, id: ConditionId): Candidate | null {
  let best: (Candidate & { readonly closes: boolean }) | null = null;
  const sizes = cure.id === 'footrestMm' ? [0] : sizesFor(p, cure, id, base.stands.get(id)!);
  for (const size of sizes) {
    const trial = tryOut(p, { [cure.id]: size });
    const sizeMm = cure.id === 'footrestMm' ? (trial.settings.remedies.footrestMm ?? 0) : size;
    if (sizeMm === 0) continue;
    const closes = (trial.stands.get(id)?.outside ?? 0) === 0;
    const isBetter = !best || (closes !== best.closes ? closes : isLess(trial, best.trial));
    if (isBetter) best = { cure, sizeMm, trial, closes };
  }
  return best;
}

/** Conditions that move by less are not worth a word: mm, degrees, counts. */
const LEAST_MOVE = { mm: 5, deg: 2, own: 0.5 } as const;

const said = (unit: 'mm' | 'deg' | 'own', n: number): MessageValue =>
  unit === 'mm' ? { mm: n } : unit === 'deg' ? { deg: n } : { count: n };

function effectsOf(base: Trial, trial: Trial): RemedyEffect[] {
  const effects = [...base.stands].flatMap(([id, before]): RemedyEffect[] => {
    const after = trial.stands.get(id);
    if (!after) return [];
    const unit = CONDITION_UNITS[id];
    const was = before.outside !== 0;
    const turn = was === (after.outside !== 0) ? 'same' : was ? 'closed' : 'opened';
    if (turn === 'same' && Math.abs(after.residual - before.residual) < LEAST_MOVE[unit]) return [];
    const words = message(`remedy.effect.${turn}`, {
      name: { word: `condition.${id}` },
      before: said(unit, before.residual),
      after: said(unit, after.residual),
    });
    return [{ id, turn, words }];
  });
  const rank = { opened: 0, closed: 1, same: 2 } as const;
  return effects.sort((a, b) => rank[a.turn] - rank[b.turn]);
}

function arithmeticOf(p: Problem, base: Trial, trial: Trial, id: RemedyId, sizeMm: number): Message {
  const key = sizeMm < 0 ? `remedy.${id}.less` : `remedy.${id}`;
  const size = { sizeMm: Math.abs(sizeMm) };
  const { body } = p;
  if (id === 'footrestMm') {
    const { seatHeight } = valuesOfSettings(p, trial.settings);
    return message(key, {
      seat: { mm: seatHeight },
      leg: { mm: body.poplitealHeight },
      shoe: { mm: body.shoeHeel },
      gap: { mm: seatHeight - body.shoeHeel - body.poplitealHeight },
      size,
    });
  }
  if (id === 'backCushionMm') {
    const room = base.stands.get('kneeRoom')?.residual ?? NaN;
    return message(key, {
      depth: { mm: valuesOfSettings(p, base.settings).seatDepth },
      length: { mm: body.buttockPoplitealLength },
      room: { mm: room },
      size,
      then: { mm: room + sizeMm },
    });
  }
  return message(key, id === 'armsOff' ? {} : { size });
}

const costOf = (cures: readonly Cure[]): RemedyCost =>
  REMEDY_COSTS[Math.max(...cures.map((c) => REMEDY_COSTS.indexOf(c.cost)))]!;

function remedyOf(p: Problem, base: Trial, trial: Trial, cures: readonly Cure[]): Remedy {
  const { remedies } = trial.settings;
  const parts = REMEDY_IDS.flatMap((id) => {
    const sizeMm = remedies[id] ?? 0;
    return sizeMm === 0 ? [] : [{ id, sizeMm }];
  });
  const [was, is] = [outsideIn(base), outsideIn(trial)];
  return {
    parts,
    cost: costOf(cures),
    effort: cures.reduce((sum, c) => sum + c.effort, 0),
    closes: closedBy(base, trial),
    leaves: is.filter((id) => was.includes(id)),
    opens: is.filter((id) => !was.includes(id)),
    arithmetic: parts.map(({ id, sizeMm }) => arithmeticOf(p, base, trial, id, sizeMm)),
    effects: effectsOf(base, trial),
    settings: trial.settings,
    hard: trial.hard,
    penalty: trial.penalty,
  };
}

const left = ({ leaves, opens }: Remedy): number => leaves.length + opens.length;
const nameOf = ({ parts }: Remedy): string => parts.map(({ id, sizeMm }) => `${id} ${sizeMm}`).join();

/**
 * What each remedy counts beside the total when they are put in order, in millionths of a point (assumed): a footrest
 * has its price in the total; what is as easily had counts as much, what has to be rebuilt more, and arms come off only
 * where much is gained by it.
 */
const PRICES: Readonly<Record<RemedyId, number>> = {
  footrestMm: 0,
  lumbarRollMm: 2e6,
  seatPadMm: 14e6,
  backCushionMm: 14e6,
  screenRiserMm: 14e6,
  keyboardTrayMm: 16e6,
  columnMm: 20e6,
  armsOff: 24e6,
  deskMm: 26e6,
};
const totalOf = ({ penalty, parts }: Remedy): number =>
  parts.reduce((sum, { id }) => sum + PRICES[id], penalty);

const byTotal = (a: Remedy, b: Remedy): number => totalOf(a) - totalOf(b);

/** Of what is as good: what costs and takes least, then the better one; at a tie by name. */
const byEase = (a: Remedy, b: Remedy): number =>
  REMEDY_COSTS.indexOf(a.cost) - REMEDY_COSTS.indexOf(b.cost) ||
  a.effort - b.effort ||
  byTotal(a, b) ||
  (nameOf(a) < nameOf(b) ? -1 : 1);

/** What lowers the total most comes first; what comes within what a remedy is worth of it is as good. */
function inOrder(found: readonly Remedy[]): Remedy[] {
  const waiting = [...found].sort(byTotal);
  const ordered: Remedy[] = [];
  while (waiting.length > 0) {
    const best = waiting[0]!;
    const asGood = waiting.filter((r) => totalOf(r) <= totalOf(best) + WORTH);
    const [first] = asGood.sort(byEase);
    ordered.push(first!);
    waiting.splice(waiting.indexOf(first!), 1);
  }
  return ordered;
}

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

/** Pairs of what was tried alone; more would be a list nobody reads. */
const MOST_PAIRED = 8;

/** Two together, where they close more than either alone. */
function pairOf(p: Problem, base: Trial, a: Candidate, b: Candidate): Remedy | null {
  if (a.cure.id === b.cure.id) return null;
  const trial = tryOut(p, { [a.cure.id]: a.sizeMm, [b.cure.id]: b.sizeMm });
  const closes = closedBy(base, trial);
  const isMore = [a, b].every(({ trial: one }) => {
    const alone = closedBy(base, one);
    return (
      isLess(trial, one) && alone.length < closes.length && outsideIn(trial).length < outsideIn(one).length
    );
  });
  if (!isMore || !isWorth(trial, base)) return null;
  const pair = remedyOf(p, base, trial, [a.cure, b.cure]);
  return pair.parts.length === 2 ? pair : null;
}

/**
 * The remedies that close a shortfall of the best settings without any: each solved for with everything around it.
 * Yields what is known so far after each one tried; the last is the whole.
 * @param seats to look among for another one
 */
export function* remediesInTurn(p: Problem, seats: readonly SeatModel[] = []): Generator<Remedies, void> {
  const base = tryOut(p, NO_REMEDIES);
  const shortfalls = outsideIn(base);
  const singles = new Map<string, Candidate>();
  const sorted = (found: readonly Remedy[]): Remedies => ({
    shortfalls,
    offered: inOrder(found),
    otherSeat: null,
  });
  const offered: Remedy[] = [];
  const keep = (found: Remedy): void => {
    if (!offered.some((r) => nameOf(r) === nameOf(found))) offered.push(found);
  };
  yield sorted(offered);
  for (const id of shortfalls) {
    const side = base.stands.get(id)!.outside > 0 ? 'more' : 'less';
    const shortfall: Shortfall = `${id}.${side}`;
    for (const cure of CURES) {
      if (!cure.against.includes(shortfall) || !cure.isPossible(p.inputs)) continue;
      const found = candidateFor(p, base, cure, id);
      if (!found) continue;
      singles.set(`${cure.id} ${found.sizeMm}`, found);
      const isClosed = closedBy(base, found.trial).includes(id);
      if (isClosed && isWorth(found.trial, base)) keep(remedyOf(p, base, found.trial, [cure]));
      yield sorted(offered);
    }
  }
  if (shortfalls.length > 0 && !offered.some((r) => left(r) === 0)) {
    const candidates = [...singles.values()].slice(0, MOST_PAIRED);
    for (let i = 0; i < candidates.length; i++)
      for (let j = i + 1; j < candidates.length; j++) {
        const pair = pairOf(p, base, candidates[i]!, candidates[j]!);
        if (pair) keep(pair);
        yield sorted(offered);
      }
  }
  const isClosed = shortfalls.length === 0 || offered.some((r) => left(r) === 0);
  yield { ...sorted(offered), otherSeat: isClosed ? null : otherSeatFor(p, seats) };
}

/** All of `remediesInTurn` at once. */
export function remediesFor(p: Problem, seats: readonly SeatModel[] = []): Remedies {
  let last: Remedies = { shortfalls: [], offered: [], otherSeat: null };
  for (const known of remediesInTurn(p, seats)) last = known;
  return last;
}

/** What is outside its band as set though the best settings, with nothing added, would bring it inside. */
export function closedBySetting(
  { outcomes }: Pick<Assessment, 'outcomes'>,
  { shortfalls }: Remedies,
): ConditionId[] {
  const outside = outcomes.flatMap((o) => o.conditions.filter((c) => c.outside !== 0).map((c) => c.id));
  return [...new Set(outside)].filter((id) => !shortfalls.includes(id));
}
