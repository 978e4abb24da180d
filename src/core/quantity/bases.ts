export const BASES = ['measured', 'stated', 'estimated'] as const;
export type Basis = (typeof BASES)[number];
