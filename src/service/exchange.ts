/** Taking people and their readings out of the records. */
import { peopleCsvHead, peopleCsvRow, PEOPLE_FORMAT, PEOPLE_FORMAT_VERSION } from '../core/exchange';
import { done, refused, type Outcome } from '../contract';
import { csvPage, onePerson, peoplePage } from '../data/exchange';
import { listSettingSets } from '../data/fittings';
import { fittingDetail, recentFittings } from './fittings';
import { localDate, type Context } from './context';

/** People a page: between pages others are served. */
const PAGE = 100;
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
    after = people.at(-1)!.id;
  }
}

/** Everybody as CSV: one row a person, with the readings that hold. */
export async function* peopleCsv(ctx: Context): AsyncGenerator<string> {
  yield `\uFEFF${peopleCsvHead()}`;
  const dateOf = (instant: string) => localDate(new Date(instant), ctx.practice.timeZone);
  for await (const people of pagesOf((after) => csvPage(ctx.store.db, after, PAGE, dateOf)))
    yield people.map(peopleCsvRow).join('');
}

const fileHead = (ctx: Context): string =>
  `{"format":"${PEOPLE_FORMAT}","version":${PEOPLE_FORMAT_VERSION},"exportedAt":"${ctx.now().toISOString()}","people":[`;

/** Everybody as JSON, with every reading there ever was. */
export async function* peopleJson(ctx: Context): AsyncGenerator<string> {
  yield fileHead(ctx);
  let before = '\n';
  for await (const people of pagesOf((after) => peoplePage(ctx.store.db, after, PAGE))) {
    for (const person of people) {
      yield `${before}${JSON.stringify(person)}`;
      before = ',\n';
    }
  }
  yield '\n]}\n';
}

/** Everything that is kept about one person, as JSON: who it is, sessions, readings, and fittings with all settings. */
export async function everythingAbout(ctx: Context, id: string): Promise<Outcome<string>> {
  const person = await onePerson(ctx.store.db, id);
  if (!person) return refused('notFound');
  const fittings: unknown[] = [];
  for (const { id: fittingId } of await recentFittings(ctx, id)) {
    const found = await fittingDetail(ctx, fittingId);
    if (!found.ok) continue;
    // The person and the measures stand once, above.
    const fitting = { ...found.value, sitter: undefined, body: undefined };
    fittings.push({ ...fitting, settings: await listSettingSets(ctx.store.db, fittingId) });
  }
  return done(`${fileHead(ctx)}\n${JSON.stringify({ ...person, fittings }, null, 1)}\n]}\n`);
}
