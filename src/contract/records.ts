/** Zod schemas of everything that is stored as a document or crosses the API; past these, types are trusted. */
import { z } from 'zod';
import { DIMENSION_IDS, type Body } from '../core/body';
import { Finite, Name, Slug } from '../core/document';
import { hasInvisible } from '../core/exchange/invisible';
import {
  INPUTS_SCHEMA,
  REMEDY_IDS,
  REMEDY_LIMITS,
  type FitInputs,
  type RemedyId,
  type Settings,
  CONDITION_IDS,
} from '../core/fit';
import {
  ARMS_TO,
  LOCK_USES,
  NEUTRAL_STARTS,
  SCREEN_WAYS,
  METHOD_CAUTIONS,
  MOST_STEPS,
  TIE_BREAKS,
  type Method,
} from '../core/method';
import { FINGER_COUNTS, HANDS_OF, TARGET_BASES } from '../core/target';
import { TASKS } from '../core/place';
import { PlaceSchema } from '../core/place/schema';
import { BODY_DIMENSIONS, ROW_BASES, type PopulationTable } from '../core/population/table';
import { QuantitySchema } from '../core/quantity/schema';
import { ADJUSTMENT_KIND_IDS, ADJUSTMENT_UNIT_IDS } from '../core/seat';
import { MOST_TOOLS_KG } from './limits';
import { SeatSchema } from '../core/seat/schema';

/** Text of one line. */
const PLAIN = /^\P{Cc}*$/u;
/** Text of several lines. */
const LINES = /^(?:[\n\r\t]|\P{Cc})*$/u;
/** A name as it comes in: what is kept already may be less plain, and is still read. */
export const NewName = Name.regex(PLAIN, 'schema.controlCharacter').refine(
  (name) => !hasInvisible(name),
  'schema.invisible',
);
/** What somebody writes, of so many characters at most. */
export const written = (longest: number) => z.string().max(longest).regex(LINES);

export const BodySchema: z.ZodType<Body> = z.partialRecord(z.enum(DIMENSION_IDS), QuantitySchema);

const TableRow = z.strictObject({
  mean: Finite.positive(),
  sd: Finite.positive(),
  skew: Finite,
  basis: z.enum(ROW_BASES),
});
const TableRows = z.partialRecord(z.enum(BODY_DIMENSIONS), TableRow);

/** A table of bodies: mean and deviation of each dimension of each sex, mm or kg. */
export const TableSchema: z.ZodType<PopulationTable> = z.strictObject({
  id: z.string().min(1).max(60),
  name: Name,
  source: z.string().max(300),
  n: z.strictObject({ men: z.int(), women: z.int() }).nullable(),
  rows: z.strictObject({ men: TableRows, women: TableRows }),
});

const Target = z.strictObject({
  hardLo: Finite.optional(),
  bandLo: Finite.optional(),
  aimLo: Finite.optional(),
  aimHi: Finite.optional(),
  bandHi: Finite.optional(),
  hardHi: Finite.optional(),
  weight: Finite.min(0),
  basis: z.enum(TARGET_BASES),
  source: z.string().max(200),
});

const Interval = z.strictObject({ lo: Finite, hi: Finite });
const withoutRoom = CONDITION_IDS.filter((id) => id !== 'kneeRoom');

const Targets = z.partialRecord(z.enum(withoutRoom), Target);
const FingerCount = z.literal(FINGER_COUNTS);

/** A posture of a fitting beside the one that is set first. */
export const PostureSchema = z.strictObject({
  name: Name,
  task: z.enum(TASKS).optional().describe('what is done then; absent: what is done at the workstation'),
  leanDeg: Finite.min(-10)
    .max(60)
    .optional()
    .describe('how far the back leans then, degrees; absent: as the method has it'),
});

