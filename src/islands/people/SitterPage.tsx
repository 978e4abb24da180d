import { Button, TextInput } from '@mantine/core';
import { useCallback, useState, type SubmitEvent } from 'react';
import type { FittingSummary, SitterDetail } from '../../contract';
import { SitterDetailSchema } from '../../contract';
import { ClientError, api, explain } from '../../ui/client';
import { Conflict, type Picks } from '../../ui/Conflict';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import { PanelBoundary } from '../../ui/PanelBoundary';
import { useReading, type PageProps } from '../../ui/preferences';
import { rememberDeletion } from '../../ui/undo';
import parts from '../../ui/parts.module.css';
import { sayDate, word } from '../../words';
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
  const [theirs, setTheirs] = useState<SitterDetail | null>(null);
  const reading = useReading();
  const changed = name.trim() !== sitter.name || (birthDate || null) !== sitter.birthDate;
  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    if (name.trim() === '') return setFault({ name: word('people.nameMissing') });
    setFault({});
    await send({ name: name.trim(), birthDate: birthDate || null }, sitter.version);
  };
  const send = async (edit: { name: string; birthDate: string | null }, version: number) => {
    try {
      const saved = await api.editSitter(sitter.id, version, edit);
      setTheirs(null);
      setName(saved.name);
      setBirthDate(saved.birthDate ?? '');
      onSaved(saved);
    } catch (error) {
      const problem = error instanceof ClientError ? error.problem : null;
      const current = SitterDetailSchema.safeParse(problem?.current).data;
      if (current && current.name === sitter.name && current.birthDate === sitter.birthDate) {
        // Only measures were taken meanwhile: they do not touch what is changed here.
        onSaved(current);
        return send(edit, current.version);
      }
      if (current) return setTheirs(current);
      const onDate = problem?.errors?.[0]?.detail;
      setFault(onDate ? { birthDate: onDate } : { other: explain(error) });
    }
  };
  const decide = async (picks: Picks) => {
    if (!theirs) return;
    onSaved(theirs);
    await send(
      {
        name: picks.name === 'theirs' ? theirs.name : name.trim(),
        birthDate: picks.birthDate === 'theirs' ? theirs.birthDate : birthDate || null,
      },
      theirs.version,
    );
  };
  if (theirs) {
    const date = (d: string | null) => (d ? sayDate(d, reading) : '–');
    const rows = [
      { id: 'name', name: word('people.name'), mine: name.trim(), theirs: theirs.name },
      {
        id: 'birthDate',
        name: word('people.birthDate'),
        mine: date(birthDate || null),
        theirs: date(theirs.birthDate),
      },
    ].filter((row) => row.mine !== row.theirs);
    return (
      <Conflict
        rows={rows.map((row) => ({ ...row, first: 'mine' }))}
        onDecide={(picks) => void decide(picks)}
      />
    );
  }
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
      setFault(explain(error));
    }
  };
  const remove = async () => {
    try {
      rememberDeletion('sitter', sitter.name, await api.deleteSitter(sitter.id));
      window.location.href = '/people';
    } catch (error) {
      setFault(explain(error));
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
      <div className={parts.deletion}>
        <button type="button" className={parts.dangerButton} onClick={() => void remove()}>
          {word('people.delete')}
        </button>
        <span className={parts.soft}>{word('people.delete.what')}</span>
      </div>
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
