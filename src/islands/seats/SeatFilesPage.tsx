import '../../words/pages';
import { Button, FileInput, Progress } from '@mantine/core';
import { useState } from 'react';
import { SEATS_SCHEMA_PATH } from '../../contract/schema-path';
import { SEATS_EXISTING_CHOICES, type SeatsExisting } from '../../contract/seats-choices';
import { SEATS_HEAD } from '../../core/exchange/seats-csv';
import { Frame } from '../../ui/Frame';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { WideTable } from '../../ui/WideTable';
import { sayClock, sayWith, t, word } from '../../words';
import type { SeatsFound } from '../../workers/seats';
import { useSeatImport, type SeatImportStage, type SeatPresences } from './use-seat-import';
import styles from './seats.module.css';

const TEMPLATE = `data:text/csv;charset=utf-8,${encodeURIComponent(`\uFEFF${SEATS_HEAD.join(',')}\r\n`)}`;
const MOST_SHOWN = 100;
const SAMPLE = 8;

function Going({
  text,
  done,
  of,
  onCancel,
}: {
  readonly text: string;
  readonly done: number;
  readonly of: number;
  readonly onCancel: () => void;
}) {
  return (
    <div className={styles.going}>
      <p role="status">{text}</p>
      <Progress value={of === 0 ? 0 : (100 * done) / of} aria-label={text} size="lg" />
      <Button variant="default" onClick={onCancel}>
        {word('seatFile.cancel')}
      </Button>
    </div>
  );
}

