import type { Deletion } from '../contract';
import { forgetAnswersBefore } from '../data/answers';
import { erasePiecesDeletedBefore } from '../data/pieces';
import { eraseFitting, eraseSitter, fittingsDeletedBefore, sittersDeletedBefore } from '../data/erasing';
import type { Context } from './context';
import { tidyImports } from './importing';

/** How long a deletion can be undone, minutes. */
export const UNDO_MINUTES = 10;
/** How long people from a file wait for a decision, hours. */
const IMPORT_HOURS = 24;
/** How long the first answer to a request is kept for the same request sent again, days. */
export const ANSWER_DAYS = 14;

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;

/** What a deletion at an instant is answered with. */
export const deletionOf = (id: string, deletedAt: Date): Deletion => ({
  id,
  undoUntil: new Date(deletedAt.getTime() + UNDO_MINUTES * MINUTE_MS).toISOString(),
  undoMinutes: UNDO_MINUTES,
});

/**
 * Erases what was deleted so long ago that it can no longer be undone, and forgets old answers. Called at the start
 * and every minute.
 */
export async function tidy(ctx: Context): Promise<{ readonly sitters: number; readonly fittings: number }> {
  const before = (ms: number) => new Date(ctx.now().getTime() - ms).toISOString();
  const limit = before(UNDO_MINUTES * MINUTE_MS);
  const { db } = ctx.store;
  const [sitters, fittings] = [await sittersDeletedBefore(db, limit), await fittingsDeletedBefore(db, limit)];
  if (sitters.length + fittings.length > 0) {
    await ctx.store.erase(async (q) => {
      for (const id of fittings) await eraseFitting(q, id);
      for (const id of sitters) await eraseSitter(q, id);
    });
  }
  await ctx.store.write((q) => erasePiecesDeletedBefore(q, limit));
  await tidyImports(ctx, before(IMPORT_HOURS * 60 * MINUTE_MS));
  await ctx.store.write((q) => forgetAnswersBefore(q, before(ANSWER_DAYS * DAY_MS)));
  return { sitters: sitters.length, fittings: fittings.length };
}
