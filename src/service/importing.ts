/** Taking people and their readings in from a file: gathered part by part, decided on once, then carried through. */
import { DIMENSIONS, rangeDoubt } from '../core/body';
import { personFaults, type PersonFault } from '../core/exchange';
import { Id, done, refused, type FieldFault, type Outcome } from '../contract';
import { type ImportOrder, type ImportState, type Look, type Looked } from '../contract/importing';
import { plainReading, valuesOf, type ImportPart, type PartPerson } from '../contract/people-file';
import type { Queries } from '../data/client';
import { writeMany } from '../data/exchange';
import {
  countParts,
  dropImport,
  dropPiece,
  findImport,
  importsBefore,
  insertImport,
  nextPiece,
  putPart,
  unfinishedImports,
  updateImport,
  type ImportRow,
  type Piece,
} from '../data/imports';
import { today, write, type Context } from './context';
import { PieceWriter, Register } from './piece-writer';
import { refreshOpen } from './sitters';

/** Whether people from a file are here already; nothing is written. */
export async function lookUp(ctx: Context, { people }: Look): Promise<Outcome<Looked>> {
  const register = await Register.of(ctx.store.db, people, null);
  return done({ found: people.map((person) => register.find(person).presence) });
}

const NO_COUNTS: ImportState['counts'] = { created: 0, added: 0, left: 0, readings: 0, refused: [] };

async function stateOf(q: Queries, { id, state, counts }: ImportRow): Promise<ImportState> {
  return { id, state, counts, waiting: (await countParts(q, id)).pieces };
}

export async function importState(ctx: Context, id: string): Promise<Outcome<ImportState>> {
  const row = await findImport(ctx.store.db, id);
  return row ? done(await stateOf(ctx.store.db, row)) : refused('notFound');
}

const PLAIN_PATH = /^readings\/\d+/;

/** What plain readings have in common is looked at once, on one that is in range. */
function faultsIn(person: PartPerson, day: string): Pick<PersonFault, 'path' | 'reason' | 'value'>[] {
  const { plain } = person;
  if (!plain) return personFaults(person, day);
  const values = valuesOf(plain);
  const off = values.filter(([id, value]) => rangeDoubt(id, value) !== null);
  const common = values.slice(0, 1).map(([id]) => plainReading(plain, id, DIMENSIONS[id].lowest));
  return [
    ...personFaults({ ...person, readings: common }, day).map((fault) => ({
      ...fault,
      path: fault.path.replace(PLAIN_PATH, 'plain'),
    })),
    ...off.map(([id, value]) => ({
      path: `plain/values/${id}`,
      reason: 'outOfRange' as const,
      value: String(value),
    })),
  ];
}

const partFaults = (part: ImportPart, day: string): FieldFault[] =>
  part.people.flatMap((person, i) =>
    faultsIn(person, day).map(({ path, reason, value }) => ({
      pointer: `/people/${i}/${path}`,
      detail: `${reason}: ${value}`,
    })),
  );

/** Most people, and readings, written in one act: others wait as long as that takes. */
const PIECE = { people: 150, readings: 2500 } as const;

function piecesOf(people: ImportPart['people']): Piece[] {
  const pieces: { first: number; people: PartPerson[] }[] = [];
  let readings = Infinity;
  for (const [i, person] of people.entries()) {
    const own = person.readings.length + (person.plain ? valuesOf(person.plain).length : 0);
    const last = pieces.at(-1);
    if (last && last.people.length < PIECE.people && readings + own <= PIECE.readings) {
      last.people.push(person);
      readings += own;
    } else {
      pieces.push({ first: i, people: [person] });
      readings = own;
    }
  }
  return pieces;
}

