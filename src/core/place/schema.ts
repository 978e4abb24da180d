/** A workstation as it is stored and exchanged; what is absent is not there. */
import { z } from 'zod';
import { Finite, Id, Name, Notes, type Frozen } from '../document';
import { OFFERS, SEAT_CLASSES } from '../seat';
import { AdjustmentSchema } from '../seat/schema';
import { GROUNDS, PLACE_LENGTHS, SPOT_LIMITS, TASKS, WINNERS } from './lists';
import { PLACE_DOCUMENT } from './schema-version';

const within = ([low, high]: readonly [number, number]) => Finite.min(low).max(high);

/** The schemas of all lengths, each from its row. */
const LENGTHS = Object.fromEntries(
  Object.entries(PLACE_LENGTHS).map(([key, { limits, isRequired, about }]) => [
    key,
    (isRequired ? within(limits) : within(limits).optional()).describe(about),
  ]),
) as {
  [Key in keyof typeof PLACE_LENGTHS]: (typeof PLACE_LENGTHS)[Key]['isRequired'] extends true
    ? z.ZodNumber
    : z.ZodOptional<z.ZodNumber>;
};

export const SpotSchema = z
  .strictObject({ forwardMm: within(SPOT_LIMITS.forwardMm), heightMm: within(SPOT_LIMITS.heightMm) })
  .describe(
    'in the side view, with the seat rearmost: forward of the back support’s most forward point; above the floor',
  );
export type Spot = Frozen<z.infer<typeof SpotSchema>>;

/** What a place says beside its name, its adjustments and its notes. */
export const PLACE_FIELDS = {
  task: z.enum(TASKS),
  ...LENGTHS,
  handControls: SpotSchema.optional().describe('grip of the hand controls in neutral'),
  pedals: SpotSchema.optional().describe('heel on the pedals, half down'),
  ground: z.enum(GROUNDS).optional(),
  wins: z.enum(WINNERS).optional(),
  needs: z.array(z.enum(OFFERS)).max(OFFERS.length).describe('what a seat has to offer here'),
  seatClasses: z
    .array(z.enum(SEAT_CLASSES))
    .max(SEAT_CLASSES.length)
    .describe('classes of seat that suit; empty: any'),
};

export const PlaceSchema = z.strictObject({
  schema: z.literal(PLACE_DOCUMENT),
  id: Id,
  name: Name,
  ...PLACE_FIELDS,
  adjustments: z
    .array(AdjustmentSchema)
    .describe('kinds `deskHeight`, `screenHeight`, `footrest`; none for a place without'),
  notes: Notes,
});
/**
 * Where the seat is used: one immutable version. Desk, screen and footrest are adjustments of the place, of the same
 * type as a seat's; one that nobody can move has one position.
 */
export type Place = Frozen<z.infer<typeof PlaceSchema>>;
