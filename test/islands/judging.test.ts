import { expect } from 'chai';
import type { OfferedSeat } from '../../src/contract';
import { RANKING_DRAWS, drawsOf } from '../../src/core/certainty';
import { PLAIN_WORK, makeInputs, problemOf } from '../../src/core/fit';
import { rankSeats, type CaseWithoutSeat, type Ranking } from '../../src/core/rank';
import { buildDemo } from '../../src/demo/build';
import { Judging, askedOf, rankingOf } from '../../src/islands/fitting/judging';
import type { JobDesk } from '../../src/workers/desk';
import { RIGHT_ANGLE, ROUND, bodyWith, inputsOf, placeWith, slides } from '../support/inputs';

const demo = buildDemo(9, new Date('2026-11-25T09:30:00Z'), { seats: 20 });
const seats = demo.seats.map(({ seat, versionId }): OfferedSeat => ({
  seat,
  versionId,
  version: 1,
  state: 'checked',
}));
const asked: CaseWithoutSeat = inputsOf({
  body: bodyWith(ROUND),
  place: placeWith(slides(650, 800)),
  method: RIGHT_ANGLE,
});
const rank = (by: CaseWithoutSeat, some: readonly OfferedSeat[]): Ranking =>
  rankSeats(
    by,
    some.map(({ seat }) => seat),
    drawsOf(by.body, RANKING_DRAWS),
  );

interface Job {
  readonly names: readonly string[];
  readonly tell: (done: number) => void;
  readonly end: () => Promise<void>;
  readonly fail: () => Promise<void>;
  isCancelled: boolean;
}

/** Stands in for the worker: it is told when to go on. */
function desk() {
  const jobs: Job[] = [];
  const settle = () => new Promise<void>((after) => setTimeout(after));
  const run = ((
    _: 'rank',
    input: { asked: CaseWithoutSeat; seats: readonly OfferedSeat['seat'][] },
    hear: (value: Ranking) => void,
  ) =>
    new Promise<Ranking | null>((resolve, reject) => {
      const offered = seats.filter(({ seat }) => input.seats.some(({ id }) => id === seat.id));
      const job: Job = {
        names: input.seats.map(({ name }) => name),
        isCancelled: false,
        tell: (done) => {
          const known = rank(input.asked, offered.slice(0, done));
          hear({ count: offered.length, done, ranked: known.ranked.slice(0, 2), refused: [] });
        },
        end: () => {
          resolve(job.isCancelled ? null : rank(input.asked, offered));
          return settle();
        },
        fail: () => {
          reject(new Error('the worker failed'));
          return settle();
        },
      };
      jobs.push(job);
    })) as unknown as JobDesk['run'];
  const cancel = () => jobs.forEach((job) => (job.isCancelled = true));
  return { jobs, judging: new Judging({ run, cancel }) };
}
const names = (some: readonly OfferedSeat[]) => some.map(({ seat }) => seat.name);

describe('what seats are judged for', () => {
  const versionId = seats[0]!.versionId;
  const fitting = {
    ...PLAIN_WORK,
    people: { sitter: { ageYears: 6 }, fitterHandMm: { 3: 61, 4: 80 } },
    body: bodyWith({ ...ROUND, buttockPoplitealLength: 310 }),
    place: null,
    method: { versionId, id: RIGHT_ANGLE.id, name: RIGHT_ANGLE.name },
    inputs: null,
  };
  const methods = [{ method: RIGHT_ANGLE, versionId, version: 1, isOwn: false, savedAt: '2026-11-25' }];

  it('is who sits there and whose hand it is, before any seat is chosen as after', () => {
    const before = askedOf(fitting, [], methods)!;
    const { seat, ...after } = makeInputs({
      ...fitting.people,
      body: fitting.body,
      seat: seats[0]!.seat,
      place: null,
      method: RIGHT_ANGLE,
      work: PLAIN_WORK,
    });
    expect(before).to.deep.equal(after);
    // A child is given the room behind the knee of a child.
    const roomFor = (ageYears: number) =>
      problemOf({ ...askedOf({ ...fitting, people: { sitter: { ageYears } } }, [], methods)!, seat }).targets
        .kneeRoom.aimLo;
    expect(roomFor(6)).not.to.equal(roomFor(30));
  });

  it('is nothing without a method that is known', () => {
    expect(askedOf(fitting, [], [])).to.equal(null);
  });
});

