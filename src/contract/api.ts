/** What the API takes and gives. Field names end in their unit. */
import { z } from 'zod';
import { DIMENSION_IDS, SEXES, type DimensionId } from '../core/body';
import { Id, Name, type Frozen } from '../core/document';
import { INSTRUMENT_IDS } from '../core/measuring/instruments';
import { MOST_TAKES } from '../core/measuring/takes';
import { ENDINGS, MOST_POSTURES, CONDITION_IDS } from '../core/fit';
import { PLACE_FIELDS, PlaceSchema } from '../core/place/schema';
import { ADJUSTMENT_KIND_IDS, type AdjustmentKind } from '../core/seat';
import { AdjustmentSchema, SeatSchema } from '../core/seat/schema';
import { RECORD_STATES, type SeatListing } from './catalogue';
import {
  BodySchema,
  InputsSchema,
  PEOPLE_FIELDS,
  MethodSchema,
  NewName,
  PositionsSchema,
  PostureSchema,
  RemediesSchema,
  SettingRowSchema,
  SettingsSchema,
  TableSchema,
  WORK_FIELDS,
  written,
} from './records';
import { PieceSummarySchema } from './pieces';
import { TolerancesSchema } from './tolerances';

const Version = z.int().min(1);
const Instant = z.string();
const TableId = z.string().min(1).max(60);
/** A local date. */
const LocalDate = z.iso.date();

/** Who consented in somebody's place. */
const ConsentBy = NewName;

export const SitterSchema = z.object({
  id: Id,
  name: Name,
  /** Whether the name tells nobody who it is. */
  isNickname: z.boolean(),
  /** When the person consented to measures being kept; null where nobody noted it. */
  consentOn: LocalDate.nullable(),
  /** Who consented in the person's place; null where it was the person. */
  consentBy: z.string().nullable(),
  birthDate: LocalDate.nullable(),
  /** Whose tables of bodies hold; null where nobody said. */
  sex: z.enum(SEXES).nullable(),
  /** The table of bodies to estimate by; null for the one that the practice uses. */
  tableId: TableId.nullable(),
  version: Version,
  measured: z.int(),
  updatedAt: Instant,
});
export type Sitter = z.infer<typeof SitterSchema>;

export const SitterDetailSchema = SitterSchema.extend({ body: BodySchema });
export type SitterDetail = z.infer<typeof SitterDetailSchema>;

export const NewSitterSchema = z.strictObject({
  id: Id,
  name: NewName,
  birthDate: LocalDate.nullable(),
  sex: z.enum(SEXES).nullish(),
  isNickname: z.boolean().optional(),
  consentOn: LocalDate.nullish(),
  consentBy: ConsentBy.nullish(),
});
export type NewSitter = z.infer<typeof NewSitterSchema>;

export const SitterEditSchema = z.strictObject({
  name: NewName.optional(),
  isNickname: z.boolean().optional(),
  consentOn: LocalDate.nullable().optional(),
  consentBy: ConsentBy.nullable().optional(),
  birthDate: LocalDate.nullable().optional(),
  sex: z.enum(SEXES).nullable().optional(),
  tableId: TableId.nullable().optional(),
});
export type SitterEdit = z.infer<typeof SitterEditSchema>;

/**
 * One measurement: mm or kg by the dimension; null withdraws the reading. `seenReading` is the instant of the reading
 * that was seen when this one was taken, null where there was none: another one now is answered with the record.
 */
export const ReadingEditSchema = z.strictObject({
  dimension: z.enum(DIMENSION_IDS),
  value: z.number().nullable(),
  seenReading: Instant.max(40).nullable().optional(),
  /** Why it stands although the other measures speak against it: asked for from five deviations on. */
  reason: written(300).trim().min(1).optional(),
  /** The single readings of one session, one to three: what they come to is taken, and `value` is not looked at. */
  takes: z.array(z.number()).min(1).max(MOST_TAKES).optional(),
  /** Of `takes`, and of taking them back. */
  session: Id.optional(),
  instrument: z.enum(INSTRUMENT_IDS).optional(),
});
export type ReadingEdit = z.infer<typeof ReadingEditSchema>;

