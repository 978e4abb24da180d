/** What the trade adds, takes off or changes, against which shortfalls, and in which sizes it comes. */
import type { ConditionId } from '../../method';
import { adjustmentOf, isFixed, offers, takesCushions, type SeatModel } from '../../seat';
import type { FitInputs, RemedyId } from '../problem/inputs';

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
  /** What it may close. */
  readonly against: readonly Shortfall[];
  /** Smallest and largest that the trade has, and in which steps, mm (common practice, no source). */
  readonly sizes: { readonly least: number; readonly most: number; readonly step: number };
  /** −1 where it makes something lower or shorter. */
  readonly sign: 1 | -1;
  readonly isPossible: (inputs: FitInputs) => boolean;
}

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
const hasScreen = ({ place }: FitInputs): boolean =>
  place !== null && adjustmentOf(place.adjustments, 'screenHeight') !== null;

const LUMBAR_HEIGHT: readonly Shortfall[] = [
  'lumbarHeight.more',
  'lumbarHeight.less',
  'lumbarByPractice.more',
  'lumbarByPractice.less',
];

export const CURES: readonly Cure[] = [
  {
    id: 'lumbarRollMm',
    cost: 'free',
    effort: 1,
    against: [...LUMBAR_HEIGHT, 'lumbarDepth.less', 'upperLumbar.less', 'lowerLumbar.less'],
    sizes: { least: 10, most: 60, step: 5 },
    sign: 1,
    isPossible: cushioned,
  },
  {
    id: 'armsOff',
    cost: 'free',
    effort: 2,
    against: [
      'armHeight.more',
      'armHeight.less',
      'armSpread.more',
      'armSpread.less',
      'hipContact.less',
      'hipClearance.less',
      'padsLevel.more',
      'padsLevel.less',
      'padReach.more',
      'padReach.less',
      'padAtDesk.less',
      'armPivot.more',
      'armPivot.less',
      'armAngle.more',
      'armAngle.less',
    ],
    sizes: { least: 1, most: 1, step: 1 },
    sign: 1,
    // Whoever rises by the arms keeps them.
    isPossible: ({ seat, work }) => seat.arms !== null && !work.risesByArms,
  },
  {
    id: 'footrestMm',
    cost: 'cheap',
    effort: 1,
    against: ['footGap.more', 'deskTop.more'],
    sizes: { least: 20, most: 180, step: 10 },
    sign: 1,
    // Nothing lies under feet that work pedals.
    isPossible: ({ place }) => place?.pedals === undefined,
  },
  {
    id: 'columnMm',
    cost: 'cheap',
    effort: 3,
    against: ['footGap.more'],
    sizes: { least: 20, most: 120, step: 10 },
    sign: -1,
    isPossible: ({ seat }) => onColumn(seat),
  },
  {
    id: 'columnMm',
    cost: 'cheap',
    effort: 3,
    against: ['footGap.less', 'thigh.more'],
    sizes: { least: 20, most: 120, step: 10 },
    sign: 1,
    isPossible: ({ seat }) => onColumn(seat),
  },
  {
    id: 'seatPadMm',
    cost: 'cheap',
    effort: 1,
    against: [
      'footGap.less',
      'thigh.more',
      'armHeight.more',
      'lumbarHeight.more',
      'lumbarByPractice.more',
      'headHeight.more',
      'deskTop.more',
    ],
    sizes: { least: 10, most: 60, step: 5 },
    sign: 1,
    isPossible: cushioned,
  },
  {
    id: 'backCushionMm',
    cost: 'cheap',
    effort: 1,
    against: ['kneeRoom.less'],
    sizes: { least: 10, most: 80, step: 5 },
    sign: 1,
    isPossible: cushioned,
  },
  {
    id: 'deskMm',
    cost: 'cheap',
    effort: 4,
    against: ['deskTop.less', 'deskContact.less', 'deskClearance.less'],
    sizes: { least: 10, most: 120, step: 10 },
    sign: 1,
    isPossible: hasDesk,
  },
  {
    id: 'deskMm',
    cost: 'cheap',
    effort: 4,
    against: ['deskTop.more'],
    sizes: { least: 10, most: 120, step: 10 },
    sign: -1,
    isPossible: hasDesk,
  },
  {
    id: 'keyboardTrayMm',
    cost: 'cheap',
    effort: 2,
    against: ['deskTop.more'],
    sizes: { least: 30, most: 120, step: 10 },
    sign: 1,
    isPossible: hasKeyboard,
  },
  {
    id: 'screenRiserMm',
    cost: 'cheap',
    effort: 1,
    against: ['gaze.more'],
    sizes: { least: 20, most: 240, step: 20 },
    sign: 1,
    isPossible: hasScreen,
  },
];
