/** A seat as it is stored and exchanged. What nobody described is null or absent, and nothing is guessed in its place. */
import { z } from 'zod';
import { Finite, Id, Line, Name, Notes, Slug, type Frozen } from '../document';
import { QuantitySchema } from '../quantity/schema';
import { ADJUSTMENT_KIND_IDS, ADJUSTMENT_UNIT_IDS } from './adjustment-kinds';
import { ControlSchema, ProcedureSchema } from './control-schema';
import {
  ARM_SUPPORTS,
  COVERS,
  CUSHION_ZONES,
  LOCK_STATES,
  MOVED_BY,
  NAMED_POSITIONS,
  OFFERS,
  SEAT_CLASSES,
  STATE_KINDS,
  VARIANT_PARTS,
} from './lists';
import { SEAT_LENGTHS } from './lengths';
import { SEAT_DOCUMENT } from './schema-version';

const Length = Finite.min(0).max(10_000);
/** What nobody described is null, whether that is said or left out. */
const Described = QuantitySchema.nullable().default(null);

/** A length's schema by the form of its row. */
const LENGTH_FORMS = {
  quantity: Described,
  number: Finite.nullable().default(null),
  size: Length.nullable().default(null),
  givenSize: Length.nullable(),
  optional: Finite.optional(),
  optionalSize: Length.optional(),
};
type Rows = typeof SEAT_LENGTHS;
/** Names of the lengths under a part of the document; those of the document itself for `''`. */
type NameIn<At extends string, Part extends string> = Part extends ''
  ? At extends `${string}/${string}`
    ? never
    : At
  : At extends `${Part}/${infer Name}`
    ? Name
    : never;
type LengthSchemas<Part extends string> = {
  [Key in keyof Rows as NameIn<Rows[Key]['at'], Part>]: (typeof LENGTH_FORMS)[Rows[Key]['form']];
};
/** The schemas of all lengths under a part of the document, each from its row. */
function lengthsIn<Part extends '' | 'cushion' | 'pan' | 'back' | 'arms'>(part: Part): LengthSchemas<Part> {
  const own = Object.values(SEAT_LENGTHS).flatMap(({ at, form, about }) => {
    const [name = '', under = ''] = at.split('/').reverse();
    return under === part ? [[name, LENGTH_FORMS[form].describe(about)] as const] : [];
  });
  return Object.fromEntries(own) as unknown as LengthSchemas<Part>;
}
/** Heights on a sheet without a mass are taken with this on the seat, kg. */
const USUAL_REFERENCE_KG = 75;

export const TravelSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('continuous'), lowest: QuantitySchema, highest: QuantitySchema }),
  z
    .strictObject({
      type: z.literal('steps'),
      lowest: QuantitySchema,
      highest: QuantitySchema,
      count: z.int().min(2),
    })
    .describe('positions at equal distances, both ends included'),
  z
    .strictObject({ type: z.literal('listed'), values: z.array(QuantitySchema).min(1).max(500) })
    .describe('positions at these values, rising; one value: nobody can move it'),
  z.strictObject({ type: z.literal('onOff') }).describe('position 0 off, 1 on'),
]);
export type Travel = Frozen<z.infer<typeof TravelSchema>>;

export const EffortSchema = z.discriminatedUnion('by', [
  z
    .strictObject({ by: z.literal('moment'), lightestNm: Finite, stiffestNm: Finite, atDeg: Finite })
    .describe('moments about the hip, N·m, at a back angle'),
  z.strictObject({ by: z.literal('mass'), lightestKg: Finite, stiffestKg: Finite }),
  z
    .strictObject({
      by: z.literal('weighing'),
      lightestKg: Finite,
      stiffestKg: Finite,
      hasScale: z.boolean().optional().describe('whether it shows what it weighed'),
    })
    .describe('weighs the sitter by itself; what is set is an override, 0: none'),
]);
export type Effort = Frozen<z.infer<typeof EffortSchema>>;

export const MeaningSchema = z.strictObject({ atLowest: Finite, atHighest: Finite });
export type Meaning = Frozen<z.infer<typeof MeaningSchema>>;

export const HoldsSchema = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('notched') }),
  z.strictObject({ how: z.literal('free') }),
  z.strictObject({ how: z.literal('passive') }),
  z.strictObject({
    how: z.literal('follows'),
    leaderId: Slug.describe('the adjustment that moves it'),
    ratio: Finite.describe('of its own unit for one unit of the leader'),
  }),
]);
export type Holds = Frozen<z.infer<typeof HoldsSchema>>;

export const LockSchema = z.strictObject({
  states: z.array(z.enum(LOCK_STATES)).min(2).max(LOCK_STATES.length).describe('one a position, from 0'),
  stopsDeg: z.array(Finite).max(20).optional().describe('back angles at which the limiter can stop, rising'),
});
export type Lock = Frozen<z.infer<typeof LockSchema>>;

