import type { Outcome } from '../../src/contract';

/** What came of an act that must not be refused. */
export function valueOf<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(`refused: ${outcome.reason} ${JSON.stringify(outcome.faults ?? '')}`);
  return outcome.value;
}

/** Why an act was refused; `done` where it was not. */
export const reasonOf = (outcome: Outcome<unknown>): string => (outcome.ok ? 'done' : outcome.reason);
