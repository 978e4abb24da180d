/** From what age to what age a child's seat fits: by height, by depth and together. */
import { NO_REMEDIES, PLAIN_WORK, assess, makeInputs, problemOf, solve, type FitInputs } from '../fit';
import { stated } from '../quantity';
import type { SeatModel } from '../seat';
import { OLDEST, YOUNGEST, childAt } from './children';
import type { Who } from './model';

/** From what age to what age something fits. */
export interface Ages {
  /** Years; null where it never fits. */
  readonly from: number | null;
  /** The last age at which it fits; the oldest looked at where it still does. */
  readonly to: number | null;
}

/** The 5th percentile, the average and the 95th percentile of children of an age. */
export const CHILD_SHARES = [0.05, 0.5, 0.95] as const;
/** Heel of a child's indoor shoe, mm (assumed). */
export const CHILD_SHOE_MM = 15;
const STEP_YEARS = 1 / 12;

export interface ChildSeatRow {
  /** Share of children of an age who are smaller. */
  readonly share: number;
  /** Heel of the shoes, mm; 0: barefoot. */
  readonly shoeMm: number;
  readonly height: Ages;
  readonly depth: Ages;
  readonly both: Ages;
  /** Which of the two begins later, and which ends earlier; null where neither does, or it never fits. */
  readonly beginsBy: 'seatHeight' | 'seatDepth' | null;
  readonly endsBy: 'seatHeight' | 'seatDepth' | null;
}

/** Collects the first unbroken stretch of ages. */
class Stretch {
  from: number | null = null;
  to: number | null = null;
  private isOver = false;
  see(age: number, fits: boolean): void {
    if (this.isOver) return;
    if (fits) {
      this.from ??= age;
      this.to = age;
    } else if (this.from !== null) this.isOver = true;
  }
  get ages(): Ages {
    return { from: this.from, to: this.to };
  }
}

function later(height: Ages, depth: Ages): ChildSeatRow['beginsBy'] {
  if (height.from === null || depth.from === null || height.from === depth.from) return null;
  return height.from > depth.from ? 'seatHeight' : 'seatDepth';
}

function earlier(height: Ages, depth: Ages): ChildSeatRow['endsBy'] {
  if (height.to === null || depth.to === null || height.to === depth.to) return null;
  return height.to < depth.to ? 'seatHeight' : 'seatDepth';
}

/**
 * Returns from when to when a seat fits a made-up child, month by month, each at its best settings.
 * @param share centile of the child, 0 to 1
 * @param shoeMm height of the heel, mm
 * @returns months of age; no span where it never fits. Definition.
 */
export function childSeatRow(
  given: Pick<FitInputs, 'seat' | 'method'>,
  who: Who,
  share: number,
  shoeMm: number,
): ChildSeatRow {
  const stretches = { height: new Stretch(), depth: new Stretch(), both: new Stretch() };
  const shoeHeel = stated(shoeMm, 'assumed');
  for (let month = YOUNGEST * 12; month <= OLDEST * 12; month++) {
    const ageYears = month * STEP_YEARS;
    const p = problemOf(
      makeInputs({
        ...given,
        place: null,
        sitter: { ageYears: Math.floor(ageYears) },
        body: { ...childAt(who, ageYears, share), shoeHeel },
        work: PLAIN_WORK,
      }),
    );
    const { outcomes } = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    const fits = (kind: 'seatHeight' | 'seatDepth'): boolean =>
      outcomes.filter((o) => o.kind === kind).every((o) => o.verdict === 'fits');
    const [height, depth] = [fits('seatHeight'), fits('seatDepth')];
    stretches.height.see(ageYears, height);
    stretches.depth.see(ageYears, depth);
    stretches.both.see(ageYears, height && depth);
  }
  const [height, depth, both] = [stretches.height.ages, stretches.depth.ages, stretches.both.ages];
  return {
    share,
    shoeMm,
    height,
    depth,
    both,
    beginsBy: later(height, depth),
    endsBy: earlier(height, depth),
  };
}

/**
 * Rows for the smallest, the average and the largest, barefoot and in shoes; one after the other.
 * @returns six rows in all. Definition.
 * @example
 * last(childSeatRows({ seat, method }, 'women')).length // => 6
 */
export function* childSeatRows(
  given: Pick<FitInputs, 'seat' | 'method'> & { readonly seat: SeatModel },
  who: Who,
): Generator<readonly ChildSeatRow[], void> {
  const rows: ChildSeatRow[] = [];
  for (const shoeMm of [0, CHILD_SHOE_MM])
    for (const share of CHILD_SHARES) {
      rows.push(childSeatRow(given, who, share, shoeMm));
      yield [...rows];
    }
}
