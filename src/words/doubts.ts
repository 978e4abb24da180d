/** What speaks against what was typed or handed in, in words. */
import type { CaseDoubt } from '../core/fit';
import type { CsvFault, Implausible } from '../core/population';
import { word } from './say';

/** What speaks against a measure, and what to do about it. */
export const sayDoubt = ({ z, level }: Pick<Implausible, 'z' | 'level'>): string =>
  word(`measure.odd.${level}`).replace('{by}', word('measure.odd.by').replace('{n}', Math.abs(z).toFixed(1)));

/** A doubt about a case, a seat or a method, at the place where it was made. */
export const sayCaseDoubt = ({
  reason,
  field,
  value,
}: CaseDoubt): { readonly pointer: string; readonly detail: string } => ({
  pointer: field,
  detail: word(`fault.${reason}`).replace('{value}', String(value)),
});

/** What is wrong with a table's file, and where. */
export function sayTableFault({ reason, line, column, value }: CsvFault): string {
  const what = word(`tables.fault.${reason}`).replace('{value}', value).replace('{column}', column);
  if (line === 0) return what;
  const where = column === '' ? 'tables.fault.line' : 'tables.fault.at';
  return word(where).replace('{line}', String(line)).replace('{column}', column).replace('{what}', what);
}
