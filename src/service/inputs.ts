import type { Body } from '../core/body';
import { makeInputs, workOf, type FitInputs } from '../core/fit';
import { filledBody } from '../core/population';
import { feltBody } from '../core/walk';
import type { Sitter } from '../contract';
import type { Queries } from '../data/client';
import { METHODS, PLACES, SEATS } from '../data/documents/kinds';
import { UnreadableDocument } from '../data/documents/versioned';
import { listFitters } from '../data/fitters';
import { findFitting, openFittingsOf, updateFitting, type FittingRow } from '../data/fittings';
import { bodyOf, findSitter } from '../data/sitters';
import { feltOf, type FeltRow } from '../data/walks';
import { ageOn, exactAgeOn, today, type Context } from './context';
import { tableOf } from './sitter-table';

/** What a fitting is computed with: the readings that hold and, where they are wanted, estimates marked as such. */
export async function bodyForFitting(
  ctx: Context,
  q: Queries,
  fitting: Pick<FittingRow, 'estimateMissing'>,
  sitter: Sitter,
): Promise<Body> {
  const body = await bodyOf(q, sitter.id);
  const felt = await feltOf(q, sitter.id);
  if (!fitting.estimateMissing) return withFelt(body, felt);
  const ageYears = sitter.birthDate === null ? null : exactAgeOn(sitter.birthDate, today(ctx));
  return withFelt(filledBody(body, { sex: sitter.sex, ageYears }, await tableOf(q, sitter)), felt);
}

/** What was felt counts beside what was measured, until somebody measures again. */
const withFelt = (body: Body, felt: readonly FeltRow[]): Body =>
  feltBody(
    body,
    felt.filter(({ dimension, takenAt }) => !((body[dimension]?.takenAt ?? '') > takenAt)),
  );

/**
 * Returns everything that a fitting is calculated from, as it stands now; null until a seat is chosen. Where a version
 * that it points at cannot be read, its own copy is kept.
 */
export async function composeInputs(
  ctx: Context,
  q: Queries,
  fitting: FittingRow,
): Promise<FitInputs | null> {
  try {
    return await composed(ctx, q, fitting);
  } catch (error) {
    if (error instanceof UnreadableDocument && fitting.inputs) return fitting.inputs;
    throw error;
  }
}

async function composed(ctx: Context, q: Queries, fitting: FittingRow): Promise<FitInputs | null> {
  if (fitting.seatVersionId === null || fitting.sitterId === null) return null;
  const seat = await SEATS.byVersion(q, fitting.seatVersionId);
  const method = await METHODS.byVersion(q, fitting.methodVersionId);
  const place = fitting.placeVersionId === null ? null : await PLACES.byVersion(q, fitting.placeVersionId);
  const sitter = await findSitter(q, fitting.sitterId);
  if (!seat || !method || !sitter) return null;
  return makeInputs({
    ...(await peopleOf(ctx, q, fitting, sitter)),
    body: await bodyForFitting(ctx, q, fitting, sitter),
    seat: seat.document,
    place: place && place.document,
    method: method.document,
    work: workOf(fitting),
  });
}

/** What a fitting takes from who sits there and who checks by hand, with or without a seat. */
export async function peopleOf(
  ctx: Context,
  q: Queries,
  fitting: Pick<FittingRow, 'fitterId'>,
  sitter: Sitter,
): Promise<Pick<FitInputs, 'sitter' | 'fitterHandMm'>> {
  return {
    sitter: { ageYears: sitter.birthDate === null ? null : ageOn(sitter.birthDate, today(ctx)) },
    fitterHandMm: await handOf(q, fitting.fitterId),
  };
}

/** The hand that some methods measure with; absent where nobody measured it. */
async function handOf(q: Queries, fitterId: string | null): Promise<FitInputs['fitterHandMm']> {
  const hand = (await listFitters(q)).find((f) => f.id === fitterId)?.hand;
  if (hand?.threeFingersMm == null && hand?.fourFingersMm == null) return undefined;
  return { 3: hand.threeFingersMm ?? undefined, 4: hand.fourFingersMm ?? undefined };
}

/** Writes the inputs of a fitting again after something they are made of has changed; settings stay until solved anew. */
export async function refreshInputs(ctx: Context, q: Queries, fittingId: string): Promise<void> {
  const fitting = await findFitting(q, fittingId);
  if (!fitting || fitting.state !== 'open') return;
  await updateFitting(
    q,
    fittingId,
    { inputs: await composeInputs(ctx, q, fitting) },
    ctx.now().toISOString(),
  );
}

/** Brings every open fitting of a sitter up to date. */
export async function refreshOpen(ctx: Context, q: Queries, sitterId: string): Promise<void> {
  for (const fittingId of await openFittingsOf(q, sitterId)) await refreshInputs(ctx, q, fittingId);
}
