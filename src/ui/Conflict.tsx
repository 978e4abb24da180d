import { useState } from 'react';
import { word } from '../words';
import styles from './conflict.module.css';
import parts from './parts.module.css';

export interface ConflictRow {
  readonly id: string;
  readonly name: string;
  readonly mine: string;
  readonly theirs: string;
  /** What is chosen before anybody chooses: mine where only this device has changed it. */
  readonly first: Side;
}

export type Side = 'mine' | 'theirs';
export type Picks = Readonly<Record<string, Side>>;

interface Props {
  readonly rows: readonly ConflictRow[];
  readonly busy?: boolean;
  readonly onDecide: (picks: Picks) => void;
}

/** What two have changed at once, field by field: either side can be kept of each. */
export function Conflict({ rows, busy = false, onDecide }: Props) {
  const [picks, setPicks] = useState<Picks>(() => Object.fromEntries(rows.map((r) => [r.id, r.first])));
  const all = (side: Side) => onDecide(Object.fromEntries(rows.map((r) => [r.id, side])));
  const choice = (row: ConflictRow, side: Side) => (
    <td>
      <label>
        <input
          type="radio"
          name={`conflict-${row.id}`}
          checked={(picks[row.id] ?? row.first) === side}
          onChange={() => setPicks({ ...picks, [row.id]: side })}
        />
        {row[side]}
      </label>
    </td>
  );
  return (
    <section className={styles.conflict} role="alert" aria-label={word('conflict.title')}>
      <h2>{word('conflict.title')}</h2>
      <p>{word('conflict.explain')}</p>
      <table className={parts.table}>
        <thead>
          <tr>
            <th scope="col">{word('conflict.field')}</th>
            <th scope="col">{word('conflict.mine')}</th>
            <th scope="col">{word('conflict.theirs')}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <th scope="row">{row.name}</th>
              {choice(row, 'mine')}
              {choice(row, 'theirs')}
            </tr>
          ))}
        </tbody>
      </table>
      <p className={styles.acts}>
        <button type="button" className={parts.strongButton} disabled={busy} onClick={() => onDecide(picks)}>
          {word('conflict.keepChosen')}
        </button>
        <button type="button" className={parts.plainButton} disabled={busy} onClick={() => all('mine')}>
          {word('conflict.allMine')}
        </button>
        <button type="button" className={parts.plainButton} disabled={busy} onClick={() => all('theirs')}>
          {word('conflict.allTheirs')}
        </button>
      </p>
    </section>
  );
}
