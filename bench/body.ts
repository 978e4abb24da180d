import type { Body } from '../src/core/body';
import type { DemoRecords } from '../src/demo/build';

/** Demo readings as a body, each as one reading with a usual spread. */
export const bodyOf = (readings: DemoRecords['sitters'][number]['readings']): Body =>
  Object.fromEntries(
    readings.map((r) => [
      r.dimension,
      { value: r.value, basis: 'measured' as const, spread: 3, source: 'demo', takenAt: null, takenBy: null },
    ]),
  );
