/** The part of the database that says which private links open a card. Columns as in `schema.ts`. */
import { index, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { fittings, id, instant } from './schema';

/** Each opens the card of one fitting until it is deleted here. */
export const cardLinks = sqliteTable(
  'card_links',
  {
    id: id(),
    fittingId: text()
      .notNull()
      .references(() => fittings.id, { onDelete: 'cascade' }),
    /** SHA-256 of what the link leads by, so that nobody who reads the database can open it. */
    digest: text().notNull().unique(),
    madeAt: instant(),
    madeBy: text(),
  },
  (t) => [index('card_links_fitting').on(t.fittingId, t.madeAt)],
);
