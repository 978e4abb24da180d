/** The controls of a seat on paper. */
import '../words/pages';
import { done, type Outcome } from '../contract';
import type { SeatModel } from '../core/seat';
import { controlSheetOf } from '../drawing/control-sheet';
import { controlSheetPdf } from '../drawing/pdf/control-sheet-pdf';
import type { Paper } from '../drawing/pdf/paper';
import type { Context } from '../service/context';
import { labelled } from '../service/labels';
import { seatOf } from '../service/seats';
import type { Reading } from '../words';
import { FileAnswer } from './files';

async function sheetOf(
  ctx: Context,
  found: Outcome<{ readonly seat: SeatModel }>,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> {
  if (!found.ok) return found;
  const { seat } = found.value;
  const bytes = await controlSheetPdf(seat, controlSheetOf(seat, reading), reading, paper, ctx.now());
  return done(new FileAnswer('control-sheet.pdf', 'pdf', bytes));
}

/** One page. */
export const controlPaper = async (
  ctx: Context,
  id: string,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> => sheetOf(ctx, await seatOf(ctx, id), reading, paper);

/** The same by the label on a seat. */
export const labelledControls = async (
  ctx: Context,
  token: string,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> => sheetOf(ctx, await labelled(ctx, token), reading, paper);
