import { Button, FileInput, Progress } from '@mantine/core';
import { useState } from 'react';
import { EXISTING, type ImportOrder } from '../../contract/importing';
import { PEOPLE_HEAD } from '../../core/exchange/columns';
import parts from '../../ui/parts.module.css';
import { sayWith, t, word } from '../../words';
import type { PeopleFound } from '../../workers/people';
import { Faults, Sample } from './Found';
import { RecentImports } from './RecentImports';
import { useImport, type Presences, type Stage } from './use-import';
import styles from './exchange.module.css';

/** A file with only the head, for those who begin with a spreadsheet. */
const EMPTY_FILE = `data:text/csv;charset=utf-8,${encodeURIComponent(`\uFEFF${PEOPLE_HEAD.join(',')}\r\n`)}`;

function Going({
  text,
  done,
  of,
  onCancel,
}: {
  readonly text: string;
  readonly done: number;
  readonly of: number;
  readonly onCancel?: () => void;
}) {
  return (
    <div className={styles.going}>
      <p role="status">{text}</p>
      <Progress value={of === 0 ? 0 : (100 * done) / of} aria-label={text} size="lg" />
      {onCancel && (
        <Button variant="default" onClick={onCancel}>
          {word('exchange.cancel')}
        </Button>
      )}
    </div>
  );
}

function Here({ presences }: { readonly presences: Presences | null }) {
  if (!presences) return <p className={parts.soft}>{word('exchange.looking')}</p>;
  const { several, deleted } = presences;
  return (
    <p role="status">
      {sayWith('exchange.presence', { new: presences.new, here: presences.here })}
      {several > 0 && ` ${sayWith('exchange.several', { n: several })}`}
      {deleted > 0 && ` ${sayWith('exchange.deleted', { n: deleted })}`}
    </p>
  );
}

type Mode = 'all' | 'good';

/** What is to become of what was read: decided here, before anything is written. */
function Decide({
  found,
  presences,
  onBegin,
}: {
  readonly found: PeopleFound;
  readonly presences: Presences | null;
  readonly onBegin: (existing: ImportOrder['existing']) => void;
}) {
  const [mode, setMode] = useState<Mode>('all');
  const [existing, setExisting] = useState<ImportOrder['existing']>('leave');
  const isHeldUp = found.faultCount > 0 && mode === 'all';
  return (
    <div className={styles.decide}>
      {found.faultCount > 0 && (
        <fieldset>
          <legend>{word('exchange.mode')}</legend>
          {(['all', 'good'] as const).map((id) => (
            <label key={id}>
              <input type="radio" name="mode" checked={mode === id} onChange={() => setMode(id)} />
              {sayWith(`exchange.mode.${id}`, { n: found.kept.length })}
            </label>
          ))}
        </fieldset>
      )}
      {(presences === null || presences.here + presences.several > 0) && (
        <fieldset>
          <legend>{word('exchange.existing')}</legend>
          {EXISTING.map((id) => (
            <label key={id}>
              <input
                type="radio"
                name="existing"
                checked={existing === id}
                onChange={() => setExisting(id)}
              />
              {word(`exchange.existing.${id}`)}
            </label>
          ))}
        </fieldset>
      )}
      <Button onClick={() => onBegin(existing)} disabled={isHeldUp}>
        {sayWith('exchange.begin', { n: found.kept.length })}
      </Button>
      {isHeldUp && <p className={parts.soft}>{word('exchange.allFirst')}</p>}
    </div>
  );
}

function Read({
  found,
  presences,
  onBegin,
}: Extract<Stage, { at: 'read' }> & { readonly onBegin: (existing: ImportOrder['existing']) => void }) {
  const { rows, kept, badRows, ignored } = found;
  return (
    <>
      {rows > 0 && (
        <p role="status" className={styles.counted}>
          {sayWith('exchange.rows', { rows, good: kept.length, bad: badRows })}
        </p>
      )}
      {kept.length > 0 && <Here presences={presences} />}
      {ignored.length > 0 && (
        <p className={parts.soft}>{sayWith('exchange.ignored', { list: ignored.join(', ') })}</p>
      )}
      {kept.length > 0 ? (
        <Decide found={found} presences={presences} onBegin={onBegin} />
      ) : (
        <p className={parts.soft}>{word('exchange.nobody')}</p>
      )}
      <Faults found={found} />
      {kept.length > 0 && <Sample found={found} />}
    </>
  );
}

function Done({ counts, refused }: Extract<Stage, { at: 'done' }>) {
  const { created, added, left, readings } = counts;
  return (
    <div className={parts.notice} data-tone="fit">
      <p role="status">{sayWith('exchange.done', { created, added, left, readings })}</p>
      {refused.length > 0 && (
        <ul>
          {refused.map(({ row, why }, i) => (
            <li key={i}>
              {sayWith('exchange.refused', { row: row ?? '–', why: t(`exchange.refused.${why}`) })}
            </li>
          ))}
        </ul>
      )}
      <a href="/people">{word('exchange.people')}</a>
    </div>
  );
}

/** While these go on no other file is chosen. */
const BUSY: readonly Stage['at'][] = ['reading', 'sending', 'writing', 'undoing'];

/** From choosing a file to what came of it. */
export function ImportPanel({ today }: { readonly today: string }) {
  const { stage, choose, cancel, begin, undo } = useImport(today);
  const [file, setFile] = useState<File | null>(null);
  const isFree = !BUSY.includes(stage.at);
  return (
    <section className={styles.panel} aria-label={word('exchange.in')}>
      <h2>{word('exchange.in')}</h2>
      <p className={parts.soft}>
        {word('exchange.in.what')}{' '}
        <a href={EMPTY_FILE} download="people.csv">
          {word('exchange.head')}
        </a>
      </p>
      {isFree && (
        <FileInput
          label={word('exchange.file')}
          accept=".csv,.json,text/csv,application/json"
          placeholder={word('exchange.choose')}
          value={file}
          clearable
          clearButtonProps={{ 'aria-label': word('exchange.drop') }}
          onChange={(chosen) => {
            setFile(chosen);
            void choose(chosen);
          }}
        />
      )}
      {stage.at === 'nothing' && stage.note && <p role="alert">{stage.note}</p>}
      {stage.at === 'reading' && (
        <Going
          text={sayWith('exchange.reading', { n: stage.done, of: stage.of })}
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
          text={sayWith('exchange.sending', { n: stage.done, of: stage.of })}
          done={stage.done}
          of={stage.of}
          onCancel={() => {
            setFile(null);
            cancel();
          }}
        />
      )}
      {(stage.at === 'writing' || stage.at === 'undoing') && (
        <Going
          text={sayWith(`exchange.${stage.at}`, { n: stage.done, of: stage.of })}
          done={stage.done}
          of={stage.of}
        />
      )}
      {stage.at === 'done' && <Done {...stage} />}
      {stage.at === 'undone' && (
        <div className={parts.notice} data-tone="fit">
          <p role="status">
            {sayWith('exchange.undone', { undone: stage.counts.undone })}
            {stage.counts.kept > 0 && ` ${sayWith('exchange.undone.kept', { kept: stage.counts.kept })}`}
          </p>
        </div>
      )}
      {isFree && (
        <RecentImports
          after={stage.at}
          onUndo={(id) => {
            setFile(null);
            void undo(id);
          }}
        />
      )}
    </section>
  );
}
