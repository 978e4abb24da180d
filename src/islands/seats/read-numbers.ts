/** Numbers of a form of a seat as typed: read, or said what is wrong and what may have been meant. */
import { stated, type Quantity } from '../../core/quantity';
import { likelySlip, type AdjustmentUnit, type Slip } from '../../core/seat';
import { sayInUnit, sayRange, sayWith, t, word, type Reading } from '../../words';
import { isCount } from './seat-text';
import { parsedIn, typedIn, type FieldFault, type ReadNumber } from '../../ui/in-unit';

/** By path: `ratedLoad`, `adjustments/armHeight/lowest`. */
export type SeatTextFaults = Readonly<Record<string, FieldFault>>;

export type Limits = readonly [number, number];

/** A number as typed, and where it is said to come from. */
export const q = (value: number): Quantity => stated(value, word('seatForm.source'));

/** Numbers nearer to each other than this are one, as typed: mm. */
const SAME_MM = 0.05;
export const isSameNumber = (a: number, b: number): boolean => Math.abs(a - b) < SAME_MM;

export const isBlank = (text: string): boolean => text.trim() === '';

export class Faults {
  readonly all: Record<string, FieldFault> = {};
  put(path: string, fault: FieldFault): void {
    this.all[path] ??= fault;
  }
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
