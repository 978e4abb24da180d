import type { RemedyId } from '../../core/fit';
import { sayValue, word, type Reading } from '../../words';

/** A remedy by name and size: “Shorter column 40 mm”. Of arms that are off there is no size. */
export function sayRemedy(id: RemedyId, sizeMm: number, reading: Reading): string {
  const name = word(`remedy.${id}${sizeMm < 0 ? '.less' : ''}.name`);
  return id === 'armsOff' || sizeMm === 0
    ? name
    : `${name} ${sayValue({ sizeMm: Math.abs(sizeMm) }, reading)}`;
}
