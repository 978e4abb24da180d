/** A back that swings free is looked at at both ends of its travel: there only solid things and the feet are judged. */
import { leftOver } from '../../target';
import { CONDITION_UNITS, computable, isSolid, scopeOf } from '../conditions';
import { message } from '../../message';
import type { Problem, SetValues } from '../problem/problem';
import type { SeatCheck } from './refusals';

/** From where to where it swings, in its own values; null where it does not swing free. */
function swingOf(p: Problem, v: SetValues): readonly [number, number] | null {
  if (!p.leaning || p.leaning.isLocked) return null;
  const { values } = p.variables[p.leaning.kind]!;
  if (v[p.leaning.kind] !== values[p.leaning.position]) return null;
  const stop = Number.isNaN(v.tiltLimiter) ? Infinity : v.tiltLimiter;
  const last = values[values.length - 1]!;
  return [values[0]!, Math.max(values[0]!, Math.min(last, stop))];
}

/**
 * What meets, hangs or is lifted at the ends of a free back's swing though it does not where the sitter works.
 * @returns empty where the back is not free or nothing does. Definition.
 */
export function leanEnds(p: Problem, v: SetValues): SeatCheck[] {
  const swing = swingOf(p, v);
  if (!swing) return [];
  const { kind } = p.leaning!;
  const judged = computable(p).filter(
    (c) => (isSolid(c.id) || c.id === 'footGap') && scopeOf(p, c).includes(kind),
  );
  return swing.flatMap((lean, i): SeatCheck[] => {
    const there = { ...v, [kind]: lean };
    const wrong = judged.filter((c) => {
      const at = (values: SetValues): number =>
        leftOver(p.targets[c.id], CONDITION_UNITS[c.id], c.residual(p, values));
      return at(there) !== 0 && at(v) === 0;
    });
    if (wrong.length === 0) return [];
    const reason = message(`check.lean.${i === 0 ? 'upright' : 'back'}`, {
      lean: { deg: lean },
      list: { words: wrong.map((c) => `condition.${c.id}`) },
    });
    return [{ id: i === 0 ? 'leanUpright' : 'leanBack', verdict: 'close', reason }];
  });
}
