/** Private links to cards, and what others have signed off on the same seat. */
import { and, asc, desc, eq, isNull, ne } from 'drizzle-orm';
import { upgradeSettings } from '../core/document/upgrade';
import type { Settings } from '../core/fit';
import { SettingsSchema } from '../contract/records';
import type { Queries } from './client';
import { cardLinks } from './schema-cards';
import { fittings, settingSets } from './schema';

export interface CardLinkRow {
  readonly id: string;
  readonly madeAt: string;
  readonly madeBy: string | null;
}

export async function insertCardLink(
  q: Queries,
  link: CardLinkRow & { readonly fittingId: string; readonly digest: string },
): Promise<void> {
  await q.insert(cardLinks).values(link);
}

/** Of a fitting, the oldest first. */
export function cardLinksOf(q: Queries, fittingId: string): Promise<CardLinkRow[]> {
  const { id, madeAt, madeBy } = cardLinks;
  return q
    .select({ id, madeAt, madeBy })
    .from(cardLinks)
    .where(eq(cardLinks.fittingId, fittingId))
    .orderBy(asc(madeAt), asc(id));
}

/** @returns the fitting whose card it opened; null where there is no such link */
export async function deleteCardLink(q: Queries, id: string): Promise<string | null> {
  const [gone] = await q
    .delete(cardLinks)
    .where(eq(cardLinks.id, id))
    .returning({ fittingId: cardLinks.fittingId });
  return gone?.fittingId ?? null;
}

/** The fitting whose card a link opens; null where none does. */
export async function fittingByDigest(q: Queries, digest: string): Promise<string | null> {
  const [row] = await q
    .select({ fittingId: cardLinks.fittingId })
    .from(cardLinks)
    .where(eq(cardLinks.digest, digest));
  return row?.fittingId ?? null;
}

const MOST_OTHERS = 50;

/** What other people were left with on a seat, the newest of each. */
export async function othersOn(
  q: Queries,
  { seatVersionId, sitterId }: { readonly seatVersionId: string; readonly sitterId: string },
): Promise<Settings[]> {
  const rows = await q
    .select({ other: fittings.sitterId, settings: settingSets.settings })
    .from(settingSets)
    .innerJoin(fittings, eq(fittings.id, settingSets.fittingId))
    .where(
      and(
        eq(fittings.seatVersionId, seatVersionId),
        ne(fittings.sitterId, sitterId),
        isNull(fittings.deletedAt),
        eq(settingSets.stage, 'left'),
        eq(settingSets.posture, 'main'),
      ),
    )
    .orderBy(desc(settingSets.savedAt), desc(settingSets.version))
    .limit(MOST_OTHERS);
  const newest = new Map<string | null, unknown>();
  for (const { other, settings } of rows) if (!newest.has(other)) newest.set(other, settings);
  return [...newest.values()].map((settings) => SettingsSchema.parse(upgradeSettings(settings)));
}
