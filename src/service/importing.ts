/** Taking people and their readings in from a file: gathered part by part, decided on once, then carried through. */
import { DIMENSION_IDS, type DimensionId } from '../core/body';
import { personFaults, type FilePerson, type FileReading, type FileSession } from '../core/exchange';
import { settleTakes } from '../core/measuring';
import { Id, done, refused, type FieldFault, type Outcome } from '../contract';
import {
  type ImportOrder,
  type ImportState,
  type Look,
  type Looked,
  type Presence,
} from '../contract/importing';
import type { ImportPart, PartPerson, TakenAlike } from '../contract/people-file';
import type { Queries } from '../data/client';
import {
  holdingOf,
  knownBy,
  usedIds,
  writeMany,
  type Known,
  type NewPersonRow,
  type Written,
} from '../data/exchange';
import { fold } from '../data/fold';
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
} from '../data/imports';
import { storedPer } from '../data/sitters';
import { localNoon, today, write, type Context } from './context';
import { isTable } from './sitter-table';
import { refreshOpen } from './sitters';

type Asked = Look['people'][number];

/** Who is here already, for each of some people asked about. */
class Register {
  private readonly byId: ReadonlyMap<string, Known>;
  private readonly byName = new Map<string, Known[]>();

  /** @param importId whom this import has brought does not count by name: people of one file are not each other */
  constructor(known: readonly Known[], importId: string | null) {
    this.byId = new Map(known.map((k) => [k.id, k]));
    for (const one of known) {
      if (one.deletedAt !== null || (importId !== null && one.importId === importId)) continue;
      this.byName.set(one.folded, [...(this.byName.get(one.folded) ?? []), one]);
    }
  }

  static async of(q: Queries, people: readonly Asked[], importId: string | null): Promise<Register> {
    const ids = people.flatMap(({ id }) => (id === null ? [] : [id]));
    return new Register(
      await knownBy(
        q,
        ids,
        people.map(({ name }) => fold(name)),
      ),
      importId,
    );
  }

  /** By id, else by name, where birth dates do not speak against it. */
  find({ id, name, birthDate }: Asked): { readonly presence: Presence; readonly id: string | null } {
    const same = id === null ? undefined : this.byId.get(id);
    if (same) return { presence: same.deletedAt === null ? 'here' : 'deleted', id: same.id };
    const named = (this.byName.get(fold(name)) ?? []).filter(
      (k) => k.birthDate === null || birthDate === null || k.birthDate === birthDate,
    );
    const [first] = named;
    if (!first) return { presence: 'new', id: null };
    return named.length === 1 ? { presence: 'here', id: first.id } : { presence: 'several', id: null };
  }
}

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

/** What its readings have in common is looked at on the first of them. */
function checkedOf({ alike, ...person }: PartPerson): FilePerson {
  const [first, ...others] = person.readings;
  return alike && first ? { ...person, readings: [{ ...alike, ...first }, ...others] } : person;
}

const partFaults = (part: ImportPart, day: string): FieldFault[] =>
  part.people.flatMap((person, i) =>
    personFaults(checkedOf(person), day).map(({ path, reason, value }) => ({
      pointer: `/people/${i}/${path}`,
      detail: `${reason}: ${value}`,
    })),
  );

/** People written in one act: others wait as long as that takes. */
const PEOPLE_A_PIECE = 100;

const piecesOf = (people: ImportPart['people']): ImportPart['people'][] =>
  Array.from({ length: Math.ceil(people.length / PEOPLE_A_PIECE) }, (_, i) =>
    people.slice(i * PEOPLE_A_PIECE, (i + 1) * PEOPLE_A_PIECE),
  );

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
    await writer.take(person, { part: part.number, place: part.piece * PEOPLE_A_PIECE + i });
  await writeMany(q, writer, writer.at);
  for (const { id: sitterId } of writer.filled) await refreshOpen(ctx, q, sitterId);
  await dropPiece(q, id, part);
  await updateImport(q, id, { counts: writer.counted() });
  return 'writing';
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] extends readonly (infer R)[] ? R[] : T[K] };
interface Holding {
  readonly id: string;
  readonly value: number;
  readonly takenAt: string;
}

