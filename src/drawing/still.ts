import type { Source } from './follow';

/** What does not change, for a drawing that would follow it. */
export const still = <T>(value: T): Source<T> => ({ get: () => value, subscribe: () => () => undefined });