function Errors({ found }: { readonly found: SeatsFound }) {
  if (found.faultCount === 0) return null;
  return (
    <section aria-label={word('seatFile.errors')}>
      <h3>{word('seatFile.errors')}</h3>
      {found.faultCount > MOST_SHOWN && (
        <p className={parts.soft}>
          {sayWith('seatFile.errors.more', { n: MOST_SHOWN, all: found.faultCount })}
        </p>
      )}
      <WideTable name={word('seatFile.errors')}>
        <thead>
          <tr>
            {['row', 'column', 'value', 'why'].map((key) => (
              <th key={key} scope="col">
                {t(`seatFile.${key}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {found.faults.slice(0, MOST_SHOWN).map(({ row, column, value, reason }, i) => (
            <tr key={i}>
              <td>{row === 0 ? '–' : row}</td>
              <td>{column}</td>
              <td>{value}</td>
              <td>{t(reason, { value, lo: '', hi: '' })}</td>
            </tr>
          ))}
        </tbody>
      </WideTable>
    </section>
  );
}

function Sample({ found }: { readonly found: SeatsFound }) {
  return (
    <section aria-label={word('seatFile.sample')}>
      <h3>{word('seatFile.sample')}</h3>
      <table className={parts.table}>
        <thead>
          <tr>
            <th scope="col">{word('seatFile.row')}</th>
            <th scope="col">{word('people.name')}</th>
            <th scope="col">{word('seats.class')}</th>
          </tr>
        </thead>
        <tbody>
          {found.kept.slice(0, SAMPLE).map(({ row, id, name, seatClass }) => (
            <tr key={id}>
              <td>{row}</td>
              <td>{name}</td>
              <td>{word(`class.${seatClass}`)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Presence({ presences }: { readonly presences: SeatPresences | 'unseen' | null }) {
  if (presences === null) return <p className={parts.soft}>{word('seatFile.looking')}</p>;
  if (presences === 'unseen') return <p className={parts.notice}>{word('seatFile.unseen')}</p>;
  return <p role="status">{sayWith('seatFile.presence', presences)}</p>;
}

function Read({
  found,
  presences,
  onBegin,
}: Extract<SeatImportStage, { at: 'read' }> & { readonly onBegin: (existing: SeatsExisting) => void }) {
  const [existing, setExisting] = useState<SeatsExisting>('leave');
  const { rows, kept, badRows, ignored, isFlat } = found;
  const differs = presences !== null && (presences === 'unseen' || presences.differs > 0);
  return (
    <>
      {rows > 0 && (
        <p role="status">
          <strong>{sayWith('seatFile.counted', { rows, good: kept.length, bad: badRows })}</strong>
        </p>
      )}
      {kept.length > 0 && <Presence presences={presences} />}
      {ignored.length > 0 && (
        <p className={parts.soft}>{sayWith('seatFile.ignored', { list: ignored.join(', ') })}</p>
      )}
      {kept.length > 0 ? (
        <>
          {differs && isFlat && <p className={parts.soft}>{word('seatFile.flat')}</p>}
          {differs && !isFlat && (
            <fieldset className={styles.choice}>
              <legend>{word('seatFile.existing')}</legend>
              {SEATS_EXISTING_CHOICES.map((id) => (
                <label key={id}>
                  <input
                    type="radio"
                    name="existing"
                    checked={existing === id}
                    onChange={() => setExisting(id)}
                  />{' '}
                  {word(`seatFile.existing.${id}`)}
                </label>
              ))}
            </fieldset>
          )}
          {badRows > 0 && <p>{sayWith('seatFile.withErrors', { n: kept.length })}</p>}
          <Button onClick={() => onBegin(isFlat ? 'leave' : existing)} disabled={presences === null}>
            {sayWith('seatFile.begin', { n: kept.length })}
          </Button>
        </>
      ) : (
        <p className={parts.soft}>{word('seatFile.nothing')}</p>
      )}
      <Errors found={found} />
      {kept.length > 0 && <Sample found={found} />}
    </>
  );
}

function Import() {
  const reading = useReading();
  const { stage, recent, choose, begin, cancel, undo } = useSeatImport();
  const [file, setFile] = useState<File | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const isBusy = stage.at === 'reading' || stage.at === 'sending';
  return (
    <section aria-label={word('seatFile.import')}>
      <h2>{word('seatFile.import')}</h2>
      <p className={parts.soft}>
        {word('seatFile.import.what')}{' '}
        <a href={TEMPLATE} download="seats.csv">
          {word('seatFile.template')}
        </a>
      </p>
      <FileInput
        label={word('seatFile.file')}
        placeholder={word('seatFile.choose')}
        value={file}
        disabled={isBusy}
        accept=".json,.csv,application/json,text/csv"
        clearable
        onChange={(chosen) => {
          setFile(chosen);
          void choose(chosen);
        }}
      />
      {stage.at === 'nothing' && stage.note && (
        <p className={parts.notice} role="status">
          {stage.note}
        </p>
      )}
      {stage.at === 'reading' && (
        <Going
          text={sayWith('seatFile.reading', { n: stage.done, of: stage.of })}
          done={stage.done}
          of={stage.of}
          onCancel={() => {
            setFile(null);
            cancel();
          }}
        />
      )}
      {stage.at === 'read' && <Read {...stage} onBegin={(existing) => void begin(stage.found, existing)} />}
      {stage.at === 'sending' && (
        <Going
          text={sayWith('seatFile.sending', { n: stage.done, of: stage.of })}
          done={stage.done}
          of={stage.of}
          onCancel={cancel}
        />
      )}
      {stage.at === 'done' && (
        <div className={parts.notice}>
          <p role="status">{sayWith('seatFile.done', stage.counts)}</p>
          <p>{word('seatFile.draft')}</p>
          <a href="/seats">{word('seatFile.see')}</a>
        </div>
      )}
      {fault && (
        <p className={parts.notice} data-tone="misfit" role="alert">
          {fault}
        </p>
      )}
      {recent.length > 0 && !isBusy && (
        <section aria-label={word('seatFile.recent')}>
          <h3>{word('seatFile.recent')}</h3>
          <ul className={styles.recent}>
            {recent.map(({ id, file: name, broughtBy, createdAt, counts, undone, kept }) => (
              <li key={id}>
                {sayWith('seatFile.recent.what', { file: name, ...counts })}{' '}
                <span className={parts.soft}>
                  {[sayClock(createdAt, reading), broughtBy].filter(Boolean).join(', ')}
                </span>{' '}
                {undone !== null ? (
                  <span>{sayWith('seatFile.recent.undone', { undone, kept })}</span>
                ) : (
                  counts.created + counts.versions > 0 && (
                    <button
                      type="button"
                      className={parts.plainButton}
                      aria-label={sayWith('seatFile.undo.of', { file: name })}
                      onClick={() => void undo(id).then(setFault)}
                    >
                      {word('seatFile.undo')}
                    </button>
                  )
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </section>
  );
}

function Export() {
  return (
    <section aria-label={word('seatFile.export')}>
      <h2>{word('seatFile.export')}</h2>
      {(['json', 'csv'] as const).map((id) => (
        <div key={id} className={styles.way}>
          <Button component="a" variant="default" href={`/api/v1/seats.${id}`} download>
            {word(`seatFile.export.${id}`)}
          </Button>
          <p className={parts.soft}>
            {word(`seatFile.export.${id}.what`)}{' '}
            {id === 'json' && <a href={SEATS_SCHEMA_PATH}>{word('seatFile.schema')}</a>}
          </p>
        </div>
      ))}
    </section>
  );
}

export default function SeatFilesPage({ page }: { readonly page: PageProps }) {
  return (
    <Frame page={page} area="seats">
      <div className={parts.head}>
        <h1>{word('seatFile.title')}</h1>
        <a href="/seats">{word('seats.back')}</a>
      </div>
      <div className={styles.files}>
        <Import />
        <Export />
      </div>
    </Frame>
  );
}
