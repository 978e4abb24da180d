/**
 * The database. Columns carry their unit: lengths in tenths of a millimetre, masses in tens of grams. Seat models,
 * places and methods have immutable versions; whatever points at one points at a version.
 */
import { sql } from 'drizzle-orm';
import type { ScreenWay } from '../core/method';
import { SEAT_CLASSES, type AdjustmentKind } from '../core/seat';
import { IMPORT_STATES } from '../contract/importing';
import { DOCUMENT_KINDS, RECORD_STATES } from '../contract/catalogue';
import { PIECE_FAULTS } from '../contract/piece-lists';
import {
  check,
  index,
  integer,
  primaryKey,
  real,
  sqliteTable,
  text,
  uniqueIndex,
  type AnySQLiteColumn,
} from 'drizzle-orm/sqlite-core';

export const id = () => text().primaryKey();
export const instant = () => text().notNull();

export const fitters = sqliteTable('fitters', {
  id: id(),
  name: text().notNull(),
  /** Breadth of three and of four fingers of the hand that is slid behind the knee, tenths of a millimetre. */
  threeFingers: integer(),
  fourFingers: integer(),
  version: integer().notNull().default(1),
  createdAt: instant(),
});

export const sitters = sqliteTable(
  'sitters',
  {
    id: id(),
    name: text().notNull(),
    /** Name without accents and case, for search. */
    folded: text().notNull(),
    /** Local date. */
    birthDate: text(),
    /** Whether the name is one that tells nobody who it is: the person's own was never kept, or has been let go. */
    isNickname: integer({ mode: 'boolean' }).notNull().default(false),
    /** Local date on which the person consented to measures being kept; null where nobody noted it. */
    consentOn: text(),
    /** Who consented in the person's place: of a child, as a rule; null where it was the person. */
    consentBy: text(),
    /** Only for tables of bodies; null where nobody said. */
    sex: text({ enum: ['men', 'women'] }),
    /** The table of bodies to estimate by; null for the one that the practice uses. */
    tableId: text(),
    version: integer().notNull().default(1),
    createdAt: instant(),
    updatedAt: instant(),
    /** Of an import that brought the sitter. */
    importId: text(),
    /** When somebody deleted the sitter: hidden at once, erased for good a little later; null while it stands. */
    deletedAt: text(),
  },
  (t) => [index('sitters_folded').on(t.folded)],
);

/** One sitting in which somebody was measured: what holds of all its readings. */
export const measuringSessions = sqliteTable(
  'measuring_sessions',
  {
    id: id(),
    sitterId: text()
      .notNull()
      .references(() => sitters.id, { onDelete: 'cascade' }),
    /** Local date. */
    date: text().notNull(),
    takenBy: text(),
    shoesOn: integer({ mode: 'boolean' }).notNull().default(false),
    clothes: text().notNull().default(''),
    notes: text().notNull().default(''),
    version: integer().notNull().default(1),
    startedAt: instant(),
  },
  (t) => [index('measuring_sessions_sitter').on(t.sitterId, t.startedAt)],
);

export const readings = sqliteTable(
  'readings',
  {
    id: id(),
    sitterId: text()
      .notNull()
      .references(() => sitters.id, { onDelete: 'cascade' }),
    dimension: text().notNull(),
    /** Tenths of a millimetre, or tens of grams, by the dimension. */
    value: integer().notNull(),
    basis: text({ enum: ['measured', 'stated', 'estimated'] }).notNull(),
    /** Standard deviation, in the unit of `value`. */
    spread: integer().notNull(),
    source: text().notNull(),
    takenAt: instant(),
    takenBy: text(),
    /** Why it stands although the other measures speak against it; null where nobody had to say. */
    reason: text(),
    sessionId: text().references(() => measuringSessions.id),
    /** The single readings that it was settled from, in the unit of `value`; null where nobody kept them. */
    takes: text({ mode: 'json' }).$type<number[]>(),
    instrument: text(),
    /** When a later reading or the fitter took it back; null while it holds. */
    withdrawnAt: text(),
  },
  (t) => [
    uniqueIndex('readings_current')
      .on(t.sitterId, t.dimension)
      .where(sql`withdrawn_at is null`),
    index('readings_sitter').on(t.sitterId),
    // Most readings have none.
    index('readings_session')
      .on(t.sessionId)
      .where(sql`session_id is not null`),
    check('readings_value', sql`${t.value} >= 0`),
  ],
);

