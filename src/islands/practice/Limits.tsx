/** How many people of a table have every dimension between two ends: counted in the background. */
import { Button, NativeSelect, Progress, TextInput } from '@mantine/core';
import { useReading } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import type { TableSummary } from '../../contract';
import { BODY_DIMENSIONS, type BodyDimension } from '../../core/population/table';
import { sayTable, sayWith, word, type Reading } from '../../words';
import { unitOf } from '../shared/measures/use-measures';
import { COUNT, WHO, useLimits, type LimitText, type Outcome } from './use-limits';
import styles from './practice.module.css';

const PERCENT = 100;

function LimitRow({
  limit,
  fault,
  share,
  used,
  reading,
  onChange,
  onRemove,
}: {
  readonly limit: LimitText;
  readonly fault: string | null;
  /** Of those drawn so far; null before. */
  readonly share: number | null;
  readonly used: readonly BodyDimension[];
  readonly reading: Reading;
  readonly onChange: (change: Partial<LimitText>) => void;
  readonly onRemove: (() => void) | null;
}) {
  const name = word(`dimension.${limit.dimension}`);
  const unit = unitOf(limit.dimension, reading);
  return (
    <li className={styles.limit}>
      <NativeSelect
        aria-label={word('limits.dimension')}
        value={limit.dimension}
        onChange={(e) => onChange({ dimension: e.currentTarget.value as BodyDimension })}
        data={BODY_DIMENSIONS.filter((id) => id === limit.dimension || !used.includes(id)).map((value) => ({
          value,
          label: word(`dimension.${value}`),
        }))}
      />
      {(['from', 'to'] as const).map((end) => (
        <TextInput
          key={end}
          aria-label={`${name}, ${sayWith(`limits.${end}`, { unit })}`}
          value={limit[end]}
          inputMode="decimal"
          rightSection={<span className={parts.soft}>{unit}</span>}
          error={end === 'from' ? fault : undefined}
          onChange={(e) => onChange({ [end]: e.currentTarget.value })}
        />
      ))}
      <span className={styles.share}>
        <span className="visually-hidden">{word('limits.alone')}: </span>
        {share === null ? '' : `${(PERCENT * share).toFixed(1)}%`}
      </span>
      {onRemove && (
        <button
          type="button"
          className={parts.plainButton}
          onClick={onRemove}
          aria-label={`${word('limits.remove')}: ${name}`}
        >
          ×
        </button>
      )}
    </li>
  );
}

function Result({ outcome }: { readonly outcome: Outcome }) {
  const { counted, isDone } = outcome;
  const share = counted.all / counted.people;
  const error = Math.sqrt((share * (1 - share)) / counted.people);
  const least = Math.min(...counted.each) / counted.people;
  if (!isDone) return null;
  return (
    <p role="status">
      <strong>
        {sayWith('limits.all', {
          percent: (PERCENT * share).toFixed(1),
          error: (PERCENT * error).toFixed(2),
        })}
      </strong>
      . {sayWith('limits.least', { percent: (PERCENT * least).toFixed(1) })}
    </p>
  );
}

export function Limits({ tables }: { readonly tables: readonly TableSummary[] }) {
  const reading = useReading();
  const limits = useLimits(tables, reading);
  const { rows, outcome, state } = limits;
  const percent = outcome ? Math.round((PERCENT * outcome.counted.people) / COUNT) : 0;
  return (
    <section className={styles.panel} aria-label={word('limits.title')}>
      <h2>{word('limits.title')}</h2>
      <p className={parts.soft}>{word('limits.about')}</p>
      <div className={styles.choices}>
        <NativeSelect
          label={word('limits.table')}
          value={limits.table.id}
          onChange={(e) => limits.chooseTable(e.currentTarget.value)}
          data={tables.map(({ table }) => ({ value: table.id, label: sayTable(table) }))}
        />
        <NativeSelect
          label={word('limits.who')}
          value={limits.who}
          onChange={(e) => limits.chooseWho(e.currentTarget.value as (typeof WHO)[number])}
          data={WHO.map((who) => ({ value: who, label: word(`measure.who.${who}`) }))}
        />
      </div>
      <div className={`${styles.limit} ${styles.head}`} aria-hidden="true">
        <span>{word('limits.dimension')}</span>
        <span>{word('limits.from.head')}</span>
        <span>{word('limits.to.head')}</span>
        <span>{word('limits.alone')}</span>
      </div>
      <ul className={styles.limits}>
        {rows.map((limit, i) => (
          <LimitRow
            key={limit.key}
            limit={limit}
            fault={limits.faults[i] ?? null}
            share={outcome ? outcome.counted.each[i]! / outcome.counted.people : null}
            used={rows.map((r) => r.dimension)}
            reading={reading}
            onChange={(change) => limits.change(limit.key, change)}
            onRemove={rows.length > 1 ? () => limits.remove(limit.key) : null}
          />
        ))}
      </ul>
      <div className={styles.choices}>
        <button
          type="button"
          className={parts.plainButton}
          disabled={rows.length >= BODY_DIMENSIONS.length}
          onClick={limits.add}
        >
          {word('limits.add')}
        </button>
        {state === 'counting' ? (
          <Button variant="default" onClick={limits.cancel}>
            {word('limits.cancel')}
          </Button>
        ) : (
          <Button onClick={() => void limits.count()} disabled={!limits.isReady}>
            {sayWith('limits.count', { n: new Intl.NumberFormat(reading.locale).format(COUNT) })}
          </Button>
        )}
      </div>
      {state === 'counting' && (
        <>
          <Progress value={percent} aria-label={word('limits.title')} />
          <p className={parts.soft}>{sayWith('limits.counting', { percent })}</p>
        </>
      )}
      {state === 'cancelled' && <p role="status">{word('limits.cancelled')}</p>}
      {state === 'failed' && <p role="alert">{word('limits.failed')}</p>}
      {outcome && <Result outcome={outcome} />}
    </section>
  );
}
