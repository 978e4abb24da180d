import { methodDoubts } from '../core/fit';
import { SHIPPED_METHODS, type Method } from '../core/method';
import { PLACE_DOCUMENT } from '../core/place';
import { adjustmentDoubts, seatDoubts, type SeatFault, type SeatModel } from '../core/seat';
import {
  done,
  refused,
  type Fitter,
  type Hand,
  type NewFitter,
  type MethodSummary,
  type Outcome,
  type PlaceEdit,
  type PlaceSummary,
  type SeatSummary,
} from '../contract';
import {
  findMethod,
  findPlace,
  findSeat,
  insertMethodVersion,
  insertPlaceVersion,
  insertSeatVersion,
  listMethods,
  listPlaces,
  listSeats,
  methodHistory,
  newestMethodOf,
  newestPlaceOf,
  newestSeatOf,
} from '../data/catalogue';
import { insertFitter, listFitters, openFittingsByFitter, updateHand } from '../data/fittings';
import { isSameContent } from '../data/content';
import { isEdited, type EditedVersion } from './edited';
import { refreshInputs } from './inputs';
import { pageOf } from './paging';
import { useCase } from './rights';
import type { PageRequest } from '../contract/paging';
import { sayCaseDoubt } from '../words';
import { write, type Context } from './context';
import { saveVersion } from './versions';

/** Returns a page of the newest version of every seat. */
export const pageOfSeats = useCase('read', 'seat', async (ctx: Context, page: PageRequest) =>
  pageOf(await listSeats(ctx.store.db), (s) => s.versionId, page),
);

/** Returns the newest version of every seat. */
export const allSeats = useCase('read', 'seat', async (ctx: Context) => done(await listSeats(ctx.store.db)));

/** Returns a seat by its own id (its newest version) or by the id of one of its versions. */
export const seatOf = useCase('read', 'seat', async (ctx: Context, id: string) =>
  foundOr404(await findSeat(ctx.store.db, id)),
);

export const pageOfPlaces = useCase('read', 'place', async (ctx: Context, page: PageRequest) =>
  pageOf(await listPlaces(ctx.store.db), (p) => p.versionId, page),
);
export const allPlaces = useCase('read', 'place', async (ctx: Context) =>
  done(await listPlaces(ctx.store.db)),
);
/** Returns a place by its own id (its newest version) or by the id of one of its versions. */
export const placeOf = useCase('read', 'place', async (ctx: Context, id: string) =>
  foundOr404(await findPlace(ctx.store.db, id)),
);

export const pageOfMethods = useCase('read', 'method', async (ctx: Context, page: PageRequest) =>
  pageOf(await listMethods(ctx.store.db), (m) => m.versionId, page),
);
export const allMethods = useCase('read', 'method', async (ctx: Context) =>
  done(await listMethods(ctx.store.db)),
);
/** Returns a method by its own id (its newest version) or by the id of one of its versions. */
export const methodOf = useCase('read', 'method', async (ctx: Context, id: string) =>
  foundOr404(await findMethod(ctx.store.db, id)),
);

export const pageOfFitters = useCase('read', 'fitter', async (ctx: Context, page: PageRequest) =>
  pageOf(await listFitters(ctx.store.db), (f) => f.id, page),
);
export const allFitters = useCase('read', 'fitter', async (ctx: Context) =>
  done(await listFitters(ctx.store.db)),
);
export const fitterOf = useCase('read', 'fitter', async (ctx: Context, id: string) =>
  foundOr404((await listFitters(ctx.store.db)).find((f) => f.id === id) ?? null),
);

const foundOr404 = <T>(found: T | null): Outcome<T> => (found === null ? refused('notFound') : done(found));

/** Adds a fitter. The same again gives the first record; the same id with another name is refused. */
export const addFitter = useCase('create', 'fitter', (ctx: Context, fitter: NewFitter) =>
  write(ctx, async (q): Promise<Outcome<Fitter>> => {
    const known = (await listFitters(q)).find((f) => f.id === fitter.id);
    if (known) return known.name === fitter.name ? done(known) : refused('idInUse', { current: known });
    await insertFitter(q, fitter, ctx.now().toISOString());
    return done((await listFitters(q)).find((f) => f.id === fitter.id)!);
  }),
);

/** Keeps a fitter's hand, and brings the open fittings that are measured with it up to date: one act. */
export const saveHand = useCase(
  'edit',
  'fitter',
  (ctx: Context, id: string, version: EditedVersion, hand: Hand) =>
    write(ctx, async (q): Promise<Outcome<Fitter>> => {
      const current = (await listFitters(q)).find((f) => f.id === id);
      if (!current) return refused('notFound');
      if (!isEdited(version, current.version)) return refused('changedMeanwhile', { current });
      await updateHand(q, id, hand);
      for (const fittingId of await openFittingsByFitter(q, id)) await refreshInputs(ctx, q, fittingId);
      return done((await listFitters(q)).find((f) => f.id === id)!);
    }),
);

const FAULT_TEXT: Partial<Record<SeatFault, string>> = {
  reversedRange: 'The highest position lies below the lowest.',
  outOfRange: 'Nothing of this kind stands at this height.',
  notRising: 'The heights must rise.',
  tooManyPositions: 'The range is too long for its steps.',
};

