/** The labels of tagged seats on paper. */
import '../words/pages';
import { done, type Outcome } from '../contract';
import type { PieceFilter } from '../contract/pieces';
import { LONGEST_SERIES } from '../contract/piece-lists';
import { labelsPdf } from '../drawing/pdf/labels-pdf';
import type { Paper } from '../drawing/pdf/paper';
import type { Context } from '../service/context';
import { labelsOf } from '../service/labels';
import { FileAnswer } from './files';

/** @param taken how many labels of the first sheet are used already */
export async function labelPaper(
  ctx: Context,
  filter: PieceFilter,
  paper: Paper,
  taken: number,
): Promise<Outcome<FileAnswer>> {
  const found = await labelsOf(ctx, filter, LONGEST_SERIES);
  if (!found.ok) return found;
  return done(new FileAnswer('labels.pdf', 'pdf', await labelsPdf(found.value, { paper, taken }, ctx.now())));
}
