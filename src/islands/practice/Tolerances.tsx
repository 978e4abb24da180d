import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { DIMENSIONS, DIMENSION_IDS, type DimensionId } from '../../core/body';
import type { OwnTolerances } from '../../contract';
import { TOLERANCE_LIMITS } from '../../core/measuring';
import { api, currentOf, explain } from '../../ui/client';
import { ValueConflict } from '../../ui/ValueConflict';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import { parseMeasure, sayIn, typed, unitOf } from '../shared/measures/use-measures';
import styles from './practice.module.css';

/** What came of saving: another value that somebody saved at the same time, or null. */
type Saved = { readonly saved: number | undefined } | null;

/** One tolerance: kept when the field is left or Enter is pressed; emptied it is as built in again. */
function Tolerance({
  id,
  kept,
  onSave,
}: {
  readonly id: DimensionId;
  readonly kept: number | undefined;
  readonly onSave: (value: number | undefined) => Promise<Saved>;
}) {
  const reading = useReading();
  const { unit, repeatTolerance } = DIMENSIONS[id];
  const inField = (value: number | undefined) => (value === undefined ? '' : typed(id, value, reading));
  const [text, setText] = useState(inField(kept));
  const [fault, setFault] = useState<string | null>(null);
  const [conflict, setConflict] = useState<{ mine: number | undefined; saved: number | undefined } | null>(
    null,
  );
  const send = async (value: number | undefined) => {
    try {
      const other = await onSave(value);
      setConflict(other && { mine: value, saved: other.saved });
    } catch (error) {
      setFault(explain(error));
    }
  };
  const save = async () => {
    const parsed = parseMeasure(id, text, reading);
    const [lowest, highest] = TOLERANCE_LIMITS[unit];
    const isEmpty = !parsed.ok && parsed.reason === 'empty';
    if (!isEmpty && !(parsed.ok && lowest <= parsed.value && parsed.value <= highest))
      return setFault(
        sayWith('tolerance.fault', { low: sayIn(id, lowest, reading), high: sayIn(id, highest, reading) }),
      );
    const value = parsed.ok ? parsed.value : undefined;
    setFault(null);
    if (value !== kept && conflict === null) await send(value);
  };
  const said = (value: number | undefined) => sayIn(id, value ?? repeatTolerance, reading);
  return (
    <>
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
      {conflict && (
        <ValueConflict
          mine={said(conflict.mine)}
          saved={said(conflict.saved)}
          onKeepMine={() => void send(conflict.mine)}
          onUseSaved={() => {
            setText(inField(conflict.saved));
            setConflict(null);
          }}
        />
      )}
    </>
  );
}

/** By how much two readings may differ before a third is asked for. */
export function Tolerances({ first }: { readonly first: OwnTolerances }) {
  const { length } = useReading();
  const [own, setOwn] = useState(first);
  const save = async (
    id: DimensionId,
    value: number | undefined,
    on: OwnTolerances = own,
  ): Promise<Saved> => {
    const next = Object.fromEntries(
      Object.entries({ ...on.tolerances, [id]: value }).filter(([, kept]) => kept !== undefined),
    );
    try {
      setOwn(await api.saveTolerances(on.version, next));
      return null;
    } catch (error) {
      const theirs = currentOf<OwnTolerances>(error);
      if (!theirs || theirs.version === on.version) throw error;
      const saved = theirs.tolerances[id];
      // Others were changed at the same time, and not this one: nothing to decide.
      if (saved === own.tolerances[id]) return save(id, value, theirs);
      setOwn(theirs);
      return saved === value ? null : { saved };
    }
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
                <Tolerance
                  key={length}
                  id={id}
                  kept={own.tolerances[id]}
                  onSave={(value) => save(id, value)}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