export const MethodSchema: z.ZodType<Method> = z.strictObject({
  id: z.string().min(1).max(60),
  name: Name,
  summary: z.string().max(500),
  targets: Targets,
  kneeRoom: Target,
  fingers: z.strictObject({ lo: FingerCount, hi: FingerCount, whose: z.enum(HANDS_OF) }).optional(),
  armsTo: z.enum(ARMS_TO).optional(),
  lock: z.enum(LOCK_USES).optional(),
  neutralStart: z.enum(NEUTRAL_STARTS).optional(),
  screen: z.enum(SCREEN_WAYS).optional(),
  perches: z.literal(true).optional(),
  headRestFromDeg: Finite,
  footrestPenalty: Finite.min(0),
  raisesKnee: z.literal(true).optional(),
  orLevel: z.literal(true).optional(),
  tieBreaks: z.array(z.enum(TIE_BREAKS)),
  order: z.array(z.enum(ADJUSTMENT_KIND_IDS)),
  again: z.array(z.enum(ADJUSTMENT_KIND_IDS)).optional(),
  cautions: z.array(z.enum(METHOD_CAUTIONS)).optional(),
  steps: z
    .array(
      z.strictObject({
        name: Name,
        instruct: z.string().max(500),
        targets: Targets.optional(),
        judgeOnly: z.literal(true).optional(),
      }),
    )
    .max(MOST_STEPS)
    .optional(),
  copiedFrom: z.string().max(60).optional(),
  reported: z.strictObject({ knee: Interval, elbow: Interval }),
});

/** What the sitter works with, and how they get up. */
export const WORK_FIELDS = {
  toolsKg: z.number().min(0).max(MOST_TOOLS_KG).describe('kg, added to the body mass for the rated load'),
  helmet: z.boolean(),
  glasses: z.boolean(),
  risesByArms: z.boolean().describe('pushes up on the armrests'),
  screen: z
    .enum(SCREEN_WAYS)
    .nullable()
    .describe('where the screen stands against the eye; null: as the method has it'),
};
export const WorkSchema = z.strictObject({ ...WORK_FIELDS, toolsKg: Finite.min(0) });

/** What a fitting takes from whoever sits there and whoever checks by hand. */
export const PEOPLE_FIELDS = {
  sitter: z.strictObject({ ageYears: z.int().nullable().describe('years; null: not known') }),
  fitterHandMm: z
    .strictObject({ 3: Finite.optional(), 4: Finite.optional() })
    .optional()
    .describe('breadth of three and of four fingers, mm; absent: not measured'),
};

export const InputsSchema: z.ZodType<FitInputs> = z.strictObject({
  schema: z.literal(INPUTS_SCHEMA),
  coreVersion: z.int(),
  tablesVersion: z.int(),
  seed: z.int(),
  ...PEOPLE_FIELDS,
  body: BodySchema,
  seat: SeatSchema,
  place: PlaceSchema.nullable(),
  method: MethodSchema,
  work: WorkSchema,
});

/** Positions by adjustment, counted from 0 at the lowest end. */
export const PositionsSchema = z.partialRecord(z.enum(ADJUSTMENT_KIND_IDS), z.int().min(0).max(5000));

/** Remedies by size, mm; of arms that are off 1. */
export const RemediesSchema = z.strictObject(
  Object.fromEntries(
    REMEDY_IDS.map((id) => [id, Finite.min(REMEDY_LIMITS[id][0]).max(REMEDY_LIMITS[id][1]).optional()]),
  ) as Record<RemedyId, z.ZodOptional<typeof Finite>>,
);

/** A setting without a sitter: its place in the travel. */
export const SettingRowSchema = z.object({
  adjustment: z.enum(ADJUSTMENT_KIND_IDS),
  position: z.int().describe('counted from 0 at the lowest end'),
  of: z.int().describe('how many positions there are'),
  value: z.number().describe('as the seat states it: how far anybody sinks is not in it'),
  unit: z.enum(ADJUSTMENT_UNIT_IDS),
});
export type SettingRow = z.infer<typeof SettingRowSchema>;

export const SettingsSchema: z.ZodType<Settings> = z.strictObject({
  positions: PositionsSchema,
  remedies: RemediesSchema,
  states: z.array(Slug).max(20).optional(),
});
