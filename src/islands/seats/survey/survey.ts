/** The questions of a survey and the fields of the form that their answers go into. Nothing here knows of a screen. */
import { SURVEY_QUESTIONS, type SurveyQuestion } from '../../../core/scene/survey-questions';
import type { AdjustmentKind } from '../../../core/seat';
import { newAdjustment, type AdjustmentText, type MoveText, type SeatText } from '../seat-text';

export interface SurveyStep extends SurveyQuestion {
  /** At which field of the form its fault stands. */
  readonly path: string;
  readonly valueOf: (text: SeatText) => string;
  readonly put: (text: SeatText, value: string) => Partial<SeatText>;
}

type Field = Pick<SurveyStep, 'path' | 'valueOf' | 'put'>;

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

/** How it moves by what was typed of its ends: one end alone, or twice the same, is fixed until more is known. */
function moveOf({ lowest, highest, count }: Pick<AdjustmentText, 'lowest' | 'highest' | 'count'>): MoveText {
  if (highest.trim() === '' || highest.trim() === lowest.trim()) return 'fixed';
  return count.trim() === '' ? 'slides' : 'clicks';
}

/** A text of an adjustment, and what follows from it. */
const end = (
  kind: AdjustmentKind,
  key: 'lowest' | 'highest' | 'count',
  more: Partial<SeatText> = {},
): Field => ({
  path: `adjustments/${kind}/${key}`,
  valueOf: (text) => found(text, kind)?.[key] ?? '',
  put: (text, value) => {
    const next = { ...(found(text, kind) ?? newAdjustment(kind)), [key]: value };
    return { ...withAdjustment(text, kind, { [key]: value, move: moveOf(next) }), ...more };
  },
});

const plain = (key: 'ratedLoad' | 'width' | 'sink'): Field => ({
  path: key,
  valueOf: (text) => text[key],
  put: (_, value) => ({ [key]: value }),
});

const ARMS = { hasArms: true } as const;

/** Where the answer to each question stands in the form. The same at both ends says that it does not move. */
const FIELDS: Readonly<Record<string, Field>> = {
  ratedLoad: plain('ratedLoad'),
  heightLow: end('seatHeight', 'lowest'),
  heightHigh: end('seatHeight', 'highest'),
  sink: plain('sink'),
  depthShort: end('seatDepth', 'lowest'),
  depthLong: end('seatDepth', 'highest'),
  depthStops: end('seatDepth', 'count'),
  width: plain('width'),
  armLow: end('armHeight', 'lowest', ARMS),
  armHigh: end('armHeight', 'highest'),
  armStops: end('armHeight', 'count'),
  gapNarrow: end('armWidth', 'lowest', ARMS),
  gapWide: end('armWidth', 'highest'),
  lumbarLow: end('lumbarApex', 'lowest'),
  lumbarHigh: end('lumbarApex', 'highest'),
  lumbarStops: end('lumbarApex', 'count'),
  backUpright: end('backAngle', 'lowest'),
  backReclined: end('backAngle', 'highest'),
  backStops: end('backAngle', 'count'),
  tensionTurns: {
    path: 'adjustments/tiltTension/highest',
    valueOf: (text) => found(text, 'tiltTension')?.highest ?? '',
    put: (text, value) =>
      withAdjustment(text, 'tiltTension', {
        unit: 'turn',
        lowest: value.trim() === '' ? '' : '0',
        highest: value,
      }),
  },
  headLow: end('headHeight', 'lowest'),
  headHigh: end('headHeight', 'highest'),
};

export const SURVEY_STEPS: readonly SurveyStep[] = SURVEY_QUESTIONS.map((question) => {
  const field = FIELDS[question.id];
  if (!field) throw new Error(`no field for the question ${question.id}`);
  return { ...question, ...field };
});

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
