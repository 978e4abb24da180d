/** The cells of a CSV file, with what a spreadsheet or another program puts between and around them. */
import Papa from 'papaparse';

/** What stands between cells; the first wherever the head does not tell. */
const DELIMITERS = [',', ';', '\t', '|'] as const;

/** Why no row of a file can be read. */
export type CellsFault = 'empty' | 'notText' | 'quotes';

export type Cells =
  | { readonly head: readonly string[]; readonly rows: readonly (readonly string[])[] }
  | { readonly fault: CellsFault; readonly row: number };

/**
 * One line of a file, with its end.
 * @returns with CR and LF at its end. Source: RFC 4180.
 */
export const csvLine = (cells: readonly string[]): string =>
  `${Papa.unparse([[...cells]], { newline: '\r\n' })}\r\n`;

/** What splits the head into most names that are known: cells below it may hold anything. */
function delimiterOf(text: string, isKnown: (name: string) => boolean): string {
  const known = DELIMITERS.map((delimiter) => {
    const [head = []] = Papa.parse<string[]>(text, { delimiter, preview: 1 }).data;
    return head.filter((name) => isKnown(name.trim())).length;
  });
  return DELIMITERS[known.indexOf(Math.max(...known))]!;
}

/**
 * Splits a CSV file into its head and rows.
 * @param isKnown whether a column has such a name
 * @returns a fault where nothing can be read, with the row that it is in, or 0 for the whole file. Source: RFC 4180.
 */
export function cellsOf(file: string, isKnown: (name: string) => boolean): Cells {
  const text = file.replace(/^\uFEFF/, '');
  if (text.trim() === '') return { fault: 'empty', row: 0 };
  if (text.includes('\0')) return { fault: 'notText', row: 0 };
  const { data, errors } = Papa.parse<string[]>(text, { delimiter: delimiterOf(text, isKnown) });
  const quotes = errors.find((e) => e.type === 'Quotes');
  if (quotes) return { fault: 'quotes', row: (quotes.row ?? 0) + 1 };
  const [head = [], ...rows] = data;
  return { head: head.map((name) => name.trim()), rows };
}
