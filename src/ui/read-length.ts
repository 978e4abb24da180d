/** A length as typed, between two ends. */
import { parseLength } from '../core/units';
import { sayRange, sayValue, sayWith, type Reading } from '../words';

export interface Read {
  /** mm; NaN where it cannot be read. */
  readonly value: number;
  readonly fault: string | null;
}

export function readBetween(text: string, [low, high]: readonly [number, number], reading: Reading): Read {
  const parsed = parseLength(text, reading.length);
  if (!parsed.ok) {
    const [first = 0, second = 0] = parsed.readings ?? [];
    const fault = sayWith(`measure.fault.${parsed.reason}`, {
      first: sayValue({ mm: first }, reading),
      second: sayValue({ mm: second }, reading),
    });
    return { value: NaN, fault };
  }
  if (low <= parsed.value && parsed.value <= high) return { value: parsed.value, fault: null };
  const fault = sayWith('measure.fault.range', {
    range: sayRange(sayValue({ mm: low }, reading), sayValue({ mm: high }, reading)),
  });
  return { value: parsed.value, fault };
}