describe('seats that are judged while others still come', () => {
  it('are all known in the end, each judged once, in the order of all', async () => {
    const { jobs, judging } = desk();
    judging.want(asked, seats.slice(0, 5));
    judging.want(asked, seats.slice(0, 12));
    judging.want(asked, seats);
    expect(jobs.map((job) => job.names)).to.deep.equal([names(seats.slice(0, 5))]);
    await jobs[0]!.end();
    expect(jobs[1]!.names).to.deep.equal(names(seats.slice(5)));
    await jobs[1]!.end();
    expect(jobs).to.have.length(2);
    expect(rankingOf(seats, judging.now())).to.deep.equal(rank(asked, seats));
  });

  it('count what is done though only the first ones are told on the way, and never back', async () => {
    const { jobs, judging } = desk();
    const counts: number[] = [];
    judging.subscribe(() => counts.push(rankingOf(seats, judging.now()).done));
    judging.want(asked, seats.slice(0, 8));
    judging.want(asked, seats);
    for (const done of [3, 6]) jobs[0]!.tell(done);
    await jobs[0]!.end();
    jobs[1]!.tell(4);
    await jobs[1]!.end();
    expect(counts).to.include.members([3, 6, 8, 12, 20]);
    expect(counts).to.deep.equal(counts.toSorted((a, b) => a - b));
  });

  it('keep what was told of one as the same object: what shows it need not be drawn again', async () => {
    const { jobs, judging } = desk();
    judging.want(asked, seats);
    jobs[0]!.tell(9);
    const [first] = judging.now().rows.values();
    jobs[0]!.tell(12);
    await jobs[0]!.end();
    expect([...judging.now().rows.values()]).to.include(first);
  });

  it('are not judged again when a search leaves them out and takes them in again', async () => {
    const { jobs, judging } = desk();
    judging.want(asked, seats);
    await jobs[0]!.end();
    for (const some of [seats.slice(3, 5), [], seats]) {
      judging.want({ ...asked }, some);
      expect(rankingOf(some, judging.now())).to.deep.equal(rank(asked, some));
    }
    expect(jobs).to.have.length(1);
  });

  it('give way to a search that does not want all of them, and to another sitter, place or method', async () => {
    const { jobs, judging } = desk();
    judging.want(asked, seats);
    judging.want(asked, seats.slice(0, 2));
    expect(jobs.map((job) => job.isCancelled)).to.deep.equal([true, false]);
    const shorter = { ...asked, body: bodyWith({ ...ROUND, poplitealHeight: 380 }) };
    judging.want(shorter, seats.slice(0, 2));
    expect(jobs[1]!.isCancelled).to.equal(true);
    await jobs[1]!.end();
    expect(judging.now().rows.size).to.equal(0);
    await jobs[2]!.end();
    expect(rankingOf(seats.slice(0, 2), judging.now())).to.deep.equal(rank(shorter, seats.slice(0, 2)));
  });

  it('stay known when nobody looks any more, and go on from there', async () => {
    const { jobs, judging } = desk();
    judging.want(asked, seats.slice(0, 4));
    await jobs[0]!.end();
    judging.want(asked, seats);
    judging.leave();
    expect(jobs[1]!.isCancelled).to.equal(true);
    judging.want(asked, seats);
    expect(jobs[2]!.names).to.deep.equal(names(seats.slice(4)));
  });

  it('are told of as not to be judged here, once, until something else is wanted', async () => {
    const { jobs, judging } = desk();
    judging.want(asked, seats.slice(0, 3));
    await jobs[0]!.fail();
    expect(judging.now().isFailed).to.equal(true);
    judging.want(asked, seats);
    expect(jobs).to.have.length(1);
    judging.want({ ...asked, method: { ...asked.method, id: 'another' } }, seats);
    expect(judging.now().isFailed).to.equal(false);
    expect(jobs).to.have.length(2);
  });
});
