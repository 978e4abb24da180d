/** Further postures of a fitting: each named, solved by itself, and said by what it sets differently. */
import '../../words/sheet';
import { NativeSelect, TextInput } from '@mantine/core';
import { memo, useMemo, useState, type FormEvent } from 'react';
import type { FittingEdit, PostureSet } from '../../contract';
import { MOST_POSTURES } from '../../core/fit';
import { TASKS, type Task } from '../../core/place';
import { postureRows } from '../../core/card';
import { usePart } from '../../drawing';
import parts from '../../ui/parts.module.css';
import { useSay } from '../../ui/preferences';
import { word } from '../../words';
import type { Setting } from './use-setting';
import styles from './set.module.css';

/** A lean that a back can have, degrees. */
const LEANS = { least: -10, most: 60 };

interface Props {
  readonly setting: Setting;
  readonly postures: readonly PostureSet[];
  readonly disabled: boolean;
  readonly onEdit: (edit: FittingEdit) => void;
}

const withoutSettings = ({ name, task, leanDeg }: PostureSet) => ({
  name,
  ...(task && { task }),
  ...(leanDeg !== undefined && { leanDeg }),
});

function NewPosture({
  taken,
  disabled,
  onAdd,
}: {
  readonly taken: readonly string[];
  readonly disabled: boolean;
  readonly onAdd: (posture: ReturnType<typeof withoutSettings>) => void;
}) {
  const [name, setName] = useState('');
  const [task, setTask] = useState<Task | ''>('');
  const [lean, setLean] = useState('');
  const [fault, setFault] = useState<{ readonly name?: string; readonly lean?: string }>({});
  const add = (event: FormEvent) => {
    event.preventDefault();
    const leanDeg = lean.trim() === '' ? undefined : Number(lean.replace(',', '.').replace('°', ''));
    const own = name.trim();
    const isTaken = taken.some((other) => other.toLowerCase() === own.toLowerCase());
    const isLean = leanDeg === undefined || (LEANS.least <= leanDeg && leanDeg <= LEANS.most);
    const found = {
      ...(own === '' && { name: word('postures.fault.name') }),
      ...(isTaken && { name: word('postures.fault.taken') }),
      ...(!isLean && { lean: word('postures.fault.lean') }),
    };
    setFault(found);
    if (Object.keys(found).length > 0) return;
    onAdd({ name: own, ...(task && { task }), ...(leanDeg !== undefined && { leanDeg }) });
    setName('');
    setTask('');
    setLean('');
  };
  return (
    <form className={styles.posture} onSubmit={add}>
      <TextInput
        label={word('postures.name')}
        placeholder={word('postures.name.hint')}
        value={name}
        error={fault.name}
        maxLength={60}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      <NativeSelect
        label={word('postures.task')}
        value={task}
        data={[
          { value: '', label: word('postures.task.same') },
          ...TASKS.map((t) => ({ value: t, label: word(`task.${t}`) })),
        ]}
        onChange={(e) => setTask(e.currentTarget.value as Task | '')}
      />
      <TextInput
        label={word('postures.lean')}
        placeholder={word('postures.lean.hint')}
        inputMode="decimal"
        value={lean}
        error={fault.lean}
        onChange={(e) => setLean(e.currentTarget.value)}
      />
      <button type="submit" className={parts.plainButton} disabled={disabled}>
        {word('postures.add')}
      </button>
    </form>
  );
}

function Kept({ setting, posture }: { readonly setting: Setting; readonly posture: PostureSet }) {
  const say = useSay();
  const assessment = usePart(setting.live.atRest, (a) => a);
  const rows = useMemo(() => postureRows(assessment, posture), [assessment, posture]);
  if (!rows) return <p className={parts.soft}>{word('postures.unset')}</p>;
  if (rows.length === 0) return <p className={parts.soft}>{word('postures.same')}</p>;
  return (
    <ul className={styles.differs}>
      {rows.map(({ kind, setting: words, check }) => (
        <li key={kind}>
          {word(`kind.${kind}`)}: <strong>{say(words)}</strong>
          {check && `, ${say(check)}`}
        </li>
      ))}
    </ul>
  );
}

export default memo(function Postures({ setting, postures, disabled, onEdit }: Props) {
  const keep = (next: readonly ReturnType<typeof withoutSettings>[]) => onEdit({ postures: [...next] });
  const own = postures.map(withoutSettings);
  return (
    <>
      <p className={parts.soft}>{word('postures.about')}</p>
      <ol>
        {postures.map((posture) => (
          <li key={posture.name}>
            <p>
              <strong>{posture.name}</strong>
              {posture.task && `, ${word(`task.${posture.task}`).toLowerCase()}`}
              {posture.leanDeg !== undefined && `, ${posture.leanDeg}°`}{' '}
              <button
                type="button"
                className={parts.plainButton}
                disabled={disabled}
                aria-label={`${word('postures.remove')}: ${posture.name}`}
                onClick={() => keep(own.filter((p) => p.name !== posture.name))}
              >
                {word('postures.remove')}
              </button>
            </p>
            <Kept setting={setting} posture={posture} />
          </li>
        ))}
      </ol>
      {postures.length < MOST_POSTURES - 1 && !disabled && (
        <NewPosture
          taken={own.map((p) => p.name)}
          disabled={disabled}
          onAdd={(posture) => keep([...own, posture])}
        />
      )}
    </>
  );
});
