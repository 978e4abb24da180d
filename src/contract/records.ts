/** Zod schemas of everything that is stored as a document or crosses the API; past these, types are trusted. */
import { z } from 'zod';
import { DIMENSION_IDS, type Body } from '../core/body';
import { hasInvisible } from '../core/exchange/invisible';
import {
  INPUTS_SCHEMA,
  REMEDY_IDS,
  REMEDY_LIMITS,
  type FitInputs,
  type RemedyId,
  type Settings,
} from '../core/fit';
import {
  ARMS_TO,
  CONDITION_IDS,
  FINGER_COUNTS,
  HANDS_OF,
  METHOD_CAUTIONS,
  MOST_STEPS,
  TARGET_BASES,
  TIE_BREAKS,
  type Method,
} from '../core/method';
import { GROUNDS, PLACE_LIMITS, SPOT_LIMITS, TASKS, WINNERS, type Place, type Spot } from '../core/place';
import { BODY_DIMENSIONS, ROW_BASES, type PopulationTable } from '../core/population/table';
import { BASES, type Quantity } from '../core/quantity';
import {
  ACTIONS,
  ADJUSTMENT_KIND_IDS,
  ADJUSTMENT_UNIT_IDS,
  CONTROL_KINDS,
  DIRECTIONS,
  HANDS,
  SEAT_CLASSES,
  SITTER_ACTS,
  type Adjustment,
  type SeatModel,
} from '../core/seat';

/** Longest name anybody may give; long enough for every real one. */
export const NAME_LIMIT = 120;
const NOTES_LIMIT = 2000;

export const Id = z.uuid();
/** Text of one line. */
const PLAIN = /^\P{Cc}*$/u;
/** Text of several lines. */
const LINES = /^(?:[\n\r\t]|\P{Cc})*$/u;
export const Name = z.string().trim().min(1).max(NAME_LIMIT);
/** A name as it comes in: what is kept already may be less plain, and is still read. */
export const NewName = Name.regex(PLAIN, 'Control characters cannot be part of a name.').refine(
  (name) => !hasInvisible(name),
  'This name holds an invisible character. Type it again, without copying it.',
);
/** What somebody writes, of so many characters at most. */
export const written = (longest: number) => z.string().max(longest).regex(LINES);
const Notes = z.string().max(NOTES_LIMIT);
/** Beyond this a number is a slip, whatever it measures. */
const LARGEST = 1e6;
const Finite = z.number().min(-LARGEST).max(LARGEST);

export const QuantitySchema: z.ZodType<Quantity> = z.strictObject({
  value: Finite,
  basis: z.enum(BASES),
  spread: Finite.min(0),
  source: z.string().max(200),
  takenAt: z.string().nullable(),
  takenBy: z.string().nullable(),
  instrument: z.string().optional(),
  reason: z.string().optional(),
});

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

const Travel = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('continuous'), lowest: QuantitySchema, highest: QuantitySchema }),
  z.strictObject({
    type: z.literal('steps'),
    lowest: QuantitySchema,
    highest: QuantitySchema,
    count: z.int().min(2),
  }),
  z.strictObject({ type: z.literal('listed'), values: z.array(QuantitySchema).min(1).max(500) }),
]);

const Effort = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('moment'), lightestNm: Finite, stiffestNm: Finite, atDeg: Finite }),
  z.strictObject({ by: z.enum(['mass', 'weighing']), lightestKg: Finite, stiffestKg: Finite }),
]);

export const AdjustmentSchema: z.ZodType<Adjustment> = z.strictObject({
  id: z.string().regex(/^[a-zA-Z0-9-]{1,60}$/),
  kind: z.enum(ADJUSTMENT_KIND_IDS),
  side: z.enum(['both', 'left', 'right']),
  unit: z.enum(ADJUSTMENT_UNIT_IDS),
  travel: Travel,
  effort: Effort.optional(),
  means: z.strictObject({ atLowest: Finite, atHighest: Finite }).optional(),
  locks: z.enum(['upright', 'anywhere']).optional(),
  followsSitter: z.boolean().optional(),
});

const Move = z.strictObject({
  adjustmentId: z.string(),
  action: z.enum(ACTIONS),
  directionForMore: z.enum(DIRECTIONS),
  sitter: z.strictObject({ forMore: z.enum(SITTER_ACTS), forLess: z.enum(SITTER_ACTS) }),
});

const ControlSchema = z.strictObject({
  id: z.string(),
  name: Name,
  kind: z.enum(CONTROL_KINDS),
  hand: z.enum(HANDS),
  place: z.string().max(300),
  moves: z.array(Move),
  latch: z.enum(['clicks', 'silent', 'none']),
  scale: z.union([
    z.strictObject({ type: z.enum(['none', 'clicks', 'turns']) }),
    z.strictObject({ type: z.literal('dial'), labels: z.array(z.string()) }),
  ]),
  keeps: z.boolean(),
});

