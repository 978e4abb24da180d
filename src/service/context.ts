import { v7 } from 'uuid';
import { refused, type Outcome } from '../contract';
import type { FitFound, FitQuestion, RankQuestion } from '../core/answer';
import type { Ranking } from '../core/rank';
import { findAnswer, insertAnswer } from '../data/answers';
import type { Queries } from '../data/client';
import type { Store } from '../data/store';
import { IN_PLACE } from './in-place';
import { PROGRAM, type Actor } from './rights';

/** Where the practice is: its local dates and the way it writes numbers and dates. */
export interface Practice {
  readonly timeZone: string;
  readonly locale: string;
  /** In which prices are given, as ISO 4217 names it. */
  readonly currency: string;
  /** Where browsers find the program from elsewhere, without a slash at its end; null where nobody said. */
  readonly publicUrl: string | null;
}

/** Of a case that somebody waits for who can do without it: how long it may wait for its turn, and how long it may take, ms. */
export interface Urgency {
  readonly patienceMs: number;
  readonly limitMs: number;
}

/** Where cases brought from outside are computed: in threads beside the server, or where they are asked. */
export interface Compute {
  readonly fit: (question: FitQuestion, urgency?: Urgency) => Promise<Outcome<FitFound>>;
  readonly rank: (question: RankQuestion) => Promise<Outcome<Ranking>>;
}

/** What use cases are handed: the data, the time, new ids and who asks. They know no HTTP. */
export interface Context {
  readonly store: Store;
  readonly now: () => Date;
  readonly newId: () => string;
  readonly practice: Practice;
  readonly actor: Actor;
  /** Of the connection that the request came by; null where the program acts by itself. */
  readonly address: string | null;
  readonly compute: Compute;
  /** The key of the request, where it has one, and a fingerprint of what it asks. */
  readonly request: { readonly key: string; readonly fingerprint: string } | null;
}

/** The clock of the program; `VELTO_NOW` stops it for tests and pictures. */
export function systemClock(): () => Date {
  const fixed = process.env.VELTO_NOW;
  if (fixed === undefined || fixed === '') return () => new Date();
  const at = new Date(fixed);
  if (Number.isNaN(at.getTime())) throw new Error(`VELTO_NOW is not an instant: ${fixed}`);
  return () => new Date(at);
}

/**
 * The practice of the machine's surroundings: `VELTO_TIME_ZONE` (else the machine's), `VELTO_LOCALE` (else en-GB) and
 * `VELTO_CURRENCY` (else GBP); `VELTO_PUBLIC_URL` where it has an address of its own.
 */
export function practiceOf(env: Readonly<Record<string, string | undefined>>): Practice {
  const timeZone = env.VELTO_TIME_ZONE || new Intl.DateTimeFormat().resolvedOptions().timeZone;
  const locale = env.VELTO_LOCALE || 'en-GB';
  const currency = env.VELTO_CURRENCY || 'GBP';
  try {
    new Intl.DateTimeFormat(locale, { timeZone });
  } catch {
    throw new Error(`VELTO_TIME_ZONE or VELTO_LOCALE is not known: ${timeZone}, ${locale}`);
  }
  try {
    new Intl.NumberFormat(locale, { style: 'currency', currency });
  } catch {
    throw new Error(`VELTO_CURRENCY is not known: ${currency}`);
  }
  const publicUrl = env.VELTO_PUBLIC_URL?.replace(/\/+$/, '') || null;
  return { timeZone, locale, currency, publicUrl };
}

/** The context of the program itself; a request narrows it to who asks. */
export const contextOf = (store: Store, compute: Compute = IN_PLACE): Context => ({
  store,
  compute,
  now: systemClock(),
  newId: () => v7(),
  practice: practiceOf(process.env),
  actor: PROGRAM,
  address: null,
  request: null,
});

/** Ends a transaction without writing: its outcome was a refusal, or its key has been used. */
class TakenBack extends Error {
  constructor(readonly outcome: Outcome<never> | 'keyUsed') {
    super('taken back');
  }
}

