/** Numbers of adjustments as they are typed, each in its own unit. */
import type { AdjustmentUnit } from '../core/seat';
import {
  formatLengthNumber,
  formatMassNumber,
  parseDecimal,
  parseLength,
  parseMass,
  tidy,
} from '../core/units';
import { sayInUnit, sayWith, word, type Reading } from '../words';

/** What is wrong with a field, and what may have been meant. */
export interface FieldFault {
  readonly text: string;
  /** The text to put in its place, where a slip is likely. */
  readonly meant?: string;
}

export interface ReadNumber {
  readonly value: number;
  readonly fault: FieldFault | null;
}

/** A plain number with an optional sign: positions, degrees, counts. */
export function signed(text: string): ReadNumber {
  const t = tidy(text).replace(/\s*(?:°|deg|degrees|turns?|x)$/, '');
  const isBelow = t.startsWith('-');
  const parsed = parseDecimal(isBelow ? t.slice(1) : t.replace(/^\+/, ''), { pointMayGroup: false });
  if (!parsed.ok) return { value: NaN, fault: { text: word('seatForm.fault.number') } };
  return { value: isBelow ? -parsed.value : parsed.value, fault: null };
}

export function parsedIn(text: string, unit: AdjustmentUnit, reading: Reading): ReadNumber {
  if (unit === 'mm') {
    const t = tidy(text);
    const isBelow = t.startsWith('-');
    const parsed = parseLength(isBelow ? t.slice(1) : t, reading.length);
    if (parsed.ok) return { value: isBelow ? -parsed.value : parsed.value, fault: null };
    const [first = 0, second = 0] = parsed.readings ?? [];
    return {
      value: NaN,
      fault: {
        text: sayWith(`measure.fault.${parsed.reason}`, {
          first: sayInUnit(first, 'mm', reading),
          second: sayInUnit(second, 'mm', reading),
        }),
      },
    };
  }
  if (unit === 'kg') {
    const parsed = parseMass(text, reading.mass);
    return parsed.ok
      ? { value: parsed.value, fault: null }
      : { value: NaN, fault: { text: word('seatForm.fault.number') } };
  }
  return signed(text);
}

/** A number of an adjustment as it would be typed. */
export function typedIn(value: number, unit: AdjustmentUnit, reading: Reading): string {
  if (unit === 'mm')
    return value < 0
      ? `-${formatLengthNumber(-value, reading.length)}`
      : formatLengthNumber(value, reading.length);
  return unit === 'kg' ? formatMassNumber(value, reading.mass) : String(value);
}
