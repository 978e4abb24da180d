import { DIMENSIONS, rangeDoubt, type DimensionId } from '../core/body';
import {
  PAIRS_THAT_TELL,
  ownSingleSd,
  settleTakes,
  type SettledHow,
  type SettledTakes,
} from '../core/measuring';
import { isBodyDimension, populationFor, reasonWanted, repeatability } from '../core/population';
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
import type { PageRequest } from '../contract/paging';
import { forgetAnswersAbout } from '../data/answers';
import type { Queries } from '../data/client';
import { dropTaken, findSession, holdAgain, isTakenBesides, pairsTaken } from '../data/measuring';
import {
  bodyOf,
  findSitter,
  insertReading,
  insertSitter,
  isSitterIdUsed,
  listSitters,
  markSitter,
  updateSitter,
  withdrawReading,
} from '../data/sitters';
import { sayDoubt, sayWith, word } from '../words';
import '../words/server';
import { ageOn, exactAgeOn, today, write, type Context } from './context';
import { deletionOf } from './deleting';
import { isEdited, type EditedVersion } from './edited';
import { refreshOpen } from './inputs';
import { pageFound } from './paging';
import { useCase } from './rights';
import { isTable, tableOf } from './sitter-table';

const OLDEST_YEARS = 120;

/** Returns a page of the sitters whose name has every word of a search, in any order. */
export const searchSitters = useCase(
  'read',
  'sitter',
  (ctx: Context, { search, ...page }: PageRequest & { readonly search?: string | undefined }) =>
    pageFound(listSitters(ctx.store.db, search ?? '', page)),
);

async function detailOf(q: Queries, id: string): Promise<SitterDetail | null> {
  const sitter = await findSitter(q, id);
  return sitter ? { ...sitter, body: await bodyOf(q, id) } : null;
}

/** Returns a sitter with the readings that hold. */
export const sitterDetail = useCase('read', 'sitter', async (ctx: Context, id: string) => {
  const detail = await detailOf(ctx.store.db, id);
  return detail ? done(detail) : refused('notFound');
});

function birthDateFault(birthDate: string | null | undefined, today: string) {
  if (!birthDate) return null;
  const age = ageOn(birthDate, today);
  if (birthDate <= today && age <= OLDEST_YEARS) return null;
  return refused('invalid', {
    faults: [{ pointer: '/birthDate', detail: sayWith('field.birthDate', { years: OLDEST_YEARS }) }],
  });
}

const consentFault = (consentOn: string | null | undefined, today: string) =>
  consentOn && consentOn > today
    ? refused('invalid', {
        faults: [{ pointer: '/consentOn', detail: word('field.consentLater') }],
      })
    : null;

/** Whether what is asked for again is what the record says: a lost answer does no harm, another person's id does. */
const saysTheSame = (known: Sitter, asked: NewSitter): boolean =>
  known.name === asked.name &&
  known.birthDate === asked.birthDate &&
  known.sex === (asked.sex ?? null) &&
  known.isNickname === (asked.isNickname ?? false) &&
  known.consentOn === (asked.consentOn ?? null) &&
  known.consentBy === (asked.consentBy ?? null);

/** Creates a sitter. The same again gives the first record; the same id with anything else is refused. */
export const createSitter = useCase(
  'create',
  'sitter',
  async (ctx: Context, sitter: NewSitter): Promise<Outcome<SitterDetail>> => {
    const fault = birthDateFault(sitter.birthDate, today(ctx)) ?? consentFault(sitter.consentOn, today(ctx));
    if (fault) return fault;
    return write(ctx, async (q) => {
      const known = await detailOf(q, sitter.id);
      if (known) return saysTheSame(known, sitter) ? done(known) : refused('idInUse', { current: known });
      if (await isSitterIdUsed(q, sitter.id)) return refused('idInUse');
      await insertSitter(q, sitter, ctx.now().toISOString());
      return done((await detailOf(q, sitter.id))!);
    });
  },
);

/** @param version the version that was edited; another one now in the record is answered with that record */
export const editSitter = useCase(
  'edit',
  'sitter',
  async (
    ctx: Context,
    id: string,
    version: EditedVersion,
    edit: SitterEdit,
  ): Promise<Outcome<SitterDetail>> => {
    const fault = birthDateFault(edit.birthDate, today(ctx)) ?? consentFault(edit.consentOn, today(ctx));
    if (fault) return fault;
    const before = edit.isNickname ? await findSitter(ctx.store.db, id) : null;
    const letsGo = before !== null && edit.name !== undefined && edit.name !== before.name;
    const act = async (q: Queries): Promise<Outcome<SitterDetail>> => {
      const current = await detailOf(q, id);
      if (!current) return refused('notFound');
      if (!isEdited(version, current.version)) return refused('changedMeanwhile', { current });
      // The name that was kept so far is to be found nowhere any more.
      if (letsGo) await forgetAnswersAbout(q, id);
      if (edit.tableId && !(await isTable(q, edit.tableId)))
        return refused('invalid', { faults: [{ pointer: '/tableId', detail: word('field.noTable') }] });
      await updateSitter(q, id, edit, ctx.now().toISOString());
      await refreshOpen(ctx, q, id);
      return done((await detailOf(q, id))!);
    };
    return write(ctx, act, letsGo);
  },
);

