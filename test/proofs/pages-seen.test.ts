/** Pages over a large practice on a slow device: soon seen, standing still, and as light after a day's work as before. */
import { expect } from 'chai';
import { LISTENERS_LEFT, RELEASE, pageFigures } from '../../bench/pages';
import type { Figure } from '../../bench/figure';

const PAINT_MS = 2000;
const SHIFT = 0.05;
const RELEASE_MS = 200;
/** Other work on a shared machine can only make a page look slower: what misses is looked at again, on another server. */
const TRIES = 3;

/** Returns what a figure misses; null where it misses nothing. */
function missed({ name, median, p95, detail }: Figure): string | null {
  if (name === LISTENERS_LEFT) return median > 0 ? `${name}: ${median}` : null;
  if (name === RELEASE) return p95 > RELEASE_MS ? `${name}: ${p95} ms` : null;
  if (median > PAINT_MS) return `${name}: ${median} ms`;
  return detail!.shift! > SHIFT ? `${name}: shifted by ${detail!.shift}` : null;
}

describe('pages over 20,000 people and 2,000 fittings, on a device four times slower', function () {
  this.timeout(600_000);

  it('are seen within two seconds and do not jump, levers are let go within 200 ms, and no listener is left', async () => {
    let paints: number[] = [];
    let left: ReadonlySet<string> | null = null;
    let found: string[] = [];
    for (let i = 0; i < TRIES; i++) {
      const figures: Figure[] = await pageFigures((name) => left?.has(name) ?? true);
      expect(figures.length).to.be.greaterThan(left ? left.size - 1 : 20);
      const wrong = figures.filter((figure) => missed(figure) !== null);
      paints = [
        ...paints,
        ...figures.filter((f) => !wrong.includes(f) && f.name.startsWith('paint/')).map((f) => f.median),
      ];
      found = wrong.map((figure) => missed(figure)!);
      if (found.length > 0) console.log(`      missed: ${found.join('; ')}`);
      left = new Set(wrong.map(({ name }) => name));
      if (left.size === 0) break;
    }
    expect(found).to.deep.equal([]);
    console.log(`      largest paint of all pages: ${Math.max(...paints)} ms`);
  });
});
