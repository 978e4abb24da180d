/** Sheets to measure by on paper, to print: empty, or with what was measured. */
import '../../words/pages';
import { TOUR_SETS } from '../../core/measuring';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { word } from '../../words';

/** @param sitterId null: a sheet that is nobody's */
export function SheetLinks({
  sitterId,
  isMeasured,
}: {
  readonly sitterId: string | null;
  readonly isMeasured: boolean;
}) {
  const { length } = useReading();
  const path = `/api/v1${sitterId === null ? '' : `/sitters/${sitterId}`}/measuring-sheet.pdf`;
  const sheets = [
    ...TOUR_SETS.map((set) => ({ query: `set=${set}`, name: word(`sheet.blank.${set}`) })),
    ...(isMeasured ? [{ query: 'set=full&filled=yes', name: word('sheet.filled') }] : []),
  ];
  return (
    <p className={parts.soft}>
      {word('sheet.links')}{' '}
      {sheets.map(({ query, name }, i) => (
        <span key={query}>
          {i > 0 && ' · '}
          <a href={`${path}?${query}&units=${length}`} target="_blank" rel="noreferrer">
            {name}
          </a>
        </span>
      ))}
    </p>
  );
}
