/** Taking people and their readings in from a file: gathered part by part, decided on once, then carried through. */
import { DIMENSIONS, rangeDoubt } from '../core/body';
import { personFaults, type PersonFault } from '../core/exchange';
import { done, refused, type FieldFault, type Outcome } from '../contract';
import type { ImportOrder, ImportState, ListedImport, Look, Looked } from '../contract/importing';
import type { Page, PageRequest } from '../contract/paging';
import { plainReading, valuesOf, type ImportPart, type PartPerson } from '../contract/people-file';
import type { Queries } from '../data/client';
import { writeMany } from '../data/exchange';
import {
  NO_COUNTS,
  countBrought,
  countParts,
  dropImport,
  dropPiece,
  eraseBrought,
  findImport,
  forgetAnswersAboutBrought,
  importsBefore,
  importsBegun,
  insertImport,
  nextPiece,
  putPart,
  unfinishedImports,
  updateImport,
  type ImportRow,
  type Piece,
} from '../data/imports';
import { today, write, type Context } from './context';
import { pageOf } from './paging';
import { PieceWriter, Register } from './piece-writer';
import { useCase } from './rights';
import { refreshOpen } from './inputs';
import { sayWith, word } from '../words';
import '../words/server';

/** Whether people from a file are here already; nothing is written. */
export const lookUp = useCase(
  'read',
  'import',
  async (ctx: Context, { people }: Look): Promise<Outcome<Looked>> => {
    const register = await Register.of(ctx.store.db, people, null);
    return done({ found: people.map((person) => register.find(person).presence) });
  },
);

async function stateOf(q: Queries, row: ImportRow): Promise<ImportState> {
  const { id, state, counts } = row;
  const waiting =
    state === 'undoing'
      ? Math.ceil((counts.created - counts.undone) / PIECE.people)
      : (await countParts(q, id)).pieces;
  return { id, state, counts, waiting };
}

export const importState = useCase(
  'read',
  'import',
  async (ctx: Context, id: string): Promise<Outcome<ImportState>> => {
    const row = await findImport(ctx.store.db, id);
    return row ? done(await stateOf(ctx.store.db, row)) : refused('notFound');
  },
);

/** What has been imported recently, the newest first: what can still be undone. */
export const recentImports = useCase(
  'read',
  'import',
  async (ctx: Context, page: PageRequest): Promise<Outcome<Page<ListedImport>>> => {
    const { db } = ctx.store;
    const rows = pageOf(await importsBegun(db), (row) => row.id, page);
    if (!rows.ok) return rows;
    const items = rows.value.items.map(async (row) => {
      const { file, broughtBy, createdAt } = row;
      return { ...(await stateOf(db, row)), file, broughtBy, createdAt };
    });
    return done({ ...rows.value, items: await Promise.all(items) });
  },
);

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

function partFaults({ people }: ImportPart, day: string): FieldFault[] {
  const first = new Map<string, number>();
  for (const [i, { id }] of people.entries()) if (id && !first.has(id)) first.set(id, i);
  return people.flatMap((person, i) => [
    ...(person.id && first.get(person.id) !== i
      ? [{ pointer: `/people/${i}/id`, detail: word('field.idTwice') }]
      : []),
    ...faultsIn(person, day).map(({ path, reason, value }) => ({
      pointer: `/people/${i}/${path}`,
      detail: `${reason}: ${value}`,
    })),
  ]);
}

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
export const gatherPart = useCase(
  'edit',
  'import',
  async (ctx: Context, id: string, part: ImportPart): Promise<Outcome<ImportState>> => {
    const broughtBy = ctx.actor.fitter?.name ?? null;
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
  },
);

/** Decides on an import: from here on it is carried through, also by the next start of the program. */
export const beginImport = useCase(
  'edit',
  'import',
  async (ctx: Context, id: string, { parts, existing }: ImportOrder): Promise<Outcome<ImportState>> => {
    const begun = await write(ctx, async (q): Promise<Outcome<ImportState>> => {
      const row = await findImport(q, id);
      if (!row) return refused('notFound');
      if (row.state !== 'gathering') return done(await stateOf(q, row));
      const { parts: here } = await countParts(q, id);
      if (here !== parts)
        return refused('invalid', {
          faults: [{ pointer: '/parts', detail: sayWith('field.parts', { here, parts }) }],
        });
      await updateImport(q, id, { state: 'writing', existing });
      return done(await stateOf(q, { ...row, state: 'writing' }));
    });
    if (begun.ok) void carryThrough(ctx, id);
    return begun;
  },
);

/** Drops an import that nobody has decided on. */
export const cancelImport = useCase(
  'edit',
  'import',
  (ctx: Context, id: string): Promise<Outcome<ImportState>> => {
    const act = async (q: Queries): Promise<Outcome<ImportState>> => {
      const row = await findImport(q, id);
      if (!row) return refused('notFound');
      if (row.state !== 'gathering') return refused('importBegun');
      await dropImport(q, id);
      return done({ ...(await stateOf(q, row)), waiting: 0 });
    };
    return write(ctx, act, true);
  },
);

/**
 * Takes an import back: whom it brought goes for good, with all that was measured, but for those with whom something
 * has been done since. Readings that were given to people who were here stay with them. It is carried through whatever
 * happens.
 */
export const undoImport = useCase(
  'delete',
  'import',
  async (ctx: Context, id: string): Promise<Outcome<ImportState>> => {
    const begun = await write(ctx, async (q): Promise<Outcome<ImportState>> => {
      const row = await findImport(q, id);
      if (!row) return refused('notFound');
      if (row.state === 'gathering' || row.state === 'writing') return refused('importUnfinished');
      if (row.state === 'done') {
        await forgetAnswersAboutBrought(q, id);
        await updateImport(q, id, { state: 'undoing' });
      }
      return done(await stateOf(q, (await findImport(q, id))!));
    });
    if (begun.ok) void carryThrough(ctx, id);
    return begun;
  },
);

const underWay = new Map<string, Promise<void>>();

/** Writes an import, or takes it back, piece by piece; between pieces others are served. */
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
    const state = await ctx.store.write(async (q) => {
      const row = await findImport(q, id);
      if (row?.state === 'writing') return writeNextPiece(ctx, q, row);
      return row?.state === 'undoing' ? eraseNextPiece(q, row) : 'done';
    });
    // What went is in the log before the file until that is emptied.
    if (state === 'undone') await ctx.store.erase(() => Promise.resolve());
    if (state === 'done' || state === 'undone') return;
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
async function writeNextPiece(ctx: Context, q: Queries, row: ImportRow): Promise<ImportRow['state']> {
  const { id } = row;
  const part = await nextPiece(q, id);
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

/** A piece of those whom an import brought out of the records. */
async function eraseNextPiece(q: Queries, { id, counts }: ImportRow): Promise<ImportRow['state']> {
  const erased = await eraseBrought(q, id, PIECE.people);
  if (erased > 0) {
    await updateImport(q, id, { counts: { ...counts, undone: counts.undone + erased } });
    return 'undoing';
  }
  await updateImport(q, id, { state: 'undone', counts: { ...counts, kept: await countBrought(q, id) } });
  return 'undone';
}
