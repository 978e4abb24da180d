import { and, like, sql, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';

const LETTERS: Record<string, string> = {
  ø: 'o',
  æ: 'ae',
  å: 'a',
  ð: 'd',
  þ: 'th',
  ß: 'ss',
  ł: 'l',
  đ: 'd',
  œ: 'oe',
};

/** A name for searching: lower case, no accents. */
export function fold(name: string): string {
  return name
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[øæåðþßłđœ]/g, (c) => LETTERS[c] ?? c)
    .replace(/\s+/g, ' ')
    .trim();
}

/** Matches folded names that have every word of a search, in any order; an empty search matches all. */
export function matchesWords(folded: SQLiteColumn, search: string): SQL | undefined {
  const words = fold(search).split(' ').filter(Boolean);
  return and(
    ...words.map((word) => {
      const pattern = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
      return sql`${like(folded, pattern)} escape '\\'`;
    }),
  );
}