/** People and readings from a file on their way into the records. */
export const imports = sqliteTable('imports', {
  id: id(),
  /** Said as the source of what comes from it. */
  file: text().notNull(),
  /** What becomes of people who are here already: left as they are, or given the file's readings. */
  existing: text({ enum: ['leave', 'add'] }).notNull(),
  state: text({ enum: IMPORT_STATES }).notNull(),
  /** Name of the fitter who brought it. */
  broughtBy: text(),
  counts: text({ mode: 'json' }).notNull(),
  createdAt: instant(),
});

/** What of an import has not been written yet; a part goes in the act that writes it. */
export const importParts = sqliteTable(
  'import_parts',
  {
    importId: text()
      .notNull()
      .references(() => imports.id, { onDelete: 'cascade' }),
    number: integer().notNull(),
    /**
     * A part is written piece by piece, so that others are served between them: place of the piece's first person in
     * the part.
     */
    first: integer().notNull(),
    document: text({ mode: 'json' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.importId, t.number, t.first] })],
);

const versionColumns = {
  id: id(),
  number: integer().notNull(),
  document: text({ mode: 'json' }).notNull(),
  createdAt: instant(),
};

export const seatVersions = sqliteTable(
  'seat_versions',
  { ...versionColumns, seatId: text().notNull() },
  (t) => [uniqueIndex('seat_versions_number').on(t.seatId, t.number)],
);

export const placeVersions = sqliteTable(
  'place_versions',
  { ...versionColumns, placeId: text().notNull() },
  (t) => [uniqueIndex('place_versions_number').on(t.placeId, t.number)],
);

export const methodVersions = sqliteTable(
  'method_versions',
  { ...versionColumns, methodId: text().notNull() },
  (t) => [uniqueIndex('method_versions_number').on(t.methodId, t.number)],
);

/** Versions that were folded into an equal one: links and answers that name them still lead there. */
export const foldedMethodVersions = sqliteTable('folded_method_versions', {
  id: id(),
  intoId: text()
    .notNull()
    .references(() => methodVersions.id),
});

/** Body-size tables that the practice has added; the built-in ones come with the program. */
export const tableVersions = sqliteTable(
  'table_versions',
  { ...versionColumns, tableId: text().notNull() },
  (t) => [uniqueIndex('table_versions_number').on(t.tableId, t.number)],
);

/**
 * One row a record of which every version is kept: its newest version and what lists show of it. Documents themselves
 * are read only when one of them is wanted.
 */
export const catalogue = sqliteTable(
  'catalogue',
  {
    kind: text({ enum: DOCUMENT_KINDS }).notNull(),
    /** The record's own id. */
    id: text().notNull(),
    versionId: text().notNull(),
    number: integer().notNull(),
    name: text().notNull(),
    /** Name without accents and case, for search. */
    folded: text().notNull(),
    state: text({ enum: RECORD_STATES }).notNull().default('checked'),
    stateAt: text(),
    /** Name of whoever put it into its state; null where nobody did. */
    stateBy: text(),
    /** Number of the summary that this row was made by; 0 where it has not been made. */
    summaryForm: integer().notNull().default(0),
    /** Why the newest document cannot be read; null where it can. */
    fault: text(),
    /** What a list shows beyond the name. */
    summary: text({ mode: 'json' }),
    /** Of an import that brought the newest version. */
    importId: text(),
  },
  (t) => [
    primaryKey({ columns: [t.kind, t.id] }),
    // With the state, so that what is found and in which order is known from the index alone.
    index('catalogue_listed').on(t.kind, t.folded, t.id, t.state),
    index('catalogue_version').on(t.versionId),
  ],
);

