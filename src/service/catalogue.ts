/** Workstations, methods and fitters. */
import { methodDoubts } from '../core/fit';
import { SHIPPED_METHODS, type Method } from '../core/method';
import { PLACE_DOCUMENT, type Place } from '../core/place';
import { adjustmentDoubts, type SeatFault } from '../core/seat';
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
  type Unreadable,
} from '../contract';
import type { Page, PageRequest } from '../contract/paging';
import { isSameContent } from '../data/content';
import { METHODS, PLACES, TABLES_ADDED } from '../data/documents/kinds';
import type { Version, VersionedDocuments } from '../data/documents/versioned';
import { insertFitter, listFitters, updateHand } from '../data/fitters';
import { openFittingsByFitter } from '../data/fittings';
import { isEdited, type EditedVersion } from './edited';
import { refreshInputs } from './inputs';
import { pageFound, pageOf } from './paging';
import { useCase } from './rights';
import { OTHER_ID } from './seats';
import { sayCaseDoubt, word } from '../words';
import '../words/server';
import { write, type Context } from './context';
import { found, saveVersion } from './versions';

const placeSummary = ({ versionId, number, document }: Version<Place>): PlaceSummary => ({
  versionId,
  version: number,
  place: document,
});

const SHIPPED_IDS: readonly string[] = SHIPPED_METHODS.map((m) => m.id);

const methodSummary = ({ versionId, number, savedAt, document }: Version<Method>): MethodSummary => ({
  versionId,
  version: number,
  isOwn: !SHIPPED_IDS.includes(document.id),
  savedAt,
  method: document,
});

/** A page of records, each with its document; one that cannot be read has none, and says why. */
async function pageOfDocuments<T extends { readonly id: string; readonly name: string }, S, A>(
  ctx: Context,
  documents: VersionedDocuments<T, S>,
  request: PageRequest,
  answer: (version: Version<T>) => A,
): Promise<Outcome<Page<A | Unreadable>>> {
  const { db } = ctx.store;
  const page = await pageFound(documents.page(db, request));
  if (!page.ok) return page;
  const read = await documents.read(
    db,
    page.value.items.map((item) => item.versionId),
  );
  return done({
    ...page.value,
    items: page.value.items.map(({ id, versionId, number, name, fault }) => {
      const version = read.get(versionId);
      return version ? answer(version) : { id, versionId, version: number, name, fault: fault ?? '' };
    }),
  });
}

/** Returns a page of the newest version of every workstation. */
export const pageOfPlaces = useCase('read', 'place', (ctx: Context, page: PageRequest) =>
  pageOfDocuments(ctx, PLACES, page, placeSummary),
);
/** Returns the newest version of every workstation that can be read, by name. */
export const allPlaces = useCase('read', 'place', async (ctx: Context) =>
  done((await PLACES.all(ctx.store.db)).map(placeSummary)),
);
/** Returns a place by its own id (its newest version) or by the id of one of its versions. */
export const placeOf = useCase('read', 'place', async (ctx: Context, id: string) => {
  const version = await found(PLACES.find(ctx.store.db, id));
  return version.ok ? done(placeSummary(version.value)) : version;
});

export const pageOfMethods = useCase('read', 'method', (ctx: Context, page: PageRequest) =>
  pageOfDocuments(ctx, METHODS, page, methodSummary),
);
export const allMethods = useCase('read', 'method', async (ctx: Context) =>
  done((await METHODS.all(ctx.store.db)).map(methodSummary)),
);
/** Returns a method by its own id (its newest version) or by the id of one of its versions. */
export const methodOf = useCase('read', 'method', async (ctx: Context, id: string) => {
  const version = await found(METHODS.find(ctx.store.db, id));
  return version.ok ? done(methodSummary(version.value)) : version;
});

/** Returns what this version of the program cannot read, of one kind of records. */
async function unreadableOf<S>(
  ctx: Context,
  documents: Pick<VersionedDocuments<never, S>, 'listings'>,
): Promise<Outcome<Unreadable[]>> {
  const listed = await documents.listings(ctx.store.db);
  return done(
    listed.flatMap(({ id, versionId, number, name, fault }) =>
      fault === null ? [] : [{ id, versionId, version: number, name, fault }],
    ),
  );
}
export const unreadablePlaces = useCase('read', 'place', (ctx: Context) => unreadableOf(ctx, PLACES));
export const unreadableMethods = useCase('read', 'method', (ctx: Context) => unreadableOf(ctx, METHODS));
export const unreadableTables = useCase('read', 'table', (ctx: Context) => unreadableOf(ctx, TABLES_ADDED));

export const pageOfFitters = useCase('read', 'fitter', async (ctx: Context, page: PageRequest) =>
  pageOf(await listFitters(ctx.store.db), (f) => f.id, page),
);
export const allFitters = useCase('read', 'fitter', async (ctx: Context) =>
  done(await listFitters(ctx.store.db)),
);
export const fitterOf = useCase('read', 'fitter', async (ctx: Context, id: string) =>
  found(Promise.resolve((await listFitters(ctx.store.db)).find((f) => f.id === id) ?? null)),
);

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
  return saveVersion(ctx, PLACES, { document: place, version, answer: (_, saved) => placeSummary(saved) });
}

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

/** Returns every version of a method, the newest first. */
export const methodVersionsOf = useCase(
  'read',
  'method',
  async (ctx: Context, id: string): Promise<Outcome<MethodSummary[]>> => {
    const history = await METHODS.history(ctx.store.db, id);
    return history.length > 0 ? done(history.map(methodSummary)) : refused('notFound');
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
      faults: [{ pointer: '/id', detail: word('field.methodBuiltIn') }],
    });
  const doubts = methodDoubts(method);
  if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
  return saveVersion(ctx, METHODS, { document: method, version, answer: (_, saved) => methodSummary(saved) });
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
      const newest = await METHODS.newest(q, method.id);
      if (newest && isSameContent(newest.document, method)) continue;
      await METHODS.insert(q, {
        versionId: ctx.newId(),
        number: (newest?.number ?? 0) + 1,
        savedAt: ctx.now().toISOString(),
        document: method,
      });
    }
  });
}
