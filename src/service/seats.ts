/** Seats: found, read, entered, changed, checked and retired. */
import { done, refused, type Outcome, type SeatSummary } from '../contract';
import type { RecordState, SeatFacts, SeatFilter, SeatListing } from '../contract/catalogue';
import type { Page, PageRequest } from '../contract/paging';
import { seatDoubts, type SeatModel } from '../core/seat';
import type { Queries } from '../data/client';
import { SEATS } from '../data/documents/kinds';
import { searchSeats } from '../data/documents/seat-search';
import { pieceCounts } from '../data/pieces';
import type { Listing, Version } from '../data/documents/versioned';
import { sayCaseDoubt, word } from '../words';
import '../words/server';
import { write, type Context } from './context';
import { isEdited, type EditedVersion } from './edited';
import { pageFound } from './paging';
import { useCase } from './rights';
import { found, saveVersion } from './versions';

const listing = ({
  id,
  versionId,
  number,
  name,
  state,
  summary,
  fault,
}: Listing<SeatFacts>): SeatListing => ({
  id,
  versionId,
  version: number,
  name,
  state,
  facts: summary,
  fault,
});

async function pageOfListings(
  q: Queries,
  filter: SeatFilter,
  page: PageRequest,
  withDocuments: boolean,
): Promise<Page<SeatListing> | 'unknownCursor'> {
  const searched = await searchSeats(q, filter, page);
  if (searched === 'unknownCursor') return searched;
  const counts = await pieceCounts(
    q,
    searched.items.map((item) => item.id),
  );
  const items = searched.items.map((item) => {
    const tagged = counts.get(item.id);
    return { ...listing(item), ...(tagged && { tagged }) };
  });
  if (!withDocuments) return { ...searched, items };
  const read = await SEATS.read(
    q,
    items.map((item) => item.versionId),
  );
  return {
    ...searched,
    items: items.map((item) => {
      const seat = read.get(item.versionId)?.document;
      return seat ? { ...item, seat } : item;
    }),
  };
}

/** Lets through everything that is not retired, by name. */
export const EVERY_SEAT: SeatFilter = { search: '', sort: 'name', order: 'rising' };

/** Returns a page of the seats that a filter lets through. */
export const pageOfSeats = useCase(
  'read',
  'seat',
  (
    ctx: Context,
    filter: SeatFilter,
    page: PageRequest,
    withDocuments?: boolean,
  ): Promise<Outcome<Page<SeatListing>>> =>
    pageFound(pageOfListings(ctx.store.db, filter, page, withDocuments ?? false)),
);

/** Returns the newest version of every seat that can be read and is not retired, by name. */
export const allSeats = useCase('read', 'seat', async (ctx: Context) => {
  const { db } = ctx.store;
  const states = new Map((await SEATS.listings(db)).map((l) => [l.id, l.state]));
  const versions = await SEATS.all(db);
  return done(versions.map((v) => summaryOf(v, states.get(v.document.id) ?? 'draft')));
});

const summaryOf = (
  { versionId, number, savedAt, document }: Version<SeatModel>,
  state: RecordState,
): SeatSummary => ({
  versionId,
  version: number,
  state,
  savedAt,
  seat: document,
});

async function withState(q: Queries, version: Version<SeatModel>): Promise<SeatSummary> {
  const listed = await SEATS.listed(q, version.document.id);
  return summaryOf(version, listed?.state ?? 'draft');
}

/** Returns a seat by its own id (its newest version) or by the id of one of its versions. */
export const seatOf = useCase(
  'read',
  'seat',
  async (ctx: Context, id: string): Promise<Outcome<SeatSummary>> => {
    const version = await found(SEATS.find(ctx.store.db, id));
    return version.ok ? done(await withState(ctx.store.db, version.value)) : version;
  },
);

/** Returns every version of a seat that can be read, the newest first. */
export const seatVersionsOf = useCase(
  'read',
  'seat',
  async (ctx: Context, id: string): Promise<Outcome<readonly SeatSummary[]>> => {
    const { db } = ctx.store;
    const listed = await SEATS.listed(db, id);
    if (!listed) return refused('notFound');
    const versions = await SEATS.history(db, id);
    return done(versions.map((v) => summaryOf(v, listed.state)));
  },
);

/** Saves a seat: a new record, or a new version of one. Older fittings keep the version they point at. */
async function saveSeat(
  ctx: Context,
  seat: SeatModel,
  version: EditedVersion | null,
): Promise<Outcome<SeatSummary>> {
  const doubts = seatDoubts(seat);
  if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
  // What was checked was the version before; what is retired stays so.
  const isRetired = (await SEATS.listed(ctx.store.db, seat.id))?.state === 'retired';
  const answer = withState;
  return saveVersion(ctx, SEATS, { document: seat, version, answer, ...(!isRetired && { state: 'draft' }) });
}

/** Adds a seat. The same again gives the first record; the same id with other contents is refused. */
export const addSeat = useCase('create', 'seat', (ctx: Context, seat: SeatModel) =>
  saveSeat(ctx, seat, null),
);

/** Makes a new version of a seat. */
export const editSeat = useCase(
  'edit',
  'seat',
  (ctx: Context, id: string, version: EditedVersion, seat: SeatModel) =>
    seat.id === id ? saveSeat(ctx, seat, version) : OTHER_ID,
);

export const OTHER_ID = refused('invalid', {
  faults: [{ pointer: '/id', detail: word('field.otherId') }],
});

/** Says how far a seat has come. Whoever says so has seen its newest version. */
export const putSeatState = useCase(
  'edit',
  'seat',
  (ctx: Context, id: string, version: EditedVersion, state: RecordState) =>
    write(ctx, async (q): Promise<Outcome<SeatSummary>> => {
      const newest = await SEATS.newest(q, id);
      if (!newest) return refused('notFound');
      if (!isEdited(version, newest.number))
        return refused('changedMeanwhile', { current: await withState(q, newest) });
      await SEATS.putState(q, id, state, {
        at: ctx.now().toISOString(),
        by: ctx.actor.fitter?.name ?? null,
      });
      return done(await withState(q, newest));
    }),
);
