/** Deleting for good: what was marked as deleted long enough ago goes, and what remains no longer knows the person. */
import { and, eq, inArray, isNotNull, lt, sql } from 'drizzle-orm';
import { forgetAnswersAbout } from './answers';
import type { Queries } from './client';
import { fittings, settingSets, sitters } from './schema';
import { cardLinks } from './schema-cards';
import { walks } from './schema-walks';

/** Ids of sitters marked as deleted before an instant. */
export async function sittersDeletedBefore(q: Queries, instant: string): Promise<string[]> {
  const rows = await q
    .select({ id: sitters.id })
    .from(sitters)
    .where(and(isNotNull(sitters.deletedAt), lt(sitters.deletedAt, instant)));
  return rows.map((r) => r.id);
}

export async function fittingsDeletedBefore(q: Queries, instant: string): Promise<string[]> {
  const rows = await q
    .select({ id: fittings.id })
    .from(fittings)
    .where(and(isNotNull(fittings.deletedAt), lt(fittings.deletedAt, instant)));
  return rows.map((r) => r.id);
}

/**
 * Erases a sitter with every reading. Fittings keep seat, place, method, date and settings; their inputs, which hold
 * the measures, go, and so do further postures, whose names may tell of the person. A fitting that never came to settings goes whole.
 */
export async function eraseSitter(q: Queries, id: string): Promise<void> {
  const rows = await q.select({ id: fittings.id }).from(fittings).where(eq(fittings.sitterId, id));
  const ids = rows.map((r) => r.id);
  if (ids.length > 0) {
    await q
      .update(settingSets)
      .set({ inputs: null, walk: null, postures: null })
      .where(inArray(settingSets.fittingId, ids));
    // What a walk started from holds the measures as well, and its answers may tell of the person.
    await q.delete(walks).where(inArray(walks.fittingId, ids));
    await q.delete(cardLinks).where(inArray(cardLinks.fittingId, ids));
    await q
      .delete(fittings)
      .where(
        and(
          inArray(fittings.id, ids),
          sql`not exists (select 1 from setting_sets s where s.fitting_id = fittings.id)`,
        ),
      );
    await q
      .update(fittings)
      .set({ sitterId: null, inputs: null, postures: null, tools: 0, state: 'left' })
      .where(inArray(fittings.id, ids));
  }
  await q.delete(sitters).where(eq(sitters.id, id));
  for (const about of [id, ...ids]) await forgetAnswersAbout(q, about);
}

export async function eraseFitting(q: Queries, id: string): Promise<void> {
  await q.delete(fittings).where(eq(fittings.id, id));
  await forgetAnswersAbout(q, id);
}
