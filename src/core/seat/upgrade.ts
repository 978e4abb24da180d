/** Documents of seats in the form of an earlier version, brought to the form of now. Nothing is guessed on the way. */
import { SEAT_DOCUMENT } from './schema-version';

export type Loose = Record<string, unknown>;
/**
 * Whether something is an object whose keys nobody checked.
 * @returns false for lists, texts and null. Definition.
 */
export const isLoose = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): Loose[] => (Array.isArray(value) ? value.filter(isLoose) : []);

/**
 * A copy without some keys.
 * @returns a new object. Definition.
 */
export const without = (stored: Loose, ...keys: readonly string[]): Loose =>
  Object.fromEntries(Object.entries(stored).filter(([key]) => !keys.includes(key)));

const LOCKS: Readonly<Record<string, readonly string[]>> = {
  upright: ['free', 'upright'],
  anywhere: ['free', 'anywhere'],
};

function holdsOf({ followsSitter, travel }: Loose): Loose {
  if (followsSitter === true) return { how: 'passive' };
  return { how: isLoose(travel) && travel.type === 'continuous' ? 'free' : 'notched' };
}

/**
 * An adjustment of the first version: how it holds was a flag, and where it locks a word.
 * @returns a new object. Definition.
 */
export function upgradeAdjustment(adjustment: Loose): Loose {
  if ('holds' in adjustment) return adjustment;
  const { locks } = adjustment;
  const states = typeof locks === 'string' ? LOCKS[locks] : undefined;
  return {
    ...without(adjustment, 'followsSitter', 'locks'),
    holds: holdsOf(adjustment),
    ...(states ? { lock: { states } } : {}),
  };
}

/** The upper support was an adjustment that is on or off; now it is a state of the seat. */
export const UPPER_SUPPORT = 'thoracic';
export const UPPER_SUPPORT_OFF = 'upper-support-off';

function fromFirst(seat: Loose): Loose {
  const { armPad, hasHarness, hasSuspension, castors } = seat;
  const back = isLoose(seat.back) ? seat.back : {};
  const adjustments = listOf(seat.adjustments);
  const upper = adjustments.find((a) => a.kind === UPPER_SUPPORT);
  const loose = listOf(seat.controls).filter((c) => c.keeps === false);
  const creeping = new Set(loose.flatMap((c) => listOf(c.moves).map((m) => m.adjustmentId)));
  return {
    ...without(seat, 'armPad', 'hasHarness', 'hasSuspension', 'castors'),
    schema: SEAT_DOCUMENT,
    back: without(back, 'armsMoveWithBack'),
    arms: isLoose(armPad)
      ? { support: 'elbowPad', on: null, moveWithBack: back.armsMoveWithBack ?? null, ...armPad }
      : null,
    offers: [
      ...(hasSuspension === true ? ['suspension'] : []),
      ...(hasHarness === true ? ['harness'] : []),
      ...(typeof castors === 'string' ? [FLOORS[castors] ?? castors] : []),
    ],
    states: upper ? [{ id: UPPER_SUPPORT_OFF, kind: 'upperSupportOff', removes: [] }] : [],
    strappedCushions: [],
    procedures: [],
    adjustments: adjustments
      .filter((a) => a !== upper)
      .map((a) => ({ ...upgradeAdjustment(a), ...(creeping.has(a.id) ? { creeps: true } : {}) })),
    controls: listOf(seat.controls).map((control) => ({
      ...without(control, 'keeps'),
      moves: listOf(control.moves).map((move) =>
        upper && move.adjustmentId === upper.id ? { ...move, adjustmentId: UPPER_SUPPORT_OFF } : move,
      ),
    })),
  };
}

const FLOORS: Readonly<Record<string, string>> = {
  hardFloor: 'castorsHardFloor',
  softFloor: 'castorsSoftFloor',
};

/**
 * Returns a seat's document in the form of now; one that is no document of a seat is returned as it is.
 * @returns an unknown version as it is, for the schema to refuse. Definition.
 * @example
 * upgradeSeat(seat).schema // => 2
 */
export function upgradeSeat(stored: unknown): unknown {
  if (!isLoose(stored) || 'schema' in stored) return stored;
  return fromFirst(stored);
}
