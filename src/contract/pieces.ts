/** Seats that stand somewhere, each with a tag: where they are, who sits on them, what is set and what is wrong. */
import { z } from 'zod';
import { Id, type Frozen } from '../core/document';
import { RECORD_STATES } from './catalogue';
import {
  LONGEST_SERIES,
  LONGEST_TAG,
  MOST_USERS,
  PIECE_FAULTS,
  PIECE_STATES,
  type PieceState,
} from './piece-lists';
import { SettingRowSchema, written } from './records';

const LONGEST_NOTE = 300;

/** Letters, figures, blanks within, and what tags are usually parted by; capitals, whatever was typed. */
export const TagText = z
  .string()
  .trim()
  .min(1)
  .max(LONGEST_TAG)
  .regex(/^[\p{L}\p{N}](?:[\p{L}\p{N} ./_-]*[\p{L}\p{N}])?$/u, 'schema.tag')
  .transform((tag) => tag.toUpperCase().replace(/ +/g, ' '));

const Users = z.array(Id).max(MOST_USERS);
const Notes = written(2000);

export const NewPieceSchema = z.strictObject({
  id: Id,
  tag: TagText.describe('letters, figures, blanks and . / _ -; kept in capitals; no two seats have the same'),
  seatId: Id.describe('the seat as described'),
  placeId: Id.nullish(),
  users: Users.optional().describe('ids of the people who sit on it'),
  notes: Notes.optional(),
});
export type NewPiece = z.infer<typeof NewPieceSchema>;

export const PieceEditSchema = z.strictObject({
  tag: TagText.optional(),
  placeId: Id.nullable().optional(),
  isAway: z.boolean().optional(),
  users: Users.optional(),
  notes: Notes.optional(),
  lookedAt: z.literal(true).optional().describe('somebody looked it over today'),
  newLabel: z.literal(true).optional().describe('labels printed so far lead nowhere any more'),
});
export type PieceEdit = z.infer<typeof PieceEditSchema>;

export const PieceSeriesSchema = z.strictObject({
  seatId: Id,
  placeId: Id.nullish(),
  prefix: z.string().max(LONGEST_TAG),
  first: z.int().min(0).max(999_999),
  digits: z.int().min(1).max(6).describe('numbers are filled up with noughts to so many figures'),
  count: z.int().min(1).max(LONGEST_SERIES),
});
export type PieceSeries = z.infer<typeof PieceSeriesSchema>;

const Instant = z.string();
const LocalDate = z.iso.date();

export const PieceSummarySchema = z.object({
  id: Id,
  version: z.int().min(1),
  tag: z.string(),
  seat: z.object({ id: Id, versionId: Id, name: z.string(), state: z.enum(RECORD_STATES) }),
  place: z.object({ id: Id, name: z.string() }).nullable(),
  state: z.enum(PIECE_STATES),
  doNotUse: z.boolean().describe('a fitter has said that nobody may sit on it'),
  faults: z.int().min(0).describe('how many stand'),
  lastLookOn: LocalDate.nullable(),
});
export type PieceSummary = Frozen<z.infer<typeof PieceSummarySchema>>;

export const PieceFaultSchema = z.object({
  id: Id,
  kind: z.enum(PIECE_FAULTS),
  note: z.string(),
  doNotUse: z.boolean(),
  reportedAt: Instant,
  reportedBy: z.string().nullable().describe('null: by the label'),
  mendedAt: Instant.nullable(),
  mendedBy: z.string().nullable(),
});
export type PieceFault = Frozen<z.infer<typeof PieceFaultSchema>>;

export const PieceDetailSchema = PieceSummarySchema.extend({
  isAway: z.boolean(),
  notes: z.string(),
  users: z.array(z.object({ id: Id, name: z.string() })),
  lastLookBy: z.string().nullable(),
  faultList: z.array(PieceFaultSchema).describe('those that stand first, then the newest first'),
  setting: z
    .object({
      fittingId: Id.nullable(),
      savedAt: Instant,
      settings: z.array(SettingRowSchema),
    })
    .nullable()
    .describe('what was last signed off on it'),
  labelUrl: z.string().nullable().describe('where its label leads; null without a public address'),
});
export type PieceDetail = Frozen<z.infer<typeof PieceDetailSchema>>;

export const NewPieceFaultSchema = z.strictObject({
  kind: z.enum(PIECE_FAULTS),
  note: written(LONGEST_NOTE).default(''),
  doNotUse: z.boolean().default(false),
});
export type NewPieceFault = z.infer<typeof NewPieceFaultSchema>;

export const PieceFaultEditSchema = z.strictObject({
  fault: Id,
  doNotUse: z.boolean().optional(),
  isMended: z.boolean().optional(),
});
export type PieceFaultEdit = z.infer<typeof PieceFaultEditSchema>;

/** From whoever scans the label: what is wrong, and nothing about using it. */
export const LabelReportSchema = z.strictObject({
  kind: z.enum(PIECE_FAULTS),
  note: written(LONGEST_NOTE).default(''),
});
export type LabelReport = z.infer<typeof LabelReportSchema>;
export const LabelReportedSchema = z.object({ reported: z.literal(true) });

export interface PieceFilter {
  readonly search: string;
  readonly seat?: string | undefined;
  readonly place?: string | undefined;
  readonly user?: string | undefined;
  readonly state?: PieceState | undefined;
}

/** What a list of them is narrowed by. */
export const PIECE_QUERY = {
  search: z.string().max(200).default('').describe('part of a tag, or words of the seat or the workstation'),
  seat: Id.optional().describe('id of a seat as described'),
  place: Id.optional().describe('id of a workstation'),
  user: Id.optional().describe('id of a person who sits on it'),
  state: z.enum(PIECE_STATES).optional(),
};
