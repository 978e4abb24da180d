/** The part of the database that walks at the seat fill. Columns as in `schema.ts`. */
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { FEEL_ANSWERS, STUCK_REASONS, WALK_ANSWERS } from '../core/walk';
import { fittings, id, instant, sitters } from './schema';

/** Setting a seat step by step beside it; of one fitting the newest counts. */
export const walks = sqliteTable(
  'walks',
  {
    id: id(),
    fittingId: text()
      .notNull()
      .references(() => fittings.id, { onDelete: 'cascade' }),
    /** As the fitting had them when it began. */
    inputs: text({ mode: 'json' }).notNull(),
    base: text({ mode: 'json' }).notNull(),
    postures: text({ mode: 'json' }).notNull(),
    startedAt: instant(),
    startedBy: text(),
  },
  (t) => [index('walks_fitting').on(t.fittingId, t.startedAt)],
);

/** Answers on the way: added to and never changed, so that two devices can add to one walk. */
export const walkEvents = sqliteTable(
  'walk_events',
  {
    id: id(),
    walkId: text()
      .notNull()
      .references(() => walks.id, { onDelete: 'cascade' }),
    step: text().notNull(),
    answer: text({ enum: WALK_ANSWERS }).notNull(),
    position: integer(),
    feel: text({ enum: FEEL_ANSWERS }),
    reason: text({ enum: STUCK_REASONS }),
    note: text(),
    /** By the device's clock, and never later than it was received. */
    at: instant(),
    by: text(),
    device: text(),
  },
  (t) => [index('walk_events_walk').on(t.walkId, t.at)],
);

/** What a sitter's answers told of a measure: kept beside the reading, never instead of it. */
export const feltMeasures = sqliteTable(
  'felt_measures',
  {
    id: id(),
    sitterId: text()
      .notNull()
      .references(() => sitters.id, { onDelete: 'cascade' }),
    dimension: text().notNull(),
    /** As in a reading. */
    value: integer().notNull(),
    spread: integer().notNull(),
    /** The fitting at which it was felt; null where that is gone. */
    fittingId: text().references(() => fittings.id, { onDelete: 'set null' }),
    takenAt: instant(),
    takenBy: text(),
  },
  (t) => [index('felt_measures_sitter').on(t.sitterId, t.dimension, t.takenAt)],
);
