import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useCallback, useState, type SubmitEvent } from 'react';
import { SEXES } from '../../core/body';
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
import { sayDate, word, type Reading } from '../../words';
import { FittingTable } from '../fittings/FittingTable';
import { History } from './History';
import { MeasureForm } from './MeasureForm';
import { Standing } from './Standing';
import styles from './people.module.css';

/** Who somebody is, as typed. */
type Who = Pick<SitterDetail, 'name' | 'birthDate' | 'sex'>;
const FIELDS = ['name', 'birthDate', 'sex'] as const satisfies readonly (keyof Who)[];

const whoOf = ({ name, birthDate, sex }: Who): Who => ({ name, birthDate, sex });
const isSame = (a: Who, b: Who): boolean => FIELDS.every((field) => a[field] === b[field]);

function sayField(field: keyof Who, who: Who, reading: Reading): string {
  if (field === 'sex') return word(`people.sex.${who.sex ?? 'none'}`);
  if (field === 'name') return who.name;
  return who.birthDate ? sayDate(who.birthDate, reading) : '–';
}

function Identity({
  sitter,
  onSaved,
}: {
  readonly sitter: SitterDetail;
  readonly onSaved: (sitter: SitterDetail) => void;
}) {
  const [typed, setTyped] = useState<Who>(whoOf(sitter));
  const [fault, setFault] = useState<{ name?: string; birthDate?: string; other?: string }>({});
  const [theirs, setTheirs] = useState<SitterDetail | null>(null);
  const reading = useReading();
  const mine: Who = { ...typed, name: typed.name.trim() };
  const put = (part: Partial<Who>) => setTyped({ ...typed, ...part });
  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    if (mine.name === '') return setFault({ name: word('people.nameMissing') });
    setFault({});
    await send(mine, sitter.version);
  };
  const send = async (edit: Who, version: number) => {
    try {
      const saved = await api.editSitter(sitter.id, version, edit);
      setTheirs(null);
      setTyped(whoOf(saved));
      onSaved(saved);
    } catch (error) {
      const problem = error instanceof ClientError ? error.problem : null;
      const current = SitterDetailSchema.safeParse(problem?.current).data;
      if (current && isSame(current, sitter)) {
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
    const of = (field: keyof Who): Who => (picks[field] === 'theirs' ? theirs : mine);
    await send(
      { name: of('name').name, birthDate: of('birthDate').birthDate, sex: of('sex').sex },
      theirs.version,
    );
  };
  if (theirs) {
    const rows = FIELDS.map((id) => ({
      id,
      name: word(`people.${id}`),
      mine: sayField(id, mine, reading),
      theirs: sayField(id, theirs, reading),
    })).filter((row) => row.mine !== row.theirs);
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
        value={typed.name}
        maxLength={120}
        onChange={(e) => put({ name: e.currentTarget.value })}
        error={fault.name}
        style={{ flex: '1 1 18rem' }}
      />
      <TextInput
        type="date"
        label={word('people.birthDate')}
        value={typed.birthDate ?? ''}
        onChange={(e) => put({ birthDate: e.currentTarget.value || null })}
        error={fault.birthDate}
      />
      <NativeSelect
        label={word('people.sex')}
        value={typed.sex ?? ''}
        onChange={(e) => put({ sex: (e.currentTarget.value || null) as Who['sex'] })}
        data={[
          { value: '', label: word('people.sex.none') },
          ...SEXES.map((sex) => ({ value: sex, label: word(`people.sex.${sex}`) })),
        ]}
      />
      <Button type="submit" variant="default" disabled={isSame(mine, sitter)}>
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
        <span className={styles.acts}>
          <Button component="a" variant="default" href={`/people/${sitter.id}/measure`}>
            {word('people.measureGuided')}
          </Button>
          <Button onClick={() => void start()}>{word('fittings.start')}</Button>
        </span>
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
      <PanelBoundary>
        <History sitter={sitter} />
      </PanelBoundary>
      <PanelBoundary>
        <Standing sitter={sitter} />
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
