/** Turns at something that only so many can use at once: who waits is bounded, and whoever is urgent goes first. */

interface Waiting {
  readonly isUrgent: boolean;
  readonly start: () => void;
}

export class Turns {
  private running = 0;
  private waiting: Waiting[] = [];

  constructor(
    private readonly places: number,
    private readonly mostWaiting: number,
  ) {}

  /**
   * Waits for a turn; whoever got one ends it.
   * @param patienceMs how long an urgent one waits; absent: as long as it takes
   * @returns false where too many are waiting, or the wait was too long
   */
  take(patienceMs?: number): Promise<boolean> {
    if (this.running < this.places) {
      this.running++;
      return Promise.resolve(true);
    }
    const isUrgent = patienceMs !== undefined;
    if (!isUrgent && this.waiting.filter((w) => !w.isUrgent).length >= this.mostWaiting)
      return Promise.resolve(false);
    return new Promise((resolve) => {
      const one: Waiting = {
        isUrgent,
        start: () => {
          clearTimeout(timer);
          resolve(true);
        },
      };
      const leave = () => {
        this.waiting = this.waiting.filter((w) => w !== one);
        resolve(false);
      };
      const timer = isUrgent ? setTimeout(leave, patienceMs) : undefined;
      const urgent = this.waiting.filter((w) => w.isUrgent);
      const others = this.waiting.filter((w) => !w.isUrgent);
      this.waiting = isUrgent ? [...urgent, one, ...others] : [...urgent, ...others, one];
    });
  }

  /** Hands the turn on. */
  end(): void {
    const next = this.waiting.shift();
    if (next) next.start();
    else this.running--;
  }
}
