/** Lists, a page at a time. */
import { done, refused, type Outcome } from '../contract';
import { USUAL_PAGE, type Page, type PageRequest } from '../contract/paging';
import { word } from '../words';
import '../words/server';

/** What a page of the application begins with. */
export const FIRST_PAGE: PageRequest = { limit: USUAL_PAGE };

/** Returns a page that was looked up as an outcome: a cursor that leads nowhere is the asker's fault. */
export async function pageFound<T>(found: Promise<Page<T> | 'unknownCursor'>): Promise<Outcome<Page<T>>> {
  const page = await found;
  return page === 'unknownCursor' ? unknownCursor() : done(page);
}

const unknownCursor = () =>
  refused('invalid', {
    faults: [{ pointer: '/cursor', detail: word('field.noPage') }],
  });

/** Returns a page of a list that is at hand as a whole. */
export function pageOf<T>(
  all: readonly T[],
  idOf: (item: T) => string,
  { cursor, limit }: PageRequest,
): Outcome<Page<T>> {
  const at = cursor === undefined ? 0 : all.findIndex((item) => idOf(item) === cursor) + 1;
  if (cursor !== undefined && at === 0) return unknownCursor();
  const items = all.slice(at, at + limit);
  const last = items.at(-1);
  return done({ items, total: all.length, next: last && at + limit < all.length ? idOf(last) : null });
}
