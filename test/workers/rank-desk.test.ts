import { expect } from 'chai';
import { RANKING_DRAWS, drawsOf } from '../../src/core/certainty';
import { rankSeats, rankingInTurn, type CaseWithoutSeat, type Ranking } from '../../src/core/rank';
import { buildDemo } from '../../src/demo/build';
import type { RankJob } from '../../src/workers/jobs';
import { RankDesk } from '../../src/workers/rank-desk';
import { RIGHT_ANGLE, ROUND, bodyWith, inputsOf, placeWith, slides } from '../support/inputs';

const seats = buildDemo(9, new Date('2026-11-25T09:30:00Z'), { seats: 130 }).seats.map(({ seat }) => seat);
const asked: CaseWithoutSeat = inputsOf({
  body: bodyWith(ROUND),
  place: placeWith(slides(650, 800)),
  method: RIGHT_ANGLE,
});
const draws = drawsOf(asked.body, RANKING_DRAWS);

interface Share {
  readonly names: readonly string[];
  readonly hear: (known: Ranking) => void;
  readonly end: () => void;
  readonly fail: () => void;
  readonly leave: () => void;
  isLeft: boolean;
}

/** Desks that are told when to go on, by the order in which they were asked. */
function withDesks(workers: number) {
  const shares: Share[] = [];
  let made = 0;
  const newDesk = () => {
    made++;
    const own: Share[] = [];
    return {
      run: ((_: 'rank', { asked: by, seats: some }: RankJob, hear: (known: Ranking) => void) =>
        new Promise<Ranking | null>((resolve, reject) => {
          const share: Share = {
            names: some.map(({ name }) => name),
            hear,
            end: () => resolve(rankSeats(by, some, draws)),
            fail: () => reject(new Error('the worker failed')),
            leave: () => {
              share.isLeft = true;
              resolve(null);
            },
            isLeft: false,
          };
          own.push(share);
          shares.push(share);
        })) as never,
      cancel: () => own.forEach(({ leave }) => leave()),
    };
  };
  return { desk: new RankDesk(workers, newDesk), shares, made: () => made };
}

describe('seats put in order by several workers', () => {
  it('are each judged by one of them, and come in the order of all', async () => {
    const { desk, shares } = withDesks(2);
    const found = desk.run({ asked, seats }, () => undefined);
    expect(shares.flatMap(({ names }) => names).sort()).to.deep.equal(seats.map(({ name }) => name).sort());
    expect(shares.map(({ names }) => names.length)).to.deep.equal([65, 65]);
    shares.forEach(({ end }) => end());
    const all = (await found)!;
    const alone = rankSeats(asked, seats, draws);
    expect(all).to.deep.equal(alone);
    expect(alone.refused).not.to.be.empty;
  });

  it('are told of while others are still judged, counted together', async () => {
    const { desk, shares } = withDesks(2);
    const told: Ranking[] = [];
    const found = desk.run({ asked, seats }, (known) => told.push(known));
    const [first, second] = [0, 1].map((hand) => seats.filter((_, i) => i % 2 === hand));
    const afterTen = [...rankingInTurn(asked, first!.slice(0, 11), draws)][9]!;
    shares[0]!.hear({ ...afterTen, count: first!.length });
    expect(told[0]).to.include({ count: 130, done: 10 });
    expect(told[0]!.ranked).to.deep.equal(afterTen.ranked);
    const whole = rankSeats(asked, second!, draws);
    shares[1]!.hear(whole);
    expect(told[1]).to.include({ count: 130, done: 75 });
    expect(told[1]!.refused).to.deep.equal(whole.refused);
    shares.forEach(({ end }) => end());
    await found;
  });

  it('are judged by one alone where they are few', async () => {
    const { desk, shares, made } = withDesks(4);
    const few = seats.slice(0, 99);
    const found = desk.run({ asked, seats: few }, () => undefined);
    expect(made()).to.equal(1);
    shares[0]!.end();
    expect(await found).to.deep.equal(rankSeats(asked, few, draws));
  });

  it('come to nothing once others are asked for', async () => {
    const { desk, shares } = withDesks(2);
    const left = desk.run({ asked, seats }, () => undefined);
    shares[1]!.end();
    desk.cancel();
    expect(await left).to.equal(null);
    // Of those that judged the last ones one is not needed any more: it is told so.
    const many = desk.run({ asked, seats }, () => undefined);
    const few = desk.run({ asked, seats: seats.slice(0, 20) }, () => undefined);
    shares[2]!.leave();
    shares[4]!.end();
    expect(await many).to.equal(null);
    expect((await few)!.count).to.equal(20);
  });

  it('fail where one worker fails, and nobody goes on', async () => {
    const { desk, shares } = withDesks(2);
    const found = desk.run({ asked, seats }, () => undefined);
    shares[0]!.fail();
    const failed = await found.catch((error: unknown) => String(error));
    expect(failed).to.match(/the worker failed/);
    expect(shares[1]!.isLeft).to.equal(true);
  });
});
