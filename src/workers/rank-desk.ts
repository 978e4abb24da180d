/** Seats put in order by several workers: each judges its share, and what they find is told as one. */
import type { Ranking } from '../core/rank';
import { joinedRankings } from '../core/rank/order';
import { JobDesk } from './desk';
import type { RankJob } from './jobs';

/** More workers than this gain little, and each keeps the whole program in memory. */
const MOST_WORKERS = 4;
/** For fewer seats starting another worker takes longer than it saves. */
const FEWEST_SEATS = 50;

type Desk = Pick<JobDesk, 'run' | 'cancel'>;

/** Seats dealt out one by one, so that long and short ones are shared evenly. */
const dealt = <T>(all: readonly T[], hands: number): readonly (readonly T[])[] =>
  Array.from({ length: hands }, (_, hand) => all.filter((_, i) => i % hands === hand));

const NOTHING_FOUND = { done: 0, ranked: [], refused: [] };

export class RankDesk {
  private readonly desks: Desk[] = [];

  /** @param workers as many as may run at a time; usually one for each core */
  constructor(
    private readonly workers = Math.min(MOST_WORKERS, globalThis.navigator?.hardwareConcurrency ?? 1),
    private readonly newDesk: () => Desk = () => new JobDesk(),
  ) {}

  /**
   * Puts seats in order in place of whatever is under way.
   * @param onProgress hears what is known so far of all of them
   * @returns all of them; null where another took its place, or it was cancelled
   * @throws where a worker cannot be started or fails
   */
  async run({ asked, seats }: RankJob, onProgress: (known: Ranking) => void): Promise<Ranking | null> {
    const count = Math.max(1, Math.min(this.workers, Math.floor(seats.length / FEWEST_SEATS)));
    while (this.desks.length < count) this.desks.push(this.newDesk());
    for (const desk of this.desks.slice(count)) desk.cancel();
    const shares = dealt(seats, count);
    const known: Ranking[] = shares.map(({ length }) => ({ ...NOTHING_FOUND, count: length }));
    const found = shares.map(async (share, i) => {
      const hear = (of: Ranking): void => {
        known[i] = of;
        onProgress(joinedRankings(known));
      };
      const all = await this.desks[i]!.run('rank', { asked, seats: share }, hear);
      if (all) known[i] = all;
      return all;
    });
    try {
      const all = await Promise.all(found);
      return all.some((share) => share === null) ? null : joinedRankings(known);
    } catch (error) {
      this.cancel();
      throw error;
    }
  }

  cancel(): void {
    for (const desk of this.desks) desk.cancel();
  }
}
