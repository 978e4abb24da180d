/** What is asked of a seat that nobody described: one value each, in the order in which one kneels before it. */
import type { AdjustmentUnit, Side, Zone } from '../seat';
import type { SurveyPlace } from './survey-view';

/** What a value is counted in. */
export type SurveyUnit = 'mm' | 'kg' | 'deg' | 'turn' | 'count';

export const SURVEY_GROUPS = ['seat', 'arms', 'back', 'head'] as const;
export type SurveyGroup = (typeof SURVEY_GROUPS)[number];

export interface SurveyQuestion {
  readonly id: string;
  readonly group: SurveyGroup;
  readonly place: SurveyPlace;
  readonly unit: SurveyUnit;
  /** One of the seven that decide. */
  readonly isQuick: boolean;
}

type Asked = Omit<SurveyQuestion, 'id'>;
const ask = (id: string, of: Omit<Asked, 'isQuick'> & Partial<Asked>): SurveyQuestion => ({
  id,
  isQuick: false,
  ...of,
});
const QUICK = { isQuick: true } as const;

export const SURVEY_QUESTIONS: readonly SurveyQuestion[] = [
  ask('ratedLoad', { group: 'seat', place: 'label', unit: 'kg', ...QUICK }),
  ask('heightLow', { group: 'seat', place: 'seatHeight', unit: 'mm', ...QUICK }),
  ask('heightHigh', { group: 'seat', place: 'seatHeight', unit: 'mm', ...QUICK }),
  ask('sink', { group: 'seat', place: 'sink', unit: 'mm' }),
  ask('depthShort', { group: 'seat', place: 'seatDepth', unit: 'mm', ...QUICK }),
  ask('depthLong', { group: 'seat', place: 'seatDepth', unit: 'mm', ...QUICK }),
  ask('depthStops', { group: 'seat', place: 'seatDepth', unit: 'count' }),
  ask('width', { group: 'seat', place: 'seatWidth', unit: 'mm', ...QUICK }),
  ask('armLow', { group: 'arms', place: 'padHeight', unit: 'mm', ...QUICK }),
  ask('armHigh', { group: 'arms', place: 'padHeight', unit: 'mm' }),
  ask('armStops', { group: 'arms', place: 'padHeight', unit: 'count' }),
  ask('gapNarrow', { group: 'arms', place: 'padGap', unit: 'mm' }),
  ask('gapWide', { group: 'arms', place: 'padGap', unit: 'mm' }),
  ask('lumbarLow', { group: 'back', place: 'lumbar', unit: 'mm' }),
  ask('lumbarHigh', { group: 'back', place: 'lumbar', unit: 'mm' }),
  ask('lumbarStops', { group: 'back', place: 'lumbar', unit: 'count' }),
  ask('backUpright', { group: 'back', place: 'back', unit: 'deg' }),
  ask('backReclined', { group: 'back', place: 'back', unit: 'deg' }),
  ask('backStops', { group: 'back', place: 'back', unit: 'count' }),
  ask('tensionTurns', { group: 'back', place: 'tension', unit: 'turn' }),
  ask('headLow', { group: 'head', place: 'head', unit: 'mm' }),
  ask('headHigh', { group: 'head', place: 'head', unit: 'mm' }),
];

/**
 * Standard deviation of one reading on a seat: a tape between soft edges, a level on a curved back, a count of turns
 * (assumed). What is counted in positions, or read off a label, has none.
 */
export const SURVEY_SD: Readonly<Record<SurveyUnit, number>> = { mm: 3, deg: 1, turn: 0.25, kg: 0, count: 0 };

/** Two readings of one thing differ by less than this in 95 of 100 cases (definition of the repeatability limit, ISO 5725). */
const LIMIT_SDS = 1.96 * Math.SQRT2;

/**
 * By how much two readings may differ before a third is wanted.
 * @returns in the unit, rounded; 0 where nothing is taken twice. Definition.
 * @example
 * surveyTolerance('mm') // => 8
 */
export const surveyTolerance = (unit: SurveyUnit): number => Math.round(LIMIT_SDS * SURVEY_SD[unit]);

/**
 * The unit of the adjustments that a value is taken in.
 * @returns null of a count of positions. Definition.
 * @example
 * adjustmentUnit('deg') // => 'deg'
 */
export const adjustmentUnit = (unit: SurveyUnit): AdjustmentUnit | null => (unit === 'count' ? null : unit);

/** Where a hand feels for controls, one after the other, as the sitter has right and left. */
export interface FeelSpot {
  readonly id: string;
  readonly side: Side;
  readonly zone: Zone;
}

const feel = (id: string, side: Side, zone: Zone): FeelSpot => ({ id, side, zone });

export const FEEL_SPOTS: readonly FeelSpot[] = [
  feel('rightFront', 'right', 'frontCorner'),
  feel('right', 'right', 'middle'),
  feel('rightRear', 'right', 'rearCorner'),
  feel('leftFront', 'left', 'frontCorner'),
  feel('left', 'left', 'middle'),
  feel('leftRear', 'left', 'rearCorner'),
  feel('front', 'middle', 'front'),
  feel('under', 'middle', 'underPan'),
  feel('armOutside', 'bothSides', 'outsideArm'),
  feel('armUnder', 'bothSides', 'underArm'),
  feel('backEdge', 'right', 'backEdge'),
  feel('backEdgeLeft', 'left', 'backEdge'),
  feel('behindBack', 'middle', 'behindBack'),
  feel('base', 'middle', 'base'),
];
