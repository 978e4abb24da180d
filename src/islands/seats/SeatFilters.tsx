import { Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { RECORD_STATES, SEAT_SORTS, type SeatSort } from '../../contract/catalogue-lists';
import { ADJUSTMENT_KINDS, ADJUSTMENT_KIND_IDS, OFFERS, SEAT_CLASSES } from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { t, word } from '../../words';
import { Chips } from './fields';
import { NO_FILTER, isNarrowed, type FilterFaults, type SeatFilterText } from './seat-query';
import styles from './seats.module.css';

const SEAT_KINDS = ADJUSTMENT_KIND_IDS.filter((kind) => ADJUSTMENT_KINDS[kind].belongsTo === 'seat');

export function SeatFilters({
  text,
  faults,
  onChange,
}: {
  readonly text: SeatFilterText;
  readonly faults: FilterFaults;
  readonly onChange: (text: SeatFilterText) => void;
}) {
  const reading = useReading();
  const put = (change: Partial<SeatFilterText>) => onChange({ ...text, ...change });
  const number = (field: 'covers' | 'load' | 'price', label: string, unit: string, isOff = false) => (
    <TextInput
      label={t(label)}
      value={text[field]}
      disabled={isOff}
      onChange={(e) => put({ [field]: e.currentTarget.value })}
      error={faults[field] && word('seats.fault')}
      rightSection={<span className={parts.soft}>{unit}</span>}
      inputMode="decimal"
      maxLength={20}
      autoComplete="off"
    />
  );
  const unit = text.adjustment === '' ? '' : ADJUSTMENT_KINDS[text.adjustment].units[0];
  return (
    <div role="search" aria-label={word('seats.find')}>
      <div className={styles.filters}>
        <TextInput
          type="search"
          label={word('seats.search')}
          value={text.search}
          maxLength={120}
          onChange={(e) => put({ search: e.currentTarget.value })}
        />
        <NativeSelect
          label={word('seats.class')}
          value={text.seatClass}
          onChange={(e) => put({ seatClass: e.currentTarget.value as SeatFilterText['seatClass'] })}
          data={[
            { value: '', label: word('seats.anyClass') },
            ...SEAT_CLASSES.map((c) => ({ value: c, label: word(`class.${c}`) })),
          ]}
        />
        <NativeSelect
          label={word('seats.sort')}
          value={text.sort}
          onChange={(e) => put({ sort: e.currentTarget.value as SeatSort })}
          data={SEAT_SORTS.map((s) => ({ value: s, label: word(`seats.sort.${s}`) }))}
        />
        <Checkbox
          className={styles.falling}
          label={word('seats.falling')}
          checked={text.isFalling}
          onChange={(e) => put({ isFalling: e.currentTarget.checked })}
        />
      </div>
      <details className={styles.more}>
        <summary>{word('seats.more')}</summary>
        <div className={styles.filters}>
          <NativeSelect
            label={word('seats.covers')}
            value={text.adjustment}
            onChange={(e) => put({ adjustment: e.currentTarget.value as SeatFilterText['adjustment'] })}
            data={[
              { value: '', label: word('seats.anyAdjustment') },
              ...SEAT_KINDS.map((k) => ({ value: k, label: word(`kind.${k}`) })),
            ]}
          />
          {number(
            'covers',
            'seats.coversValue',
            unit === 'mm' ? reading.length : unit === 'kg' ? reading.mass : unit === 'deg' ? '°' : '',
            text.adjustment === '',
          )}
          {number('load', 'seats.loadFor', reading.mass)}
          {number('price', 'seats.priceTo', reading.currency)}
          <NativeSelect
            label={word('seats.stateOf')}
            value={text.state}
            onChange={(e) => put({ state: e.currentTarget.value as SeatFilterText['state'] })}
            data={[
              { value: '', label: word('seats.state.offered') },
              ...RECORD_STATES.map((s) => ({ value: s, label: word(`seats.state.${s}`) })),
            ]}
          />
        </div>
        <p className={parts.soft}>{word('seats.offersAll')}</p>
        <Chips
          label={word('seats.offersAll')}
          options={OFFERS.map((o) => [o, word(`offer.${o}`)])}
          chosen={text.offers}
          onToggle={(offer) =>
            put({
              offers: text.offers.includes(offer)
                ? text.offers.filter((o) => o !== offer)
                : [...text.offers, offer],
            })
          }
        />
      </details>
      {isNarrowed(text) && (
        <button type="button" className={parts.plainButton} onClick={() => onChange(NO_FILTER)}>
          {word('seats.clear')}
        </button>
      )}
    </div>
  );
}