/** What seats are found and sorted by; lengths in tenths of a millimetre. */
export const seatFacts = sqliteTable('seat_facts', {
  seatId: id(),
  /** Of the seat that it is a variant of; its own where it is none. */
  familyId: text().notNull(),
  seatClass: text({ enum: SEAT_CLASSES }).notNull(),
  heightLowest: integer().notNull(),
  heightHighest: integer().notNull(),
  width: integer(),
  /** Tens of grams. */
  ratedLoad: integer(),
  price: real(),
  /** All that it offers, each with a blank before and after. */
  offers: text().notNull(),
});

/** From where to where each adjustment of a seat goes, in its own unit: heights loaded where they are described so. */
export const seatRanges = sqliteTable(
  'seat_ranges',
  {
    seatId: text().notNull(),
    kind: text().$type<AdjustmentKind>().notNull(),
    lowest: real().notNull(),
    highest: real().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.seatId, t.kind] }),
    index('seat_ranges_kind').on(t.kind, t.lowest, t.highest),
  ],
);

/** Files of seats that were brought, so that bringing them can be undone. */
export const seatImports = sqliteTable('seat_imports', {
  id: id(),
  file: text().notNull(),
  broughtBy: text(),
  createdAt: instant(),
  created: integer().notNull().default(0),
  versions: integer().notNull().default(0),
  left: integer().notNull().default(0),
  same: integer().notNull().default(0),
  /** How many were taken out again; null: not undone. */
  undone: integer(),
  kept: integer().notNull().default(0),
});

/** What holds for the whole practice: one row. */
export const practice = sqliteTable(
  'practice',
  {
    id: integer().primaryKey(),
    /** Estimates are made by this table where a sitter has no other; null for the first that is shipped. */
    tableId: text(),
    /** Repeat tolerances of its own by dimension, mm or kg. */
    tolerances: text({ mode: 'json' }),
    /** Counts every change of the tolerances. */
    tolerancesVersion: integer().notNull().default(1),
  },
  (t) => [check('practice_one', sql`${t.id} = 1`)],
);

/** Seats that stand somewhere: each is one of the seats described, has a tag of its own, and carries a label. */
export const pieces = sqliteTable(
  'pieces',
  {
    id: id(),
    /** As it stands on the label: capitals, without blanks at its ends. */
    tag: text().notNull(),
    /** What the code on the label leads by; drawn at random, so that it tells nothing and cannot be guessed. */
    token: text().notNull(),
    seatId: text().notNull(),
    placeId: text(),
    /** Taken away: in store, or with whoever mends it. */
    isAway: integer({ mode: 'boolean' }).notNull().default(false),
    notes: text().notNull().default(''),
    /** Local date. */
    lastLookOn: text(),
    lastLookBy: text(),
    /** What is set on it now; null where nobody has signed that off. */
    setting: text({ mode: 'json' }),
    settingVersionId: text().references(() => seatVersions.id),
    settingAt: text(),
    /** The fitting that was signed off with that setting; null where it is gone. */
    settingFittingId: text().references((): AnySQLiteColumn => fittings.id, { onDelete: 'set null' }),
    version: integer().notNull().default(1),
    createdAt: instant(),
    updatedAt: instant(),
    /** As in a sitter. */
    deletedAt: text(),
  },
  (t) => [
    uniqueIndex('pieces_tag')
      .on(t.tag)
      .where(sql`deleted_at is null`),
    uniqueIndex('pieces_token').on(t.token),
    index('pieces_seat').on(t.seatId),
  ],
);

/** Who sits on it. */
export const pieceUsers = sqliteTable(
  'piece_users',
  {
    pieceId: text()
      .notNull()
      .references(() => pieces.id, { onDelete: 'cascade' }),
    sitterId: text()
      .notNull()
      .references(() => sitters.id, { onDelete: 'cascade' }),
  },
  (t) => [primaryKey({ columns: [t.pieceId, t.sitterId] }), index('piece_users_sitter').on(t.sitterId)],
);

