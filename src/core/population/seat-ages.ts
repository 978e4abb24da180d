/** From what age a seat fits, and until about when. */
import { NO_REMEDIES, PLAIN_WORK, assess, makeInputs, problemOf, solve, type FitInputs } from '../fit';
import type { AdjustmentKind } from '../seat';
import { OLDEST, YOUNGEST, childAt } from './children';
import type { Who } from './model';

export interface Ages {
  /** Years; null where it never fits. */
  readonly from: number | null;
  /** The last age at which it fits; the oldest looked at where it still does. */
  readonly to: number | null;
}

const STEP_YEARS = 1 / 12;

/**
 * The first unbroken stretch of ages at which all of the named adjustments fit a made-up child.
 * @param share 0.5 for the average child, 0.05 for the smallest twentieth
 * @param shoeMm heel of the shoes worn on the seat
 */
export function agesOf(
  given: Pick<FitInputs, 'seat' | 'place' | 'method'>,
  who: Who,
  share: number,
  shoeMm: number,
  kinds: readonly AdjustmentKind[] = ['seatHeight', 'seatDepth'],
): Ages {
  const fitsAt = (ageYears: number): boolean => {
    const shoeHeel = {
      value: shoeMm,
      spread: 0,
      basis: 'stated' as const,
      source: '',
      takenAt: null,
      takenBy: null,
    };
    const p = problemOf(
      makeInputs({
        ...given,
        sitter: { ageYears },
        body: { ...childAt(who, ageYears, share), shoeHeel },
        work: PLAIN_WORK,
      }),
    );
    const { outcomes } = assess(p, solve(p, { remedies: NO_REMEDIES }).settings);
    return outcomes.filter((o) => kinds.includes(o.kind)).every((o) => o.verdict === 'fits');
  };
  let [from, to]: [number | null, number | null] = [null, null];
  for (let age = YOUNGEST; age <= OLDEST + 1e-9; age += STEP_YEARS) {
    if (fitsAt(age)) {
      from ??= age;
      to = age;
    } else if (from !== null) break;
  }
  return { from, to };
}
