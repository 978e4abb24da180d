/** Why a setting stands a little beside what would be exact: being wrong one way hurts less than the other. */
import { message, type Message } from '../../message';
import { ADJUSTMENT_KINDS } from '../../seat';
import { CONDITIONS, followingOf } from '../conditions';
import { judgeOf } from '../cost/judge';
import type { AdjustmentOutcome } from '../outcome/outcome';
import type { Problem } from '../problem/problem';

/** Less than this is exact enough, mm. */
const WORTH_SAYING_MM = 2;

/**
 * Why something stands off what is wanted: the doubt makes it cheaper there. Only of heights and gaps that follow the adjustment straight, and where the cheapest place under doubt is itself on
 * that side of what is wanted.
 * @returns null where there is nothing to say. Definition.
 * @example
 * milderWords(problem, assessed.outcomes[0]) // => null
 */
export function milderWords(p: Problem, { kind, verdict, deciding }: AdjustmentOutcome): Message | null {
  if (!deciding || verdict !== 'fits' || deciding.unit !== 'mm') return null;
  const { aim, residual, id } = deciding;
  const judge = judgeOf(p, id);
  const condition = CONDITIONS.find((c) => c.id === id);
  const following = condition && followingOf(condition, kind);
  if (!judge || typeof following !== 'number' || !Number.isFinite(aim.lo + aim.hi)) return null;
  const middle = (aim.lo + aim.hi) / 2;
  const exact = aim.lo <= 0 && 0 <= aim.hi ? 0 : middle;
  const [off, cheapest] = [residual - exact, judge.curve.lowest - middle];
  if (Math.abs(off) < WORTH_SAYING_MM || cheapest === 0) return null;
  if (Math.sign(off) !== Math.sign(cheapest)) return null;
  const { sign } = ADJUSTMENT_KINDS[kind];
  const [toward, away] = Math.sign(off) * following > 0 ? ['more', 'less'] : ['less', 'more'];
  return message('reason.milder', {
    milder: { word: `${toward}.${sign}` },
    worse: { word: `${away}.${sign}` },
  });
}