/** Turns the people of one piece into rows. */
class PieceWriter implements Mutable<Written> {
  readonly people: Written['people'][number][] = [];
  readonly sessions: Written['sessions'][number][] = [];
  readonly readings: Written['readings'][number][] = [];
  readonly withdrawn: string[] = [];
  readonly filled: Written['filled'][number][] = [];
  readonly at: string;
  private created = 0;
  private added = 0;
  private left = 0;
  private readonly refused: ImportState['counts']['refused'] = [];
  private readonly tables = new Map<string, boolean>();
  private lastId: string;
  private readonly noons = new Map<string, string>();

  private constructor(
    private readonly ctx: Context,
    private readonly q: Queries,
    private readonly row: ImportRow,
    private readonly register: Register,
    private readonly used: Awaited<ReturnType<typeof usedIds>>,
    private readonly holding: Map<string, Holding>,
  ) {
    this.at = ctx.now().toISOString();
    this.lastId = ctx.newId();
  }

  static async of(
    ctx: Context,
    q: Queries,
    row: ImportRow,
    people: readonly PartPerson[],
  ): Promise<PieceWriter> {
    const asked = people.map(askedOf);
    const register = await Register.of(q, asked, row.id);
    const here = asked.flatMap((one) => register.find(one).id ?? []);
    const holding = row.existing === 'add' ? await holdingOf(q, here) : [];
    const used = await usedIds(
      q,
      people.flatMap((p) => p.readings.flatMap((r) => r.id ?? [])),
      people.flatMap((p) => p.sessions.map((s) => s.id)),
    );
    return new PieceWriter(
      ctx,
      q,
      row,
      register,
      used,
      new Map(holding.map((h) => [`${h.sitterId} ${h.dimension}`, h])),
    );
  }

  /** @param at where the person stands in the import */
  async take(person: PartPerson, at: { readonly part: number; readonly place: number }): Promise<void> {
    const { presence, id } = this.register.find(askedOf(person));
    if (presence === 'new') await this.create(person);
    else if (this.row.existing === 'leave' && presence !== 'deleted') this.left++;
    else if (presence === 'here') this.add(id!, person);
    else this.refused.push({ ...at, why: presence });
  }

  counted(): ImportState['counts'] {
    const before = this.row.counts;
    return {
      created: before.created + this.created,
      added: before.added + this.added,
      left: before.left + this.left,
      readings: before.readings + this.readings.length,
      refused: [...before.refused, ...this.refused],
    };
  }

  private async knownTable(id: string | null): Promise<string | null> {
    if (id === null) return null;
    if (!this.tables.has(id)) this.tables.set(id, await isTable(this.q, id));
    return this.tables.get(id) ? id : null;
  }

  private async create(person: PartPerson): Promise<void> {
    const { name, isNickname, birthDate, sex, consentOn, consentBy } = person;
    const id = person.id ?? this.ctx.newId();
    const row: NewPersonRow = {
      id,
      name: name.trim(),
      folded: fold(name),
      isNickname,
      birthDate,
      sex,
      consentOn,
      consentBy,
      tableId: await this.knownTable(person.tableId),
      importId: this.row.id,
    };
    this.people.push(row);
    this.created++;
    const sessionOf = this.takeSessions(id, person.sessions);
    for (const reading of person.readings)
      this.put(id, reading, person.alike, sessionOf, reading.withdrawnAt ?? null);
  }

