import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { DIMENSIONS, DIMENSION_IDS, type DimensionId } from '../../core/body';
import { TOLERANCE_LIMITS, type Tolerances as Own } from '../../core/measuring';
import { TolerancesSchema } from '../../contract/tolerances';
import { call, explain } from '../../ui/client';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { word } from '../../words';
import { parseMeasure, sayIn, typed, unitOf } from '../people/use-measures';
import styles from './practice.module.css';

/** One tolerance: kept when the field is left or Enter is pressed; emptied it is as usual again. */
function Tolerance({
  id,
  kept,
  onSave,
}: {
  readonly id: DimensionId;
  readonly kept: number | undefined;
  readonly onSave: (value: number | undefined) => Promise<void>;
}) {
  const reading = useReading();
  const { unit, repeatTolerance } = DIMENSIONS[id];
  const [text, setText] = useState(kept === undefined ? '' : typed(id, kept, reading));
  const [fault, setFault] = useState<string | null>(null);
  const save = async () => {
    const parsed = parseMeasure(id, text, reading);
    const [lowest, highest] = TOLERANCE_LIMITS[unit];
    const isEmpty = !parsed.ok && parsed.reason === 'empty';
    if (!isEmpty && !(parsed.ok && lowest <= parsed.value && parsed.value <= highest))
      return setFault(
        word('tolerance.fault')
          .replace('{low}', sayIn(id, lowest, reading))
          .replace('{high}', sayIn(id, highest, reading)),
      );
    const value = parsed.ok ? parsed.value : undefined;
    setFault(null);
    if (value === kept) return;
    try {
      await onSave(value);
    } catch (error) {
      setFault(explain(error));
    }
  };
  return (
    <TextInput
      aria-label={word(`dimension.${id}`)}
      value={text}
      placeholder={typed(id, repeatTolerance, reading)}
      onChange={(e) => setText(e.currentTarget.value)}
      onBlur={() => void save()}
      onKeyDown={(e) => e.key === 'Enter' && void save()}
      error={fault}
      inputMode="decimal"
      rightSection={<span className={parts.soft}>{unitOf(id, reading)}</span>}
    />
  );
}

/** By how much two readings may differ before a third is asked for. */
export function Tolerances({ first }: { readonly first: Own }) {
  const { length } = useReading();
  const [own, setOwn] = useState(first);
  const save = async (id: DimensionId, value: number | undefined) => {
    const next = Object.fromEntries(
      Object.entries({ ...own, [id]: value }).filter(([, kept]) => kept !== undefined),
    );
    setOwn(await call('/tolerances', TolerancesSchema, { method: 'PUT', body: next }));
  };
  return (
    <details>
      <summary>{word('tolerance.show')}</summary>
      <table className={`${parts.table} ${styles.fitters}`}>
        <thead>
          <tr>
            <th scope="col">{word('repeat.dimension')}</th>
            <th scope="col">{word('tolerance.own')}</th>
          </tr>
        </thead>
        <tbody>
          {DIMENSION_IDS.map((id) => (
            <tr key={id}>
              <th scope="row">{word(`dimension.${id}`)}</th>
              <td>
                <Tolerance key={length} id={id} kept={own[id]} onSave={(value) => save(id, value)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
