/** The sheet to measure by: blank, or with the readings that hold. */
import '../words/pages';
import { DIMENSIONS, DIMENSION_IDS, isMeasured, type DimensionId, type DimensionRow } from '../core/body';
import { selectionOf, toleranceOf, type Tolerances, type TourSet } from '../core/measuring';
import { drawnSizes } from '../core/scene/measuring-body';
import { measuringView } from '../core/scene/measuring-view';
import { formatLengthNumber, formatMassNumber } from '../core/units';
import type { Paper } from '../drawing/pdf/paper';
import { measuringSheetPdf, type MeasuringSheet, type SheetLine } from '../drawing/pdf/measuring-sheet-pdf';
import { done, type MeasuringSession, type Outcome, type SitterDetail, type Taken } from '../contract';
import { measuringSessions, tolerances } from '../service/measuring';
import type { Context } from '../service/context';
import { sitterDetail } from '../service/sitters';
import { sayDate, sayValue, sayWith, word, type Reading } from '../words';
import { FileAnswer } from './files';

export interface SheetRequest {
  readonly paper: Paper;
  readonly set: TourSet;
  readonly isFilled: boolean;
}

const POSTURES: readonly DimensionRow['posture'][] = ['standing', 'footwear', 'seated'];

/** As it is written into a box: to the tenth where there are tenths. */
function written(id: DimensionId, value: number, reading: Reading): string {
  const tenths = Math.round(value * 10) / 10;
  if (DIMENSIONS[id].unit === 'mm') return formatLengthNumber(tenths, reading.length);
  return reading.mass === 'kg' ? String(tenths) : formatMassNumber(tenths, reading.mass);
}

function lineOf(
  id: DimensionId,
  sitter: SitterDetail | null,
  taken: (Taken & Pick<MeasuringSession, 'date' | 'takenBy'>) | undefined,
  own: Tolerances,
  reading: Reading,
): SheetLine {
  const { unit } = DIMENSIONS[id];
  const repeatTolerance = toleranceOf(id, own);
  const body = sitter?.body ?? {};
  const size = drawnSizes((other) => (isMeasured(body, other) ? body[other]!.value : undefined));
  const takes = taken?.takes ?? (taken ? [taken.value] : []);
  const box = (i: number) => (takes[i] === undefined ? '' : written(id, takes[i], reading));
  return {
    name: word(`dimension.${id}`),
    how: word(`how.${id}`),
    unit: unit === 'kg' ? reading.mass : reading.length,
    tolerance: sayWith('sheet.tolerance', {
      by: sayValue(unit === 'kg' ? { kg: repeatTolerance } : { mm: repeatTolerance }, reading),
    }),
    figure: measuringView(id, size),
    takes: [box(0), box(1), box(2)],
    counts: taken ? written(id, taken.value, reading) : '',
    taken: taken ? [taken.takenBy, sayDate(taken.date, reading)].filter(Boolean).join(', ') : '',
  };
}

const FACTS = ['name', 'date', 'fitter', 'shoes', 'clothes', 'consent'] as const;

function sheetOf(
  sitter: SitterDetail | null,
  sessions: readonly MeasuringSession[],
  set: TourSet,
  own: Tolerances,
  reading: Reading,
): MeasuringSheet {
  const current = new Map(
    sessions.flatMap(({ date, takenBy, taken }) =>
      taken.filter((t) => t.isCurrent).map((t) => [t.dimension, { ...t, date, takenBy }] as const),
    ),
  );
  const ids = selectionOf(set);
  const newest = sessions.find(({ taken }) => taken.some((t) => t.isCurrent));
  const values: Record<(typeof FACTS)[number], string> = {
    name: sitter?.name ?? '',
    date: newest ? sayDate(newest.date, reading) : '',
    fitter: newest?.takenBy ?? '',
    shoes: newest?.id ? word(newest.shoesOn ? 'sheet.shoes.on' : 'sheet.shoes.off') : '',
    clothes: newest?.clothes ?? '',
    consent: sitter?.consentOn
      ? [sayDate(sitter.consentOn, reading), sitter.consentBy].filter(Boolean).join(', ')
      : '',
  };
  return {
    title: word('sheet.title'),
    before: word('signs.paper'),
    facts: FACTS.map((name) => ({ name: word(`sheet.${name}`), value: values[name] })),
    groups: POSTURES.map((posture) => ({
      posture: word(`tour.posture.${posture}`),
      lines: DIMENSION_IDS.filter((id) => ids.includes(id) && DIMENSIONS[id].posture === posture).map((id) =>
        lineOf(id, sitter, current.get(id), own, reading),
      ),
    })).filter(({ lines }) => lines.length > 0),
    notes: [word('sheet.howTo'), word('sheet.privacy'), word('caution.scope')],
  };
}

/**
 * One page.
 * @param id of a sitter; null for a sheet that is nobody's
 */
export async function measuringPaper(
  ctx: Context,
  id: string | null,
  reading: Reading,
  { paper, set, isFilled }: SheetRequest,
): Promise<Outcome<FileAnswer>> {
  const sitter = id === null ? null : await sitterDetail(ctx, id);
  if (sitter && !sitter.ok) return sitter;
  const sessions = id !== null && isFilled ? await measuringSessions(ctx, id) : done([]);
  if (!sessions.ok) return sessions;
  const own = await tolerances(ctx);
  if (!own.ok) return own;
  const sheet = sheetOf(sitter?.value ?? null, sessions.value, set, own.value.tolerances, reading);
  return done(
    new FileAnswer('measuring-sheet.pdf', 'pdf', await measuringSheetPdf(sheet, reading, paper, ctx.now())),
  );
}
