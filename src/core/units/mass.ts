/** Masses as people type and read them; inside the program always kilograms. */
import { type Parsed, failed, parsed } from './parsed';
import { parseDecimal, tidy } from './number';

export type MassUnit = 'kg' | 'lb';

export const KG_PER_POUND = 0.45359237;

/**
 * Reads a typed mass; a bare number is in `shown`. Kilograms rounded to 10 g, or a closed reason.
 * @returns kg, or a closed reason. Definition: 1 lb = 0.45359237 kg.
 * @example
 * parseMass('160 lb', 'kg').value // => 72.57
 */
export function parseMass(text: string, shown: MassUnit): Parsed {
  const t = tidy(text);
  if (t === '') return failed('empty');
  const parts = /^([\d.,]+)\s*([a-z]*)$/.exec(t);
  if (!parts) return failed('notANumber');
  const word = parts[2] ?? '';
  const unit = word === '' ? shown : word === 'kg' ? 'kg' : word === 'lb' || word === 'lbs' ? 'lb' : null;
  if (unit === null) return failed('wrongUnit');
  const factor = unit === 'kg' ? 1 : KG_PER_POUND;
  const number = parseDecimal(parts[1] ?? '', { pointMayGroup: false });
  if (number.ok) return parsed(Math.round(number.value * factor * 100) / 100);
  return number.readings
    ? failed(
        number.reason,
        number.readings.map((r) => r * factor),
      )
    : number;
}

/**
 * A mass in the unit shown, without the unit, to a tenth: `72.5`.
 * @param kg mass, kg
 * @returns a text. Definition: 1 lb = 0.45359237 kg.
 * @example
 * formatMassNumber(72.5, 'kg') // => '72.5'
 */
export function formatMassNumber(kg: number, unit: MassUnit): string {
  return String(Number((unit === 'kg' ? kg : kg / KG_PER_POUND).toFixed(1)));
}

/**
 * A mass with its unit: `72.5 kg`.
 * @param kg mass, kg
 * @returns a text. Definition: 1 lb = 0.45359237 kg.
 * @example
 * formatMass(72.5, 'kg') // => '72.5 kg'
 */
export function formatMass(kg: number, unit: MassUnit): string {
  return `${formatMassNumber(kg, unit)} ${unit}`;
}
