/** A walk at the seat: what it started from, and every answer that was given on the way. */
import { z } from 'zod';
import { DIMENSION_IDS } from '../core/body';
import { FEEL_ANSWERS, STUCK_REASONS, WALK_ANSWERS } from '../core/walk';
import { Id, type Frozen } from '../core/document';
import { FITTING_STATES, PostureSetSchema } from './api';
import { InputsSchema, SettingsSchema, written } from './records';

const Instant = z.string();

/** Of one request, and of one walk. */
export const MOST_EVENTS_AT_ONCE = 100;
export const MOST_EVENTS = 2000;
const LONGEST_NOTE = 200;
const MOST_POSITIONS = 10_000;

export const WalkEventSchema = z.strictObject({
  id: Id.describe('made by the caller; the same again is kept once'),
  step: z
    .string()
    .max(60)
    .regex(/^[a-z]+(?::\w+)?$/i, 'schema.step')
    .describe('as the walk names it: `sit`, `set:seatHeight`, `again:harness`'),
  answer: z.enum(WALK_ANSWERS),
  position: z
    .int()
    .min(0)
    .max(MOST_POSITIONS)
    .optional()
    .describe('where the adjustment stands then, counted from 0'),
  feel: z.enum(FEEL_ANSWERS).optional().describe('of `felt`: what the sitter said'),
  reason: z.enum(STUCK_REASONS).optional().describe('of `stuck`'),
  note: written(LONGEST_NOTE).optional(),
  at: z.iso.datetime().describe('when it was answered; the order of answers goes by it'),
  device: z.string().max(40).optional().describe('tells the devices that add to one walk apart'),
});
export type NewWalkEvent = z.infer<typeof WalkEventSchema>;

export const GivenWalkEventSchema = WalkEventSchema.extend({
  by: z.string().nullable().describe('name of the fitter; null where nobody was named'),
});
export type GivenWalkEvent = Frozen<z.infer<typeof GivenWalkEventSchema>>;

export const NewWalkSchema = z.strictObject({
  id: Id,
  settings: SettingsSchema.optional().describe('to be reached; absent: those of the draft'),
  again: z.literal(true).optional().describe('begin anew although a walk is under way'),
});
export type NewWalk = z.infer<typeof NewWalkSchema>;

export const NewWalkEventsSchema = z.strictObject({
  walkId: Id,
  events: z.array(WalkEventSchema).min(1).max(MOST_EVENTS_AT_ONCE),
});
export type NewWalkEvents = z.infer<typeof NewWalkEventsSchema>;

export const WalkRecordSchema = z.object({
  id: Id,
  inputs: InputsSchema.describe('everything that it is worked out from; it stays as it was'),
  base: SettingsSchema.describe('settings to be reached where nothing is in the way'),
  postures: z.array(PostureSetSchema),
  startedAt: Instant,
  startedBy: z.string().nullable(),
  events: z.array(GivenWalkEventSchema).describe('in the order in which they count'),
});
export type WalkRecord = Frozen<z.infer<typeof WalkRecordSchema>>;

export const WalkStateSchema = z.object({
  fitting: z.object({
    id: Id,
    version: z.int().min(1),
    state: z.enum(FITTING_STATES),
    sitter: z.string(),
    seat: z.string().nullable(),
    tag: z.string().nullable().describe('of the very seat'),
    doNotUse: z.boolean().describe('nobody may sit on that very seat'),
    fitter: z.string().nullable(),
  }),
  walk: WalkRecordSchema.nullable(),
  isCurrent: z
    .boolean()
    .describe('whether the fitting is still worked out from the same; false: it was changed since'),
  left: z
    .object({ version: z.int().min(1), savedAt: Instant, by: z.string().nullable() })
    .nullable()
    .describe('the newest version that was signed off'),
});
export type WalkState = Frozen<z.infer<typeof WalkStateSchema>>;

export const WalkEventsSchema = z.object({ walkId: Id, events: z.array(GivenWalkEventSchema) });
export type WalkEvents = Frozen<z.infer<typeof WalkEventsSchema>>;

export const FeltSchema = z.object({
  dimension: z.enum(DIMENSION_IDS),
  value: z.number().describe('mm or kg, by the dimension'),
  spread: z.number().min(0).describe('standard deviation, same unit'),
  basis: z.literal('felt'),
  fittingId: z.string().nullable(),
  takenAt: z.string(),
  takenBy: z.string().nullable(),
});
/** What a person has felt of a measure, beside what was measured. */
export type FeltMeasured = Frozen<z.infer<typeof FeltSchema>>;
