/** Labels on seats: what is printed on them, what they lead to, and what is reported by them. */
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { done, refused, type Outcome } from '../contract';
import type { LabelReport, PieceFilter, PieceSummary } from '../contract/pieces';
import type { SeatModel } from '../core/seat';
import { SEATS } from '../data/documents/kinds';
import {
  faultsOf,
  findPiece,
  insertFault,
  listPieces,
  pieceByToken,
  tokensOf,
  touchPiece,
} from '../data/pieces';
import { write, type Context } from './context';
import { forStrangers } from './for-strangers';
import { TOKEN, labelPath } from './random-token';
import { useCase } from './rights';
import { found } from './versions';

/** What a label needs. */
export interface Label {
  readonly tag: string;
  readonly seat: string;
  /** Where it leads; null without a public address. */
  readonly url: string | null;
}

/** Most that are read at once. */
const PAGE = 200;

/** Returns the labels of all that a filter lets through, by tag. */
export const labelsOf = useCase(
  'read',
  'piece',
  async (ctx: Context, filter: PieceFilter, most: number): Promise<Outcome<readonly Label[]>> => {
    const { db } = ctx.store;
    const { publicUrl } = ctx.practice;
    const labels: Label[] = [];
    let cursor: string | undefined;
    do {
      const page = await listPieces(db, filter, { limit: PAGE, cursor });
      if (page === 'unknownCursor') return refused('unexpected');
      const tokens =
        publicUrl === null
          ? new Map<string, string>()
          : await tokensOf(
              db,
              page.items.map((piece) => piece.id),
            );
      for (const { id, tag, seat } of page.items) {
        const token = tokens.get(id);
        const url = publicUrl !== null && token !== undefined ? publicUrl + labelPath(token) : null;
        labels.push({ tag, seat: seat.name, url });
      }
      cursor = page.next ?? undefined;
    } while (cursor !== undefined && labels.length < most);
    return done(labels.slice(0, most));
  },
);

/** What the label on a seat shows to whoever scans it: the seat, and whether nobody may sit on it. */
export interface LabelShown {
  readonly tag: string;
  readonly seat: SeatModel;
  readonly doNotUse: boolean;
}

/** Returns what a label leads to. */
export const labelled = useCase(
  'read',
  'label',
  async (ctx: Context, token: string): Promise<Outcome<LabelShown>> => {
    const { db } = ctx.store;
    const id = TOKEN.test(token) ? await pieceByToken(db, token) : null;
    const piece: PieceSummary | null = id === null ? null : await findPiece(db, id);
    if (!piece) return refused('notFound');
    const seat = await SEATS.newest(db, piece.seat.id);
    if (!seat) return refused('notFound');
    return done({ tag: piece.tag, seat: forStrangers(seat.document), doNotUse: piece.doNotUse });
  },
);

/** Returns the id of the record that a label belongs to, for whoever works here. */
export const pieceByLabel = useCase('read', 'piece', (ctx: Context, token: string) =>
  found(pieceByToken(ctx.store.db, token)),
);

/** Reports from labels: of one seat, and from one address, an hour. */
const OF_ONE = new RateLimiterMemory({ points: 6, duration: 3600 });
const FROM_ONE = new RateLimiterMemory({ points: 20, duration: 3600 });

/** @returns how long to wait instead, seconds; 0 where it may be reported */
async function waitFor(token: string, address: string | null): Promise<number> {
  const limits = [[OF_ONE, token] as const, ...(address === null ? [] : [[FROM_ONE, address] as const])];
  for (const [limit, key] of limits) {
    try {
      await limit.consume(key);
    } catch (refusal) {
      if (!(refusal instanceof RateLimiterRes)) throw refusal;
      return Math.max(1, Math.ceil(refusal.msBeforeNext / 1000));
    }
  }
  return 0;
}

/** Reports what is wrong by the label on a seat. What is reported already is not noted again. */
export const reportByLabel = useCase(
  'create',
  'label',
  async (ctx: Context, token: string, { kind, note }: LabelReport): Promise<Outcome<{ reported: true }>> => {
    const { db } = ctx.store;
    const id = TOKEN.test(token) ? await pieceByToken(db, token) : null;
    if (id === null) return refused('notFound');
    const retryAfterS = await waitFor(token, ctx.address);
    if (retryAfterS > 0) return refused('tooManyReports', { retryAfterS });
    return write(ctx, async (q) => {
      const standing = (await faultsOf(q, id)).filter((f) => f.mendedAt === null);
      if (!standing.some((f) => f.kind === kind && f.note === note)) {
        const at = ctx.now().toISOString();
        await insertFault(q, id, { id: ctx.newId(), kind, note, doNotUse: false, reportedBy: null }, at);
        await touchPiece(q, id, at);
      }
      return done({ reported: true });
    });
  },
);
