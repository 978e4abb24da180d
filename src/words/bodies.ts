/** What tables of bodies say, in words. */
import type { CsvFault, Implausible } from '../core/population';
import { word } from './say';

/** What speaks against a measure, and what to do about it. */
export const sayDoubt = ({ z, level }: Pick<Implausible, 'z' | 'level'>): string =>
  word(`measure.odd.${level}`).replace('{by}', word('measure.odd.by').replace('{n}', Math.abs(z).toFixed(1)));

/** What is wrong with a table's file, and where. */
export function sayTableFault({ reason, line, column, value }: CsvFault): string {
  const what = word(`tables.fault.${reason}`).replace('{value}', value).replace('{column}', column);
  if (line === 0) return what;
  const where = column === '' ? 'tables.fault.line' : 'tables.fault.at';
  return word(where).replace('{line}', String(line)).replace('{column}', column).replace('{what}', what);
}
