import { sayWith, word } from '../words';
import parts from './parts.module.css';

/** One value that two have changed at once: what each has, and which is to hold. */
export function ValueConflict({
  mine,
  saved,
  onKeepMine,
  onUseSaved,
}: {
  readonly mine: string;
  readonly saved: string;
  readonly onKeepMine: () => void;
  readonly onUseSaved: () => void;
}) {
  return (
    <div className={parts.notice} role="alert">
      <span>{sayWith('conflict.value', { mine, saved })}</span>
      <button type="button" className={parts.plainButton} onClick={onKeepMine}>
        {word('conflict.keepMine')}
      </button>
      <button type="button" className={parts.plainButton} onClick={onUseSaved}>
        {word('conflict.useSaved')}
      </button>
    </div>
  );
}
