import { SHIPPED_METHODS } from '../core/method';

/** A custom method: a copy of the first built-in one under an id of its own. */
export const METHOD_EXAMPLE = {
  ...SHIPPED_METHODS[0]!,
  id: '0190c3f2-7a10-7c4e-9a51-0d2b6f1e8a08',
  name: 'Upright, as at the booking office',
  copiedFrom: SHIPPED_METHODS[0]!.id,
};
