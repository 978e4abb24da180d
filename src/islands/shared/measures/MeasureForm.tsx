import { useRef, type KeyboardEvent } from 'react';
import {
  DIMENSIONS,
  DIMENSION_IDS,
  FITTING_DIMENSIONS,
  missingOf,
  pairDoubts,
  type Body,
  type DimensionId,
} from '../../../core/body';
import { NEEDED_FOR } from '../../../core/fit';
import { isAdjustmentKind } from '../../../core/seat';
import type { Slip } from '../../../core/population';
import type { SitterDetail } from '../../../contract';
import { useReading } from '../../../ui/preferences';
import { SaveState } from '../../../ui/SaveState';
import parts from '../../../ui/parts.module.css';
import { sayDate, sayValue, sayWith, word, type Reading } from '../../../words';
import { Meanwhile, Odd, Reason } from './measure-doubts';
import { EstimatedBy, Notes } from './measure-notes';
import { roundMeasure, sayMeasure, typed, unitOf, useMeasures } from './use-measures';
import { doubtAbout, usePopulation, type Told } from './use-population';
import { useWarningSigns } from './WarningSigns';
import styles from './measures.module.css';

const MORE = DIMENSION_IDS.filter((id) => !FITTING_DIMENSIONS.includes(id));
/** In the order in which Enter goes through them. */
const FIELDS = [...FITTING_DIMENSIONS, ...MORE];

const neededFor = (dimension: DimensionId): string =>
  NEEDED_FOR[dimension]
    .map((id) => (isAdjustmentKind(id) ? word(`kind.${id}`) : word(`check.${id}`)).toLowerCase())
    .join(', ');

function noteOf(sitter: SitterDetail, dimension: DimensionId, told: Told | null, reading: Reading): string {
  const quantity = sitter.body[dimension];
  const estimate = told?.estimates[dimension];
  if (!quantity && estimate)
    return sayWith('measure.estimate', {
      value: sayMeasure(dimension, roundMeasure(dimension, estimate.value), reading),
      spread: sayMeasure(dimension, roundMeasure(dimension, estimate.spread), reading),
    });
  if (!quantity) return word('measure.missing');
  const date = quantity.takenAt ? sayDate(quantity.takenAt, reading) : '';
  return quantity.takenBy
    ? sayWith('measure.takenBy', { by: quantity.takenBy, date })
    : sayWith('measure.taken', { date });
}

function doubtsOf(body: Body, reading: Reading): Partial<Record<DimensionId, string>> {
  const doubts = pairDoubts(body).map((d) => {
    const text = sayWith('measure.doubt.notBelow', {
      other: word(`dimension.${d.other ?? d.dimension}`).toLowerCase(),
      limit: sayValue({ mm: d.limit }, reading),
    });
    return [d.dimension, text] as const;
  });
  return Object.fromEntries(doubts);
}