export const SeatSchema: z.ZodType<SeatModel> = z.strictObject({
  id: Id,
  name: Name,
  seatClass: z.enum(SEAT_CLASSES),
  ratedLoadKg: QuantitySchema,
  seatWidthMm: QuantitySchema,
  cushion: z.strictObject({
    sinkMm: QuantitySchema,
    referenceMassKg: Finite,
    heightsAre: z.enum(['loaded', 'empty']),
  }),
  pan: z.strictObject({ axisFromRearMm: Finite, recessMm: Finite, frontEdgeRadiusMm: Finite }),
  back: z.strictObject({
    topMm: Finite,
    synchroRatio: Finite.nullable(),
    armsMoveWithBack: z.boolean(),
    lumbarZones: z.strictObject({ lowerMm: Finite, upperMm: Finite }).optional(),
  }),
  armPad: z.strictObject({ lengthMm: Finite, widthMm: Finite, frontMm: Finite.optional() }).nullable(),
  hasHarness: z.boolean(),
  hasSuspension: z.boolean(),
  castors: z.enum(['hardFloor', 'softFloor', 'glides', 'bolted']),
  adjustments: z.array(AdjustmentSchema),
  controls: z.array(ControlSchema),
  price: Finite.min(0).max(1e7).optional(),
  notes: Notes,
});

const lengthOf = (key: keyof typeof PLACE_LIMITS) =>
  Finite.min(PLACE_LIMITS[key][0]).max(PLACE_LIMITS[key][1]);
const SpotSchema: z.ZodType<Spot> = z.strictObject({
  forwardMm: Finite.min(SPOT_LIMITS.forwardMm[0]).max(SPOT_LIMITS.forwardMm[1]),
  heightMm: Finite.min(SPOT_LIMITS.heightMm[0]).max(SPOT_LIMITS.heightMm[1]),
});

/** What a place says beside its name, its adjustments and its notes. */
export const PLACE_FIELDS = {
  task: z.enum(TASKS),
  deskThicknessMm: lengthOf('deskThicknessMm'),
  keyboardThicknessMm: lengthOf('keyboardThicknessMm'),
  drawerMm: lengthOf('drawerMm').optional(),
  apronMm: lengthOf('apronMm').optional(),
  keysFromEdgeMm: lengthOf('keysFromEdgeMm').optional(),
  screenDistanceMm: lengthOf('screenDistanceMm').optional(),
  handControls: SpotSchema.optional(),
  pedals: SpotSchema.optional(),
  ground: z.enum(GROUNDS).optional(),
  headroomMm: lengthOf('headroomMm').optional(),
  wins: z.enum(WINNERS).optional(),
};

export const PlaceSchema: z.ZodType<Place> = z.strictObject({
  id: Id,
  name: Name,
  ...PLACE_FIELDS,
  adjustments: z.array(AdjustmentSchema),
  notes: Notes,
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

export const MethodSchema: z.ZodType<Method> = z.strictObject({
  id: z.string().min(1).max(60),
  name: Name,
  summary: z.string().max(500),
  targets: Targets,
  kneeRoom: Target,
  fingers: z.strictObject({ lo: FingerCount, hi: FingerCount, whose: z.enum(HANDS_OF) }).optional(),
  armsTo: z.enum(ARMS_TO).optional(),
  headRestFromDeg: Finite,
  footrestPenalty: Finite.min(0),
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

export const InputsSchema: z.ZodType<FitInputs> = z.strictObject({
  schema: z.literal(INPUTS_SCHEMA),
  coreVersion: z.int(),
  tablesVersion: z.int(),
  seed: z.int(),
  sitter: z.strictObject({ ageYears: z.int().nullable() }),
  body: BodySchema,
  seat: SeatSchema,
  place: PlaceSchema.nullable(),
  method: MethodSchema,
  work: z.strictObject({ toolsKg: Finite.min(0) }),
  fitterHandMm: z.strictObject({ 3: Finite.optional(), 4: Finite.optional() }).optional(),
});

/** Positions by adjustment, counted from 0 at the lowest end. */
export const PositionsSchema = z.partialRecord(z.enum(ADJUSTMENT_KIND_IDS), z.int().min(0).max(5000));

/** Remedies by size, mm; of arms that are off 1. */
export const RemediesSchema = z.strictObject(
  Object.fromEntries(
    REMEDY_IDS.map((id) => [id, Finite.min(REMEDY_LIMITS[id][0]).max(REMEDY_LIMITS[id][1]).optional()]),
  ) as Record<RemedyId, z.ZodOptional<typeof Finite>>,
);

export const SettingsSchema: z.ZodType<Settings> = z.strictObject({
  positions: PositionsSchema,
  remedies: RemediesSchema,
});
