/** What holds the back: its own notches, a lock, or nothing but a spring and the sitter's weight. */
import type { LockUse, Method } from '../../method';
import { bandOf, type Target } from '../../target';
import type { Task } from '../../place';
import type { Adjustment, AdjustmentKind, LockState } from '../../seat';
import type { FitInputs } from './inputs';

/** What of an adjustment this has to know. */
interface Leans {
  readonly kind: AdjustmentKind;
  readonly adjustment: Adjustment;
  readonly values: readonly number[];
}

/** A back that nobody sets: where it works, and in which state of its lock. */
export interface Leaning {
  readonly kind: 'backAngle' | 'chairAngle';
  /** The position nearest to where it works; nothing holds it there unless the lock does. */
  readonly position: number;
  /** Whether the lock holds it there, upright. */
  readonly isLocked: boolean;
}

/** A lock of which nobody said the states is free at its lowest and holds anywhere at its highest. */
const USUAL_STATES: readonly LockState[] = ['free', 'anywhere'];

/**
 * What each position of a lock does.
 * @returns one a position, from 0. Definition.
 */
export const lockStates = (lock: Adjustment): readonly LockState[] => lock.lock?.states ?? USUAL_STATES;

/**
 * Whether a method has the tilt locked for this work (common practice).
 * @returns false where the back is to be free. Common practice, no source.
 */
export function wantsLocked({ lock = 'shortWork' }: Pick<Method, 'lock'>, task: Task | undefined): boolean {
  const uses: Record<LockUse, boolean> = {
    never: false,
    shortWork: task === 'handwork',
    freeInBreaks: true,
    toggled: true,
  };
  return uses[lock];
}

const middle = ({ aimLo, aimHi }: Target): number => ((aimLo ?? aimHi ?? 0) + (aimHi ?? aimLo ?? 0)) / 2;

const nearest = (values: readonly number[], wanted: number): number =>
  values.reduce((best, v, i) => (Math.abs(v - wanted) < Math.abs(values[best]! - wanted) ? i : best), 0);

/**
 * How the back leans where it is free against its spring: it works at the method's aim between its stops, and asking for
 * an angle would ask for what nothing holds. Null where a notch or a lock holds it, and it is set like anything else.
 * @returns degrees; null where a notch or a lock holds the back. Definition.
 */
export function leaningOf(
  { method, place }: Pick<FitInputs, 'method' | 'place'>,
  variables: Readonly<Partial<Record<AdjustmentKind, Leans>>>,
  target: Target,
): Leaning | null {
  const { chairAngle, backAngle, tiltLock, tiltTension } = variables;
  const kind = chairAngle && chairAngle.values.length > 1 ? 'chairAngle' : 'backAngle';
  const leans = variables[kind];
  if (!leans || leans.values.length < 2 || leans.adjustment.holds.how === 'follows') return null;
  // A whole chair that is free rests level against its stop, and a back of its own is set beside it.
  const isWhole = kind === 'chairAngle';
  const works: Leaning = {
    kind,
    position: nearest(leans.values, isWhole ? 0 : middle(target)),
    isLocked: false,
  };
  if (!tiltLock) return tiltTension && leans.adjustment.holds.how === 'free' ? works : null;
  const states = lockStates(tiltLock.adjustment);
  if (!wantsLocked(method, place?.task)) return states.includes('free') ? works : null;
  if (states.includes('anywhere') || !states.includes('upright')) return null;
  // It locks upright and nowhere else: there, where the method sits upright, else it stays free.
  const upright = leans.values[0]! + (isWhole ? (backAngle?.values[0] ?? 0) : 0);
  const { lo, hi } = bandOf(target);
  return lo <= upright && upright <= hi ? { kind, position: 0, isLocked: true } : works;
}
