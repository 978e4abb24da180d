/** A remedy as it is offered: what it closes and what else it does, in words, and which comes first. */
import { CONDITION_UNITS, type ConditionId } from '../conditions';
import { message, type Message, type MessageValue } from '../../message';
import type { SeatModel } from '../../seat';
import { legOf } from '../geometry/on-seat';
import { inPlace } from '../case/in-place';
import { REMEDY_IDS, isSwitch, sizeInUse, type RemedyId, type Settings } from '../problem/inputs';
import type { Problem } from '../problem/problem';
import { valuesOfSettings } from '../search/solve';
import { REMEDY_COSTS, type Cure, type RemedyCost } from './cures';
import { closedBy, outsideIn, type Trial } from './trial';

/** What a remedy does to one condition. */
export interface RemedyEffect {
  readonly id: ConditionId;
  /** What becomes of its verdict. */
  readonly turn: 'closed' | 'opened' | 'same';
  readonly words: Message;
}

/** One to three things to be added or changed, solved for together. */
export interface Remedy {
  /** Beside what is in use already. */
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
  /** The best settings with it and with what is in use already. */
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
  /** Outside its band at the best settings, with what is in use already. */
  readonly shortfalls: readonly ConditionId[];
  /** What lowers the total most first; to keep the arms counts for something. */
  readonly offered: readonly Remedy[];
  /** Only where nothing offered closes everything. */
  readonly otherSeat: OtherSeat | null;
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

function arithmeticOf(
  p: Problem,
  base: Trial,
  { trial, id, sizeMm }: { readonly trial: Trial; readonly id: RemedyId; readonly sizeMm: number },
): Message {
  const key = sizeMm < 0 ? `remedy.${id}.less` : `remedy.${id}`;
  const size = { sizeMm: Math.abs(sizeMm) };
  const { body } = p;
  if (id === 'footrestMm') {
    const there = inPlace(p, trial.settings.remedies);
    const values = valuesOfSettings(there, trial.settings);
    const { hollowMm } = legOf(there, values);
    return message(key, {
      seat: { mm: values.seatHeight },
      hollow: { mm: hollowMm },
      leg: { mm: there.lowerLegMm },
      shoe: { mm: body.shoeHeel },
      gap: { mm: hollowMm - body.shoeHeel - there.lowerLegMm },
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
  return message(key, isSwitch(id) ? {} : { size });
}

const costOf = (cures: readonly Cure[]): RemedyCost =>
  REMEDY_COSTS[Math.max(...cures.map((c) => REMEDY_COSTS.indexOf(c.cost)))]!;

/**
 * A trial as what is offered.
 * @returns with what it closes, leaves and opens. Definition.
 */
export function remedyOf(p: Problem, base: Trial, trial: Trial, cures: readonly Cure[]): Remedy {
  const { remedies } = trial.settings;
  const parts = REMEDY_IDS.flatMap((id) => {
    const sizeMm = sizeInUse(remedies, id);
    return sizeMm === 0 || sizeMm === sizeInUse(base.settings.remedies, id) ? [] : [{ id, sizeMm }];
  });
  const [was, is] = [outsideIn(base), outsideIn(trial)];
  return {
    parts,
    cost: costOf(cures),
    effort: cures.reduce((sum, c) => sum + c.effort, 0),
    closes: closedBy(base, trial),
    leaves: is.filter((id) => was.includes(id)),
    opens: is.filter((id) => !was.includes(id)),
    arithmetic: parts.map(({ id, sizeMm }) => arithmeticOf(p, base, { trial, id, sizeMm })),
    effects: effectsOf(base, trial),
    settings: trial.settings,
    hard: trial.hard,
    penalty: trial.penalty,
  };
}

/**
 * How much a remedy leaves open.
 * @returns a count of conditions outside their bands. Definition.
 */
export const left = ({ leaves, opens }: Remedy): number => leaves.length + opens.length;
/**
 * The parts of a remedy as one name.
 * @returns a text to sort by. Definition.
 */
export const nameOf = ({ parts }: Remedy): string => parts.map(({ id, sizeMm }) => `${id} ${sizeMm}`).join();

/**
 * What each remedy counts beside the total when they are put in order, in millionths of a point (assumed): a footrest
 * has its price in the total; what is as easily had counts as much, what has to be rebuilt more, and arms come off only
 * where much is gained by it.
 */
const PRICES: Readonly<Record<RemedyId, number>> = {
  footrestMm: 0,
  lumbarRollMm: 2e6,
  headrestOff: 4e6,
  armsFolded: 6e6,
  seatPadMm: 14e6,
  backCushionMm: 14e6,
  screenRiserMm: 14e6,
  keyboardTrayMm: 16e6,
  columnMm: 20e6,
  armsOff: 24e6,
  deskMm: 26e6,
};
/**
 * The total with what everything added takes, millionths.
 * @returns 0 or more. Definition.
 */
export const totalOf = ({ penalty, parts }: Pick<Remedy, 'penalty' | 'parts'>): number =>
  parts.reduce((sum, { id }) => sum + PRICES[id], penalty);

const byTotal = (a: Remedy, b: Remedy): number => totalOf(a) - totalOf(b);

/** Of what is as good: what costs and takes least, then the better one; at a tie by name. */
const byEase = (a: Remedy, b: Remedy): number =>
  REMEDY_COSTS.indexOf(a.cost) - REMEDY_COSTS.indexOf(b.cost) ||
  a.effort - b.effort ||
  byTotal(a, b) ||
  (nameOf(a) < nameOf(b) ? -1 : 1);

/** Less than so many millionths of a point is not worth a remedy (assumed). */
export const WORTH = 3e6;

/**
 * What lowers the total most comes first; what comes within what a remedy is worth of it is as good.
 * @returns a new list. Definition.
 */
export function inOrder(found: readonly Remedy[]): Remedy[] {
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
