/** What the sitter is told about moving: no setting is meant to be sat in all day. */
import { isChild, type Assessment } from '../fit';
import { message, type Message } from '../message';
import { offers } from '../seat';
import type { PostureSettings } from './postures';

/** A desk that comes up to here lets most adults stand, mm (common practice, no source). */
const STANDS_FROM_MM = 950;

/** What the lock of the back is left at, in one sentence; null where there is none, or where it is only limited. */
function lockAdvice(a: Assessment): Message | null {
  const lock = a.outcomes.find((o) => o.kind === 'tiltLock');
  const state = lock?.variable.adjustment.lock?.states[lock.position];
  if (!lock || !state) return null;
  if (state === 'free') return message('move.unlocked');
  return lock.variable.adjustment.lock?.states.includes('free') ? message('move.locked') : null;
}

/** Whether the back goes with whoever leans on it. */
const leans = ({ problem, outcomes }: Assessment): boolean =>
  problem.variables.tiltTension !== undefined ||
  outcomes.some(({ kind, words }) => kind === 'backAngle' && words.key === 'position.leans');

/**
 * When and how to change posture, on this seat with these settings.
 * @param postures further postures of the fitting
 * @returns one sentence each, the general one first. Common practice, no source; how long to stand: common practice.
 * @example
 * movementOf(assessed, [])[0] // => { key: 'move.next', values: {} }
 */
export function movementOf(a: Assessment, postures: readonly PostureSettings[]): readonly Message[] {
  const { seat } = a.problem.inputs;
  const isOperated = offers(seat, 'suspension') || offers(seat, 'harness');
  const solved = postures.filter(({ settings }) => settings !== null).map(({ name }) => name);
  const desk = a.problem.variables.deskHeight?.values ?? [];
  const stands = Math.max(0, ...desk) >= STANDS_FROM_MM && desk.length > 1;
  const named = solved.length > 0 ? [message('move.postures', { names: { text: solved.join(', ') } })] : [];
  if (isOperated) return [message('move.next'), message('move.operated'), ...named];
  if (isChild(a.problem.inputs)) return [message('move.child')];
  const lock = lockAdvice(a);
  return [
    message('move.next'),
    ...(lock ? [lock] : leans(a) ? [message('move.lean')] : []),
    ...named,
    // Whoever is told to stand is told how to begin with it.
    ...(stands ? [message('move.stand'), message('caution.standing')] : [message('move.rise')]),
  ];
}
