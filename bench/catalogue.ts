/** How long it takes to solve many seats plainly for one person, and what of memory stays behind. */
import { performance } from 'node:perf_hooks';
import { NO_REMEDIES, PLAIN_WORK, makeInputs, problemOf, solve } from '../src/core/fit';
import { SHIPPED_METHODS } from '../src/core/method';
import { buildDemo } from '../src/demo/build';
import { bodyOf } from './body';
import { figureOf, type Figure } from './figure';

const SEED = 17;
const SIZES = [100, 1_000, 10_000];
const ROUNDS = 3;
const MEGABYTE = 1024 * 1024;

export function catalogueFigures(now: Date): Figure[] {
  const demo = buildDemo(SEED, now, { seats: Math.max(...SIZES) });
  const sitter = demo.sitters.find((s) => s.name === 'Maren Tolve')!;
  const place = demo.places.find((x) => x.place.name === 'Chart room table')!.place;
  const body = bodyOf(sitter.readings);
  return SIZES.map((size) => {
    const seats = demo.seats.slice(0, size);
    const before = process.memoryUsage().rss;
    const times: number[] = [];
    let kept: unknown[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      const start = performance.now();
      // What a list keeps of each seat.
      kept = seats.map(({ seat }) => {
        const inputs = makeInputs({
          sitter: { ageYears: null },
          body,
          seat,
          place,
          method: SHIPPED_METHODS[0]!,
          work: PLAIN_WORK,
        });
        const { settings, hard, penalty } = solve(problemOf(inputs), { remedies: NO_REMEDIES });
        return { settings, hard, penalty };
      });
      times.push(performance.now() - start);
    }
    const addedMb = Math.round((process.memoryUsage().rss - before) / MEGABYTE);
    return figureOf(`catalogue/${size}`, times, { detail: { seats: kept.length, addedMb } });
  });
}
