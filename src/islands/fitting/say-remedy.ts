import { isSwitch, remedyName, type RemedyId } from '../../core/fit';
import { sayValue, t, type Reading } from '../../words';

/** A remedy by name and size: “Shorter column 40 mm”. What is taken off or folded away has no size. */
export function sayRemedy(id: RemedyId, sizeMm: number, reading: Reading): string {
  const name = t(remedyName(id, sizeMm));
  return isSwitch(id) || sizeMm === 0 ? name : `${name} ${sayValue({ sizeMm: Math.abs(sizeMm) }, reading)}`;
}