export const pieceFaults = sqliteTable(
  'piece_faults',
  {
    id: id(),
    pieceId: text()
      .notNull()
      .references(() => pieces.id, { onDelete: 'cascade' }),
    kind: text({ enum: PIECE_FAULTS }).notNull(),
    note: text().notNull().default(''),
    /** Nobody may sit on it until the fault is mended. */
    doNotUse: integer({ mode: 'boolean' }).notNull().default(false),
    reportedAt: instant(),
    /** Name of the fitter; null where somebody reported it by the label. */
    reportedBy: text(),
    /** null while it stands. */
    mendedAt: text(),
    mendedBy: text(),
  },
  (t) => [index('piece_faults_piece').on(t.pieceId)],
);

export const fittings = sqliteTable(
  'fittings',
  {
    id: id(),
    /** The very seat that is set; null where nobody said which. */
    pieceId: text().references(() => pieces.id, { onDelete: 'set null' }),
    /** null once the sitter has been erased: seat, date and settings remain without the person. */
    sitterId: text().references(() => sitters.id, { onDelete: 'restrict' }),
    fitterId: text().references(() => fitters.id),
    seatVersionId: text().references(() => seatVersions.id),
    placeVersionId: text().references(() => placeVersions.id),
    methodVersionId: text()
      .notNull()
      .references(() => methodVersions.id),
    /** Tens of grams of tools carried. */
    tools: integer().notNull().default(0),
    helmet: integer({ mode: 'boolean' }).notNull().default(false),
    glasses: integer({ mode: 'boolean' }).notNull().default(false),
    /** Whether the sitter pushes up on the armrests. */
    risesByArms: integer({ mode: 'boolean' }).notNull().default(false),
    /** Where the screen stands against the eye; null: as the method has it. */
    screen: text().$type<ScreenWay>(),
    /** Whether what was not measured is estimated. */
    estimateMissing: integer('fill_in', { mode: 'boolean' }).notNull().default(false),
    /** Local date. */
    date: text().notNull(),
    state: text({ enum: ['open', 'left'] })
      .notNull()
      .default('open'),
    /** The document from which alone everything can be computed again; null until a seat is chosen. */
    inputs: text({ mode: 'json' }),
    /** Postures beside the one that the draft sets, each with its settings; null: none. */
    postures: text({ mode: 'json' }),
    version: integer().notNull().default(1),
    /** Counts every change of the draft settings, so that two who set one fitting notice each other. */
    draftRevision: integer().notNull().default(0),
    createdAt: instant(),
    updatedAt: instant(),
    /** As in a sitter. */
    deletedAt: text(),
  },
  (t) => [index('fittings_sitter').on(t.sitterId), index('fittings_date').on(t.date, t.id)],
);

/** Version 0 is the draft, written over by saving; a higher version is made only by an act and never changed. */
export const settingSets = sqliteTable(
  'setting_sets',
  {
    id: id(),
    fittingId: text()
      .notNull()
      .references(() => fittings.id, { onDelete: 'cascade' }),
    posture: text().notNull().default('main'),
    stage: text({ enum: ['computed', 'reached', 'left'] }).notNull(),
    version: integer().notNull(),
    settings: text({ mode: 'json' }).notNull(),
    /** Of a draft: adjustments that solving leaves where they are; null: none. */
    held: text({ mode: 'json' }).$type<AdjustmentKind[]>(),
    /** The inputs these settings were judged on; null in a draft, which goes with the fitting's own. */
    inputs: text({ mode: 'json' }),
    /** Of a version that was signed off at the end of a walk: from where it started, and what was answered. */
    walk: text({ mode: 'json' }),
    /** Further postures as they were then; null where that was not kept. */
    postures: text({ mode: 'json' }),
    /** Name of whoever made the version; null where nobody was named. */
    savedBy: text(),
    savedAt: instant(),
  },
  (t) => [uniqueIndex('setting_sets_version').on(t.fittingId, t.posture, t.stage, t.version)],
);

/** The first answer to every request that carried a key: the same key gets it again, written in the same transaction. */
export const answers = sqliteTable(
  'answers',
  {
    key: text().primaryKey(),
    /** Of method, path, version and body: a key stands for one request only. */
    fingerprint: text().notNull(),
    outcome: text({ mode: 'json' }).notNull(),
    givenAt: instant(),
  },
  (t) => [index('answers_given').on(t.givenAt)],
);