/** A position by name, or counted from 0 at the lowest end. */
const At = z.union([z.enum(NAMED_POSITIONS), z.int().min(0).max(5000)]);

export const AdjustmentSchema = z.strictObject({
  id: Slug,
  kind: z.enum(ADJUSTMENT_KIND_IDS),
  side: z.enum(['both', 'left', 'right']).default('both'),
  unit: z.enum(ADJUSTMENT_UNIT_IDS),
  travel: TravelSchema,
  holds: HoldsSchema,
  effort: EffortSchema.optional().describe('only of `tiltTension`; absent: set by trial'),
  means: MeaningSchema.optional().describe(
    'what the ends of a count come to, in the unit that the kind’s row names; absent: not known',
  ),
  lock: LockSchema.optional().describe('only of `tiltLock`'),
  movedBy: z.enum(MOVED_BY).optional().describe('absent: not described'),
  creeps: z.boolean().optional().describe('whether it moves by itself under load; absent: not tried'),
  play: Finite.min(0).optional().describe('how far it gives when locked, in its unit'),
  neutral: At.optional().describe('where a fitting starts'),
  rest: At.optional().describe('where it is left when nothing asks for it'),
  tape: Line.optional().describe('where the tape is put'),
});
export type Adjustment = Frozen<z.infer<typeof AdjustmentSchema>>;

const ArmsSchema = z.strictObject({
  support: z.enum(ARM_SUPPORTS),
  on: z.enum(['seat', 'back']).nullable(),
  moveWithBack: z.boolean().nullable(),
  ...lengthsIn('arms'),
  turnsRightRound: z.boolean().optional(),
});

const StateSchema = z.strictObject({
  id: Slug,
  kind: z.enum(STATE_KINDS),
  removes: z.array(Slug).max(ADJUSTMENT_KIND_IDS.length).describe('adjustments that are not there then'),
  removesArms: z.boolean().optional(),
  seatWidthMm: QuantitySchema.nullable().optional().describe('usable width then, where it changes'),
});
export type SeatState = Frozen<z.infer<typeof StateSchema>>;

const StrappedCushionSchema = z.strictObject({
  id: Slug,
  zone: z.enum(CUSHION_ZONES),
  thicknessMm: Described.describe('loaded'),
  heightMm: z
    .strictObject({ lowest: Finite, highest: Finite })
    .optional()
    .describe('of its apex above the loaded seat, along the back'),
  belongsTo: z.enum(['seat', 'sitter']),
  slips: z.boolean().optional(),
});

export const SeatSchema = z.strictObject({
  schema: z.literal(SEAT_DOCUMENT),
  id: Id,
  name: Name,
  seatClass: z.enum(SEAT_CLASSES),
  ratedLoadKg: Described.describe('null: read the label'),
  ...lengthsIn(''),
  cushion: z
    .strictObject({
      ...lengthsIn('cushion'),
      referenceMassKg: Finite.positive().default(USUAL_REFERENCE_KG),
      heightsAre: z
        .enum(['loaded', 'empty'])
        .default('loaded')
        .describe('whether heights were taken with the reference mass on the seat, or with nobody on it'),
    })
    .prefault({}),
  pan: z.strictObject(lengthsIn('pan')).prefault({}),
  back: z
    .strictObject({
      ...lengthsIn('back'),
      synchroRatio: Finite.positive()
        .nullable()
        .default(null)
        .describe('back degrees per seat degree when both tilt together; null where the pan stays'),
      lumbarZones: z
        .strictObject({ lowerMm: Finite, upperMm: Finite })
        .optional()
        .describe('middles of two lumbar zones above the loaded seat, along the back'),
    })
    .prefault({}),
  arms: ArmsSchema.nullable().default(null).describe('null: none'),
  offers: z.array(z.enum(OFFERS)).max(OFFERS.length).default([]),
  states: z.array(StateSchema).max(STATE_KINDS.length).default([]),
  strappedCushions: z.array(StrappedCushionSchema).max(10).default([]),
  lifts: z
    .array(z.strictObject({ name: Name, lowestMm: Length, highestMm: Length }))
    .max(20)
    .optional()
    .describe('columns that can be had, each with its own seat heights'),
  variant: z
    .strictObject({ familyId: Id, label: Name, differsIn: z.array(z.enum(VARIANT_PARTS)).min(1) })
    .optional()
    .describe('one of several seats that share the rest'),
  cover: z.strictObject({ comesOff: z.enum(COVERS).nullable(), cleaning: Line }).optional(),
  adjustments: z.array(AdjustmentSchema),
  controls: z.array(ControlSchema).max(100).default([]),
  procedures: z.array(ProcedureSchema).max(40).default([]),
  price: Finite.min(0).max(1e7).optional(),
  notes: Notes.default(''),
});
/** A described product with its ranges: one immutable version of it. */
export type SeatModel = Frozen<z.infer<typeof SeatSchema>>;
