/** What can stand in the way of a measure: another one taken at the same time, or the others speaking against it. */
import { useState } from 'react';
import type { DimensionId } from '../../../core/body';
import type { Implausible, Slip } from '../../../core/population';
import { useReading } from '../../../ui/preferences';
import parts from '../../../ui/parts.module.css';
import { sayDoubt, sayWith, word, type Reading } from '../../../words';
import { sayMeasure, type ReadingConflict } from './use-measures';
import styles from './measures.module.css';

/** Somebody else took this measurement while it was edited: either value can be kept. */
export function Meanwhile({
  dimension,
  conflict: { mine, theirs },
  onDecide,
}: {
  readonly dimension: DimensionId;
  readonly conflict: ReadingConflict;
  readonly onDecide: (mine: boolean) => void;
}) {
  const reading = useReading();
  const other = theirs.body[dimension];
  const say = (value: number | undefined | null) =>
    value == null ? word('measure.missing') : sayMeasure(dimension, value, reading);
  return (
    <span className={styles.fault} role="alert">
      {sayWith(other?.takenBy ? 'conflict.reading.by' : 'conflict.reading', {
        by: other?.takenBy ?? '',
        theirs: say(other?.value),
        mine: say(mine),
      })}{' '}
      <button type="button" className={parts.plainButton} onClick={() => onDecide(true)}>
        {sayWith('conflict.reading.mine', { mine: say(mine) })}
      </button>{' '}
      <button type="button" className={parts.plainButton} onClick={() => onDecide(false)}>
        {sayWith('conflict.reading.theirs', { theirs: say(other?.value) })}
      </button>
    </span>
  );
}

/** A measure stands against all others only with a reason, which is kept with it. */
export function Reason({
  id,
  onKeep,
}: {
  readonly id: DimensionId;
  readonly onKeep: (reason: string) => void;
}) {
  const [reason, setReason] = useState('');
  const keep = () => reason.trim() !== '' && onKeep(reason.trim());
  return (
    <span className={styles.reason}>
      <label htmlFor={`${id}-reason`}>{word('measure.reason')}</label>
      <input
        id={`${id}-reason`}
        value={reason}
        maxLength={300}
        placeholder={word('measure.reason.hint')}
        onChange={(e) => setReason(e.currentTarget.value)}
        onKeyDown={(e) => e.key === 'Enter' && keep()}
      />
      <button type="button" className={parts.plainButton} disabled={reason.trim() === ''} onClick={keep}>
        {word('measure.reason.keep')}
      </button>
    </span>
  );
}

/** A measure that does not fit the others: how far off, and what may have happened. */
export function Odd({
  doubt,
  reading,
  disabled,
  onTake,
}: {
  readonly doubt: Implausible;
  readonly reading: Reading;
  readonly disabled: boolean;
  readonly onTake: (slip: Slip) => void;
}) {
  const say = (slip: Slip): string =>
    slip.kind === 'swapped' && slip.other
      ? sayWith('measure.slip.swap', { other: word(`dimension.${slip.other}`).toLowerCase() })
      : sayWith('measure.slip.take', {
          value: sayMeasure(doubt.dimension, slip.instead, reading),
          slip: slip.kind === 'swapped' ? '' : word(`measure.slip.${slip.kind}`),
        });
  return (
    <span className={styles.odd} data-level={doubt.level} id={`${doubt.dimension}-odd`} role="status">
      {sayDoubt(doubt)}{' '}
      {doubt.slips.map((slip) => (
        <button
          key={`${slip.kind}${slip.other ?? ''}`}
          type="button"
          className={parts.plainButton}
          disabled={disabled}
          onClick={() => onTake(slip)}
        >
          {say(slip)}
        </button>
      ))}
    </span>
  );
}
