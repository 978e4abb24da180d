import { useRef, type KeyboardEvent } from 'react';
import { DIMENSIONS, DIMENSION_IDS, missingOf, pairDoubts, type DimensionId } from '../../core/body';
import { NEEDED_FOR } from '../../core/fit';
import type { SitterDetail } from '../../contract';
import { useReading } from '../../ui/preferences';
import { SaveState } from '../../ui/SaveState';
import parts from '../../ui/parts.module.css';
import { sayDate, sayValue, word, type Reading } from '../../words';
import { unitOf, useMeasures } from './use-measures';
import styles from './measures.module.css';

const neededFor = (dimension: DimensionId): string =>
  NEEDED_FOR[dimension]
    .map((id) => word(id === 'ratedLoad' || id === 'seatWidth' ? `check.${id}` : `kind.${id}`).toLowerCase())
    .join(', ');

function noteOf(sitter: SitterDetail, dimension: DimensionId, reading: Reading): string {
  const quantity = sitter.body[dimension];
  if (!quantity) return word('measure.missing');
  const date = quantity.takenAt ? sayDate(quantity.takenAt, reading) : '';
  return quantity.takenBy
    ? word('measure.takenBy').replace('{by}', quantity.takenBy).replace('{date}', date)
    : word('measure.taken').replace('{date}', date);
}

function doubtsOf(sitter: SitterDetail, reading: Reading): Partial<Record<DimensionId, string>> {
  const doubts = pairDoubts(sitter.body).map((d) => {
    const text = word('measure.doubt.notBelow')
      .replace('{other}', word(`dimension.${d.other ?? d.dimension}`).toLowerCase())
      .replace('{limit}', sayValue({ mm: d.limit }, reading));
    return [d.dimension, text] as const;
  });
  return Object.fromEntries(doubts);
}

/** All measures of a sitter, in the order of measuring; each is saved by itself. */
export function MeasureForm({
  sitter,
  onSaved,
  disabled = false,
}: {
  readonly sitter: SitterDetail;
  readonly onSaved: (sitter: SitterDetail) => void;
  readonly disabled?: boolean;
}) {
  const reading = useReading();
  const measures = useMeasures(sitter, reading, onSaved);
  const doubts = doubtsOf(sitter, reading);
  const fields = useRef<Partial<Record<DimensionId, HTMLInputElement | null>>>({});
  const missing = missingOf(sitter.body, DIMENSION_IDS);

  const onKey = (event: KeyboardEvent<HTMLInputElement>, dimension: DimensionId) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    measures.leave(dimension);
    const next = DIMENSION_IDS[DIMENSION_IDS.indexOf(dimension) + 1];
    const field = next && fields.current[next];
    field?.focus();
    field?.select();
  };

  const take = (dimension: DimensionId, text: string) => {
    measures.type(dimension, text);
    measures.leave(dimension);
  };

  const row = (dimension: DimensionId) => {
    const fault = measures.faultOf(dimension) ?? doubts[dimension] ?? null;
    const about = `${dimension}-about`;
    return (
      <li
        key={dimension}
        className={styles.row}
        data-missing={sitter.body[dimension] ? undefined : true}
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
            <span className={styles.needed}>
              {word('measure.needed').replace('{list}', neededFor(dimension))}
            </span>
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
              aria-describedby={fault ? `${about} ${dimension}-fault` : about}
              onChange={(e) => measures.type(dimension, e.currentTarget.value)}
              onBlur={() => measures.leave(dimension)}
              onKeyDown={(e) => onKey(e, dimension)}
            />
            <span className={styles.unit}>{unitOf(dimension, reading)}</span>
          </span>
          <span className={styles.note}>{noteOf(sitter, dimension, reading)}</span>
        </div>
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
                {word('measure.take').replace('{value}', `${text} ${unitOf(dimension, reading)}`)}
              </button>
            ))}
          </span>
        )}
      </li>
    );
  };

  const said = (id: DimensionId) => word(`dimension.${id}`).toLowerCase();
  return (
    <section aria-label={word('measure.title')}>
      <div className={styles.summary}>
        <h2>{word('measure.title')}</h2>
        <span>
          {word('measure.progress')
            .replace('{n}', String(DIMENSION_IDS.length - missing.length))
            .replace('{all}', String(DIMENSION_IDS.length))}
        </span>
        <SaveState saving={measures.saving} />
        <span className={parts.soft}>
          {word('measure.examples.length')} · {word('measure.next')}
        </span>
      </div>
      {missing.length > 0 && (
        <p className={parts.soft}>
          {word('measure.missingNote').replace('{list}', missing.map(said).join(', '))}
        </p>
      )}
      <ul className={styles.list}>{DIMENSION_IDS.map(row)}</ul>
    </section>
  );
}
