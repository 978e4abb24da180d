import { isDeepStrictEqual } from 'node:util';

/** As a document comes back after it was kept: without what is undefined. */
const kept = (document: unknown): unknown => JSON.parse(JSON.stringify(document));

/** Returns whether two documents say the same: the order of keys does not count, nor what is undefined. */
export const isSameContent = (a: unknown, b: unknown): boolean => isDeepStrictEqual(kept(a), kept(b));
