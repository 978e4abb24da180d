/** The questions of a survey, one value each, in the order in which one kneels before a seat. Nothing here knows of a screen. */
import type { SurveyPlace } from '../../core/scene';
import type { AdjustmentKind } from '../../core/seat';
import { newAdjustment, type AdjustmentText, type MoveText, type SeatText } from './seat-text';

/** What a value is counted in. */
export type SurveyUnit = 'mm' | 'kg' | 'deg' | 'turn' | 'count';

export interface SurveyStep {
  readonly id: string;
  readonly place: SurveyPlace;
  readonly unit: SurveyUnit;
  /** One of the seven that decide. */
  readonly isQuick: boolean;
  /** At which field of the form its fault stands. */
  readonly path: string;
  readonly valueOf: (text: SeatText) => string;
  readonly put: (text: SeatText, value: string) => Partial<SeatText>;
}

const found = (text: SeatText, kind: AdjustmentKind): AdjustmentText | undefined =>
  text.adjustments.find((a) => a.kind === kind);

/** An adjustment with a change; begun where there was none. */
function withAdjustment(
  text: SeatText,
  kind: AdjustmentKind,
  change: Partial<AdjustmentText>,
): Pick<SeatText, 'adjustments'> {
  const before = found(text, kind);
  const next = { ...(before ?? newAdjustment(kind)), ...change };
  return {
    adjustments: before
      ? text.adjustments.map((a) => (a === before ? next : a))
      : [...text.adjustments, next],
  };
}

type StepOf = Pick<SurveyStep, 'id' | 'place' | 'unit'> & { readonly isQuick?: boolean };

/** How it moves by what was typed of its ends: one end alone, or twice the same, is fixed until more is known. */
function moveOf({ lowest, highest, count }: Pick<AdjustmentText, 'lowest' | 'highest' | 'count'>): MoveText {
  if (highest.trim() === '' || highest.trim() === lowest.trim()) return 'fixed';
  return count.trim() === '' ? 'slides' : 'clicks';
}

/** A text of an adjustment, and what follows from it. */
const end = (
  kind: AdjustmentKind,
  key: 'lowest' | 'highest' | 'count',
  step: StepOf,
  more: Partial<SeatText> = {},
): SurveyStep => ({
  isQuick: false,
  ...step,
  path: `adjustments/${kind}/${key}`,
  valueOf: (text) => found(text, kind)?.[key] ?? '',
  put: (text, value) => {
    const next = { ...(found(text, kind) ?? newAdjustment(kind)), [key]: value };
    return { ...withAdjustment(text, kind, { [key]: value, move: moveOf(next) }), ...more };
  },
});
const lower = (kind: AdjustmentKind, step: StepOf, more: Partial<SeatText> = {}): SurveyStep =>
  end(kind, 'lowest', step, more);
/** The same as the lower one says that it does not move. */
const upper = (kind: AdjustmentKind, step: StepOf): SurveyStep => end(kind, 'highest', step);
/** How many positions it clicks into; none: it slides. */
const stops = (kind: AdjustmentKind, step: StepOf): SurveyStep => end(kind, 'count', step);

const plain = (key: 'ratedLoad' | 'width' | 'sink', step: StepOf): SurveyStep => ({
  isQuick: false,
  ...step,
  path: key,
  valueOf: (text) => text[key],
  put: (_, value) => ({ [key]: value }),
});

const ARMS = { hasArms: true } as const;

export const SURVEY_STEPS: readonly SurveyStep[] = [
  plain('ratedLoad', { id: 'ratedLoad', place: 'label', unit: 'kg', isQuick: true }),
  lower('seatHeight', { id: 'heightLow', place: 'seatHeight', unit: 'mm', isQuick: true }),
  upper('seatHeight', { id: 'heightHigh', place: 'seatHeight', unit: 'mm', isQuick: true }),
  plain('sink', { id: 'sink', place: 'sink', unit: 'mm' }),
  lower('seatDepth', { id: 'depthShort', place: 'seatDepth', unit: 'mm', isQuick: true }),
  upper('seatDepth', { id: 'depthLong', place: 'seatDepth', unit: 'mm', isQuick: true }),
  stops('seatDepth', { id: 'depthStops', place: 'seatDepth', unit: 'count' }),
  plain('width', { id: 'width', place: 'seatWidth', unit: 'mm', isQuick: true }),
  lower('armHeight', { id: 'armLow', place: 'padHeight', unit: 'mm', isQuick: true }, ARMS),
  upper('armHeight', { id: 'armHigh', place: 'padHeight', unit: 'mm' }),
  stops('armHeight', { id: 'armStops', place: 'padHeight', unit: 'count' }),
  lower('armWidth', { id: 'gapNarrow', place: 'padGap', unit: 'mm' }, ARMS),
  upper('armWidth', { id: 'gapWide', place: 'padGap', unit: 'mm' }),
  lower('lumbarApex', { id: 'lumbarLow', place: 'lumbar', unit: 'mm' }),
  upper('lumbarApex', { id: 'lumbarHigh', place: 'lumbar', unit: 'mm' }),
  stops('lumbarApex', { id: 'lumbarStops', place: 'lumbar', unit: 'count' }),
  lower('backAngle', { id: 'backUpright', place: 'back', unit: 'deg' }),
  upper('backAngle', { id: 'backReclined', place: 'back', unit: 'deg' }),
  stops('backAngle', { id: 'backStops', place: 'back', unit: 'count' }),
  {
    id: 'tensionTurns',
    place: 'tension',
    unit: 'turn',
    isQuick: false,
    path: 'adjustments/tiltTension/highest',
    valueOf: (text) => found(text, 'tiltTension')?.highest ?? '',
    put: (text, value) =>
      withAdjustment(text, 'tiltTension', {
        unit: 'turn',
        lowest: value.trim() === '' ? '' : '0',
        highest: value,
      }),
  },
  lower('headHeight', { id: 'headLow', place: 'head', unit: 'mm' }),
  upper('headHeight', { id: 'headHigh', place: 'head', unit: 'mm' }),
];

/** The questions that are asked: all, or the seven; the cushion’s only where heights are measured with nobody seated. */
export const stepsFor = (text: SeatText, isQuick: boolean): readonly SurveyStep[] =>
  SURVEY_STEPS.filter(
    (step) => (isQuick ? step.isQuick : true) && (step.id !== 'sink' || text.heightsAre === 'empty'),
  );

/** What was begun and given up again: an adjustment of which nothing was said goes. */
export const withoutEmpty = (text: SeatText): Pick<SeatText, 'adjustments' | 'hasArms'> => {
  const adjustments = text.adjustments.filter(
    (a) =>
      a.kind === 'seatHeight' ||
      [a.lowest, a.highest, a.values].some((t) => t.trim() !== '') ||
      a.kind === 'tiltLock',
  );
  const hasArms = text.hasArms && adjustments.some((a) => a.kind === 'armHeight' || a.kind === 'armWidth');
  return { adjustments, hasArms };
};

/** Of which only one end was measured: taken as fixed until the other is. */
export const oneEnded = (text: SeatText): readonly AdjustmentKind[] =>
  text.adjustments
    .filter((a) => a.move === 'fixed' && a.lowest.trim() !== '' && a.highest.trim() === '')
    .map((a) => a.kind);
