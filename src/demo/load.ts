import type { Queries } from '../data/client';
import { METHODS, PLACES, SEATS } from '../data/documents/kinds';
import { insertFitter } from '../data/fitters';
import { insertFitting, updateFitting } from '../data/fittings';
import { DIMENSIONS } from '../core/body';
import { seatDoubts } from '../core/seat';
import { settleTakes } from '../core/measuring';
import { insertSession } from '../data/measuring';
import { insertFault, insertPieces, putUsers, updateFault, updatePiece } from '../data/pieces';
import { insertReading, insertSitter, listSitters, withdrawReading } from '../data/sitters';
import { localDate, type Context } from '../service/context';
import { actOnFitting, editFitting } from '../service/fittings';
import { refreshInputs } from '../service/inputs';
import { newToken } from '../service/random-token';
import { HOW_SAID } from '../service/sitters';
import { buildDemo, type DemoRecords } from './build';

const SEED = 20261;
const DAY_MS = 86_400_000;

/** Fills an empty database with the demo records; false where it holds something already. */
export async function loadDemo(ctx: Context): Promise<boolean> {
  const { db } = ctx.store;
  const sitters = await listSitters(db, '', { limit: 1 });
  if ((await SEATS.listings(db)).length > 0 || sitters === 'unknownCursor' || sitters.total > 0) return false;
  const demo = buildDemo(SEED, ctx.now());
  await ctx.store.write((q) => insertAll(q, demo, ctx));
  for (const sitter of demo.sitters) {
    if (!sitter.fitting) continue;
    const solved = await actOnFitting(ctx, sitter.fitting.id, FITTING_VERSION_AFTER_LOAD, { act: 'solve' });
    if (!solved.ok) throw new Error(`demo fitting not solved: ${solved.reason}`);
    await signOff(ctx, demo, sitter.fitting, solved.value.version);
  }
  return true;
}

/** Signs off what was left on a seat with a tag, on its day. */
async function signOff(
  ctx: Context,
  demo: DemoRecords,
  { id, at, signedOffOn }: NonNullable<DemoRecords['sitters'][number]['fitting']>,
  version: number,
): Promise<void> {
  if (signedOffOn === undefined) return;
  const then: Context = { ...ctx, now: () => at, actor: { kind: 'fitter', fitter: demo.fitters[0]! } };
  const pieceId = demo.pieces.find((piece) => piece.tag === signedOffOn)!.id;
  const named = await editFitting(then, id, version, { pieceId });
  const left = named.ok ? await actOnFitting(then, id, named.value.version, { act: 'signOff' }) : named;
  if (!left.ok) throw new Error(`demo fitting not signed off: ${left.reason}`);
}

/** Made (1), seat and place chosen (2), inputs written (3). */
const FITTING_VERSION_AFTER_LOAD = 3;

async function insertAll(q: Queries, demo: DemoRecords, ctx: Context): Promise<void> {
  const at = ctx.now().toISOString();
  for (const fitter of demo.fitters) await insertFitter(q, fitter, at);
  for (const { versionId, seat } of demo.seats) {
    const [doubt] = seatDoubts(seat);
    if (doubt) throw new Error(`seat ${seat.name}: ${doubt.reason} at ${doubt.field}`);
    await SEATS.insert(q, { versionId, number: 1, savedAt: at, document: seat });
  }
  for (const { versionId, place } of demo.places)
    await PLACES.insert(q, { versionId, number: 1, savedAt: at, document: place });
  for (const [i, sitter] of demo.sitters.entries())
    await insertOne(q, demo, sitter, demo.fitters[i % demo.fitters.length]!, ctx);
  for (const piece of demo.pieces) await insertTagged(q, demo, piece, ctx);
}

