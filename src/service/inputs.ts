import { makeInputs, type FitInputs } from '../core/fit';
import { findMethodVersion, findPlaceVersion, findSeatVersion } from '../data/catalogue';
import type { Queries } from '../data/client';
import { findFitting, updateFitting, type FittingRow } from '../data/fittings';
import { bodyOf, findSitter } from '../data/sitters';
import { ageOn, localDate } from './context';

/** Everything a fitting is computed from, as it stands now; null until a seat is chosen. */
export async function composeInputs(q: Queries, fitting: FittingRow, now: Date): Promise<FitInputs | null> {
  if (fitting.seatVersionId === null) return null;
  const seat = await findSeatVersion(q, fitting.seatVersionId);
  const method = await findMethodVersion(q, fitting.methodVersionId);
  const sitter = await findSitter(q, fitting.sitterId);
  if (!seat || !method || !sitter) return null;
  return makeInputs({
    sitter: { ageYears: sitter.birthDate === null ? null : ageOn(sitter.birthDate, localDate(now)) },
    body: await bodyOf(q, fitting.sitterId),
    seat,
    place: fitting.placeVersionId === null ? null : await findPlaceVersion(q, fitting.placeVersionId),
    method,
    work: { toolsKg: fitting.toolsKg },
  });
}

/** Writes the inputs of a fitting again after something they are made of has changed. */
export async function refreshInputs(q: Queries, fittingId: string, now: Date): Promise<void> {
  const fitting = await findFitting(q, fittingId);
  if (!fitting || fitting.state !== 'open') return;
  await updateFitting(q, fittingId, { inputs: await composeInputs(q, fitting, now) }, now.toISOString());
}
