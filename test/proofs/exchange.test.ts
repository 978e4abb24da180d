import { expect } from 'chai';
import { exchangeFigures } from '../../bench/exchange';
import type { Figure } from '../../bench/figure';

/** Other work on a shared machine can only make it look slower. */
const TRIES = 4;

const longest = (f: Figure): number => f.detail?.longestMs ?? Infinity;
const LIMITS: readonly {
  readonly name: string;
  readonly is: (f: Figure) => boolean;
  readonly what: string;
}[] = [
  { name: 'exchange/preview', is: (f) => longest(f) < 3000, what: 'within 3 s' },
  { name: 'exchange/write', is: (f) => longest(f) < 5000, what: 'within 5 s' },
  { name: 'exchange/undo', is: (f) => longest(f) < 5000, what: 'within 5 s' },
  { name: 'exchange/others', is: (f) => longest(f) < 200, what: 'within 200 ms each' },
  { name: 'exchange/search', is: (f) => f.median < 50, what: 'within 50 ms' },
];

describe('ten thousand people from a file', function () {
  this.timeout(600_000);

  it('are checked, written and found among twenty thousand without keeping anybody waiting', async () => {
    const left = new Set(LIMITS);
    const tries: string[] = [];
    for (let i = 0; i < TRIES && left.size > 0; i++) {
      const figures = await exchangeFigures();
      for (const limit of left) {
        const figure = figures.find((f) => f.name === limit.name)!;
        if (limit.is(figure)) left.delete(limit);
        else
          tries.push(`${limit.name}: ${figure.median} (${JSON.stringify(figure.detail)}), not ${limit.what}`);
      }
    }
    expect(
      [...left].map(({ name }) => name),
      tries.join(' | '),
    ).to.deep.equal([]);
  });
});
