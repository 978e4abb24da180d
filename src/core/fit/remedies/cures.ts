/** What the trade adds, takes off or changes, against which shortfalls, and in which sizes it comes. */
import { conditionOf, type ConditionId, type CureKey } from '../conditions';
import { adjustmentOf, isFixed, offers, takesCushions, type Offer, type SeatModel } from '../../seat';
import { stateFor } from '../case/in-place';
import type { FitInputs, RemedyId } from '../problem/inputs';
import { FOOTREST_HEIGHTS_MM } from '../search/axes';

/** What a remedy takes: nothing but setting; what is at hand; something small to buy; another seat. */
export const REMEDY_COSTS = ['none', 'free', 'cheap', 'anotherSeat'] as const;
export type RemedyCost = (typeof REMEDY_COSTS)[number];

/** Which way a condition is outside its band. */
export type Side = 'more' | 'less';
export type Shortfall = `${ConditionId}.${Side}`;

/** One way of closing a shortfall. */
export interface Cure {
  readonly id: RemedyId;
  readonly cost: RemedyCost;
  /** Among remedies of one cost: 1 put in place at once, 2 with a tool, 3 an exchanged part, 4 furniture rebuilt (assumed). */
  readonly effort: 1 | 2 | 3 | 4;
  /** Those that the trade has, or that one can cut, rising, mm (common practice, no source). */
  readonly sizes: readonly number[];
  /** −1 where it makes something lower or shorter. */
  readonly sign: 1 | -1;
  readonly isPossible: (inputs: FitInputs) => boolean;
}

/** From the smallest to the largest in steps. */
const every = (step: number, least: number, most: number): number[] =>
  Array.from({ length: Math.floor((most - least) / step) + 1 }, (_, i) => least + i * step);

const cushioned = ({ seat }: FitInputs): boolean => takesCushions(seat);

/** A gas lift can be exchanged for a longer or a shorter one where the seat stands on one. */
const onColumn = (seat: SeatModel): boolean => {
  const height = adjustmentOf(seat.adjustments, 'seatHeight');
  return height !== null && !isFixed(height) && !offers(seat, 'bolted') && !offers(seat, 'suspension');
};
const hasDesk = ({ place }: FitInputs): boolean =>
  place !== null && adjustmentOf(place.adjustments, 'deskHeight') !== null;
const hasKeyboard = (inputs: FitInputs): boolean =>
  hasDesk(inputs) && inputs.place?.task === 'keyboard' && inputs.place.keyboardThicknessMm > 0;
/** A tray hangs where a drawer would be. */
const takesTray = (inputs: FitInputs): boolean =>
  hasKeyboard(inputs) && (inputs.place?.drawerMm ?? 0) <= (inputs.place?.deskThicknessMm ?? 0);
const hasScreen = ({ place }: FitInputs): boolean =>
  place !== null && adjustmentOf(place.adjustments, 'screenHeight') !== null;

/** What the workstation needs of a seat is not taken off it. */
const canDoWithout = ({ place }: FitInputs, offer: Offer): boolean => !place?.needs.includes(offer);
/** Whoever rises by the arms keeps them. */
const canLoseArms = (inputs: FitInputs): boolean =>
  inputs.seat.arms !== null && !inputs.work.risesByArms && canDoWithout(inputs, 'arms');

export const CURES: readonly Cure[] = [
  {
    id: 'lumbarRollMm',
    cost: 'free',
    effort: 1,
    sizes: every(5, 10, 60),
    sign: 1,
    isPossible: cushioned,
  },
  {
    id: 'armsOff',
    cost: 'free',
    effort: 2,
    sizes: [1],
    sign: 1,
    // What folds away need not come off.
    isPossible: (inputs) => canLoseArms(inputs) && stateFor(inputs.seat, 'armsFolded') === null,
  },
  {
    id: 'armsFolded',
    cost: 'free',
    effort: 1,
    sizes: [1],
    sign: 1,
    isPossible: (inputs) => canLoseArms(inputs) && stateFor(inputs.seat, 'armsFolded') !== null,
  },
  {
    id: 'headrestOff',
    cost: 'free',
    effort: 1,
    sizes: [1],
    sign: 1,
    isPossible: (inputs) => canDoWithout(inputs, 'headrest') && stateFor(inputs.seat, 'headrestOff') !== null,
  },
  {
    id: 'footrestMm',
    cost: 'cheap',
    effort: 1,
    sizes: FOOTREST_HEIGHTS_MM.slice(1),
    sign: 1,
    // Nothing lies under feet that work pedals.
    isPossible: ({ place }) => place?.pedals === undefined,
  },
  {
    id: 'columnMm',
    cost: 'cheap',
    effort: 3,
    sizes: every(10, 20, 120),
    sign: -1,
    isPossible: ({ seat }) => onColumn(seat),
  },
  {
    id: 'columnMm',
    cost: 'cheap',
    effort: 3,
    sizes: every(10, 20, 120),
    sign: 1,
    isPossible: ({ seat }) => onColumn(seat),
  },
  {
    id: 'seatPadMm',
    cost: 'cheap',
    effort: 1,
    sizes: every(5, 10, 60),
    sign: 1,
    isPossible: cushioned,
  },
  {
    id: 'backCushionMm',
    cost: 'cheap',
    effort: 1,
    sizes: every(5, 10, 80),
    sign: 1,
    isPossible: cushioned,
  },
  {
    id: 'deskMm',
    cost: 'cheap',
    effort: 4,
    sizes: every(10, 10, 120),
    sign: 1,
    isPossible: hasDesk,
  },
  {
    id: 'deskMm',
    cost: 'cheap',
    effort: 4,
    sizes: every(10, 10, 120),
    sign: -1,
    isPossible: hasDesk,
  },
  {
    id: 'keyboardTrayMm',
    cost: 'cheap',
    effort: 2,
    sizes: every(10, 30, 120),
    sign: 1,
    isPossible: takesTray,
  },
  {
    id: 'screenRiserMm',
    cost: 'cheap',
    effort: 1,
    sizes: every(20, 20, 240),
    sign: 1,
    isPossible: hasScreen,
  },
];

const keyOf = ({ id, sign }: Cure): CureKey => (sign < 0 ? (`${id}.less` as CureKey) : id);

/**
 * What the trade has against a shortfall.
 * @returns the usual first; empty where the trade has nothing. Common practice, no source.
 */
export function curesAgainst(shortfall: Shortfall): readonly Cure[] {
  const [id, side] = shortfall.split('.') as [ConditionId, Side];
  const keys: readonly CureKey[] = conditionOf(id).cures?.[side] ?? [];
  return CURES.filter((cure) => keys.includes(keyOf(cure)));
}

/** What lies under the feet and is lower is a mat or a board cut to size, mm (common practice). */
const LEAST_FOOTREST_MM = 40;

/**
 * The key of what a remedy is called, by its size: longer or shorter, a board or a footrest.
 * @param sizeMm 0 for what has no size
 * @returns a key of the catalogue. Definition.
 * @example
 * remedyName('footrestMm', 60) // => 'remedy.footrestMm.name'
 */
export function remedyName(id: RemedyId, sizeMm: number): string {
  if (id === 'footrestMm' && 0 < sizeMm && sizeMm < LEAST_FOOTREST_MM) return 'remedy.footrestMm.board.name';
  return `remedy.${id}${sizeMm < 0 ? '.less' : ''}.name`;
}
