/** Cases brought from outside: what is asked, and what is answered. Lengths in mm, masses in kg, angles in degrees. */
import { z } from 'zod';
import { DIMENSION_IDS, SEXES } from '../core/body';
import { EXTRAS } from '../core/answer/extras';
import { ENDINGS, REMEDY_COSTS, REMEDY_IDS, VERDICTS, CONDITION_IDS } from '../core/fit';
import { ADJUSTMENT_KIND_IDS, ADJUSTMENT_UNIT_IDS } from '../core/seat';
import { Id, type Frozen } from '../core/document';
import { PlaceSchema } from '../core/place/schema';
import { SeatSchema } from '../core/seat/schema';
import { MethodSchema, PositionsSchema, RemediesSchema, WORK_FIELDS } from './records';

const Measure = z
  .union([
    z.number(),
    z.strictObject({
      value: z.number(),
      spread: z.number().min(0).describe('standard deviation, in the unit of the value'),
    }),
  ])
  .describe('mm; bodyMass in kg. A bare number is a single reading: half its repeat tolerance is its spread');

/** Nothing but an id: a record in full has a name. */
const ById = z.strictObject({ id: Id });

const SitterSchema = z
  .union([
    z.strictObject({ id: Id, estimateMissing: z.boolean().default(true) }),
    z.strictObject({
      measures: z.partialRecord(z.enum(DIMENSION_IDS), Measure),
      ageYears: z.number().min(0).max(120).nullable().default(null).describe('years'),
      sex: z.enum(SEXES).nullable().default(null).describe('for tables of bodies only'),
      estimateMissing: z.boolean().default(true).describe('estimate what was not measured, marked as such'),
    }),
  ])
  .describe('by id, or by measures');

const common = {
  sitter: SitterSchema,
  place: z
    .union([PlaceSchema, ById])
    .nullable()
    .default(null)
    .describe('by id (the newest version) or id of a version, or in full'),
  method: z
    .union([z.strictObject({ id: z.string().min(1).max(60) }), MethodSchema])
    .default({ id: 'right-angle' })
    .describe('by id or id of a version, or in full'),
  toolsKg: WORK_FIELDS.toolsKg.default(0),
  helmet: WORK_FIELDS.helmet.default(false),
  glasses: WORK_FIELDS.glasses.default(false),
  risesByArms: WORK_FIELDS.risesByArms.default(false),
  screen: WORK_FIELDS.screen.default(null),
};
const OneSeat = z
  .union([SeatSchema, ById])
  .describe('by id (the newest version) or id of a version, or in full');

export const FitRequestSchema = z.strictObject({
  ...common,
  seat: OneSeat,
  remedies: RemediesSchema.default({}).describe('in use, mm'),
  held: PositionsSchema.default({}).describe(
    'positions that stay as they are, counted from 0 at the lowest end',
  ),
  include: z.array(z.enum(EXTRAS)).max(EXTRAS.length).default([]),
});
export type FitRequest = Frozen<z.infer<typeof FitRequestSchema>>;

export const MOST_SEATS = 2000;
export const RankRequestSchema = z.strictObject({
  ...common,
  seats: z
    .array(OneSeat)
    .max(MOST_SEATS)
    .nullable()
    .default(null)
    .describe('null: all that the practice has'),
  limit: z
    .int()
    .min(1)
    .max(MOST_SEATS)
    .default(50)
    .describe('how many are answered; refused ones always are'),
});
export type RankRequest = Frozen<z.infer<typeof RankRequestSchema>>;

const Interval = z.object({ lo: z.number().nullable(), hi: z.number().nullable() }).nullable();
const Percent = z.number().min(0).max(100);
const Condition = z.enum(CONDITION_IDS);
const Text = z.string();

export const FitAnswerSchema = z.object({
  coreVersion: z.int(),
  tablesVersion: z.int(),
  refused: z.boolean(),
  checks: z.array(z.object({ check: Text, verdict: Text, reason: Text })),
  settings: z.array(
    z.object({
      adjustment: z.enum(ADJUSTMENT_KIND_IDS),
      name: Text,
      position: z.int().describe('counted from 0 at the lowest end'),
      of: z.int(),
      value: z.number().describe('in the unit, under this body'),
      unit: z.enum(ADJUSTMENT_UNIT_IDS),
      aim: Interval,
      band: Interval,
      verdict: z.enum(VERDICTS),
      reason: Text,
      missing: z.array(z.enum(DIMENSION_IDS)),
      estimated: z.array(z.enum(DIMENSION_IDS)),
    }),
  ),
  remedies: RemediesSchema,
  posture: z.array(z.object({ angle: Text, degrees: z.number(), inBand: z.boolean() })),
  hardTenths: z.int(),
  penaltyMillionths: z.int(),
  ended: z
    .enum(ENDINGS)
    .describe('`proved`: no settings cost less; `budget`: the best found so far is given'),
  boundMillionths: z.int(),
  boxesOpened: z.int(),
  certainty: z
    .object({
      some: z.object({ percent: Percent, standardErrorPoints: z.number(), limiting: Condition.nullable() }),
      asSet: z.object({
        percent: Percent,
        standardErrorPoints: z.number(),
        each: z.array(z.object({ condition: Condition, percent: Percent })),
        settle: z.enum(DIMENSION_IDS).nullable(),
      }),
    })
    .nullable(),
  offered: z
    .array(
      z.object({
        parts: z.array(z.object({ remedy: z.enum(REMEDY_IDS), sizeMm: z.number() })),
        cost: z.enum(REMEDY_COSTS),
        closes: z.array(Condition),
        leaves: z.array(Condition),
        opens: z.array(Condition),
        says: z.array(Text),
        penaltyMillionths: z.int(),
      }),
    )
    .nullable(),
});
export type FitAnswer = z.infer<typeof FitAnswerSchema>;

export const RankAnswerSchema = z.object({
  coreVersion: z.int(),
  count: z.int(),
  ranked: z.array(
    z.object({
      seat: Text,
      name: Text,
      percent: Percent,
      standardErrorPoints: z.number(),
      penaltyMillionths: z.int(),
      hardTenths: z.int(),
      margin: z.number().nullable(),
      price: z.number().nullable(),
      limiting: Condition.nullable(),
      notMeant: z.array(Text).describe('why it is not meant for the place; empty where it is'),
      positions: PositionsSchema,
    }),
  ),
  refused: z.array(z.object({ seat: Text, name: Text, reasons: z.array(Text) })),
});
export type RankAnswer = z.infer<typeof RankAnswerSchema>;
