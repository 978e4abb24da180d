/** Of equally cheap settings which comes first: by the method's ties, then by position numbers. */
import type { TieBreak } from '../../method';
import type { Problem } from '../problem/problem';
import type { Axis } from './choice';

/** Which adjustment a tie is decided by: the lower position comes first; null: by how near to rest everything is. */
const TIED: Readonly<Record<TieBreak, Axis['key'] | null>> = {
  shorterDepth: 'seatDepth',
  lowerArm: 'armHeight',
  lighterTension: 'tiltTension',
  nearerRest: null,
};

function positionOf(axes: readonly Axis[], key: Axis['key'], positions: readonly number[]): number {
  const i = axes.findIndex((a) => a.key === key);
  return i < 0 ? 0 : (positions[i] ?? 0);
}

const leversOf = (axes: readonly Axis[], positions: readonly number[]): number =>
  axes.reduce((sum, { costs }, i) => sum + costs[positions[i]!]!, 0);

/**
 * Whether one of two equally cheap settings comes before the other.
 * @param a positions by axis, from 0
 * @param b positions by axis, from 0
 * @returns false for the same settings. Definition.
 */
export function isBefore(
  p: Problem,
  axes: readonly Axis[],
  a: readonly number[],
  b: readonly number[],
): boolean {
  for (const tie of p.inputs.method.tieBreaks) {
    const key = TIED[tie];
    const off = key
      ? positionOf(axes, key, a) - positionOf(axes, key, b)
      : leversOf(axes, a) - leversOf(axes, b);
    if (off !== 0) return off < 0;
  }
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! < b[i]!;
  return false;
}