/** What holds of all readings of one sitting; the same id again changes it. */
export const MeasuringSessionEditSchema = z.strictObject({
  id: Id,
  shoesOn: z.boolean(),
  clothes: written(200),
  notes: written(2000),
});
export type MeasuringSessionEdit = z.infer<typeof MeasuringSessionEditSchema>;

/** A measure as it was taken in one session. */
export const TakenSchema = z.object({
  dimension: z.enum(DIMENSION_IDS),
  value: z.number(),
  spread: z.number(),
  takes: z.array(z.number()).nullable(),
  instrument: z.enum(INSTRUMENT_IDS).nullable(),
  takenAt: Instant,
  /** Whether it is the reading that holds. */
  isCurrent: z.boolean(),
});
export type Taken = z.infer<typeof TakenSchema>;

/** A sitting in which somebody was measured; readings that belong to none have a session of their day without an id. */
export const MeasuringSessionSchema = z.object({
  id: Id.nullable(),
  date: LocalDate,
  takenBy: z.string().nullable(),
  shoesOn: z.boolean(),
  clothes: z.string(),
  notes: z.string(),
  /** null where readings belong to no session. */
  version: Version.nullable(),
  taken: z.array(TakenSchema),
});
export type MeasuringSession = z.infer<typeof MeasuringSessionSchema>;

/** How well one fitter's readings of one dimension repeat. */
export interface Repeated {
  readonly fitter: string;
  readonly dimension: DimensionId;
  readonly pairs: number;
  /** Technical error of measurement, mm or kg. */
  readonly tem: number;
  /** Whether it is worse than a single reading is taken to be: something to practise. */
  readonly isToPractise: boolean;
}

/** Ends that no hand passes, mm (assumed). */
export const HAND_LIMITS = { threeFingersMm: [30, 80], fourFingersMm: [40, 110] } as const;
const fingers = ([lo, hi]: readonly [number, number]) =>
  z.number().min(lo, `${lo} to ${hi} mm`).max(hi, `${lo} to ${hi} mm`).nullable();

/** Breadth of three and of four fingers, mm; null: not measured. */
export const HandSchema = z.strictObject({
  threeFingersMm: fingers(HAND_LIMITS.threeFingersMm),
  fourFingersMm: fingers(HAND_LIMITS.fourFingersMm),
});
export type Hand = z.infer<typeof HandSchema>;

export const FitterSchema = z.object({ id: Id, name: Name, version: Version, hand: HandSchema.optional() });
export type Fitter = z.infer<typeof FitterSchema>;

export const NewFitterSchema = z.strictObject({ id: Id, name: NewName, hand: HandSchema.optional() });
export type NewFitter = z.infer<typeof NewFitterSchema>;

/** Repeat tolerances of the practice's own, with the version that the next change goes by. */
export const OwnTolerancesSchema = z.object({ tolerances: TolerancesSchema, version: Version });
export type OwnTolerances = z.infer<typeof OwnTolerancesSchema>;

/** A table of bodies, and what it is to the practice. */
export const TableSummarySchema = z.object({
  table: TableSchema,
  /** Brought by the practice; the others come with the program. */
  isOwn: z.boolean(),
  /** Estimates are made by it where a sitter has no other. */
  isUsual: z.boolean(),
  /** Archived: not offered any more. */
  isRetired: z.boolean(),
});
export type TableSummary = z.infer<typeof TableSummarySchema>;

/** A table of the practice's own, as the text of a CSV file. */
export const NewTableSchema = z.strictObject({
  id: Id,
  name: NewName,
  source: z.string().trim().min(1).max(300),
  csv: z.string().max(200_000),
});
export type NewTable = z.infer<typeof NewTableSchema>;

export const TableEditSchema = z.strictObject({
  isUsual: z.literal(true).optional(),
  isRetired: z.boolean().optional(),
});
export type TableEdit = z.infer<typeof TableEditSchema>;

export const SeatSummarySchema = z.object({
  versionId: Id,
  version: Version,
  state: z.enum(RECORD_STATES),
  savedAt: Instant,
  seat: SeatSchema,
});
export type SeatSummary = Frozen<z.infer<typeof SeatSummarySchema>>;
/** A seat to choose from. */
export type OfferedSeat = Omit<SeatSummary, 'savedAt'> & Pick<SeatListing, 'tagged'>;

/** A seat as it comes in: its name is plain. */
export const SeatEditSchema = SeatSchema.extend({ name: NewName, notes: written(2000) });

