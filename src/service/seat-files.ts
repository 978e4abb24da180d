/** Seats as files, out and in. */
import { setImmediate as nextTurn } from 'node:timers/promises';
import { done, refused, type Outcome } from '../contract';
import {
  SEATS_FORMAT,
  SEATS_FORMAT_VERSION,
  type SeatCounts,
  type SeatImport,
  type SeatPart,
  type SeatPresence,
} from '../contract/seats-file';
import { seatsCsvHead, seatsCsvRow } from '../core/exchange/seats-csv';
import { seatDoubts, type SeatModel } from '../core/seat';
import type { Queries } from '../data/client';
import { isSameContent } from '../data/content';
import { SEATS } from '../data/documents/kinds';
import { UnreadableDocument } from '../data/documents/versioned';
import { countPart, findSeatImport, listSeatImports, markUndone, usedVersions } from '../data/seat-imports';
import { sayCaseDoubt, word } from '../words';
import '../words/server';
import { write, type Context } from './context';
import { useCase } from './rights';

/** Seats a page: between pages others are served. */
const PAGE = 100;

/** Every seat that can be read, retired ones too, some at a time. */
async function* allPages(ctx: Context): AsyncGenerator<SeatModel[]> {
  let cursor: string | undefined;
  do {
    const page = await SEATS.page(ctx.store.db, { cursor, limit: PAGE });
    if (page === 'unknownCursor') return;
    const read = await SEATS.read(
      ctx.store.db,
      page.items.map((item) => item.versionId),
    );
    yield page.items.flatMap((item) => read.get(item.versionId)?.document ?? []);
    await nextTurn();
    cursor = page.next ?? undefined;
  } while (cursor !== undefined);
}

async function* csvOf(ctx: Context): AsyncGenerator<string> {
  yield `\uFEFF${seatsCsvHead()}`;
  for await (const seats of allPages(ctx)) yield seats.map(seatsCsvRow).join('');
}

async function* jsonOf(ctx: Context): AsyncGenerator<string> {
  yield `{"format":"${SEATS_FORMAT}","version":${SEATS_FORMAT_VERSION},"exportedAt":"${ctx.now().toISOString()}","seats":[`;
  let before = '\n';
  for await (const seats of allPages(ctx))
    for (const seat of seats) {
      yield `${before}${JSON.stringify(seat)}`;
      before = ',\n';
    }
  yield '\n]}\n';
}

/** Returns the flat part of every seat as CSV. */
export const seatsCsv = useCase('read', 'seat', (ctx: Context) => done(csvOf(ctx)));
/** Returns every seat in full as JSON. */
export const seatsJson = useCase('read', 'seat', (ctx: Context) => done(jsonOf(ctx)));

async function presenceOf(q: Queries, seat: SeatModel): Promise<SeatPresence> {
  try {
    const newest = await SEATS.newest(q, seat.id);
    if (!newest) return 'new';
    return isSameContent(newest.document, seat) ? 'same' : 'differs';
  } catch (error) {
    if (error instanceof UnreadableDocument) return 'differs';
    throw error;
  }
}

/** Returns how seats of a file stand to those that are here; nothing is written. */
export const lookUpSeats = useCase(
  'read',
  'seat',
  async (ctx: Context, seats: readonly SeatModel[]): Promise<Outcome<{ found: SeatPresence[] }>> => {
    const { db } = ctx.store;
    const known = await SEATS.known(
      db,
      seats.map((seat) => seat.id),
    );
    const found: SeatPresence[] = [];
    for (const seat of seats) found.push(known.has(seat.id) ? await presenceOf(db, seat) : 'new');
    return done({ found });
  },
);

/** What comes in is a draft, and says with which import it came. */
const broughtIn = (ctx: Context, importId: string) => ({
  state: 'draft' as const,
  stateAt: ctx.now().toISOString(),
  stateBy: ctx.actor.fitter?.name ?? null,
  importId,
});

/** Takes in a seat of a file that is here already. */
async function insertVersion(
  ctx: Context,
  q: Queries,
  importId: string,
  seat: SeatModel,
  existing: SeatPart['existing'],
): Promise<keyof SeatCounts> {
  if ((await presenceOf(q, seat)) === 'same') return 'same';
  if (existing === 'leave') return 'left';
  const listed = await SEATS.listed(q, seat.id);
  const savedAt = ctx.now().toISOString();
  const version = { versionId: ctx.newId(), number: (listed?.number ?? 0) + 1, savedAt, document: seat };
  // What is retired stays so.
  await SEATS.insert(q, version, listed?.state === 'retired' ? { importId } : broughtIn(ctx, importId));
  return 'versions';
}

/**
 * Takes a part of a file in: all of it or, where one seat is wrong, nothing. Seats that are here with other contents
 * stay as they are unless a new version is asked for.
 */
export const importSeats = useCase('create', 'import', (ctx: Context, id: string, part: SeatPart) => {
  const ids = part.seats.map((seat) => seat.id);
  const faults = part.seats.flatMap((seat, i) => [
    ...(ids.indexOf(seat.id) < i ? [{ pointer: `/seats/${i}/id`, detail: word('field.idTwice') }] : []),
    ...seatDoubts(seat).map((doubt) => {
      const { pointer, detail } = sayCaseDoubt(doubt);
      return { pointer: `/seats/${i}${pointer}`, detail };
    }),
  ]);
  if (faults.length > 0) return refused('invalid', { faults });
  return write(ctx, async (q): Promise<Outcome<SeatCounts>> => {
    const known = await findSeatImport(q, id);
    if (known && known.undone !== null) return refused('importBegun');
    const counts = { created: 0, versions: 0, left: 0, same: 0 };
    const here = await SEATS.known(q, ids);
    const savedAt = ctx.now().toISOString();
    const fresh = part.seats.filter((seat) => !here.has(seat.id));
    await SEATS.insertNew(
      q,
      fresh.map((document) => ({ versionId: ctx.newId(), number: 1, savedAt, document })),
      broughtIn(ctx, id),
    );
    counts.created = fresh.length;
    for (const seat of part.seats)
      if (here.has(seat.id)) counts[await insertVersion(ctx, q, id, seat, part.existing)]++;
    const brought = {
      id,
      file: part.file,
      broughtBy: ctx.actor.fitter?.name ?? null,
      createdAt: ctx.now().toISOString(),
    };
    await countPart(q, brought, counts);
    return done(counts);
  });
});

/** Returns the latest imports of seats, the newest first. */
export const recentSeatImports = useCase('read', 'import', async (ctx: Context) =>
  done(await listSeatImports(ctx.store.db)),
);

/** Takes out again what an import brought, but for seats that a fitting uses, or that were changed since. */
export const undoSeatImport = useCase('delete', 'import', (ctx: Context, id: string) =>
  write(ctx, async (q): Promise<Outcome<SeatImport>> => {
    const known = await findSeatImport(q, id);
    if (!known) return refused('notFound');
    if (known.undone !== null) return done(known);
    const brought = await SEATS.broughtBy(q, id);
    const used = await usedVersions(
      q,
      brought.map((b) => b.versionId),
    );
    const free = brought.filter((b) => !used.has(b.versionId));
    for (const { id: seatId } of free) await SEATS.dropNewest(q, seatId);
    const { created, versions } = known.counts;
    await markUndone(q, id, free.length, created + versions - free.length);
    return done((await findSeatImport(q, id))!);
  }),
);
