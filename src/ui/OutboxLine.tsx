import { useSyncExternalStore } from 'react';
import { sayWith, word } from '../words';
import { outbox, type Entry, type OutboxState } from './outbox';
import parts from './parts.module.css';

const EMPTY: OutboxState = { entries: [], link: 'idle', isKept: true };
const subscribe = (listener: () => void): (() => void) => outbox().subscribe(listener);
const current = (): OutboxState => outbox().get();

/** What of the entries of this device has not reached the server, in words; nothing while all has. */
export function OutboxLine() {
  const { entries, link, isKept } = useSyncExternalStore(subscribe, current, () => EMPTY);
  const refused = entries.filter((e) => e.refusal);
  // Those that met another entry are decided where both are shown; the others here.
  const met = refused.filter((e) => e.refusal?.current);
  const waiting = entries.length - refused.length;
  const isStuck = link === 'unreachable' || link === 'signIn';
  if (refused.length === 0 && (waiting === 0 || !isStuck)) return null;
  return (
    <div className={parts.outbox} role="status">
      {waiting > 0 && isStuck && (
        <span>{sayWith(isKept ? 'outbox.waiting' : 'outbox.unkept', { n: waiting })}</span>
      )}
      {link === 'signIn' && waiting > 0 && <a href="/sign-in">{word('outbox.signIn')}</a>}
      {link === 'unreachable' && waiting > 0 && (
        <button type="button" className={parts.plainButton} onClick={() => void outbox().flush()}>
          {word('outbox.now')}
        </button>
      )}
      {refused.map((entry) => !entry.refusal?.current && <NotTaken key={entry.seq} entry={entry} />)}
      {met.length > 0 && (
        <span>
          {sayWith('outbox.refused', { n: met.length })}{' '}
          {[...new Set(met.map(({ kind, recordId }) => pageOf(kind, recordId)))].map((page) => (
            <a key={page} href={page}>
              {word('outbox.decide')}
            </a>
          ))}
        </span>
      )}
    </div>
  );
}

/** An entry that the server does not take, and why: it can be sent again, after the cause is gone, or let go. */
function NotTaken({ entry }: { readonly entry: Entry }) {
  const { refusal, subject } = entry;
  return (
    <span role="alert">
      {sayWith('outbox.notTaken', { why: refusal?.errors?.[0]?.detail ?? refusal?.title ?? '' })}{' '}
      <button
        type="button"
        className={parts.plainButton}
        onClick={() => void outbox().resolve(subject, entry)}
      >
        {word('outbox.again')}
      </button>{' '}
      <button
        type="button"
        className={parts.plainButton}
        onClick={() => void outbox().resolve(subject, null)}
      >
        {word('outbox.release')}
      </button>
    </span>
  );
}

const pageOf = (kind: Entry['kind'], id: string): string =>
  kind === 'settings'
    ? `/fittings/${id}?stage=set`
    : kind === 'walk'
      ? `/fittings/${id}/walk`
      : `/people/${id}`;
