/** Taking people and their readings out of the records. */
import { setImmediate as nextTurn } from 'node:timers/promises';
import { peopleCsvHead, peopleCsvRow, PEOPLE_FORMAT, PEOPLE_FORMAT_VERSION } from '../core/exchange';
import { done, refused, type Outcome } from '../contract';
import { csvPage, onePerson, peoplePage } from '../data/exchange';
import { fittingIdsOf, listSettingSets } from '../data/fittings';
import { feltOf, findWalk } from '../data/walks';
import { listPieces } from '../data/pieces';
import { fittingDetail } from './fittings';
import { useCase } from './rights';
import { localDate, type Context } from './context';

/** People a page: between pages others are served. */
const PAGE = 100;
/** More tagged seats than anybody sits on. */
const MOST_SEATS = 1000;
/** Before all ids. */
const FIRST = '';

async function* pagesOf<T extends { readonly id: string }>(
  page: (after: string) => Promise<T[]>,
): AsyncGenerator<T[]> {
  let after = FIRST;
  for (;;) {
    const people = await page(after);
    if (people.length === 0) return;
    yield people;
    // Everything up to here may have happened without a moment for anybody else: the database answers at once.
    await nextTurn();
    after = people.at(-1)!.id;
  }
}

async function* csvOf(ctx: Context): AsyncGenerator<string> {
  yield `\uFEFF${peopleCsvHead()}`;
  const dateOf = (instant: string) => localDate(new Date(instant), ctx.practice.timeZone);
  for await (const people of pagesOf((after) => csvPage(ctx.store.db, after, PAGE, dateOf)))
    yield people.map(peopleCsvRow).join('');
}

/** Returns everybody as CSV: one row a person, with the readings that hold. */
export const peopleCsv = useCase('read', 'sitter', (ctx: Context) => done(csvOf(ctx)));

const fileHead = (ctx: Context): string =>
  `{"format":"${PEOPLE_FORMAT}","version":${PEOPLE_FORMAT_VERSION},"exportedAt":"${ctx.now().toISOString()}","people":[`;

async function* jsonOf(ctx: Context): AsyncGenerator<string> {
  yield fileHead(ctx);
  let before = '\n';
  for await (const people of pagesOf((after) => peoplePage(ctx.store.db, after, PAGE))) {
    yield people.map((person, i) => `${i === 0 ? before : ',\n'}${JSON.stringify(person)}`).join('');
    before = ',\n';
  }
  yield '\n]}\n';
}

/** Returns everybody as JSON, with every reading there ever was. */
export const peopleJson = useCase('read', 'sitter', (ctx: Context) => done(jsonOf(ctx)));

/** Returns everything that is kept about one person, as JSON: sessions, readings, fittings with all settings, and the tagged seats used. */
export const everythingAbout = useCase(
  'read',
  'sitter',
  async (ctx: Context, id: string): Promise<Outcome<string>> => {
    const person = await onePerson(ctx.store.db, id);
    if (!person) return refused('notFound');
    const fittings: unknown[] = [];
    for (const fittingId of await fittingIdsOf(ctx.store.db, id)) {
      const found = await fittingDetail(ctx, fittingId);
      if (!found.ok) continue;
      // The person and the measurements are there once, above.
      const fitting = { ...found.value, sitter: undefined, body: undefined };
      const [settings, walk] = [
        await listSettingSets(ctx.store.db, fittingId),
        await findWalk(ctx.store.db, fittingId),
      ];
      fittings.push({ ...fitting, settings, walk });
    }
    const seats = await listPieces(ctx.store.db, { search: '', user: id }, { limit: MOST_SEATS });
    const used =
      seats === 'unknownCursor' ? [] : seats.items.map(({ tag, seat }) => ({ tag, seat: seat.name }));
    const felt = await feltOf(ctx.store.db, id);
    return done(
      `${fileHead(ctx)}\n${JSON.stringify({ ...person, fittings, seatsUsed: used, felt }, null, 1)}\n]}\n`,
    );
  },
);
