import { word } from '../words';
import styles from './parts.module.css';

export type Saving =
  | { readonly state: 'saved'; readonly at: string | null }
  | { readonly state: 'saving' | 'unsent' | 'invalid' }
  | { readonly state: 'failed'; readonly why: string };

/** `2026-11-25T08:12:30Z` as the wall clock shows it here. */
const clock = (instant: string): string =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(new Date(instant));

function wording(saving: Saving): string {
  if (saving.state === 'failed') return word('save.failed').replace('{why}', saving.why);
  if (saving.state === 'saved')
    return saving.at === null ? word('save.saved') : word('save.savedAt').replace('{time}', clock(saving.at));
  return word(`save.${saving.state}`);
}

export function SaveState({ saving }: { readonly saving: Saving }) {
  return (
    <span className={styles.save} data-state={saving.state} role="status" suppressHydrationWarning>
      {wording(saving)}
    </span>
  );
}
