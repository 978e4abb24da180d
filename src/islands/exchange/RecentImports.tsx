import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { ListedImport } from '../../contract/importing';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayClock, sayWith as say, word } from '../../words';
import { exchange } from './exchange-client';
import type { Stage } from './use-import';
import styles from './exchange.module.css';

/** Asks once more: whoever goes cannot be brought back, but by the file. */
function Sure({
  file,
  counts,
  onUndo,
  onKeep,
}: Pick<ListedImport, 'file' | 'counts'> & { readonly onUndo: () => void; readonly onKeep: () => void }) {
  const { created, added } = counts;
  return (
    <div
      className={parts.notice}
      data-tone="misfit"
      role="group"
      aria-label={say('exchange.undo.of', { file })}
    >
      <p>
        {say('exchange.undo.sure', { created, file })}
        {added > 0 && ` ${say('exchange.undo.added', { added })}`}
      </p>
      <div className={styles.choice}>
        <Button variant="default" onClick={onUndo}>
          {word('exchange.undo.go')}
        </Button>
        <Button onClick={onKeep} autoFocus>
          {word('exchange.undo.keep')}
        </Button>
      </div>
    </div>
  );
}

const undoId = (id: string): string => `undo-${id}`;

/** What was imported recently, and can be undone. */
export function RecentImports({
  after,
  onUndo,
}: {
  /** What has just happened: it may have changed the list. */
  readonly after: Stage['at'];
  readonly onUndo: (id: string) => void;
}) {
  const reading = useReading();
  const [imports, setImports] = useState<readonly ListedImport[]>([]);
  const [asked, setAsked] = useState<string | null>(null);
  useEffect(() => {
    let isWanted = true;
    exchange.recent().then(
      (found) => isWanted && setImports(found),
      // Without a connection there is nothing that could be undone.
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [after]);
  if (imports.length === 0) return null;
  return (
    <section className={styles.recent} aria-label={word('exchange.recent')}>
      <h3>{word('exchange.recent')}</h3>
      <ul>
        {imports.map(({ id, file, broughtBy, createdAt, state, counts }) => {
          const time = sayClock(createdAt, reading);
          const { created, readings, undone } = counts;
          return (
            <li key={id}>
              <span>{say('exchange.recent.what', { created, readings, file })}</span>
              <span className={parts.soft}>
                {broughtBy === null ? time : say('exchange.recent.by', { time, name: broughtBy })}
              </span>
              {state === 'undone' && <span>{say('exchange.recent.undone', { undone })}</span>}
              {state === 'done' && created > 0 && (
                <Button
                  id={undoId(id)}
                  variant="default"
                  size="compact-md"
                  aria-label={say('exchange.undo.of', { file })}
                  aria-expanded={asked === id}
                  onClick={() => setAsked(asked === id ? null : id)}
                >
                  {word('exchange.undo')}
                </Button>
              )}
              {asked === id && (
                <Sure
                  file={file}
                  counts={counts}
                  onUndo={() => {
                    setAsked(null);
                    onUndo(id);
                  }}
                  onKeep={() => {
                    setAsked(null);
                    // Back to where the question came from.
                    document.getElementById(undoId(id))?.focus();
                  }}
                />
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
