/** The controls of a seat on paper. */
import '../words/pages';
import { done, type Outcome } from '../contract';
import { controlSheetOf } from '../drawing/control-sheet';
import { controlSheetPdf } from '../drawing/pdf/control-sheet-pdf';
import type { Paper } from '../drawing/pdf/paper';
import type { Context } from '../service/context';
import { seatOf } from '../service/seats';
import type { Reading } from '../words';
import { FileAnswer } from './files';

/** One page. */
export async function controlPaper(
  ctx: Context,
  id: string,
  reading: Reading,
  paper: Paper,
): Promise<Outcome<FileAnswer>> {
  const found = await seatOf(ctx, id);
  if (!found.ok) return found;
  const { seat } = found.value;
  const bytes = await controlSheetPdf(seat, controlSheetOf(seat, reading), reading, paper, ctx.now());
  return done(new FileAnswer('control-sheet.pdf', 'pdf', bytes));
}
