/** Numbers of a form of a seat as typed: read, or said what is wrong and what may have been meant. */
import { stated, type Quantity } from '../../core/quantity';
import { likelySlip, type AdjustmentUnit, type Slip } from '../../core/seat';
import { parseDecimal, parseLength, parseMass, tidy } from '../../core/units';
import { sayInUnit, sayWith, t, word, type Reading } from '../../words';
import { sayRange } from './seat-facts';
import { isCount, typedIn } from './seat-text';

/** What is wrong with a field, and what may have been meant. */
export interface SeatFieldFault {
  readonly text: string;
  /** The text to put in its place, where a slip is likely. */
  readonly meant?: string;
}
/** By path: `ratedLoad`, `adjustments/armHeight/lowest`. */
export type SeatTextFaults = Readonly<Record<string, SeatFieldFault>>;

export type Limits = readonly [number, number];

/** What the numbers of a form are said to come from. */
const SOURCE = 'entered in the form';
export const q = (value: number): Quantity => stated(value, SOURCE);

/** Numbers nearer to each other than this are one, as typed: mm. */
const SAME_MM = 0.05;
export const isSameNumber = (a: number, b: number): boolean => Math.abs(a - b) < SAME_MM;

export const isBlank = (text: string): boolean => text.trim() === '';

export class Faults {
  readonly all: Record<string, SeatFieldFault> = {};
  put(path: string, fault: SeatFieldFault): void {
    this.all[path] ??= fault;
  }
}

export interface ReadNumber {
  readonly value: number;
  readonly fault: SeatFieldFault | null;
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

/** Between two ends; outside, what may have been meant. */
export function between(
  text: string,
  unit: AdjustmentUnit,
  limits: Limits,
  common: Limits | null,
  reading: Reading,
): ReadNumber {
  const read = parsedIn(text, unit, reading);
  if (read.fault) return read;
  const [low, high] = limits;
  if (low <= read.value && read.value <= high) return read;
  const said = (value: number) => sayInUnit(value, unit, reading);
  const range = sayWith('seatForm.fault.range', {
    value: said(read.value),
    range: sayRange(said(low), said(high)),
  });
  const slip = unit === 'kg' || isCount(unit) ? null : likelySlip(read.value, limits, common);
  if (!slip || (unit === 'deg' && slip.slip !== 'sign')) return { ...read, fault: { text: range } };
  return {
    ...read,
    fault: {
      text: `${range} ${t(SLIP_WORDS[slip.slip], { typed: text.trim(), meant: said(slip.meant) })}`,
      meant: typedIn(slip.meant, unit, reading),
    },
  };
}

const SLIP_WORDS: Readonly<Record<Slip, string>> = {
  centimetres: 'seatForm.slip.centimetres',
  inches: 'seatForm.slip.inches',
  tenfold: 'seatForm.slip.other',
  sign: 'seatForm.slip.other',
};
