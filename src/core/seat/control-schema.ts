/** What the hand moves, and in which order: as it is stored and exchanged. */
import { z } from 'zod';
import { Finite, Line, Name, Slug, type Frozen } from '../document';
import {
  ACTIONS,
  CONTROL_KINDS,
  DIRECTIONS,
  DONE_BY,
  HANDS,
  PROCEDURE_KINDS,
  PULLS,
  SIDES,
  SITTER_ACTS,
  STANCES,
  ZONES,
} from './control-lists';

/** What must be so on another control or adjustment before. */
const PreconditionSchema = z.strictObject({ of: Slug, is: Line });
export type Precondition = Frozen<z.infer<typeof PreconditionSchema>>;

/** How anything is done at the seat; what is absent was not described. */
const DOING = {
  doneBy: z.enum(DONE_BY).optional(),
  stance: z.enum(STANCES).optional(),
  tool: Line.optional().describe('which one, and where it is kept'),
  felt: Line.optional().describe('what must be felt or heard'),
  otherwise: Line.optional().describe('what to do when it is not'),
  preconditions: z.array(PreconditionSchema).max(10).optional(),
};

export const MoveSchema = z.strictObject({
  adjustmentId: Slug.describe('what it moves: an adjustment, or a state of the seat'),
  action: z.enum(ACTIONS),
  directionForMore: z.enum(DIRECTIONS),
  tried: z
    .strictObject({ by: Name, at: z.string().max(40) })
    .optional()
    .describe('who tried the direction on the seat, and when'),
  sitter: z.strictObject({ forMore: z.enum(SITTER_ACTS), forLess: z.enum(SITTER_ACTS) }),
  hand: z.enum(HANDS).optional().describe('where it is not the control’s'),
  pull: z.enum(PULLS).optional().describe('where a short and a long pull do different things'),
  less: z
    .strictObject({
      action: z.enum(ACTIONS),
      direction: z.enum(DIRECTIONS).optional(),
      of: Line.optional().describe('on what, where it is not the control itself: the valve beside it'),
    })
    .optional()
    .describe('what is done for less, where it is not the same the other way'),
  drops: z.literal(true).optional().describe('lifted to its top it falls to the bottom'),
  retighten: z.literal(true).optional().describe('loosened first, and tightened again'),
  ...DOING,
});
export type Move = Frozen<z.infer<typeof MoveSchema>>;

export const ControlSchema = z.strictObject({
  id: Slug,
  name: Name,
  kind: z.enum(CONTROL_KINDS),
  hand: z.enum(HANDS),
  place: Line.describe('where the sitter finds it, in words'),
  side: z.enum(SIDES).optional(),
  zone: z.enum(ZONES).optional(),
  rank: z
    .strictObject({ number: z.int().min(1).max(20), of: z.int().min(1).max(20) })
    .optional()
    .describe('second of three, from the front'),
  point: z
    .strictObject({ forwardMm: Finite, rightMm: Finite, upMm: Finite })
    .optional()
    .describe('from the most forward point of the back support, at the seat’s middle and height'),
  byTouch: Line.optional().describe('how it is told from its neighbours: shape, length'),
  moves: z.array(MoveSchema).max(20),
  latch: z.enum(['clicks', 'silent', 'none']),
  scale: z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('none') }),
    z.strictObject({ type: z.literal('clicks') }),
    z.strictObject({ type: z.literal('turns') }),
    z.strictObject({
      type: z.literal('dial'),
      labels: z.array(z.string().max(40)).min(2).max(100),
      endsUnknown: z.boolean().optional(),
    }),
  ]),
});
export type Control = Frozen<z.infer<typeof ControlSchema>>;

export const ProcedureSchema = z.strictObject({
  id: Slug,
  kind: z.enum(PROCEDURE_KINDS),
  controlId: Slug.optional().describe('absent: of the seat as a whole'),
  steps: z
    .array(
      z.strictObject({
        text: Line,
        action: z.enum(ACTIONS).optional(),
        hand: z.enum(HANDS).optional(),
        weight: z.enum(SITTER_ACTS).optional(),
        ...DOING,
      }),
    )
    .max(30)
    .describe('none: as it is usually done'),
});
export type Procedure = Frozen<z.infer<typeof ProcedureSchema>>;