/** A seat that stands somewhere, with its faults. */
async function insertTagged(
  q: Queries,
  demo: DemoRecords,
  { id, tag, notes = '', faultIds, ...piece }: DemoRecords['pieces'][number],
  ctx: Context,
): Promise<void> {
  const ago = (days: number) => new Date(ctx.now().getTime() - days * DAY_MS).toISOString();
  const by = demo.fitters[0]!.name;
  const placeId = piece.place === null ? null : demo.places[piece.place]!.place.id;
  await insertPieces(
    q,
    [{ id, tag, token: newToken(), seatId: demo.seats[piece.seat]!.seat.id, placeId, notes }],
    ago(0),
  );
  const { lookedDaysAgo, isAway = false } = piece;
  const look =
    lookedDaysAgo === undefined
      ? {}
      : {
          lastLookOn: localDate(new Date(ago(lookedDaysAgo)), ctx.practice.timeZone),
          lastLookBy: by,
        };
  await updatePiece(q, id, { isAway, ...look }, ago(0));
  await putUsers(
    q,
    id,
    piece.users.map((i) => demo.sitters[i]!.id),
  );
  for (const [i, fault] of (piece.faults ?? []).entries()) {
    const { kind, note, doNotUse = false, isByLabel = false, daysAgo, mendedDaysAgo } = fault;
    const faultId = faultIds[i]!;
    const reportedBy = isByLabel ? null : by;
    await insertFault(q, id, { id: faultId, kind, note, doNotUse, reportedBy }, ago(daysAgo));
    if (mendedDaysAgo !== undefined)
      await updateFault(q, faultId, { mendedAt: ago(mendedDaysAgo), mendedBy: by });
  }
}

async function insertTaken(
  q: Queries,
  sitterId: string,
  { id, dimension, value, takes }: DemoRecords['sitters'][number]['readings'][number],
  takenBy: string,
  sessionId: string | null,
  at: string,
): Promise<void> {
  const { spread, how } = settleTakes(dimension, takes ?? [value])!;
  const quantity = {
    value,
    basis: 'measured' as const,
    spread,
    source: HOW_SAID[how],
    takenAt: at,
    takenBy,
    instrument: DIMENSIONS[dimension].unit === 'kg' ? 'scale' : 'tape',
  };
  await insertReading(q, id, sitterId, dimension, quantity, at, { sessionId, takes });
}

async function insertOne(
  q: Queries,
  demo: DemoRecords,
  sitter: DemoRecords['sitters'][number],
  fitter: { id: string; name: string },
  ctx: Context,
): Promise<void> {
  const at = (sitter.fitting?.at ?? ctx.now()).toISOString();
  const day = (instant: Date) => localDate(instant, ctx.practice.timeZone);
  const { earlier, taken, consentBy } = sitter;
  const began = earlier?.at ?? sitter.fitting?.at ?? ctx.now();
  await insertSitter(
    q,
    {
      id: sitter.id,
      name: sitter.name,
      birthDate: sitter.birthDate,
      sex: sitter.sex,
      // Of whom nothing was measured nobody has asked.
      consentOn: sitter.readings.length > 0 ? day(began) : null,
      consentBy,
    },
    began.toISOString(),
  );
  const sessions = [
    ...(earlier ? [{ ...earlier, at: earlier.at }] : []),
    ...(taken ? [{ ...taken, at: sitter.fitting?.at ?? ctx.now() }] : []),
  ];
  for (const { id, at: startedAt, clothes, notes, shoesOn = false } of sessions)
    await insertSession(q, {
      id,
      sitterId: sitter.id,
      date: day(startedAt),
      takenBy: fitter.name,
      shoesOn,
      clothes,
      notes,
      startedAt: startedAt.toISOString(),
    });
  if (earlier)
    for (const reading of earlier.readings) {
      await insertTaken(q, sitter.id, reading, fitter.name, earlier.id, earlier.at.toISOString());
      if (sitter.readings.some((r) => r.dimension === reading.dimension))
        await withdrawReading(q, sitter.id, reading.dimension, at);
    }
  for (const reading of sitter.readings)
    await insertTaken(q, sitter.id, reading, fitter.name, taken?.id ?? null, at);
  if (!sitter.fitting) return;
  const { id, seat, place, method, toolsKg, postures = [] } = sitter.fitting;
  const methodVersionId = (await METHODS.newest(q, method))?.versionId;
  if (!methodVersionId) throw new Error(`no method ${method}`);
  await insertFitting(
    q,
    {
      id,
      sitterId: sitter.id,
      fitterId: fitter.id,
      methodVersionId,
      date: localDate(sitter.fitting.at, ctx.practice.timeZone),
      estimateMissing: sitter.fitting.estimateMissing ?? false,
    },
    at,
  );
  await updateFitting(
    q,
    id,
    {
      seatVersionId: demo.seats[seat]!.versionId,
      placeVersionId: place === null ? null : demo.places[place]!.versionId,
      toolsKg,
      postures: postures.map((posture) => ({ ...posture, settings: null })),
    },
    at,
  );
  await refreshInputs(ctx, q, id);
}
