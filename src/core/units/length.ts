/** Lengths as people type and read them; inside the program always millimetres. */
import { type Parsed, failed, parsed } from './parsed';
import { parseDecimal, tidy } from './number';

export const LENGTH_UNITS = ['mm', 'cm', 'in'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

export const MM_PER_INCH = 25.4;
const INCHES_PER_FOOT = 12;
const MM_PER: Record<LengthUnit, number> = { mm: 1, cm: 10, in: MM_PER_INCH };
/** Inches are read and written to the sixteenth, as a steel tape is. */
const SIXTEENTHS = 16;

const UNIT_WORDS: Record<string, LengthUnit | 'ft'> = {
  mm: 'mm',
  cm: 'cm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  "''": 'in',
  ft: 'ft',
  feet: 'ft',
  foot: 'ft',
  "'": 'ft',
};

/**
 * Reads a typed length. A bare number is in `shown`; `44.5 cm`, `445 mm`, `17 1/2"`, `5' 8"` say their unit.
 * Comma and point are both decimal signs. Three digits after a comma (`1,740`) could be either a decimal or
 * a thousand and are refused with both readings.
 *
 * @param text what was typed
 * @param shown unit of a bare number
 * @returns millimetres rounded to a tenth, or a closed reason. Definition: 1 in = 25.4 mm.
 * @example
 * parseLength('44.5 cm', 'mm') // => { ok: true, value: 445 }
 */
export function parseLength(text: string, shown: LengthUnit): Parsed {
  const t = tidy(text);
  if (t === '') return failed('empty');
  const feet = /^(\d+)\s*(?:'|ft|feet|foot)\s*(?:(.+?)\s*(?:"|''|in|inch|inches)?)?$/.exec(t);
  if (feet && !/^(?:'|")/.test(feet[2] ?? '')) {
    const inches = feet[2] === undefined ? parsed(0) : parseNumberOrFraction(feet[2], 'in');
    if (!inches.ok) return inches;
    return lengthOf((Number(feet[1]) * INCHES_PER_FOOT + inches.value) * MM_PER_INCH);
  }
  const parts = /^([\d\s.,/+-]+?)\s*([a-z"']*)$/.exec(t);
  if (!parts) return failed('notANumber');
  const word = parts[2] ?? '';
  const unit = word === '' ? shown : UNIT_WORDS[word];
  if (unit === undefined || unit === 'ft') return failed('wrongUnit');
  const number = parseNumberOrFraction(parts[1] ?? '', unit);
  return number.ok ? lengthOf(number.value * MM_PER[unit]) : withScale(number, MM_PER[unit]);
}

function lengthOf(mm: number): Parsed {
  return parsed(Math.round(mm * 10) / 10);
}

function withScale(result: Parsed, factor: number): Parsed {
  if (result.ok || !result.readings) return result;
  return { ...result, readings: result.readings.map((r) => Math.round(r * factor * 10) / 10) };
}

function parseNumberOrFraction(text: string, unit: LengthUnit): Parsed {
  const fraction = /^(?:(\d+)[\s-]+)?(\d+)\/(\d+)$/.exec(text.trim());
  if (!fraction) return parseDecimal(text, { pointMayGroup: unit !== 'in' });
  if (unit !== 'in') return failed('fractionOnlyInInches');
  const [, whole, top, bottom] = fraction;
  if (Number(bottom) === 0) return failed('notANumber');
  return parsed(Number(whole ?? 0) + Number(top) / Number(bottom));
}

/**
 * A length in the unit shown, without the unit: `445`, `44.5`, `17 1/2`. Inches to the sixteenth.
 * @param mm millimetres
 * @returns a text. Definition: 1 in = 25.4 mm.
 * @example
 * formatLengthNumber(445, 'cm') // => '44.5'
 */
export function formatLengthNumber(mm: number, unit: LengthUnit): string {
  if (unit === 'in') return formatSixteenths(mm / MM_PER_INCH);
  if (unit === 'mm' && Number.isInteger(mm)) return minus(String(mm));
  const places = unit === 'mm' ? 1 : 2;
  const rounded = Number((mm / MM_PER[unit]).toFixed(places));
  const shownPlaces = unit === 'cm' ? Math.max(1, decimals(rounded)) : decimals(rounded);
  return minus(rounded.toFixed(shownPlaces));
}

/**
 * A length with its unit: `445 mm`, `44.5 cm`, `17 1/2 in`.
 * @param mm millimetres
 * @returns a text. Definition: 1 in = 25.4 mm.
 * @example
 * formatLength(444.5, 'in') // => '17 1/2 in'
 */
export function formatLength(mm: number, unit: LengthUnit): string {
  return `${formatLengthNumber(mm, unit)} ${unit}`;
}

function formatSixteenths(inches: number): string {
  const total = Math.round(Math.abs(inches) * SIXTEENTHS);
  const sign = inches < 0 && total > 0 ? '−' : '';
  const whole = Math.floor(total / SIXTEENTHS);
  let top = total % SIXTEENTHS;
  if (top === 0) return `${sign}${whole}`;
  let bottom = SIXTEENTHS;
  while (top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  return whole === 0 ? `${sign}${top}/${bottom}` : `${sign}${whole} ${top}/${bottom}`;
}

function decimals(value: number): number {
  return (String(value).split('.')[1] ?? '').length;
}

function minus(text: string): string {
  return text.replace('-', '−');
}
