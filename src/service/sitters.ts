import { DIMENSIONS, rangeDoubt, type DimensionId } from '../core/body';
import { isBodyDimension, populationFor, reasonWanted } from '../core/population';
import type { Quantity } from '../core/quantity';
import {
  done,
  refused,
  type Deletion,
  type NewSitter,
  type Outcome,
  type ReadingEdit,
  type Sitter,
  type SitterDetail,
  type SitterEdit,
} from '../contract';
import type { Queries } from '../data/client';
import { openFittingsOf } from '../data/fittings';
import {
  bodyOf,
  findSitter,
  insertReading,
  insertSitter,
  listSitters,
  markSitter,
  updateSitter,
  withdrawReading,
} from '../data/sitters';
import { sayDoubt } from '../words';
import { ageOn, exactAgeOn, today, write, type Context } from './context';
import { deletionOf } from './deleting';
import { refreshInputs } from './inputs';
import { isTable, tableOf } from './sitter-table';

const OLDEST_YEARS = 120;

export const searchSitters = (ctx: Context, search: string): Promise<Sitter[]> =>
  listSitters(ctx.store.db, search);

async function detailOf(q: Queries, id: string): Promise<SitterDetail | null> {
  const sitter = await findSitter(q, id);
  return sitter ? { ...sitter, body: await bodyOf(q, id) } : null;
}

export async function sitterDetail(ctx: Context, id: string): Promise<Outcome<SitterDetail>> {
  const detail = await detailOf(ctx.store.db, id);
  return detail ? done(detail) : refused('notFound');
}

function birthDateFault(birthDate: string | null | undefined, today: string) {
  if (!birthDate) return null;
  const age = ageOn(birthDate, today);
  if (birthDate <= today && age <= OLDEST_YEARS) return null;
  return refused('invalid', {
    faults: [
      { pointer: '/birthDate', detail: `A birth date lies between today and ${OLDEST_YEARS} years ago.` },
    ],
  });
}

/** Creates a sitter; the same id again gives the first record, so that a lost answer does no harm. */
export async function createSitter(ctx: Context, sitter: NewSitter): Promise<Outcome<SitterDetail>> {
  const fault = birthDateFault(sitter.birthDate, today(ctx));
  if (fault) return fault;
  return write(ctx, async (q) => {
    if (!(await findSitter(q, sitter.id))) await insertSitter(q, sitter, ctx.now().toISOString());
    return done((await detailOf(q, sitter.id))!);
  });
}

/** @param version the version that was edited; another one now in the record is answered with that record */
export async function editSitter(
  ctx: Context,
  id: string,
  version: number,
  edit: SitterEdit,
): Promise<Outcome<SitterDetail>> {
  const fault = birthDateFault(edit.birthDate, today(ctx));
  if (fault) return fault;
  return write(ctx, async (q) => {
    const current = await detailOf(q, id);
    if (!current) return refused('notFound');
    if (current.version !== version) return refused('changedMeanwhile', { current });
    if (edit.tableId && !(await isTable(q, edit.tableId)))
      return refused('invalid', { faults: [{ pointer: '/tableId', detail: 'There is no such table.' }] });
    await updateSitter(q, id, edit, ctx.now().toISOString());
    await refreshOpen(ctx, q, id);
    return done((await detailOf(q, id))!);
  });
}

async function refreshOpen(ctx: Context, q: Queries, sitterId: string): Promise<void> {
  for (const fittingId of await openFittingsOf(q, sitterId)) await refreshInputs(ctx, q, fittingId);
}

/**
 * Takes a reading, or takes it back (`value` null), and brings every open fitting of the sitter up to date: one
 * act. A single reading's spread counts as half the repeat tolerance of its dimension (common practice).
 */
export async function takeReading(
  ctx: Context,
  sitterId: string,
  edit: ReadingEdit,
  takenBy: string | null,
): Promise<Outcome<SitterDetail>> {
  const { dimension, value } = edit;
  const doubt = value === null ? null : rangeDoubt(dimension, value);
  if (doubt) {
    const { lowest, highest, unit } = DIMENSIONS[dimension];
    return refused('invalid', {
      faults: [{ pointer: '/value', detail: `Between ${lowest} and ${highest} ${unit}.` }],
    });
  }
  return write(ctx, async (q) => {
    const current = await detailOf(q, sitterId);
    if (!current) return refused('notFound');
    const standing = current.body[dimension];
    if (edit.instead !== undefined && edit.instead !== (standing?.takenAt ?? null)) {
      // Taken meanwhile by somebody else; the same value needs no second reading.
      return standing?.value === (value ?? undefined)
        ? done(current)
        : refused('changedMeanwhile', { current });
    }
    const at = ctx.now().toISOString();
    await withdrawReading(q, sitterId, dimension, at);
    if (value !== null) {
      const quantity: Quantity = {
        value,
        basis: 'measured',
        spread: DIMENSIONS[dimension].repeatTolerance / 2,
        source: 'single reading',
        takenAt: at,
        takenBy,
        ...(edit.reason === undefined ? {} : { reason: edit.reason }),
      };
      const against =
        edit.reason === undefined ? await doubtAgainst(ctx, q, current, dimension, quantity) : null;
      if (against) return refused('invalid', { faults: [{ pointer: '/reason', detail: against }] });
      await insertReading(q, ctx.newId(), sitterId, dimension, quantity, at);
    }
    await updateSitter(q, sitterId, {}, at);
    await refreshOpen(ctx, q, sitterId);
    return done((await detailOf(q, sitterId))!);
  });
}

/** What the other measures say against a new one that nobody gave a reason for, in words; null where it may stand. */
async function doubtAgainst(
  ctx: Context,
  q: Queries,
  sitter: SitterDetail,
  dimension: DimensionId,
  quantity: Quantity,
): Promise<string | null> {
  if (!isBodyDimension(dimension)) return null;
  const ageYears = sitter.birthDate === null ? null : exactAgeOn(sitter.birthDate, today(ctx));
  const population = populationFor({ sex: sitter.sex, ageYears }, await tableOf(q, sitter));
  const doubt = population && reasonWanted(sitter.body, dimension, quantity, population);
  return doubt && sayDoubt(doubt);
}

/** Hides a sitter and the sitter's fittings at once; what it hides is erased when undoing is over. */
export function deleteSitter(ctx: Context, id: string): Promise<Outcome<Deletion>> {
  return write(ctx, async (q) => {
    const at = ctx.now();
    if (!(await markSitter(q, id, at.toISOString()))) return refused('notFound');
    return done(deletionOf(id, at));
  });
}

/** Takes a deletion back, as long as nothing has been erased. */
export function restoreSitter(ctx: Context, id: string): Promise<Outcome<SitterDetail>> {
  return write(ctx, async (q) => {
    if (!(await markSitter(q, id, null))) return refused('notFound');
    return done((await detailOf(q, id))!);
  });
}
