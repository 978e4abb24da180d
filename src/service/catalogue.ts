import { methodDoubts } from '../core/fit';
import { SHIPPED_METHODS, type Method } from '../core/method';
import { adjustmentDoubts, type SeatFault, type SeatModel } from '../core/seat';
import {
  done,
  refused,
  type Fitter,
  type Hand,
  type MethodSummary,
  type Outcome,
  type PlaceEdit,
  type PlaceSummary,
  type SeatSummary,
} from '../contract';
import {
  findSeatVersion,
  insertMethodVersion,
  insertPlaceVersion,
  listMethods,
  listPlaces,
  listSeats,
  methodHistory,
  newestMethodOf,
  newestPlaceOf,
} from '../data/catalogue';
import { insertFitter, listFitters, openFittingsByFitter, updateHand } from '../data/fittings';
import { refreshInputs } from './inputs';
import { sayCaseDoubt } from '../words';
import { write, type Context } from './context';

export const allSeats = (ctx: Context): Promise<SeatSummary[]> => listSeats(ctx.store.db);
export const seatOf = (ctx: Context, versionId: string): Promise<SeatModel | null> =>
  findSeatVersion(ctx.store.db, versionId);
export const allPlaces = (ctx: Context): Promise<PlaceSummary[]> => listPlaces(ctx.store.db);
export const allMethods = (ctx: Context): Promise<MethodSummary[]> => listMethods(ctx.store.db);
export const allFitters = (ctx: Context): Promise<Fitter[]> => listFitters(ctx.store.db);

export async function fitterName(ctx: Context, id: string | null): Promise<string | null> {
  return (await listFitters(ctx.store.db)).find((f) => f.id === id)?.name ?? null;
}

export const addFitter = (ctx: Context, fitter: Fitter): Promise<Outcome<Fitter>> =>
  write(ctx, async (q) => {
    await insertFitter(q, fitter, ctx.now().toISOString());
    return done(fitter);
  });

/** Keeps a fitter's hand, and brings the open fittings that are measured with it up to date: one act. */
export const saveHand = (ctx: Context, id: string, hand: Hand): Promise<Outcome<Fitter>> =>
  write(ctx, async (q) => {
    if (!(await updateHand(q, id, hand))) return refused('notFound');
    for (const fittingId of await openFittingsByFitter(q, id)) await refreshInputs(ctx, q, fittingId);
    return done((await listFitters(q)).find((f) => f.id === id)!);
  });

const FAULT_TEXT: Partial<Record<SeatFault, string>> = {
  reversedRange: 'The highest position lies below the lowest.',
  outOfRange: 'Nothing of this kind stands at this height.',
  notRising: 'The heights must rise.',
  tooManyPositions: 'The range is too long for its steps.',
};

/** Saves a place: a new record, or a new version of one. Older fittings keep the version they point at. */
export async function savePlace(
  ctx: Context,
  edit: PlaceEdit,
  version: number | null,
): Promise<Outcome<PlaceSummary>> {
  const { desk, screen, footrest, ...rest } = edit;
  const parts = Object.entries({ desk, screen, footrest }).flatMap(([name, part]) =>
    part ? [{ name, part }] : [],
  );
  const place = { ...rest, adjustments: parts.map(({ part }) => part) };
  const doubts = adjustmentDoubts(place.adjustments, '/adjustments');
  if (doubts.length > 0)
    return refused('invalid', {
      faults: doubts.map((d) => ({
        pointer: d.field.replace(/^\/adjustments\/(\d+)/, (_, at: string) => `/${parts[Number(at)]!.name}`),
        detail: FAULT_TEXT[d.reason] ?? d.reason,
      })),
    });
  return write(ctx, async (q) => {
    const current = await newestPlaceOf(q, edit.id);
    if (current && version === null) return done(current);
    if (current && current.version !== version) return refused('changedMeanwhile', { current });
    if (!current && version !== null) return refused('notFound');
    const next: PlaceSummary = { versionId: ctx.newId(), version: (current?.version ?? 0) + 1, place };
    await insertPlaceVersion(q, next.versionId, next.version, place, ctx.now().toISOString());
    return done(next);
  });
}

/** Every version of a method, the newest first. */
export async function methodVersionsOf(ctx: Context, id: string): Promise<Outcome<MethodSummary[]>> {
  const history = await methodHistory(ctx.store.db, id);
  return history.length > 0 ? done(history) : refused('notFound');
}

/**
 * Saves a method of the practice's own: a new one, or a new version of one. Older fittings keep the version they point
 * at. One that comes with the program is copied under a new id.
 * @param version that was edited; null for a new method, where the same id again gives the first
 */
export async function saveMethod(
  ctx: Context,
  method: Method,
  version: number | null,
): Promise<Outcome<MethodSummary>> {
  if (SHIPPED_METHODS.some((m) => m.id === method.id))
    return refused('invalid', {
      faults: [{ pointer: '/id', detail: 'A method that comes with the program is copied, not changed.' }],
    });
  const doubts = methodDoubts(method);
  if (doubts.length > 0) return refused('invalid', { faults: doubts.map(sayCaseDoubt) });
  return write(ctx, async (q) => {
    const current = await newestMethodOf(q, method.id);
    if (current && version === null) return done(current);
    if (current && current.version !== version) return refused('changedMeanwhile', { current });
    if (!current && version !== null) return refused('notFound');
    const number = (current?.version ?? 0) + 1;
    await insertMethodVersion(q, ctx.newId(), number, method, ctx.now().toISOString());
    return done((await newestMethodOf(q, method.id))!);
  });
}

/** Makes sure that the methods that come with the program are there, in their newest wording. */
export async function ensureShippedMethods(ctx: Context): Promise<void> {
  await ctx.store.write(async (q) => {
    for (const method of SHIPPED_METHODS) {
      const newest = await newestMethodOf(q, method.id);
      if (newest && JSON.stringify(newest.method) === JSON.stringify(method)) continue;
      await insertMethodVersion(q, ctx.newId(), (newest?.version ?? 0) + 1, method, ctx.now().toISOString());
    }
  });
}
