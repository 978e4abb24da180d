/** What speaks against what was typed or handed in, in words. */
import type { CaseDoubt } from '../core/fit';
import type { CsvFault, Implausible } from '../core/population';
import { sayWith } from './say';

/** What speaks against a measure, and what to do about it. */
export const sayDoubt = ({ z, level }: Pick<Implausible, 'z' | 'level'>): string =>
  sayWith(`measure.odd.${level}`, { by: sayWith('measure.odd.by', { n: Math.abs(z).toFixed(1) }) });

/** A doubt about a case, a seat or a method, at the place where it was made. */
export const sayCaseDoubt = ({
  reason,
  field,
  value,
}: CaseDoubt): { readonly pointer: string; readonly detail: string } => ({
  pointer: field,
  detail: sayWith(`fault.${reason}`, { value }),
});

/** What is wrong with a table's file, and where. */
export function sayTableFault({ reason, line, column, value }: CsvFault): string {
  const what = sayWith(`tables.fault.${reason}`, { value, column });
  if (line === 0) return what;
  const where = column === '' ? 'tables.fault.line' : 'tables.fault.at';
  return sayWith(where, { line, column, what });
}
