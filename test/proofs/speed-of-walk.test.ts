/** From step to step of a walk on a slow tablet: the main line is there before anybody notices. */
import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FittingDetail } from '../../src/contract';
import { screens } from '../support/screens';
import { Walker } from '../support/walker';

/** Slower than this machine by so much. */
const SLOWER = 4;
const MOST_MS = 100;
/** As long as one reads at least. */
const READS_MS = 600;
/** Others on this machine can only make a step look slower: the walk is gone through so often at most. */
const TRIES = 4;

describe('a walk on a slow tablet', function () {
  this.timeout(600_000);
  const on = screens();
  const walker = new Walker(on);

  /** Another fitting of the same person on the same seat. */
  async function likeOf(id: string): Promise<string> {
    const { sitter, seat, place, method } = await walker.api<FittingDetail>('GET', `/fittings/${id}`);
    const like = await walker.api<FittingDetail>('POST', '/fittings', {
      id: v7(),
      sitterId: sitter.id,
      fitterId: null,
    });
    await walker.api('PATCH', `/fittings/${like.id}`, {
      seatVersionId: seat!.versionId,
      placeVersionId: place!.versionId,
      methodVersionId: method.versionId,
    });
    return like.id;
  }

  /** Times of all steps of a walk, ms. */
  async function timesOf(id: string): Promise<number[]> {
    const { page } = on.user;
    await walker.open(id);
    await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLButtonElement>('main button')].some(
        (b) => b.innerText.trim() === 'Start',
      ),
    );
    const session = await page.createCDPSession();
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    const times: number[] = [];
    for (let n = 0; n < 40; n++) {
      await new Promise((after) => setTimeout(after, READS_MS));
      const took = await page.evaluate(async () => {
        const next = [...document.querySelectorAll<HTMLButtonElement>('main button')].find((b) =>
          ['Start', 'Done'].includes(b.innerText.trim()),
        );
        if (!next) return null;
        const main = document.querySelector<HTMLElement>('main')!;
        const began = performance.now();
        // Until the frame in which the next step is painted.
        const painted = new Promise<void>((after) => {
          new MutationObserver((_, observer) => {
            observer.disconnect();
            requestAnimationFrame(() => after());
          }).observe(main, { childList: true, characterData: true, subtree: true });
        });
        next.click();
        await painted;
        return performance.now() - began;
      });
      if (took === null) break;
      times.push(took);
    }
    await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await session.detach();
    return times;
  }

  it('goes from every step to the next in a tenth of a second', async () => {
    const first = await walker.fittingOf('Ines Farrowby');
    // Of each step the least time of all tries.
    let least: number[] = [];
    const isQuick = () => least.length > 0 && Math.max(...least) < MOST_MS;
    for (let n = 0; n < TRIES && !isQuick(); n++) {
      const id = await likeOf(first);
      const result = await timesOf(id);
      expect(result.length).to.be.greaterThan(15);
      least = result.map((ms, i) => Math.min(ms, least[i] ?? Infinity));
      const sorted = [...least].sort((a, b) => a - b);
      console.log(
        `      ${least.length} steps: median ${Math.round(sorted[Math.floor(least.length / 2)]!)} ms, longest ${Math.round(sorted.at(-1)!)} ms: ${least.map(Math.round).join(' ')}`,
      );
    }
    expect(Math.max(...least)).to.be.lessThan(MOST_MS);
  });
});