/** What a reading comes to: as it was typed, or settled from the single ones of a session. */
function settledOf({ dimension, value, takes }: ReadingEdit, singleSd?: number): SettledTakes | null {
  if (takes) return settleTakes(dimension, takes, singleSd);
  return value === null ? null : settleTakes(dimension, [value], singleSd);
}

/** The deviation of one reading of whoever is signed in, mm or kg; undefined while too few pairs tell of it. */
async function ownSd({ actor }: Context, q: Queries, dimension: DimensionId): Promise<number | undefined> {
  if (!actor.fitter) return undefined;
  const pairs = await pairsTaken(q, { fitter: actor.fitter.name, dimension });
  if (pairs.length < PAIRS_THAT_TELL) return undefined;
  const own = repeatability(pairs.map(({ readings }) => readings))?.tem;
  return own === undefined ? undefined : ownSingleSd(dimension, own);
}

const NO_SESSION = {
  faults: [{ pointer: '/session', detail: word('field.noSession') }],
};

/** What stood before goes: what this very session had taken without a trace, anything else as an earlier reading. */
async function makeRoom(q: Queries, sitterId: string, edit: ReadingEdit, at: string): Promise<void> {
  const { session, dimension } = edit;
  if (session !== undefined) await dropTaken(q, session, dimension);
  await withdrawReading(q, sitterId, dimension, at);
}

/** As the source of a reading. */
export const HOW_SAID: Record<SettledHow, string> = {
  single: 'single reading',
  meanOfTwo: 'mean of two readings',
  medianOfThree: 'median of three readings',
};

/**
 * Takes a reading, or takes it back (`value` null), and brings every open fitting of the sitter up to date: one
 * act. In a session what it took before of the same dimension is replaced, and withdrawn it leaves what held before
 * the session.
 */
export const takeReading = useCase(
  'edit',
  'sitter',
  async (ctx: Context, sitterId: string, edit: ReadingEdit): Promise<Outcome<SitterDetail>> => {
    const { dimension } = edit;
    const settled = settledOf(edit, await ownSd(ctx, ctx.store.db, dimension));
    const doubt = [...(edit.takes ?? []), ...(settled ? [settled.value] : [])]
      .map((value) => rangeDoubt(dimension, value))
      .find((found) => found !== null);
    if (doubt) {
      const { lowest, highest, unit } = DIMENSIONS[dimension];
      return refused('invalid', {
        faults: [{ pointer: '/value', detail: sayWith('field.between', { lowest, highest, unit }) }],
      });
    }
    return write(ctx, async (q) => {
      const current = await detailOf(q, sitterId);
      if (!current) return refused('notFound');
      const session = edit.session === undefined ? null : await findSession(q, edit.session);
      if (edit.session !== undefined && session?.sitterId !== sitterId) return refused('invalid', NO_SESSION);
      const standing = current.body[dimension];
      // A session need not see what itself has taken: only what somebody else took since it began is a surprise.
      const mayDiffer = session !== null && !(await isTakenBesides(q, sitterId, dimension, session));
      if (!mayDiffer && edit.seenReading !== undefined && edit.seenReading !== (standing?.takenAt ?? null)) {
        // Taken at the same time by somebody else; the same value needs no second reading.
        return standing?.value === settled?.value ? done(current) : refused('changedMeanwhile', { current });
      }
      const at = ctx.now().toISOString();
      await makeRoom(q, sitterId, edit, at);
      if (settled) {
        const quantity: Quantity = {
          value: settled.value,
          basis: 'measured',
          spread: settled.spread,
          source: HOW_SAID[settled.how],
          takenAt: at,
          takenBy: ctx.actor.fitter?.name ?? null,
          ...(edit.instrument === undefined ? {} : { instrument: edit.instrument }),
          ...(edit.reason === undefined ? {} : { reason: edit.reason }),
        };
        const against =
          edit.reason === undefined ? await doubtAgainst(ctx, q, current, dimension, quantity) : null;
        if (against) return refused('invalid', { faults: [{ pointer: '/reason', detail: against }] });
        await insertReading(q, ctx.newId(), sitterId, dimension, quantity, at, {
          sessionId: edit.session ?? null,
          takes: edit.takes ?? null,
        });
      } else if (session) {
        await holdAgain(q, sitterId, dimension, session.startedAt);
      }
      await updateSitter(q, sitterId, {}, at);
      await refreshOpen(ctx, q, sitterId);
      return done((await detailOf(q, sitterId))!);
    });
  },
);

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
export const deleteSitter = useCase('delete', 'sitter', (ctx: Context, id: string) =>
  write(ctx, async (q): Promise<Outcome<Deletion>> => {
    const at = ctx.now();
    if (!(await markSitter(q, id, at.toISOString()))) return refused('notFound');
    return done(deletionOf(id, at));
  }),
);

/** Takes a deletion back, as long as nothing has been erased. */
export const restoreSitter = useCase('restore', 'sitter', (ctx: Context, id: string) =>
  write(ctx, async (q): Promise<Outcome<SitterDetail>> => {
    if (!(await markSitter(q, id, null))) return refused('notFound');
    return done((await detailOf(q, id))!);
  }),
);
