import { expect } from 'chai';
import { RANKING_DRAWS, drawsOf } from '../../src/core/certainty';
import { rankSeats, type Ranking } from '../../src/core/rank';
import { buildDemo } from '../../src/demo/build';
import { JOBS, type Jobs } from '../../src/workers/jobs';
import { serveJobs, type Runners } from '../../src/workers/serve';
import { SHARED_RANKING, SharedDesk } from '../../src/workers/shared-desk';
import { RIGHT_ANGLE, ROUND, bodyWith, inputsOf, placeWith, slides } from '../support/inputs';

const seats = buildDemo(9, new Date('2026-11-25T09:30:00Z'), { seats: 230 }).seats.map(({ seat }) => seat);
const asked = inputsOf({ body: bodyWith(ROUND), place: placeWith(slides(650, 800)), method: RIGHT_ANGLE });
const input = { asked, seats };

/** Workers in this thread: what a browser’s would be told, they are told over ports. */
function workers(jobs: Runners<Jobs> = JOBS) {
  const ports: MessagePort[] = [];
  const started: Worker[] = [];
  return {
    started,
    start: (): Worker => {
      const { port1, port2 } = new MessageChannel();
      ports.push(port1, port2);
      serveJobs<Jobs>(jobs, port1);
      port1.start();
      port2.start();
      const worker = Object.assign(port2, { terminate: () => port2.close() }) as unknown as Worker;
      started.push(worker);
      return worker;
    },
    stop: () => ports.forEach((port) => port.close()),
  };
}

describe('a job that several workers share', () => {
  it('comes to what one would have come to, and tells how far all of them are', async () => {
    const { start, stop, started } = workers();
    const told: Ranking[] = [];
    const desk = new SharedDesk('rank', SHARED_RANKING, { start, cores: 8 });
    try {
      const found = await desk.run(input, (known) => told.push(known));
      expect(started).to.have.length(2);
      expect(found).to.deep.equal(rankSeats(asked, seats, drawsOf(asked.body, RANKING_DRAWS)));
      expect(told.length).to.be.greaterThan(1);
      for (const [i, known] of told.entries()) {
        expect(known.count).to.equal(seats.length);
        expect(known.done).to.be.at.least(told[i - 1]?.done ?? 0);
        expect(known.ranked.length).to.be.at.most(50);
      }
    } finally {
      stop();
    }
  });

  it('is left to one where there is little of it, or one core', async () => {
    for (const [cores, some] of [
      [8, seats.slice(0, 150)],
      [1, seats],
    ] as const) {
      const { start, stop, started } = workers();
      const desk = new SharedDesk('rank', SHARED_RANKING, { start, cores });
      const found = await desk.run({ asked, seats: some }, () => undefined);
      expect(started).to.have.length(1);
      expect(found?.done).to.equal(some.length);
      stop();
    }
  });

  it('says nothing once it is cancelled or another has taken its place', async () => {
    const { start, stop } = workers();
    const told: Ranking[] = [];
    const desk = new SharedDesk('rank', SHARED_RANKING, { start, cores: 2 });
    try {
      const first = desk.run(input, (known) => told.push(known));
      const second = desk.run({ asked, seats: seats.slice(0, 3) }, (known) => told.push(known));
      expect(await first).to.equal(null);
      expect((await second)?.count).to.equal(3);
      expect(told.every(({ count }) => count === 3)).to.equal(true);
      const third = desk.run(input, (known) => told.push(known));
      desk.cancel();
      expect(await third).to.equal(null);
      expect(told.every(({ count }) => count === 3)).to.equal(true);
    } finally {
      stop();
    }
  });

  it('fails as a whole where one of them fails', async () => {
    const { start, stop } = workers({
      ...JOBS,
      rank: function* (job) {
        if (job.seats[0] !== seats[0]) throw new RangeError('this part cannot be');
        yield* JOBS.rank(job);
      },
    });
    const desk = new SharedDesk('rank', SHARED_RANKING, { start, cores: 2 });
    try {
      const failure = await desk.run(input, () => undefined).then(String, String);
      expect(failure).to.include('this part cannot be');
    } finally {
      stop();
    }
  });
});
