/**
 * Seats beside published sets of dimensions: for orientation, never as certification. A standard measures with its own
 * device on a loaded chair, and asks for more than dimensions. All figures are from memory: not verified against the
 * printed source.
 */
import type { AdjustmentKind } from './adjustment-kinds';
import { endsOf, isFixed } from './positions';
import type { SeatModel } from './schema';
import { adjustmentOf } from './seat';

export const DIMENSION_SETS = {
  en1335: { edition: 'EN 1335-1:2000, type A', classes: ['office', 'task'] },
  hfes100: { edition: 'ANSI/HFES 100-2007', classes: ['office', 'task', 'controlDesk'] },
} as const;
export type DimensionSet = keyof typeof DIMENSION_SETS;
export const DIMENSION_SET_IDS = Object.keys(DIMENSION_SETS) as DimensionSet[];

/** Plain values of a seat that a set speaks of. */
const PLAIN = {
  seatWidth: (seat: SeatModel) => seat.seatWidthMm?.value ?? null,
  backTop: (seat: SeatModel) => seat.back.topMm,
  backTopWidth: (seat: SeatModel) => seat.back.topWidthMm ?? null,
  padLength: (seat: SeatModel) => seat.arms?.lengthMm ?? null,
  padWidth: (seat: SeatModel) => seat.arms?.widthMm ?? null,
} as const;
export type PlainDimension = keyof typeof PLAIN;

/**
 * What is asked of a range: `reaches`, an adjustable one covers it all and a fixed one lies in it; `overlaps` by at
 * least so much; `spans` at least so much anywhere; `includes` a value; `atLeast` at its highest.
 */
export type PublishedRule =
  | { readonly is: 'reaches'; readonly lo: number; readonly hi: number }
  | { readonly is: 'overlaps'; readonly lo: number; readonly hi: number; readonly by: number }
  | { readonly is: 'spans'; readonly by: number }
  | { readonly is: 'includes'; readonly value: number }
  | { readonly is: 'atLeast'; readonly value: number };

interface Rule {
  readonly of: AdjustmentKind | PlainDimension;
  readonly asked: PublishedRule;
}

const RULES: Readonly<Record<DimensionSet, readonly Rule[]>> = {
  en1335: [
    { of: 'seatHeight', asked: { is: 'reaches', lo: 400, hi: 510 } },
    { of: 'seatDepth', asked: { is: 'reaches', lo: 400, hi: 420 } },
    { of: 'seatDepth', asked: { is: 'spans', by: 50 } },
    { of: 'seatWidth', asked: { is: 'atLeast', value: 400 } },
    { of: 'seatAngle', asked: { is: 'spans', by: 6 } },
    { of: 'lumbarApex', asked: { is: 'reaches', lo: 170, hi: 220 } },
    { of: 'backTop', asked: { is: 'atLeast', value: 360 } },
    { of: 'backTopWidth', asked: { is: 'atLeast', value: 360 } },
    { of: 'backAngle', asked: { is: 'spans', by: 15 } },
    { of: 'padLength', asked: { is: 'atLeast', value: 200 } },
    { of: 'padWidth', asked: { is: 'atLeast', value: 40 } },
    { of: 'armHeight', asked: { is: 'reaches', lo: 200, hi: 250 } },
    { of: 'armWidth', asked: { is: 'reaches', lo: 460, hi: 510 } },
  ],
  hfes100: [
    { of: 'seatHeight', asked: { is: 'overlaps', lo: 380, hi: 560, by: 114 } },
    { of: 'seatDepth', asked: { is: 'includes', value: 430 } },
    { of: 'seatWidth', asked: { is: 'atLeast', value: 450 } },
    { of: 'seatAngle', asked: { is: 'includes', value: 3 } },
    { of: 'seatAngle', asked: { is: 'spans', by: 6 } },
    { of: 'backAngle', asked: { is: 'overlaps', lo: 0, hi: 30, by: 15 } },
    { of: 'lumbarApex', asked: { is: 'overlaps', lo: 150, hi: 250, by: 0 } },
    { of: 'backTop', asked: { is: 'atLeast', value: 450 } },
    { of: 'armHeight', asked: { is: 'overlaps', lo: 170, hi: 270, by: 0 } },
    { of: 'armWidth', asked: { is: 'atLeast', value: 460 } },
  ],
};

/** Kinds that stand for another where a seat has that one: the back moves with its lumbar. */
const INSTEAD: Partial<Record<AdjustmentKind, AdjustmentKind>> = { lumbarApex: 'backHeight' };

