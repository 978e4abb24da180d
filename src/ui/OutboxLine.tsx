import { useSyncExternalStore } from 'react';
import { word } from '../words';
import { outbox, type OutboxState } from './outbox';
import parts from './parts.module.css';

const EMPTY: OutboxState = { entries: [], link: 'idle', isKept: true };
const subscribe = (listener: () => void): (() => void) => outbox().subscribe(listener);
const current = (): OutboxState => outbox().get();

/** What of the entries of this device has not reached the server, in words; nothing while all has. */
export function OutboxLine() {
  const { entries, link, isKept } = useSyncExternalStore(subscribe, current, () => EMPTY);
  const refused = entries.filter((e) => e.refusal);
  const waiting = entries.length - refused.length;
  const isStuck = link === 'unreachable' || link === 'signIn';
  if (refused.length === 0 && (waiting === 0 || !isStuck)) return null;
  const say = (key: string, n: number) => word(n === 1 ? `${key}.one` : key).replace('{n}', String(n));
  return (
    <div className={parts.outbox} role="status">
      {waiting > 0 && isStuck && <span>{say(isKept ? 'outbox.waiting' : 'outbox.unkept', waiting)}</span>}
      {link === 'signIn' && waiting > 0 && <a href="/sign-in">{word('outbox.signIn')}</a>}
      {link === 'unreachable' && waiting > 0 && (
        <button type="button" className={parts.plainButton} onClick={() => void outbox().flush()}>
          {word('outbox.now')}
        </button>
      )}
      {refused.length > 0 && (
        <span>
          {say('outbox.refused', refused.length)}{' '}
          {[...new Set(refused.map(({ kind, recordId }) => pageOf(kind, recordId)))].map((page) => (
            <a key={page} href={page}>
              {word('outbox.decide')}
            </a>
          ))}
        </span>
      )}
    </div>
  );
}

const pageOf = (kind: 'settings' | 'reading', id: string): string =>
  kind === 'settings' ? `/fittings/${id}?stage=set` : `/people/${id}`;