/** Keeps a part of an import until it is decided on; nothing of it is in the records yet. */
export async function gatherPart(
  ctx: Context,
  id: string,
  part: ImportPart,
  broughtBy: string | null,
): Promise<Outcome<ImportState>> {
  if (!Id.safeParse(id).success) return refused('notFound');
  const faults = partFaults(part, today(ctx));
  if (faults.length > 0) return refused('invalid', { faults });
  return write(ctx, async (q) => {
    const known = await findImport(q, id);
    if (known && known.state !== 'gathering') return refused('importBegun');
    if (!known)
      await insertImport(q, {
        id,
        file: part.file,
        existing: 'leave',
        state: 'gathering',
        broughtBy,
        counts: NO_COUNTS,
        createdAt: ctx.now().toISOString(),
      });
    await putPart(q, id, part.number, piecesOf(part.people));
    return done(await stateOf(q, (await findImport(q, id))!));
  });
}

/** Decides on an import: from here on it is carried through, also by the next start of the program. */
export async function beginImport(
  ctx: Context,
  id: string,
  { parts, existing }: ImportOrder,
): Promise<Outcome<ImportState>> {
  const begun = await write(ctx, async (q): Promise<Outcome<ImportState>> => {
    const row = await findImport(q, id);
    if (!row) return refused('notFound');
    if (row.state !== 'gathering') return done(await stateOf(q, row));
    const { parts: here } = await countParts(q, id);
    if (here !== parts)
      return refused('invalid', {
        faults: [{ pointer: '/parts', detail: `${here} of ${parts} have arrived.` }],
      });
    await updateImport(q, id, { state: 'writing', existing });
    return done(await stateOf(q, { ...row, state: 'writing' }));
  });
  if (begun.ok) void carryThrough(ctx, id);
  return begun;
}

/** Drops an import that nobody has decided on. */
export function cancelImport(ctx: Context, id: string): Promise<Outcome<ImportState>> {
  const act = async (q: Queries): Promise<Outcome<ImportState>> => {
    const row = await findImport(q, id);
    if (!row) return refused('notFound');
    if (row.state !== 'gathering') return refused('importBegun');
    await dropImport(q, id);
    return done({ id, state: row.state, counts: row.counts, waiting: 0 });
  };
  return write(ctx, act, true);
}

const underWay = new Map<string, Promise<void>>();

/** Writes an import piece by piece; between pieces others are served. */
export function carryThrough(ctx: Context, id: string): Promise<void> {
  const known = underWay.get(id);
  if (known) return known;
  const run = carry({ ...ctx, request: null }, id)
    // It stays as it is and is taken up again by the next tidying.
    .catch((error: unknown) => console.error(`import ${id} was interrupted:`, error))
    .finally(() => underWay.delete(id));
  underWay.set(id, run);
  return run;
}

async function carry(ctx: Context, id: string): Promise<void> {
  for (;;) {
    const state = await ctx.store.write((q) => writeNextPiece(ctx, q, id));
    if (state !== 'writing') return;
    await new Promise((resolve) => setImmediate(resolve));
  }
}

/** Takes up what was interrupted, without waiting for it, and lets go of what nobody has decided on. */
export async function tidyImports(ctx: Context, before: string): Promise<void> {
  const { db } = ctx.store;
  for (const id of await unfinishedImports(db)) void carryThrough(ctx, id);
  const old = await importsBefore(db, before);
  if (old.length > 0)
    await ctx.store.erase(async (q) => {
      for (const id of old) await dropImport(q, id);
    });
}

/** One piece into the records and out of the import, in one act. */
async function writeNextPiece(ctx: Context, q: Queries, id: string): Promise<ImportRow['state'] | null> {
  const row = await findImport(q, id);
  const part = row && (await nextPiece(q, id));
  if (!row) return null;
  if (!part) {
    await updateImport(q, id, { state: 'done' });
    return 'done';
  }
  const writer = await PieceWriter.of(ctx, q, row, part.people);
  for (const [i, person] of part.people.entries())
    await writer.take(person, { part: part.number, place: part.first + i });
  await writeMany(q, writer, { at: writer.at, source: row.file, firstId: ctx.newId() });
  for (const { id: sitterId } of writer.filled) await refreshOpen(ctx, q, sitterId);
  await dropPiece(q, id, part);
  await updateImport(q, id, { counts: writer.counted() });
  return 'writing';
}
