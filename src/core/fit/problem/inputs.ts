import type { Body } from '../../body';
import type { Method, ScreenWay } from '../../method';
import type { Place } from '../../place';
import type { AdjustmentKind, SeatModel } from '../../seat';
import { ADULT_LENGTH_MM } from '../../target';

/** Raised with every change that makes the same inputs give another result. */
export const CORE_VERSION = 7;
/** Raised with every change of a table that a result depends on. */
export const TABLES_VERSION = 2;
export const INPUTS_SCHEMA = 2;

/** What the sitter works with, and how they get up. */
export interface Work {
  readonly toolsKg: number;
  readonly helmet: boolean;
  readonly glasses: boolean;
  /** Pushes up on the armrests. */
  readonly risesByArms: boolean;
  /** Where the screen stands against the eye; null: as the method has it. */
  readonly screen: ScreenWay | null;
}

/** What of the work is so or not so. */
export const WORK_FLAGS = ['helmet', 'glasses', 'risesByArms'] as const;
export type WorkFlag = (typeof WORK_FLAGS)[number];

/**
 * The part of a record that says how the sitter works.
 * @returns a copy of those fields only. Definition.
 * @example
 * workOf({ ...PLAIN_WORK, toolsKg: 4 }).toolsKg // => 4
 */
export const workOf = ({ toolsKg, helmet, glasses, risesByArms, screen }: Work): Work => ({
  toolsKg,
  helmet,
  glasses,
  risesByArms,
  screen,
});

export const PLAIN_WORK: Work = {
  toolsKg: 0,
  helmet: false,
  glasses: false,
  risesByArms: false,
  screen: null,
};

/** Everything a fitting is computed from, as one document: the same document always gives the same settings. */
export interface FitInputs {
  readonly schema: typeof INPUTS_SCHEMA;
  readonly coreVersion: number;
  readonly tablesVersion: number;
  /** For computations that draw at random; none does yet. */
  readonly seed: number;
  readonly sitter: { readonly ageYears: number | null };
  readonly body: Body;
  readonly seat: SeatModel;
  /** null: no desk, nothing but the seat. */
  readonly place: Place | null;
  readonly method: Method;
  readonly work: Work;
  /** Of whoever checks with the hand, mm; absent where not measured. */
  readonly fitterHandMm?: { readonly 3?: number | undefined; readonly 4?: number | undefined } | undefined;
}

/** No computation draws at random yet; the seed is kept from the first day so that later ones can be repeated. */
const SEED = 1;

type Versions = 'schema' | 'coreVersion' | 'tablesVersion' | 'seed';

/**
 * A document of inputs under the versions of this program, with its seat or, for many seats, without.
 * @returns a document that says by itself what it was calculated with. Definition.
 * @example
 * makeInputs({ sitter: { ageYears: 30 }, body, seat, place, method, work: PLAIN_WORK }).schema === INPUTS_SCHEMA // => true
 */
export function makeInputs<P extends Omit<FitInputs, Versions | 'seat'>>(
  parts: P,
): P & Pick<FitInputs, Versions> {
  return {
    schema: INPUTS_SCHEMA,
    coreVersion: CORE_VERSION,
    tablesVersion: TABLES_VERSION,
    seed: SEED,
    ...parts,
  };
}

/**
 * What can be added to a seat or a place, taken off or changed about it, and between which sizes, mm (assumed, wide on
 * purpose). Of what is taken off or folded away: 1. Of column and desk: less than nothing is shorter, lower.
 */
export const REMEDY_LIMITS = {
  footrestMm: [0, 400],
  backCushionMm: [0, 200],
  seatPadMm: [0, 100],
  lumbarRollMm: [0, 100],
  columnMm: [-200, 200],
  deskMm: [-300, 300],
  keyboardTrayMm: [0, 200],
  screenRiserMm: [0, 400],
  armsFolded: [0, 1],
  headrestOff: [0, 1],
  armsOff: [0, 1],
} as const satisfies Record<string, readonly [number, number]>;

export type RemedyId = keyof typeof REMEDY_LIMITS;
export const REMEDY_IDS = Object.keys(REMEDY_LIMITS) as RemedyId[];

/** Remedies in use, by size; what is absent or 0 is not used. */
export type RemedySettings = { readonly [id in RemedyId]?: number | undefined };

export const NO_REMEDIES: RemedySettings = {};

/**
 * What has no size: it is so or not.
 * @returns false for what comes in sizes. Definition.
 * @example
 * [isSwitch('armsOff'), isSwitch('footrestMm')] // => [true, false]
 */
export const isSwitch = (id: RemedyId): boolean =>
  id === 'armsOff' || id === 'armsFolded' || id === 'headrestOff';

/**
 * The size of a remedy that is in use.
 * @returns mm; 0 where it is not in use, 1 for what has no size. Definition.
 * @example
 * sizeInUse({ ...NO_REMEDIES, footrestMm: 60 }, 'footrestMm') // => 60
 */
export const sizeInUse = (remedies: RemedySettings, id: RemedyId): number => remedies[id] ?? 0;

/** A position for each adjustment, by kind, and the remedies in use. */
export interface Settings {
  readonly positions: Readonly<Partial<Record<AdjustmentKind, number>>>;
  readonly remedies: RemedySettings;
  /** Of the seat's states those in use, by id; nothing is calculated from them yet. */
  readonly states?: readonly string[] | undefined;
}

/** Below this age room behind the knee is taken in proportion, years (common practice). */
const CHILD_BELOW_YEARS = 15;
/**
 * Whether the sitter is a child.
 * @returns by age; false where no age is known. Definition.
 */
export const isChild = (inputs: FitInputs): boolean =>
  inputs.sitter.ageYears !== null && inputs.sitter.ageYears < CHILD_BELOW_YEARS;

/**
 * How large a child is against the adult for whom lengths are stated, by its buttock–popliteal length.
 * @returns a share, 1 for adults and where that was not measured. Assumed.
 */
export const adultShareOf = (inputs: FitInputs): number =>
  isChild(inputs) ? (inputs.body.buttockPoplitealLength?.value ?? ADULT_LENGTH_MM) / ADULT_LENGTH_MM : 1;
