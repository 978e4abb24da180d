/** The sheet to survey a seat by: blank. */
import '../words/pages';
import { surveyView } from '../core/scene';
import {
  FEEL_SPOTS,
  SURVEY_GROUPS,
  SURVEY_QUESTIONS,
  adjustmentUnit,
  surveyTolerance,
  type SurveyQuestion,
  type SurveyUnit,
} from '../core/scene/survey-questions';
import { placeholderSeat } from '../core/seat';
import { done, type Outcome } from '../contract';
import type { MeasuringSheet, SheetLine } from '../drawing/pdf/measuring-sheet-pdf';
import type { Paper } from '../drawing/pdf/paper';
import { surveySheetPdf, type BlankTable } from '../drawing/pdf/survey-sheet-pdf';
import type { Context } from '../service/context';
import { sayInUnit, sayWith, t, word, type Reading } from '../words';
import { FileAnswer } from './files';

export const SURVEY_SETS = ['quick', 'full'] as const;
export type SurveySet = (typeof SURVEY_SETS)[number];

const unitOn = (unit: SurveyUnit, reading: Reading): string => {
  if (unit === 'mm') return reading.length;
  if (unit === 'kg') return reading.mass;
  return unit === 'deg' ? '°' : '';
};

function lineOf({ id, place, unit }: SurveyQuestion, reading: Reading): SheetLine {
  const asked = adjustmentUnit(unit);
  const by = surveyTolerance(unit);
  return {
    name: t(`survey.${id}`),
    how: t(`survey.${id}.how`),
    unit: unitOn(unit, reading),
    tolerance:
      asked !== null && (unit === 'mm' || unit === 'deg')
        ? sayWith('sheet.tolerance', { by: sayInUnit(by, asked, reading) })
        : '',
    figure: surveyView(placeholderSeat('office'), place),
    takes: ['', '', ''],
    counts: '',
    taken: '',
  };
}

const FACTS = [
  'surveySheet.seat',
  'surveySheet.class',
  'sheet.date',
  'sheet.fitter',
  'surveySheet.heights',
  'surveySheet.mass',
] as const;

function sheetOf(set: SurveySet, reading: Reading): MeasuringSheet {
  const asked = SURVEY_QUESTIONS.filter((q) => set === 'full' || q.isQuick);
  return {
    title: word('surveySheet.title'),
    facts: FACTS.map((key) => ({ name: word(key), value: '' })),
    groups: SURVEY_GROUPS.map((group) => ({
      posture: word(`surveySheet.group.${group}`),
      lines: asked.filter((q) => q.group === group).map((q) => lineOf(q, reading)),
    })).filter(({ lines }) => lines.length > 0),
    notes: [word('survey.needs.paper'), word('survey.loaded'), word('caution.scope')],
  };
}

function controlsTable(): BlankTable {
  return {
    title: word('surveySheet.controls'),
    hint: word('surveySheet.controls.hint'),
    heads: [
      word('surveySheet.where'),
      word('survey.feel.what'),
      word('surveySheet.moves'),
      word('surveySheet.way'),
      word('surveySheet.scale'),
    ],
    rows: FEEL_SPOTS.map(({ id }) => t(`survey.feel.${id}`)),
  };
}

/** Two pages: values, then controls. */
export async function surveyPaper(
  ctx: Context,
  reading: Reading,
  paper: Paper,
  set: SurveySet,
): Promise<Outcome<FileAnswer>> {
  const bytes = await surveySheetPdf(sheetOf(set, reading), controlsTable(), reading, paper, ctx.now());
  return done(new FileAnswer('survey-sheet.pdf', 'pdf', bytes));
}
