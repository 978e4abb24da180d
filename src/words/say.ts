import type { Message, MessageValue } from '../core/message';
import type { AdjustmentUnit } from '../core/seat';
import { formatAngle, formatLength, formatMass, type LengthUnit, type MassUnit } from '../core/units';
import { sayMethod } from './say-built-in';
import { t, type PlainKey, type ValuesOf, type WordKey } from './messages';

/** How this reader wants numbers: the one place where a value becomes text. */
export interface Reading {
  readonly length: LengthUnit;
  readonly mass: MassUnit;
  readonly locale: string;
  /** Time zone of the practice, in which instants are said. */
  readonly timeZone: string;
  /** In which prices are given, as ISO 4217 names it. */
  readonly currency: string;
}

export const DEFAULT_READING: Reading = {
  length: 'mm',
  mass: 'kg',
  locale: 'en-GB',
  timeZone: 'UTC',
  currency: 'GBP',
};

/** The words of a key that takes no values. */
export const word = (key: PlainKey): string => t(key);

/** A sentence with its values. */
export const sayWith = <Key extends WordKey>(key: Key, values: ValuesOf<Key>): string => t(key, values);

/** A computed length: whole millimetres, tenths of a centimetre, sixteenths of an inch. */
export function sayLength(mm: number, reading: Reading): string {
  return formatLength(reading.length === 'in' ? mm : Math.round(mm), reading.length);
}

/** Ends of a range as they are written together: the unit once, where both have the same. */
export function sayRange(from: string, to: string): string {
  const unit = /[^\d/.,]+$/.exec(to)?.[0] ?? '';
  if (from.startsWith('−') || from.startsWith('-')) return sayWith('range.to', { from, to });
  return unit !== '' && from.endsWith(unit) ? `${from.slice(0, -unit.length)}–${to}` : `${from}–${to}`;
}

const EIGHTHS = 8;

/** Turns to the eighth: `1 1/4`. */
export function sayTurns(turns: number): string {
  const total = Math.round(turns * EIGHTHS);
  const whole = Math.floor(total / EIGHTHS);
  let top = total % EIGHTHS;
  let bottom = EIGHTHS;
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const fraction = top === 0 ? '' : `${top}/${bottom}`;
  const number = whole === 0 && fraction ? fraction : [String(whole), fraction].filter(Boolean).join(' ');
  return t(total > EIGHTHS || total === 0 ? 'turns.several' : 'turns.one', { number });
}

/** Making a formatter takes far longer than using it, and every frame of a drag says counts. */
const counts = new Map<string, Intl.NumberFormat>();

function sayCount(count: number, reading: Reading): string {
  const known = counts.get(reading.locale);
  const format = known ?? new Intl.NumberFormat(reading.locale, { maximumFractionDigits: 1 });
  if (!known) counts.set(reading.locale, format);
  return format.format(count);
}

/** A value of an adjustment in its own unit. */
export function sayInUnit(value: number, unit: AdjustmentUnit, reading: Reading): string {
  if (unit === 'deg') return sayValue({ deg: value }, reading);
  if (unit === 'turn') return sayTurns(value);
  if (unit === 'kg') return sayValue({ kg: value }, reading);
  return unit === 'mm' ? sayValue({ mm: value }, reading) : String(Math.round(value * 10) / 10);
}

export function sayValue(value: MessageValue, reading: Reading): string {
  if ('mm' in value) return sayLength(value.mm, reading);
  if ('sizeMm' in value) return sayLength(Math.abs(value.sizeMm), reading);
  if ('deg' in value) return formatAngle(value.deg);
  if ('kg' in value) return formatMass(value.kg, reading.mass);
  if ('turns' in value) return sayTurns(value.turns);
  if ('count' in value) return sayCount(value.count, reading);
  if ('steps' in value) return t('value.steps', { n: value.steps });
  if ('percent' in value) return `${Math.round(value.percent)}%`;
  if ('text' in value) return value.text;
  if ('method' in value) return sayMethod(value.method);
  if ('word' in value) return t(value.word);
  return new Intl.ListFormat(reading.locale, { type: 'conjunction' }).format(
    value.words.map((key) => t(key).toLowerCase()),
  );
}

/**
 * A count as it is read, which still decides between singular and plural: as text it is written as the reader writes
 * numbers, as a number it is what it is.
 */
function countIn(count: number, reading: Reading): number {
  const shown = Object.assign(Object(count) as object, {
    toString: () => sayCount(count, reading),
    [Symbol.toPrimitive]: (hint: string) => (hint === 'number' ? count : sayCount(count, reading)),
  });
  return shown as unknown as number;
}

/** Returns a message in words. */
export function say(message: Message, reading: Reading): string {
  const values: Record<string, string | number> = {};
  for (const [name, value] of Object.entries(message.values))
    values[name] = 'count' in value ? countIn(value.count, reading) : sayValue(value, reading);
  const text = t(message.key, values);
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Returns a price in the currency of the practice: `£455`, `£12.50`. */
export const sayPrice = (price: number, { locale, currency }: Reading): string =>
  new Intl.NumberFormat(locale, {
    style: 'currency',
    currency,
    trailingZeroDisplay: 'stripIfInteger',
  }).format(price);

/** A local date (`2026-11-25`), or the local date of an instant, as this reader writes it. */

export function sayDate(date: string, reading: Reading): string {
  const isInstant = date.includes('T');
  return new Intl.DateTimeFormat(reading.locale, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: isInstant ? reading.timeZone : 'UTC',
  }).format(new Date(isInstant ? date : `${date}T00:00:00Z`));
}

/** An instant as the wall clock of the practice shows it: `09:30`. */
export function sayClock(instant: string, reading: Reading): string {
  return new Intl.DateTimeFormat(reading.locale, {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: reading.timeZone,
  }).format(new Date(instant));
}
