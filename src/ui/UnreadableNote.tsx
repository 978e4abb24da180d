import type { Unreadable } from '../contract';
import { sayWith } from '../words';
import parts from './parts.module.css';

/** Records of a list that this version of the program cannot read: they are kept, and named. */
export function UnreadableNote({ records }: { readonly records: readonly Unreadable[] }) {
  if (records.length === 0) return null;
  return (
    <div className={parts.notice} data-tone="misfit" style={{ marginBottom: '0.75rem' }}>
      {sayWith('list.unreadable', { list: records.map((r) => r.name).join(', ') })}
    </div>
  );
}
