/** What a method aims at, condition by condition, with who stands behind each; rows can be opened for change. */
import type { ReactNode } from 'react';
import type { Target } from '../../core/target';
import { CONDITION_IDS, type ConditionId } from '../../core/fit';
import { useReading } from '../../ui/preferences';
import { WideTable } from '../../ui/WideTable';
import parts from '../../ui/parts.module.css';
import { word, type Reading } from '../../words';
import { BOUNDS, sayBound, unitOfCondition, type TargetText } from './method-text';
import type { TargetsForm } from './use-method-form';
import styles from './practice.module.css';

function sayInterval(
  id: ConditionId,
  lo: number | undefined,
  hi: number | undefined,
  reading: Reading,
): string {
  if (lo === undefined && hi === undefined) return '–';
  const unit = unitOfCondition(id, reading);
  const say = (n: number | undefined) => (n === undefined ? '…' : sayBound(id, n, reading));
  const text = lo === hi ? say(lo) : `${say(lo)} … ${say(hi)}`.replace('… …', '…');
  return unit === '°' ? `${text}°` : `${text} ${unit}`.trim();
}

function Shown({
  id,
  target,
  act,
}: {
  readonly id: ConditionId;
  readonly target: Target;
  readonly act: ReactNode;
}) {
  const reading = useReading();
  return (
    <tr>
      <th scope="row">{word(`condition.${id}`)}</th>
      <td>{sayInterval(id, target.aimLo, target.aimHi, reading)}</td>
      <td>{sayInterval(id, target.bandLo, target.bandHi, reading)}</td>
      <td>{sayInterval(id, target.hardLo, target.hardHi, reading)}</td>
      <td>{target.weight}</td>
      <td>
        {word(`basis.${target.basis}`)}
        {target.basis === 'published' && <div className={parts.soft}>{target.source}</div>}
        {target.source === word('methods.ownSource') && <div className={parts.soft}>{target.source}</div>}
      </td>
      <td>{act}</td>
    </tr>
  );
}

function Opened({
  id,
  text,
  fault,
  form,
}: {
  readonly id: ConditionId;
  readonly text: TargetText;
  readonly fault: string | undefined;
  readonly form: TargetsForm;
}) {
  const reading = useReading();
  const name = word(`condition.${id}`);
  return (
    <tr data-open>
      <th scope="row">{name}</th>
      <td colSpan={6}>
        <div className={styles.bounds}>
          {[...BOUNDS, 'weight' as const, 'source' as const].map((key) => (
            <label key={key} data-wide={key === 'source' || undefined}>
              {word(`bound.${key}`)}
              {key !== 'weight' && key !== 'source' && ` ${unitOfCondition(id, reading)}`}
              <input
                value={text[key]}
                aria-label={`${name}: ${word(`bound.${key}`)}`}
                aria-invalid={fault !== undefined}
                onChange={(e) => form.type(id, { [key]: e.currentTarget.value })}
              />
            </label>
          ))}
        </div>
        {fault && (
          <p role="alert" className={styles.faults}>
            {fault}
          </p>
        )}
      </td>
    </tr>
  );
}

/**
 * @param targetAt what is aimed at now
 * @param form null: nothing can be changed
 * @param isStep a step leaves the room behind the knee to its method
 */
export function TargetTable({
  targetAt,
  form,
  isStep = false,
}: {
  readonly targetAt: (id: ConditionId) => Target;
  readonly form: TargetsForm | null;
  readonly isStep?: boolean;
}) {
  return (
    <div className={styles.rows}>
      <WideTable name={word('methods.targets')}>
        <thead>
          <tr>
            {(['condition', 'aim', 'band', 'hard', 'weight', 'basis'] as const).map((head) => (
              <th key={head} scope="col">
                {word(`methods.${head}`)}
              </th>
            ))}
            <th scope="col">
              <span className="visually-hidden">{word('methods.change')}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {CONDITION_IDS.filter((id) => !isStep || id !== 'kneeRoom').map((id) => {
            const text = form?.texts[id];
            if (form && text)
              return <Opened key={id} id={id} text={text} fault={form.faultOf(id)} form={form} />;
            const act = form && (
              <button
                type="button"
                className={parts.plainButton}
                aria-label={`${word('methods.change')}: ${word(`condition.${id}`)}`}
                onClick={() => form.open(id)}
              >
                {word('methods.change')}
              </button>
            );
            return <Shown key={id} id={id} target={targetAt(id)} act={act} />;
          })}
        </tbody>
      </WideTable>
    </div>
  );
}
