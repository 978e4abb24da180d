import { expect } from 'chai';
import { dragFigures } from '../../bench/drag';
import type { Figure } from '../../bench/figure';

/** Of script in a frame, ms, on a device four times slower than this machine. */
const MEDIAN_MS = 10;
const P95_MS = 20;
/** Other work on a shared machine can only make a drag look slower: it has this many tries of three runs each. */
const TRIES = 5;

describe('dragging on a slow device', function () {
  this.timeout(240_000);

  it('leaves the script of a frame within 10 ms in the middle and 20 ms at the 95th centile', async () => {
    const tries: Figure[] = [];
    const isFast = ({ median, p95 }: Figure) => median <= MEDIAN_MS && p95 <= P95_MS;
    while (tries.length < TRIES && !tries.some(isFast))
      tries.push((await dragFigures()).find((f) => f.name === 'drag/script')!);
    expect(
      tries.some(isFast),
      tries.map((f) => `median ${f.median} ms, 95th ${f.p95} ms`).join('; '),
    ).to.equal(true);
    for (const { detail } of tries) expect(detail!.frames).to.be.greaterThan(50);
  });
});
