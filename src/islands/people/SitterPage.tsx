import { Button, TextInput } from '@mantine/core';
import { useCallback, useState, type SubmitEvent } from 'react';
import type { FittingSummary, SitterDetail } from '../../contract';
import { SitterDetailSchema } from '../../contract';
import { ClientError, api } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import { PanelBoundary } from '../../ui/PanelBoundary';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import { FittingTable } from '../fittings/FittingTable';
import { MeasureForm } from './MeasureForm';
import styles from './people.module.css';

function Identity({
  sitter,
  onSaved,
}: {
  readonly sitter: SitterDetail;
  readonly onSaved: (sitter: SitterDetail) => void;
}) {
  const [name, setName] = useState(sitter.name);
  const [birthDate, setBirthDate] = useState(sitter.birthDate ?? '');
  const [fault, setFault] = useState<{ name?: string; birthDate?: string; other?: string }>({});
  const changed = name.trim() !== sitter.name || (birthDate || null) !== sitter.birthDate;
  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    if (name.trim() === '') return setFault({ name: word('people.nameMissing') });
    setFault({});
    try {
      onSaved(
        await api.editSitter(sitter.id, sitter.version, { name: name.trim(), birthDate: birthDate || null }),
      );
    } catch (error) {
      const problem = error instanceof ClientError ? error.problem : null;
      const current = SitterDetailSchema.safeParse(problem?.current);
      if (current.success) onSaved(current.data);
      const onDate = problem?.errors?.[0]?.detail;
      setFault(
        onDate
          ? { birthDate: onDate }
          : { other: current.success ? word('fault.changed') : (problem?.title ?? word('save.offline')) },
      );
    }
  };
  return (
    <form
      className={styles.identity}
      onSubmit={(e) => void save(e)}
      aria-label={word('people.edit')}
      noValidate
    >
      <TextInput
        label={word('people.name')}
        value={name}
        maxLength={120}
        onChange={(e) => setName(e.currentTarget.value)}
        error={fault.name}
        style={{ flex: '1 1 18rem' }}
      />
      <TextInput
        type="date"
        label={word('people.birthDate')}
        value={birthDate}
        onChange={(e) => setBirthDate(e.currentTarget.value)}
        error={fault.birthDate}
      />
      <Button type="submit" variant="default" disabled={!changed}>
        {word('people.save')}
      </Button>
      {fault.other && <p role="alert">{fault.other}</p>}
    </form>
  );
}

function SitterScreen({
  page,
  initial,
  fittings,
}: {
  readonly page: PageProps;
  readonly initial: SitterDetail;
  readonly fittings: readonly FittingSummary[];
}) {
  const [sitter, setSitter] = useState(initial);
  const [fault, setFault] = useState<string | null>(null);
  const onSaved = useCallback((saved: SitterDetail) => setSitter(saved), []);
  const start = async () => {
    try {
      const fitting = await api.createFitting({ id: newId(), sitterId: sitter.id, fitterId: page.fitterId });
      window.location.href = `/fittings/${fitting.id}`;
    } catch (error) {
      setFault(error instanceof ClientError && error.problem ? error.problem.title : word('save.offline'));
    }
  };
  return (
    <>
      <div className={parts.head}>
        <h1>{sitter.name}</h1>
        <Button onClick={() => void start()}>{word('fittings.start')}</Button>
      </div>
      {fault && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          {fault}
        </div>
      )}
      <Identity sitter={sitter} onSaved={onSaved} />
      <PanelBoundary>
        <MeasureForm sitter={sitter} onSaved={onSaved} />
      </PanelBoundary>
      <section className={styles.fittings} aria-label={word('people.fittings')}>
        <h2>{word('people.fittings')}</h2>
        {fittings.length > 0 ? (
          <FittingTable fittings={fittings} />
        ) : (
          <p className={parts.soft}>{word('people.noFittings')}</p>
        )}
      </section>
    </>
  );
}

export default function SitterPage({
  page,
  sitter,
  fittings,
}: {
  readonly page: PageProps;
  readonly sitter: SitterDetail;
  readonly fittings: readonly FittingSummary[];
}) {
  return (
    <Frame page={page} area="people">
      <SitterScreen page={page} initial={sitter} fittings={fittings} />
    </Frame>
  );
}
