import { install, type Clock } from '@sinonjs/fake-timers';
import { expect } from 'chai';
import { BRITISH } from '../../src/core/population';
import { JOBS } from '../../src/workers/jobs';
import { runSliced } from '../../src/workers/sliced';

const wanted = () => true;

describe('work in slices', () => {
  let clock: Clock;
  beforeEach(() => {
    clock = install({ toFake: ['performance'] });
  });
  afterEach(() => clock.uninstall());

  /** Counts up, each step taking a while. */
  function* slow(to: number, stepMs: number): Generator<number, void> {
    for (let i = 1; i <= to; i++) {
      clock.tick(stepMs);
      yield i;
    }
  }

  it('gives the last value, and tells how far it is in between', async () => {
    const told: number[] = [];
    expect(await runSliced(slow(60, 5), (n) => told.push(n), wanted)).to.equal(60);
    // After 25 ms, and then every tenth of a second.
    expect(told).to.deep.equal([5, 25, 45]);
    expect(await runSliced(slow(0, 1), () => undefined, wanted)).to.equal(null);
  });

  it('lets others be heard while it goes on', async () => {
    let [asked, heard] = [0, 0];
    const isWanted = (): boolean => {
      asked++;
      setTimeout(() => heard++, 0);
      return true;
    };
    await runSliced(slow(30, 5), () => undefined, isWanted);
    // What comes in during a slice is heard before the next one.
    expect([asked, heard]).to.deep.equal([6, 5]);
  });

  it('ends after the slice in which it is not wanted any more', async () => {
    let [isWanted, last] = [true, 0];
    const result = await runSliced(
      slow(1000, 5),
      (n) => {
        last = n;
        isWanted = false;
      },
      () => isWanted,
    );
    expect(result).to.equal(null);
    expect(last).to.equal(5);
  });

  it('counts people of a table between limits', async () => {
    const input = {
      table: BRITISH,
      who: 'men',
      limits: [{ dimension: 'stature', lo: 1740, hi: 3000 }],
      seed: 3,
      count: 50_000,
    } as const;
    const counted = await runSliced(JOBS.count(input), () => undefined, wanted);
    expect(counted!.people).to.equal(50_000);
    expect(counted!.all / 50_000).to.be.closeTo(0.5, 0.01);
  });
});
