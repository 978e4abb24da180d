/** Pages over a large practice on a slow device: soon seen, standing still, and as light after a day's work as before. */
import { expect } from 'chai';
import { pageFigures } from '../../bench/pages';
import type { Figure } from '../../bench/figure';

const PAINT_MS = 2000;
const SHIFT = 0.05;
const RELEASE_MS = 200;
/** Other work on a shared machine can only make a page look slower. */
const TRIES = 3;

/** Returns what a figure misses; null where it misses nothing. */
function missed({ name, median, p95, detail }: Figure): string | null {
  if (name === 'stages/listenersLeft') return median > 0 ? `${name}: ${median}` : null;
  if (name === 'lever/release') return p95 > RELEASE_MS ? `${name}: ${p95} ms` : null;
  if (median > PAINT_MS) return `${name}: ${median} ms`;
  return detail!.shift! > SHIFT ? `${name}: shifted by ${detail!.shift}` : null;
}

describe('pages over 20,000 people and 2,000 fittings, on a device four times slower', function () {
  this.timeout(600_000);

  it('are seen within two seconds and do not jump, levers are let go within 200 ms, and no listener is left', async () => {
    const tries: string[] = [];
    for (let i = 0; i < TRIES; i++) {
      const figures = await pageFigures();
      expect(figures.length).to.be.greaterThan(20);
      const found = figures.flatMap((figure) => missed(figure) ?? []);
      if (found.length === 0) {
        const worst = Math.max(...figures.filter((f) => f.name.startsWith('paint/')).map((f) => f.median));
        console.log(`      largest paint of all pages: ${worst} ms`);
        return;
      }
      tries.push(found.join('; '));
    }
    expect.fail(tries.join(' | '));
  });
});