/** Saves a place: a new record, or a new version of one. Older fittings keep the version they point at. */
async function savePlaceVersion(
  ctx: Context,
  edit: PlaceEdit,
  version: EditedVersion | null,
): Promise<Outcome<PlaceSummary>> {
  const { desk, screen, footrest, ...rest } = edit;
  const parts = Object.entries({ desk, screen, footrest }).flatMap(([name, part]) =>
    part ? [{ name, part }] : [],
  );
  const place = { schema: PLACE_DOCUMENT, ...rest, adjustments: parts.map(({ part }) => part) };
  const doubts = adjustmentDoubts(place.adjustments, '/adjustments');
  if (doubts.length > 0)
    return refused('invalid', {
      faults: doubts.map((d) => ({
        pointer: d.field.replace(/^\/adjustments\/(\d+)/, (_, at: string) => `/${parts[Number(at)]!.name}`),
        detail: FAULT_TEXT[d.reason] ?? d.reason,
      })),
    });
  return saveVersion(ctx, version, {
    newest: (q) => newestPlaceOf(q, edit.id),
    isSame: (newest) => isSameContent(newest.place, place),
    insert: async (q, versionId, number, at) => {
      await insertPlaceVersion(q, versionId, number, place, at);
      return { versionId, version: number, place };
    },
  });
}

/** Saves a seat: a new record, or a new version of one. Older fittings keep the version they point at. */
async function saveSeatVersion(
  ctx: Context,
  seat: SeatModel,
  version: EditedVersion | null,
): Promise<Outcome<SeatSummary>> {
  const doubts = seatDoubts(seat);
  if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
  return saveVersion(ctx, version, {
    newest: (q) => newestSeatOf(q, seat.id),
    isSame: (newest) => isSameContent(newest.seat, seat),
    insert: async (q, versionId, number, at) => {
      await insertSeatVersion(q, versionId, number, seat, at);
      return { versionId, version: number, seat };
    },
  });
}

/** Adds a seat. The same again gives the first record; the same id with other contents is refused. */
export const addSeat = useCase('create', 'seat', (ctx: Context, seat: SeatModel) =>
  saveSeatVersion(ctx, seat, null),
);
/** Makes a new version of a seat. */
export const editSeat = useCase(
  'edit',
  'seat',
  (ctx: Context, id: string, version: EditedVersion, seat: SeatModel) =>
    seat.id === id ? saveSeatVersion(ctx, seat, version) : OTHER_ID,
);

/** Adds a place. The same again gives the first record; the same id with other contents is refused. */
export const addPlace = useCase('create', 'place', (ctx: Context, edit: PlaceEdit) =>
  savePlaceVersion(ctx, edit, null),
);
/** Makes a new version of a place. */
export const editPlace = useCase(
  'edit',
  'place',
  (ctx: Context, id: string, version: EditedVersion, edit: PlaceEdit) =>
    edit.id === id ? savePlaceVersion(ctx, edit, version) : OTHER_ID,
);

const OTHER_ID = refused('invalid', {
  faults: [{ pointer: '/id', detail: 'This is the id of another record than the one in the address.' }],
});

/** Returns every version of a method, the newest first. */
export const methodVersionsOf = useCase(
  'read',
  'method',
  async (ctx: Context, id: string): Promise<Outcome<MethodSummary[]>> => {
    const history = await methodHistory(ctx.store.db, id);
    return history.length > 0 ? done(history) : refused('notFound');
  },
);

/**
 * Saves a method of the practice's own: a new one, or a new version of one. Older fittings keep the version they point
 * at. One that comes with the program is copied under a new id.
 * @param version that was edited; null for a new method, where the same id again gives the first
 */
async function saveMethodVersion(
  ctx: Context,
  method: Method,
  version: EditedVersion | null,
): Promise<Outcome<MethodSummary>> {
  if (SHIPPED_METHODS.some((m) => m.id === method.id))
    return refused('invalid', {
      faults: [{ pointer: '/id', detail: 'A method that comes with the program is copied, not changed.' }],
    });
  const doubts = methodDoubts(method);
  if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
  return saveVersion(ctx, version, {
    newest: (q) => newestMethodOf(q, method.id),
    isSame: (newest) => isSameContent(newest.method, method),
    insert: async (q, versionId, number, at) => {
      await insertMethodVersion(q, versionId, number, method, at);
      return (await newestMethodOf(q, method.id))!;
    },
  });
}

/** Adds a custom method. The same again gives the first record; the same id with other contents is refused. */
export const addMethod = useCase('create', 'method', (ctx: Context, method: Method) =>
  saveMethodVersion(ctx, method, null),
);
/** Makes a new version of a custom method. */
export const editMethod = useCase(
  'edit',
  'method',
  (ctx: Context, id: string, version: EditedVersion, method: Method) =>
    method.id === id ? saveMethodVersion(ctx, method, version) : OTHER_ID,
);

/** Makes sure that the built-in methods are there as this program has them; one that has not changed makes no version. */
export async function ensureShippedMethods(ctx: Context): Promise<void> {
  await ctx.store.write(async (q) => {
    for (const method of SHIPPED_METHODS) {
      const newest = await newestMethodOf(q, method.id);
      if (newest && isSameContent(newest.method, method)) continue;
      await insertMethodVersion(q, ctx.newId(), (newest?.version ?? 0) + 1, method, ctx.now().toISOString());
    }
  });
}
