/** Positions that nobody sets. */
export const UNSET: readonly string[] = ['position.leans', 'position.follows', 'position.carried'];
