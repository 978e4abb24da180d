import { expect } from 'chai';
import { expose } from 'comlink';
import type { CountJob } from '../../src/workers/jobs';
import { JobDesk } from '../../src/workers/desk';

type Said = (value: unknown) => Promise<void>;
const wait = (ms: number) => new Promise((after) => setTimeout(after, ms));

/** Stands in for a browser's worker: what it does with a job is given. */
function withWorker(run: (said: Said) => Promise<unknown>): { readonly restore: () => void } {
  const before = globalThis.Worker;
  const ports: MessagePort[] = [];
  class Stand {
    constructor() {
      const { port1, port2 } = new MessageChannel();
      ports.push(port1, port2);
      expose(
        { run: (_: string, __: number, ___: unknown, said: Said) => run(said), cancel: () => undefined },
        port1,
      );
      port1.start();
      port2.start();
      return Object.assign(port2, { terminate: () => port2.close() });
    }
  }
  globalThis.Worker = Stand as unknown as typeof Worker;
  return {
    restore: () => {
      globalThis.Worker = before;
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
});
