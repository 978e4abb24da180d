/** What is known of seats that are put in order: those judged so far are not judged again when others come or go. */
import type { FittingDetail, MethodSummary, OfferedSeat, PlaceSummary } from '../../contract';
import { makeInputs, workOf, type Work } from '../../core/fit';
import type { CaseWithoutSeat } from '../../core/rank';
import { byName, byRank, type RankedSeat, type Ranking, type RefusedSeat } from '../../core/rank/order';
import type { JobDesk } from '../../workers/desk';

type Asking = Pick<FittingDetail, 'people' | 'body' | 'place' | 'method' | 'inputs'> & Work;

/** What every seat is asked with: the sitter at this place after this method. */
export function askedOf(
  fitting: Asking,
  places: readonly PlaceSummary[],
  methods: readonly MethodSummary[],
): CaseWithoutSeat | null {
  const method =
    methods.find((m) => m.versionId === fitting.method.versionId)?.method ?? fitting.inputs?.method;
  if (!method) return null;
  const place = places.find((p) => p.versionId === fitting.place?.versionId)?.place ?? null;
  return makeInputs({
    ...fitting.people,
    body: fitting.body,
    place,
    method,
    work: workOf(fitting),
  });
}

/** By version of the seat. */
type Rows = ReadonlyMap<string, RankedSeat | RefusedSeat>;
const NO_ROWS: Rows = new Map();

/** Seats that are being judged, and how many of them are. */
interface UnderWay {
  readonly seats: readonly OfferedSeat[];
  readonly done: number;
}

/** What is known so far. */
export interface Judged {
  /** For whom, where and how. */
  readonly asked: CaseWithoutSeat | null;
  readonly rows: Rows;
  readonly underWay: UnderWay | null;
  /** This browser cannot. */
  readonly isFailed: boolean;
}
export const NOTHING_JUDGED: Judged = { asked: null, rows: NO_ROWS, underWay: null, isFailed: false };

/** Rows with what has come of some seats: what was there stays the same object. */
function withFound(rows: Rows, judged: readonly OfferedSeat[], found: Ranking): Rows {
  const versions = new Map(judged.map(({ seat, versionId }) => [seat.id, versionId]));
  const all = new Map(rows);
  for (const row of [...found.ranked, ...found.refused]) {
    const version = versions.get(row.seatId);
    if (version !== undefined && !all.has(version)) all.set(version, row);
  }
  return all;
}

/**
 * Judges seats some at a time: while the first are judged others may still come, and whoever is left out by a search is
 * known when they come back.
 */
export class Judging {
  private state = NOTHING_JUDGED;
  private key = '';
  private seats: readonly OfferedSeat[] = [];
  private batch: readonly OfferedSeat[] | null = null;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly desk: Pick<JobDesk, 'run' | 'cancel'>) {}

  readonly now = (): Judged => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Says what is to be known; what is under way goes on as long as all of it is wanted. */
  want(asked: CaseWithoutSeat | null, seats: readonly OfferedSeat[]): void {
    const key = JSON.stringify(asked);
    if (key !== this.key) this.leave();
    this.state = key === this.key ? { ...this.state, asked } : { ...NOTHING_JUDGED, asked };
    this.key = key;
    this.seats = seats;
    this.goOn();
  }

  /** Nobody looks any more: what is known stays known. */
  leave(): void {
    this.batch = null;
    this.desk.cancel();
  }

  private goOn(): void {
    const wanted = new Set(this.seats.map(({ versionId }) => versionId));
    const { asked, rows } = this.state;
    if (this.batch?.every(({ versionId }) => wanted.has(versionId))) return this.tell({});
    if (this.batch) this.leave();
    const next = asked ? this.seats.filter(({ versionId }) => !rows.has(versionId)) : [];
    this.tell({ underWay: null, isFailed: false });
    if (next.length > 0) this.start(asked!, next);
  }

  private start(asked: CaseWithoutSeat, batch: readonly OfferedSeat[]): void {
    this.batch = batch;
    const isCurrent = (): boolean => this.batch === batch;
    const rowsWith = (found: Ranking): Rows => withFound(this.state.rows, batch, found);
    this.desk
      .run('rank', { asked, seats: batch.map(({ seat }) => seat) }, (known) => {
        if (isCurrent()) this.tell({ rows: rowsWith(known), underWay: { seats: batch, done: known.done } });
      })
      .then(
        (found) => {
          if (!found || !isCurrent()) return;
          this.batch = null;
          this.state = { ...this.state, rows: rowsWith(found) };
          this.goOn();
        },
        // It is not tried again before something else is wanted.
        () => isCurrent() && this.tell({ isFailed: true }),
      );
  }

  private tell(news: Partial<Judged>): void {
    this.state = { ...this.state, ...news };
    for (const listener of this.listeners) listener();
  }
}

/** What is known of some seats, as a ranking of them. */
export function rankingOf(seats: readonly OfferedSeat[], { rows, underWay }: Judged): Ranking {
  const ranked: RankedSeat[] = [];
  const refused: RefusedSeat[] = [];
  for (const { versionId } of seats) {
    const row = rows.get(versionId);
    if (row && 'reasons' in row) refused.push(row);
    else if (row) ranked.push(row);
  }
  const told = ranked.length + refused.length;
  // Of those under way only the first ones have been told.
  const silent = underWay ? underWay.done - underWay.seats.filter((s) => rows.has(s.versionId)).length : 0;
  const done = told + Math.max(0, silent);
  return { count: seats.length, done, ranked: ranked.sort(byRank), refused: refused.sort(byName) };
}
