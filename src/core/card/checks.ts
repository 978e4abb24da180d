/** What a tape or a level must show of a setting. */
import type { Assessment, Problem, SettingOutcome } from '../fit';
import { apexMm, datumMm, frontEdgeMm, hollowFromRearMm } from '../fit/geometry/on-seat';
import { clearMm } from '../fit/geometry/arms';
import { message, type Message } from '../message';
import { ADJUSTMENT_KINDS, type AdjustmentKind } from '../seat';
import { UNSET } from './unset';

/** Kinds whose value a tape or a level can show as it is: lengths and angles that count from something one can touch. */
const PLAIN_CHECKS: readonly AdjustmentKind[] = [
  'seatDepth',
  'headHeight',
  'deskHeight',
  'screenHeight',
  'footRing',
  'footrest',
  'backAngle',
  'seatAngle',
  'chairAngle',
  'armAngle',
];

/** Nothing is asked for that cannot be told from what is described of the seat. */
const told = (check: Message): Message | null =>
  Object.values(check.values).every((value) => !('mm' in value) || Number.isFinite(value.mm)) ? check : null;

/** Where the front edge stands with the pan as it is then: level, as set, or as it goes with the recline. */
function heightCheck(p: Problem, { values }: Pick<Assessment, 'values'>): Message {
  const front = Math.round(frontEdgeMm(p, values));
  const isLevel = front === Math.round(values.seatHeight);
  const how = isLevel ? '' : p.leaning ? '.leaning' : '.tilted';
  return message(`check.seatHeight${how}`, { value: { mm: front } });
}

/**
 * What a tape must show with the sitter seated, or what a level must show on the back or pan.
 * @returns null where neither tells. Definition.
 */
export function checkOf(p: Problem, a: Pick<Assessment, 'values'>, kind: AdjustmentKind): Message | null {
  const v = a.values;
  const mm = (value: number) => ({ value: { mm: Math.round(value) } });
  if (kind === 'seatHeight') return told(heightCheck(p, a));
  if (kind === 'armHeight')
    return told(
      message('check.armHeight', {
        ...mm(v.armHeight),
        floor: { mm: Math.round(datumMm(p, v)) + Math.round(v.armHeight) },
      }),
    );
  // Two adjustments that add up are checked once, at the one that is set last.
  if (kind === (p.variables.padSlide ? 'padSlide' : 'armWidth'))
    return told(message('check.armWidth', mm(clearMm(v))));
  if (kind === (p.variables.lumbarApex ? 'lumbarApex' : 'backHeight'))
    return told(message('check.lumbarApex', mm(apexMm(v))));
  const room = hollowFromRearMm(p, v) - v.seatDepth;
  if (kind === 'seatDepth' && Number.isFinite(room) && room > 0)
    return message('check.seatDepth.room', { ...mm(v.seatDepth), room: { mm: Math.round(room) } });
  if (!PLAIN_CHECKS.includes(kind)) return null;
  const isAngle = ADJUSTMENT_KINDS[kind].units[0] === 'deg';
  return message(`check.${kind}`, isAngle ? { value: { deg: v[kind] } } : mm(v[kind]));
}

/** Settings that only a tape or a level can tell: there the check is the setting. */
const BY_TAPE: readonly string[] = ['position.tape', 'position.angle'];

/**
 * A setting in words, and what a tape or a level must show beside it; what nothing holds has no angle to ask for.
 * @returns `check` is null where there is nothing to check. Definition.
 */
export function settingOf(
  p: Problem,
  a: Pick<Assessment, 'values'>,
  { kind, words }: Pick<SettingOutcome, 'kind' | 'words'>,
): { readonly setting: Message; readonly check: Message | null } {
  const check = UNSET.includes(words.key) ? null : checkOf(p, a, kind);
  if (!BY_TAPE.includes(words.key)) return { setting: words, check };
  // A length or an angle says from where it counts.
  const from = { word: `datum.${ADJUSTMENT_KINDS[kind].datum}` };
  return { setting: check ?? message('check.from', { ...words.values, from }), check: null };
}
