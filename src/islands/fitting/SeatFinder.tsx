/** Narrows the seats to choose from, and leads to adding one that is not here. */
import { Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { SEAT_CLASSES, type SeatClass } from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { sayWith, word } from '../../words';
import { ANY_SEAT, asksForSomething, type ShelfFilter, type Wanted } from './use-shelf';
import styles from './fitting.module.css';

/** Whether some seats may have been left out. */
export const isNarrowed = (filter: ShelfFilter, wanted: Wanted): boolean =>
  filter.search.trim() !== '' || filter.seatClass !== null || (filter.suits && asksForSomething(wanted));

const sayWanted = ({ classes, offers }: Wanted): string =>
  [...classes.map((c) => word(`class.${c}`)), ...offers.map((o) => word(`offer.${o}`))].join(', ');

export function SeatFinder({
  filter,
  wanted,
  fittingId,
  onFilter,
}: {
  readonly filter: ShelfFilter;
  readonly wanted: Wanted;
  readonly fittingId: string;
  readonly onFilter: (filter: ShelfFilter) => void;
}) {
  return (
    <div className={styles.finder} role="search" aria-label={word('choose.find')}>
      <TextInput
        type="search"
        label={word('choose.search')}
        value={filter.search}
        maxLength={120}
        onChange={(e) => onFilter({ ...filter, search: e.currentTarget.value })}
      />
      <NativeSelect
        label={word('choose.class')}
        value={filter.seatClass ?? ''}
        onChange={(e) =>
          onFilter({ ...filter, seatClass: (e.currentTarget.value || null) as SeatClass | null })
        }
        data={[
          { value: '', label: word('seats.anyClass') },
          ...SEAT_CLASSES.map((c) => ({ value: c, label: word(`class.${c}`) })),
        ]}
      />
      {asksForSomething(wanted) && (
        <Checkbox
          className={styles.suits}
          label={sayWith('choose.suits', { list: sayWanted(wanted) })}
          checked={filter.suits}
          onChange={(e) => onFilter({ ...filter, suits: e.currentTarget.checked })}
        />
      )}
      <p className={styles.suits}>
        {isNarrowed(filter, wanted) && (
          <>
            <button type="button" className={parts.plainButton} onClick={() => onFilter(ANY_SEAT)}>
              {word('choose.showAll')}
            </button>{' '}
          </>
        )}
        {word('choose.notHere')} <a href={`/seats/new?fitting=${fittingId}`}>{word('seats.add')}</a>
      </p>
    </div>
  );
}