export interface Orientation extends Rule {
  /** What the seat has; null where nobody described it. */
  readonly own: { readonly lowest: number; readonly highest: number } | null;
  /** null where nobody described it. */
  readonly meets: boolean | null;
}

const isPlain = (of: Rule['of']): of is PlainDimension => Object.hasOwn(PLAIN, of);

function ownOf(
  seat: SeatModel,
  of: Rule['of'],
): { lowest: number; highest: number; isFixed: boolean } | null {
  if (isPlain(of)) {
    const value = PLAIN[of](seat);
    return value === null ? null : { lowest: value, highest: value, isFixed: true };
  }
  const found = adjustmentOf(seat.adjustments, INSTEAD[of] ?? of) ?? adjustmentOf(seat.adjustments, of);
  return found && { ...endsOf(found.travel), isFixed: isFixed(found) };
}

function meets(asked: PublishedRule, own: { lowest: number; highest: number; isFixed: boolean }): boolean {
  const { lowest, highest } = own;
  if (asked.is === 'reaches')
    return own.isFixed
      ? asked.lo <= lowest && highest <= asked.hi
      : lowest <= asked.lo && asked.hi <= highest;
  if (asked.is === 'overlaps') return Math.min(highest, asked.hi) - Math.max(lowest, asked.lo) >= asked.by;
  if (asked.is === 'spans') return highest - lowest >= asked.by;
  if (asked.is === 'includes')
    // A fixed depth may be shorter.
    return own.isFixed ? highest <= asked.value : lowest <= asked.value && asked.value <= highest;
  return highest >= asked.value;
}

/**
 * Returns how a seat stands beside a published set, row by row.
 * @returns one a row of the set, mm or degrees. Source stands with the set.
 * @example
 * orientationOf(seat, setsFor(seat)[0]).length > 0 // => true
 */
export function orientationOf(seat: SeatModel, set: DimensionSet): Orientation[] {
  return RULES[set].map((rule) => {
    const own = ownOf(seat, rule.of);
    return {
      ...rule,
      own: own && { lowest: own.lowest, highest: own.highest },
      meets: own && meets(rule.asked, own),
    };
  });
}

/**
 * Returns the sets that speak of seats of a class.
 * @returns empty where none does. Definition.
 * @example
 * setsFor(seat).length > 0 // => true
 */
export const setsFor = (seat: Pick<SeatModel, 'seatClass'>): DimensionSet[] =>
  DIMENSION_SET_IDS.filter((id) =>
    (DIMENSION_SETS[id].classes as readonly string[]).includes(seat.seatClass),
  );

/** Of EN 1729-1 (2006; 2015), from memory: heights and depths of the seat by size mark, mm, the height ± 10. */
export const SCHOOL_SIZES = [
  { mark: 0, heightMm: 210, depthMm: 225 },
  { mark: 1, heightMm: 260, depthMm: 250 },
  { mark: 2, heightMm: 310, depthMm: 270 },
  { mark: 3, heightMm: 350, depthMm: 300 },
  { mark: 4, heightMm: 380, depthMm: 340 },
  { mark: 5, heightMm: 430, depthMm: 380 },
  { mark: 6, heightMm: 460, depthMm: 420 },
  { mark: 7, heightMm: 510, depthMm: 460 },
] as const;
const SCHOOL_TOLERANCE_MM = 10;

export interface SchoolSize {
  readonly mark: number;
  readonly heightMm: number;
  readonly depthMm: number;
  readonly reachesHeight: boolean;
  /** null where nobody described the depth. */
  readonly reachesDepth: boolean | null;
}

/**
 * Returns which size marks of school furniture a seat reaches: by height at least.
 * @returns empty where it reaches none. Source: EN 1729-1, from memory.
 * @example
 * schoolSizesOf(seat).map((size) => size.mark) // => [5, 6, 7]
 */
export function schoolSizesOf(seat: SeatModel): SchoolSize[] {
  const [height, depth] = [ownOf(seat, 'seatHeight'), ownOf(seat, 'seatDepth')];
  const reaches = (own: { lowest: number; highest: number } | null, mm: number): boolean =>
    own !== null && own.lowest <= mm + SCHOOL_TOLERANCE_MM && mm - SCHOOL_TOLERANCE_MM <= own.highest;
  return SCHOOL_SIZES.map(({ mark, heightMm, depthMm }) => ({
    mark,
    heightMm,
    depthMm,
    reachesHeight: reaches(height, heightMm),
    reachesDepth: depth && reaches(depth, depthMm),
  })).filter((size) => size.reachesHeight);
}