/** A record whose newest document this version of the program cannot read: a list says so and goes on. */
export const UnreadableSchema = z.object({
  id: z.string(),
  versionId: Id,
  version: Version,
  name: z.string(),
  fault: z.string().describe('why it cannot be read'),
});
export type Unreadable = Frozen<z.infer<typeof UnreadableSchema>>;

export const PlaceSummarySchema = z.object({ versionId: Id, version: Version, place: PlaceSchema });
export type PlaceSummary = Frozen<z.infer<typeof PlaceSummarySchema>>;

const partOfPlace = (kind: AdjustmentKind) =>
  AdjustmentSchema.refine((a) => a.kind === kind, { error: 'schema.kindOfPlace', path: ['kind'] });

/** A place as typed: desk, screen and footrest are one adjustment each, or none. */
export const PlaceEditSchema = z.strictObject({
  id: Id,
  name: NewName,
  ...PLACE_FIELDS,
  desk: partOfPlace('deskHeight').nullable(),
  screen: partOfPlace('screenHeight').nullish(),
  footrest: partOfPlace('footrest').nullish(),
  notes: z.string().max(2000),
});
export type PlaceEdit = Frozen<z.infer<typeof PlaceEditSchema>>;

export const MethodSummarySchema = z.object({
  versionId: Id,
  version: Version,
  /** The practice's own; those that come with the program are copied, never changed. */
  isOwn: z.boolean(),
  savedAt: Instant,
  method: MethodSchema,
});
export type MethodSummary = Frozen<z.infer<typeof MethodSummarySchema>>;

export const FITTING_STATES = ['open', 'left'] as const;

export const FittingSummarySchema = z.object({
  id: Id,
  version: Version,
  /** Counts every change of the draft settings; 0 before the first. */
  draftRevision: z.int().min(0),
  state: z.enum(FITTING_STATES),
  date: LocalDate,
  /** null once the sitter has been erased. */
  sitter: z.object({ id: Id, name: z.string() }).nullable(),
  seat: z.object({ versionId: Id, name: z.string() }).nullable(),
  place: z.object({ versionId: Id, name: z.string() }).nullable(),
  /** The very seat that is set; null where nobody said which. */
  piece: z.object({ id: Id, tag: z.string() }).nullable(),
  method: z.object({ versionId: Id, id: z.string(), name: z.string() }),
  fitter: z.object({ id: Id, name: Name }).nullable(),
  measured: z.int(),
  updatedAt: Instant,
});
export type FittingSummary = z.infer<typeof FittingSummarySchema>;

export const SETTING_STAGES = ['computed', 'reached', 'left'] as const;
export const SettingSetSchema = z.object({
  stage: z.enum(SETTING_STAGES),
  version: z.int().min(0),
  settings: SettingsSchema,
  /** Adjustments that solving leaves where they are. */
  held: z.array(z.enum(ADJUSTMENT_KIND_IDS)),
  savedAt: Instant,
});
export type SettingSet = Frozen<z.infer<typeof SettingSetSchema>>;

/** Draft settings, and which adjustments solving leaves where they are. */
export const DraftEditSchema = z.strictObject({
  positions: PositionsSchema,
  remedies: RemediesSchema,
  held: z.array(z.enum(ADJUSTMENT_KIND_IDS)).max(ADJUSTMENT_KIND_IDS.length).default([]),
});
export type DraftEdit = Frozen<z.infer<typeof DraftEditSchema>>;

/** A draft as saved, with the revision that the next saving goes by. */
export const SavedDraftSchema = SettingSetSchema.extend({ revision: z.int().min(0) });
export type SavedDraft = Frozen<z.infer<typeof SavedDraftSchema>>;

/** Postures beside the one that the draft sets, by name, each solved by itself. */
export const PosturesSchema = z
  .array(PostureSchema)
  .max(MOST_POSTURES - 1)
  .refine((all) => new Set(all.map((p) => p.name.toLowerCase())).size === all.length, 'schema.sameName');
export const PostureSetSchema = PostureSchema.extend({
  settings: SettingsSchema.nullable().describe('null until a seat is chosen'),
});
export type PostureSet = Frozen<z.infer<typeof PostureSetSchema>>;

