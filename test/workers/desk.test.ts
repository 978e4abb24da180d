import { expect } from 'chai';
import { expose, releaseProxy } from 'comlink';
import type { CountJob } from '../../src/workers/jobs';
import { JobDesk } from '../../src/workers/desk';
import { serveJobs } from '../../src/workers/serve';

type Said = (value: unknown) => Promise<void>;
const wait = (ms: number) => new Promise((after) => setTimeout(after, ms));

/** Stands in for a browser's worker: what it does with a job is given. */
function withWorker(run: (said: Said) => Promise<unknown>): { readonly restore: () => void } {
  const before = globalThis.Worker;
  const ports: MessagePort[] = [];
  const heard: Said[] = [];
  class Stand {
    constructor() {
      const { port1, port2 } = new MessageChannel();
      ports.push(port1, port2);
      const start = (_: string, __: number, ___: unknown, said: Said) => {
        heard.push(said);
        return run(said);
      };
      expose({ run: start, cancel: () => undefined }, port1);
      port1.start();
      port2.start();
      return Object.assign(port2, { terminate: () => port2.close() });
    }
  }
  globalThis.Worker = Stand as unknown as typeof Worker;
  return {
    restore: () => {
      globalThis.Worker = before;
      heard.forEach((said) => (said as unknown as Record<symbol, () => void>)[releaseProxy]!());
      ports.forEach((port) => port.close());
    },
  };
}

describe('a job in a worker', () => {
  const INPUT = {} as CountJob;

  it('tells how far it is, and then what it came to', async () => {
    const { restore } = withWorker(async (said) => {
      await said('half');
      return 'whole';
    });
    const told: unknown[] = [];
    expect(await new JobDesk().run('count', INPUT, (value) => told.push(value))).to.equal('whole');
    expect(told).to.deep.equal(['half']);
    restore();
  });

  it('says nothing more on the way once it has come to its end', async () => {
    const { restore } = withWorker((said) => {
      void wait(30).then(() => said('late'));
      return Promise.resolve('whole');
    });
    const told: unknown[] = [];
    expect(await new JobDesk().run('count', INPUT, (value) => told.push(value))).to.equal('whole');
    await wait(120);
    expect(told).to.deep.equal([]);
    restore();
  });

  it('says nothing of what another took the place of', async () => {
    const { restore } = withWorker(async (said) => {
      await wait(30);
      await said('on the way');
      return 'whole';
    });
    const desk = new JobDesk();
    const told: unknown[] = [];
    const first = desk.run('count', INPUT, (value) => told.push(value));
    desk.cancel();
    await first;
    expect(told).to.deep.equal([]);
    restore();
  });

  it('leaves nothing open that would keep a process from ending', async () => {
    const open = () => process.getActiveResourcesInfo().filter((name) => name === 'MessagePort').length;
    const { port1, port2 } = new MessageChannel();
    serveJobs<{ count: { input: number; result: number } }>(
      {
        count: function* (upTo) {
          for (let i = 1; i <= upTo; i++) yield i;
        },
      },
      port1,
    );
    port1.start();
    port2.start();
    const desk = new JobDesk<{ count: { input: number; result: number } }>(() => port2 as unknown as Worker);
    try {
      // The first job opens what all of them share.
      await desk.run('count', 1, () => undefined);
      await wait(50);
      const before = open();
      for (const upTo of [3, 4, 5]) expect(await desk.run('count', upTo, () => undefined)).to.equal(upTo);
      await wait(50);
      expect(open()).to.equal(before);
    } finally {
      port1.close();
      port2.close();
    }
  });
});