async function takenBack<T>(run: Promise<T>): Promise<T | TakenBack> {
  try {
    return await run;
  } catch (error) {
    if (error instanceof TakenBack) return error;
    throw error;
  }
}

/**
 * Runs one act in one transaction; one that is refused writes nothing. A request with a key gets its first answer
 * again, which is kept in the same transaction as what the act wrote: it happened whole, once, or not at all.
 */
export async function write<T>(
  ctx: Context,
  act: (q: Queries) => Promise<Outcome<T>>,
  /** Of an act after which something must not be found in the file any more. */
  isErasing = false,
): Promise<Outcome<T>> {
  const { request, store } = ctx;
  const run: Store['write'] = (work) => (isErasing ? store.erase(work) : store.write(work));
  const keep = async (q: Queries, outcome: Outcome<unknown>): Promise<void> => {
    if (!request) return;
    const answer = { fingerprint: request.fingerprint, outcome };
    if (!(await insertAnswer(q, request.key, answer, ctx.now().toISOString())))
      throw new TakenBack('keyUsed');
  };
  const done = await takenBack(
    run(async (q) => {
      const outcome = await act(q);
      if (!outcome.ok) throw new TakenBack(outcome);
      await keep(q, outcome);
      return outcome;
    }),
  );
  if (!(done instanceof TakenBack)) return done;
  if (request) {
    const first = await findAnswer(store.db, request.key);
    if (first)
      return first.fingerprint === request.fingerprint ? (first.outcome as Outcome<T>) : refused('keyReused');
  }
  // Nothing with this key yet, so it was refused.
  const refusal = done.outcome as Outcome<never>;
  await takenBack(store.write((q) => keep(q, refusal)));
  return refusal;
}

/** Making one takes far longer than using it. */
const clocks = new Map<string, Intl.DateTimeFormat>();
const ISO_DATE = 'YYYY-MM-DD'.length;

/** The clock of a time zone. Swedish writes dates and times as ISO 8601 does, but for the T. */
function clockOf(timeZone: string): Intl.DateTimeFormat {
  const known = clocks.get(timeZone);
  const clock =
    known ?? new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'medium' });
  clocks.set(timeZone, clock);
  return clock;
}

/** The local date of an instant in a time zone, ISO 8601. */
export function localDate(at: Date, timeZone: string): string {
  return clockOf(timeZone).format(at).slice(0, ISO_DATE);
}

const HOUR_MS = 3_600_000;

/** The instant of noon of a local date in a time zone: where only the day of something is known. */
export function localNoon(date: string, timeZone: string): string {
  const noon = Date.parse(`${date}T12:00:00Z`);
  // What the clocks there show at noon of the world tells how far they are from it.
  const shown = Date.parse(`${clockOf(timeZone).format(noon).replace(' ', 'T')}Z`);
  return new Date(
    noon - Math.round((shown - noon) / HOUR_MS / QUARTER_H) * QUARTER_H * HOUR_MS,
  ).toISOString();
}
/** Time zones differ by quarters of an hour. */
const QUARTER_H = 0.25;

/** The date of today where the practice is. */
export const today = (ctx: Pick<Context, 'now' | 'practice'>): string =>
  localDate(ctx.now(), ctx.practice.timeZone);

const DAYS_PER_YEAR = 365.25;
const DAY_MS = 86_400_000;

/** Years from a birth date to a date with their fraction, both ISO 8601 local dates. */
export const exactAgeOn = (birthDate: string, date: string): number =>
  (Date.parse(date) - Date.parse(birthDate)) / DAY_MS / DAYS_PER_YEAR;

/** Whole years from a birth date to a date, both ISO 8601 local dates. */
export function ageOn(birthDate: string, date: string): number {
  const years = Number(date.slice(0, 4)) - Number(birthDate.slice(0, 4));
  return date.slice(5) < birthDate.slice(5) ? years - 1 : years;
}
