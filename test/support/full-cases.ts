import { PLAIN_WORK, makeInputs, type FitInputs } from '../../src/core/fit';
import { SHIPPED_METHODS } from '../../src/core/method';
import { buildDemo } from '../../src/demo/build';
import { bodyWith } from './inputs';

interface Size {
  readonly sitters: number;
  readonly seats: number;
}

/** Full seats with well measured sitters, workstations and every method, of demo records drawn anew. */
export function fullCases(seed: number, count: number, size: Size): FitInputs[] {
  const demo = buildDemo(seed, new Date('2026-11-25T09:30:00Z'), size);
  const sitters = demo.sitters.filter((s) => s.readings.length >= 14);
  const places = demo.places.filter((p) => p.place.adjustments.length > 0);
  return Array.from({ length: count }, (_, n) =>
    makeInputs({
      sitter: { ageYears: null },
      body: bodyWith(
        Object.fromEntries(sitters[n % sitters.length]!.readings.map((r) => [r.dimension, r.value])),
      ),
      seat: demo.seats[(n * 7) % demo.seats.length]!.seat,
      place: places[n % places.length]!.place,
      method: SHIPPED_METHODS[n % SHIPPED_METHODS.length]!,
      work: PLAIN_WORK,
    }),
  );
}
