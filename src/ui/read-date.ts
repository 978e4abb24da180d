/** Dates as a reader writes them: day, month and year in the reader's own order. */

const PARTS = ['day', 'month', 'year'] as const;
type DatePart = (typeof PARTS)[number];

/** Whether a text is a date as it is stored: `YYYY-MM-DD`. */
export const isDate = (text: string): boolean => /^\d{4}-\d\d-\d\d$/.test(text);

/** Returns the order of day, month and year in a locale. */
export function dateOrder(locale: string): readonly DatePart[] {
  return new Intl.DateTimeFormat(locale)
    .formatToParts(new Date(Date.UTC(2001, 1, 3)))
    .map(({ type }) => type)
    .filter((type): type is DatePart => (PARTS as readonly string[]).includes(type));
}

/** Returns a date in digits as a locale writes it: `2019-05-28` is `28/05/2019` in British English. */
export function writeDate(date: string, locale: string): string {
  if (!isDate(date)) return date;
  return new Intl.DateTimeFormat(locale, {
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${date}T00:00:00Z`));
}

/**
 * Returns a typed date as `YYYY-MM-DD`, or null where it is none: three numbers in the reader's order with anything but
 * digits between them, the year with four digits; `YYYY-MM-DD` is read everywhere.
 */
export function readDate(text: string, locale: string): string | null {
  const numbers = text.trim().split(/\D+/).filter(Boolean);
  if (numbers.length !== PARTS.length) return null;
  const order = numbers[0]!.length === 4 ? (['year', 'month', 'day'] as const) : dateOrder(locale);
  const at = (part: DatePart): string => numbers[order.indexOf(part)]!;
  if (at('year').length !== 4) return null;
  const date = `${at('year')}-${at('month').padStart(2, '0')}-${at('day').padStart(2, '0')}`;
  const time = Date.parse(`${date}T00:00:00Z`);
  // The 31st of a month with thirty days would be the 1st of the next.
  return Number.isNaN(time) || new Date(time).toISOString().slice(0, 10) !== date ? null : date;
}