export const FittingDetailSchema = FittingSummarySchema.extend({
  ...WORK_FIELDS,
  toolsKg: z.number().min(0),
  /** Whether what was not measured is estimated. */
  estimateMissing: z.boolean(),
  sitter: SitterDetailSchema,
  /** What it is computed with: the readings that hold and, where they are wanted, estimates, marked as such. */
  body: BodySchema,
  /** Who sits there and who checks by hand, as in the inputs; known before a seat is chosen. */
  people: z.strictObject(PEOPLE_FIELDS),
  /** null until a seat is chosen. */
  inputs: InputsSchema.nullable(),
  /** Draft settings (stage `reached`, version 0); null before the first solve. */
  draft: SettingSetSchema.nullable(),
  postures: z.array(PostureSetSchema),
  /** The very seat that is set, as it is now; null where nobody said which. */
  piece: PieceSummarySchema.nullable(),
});
export type FittingDetail = Frozen<z.infer<typeof FittingDetailSchema>>;

export const NewFittingSchema = z.strictObject({ id: Id, sitterId: Id, fitterId: Id.nullable() });
export type NewFitting = z.infer<typeof NewFittingSchema>;

export const FittingEditSchema = z.strictObject({
  seatVersionId: Id.nullable().optional(),
  placeVersionId: Id.nullable().optional(),
  methodVersionId: Id.optional(),
  fitterId: Id.nullable().optional(),
  ...z.strictObject(WORK_FIELDS).partial().shape,
  estimateMissing: z.boolean().optional(),
  postures: PosturesSchema.optional(),
  pieceId: Id.nullable()
    .optional()
    .describe('the very seat that is set: one that has a tag and is of the chosen model'),
});
export type FittingEdit = z.infer<typeof FittingEditSchema>;

/** An act makes a version: `computed` by solving, `left` by signing off. */
export const FittingActSchema = z.strictObject({
  act: z.enum(['solve', 'signOff', 'reopen']),
  settings: SettingsSchema.optional(),
  /** Of solving: adjustments that stay where the settings have them; absent: those that the draft holds. */
  held: z.array(z.enum(ADJUSTMENT_KIND_IDS)).max(ADJUSTMENT_KIND_IDS.length).optional(),
  walk: Id.optional().describe(
    'of signing off: the walk that led here; its answers are kept with the version',
  ),
});
export type FittingAct = z.infer<typeof FittingActSchema>;

/** How long a deletion can be undone, and until when by the server's clock; then what it hid is erased. */
export const DeletionSchema = z.object({ id: Id, undoUntil: Instant, undoMinutes: z.int().min(1) });
export type Deletion = z.infer<typeof DeletionSchema>;

/** Settings to choose among, in the solver's own measure. */
const ChoiceSchema = z.object({
  settings: SettingsSchema,
  /** Beyond hard bounds: tenths of a millimetre or degree, summed. */
  hardTenths: z.int().min(0),
  penaltyMillionths: z.int().min(0),
  /** `proved`: no settings cost less; `budget`: so many boxes were opened that the best found so far is given. */
  ended: z.enum(ENDINGS),
  /** No settings cost less than this; equal to the penalty where the best is proved. */
  boundMillionths: z.int().min(0),
  /** Boxes of positions that the search opened. */
  boxesOpened: z.int().min(1),
  /** What it costs and for which conditions, dearest first. */
  binding: z.array(
    z.object({
      condition: z.enum(CONDITION_IDS),
      hardTenths: z.int().min(0),
      penaltyMillionths: z.int().min(0),
    }),
  ),
});

/** The best settings of a fitting as computed, and the next best, each at least 10 mm, 2° or a step from a better one. */
export const ChoicesSchema = z.object({ best: ChoiceSchema, next: z.array(ChoiceSchema) });
export type Choices = z.infer<typeof ChoicesSchema>;

/** What is kept of a fitting whose sitter was erased: each setting by its place in the travel. */
export const RemainsSchema = z.object({
  id: Id,
  date: LocalDate,
  seat: z.string().nullable(),
  place: z.string().nullable(),
  method: z.string(),
  settings: z.array(SettingRowSchema),
});
export type Remains = z.infer<typeof RemainsSchema>;

export const PassphraseSchema = z.strictObject({ passphrase: z.string().min(1).max(1000) });
export const SessionSchema = z.object({ open: z.boolean() });
