import { expect } from 'chai';
import { dragFigures } from '../../bench/drag';
import type { Figure } from '../../bench/figure';
import { atPace } from '../support/pace';

/** Of script in a frame, ms, on a device four times slower than this machine. */
const MEDIAN_MS = 10;
const P95_MS = 20;
/** Other work on a shared machine can only make a drag look slower: it has this many tries of three runs each. */
const TRIES = 5;

describe('dragging on a slow device', function () {
  this.timeout(600_000);

  it('leaves the script of a frame within 10 ms in the middle and 20 ms at the 95th centile', async () => {
    const tries: (Figure & { readonly by: number })[] = [];
    const isFast = ({ median, p95, by }: (typeof tries)[0]) => median / by <= MEDIAN_MS && p95 / by <= P95_MS;
    while (tries.length < TRIES && !tries.some(isFast)) {
      const { result, pace: by } = await atPace(dragFigures);
      tries.push({ ...result.find((f) => f.name === 'drag/script')!, by });
    }
    expect(
      tries.some(isFast),
      tries.map((f) => `median ${f.median} ms, 95th ${f.p95} ms, pace ${f.by}`).join('; '),
    ).to.equal(true);
    for (const { detail } of tries) expect(detail!.frames).to.be.greaterThan(50);
  });
});
