/** How a seat stands before anything is set: by the school of the method, as far as this seat can stand so. */
import type { Problem } from '../fit';
import { message, type Message } from '../message';
import { isLifted } from './lifted';

/**
 * The start position in words.
 * @returns one sentence; of a seat that has neither a lift nor a lock it starts as it stands. Common practice, no source.
 */
export function startWords(p: Problem): Message {
  const school = p.inputs.method.neutralStart ?? 'liftToTop';
  const { tiltLock, backAngle } = p.variables;
  const leans = backAngle !== undefined && backAngle.values.length > 1;
  if (school === 'lockedUpright' && leans && tiltLock)
    return message('card.start', { start: { word: 'neutralStart.lockedUpright' } });
  if (school === 'backAndLevel' && leans)
    return message('card.start', { start: { word: 'neutralStart.backAndLevel' } });
  if (!isLifted(p)) return message('card.start', { start: { word: 'neutralStart.asItStands' } });
  const plain = tiltLock ? 'liftToTop' : 'liftToTop.noLock';
  return message('card.start', { start: { word: `neutralStart.${plain}` } });
}
