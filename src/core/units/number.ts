import { type Parsed, failed, parsed } from './parsed';

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/**
 * Lower case, one kind of space, quote and fraction; so that every reader below sees plain text.
 * @returns a text. Definition.
 * @example
 * tidy('5’ 8”') // => '5\' 8"'
 */
export function tidy(text: string): string {
  return text
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (c) => ` ${VULGAR[c]}`)
    .replace(/[″”“]/g, '"')
    .replace(/[′’‘]/g, "'")
    .replace(/[−–]/g, '-')
    .replace(/[\s\u00a0\u202f]+/g, ' ')
    .trim()
    .toLowerCase();
}

/**
 * A plain number; comma or point is the decimal sign. `1,740` is ambiguous, and so is `1.740` where
 * `pointMayGroup` (nobody writes thousandths of a millimetre).
 * @returns the number, or a closed reason with both readings. Definition.
 * @example
 * parseDecimal('1,740', { pointMayGroup: false }).ok // => false
 */
export function parseDecimal(text: string, options: { readonly pointMayGroup: boolean }): Parsed {
  const t = text.trim();
  if (t === '') return failed('empty');
  const grouped = options.pointMayGroup ? /^(\d{1,3})[.,](\d{3})$/ : /^(\d{1,3}),(\d{3})$/;
  const hit = grouped.exec(t);
  if (hit && hit[1] !== '0')
    return failed('ambiguous', [Number(`${hit[1]}.${hit[2]}`), Number(`${hit[1]}${hit[2]}`)]);
  if (!/^\d+(?:[.,]\d+)?$/.test(t)) return failed('notANumber');
  const value = Number(t.replace(',', '.'));
  return Number.isFinite(value) ? parsed(value) : failed('notANumber');
}