  /** Adds what the file knows and the records do not; the newer reading holds, the other stays as an earlier one. */
  private add(id: string, person: PartPerson): void {
    const before = this.readings.length;
    const fresh = person.readings.filter((r) => r.id === undefined || !this.used.readings.has(r.id));
    const taken = fresh.flatMap((reading): { reading: FileReading; withdrawnAt: string | null }[] => {
      if (reading.withdrawnAt !== undefined) return [{ reading, withdrawnAt: reading.withdrawnAt }];
      const key = `${id} ${reading.dimension}`;
      const holds = this.holding.get(key);
      if (!holds) return [{ reading, withdrawnAt: null }];
      if (holds.value === stored(reading.dimension, reading.value)) return [];
      if (holds.takenAt > this.instantOf(reading.takenAt ?? person.alike?.takenAt))
        return [{ reading, withdrawnAt: this.at }];
      this.withdrawn.push(holds.id);
      return [{ reading, withdrawnAt: null }];
    });
    const inUse = new Set(taken.map(({ reading }) => reading.session));
    const sessionOf = this.takeSessions(
      id,
      person.sessions.filter((s) => inUse.has(s.id)),
    );
    for (const { reading, withdrawnAt } of taken) {
      const put = this.put(id, reading, person.alike, sessionOf, withdrawnAt);
      if (withdrawnAt === null) this.holding.set(`${id} ${reading.dimension}`, put);
    }
    if (this.readings.length === before) {
      this.left++;
      return;
    }
    const { birthDate, sex, consentOn, consentBy } = person;
    this.filled.push({ id, birthDate, sex, consentOn, consentBy });
    this.added++;
  }

  /** Sessions come in with the readings taken in them; an id that is in use elsewhere gives way to a new one. */
  private takeSessions(sitterId: string, sessions: readonly FileSession[]): Map<string, string> {
    const ids = new Map<string, string>();
    for (const session of sessions) {
      const whose = this.used.sessions.get(session.id);
      const id = whose === undefined || whose === sitterId ? session.id : this.ctx.newId();
      ids.set(session.id, id);
      if (whose !== sitterId) this.sessions.push({ ...session, id, sitterId });
    }
    return ids;
  }

  private nextId(): string {
    this.lastId = idAfter(this.lastId);
    return this.lastId;
  }

  private instantOf(takenAt: string | undefined): string {
    if (takenAt === undefined) return this.at;
    if (takenAt.includes('T')) return takenAt;
    const known = this.noons.get(takenAt) ?? localNoon(takenAt, this.ctx.practice.timeZone);
    this.noons.set(takenAt, known);
    return known;
  }

  private put(
    sitterId: string,
    reading: FileReading,
    alike: TakenAlike | undefined,
    sessionOf: ReadonlyMap<string, string>,
    withdrawnAt: string | null,
  ): Holding {
    const { dimension, takes, session } = reading;
    const isIdFree = reading.id !== undefined && !this.used.readings.has(reading.id);
    const row = {
      id: isIdFree ? reading.id : this.nextId(),
      sitterId,
      dimension,
      value: stored(dimension, reading.value),
      basis: reading.basis ?? alike?.basis ?? ('stated' as const),
      spread: stored(dimension, reading.spread ?? SINGLE[dimension]),
      source: reading.source ?? this.row.file,
      takenAt: this.instantOf(reading.takenAt ?? alike?.takenAt),
      takenBy: reading.takenBy ?? alike?.takenBy ?? null,
      reason: reading.reason ?? null,
      sessionId: session === undefined ? null : (sessionOf.get(session) ?? null),
      takes: takes === undefined ? null : takes.map((take) => stored(dimension, take)),
      instrument: reading.instrument ?? null,
      withdrawnAt,
    };
    this.readings.push(row);
    return row;
  }
}

/** The deviation of a single reading. */
const SINGLE = Object.fromEntries(DIMENSION_IDS.map((id) => [id, settleTakes(id, [0])!.spread])) as Readonly<
  Record<DimensionId, number>
>;

const LAST_DIGITS = 12;
/** The id after an id: random as the first one is, and a hundred times faster made than another of that kind. */
function idAfter(id: string): string {
  const last = (Number.parseInt(id.slice(-LAST_DIGITS), 16) + 1) % 16 ** LAST_DIGITS;
  return id.slice(0, -LAST_DIGITS) + last.toString(16).padStart(LAST_DIGITS, '0');
}

const stored = (dimension: DimensionId, value: number): number => Math.round(value * storedPer(dimension));

const askedOf = ({ id, name, birthDate }: FilePerson): Asked => ({ id: id ?? null, name, birthDate });
