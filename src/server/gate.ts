/** Signing in with one passphrase, for a practice that listens beyond its own machine. */
import {
  createHash,
  createHmac,
  randomBytes,
  scrypt,
  timingSafeEqual,
  type ScryptOptions,
} from 'node:crypto';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

export const COOKIES = { session: 'velto-session', device: 'velto-device' } as const;
/** How long a session lasts, and how long a device that has signed in is known, seconds. */
export const SESSION_S = 12 * 3600;
export const DEVICE_S = 90 * 24 * 3600;

/** Wrong guesses of one guesser: a few at once, then a wait; and so many an hour. */
const AT_ONCE = { points: 5, duration: 60, blockDuration: 15 };
const AN_HOUR = { points: 30, duration: 3600, blockDuration: 900 };
const MOST_SESSIONS = 1000;
/** So many guesses may wait; the one that has waited longest goes without an answer then. */
const MOST_WAITING = 32;
/** A guess waits a moment for later ones: of a flood at once the last comes first, too. */
const GATHER_MS = 25;
/** When to try again where too many were waiting, seconds. */
const BUSY_S = 1;

/** scrypt with 64 MB: a guess costs about a fifth of a second. */
const COST = { N: 2 ** 16, r: 8, p: 1, maxmem: 128 * 2 ** 20 };
const KEY_BYTES = 32;

const derive = (passphrase: string, salt: Buffer, cost: ScryptOptions): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(passphrase.normalize('NFKC'), salt, KEY_BYTES, cost, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  );
const digest = (token: string): string => createHash('sha256').update(token).digest('base64');

export interface Guesser {
  /** Of the connection; of the client where a named proxy says so. */
  readonly address: string;
  /** Cookie of a device that has signed in before: it does not suffer from what others guess at its address. */
  readonly device: string | undefined;
}

export type SignIn =
  | { readonly token: string; readonly device: string }
  | { readonly refused: 'wrongPassphrase' }
  | { readonly refused: 'tooManyTries' | 'busy'; readonly retryAfterS: number };

interface Waiting {
  readonly start: () => void;
  readonly drop: () => void;
}

/**
 * One derivation at a time: two would slow each other, and everything else on a small machine. The newest goes first,
 * so that a flood of old guesses keeps nobody waiting longer than the one that runs.
 */
class Derivations {
  private isRunning = false;
  private waiting: Waiting[] = [];

  constructor(private readonly gatherMs: number) {}

  /** @returns null where it was dropped because too many were waiting */
  async run<T>(work: () => Promise<T>): Promise<T | null> {
    const isOn = await new Promise<boolean>((resolve) => {
      this.waiting.push({ start: () => resolve(true), drop: () => resolve(false) });
      if (this.waiting.length > MOST_WAITING) this.waiting.shift()?.drop();
      if (this.gatherMs === 0) this.next();
      else setTimeout(() => this.next(), this.gatherMs);
    });
    if (!isOn) return null;
    try {
      return await work();
    } finally {
      this.isRunning = false;
      this.next();
    }
  }

  private next(): void {
    const newest = this.isRunning ? undefined : this.waiting.pop();
    if (!newest) return;
    this.isRunning = true;
    newest.start();
  }
}

export class Gate {
  private readonly sessions = new Map<string, number>();
  private readonly limits = [new RateLimiterMemory(AT_ONCE), new RateLimiterMemory(AN_HOUR)];
  private readonly derivations: Derivations;
  private readonly secret = randomBytes(32);

  private constructor(
    private readonly salt: Buffer,
    private readonly key: Buffer,
    private readonly cost: ScryptOptions,
    gatherMs: number,
  ) {
    this.derivations = new Derivations(gatherMs);
  }

  /**
   * @param cost of looking at one guess, and `gatherMs` until it is looked at; only tests that look at many make
   * either less
   */
  static async make(passphrase: string, cost: ScryptOptions = COST, gatherMs = GATHER_MS): Promise<Gate> {
    const salt = randomBytes(16);
    return new Gate(salt, await derive(passphrase, salt, cost), cost, gatherMs);
  }

  /** Returns whether this token belongs to a session that still runs. */
  isOpen(token: string | undefined): boolean {
    if (!token) return false;
    const until = this.sessions.get(digest(token));
    return until !== undefined && until > Date.now();
  }

  /** Tries a passphrase. A guess counts before it is looked at, so that many at once are no more than one by one. */
  async signIn(guesser: Guesser, passphrase: string): Promise<SignIn> {
    const known = this.knownDevice(guesser.device);
    const who = known ? `device ${known}` : `address ${guesser.address}`;
    const retryAfterS = await this.count(who);
    if (retryAfterS > 0) return { refused: 'tooManyTries', retryAfterS };
    const derived = await this.derivations.run(() => derive(passphrase, this.salt, this.cost));
    if (!derived) return { refused: 'busy', retryAfterS: BUSY_S };
    if (!timingSafeEqual(derived, this.key)) return { refused: 'wrongPassphrase' };
    await Promise.all(this.limits.map((limit) => limit.delete(who)));
    const token = randomBytes(32).toString('base64url');
    if (this.sessions.size >= MOST_SESSIONS) this.sessions.delete(this.sessions.keys().next().value!);
    this.sessions.set(digest(token), Date.now() + SESSION_S * 1000);
    return { token, device: this.deviceCookie(known ?? randomBytes(16).toString('base64url')) };
  }

  end(token: string | undefined): void {
    if (token) this.sessions.delete(digest(token));
  }

  /** Counts a guess. @returns how long to wait instead, seconds; 0 where it may be looked at */
  private async count(who: string): Promise<number> {
    for (const limit of this.limits) {
      try {
        await limit.consume(who);
      } catch (refusal) {
        if (!(refusal instanceof RateLimiterRes)) throw refusal;
        return Math.max(1, Math.ceil(refusal.msBeforeNext / 1000));
      }
    }
    return 0;
  }

  private sign(id: string): string {
    return createHmac('sha256', this.secret).update(id).digest('base64url');
  }

  private deviceCookie(id: string): string {
    return `${id}.${this.sign(id)}`;
  }

  private knownDevice(cookie: string | undefined): string | null {
    const [id = '', signature = ''] = (cookie ?? '').split('.');
    const [given, wanted] = [Buffer.from(signature), Buffer.from(this.sign(id))];
    return given.length === wanted.length && timingSafeEqual(given, wanted) ? id : null;
  }
}

/** Returns a cookie of a `Cookie` header. */
export function cookieOf(header: string | undefined, name: string): string | undefined {
  const pair = (header ?? '').split(/;\s*/).find((p) => p.startsWith(`${name}=`));
  return pair?.slice(name.length + 1);
}
