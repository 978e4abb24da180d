/** Why a typed number was not taken. The wording table has a sentence for each. */
export type ParseReason = 'empty' | 'notANumber' | 'wrongUnit' | 'ambiguous' | 'fractionOnlyInInches';

/** A typed number read, or a closed reason; `readings` are the values an ambiguous entry could mean. */
export type Parsed =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly reason: ParseReason; readonly readings?: readonly number[] };

/**
 * What was read.
 * @param value in the reader’s own unit: mm, kg or a plain number
 * @returns a reading that succeeded. Definition.
 */
export function parsed(value: number): Parsed {
  return { ok: true, value };
}

/**
 * What could not be read, and why.
 * @param readings what it may mean, where it may mean two things
 * @returns a reading that failed. Definition.
 */
export function failed(reason: ParseReason, readings?: readonly number[]): Parsed {
  return readings ? { ok: false, reason, readings } : { ok: false, reason };
}
