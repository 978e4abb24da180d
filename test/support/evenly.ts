import fc from 'fast-check';

const PARTS = 1_000_003;

/** Numbers drawn evenly between two: of doubles as they come nearly all are next to nothing. */
export const evenly = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: PARTS }).map((n) => min + ((max - min) * n) / PARTS);
