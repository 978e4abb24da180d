import { sayClock, sayWith, word, type Reading } from '../words';
import { useReading } from './preferences';
import styles from './parts.module.css';

export type Saving =
  | { readonly state: 'saved'; readonly at: string | null }
  /** `kept`: on this device, until there is a connection; `unkept`: not even that, only in this page. */
  | { readonly state: 'saving' | 'unsent' | 'invalid' | 'kept' | 'unkept' | 'signIn' | 'conflict' }
  | { readonly state: 'failed'; readonly why: string };

function wording(saving: Saving, reading: Reading): string {
  if (saving.state === 'failed') return sayWith('save.failed', { why: saving.why });
  if (saving.state === 'saved')
    return saving.at === null
      ? word('save.saved')
      : sayWith('save.savedAt', { time: sayClock(saving.at, reading) });
  return word(`save.${saving.state}`);
}

/** Said aloud only where something is to be done about it: what goes well would be said with every key. */
export function SaveState({ saving }: { readonly saving: Saving }) {
  const reading = useReading();
  const isQuiet = saving.state === 'saved' || saving.state === 'saving';
  return (
    <span className={styles.save} data-state={saving.state} role={isQuiet ? undefined : 'status'}>
      {wording(saving, reading)}
    </span>
  );
}
