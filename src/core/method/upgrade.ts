import { UPPER_SUPPORT, isLoose, without, type Loose } from '../seat';

const withoutSupport = (list: unknown): unknown =>
  Array.isArray(list) ? list.filter((kind) => kind !== UPPER_SUPPORT) : list;
const targetsOf = (document: Loose): Loose =>
  isLoose(document.targets) ? { targets: without(document.targets, UPPER_SUPPORT) } : {};

/**
 * Returns a method's document in the form of now: an upper support is a state of the seat, and no longer has a target
 * or a turn in the order.
 */
export function upgradeMethod(document: unknown): unknown {
  if (!isLoose(document)) return document;
  const { order, again, steps } = document;
  return {
    ...document,
    ...targetsOf(document),
    order: withoutSupport(order),
    ...(again === undefined ? {} : { again: withoutSupport(again) }),
    ...(Array.isArray(steps)
      ? { steps: steps.map((s: unknown) => (isLoose(s) ? { ...s, ...targetsOf(s) } : s)) }
      : {}),
  };
}
