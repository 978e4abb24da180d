const IN_FULL = process.env.VELTO_PROOFS === '1';

/** How often something drawn is tried: as often as it takes to prove it among the long proofs, less among the tests. */
export const proofRuns = (full: number, usual: number): number => (IN_FULL ? full : usual);

/** Of many cases all among the long proofs, and every so many among the tests. */
export const proofCases = <T>(all: readonly T[], every: number): readonly T[] =>
  IN_FULL ? all : all.filter((_, i) => i % every === 0);
