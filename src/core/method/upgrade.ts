import { UPPER_SUPPORT, isLoose, without, type Loose } from '../seat';

const withoutSupport = (list: unknown): unknown =>
  Array.isArray(list) ? list.filter((kind) => kind !== UPPER_SUPPORT) : list;
const targetsOf = (stored: Loose): Loose =>
  isLoose(stored.targets) ? { targets: withoutOld(without(stored.targets, UPPER_SUPPORT)) } : {};

/** Targets as every method had them before costs were expected under doubt: copies of methods carry them along. */
const OLD_TARGETS: Readonly<Record<string, Loose>> = {
  footGap: { hardLo: -60, bandLo: -25, aimLo: 0, aimHi: 0, bandHi: 5, hardHi: 60, weight: 5 },
  thigh: { bandLo: -2, aimLo: 0, aimHi: 0, bandHi: 2, weight: 2 },
  trunkThigh: { bandLo: 90, aimLo: 90, aimHi: 100, bandHi: 100, weight: 1 },
  backAngle: { bandLo: 0, aimLo: 5, aimHi: 5, bandHi: 10, weight: 2 },
  tiltLock: { bandLo: -0.5, aimLo: 0, aimHi: 0, bandHi: 0.5, weight: 0.5 },
  tiltLimiter: { bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 },
  armHeight: { bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 5, weight: 3 },
  armSpread: { bandLo: -5, aimLo: 0, aimHi: 15, bandHi: 20, weight: 1 },
  hipClearance: { bandLo: 20, aimLo: 20, weight: 1 },
  padReach: { bandLo: 170, aimLo: 200, aimHi: 200, bandHi: 230, weight: 0.5 },
  padAtDesk: { hardLo: -20, bandLo: -10, aimLo: 0, weight: 1 },
  armPivot: { bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 10, weight: 0.5 },
  armAngle: { bandLo: -5, aimLo: 0, aimHi: 0, bandHi: 5, weight: 0.5 },
  headAngle: { bandLo: -10, aimLo: 0, aimHi: 0, bandHi: 10, weight: 0.5 },
  headDepth: { bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 15, weight: 0.5 },
  damper: { bandLo: -1, aimLo: 0, aimHi: 0, bandHi: 1, weight: 0.5 },
  deskTop: { bandLo: -15, aimLo: 0, aimHi: 0, bandHi: 15, weight: 3 },
  deskClearance: { hardLo: 0, bandLo: 20, aimLo: 20, weight: 1 },
  headroom: { hardLo: 0, bandLo: 0, aimLo: 50, weight: 3 },
};
const BOUNDS = ['hardLo', 'bandLo', 'aimLo', 'aimHi', 'bandHi', 'hardHi', 'weight'] as const;

/** Whether nobody has changed a target since it was copied. */
const isOld = (id: string, target: unknown): boolean => {
  const old = OLD_TARGETS[id];
  return old !== undefined && isLoose(target) && BOUNDS.every((key) => target[key] === old[key]);
};

/** What a practice left as it was follows the common targets of now; what it changed stays. */
const withoutOld = (targets: Loose): Loose =>
  Object.fromEntries(Object.entries(targets).filter(([id, target]) => !isOld(id, target)));

const OLD_FOOTREST_PENALTY = 1;

const withTies = (list: unknown): unknown =>
  Array.isArray(list) ? list.map((tie: unknown) => (tie === 'largerMargin' ? 'nearerRest' : tie)) : list;

/**
 * Returns a method's document in the form of now: an upper support is a state of the seat, and no longer has a target
 * or a turn in the order. Targets and the price of a footrest that are still what they were when every method had them
 * follow the common ones of now; those that a practice set for itself stay.
 * @returns an unknown version as it is, for the schema to refuse. Definition.
 * @example
 * upgradeMethod(method).id // => 'right-angle'
 */
export function upgradeMethod(stored: unknown): unknown {
  if (!isLoose(stored)) return stored;
  const { order, again, steps, tieBreaks, footrestPenalty } = stored;
  return {
    ...stored,
    ...targetsOf(stored),
    order: withoutSupport(order),
    ...(tieBreaks === undefined ? {} : { tieBreaks: withTies(tieBreaks) }),
    ...(footrestPenalty === OLD_FOOTREST_PENALTY ? { footrestPenalty: 14 } : {}),
    ...(again === undefined ? {} : { again: withoutSupport(again) }),
    ...(Array.isArray(steps)
      ? { steps: steps.map((s: unknown) => (isLoose(s) ? { ...s, ...targetsOf(s) } : s)) }
      : {}),
  };
}