/** All measures of a sitter, in the order of measuring; each is saved by itself. */
export function MeasureForm({
  sitter,
  onSaved,
  filling,
  disabled = false,
}: {
  readonly sitter: SitterDetail;
  readonly onSaved: (sitter: SitterDetail) => void;
  /** Of a fitting: whether estimates fill in what is missing. */
  readonly filling?: { readonly isOn: boolean; readonly onChange: (isOn: boolean) => void };
  readonly disabled?: boolean;
}) {
  const reading = useReading();
  const measures = useMeasures(sitter, reading, onSaved);
  const doubts = doubtsOf({ ...sitter.body, ...measures.asked }, reading);
  const told = usePopulation(sitter);
  const fields = useRef<Partial<Record<DimensionId, HTMLInputElement | null>>>({});
  const missing = missingOf(sitter.body, FITTING_DIMENSIONS);
  const signs = useWarningSigns(sitter.id);

  const onKey = (event: KeyboardEvent<HTMLInputElement>, dimension: DimensionId) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    void measures.leave(dimension);
    const next = FIELDS[FIELDS.indexOf(dimension) + 1];
    const field = next && fields.current[next];
    field?.focus();
    field?.select();
  };

  const take = (dimension: DimensionId, text: string) => {
    measures.type(dimension, text);
    void measures.leave(dimension);
  };

  const takeSlip = (dimension: DimensionId, { instead, other }: Slip) => {
    const own = sitter.body[dimension]?.value;
    take(dimension, typed(dimension, instead, reading));
    if (other && own !== undefined) take(other, typed(other, own, reading));
  };

  const row = (dimension: DimensionId) => {
    const asked = measures.askedOf(dimension);
    const odd = asked ?? doubtAbout(told, dimension);
    const { reason } = sitter.body[dimension] ?? {};
    const fault = measures.faultOf(dimension) ?? measures.refusalOf(dimension) ?? doubts[dimension] ?? null;
    const conflict = measures.conflictOf(dimension);
    const isWaiting = measures.isWaiting(dimension);
    const about = `${dimension}-about`;
    return (
      <li
        key={dimension}
        className={styles.row}
        data-missing={sitter.body[dimension] || isWaiting ? undefined : true}
        data-fault={fault ? true : undefined}
      >
        <div>
          <label className={styles.name} htmlFor={dimension}>
            {word(`dimension.${dimension}`)}
          </label>
          <span className={styles.how} id={about}>
            {word(`how.${dimension}`)}
          </span>
          {NEEDED_FOR[dimension].length > 0 && (
            <span className={styles.needed}>{sayWith('measure.needed', { list: neededFor(dimension) })}</span>
          )}
        </div>
        <div>
          <span className={styles.entry}>
            <input
              id={dimension}
              ref={(element) => {
                fields.current[dimension] = element;
              }}
              inputMode={reading.length === 'in' && DIMENSIONS[dimension].unit === 'mm' ? 'text' : 'decimal'}
              autoComplete="off"
              value={measures.textOf(dimension)}
              disabled={disabled}
              aria-invalid={measures.faultOf(dimension) !== null}
              aria-describedby={[about, fault ? `${dimension}-fault` : odd ? `${dimension}-odd` : '']
                .filter(Boolean)
                .join(' ')}
              onChange={(e) => measures.type(dimension, e.currentTarget.value)}
              onBlur={() => void measures.leave(dimension)}
              onKeyDown={(e) => onKey(e, dimension)}
            />
            <span className={styles.unit}>{unitOf(dimension, reading)}</span>
          </span>
          <span className={styles.note}>
            {isWaiting ? word('measure.waiting') : noteOf(sitter, dimension, told, reading)}
          </span>
        </div>
        {conflict && (
          <Meanwhile
            dimension={dimension}
            conflict={conflict}
            onDecide={(mine) => void measures.decide(dimension, conflict, mine)}
          />
        )}
        {odd && !fault && (
          <Odd
            doubt={odd}
            reading={reading}
            disabled={disabled}
            onTake={(slip) => takeSlip(dimension, slip)}
          />
        )}
        {(asked ?? measures.isReasonWanted(dimension)) && (
          <Reason id={dimension} onKeep={(why) => void measures.keep(dimension, why)} />
        )}
        {reason && !isWaiting && (
          <span className={styles.odd}>{sayWith('measure.reason.kept', { reason })}</span>
        )}
        {fault && (
          <span className={styles.fault} id={`${dimension}-fault`} role="alert">
            {fault}{' '}
            {measures.readingsOf(dimension).map((text) => (
              <button
                key={text}
                type="button"
                className={parts.plainButton}
                onClick={() => take(dimension, text)}
              >
                {sayWith('measure.take', { value: `${text} ${unitOf(dimension, reading)}` })}
              </button>
            ))}
          </span>
        )}
      </li>
    );
  };

  if (signs.isStopped && !disabled)
    return <section aria-label={word('measure.title')}>{signs.panel}</section>;
  return (
    <section aria-label={word('measure.title')}>
      {!disabled && signs.panel}
      <div className={styles.summary}>
        <h2>{word('measure.title')}</h2>
        <span>
          {sayWith('measure.progress', {
            n: FITTING_DIMENSIONS.length - missing.length,
            all: FITTING_DIMENSIONS.length,
          })}
        </span>
        <SaveState saving={measures.saving} />
        <span className={parts.soft}>
          {word('measure.examples.length')} · {word('measure.next')}
        </span>
      </div>
      <Notes missing={missing} filled={filling?.isOn === false ? [] : (told?.filled ?? [])} />
      {told && missing.length > 0 && (
        <EstimatedBy told={told} sitter={sitter} onSaved={onSaved} disabled={disabled} />
      )}
      {filling && missing.length > 0 && (
        <p className={parts.soft}>
          <label>
            <input
              type="checkbox"
              checked={filling.isOn}
              disabled={disabled}
              onChange={(e) => filling.onChange(e.currentTarget.checked)}
            />{' '}
            {word('measure.fill')}
          </label>{' '}
          {!filling.isOn && <span className={parts.soft}>{word('measure.fill.off')}</span>}
        </p>
      )}
      <ul className={styles.list}>{FITTING_DIMENSIONS.map(row)}</ul>
      <details className={styles.more} open={MORE.some((id) => sitter.body[id]) || undefined}>
        <summary>{word('measure.more')}</summary>
        <ul className={styles.list}>{MORE.map(row)}</ul>
      </details>
    </section>
  );
}
