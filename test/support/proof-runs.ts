/** How often something drawn is tried: as often as it takes to prove it among the long proofs, less among the tests. */
export const proofRuns = (full: number, usual: number): number =>
  process.env.VELTO_PROOFS === '1' ? full : usual;
