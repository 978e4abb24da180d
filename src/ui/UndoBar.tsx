import { useState } from 'react';
import { sayClock, sayWith, word } from '../words';
import { explain } from './client';
import { useInBrowser } from './in-browser';
import { useReading } from './preferences';
import { forgetDeletion, lastDeletion, undoDeletion, type Undoable } from './undo';
import parts from './parts.module.css';

function Bar({ deletion }: { readonly deletion: Undoable }) {
  const reading = useReading();
  const [fault, setFault] = useState<string | null>(null);
  const [closed, setClosed] = useState(false);
  if (closed) return null;
  const undo = async () => {
    try {
      window.location.href = await undoDeletion(deletion);
    } catch (error) {
      setFault(explain(error));
    }
  };
  return (
    <div className={parts.notice} role="status">
      <span>
        {sayWith(deletion.kind === 'fitting' ? 'undo.fitting' : 'undo.sitter', {
          name: deletion.name,
          time: sayClock(deletion.undoUntil, reading),
        })}
      </span>
      <button type="button" className={parts.plainButton} onClick={() => void undo()}>
        {word('set.undo')}
      </button>
      <button
        type="button"
        className={parts.plainButton}
        onClick={() => {
          forgetDeletion();
          setClosed(true);
        }}
      >
        {word('undo.close')}
      </button>
      {fault && <span role="alert">{fault}</span>}
    </div>
  );
}

/** Says what was deleted last in this tab and takes it back, as long as that is possible. */
export function UndoBar() {
  const inBrowser = useInBrowser();
  const [deletion] = useState(() => (typeof window === 'undefined' ? null : lastDeletion()));
  return inBrowser && deletion ? <Bar deletion={deletion} /> : null;
}
