/** Signing in with one passphrase, for a practice that listens beyond its own machine. */
import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

export const SESSION_COOKIE = 'velto-session';
/** How long a session lasts, seconds. */
export const SESSION_S = 12 * 3600;

/** Wrong tries an address has before it must wait. */
const FREE_TRIES = 5;
/** First wait after those, doubled with every further wrong try up to the longest, ms. */
const FIRST_WAIT_MS = 15_000;
const LONGEST_WAIT_MS = 15 * 60_000;
const MOST_ADDRESSES = 10_000;
const MOST_SESSIONS = 1000;

/** scrypt with 64 MB: a guess costs about a fifth of a second. */
const COST = { N: 2 ** 16, r: 8, p: 1, maxmem: 128 * 2 ** 20 };
const KEY_BYTES = 32;

const derive = (passphrase: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(passphrase.normalize('NFKC'), salt, KEY_BYTES, COST, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  );
const digest = (token: string): string => createHash('sha256').update(token).digest('base64');

interface Tries {
  readonly wrong: number;
  readonly notBefore: number;
}

export type SignIn = { readonly token: string } | { readonly refused: 'wrongPassphrase' | 'tooManyTries' };

export class Gate {
  private readonly sessions = new Map<string, number>();
  private readonly tries = new Map<string, Tries>();
  /** One derivation at a time: many at once would take the machine's memory. */
  private tail: Promise<unknown> = Promise.resolve();

  private constructor(
    private readonly salt: Buffer,
    private readonly key: Buffer,
    private readonly now: () => number,
  ) {}

  static async make(passphrase: string, now: () => number = () => Date.now()): Promise<Gate> {
    const salt = randomBytes(16);
    return new Gate(salt, await derive(passphrase, salt), now);
  }

  /** Whether this token belongs to a session that still runs. */
  isOpen(token: string | undefined): boolean {
    if (!token) return false;
    const until = this.sessions.get(digest(token));
    return until !== undefined && until > this.now();
  }

  /** Tries a passphrase from an address. A wrong one counts before the next is looked at. */
  signIn(address: string, passphrase: string): Promise<SignIn> {
    const attempt = () => this.tryOnce(address, passphrase);
    const result = this.tail.then(attempt, attempt);
    this.tail = result.catch(() => undefined);
    return result;
  }

  private async tryOnce(address: string, passphrase: string): Promise<SignIn> {
    const before = this.tries.get(address) ?? { wrong: 0, notBefore: 0 };
    if (before.notBefore > this.now()) return { refused: 'tooManyTries' };
    if (!timingSafeEqual(await derive(passphrase, this.salt), this.key)) {
      const wrong = before.wrong + 1;
      const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (wrong - FREE_TRIES));
      if (this.tries.size >= MOST_ADDRESSES) this.tries.delete(this.tries.keys().next().value!);
      this.tries.set(address, { wrong, notBefore: wrong >= FREE_TRIES ? this.now() + wait : 0 });
      return { refused: 'wrongPassphrase' };
    }
    this.tries.delete(address);
    const token = randomBytes(32).toString('base64url');
    if (this.sessions.size >= MOST_SESSIONS) this.sessions.delete(this.sessions.keys().next().value!);
    this.sessions.set(digest(token), this.now() + SESSION_S * 1000);
    return { token };
  }

  end(token: string | undefined): void {
    if (token) this.sessions.delete(digest(token));
  }
}

/** The session's token in a `Cookie` header. */
export function sessionToken(header: string | undefined): string | undefined {
  const pair = (header ?? '').split(/;\s*/).find((p) => p.startsWith(`${SESSION_COOKIE}=`));
  return pair?.slice(SESSION_COOKIE.length + 1);
}
