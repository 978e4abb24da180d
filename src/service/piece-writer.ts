/** People of a file on their way into rows: who is here already, and what of the file the records do not know. */
import { DIMENSION_IDS, type DimensionId } from '../core/body';
import type { FilePerson, FileReading, FileSession } from '../core/exchange';
import { settleTakes } from '../core/measuring';
import type { ImportState, Look, Presence } from '../contract/importing';
import { readingsOf, valuesOf, type PartPerson, type PlainReadings } from '../contract/people-file';
import type { Queries } from '../data/client';
import { holdingOf, knownBy, usedIds, type Known, type NewPersonRow, type Written } from '../data/exchange';
import { fold } from '../data/fold';
import type { ImportRow } from '../data/imports';
import { storedPer } from '../data/sitters';
import { localNoon, type Context } from './context';
import { isTable } from './sitter-table';

type PersonInFile = Look['people'][number];

/** Who is here already, for each of some people asked about. */
export class Register {
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

  static async of(q: Queries, people: readonly PersonInFile[], importId: string | null): Promise<Register> {
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
  find({ id, name, birthDate }: PersonInFile): { readonly presence: Presence; readonly id: string | null } {
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

type Mutable<T> = { -readonly [K in keyof T]: T[K] extends readonly (infer R)[] ? R[] : T[K] };
interface Holding {
  readonly id: string;
  readonly value: number;
  readonly takenAt: string;
}

/** Turns the people of one piece into rows. */
export class PieceWriter implements Mutable<Written> {
  readonly people: Written['people'][number][] = [];
  readonly sessions: Written['sessions'][number][] = [];
  readonly plain: Written['plain'][number][] = [];
  readonly readings: Written['readings'][number][] = [];
  readonly withdrawn: string[] = [];
  readonly filled: Written['filled'][number][] = [];
  readonly at: string;
  private created = 0;
  private added = 0;
  private left = 0;
  private taken = 0;
  private readonly refused: ImportState['counts']['refused'] = [];
  private readonly tables = new Map<string, boolean>();
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
      ...before,
      created: before.created + this.created,
      added: before.added + this.added,
      left: before.left + this.left,
      readings: before.readings + this.taken,
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
    for (const reading of person.readings) this.put(id, reading, sessionOf, reading.withdrawnAt ?? null);
    if (person.plain) this.putPlain(id, person.plain);
  }

  private putPlain(sitterId: string, plain: PlainReadings): void {
    const { basis = 'stated', takenAt, takenBy } = plain;
    const own: Record<string, { value: number; spread: number }> = {};
    for (const [dimension, value] of valuesOf(plain)) {
      own[dimension] = { value: stored(dimension, value), spread: stored(dimension, SINGLE[dimension]) };
      this.taken++;
    }
    this.plain.push({
      sitterId,
      basis,
      takenAt: this.instantOf(takenAt),
      takenBy: takenBy ?? null,
      values: own,
    });
  }

  /** Adds what the file knows and the records do not; the newer reading holds, the other stays as an earlier one. */
  private add(id: string, person: PartPerson): void {
    const before = this.taken;
    const fresh = readingsOf(person).filter((r) => r.id === undefined || !this.used.readings.has(r.id));
    const taken = fresh.flatMap((reading): { reading: FileReading; withdrawnAt: string | null }[] => {
      if (reading.withdrawnAt !== undefined) return [{ reading, withdrawnAt: reading.withdrawnAt }];
      const key = `${id} ${reading.dimension}`;
      const holds = this.holding.get(key);
      if (!holds) return [{ reading, withdrawnAt: null }];
      if (holds.value === stored(reading.dimension, reading.value)) return [];
      if (holds.takenAt > this.instantOf(reading.takenAt)) return [{ reading, withdrawnAt: this.at }];
      this.withdrawn.push(holds.id);
      return [{ reading, withdrawnAt: null }];
    });
    const inUse = new Set(taken.map(({ reading }) => reading.session));
    const sessionOf = this.takeSessions(
      id,
      person.sessions.filter((s) => inUse.has(s.id)),
    );
    for (const { reading, withdrawnAt } of taken) {
      const put = this.put(id, reading, sessionOf, withdrawnAt);
      if (withdrawnAt === null) this.holding.set(`${id} ${reading.dimension}`, put);
    }
    if (this.taken === before) {
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
      // Whoever comes later in this piece finds it in use.
      this.used.sessions.set(id, sitterId);
      if (whose !== sitterId) this.sessions.push({ ...session, id, sitterId });
    }
    return ids;
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
    sessionOf: ReadonlyMap<string, string>,
    withdrawnAt: string | null,
  ): Holding {
    const { dimension, takes, session } = reading;
    const isIdFree = reading.id !== undefined && !this.used.readings.has(reading.id);
    const row = {
      id: isIdFree ? reading.id : this.ctx.newId(),
      sitterId,
      dimension,
      value: stored(dimension, reading.value),
      basis: reading.basis ?? ('stated' as const),
      spread: stored(dimension, reading.spread ?? SINGLE[dimension]),
      source: reading.source ?? this.row.file,
      takenAt: this.instantOf(reading.takenAt),
      takenBy: reading.takenBy ?? null,
      reason: reading.reason ?? null,
      sessionId: session === undefined ? null : (sessionOf.get(session) ?? null),
      takes: takes === undefined ? null : takes.map((take) => stored(dimension, take)),
      instrument: reading.instrument ?? null,
      withdrawnAt,
    };
    this.used.readings.add(row.id);
    this.readings.push(row);
    this.taken++;
    return row;
  }
}

/** The deviation of a single reading. */
const SINGLE = Object.fromEntries(DIMENSION_IDS.map((id) => [id, settleTakes(id, [0])!.spread])) as Readonly<
  Record<DimensionId, number>
>;

const stored = (dimension: DimensionId, value: number): number => Math.round(value * storedPer(dimension));

const askedOf = ({ id, name, birthDate }: FilePerson): PersonInFile => ({ id: id ?? null, name, birthDate });
