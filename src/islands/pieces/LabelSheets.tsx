import { NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { PieceFilter } from '../../contract/pieces';
import { LONGEST_SERIES } from '../../contract/piece-lists';
import parts from '../../ui/parts.module.css';
import { sayWith, word } from '../../words';
import styles from './pieces.module.css';

const PAPERS = ['A4', 'Letter'] as const;
const PER_SHEET = { A4: 24, Letter: 30 } as const;

interface Props {
  readonly filter: Partial<PieceFilter>;
  readonly total: number;
  readonly hasPublicUrl: boolean;
}

/** Labels for what the list shows, from the first free one of a sheet on. */
export function LabelSheets({ filter, total, hasPublicUrl }: Props) {
  const [paper, setPaper] = useState<(typeof PAPERS)[number]>('A4');
  const [taken, setTaken] = useState('0');
  const most = PER_SHEET[paper] - 1;
  const used = /^\d+$/.test(taken.trim()) && Number(taken) <= most ? Number(taken) : null;
  const given = Object.entries({ ...filter, paper, taken: String(used ?? 0) });
  const asked = new URLSearchParams(given.flatMap(([name, value]) => (value ? [[name, value]] : [])));
  return (
    <details className={styles.labels}>
      <summary>{word('pieces.labels')}</summary>
      <p className={parts.soft}>
        {sayWith('pieces.labels.hint', { n: total })}
        {total > LONGEST_SERIES && ` ${sayWith('pieces.labels.most', { most: LONGEST_SERIES })}`}
        {!hasPublicUrl && ` ${word('pieces.labels.local')}`}
      </p>
      <div className={styles.sheets}>
        <NativeSelect
          label={word('card.paper')}
          value={paper}
          onChange={(e) => setPaper(e.currentTarget.value as (typeof PAPERS)[number])}
          data={[...PAPERS]}
        />
        <TextInput
          label={word('pieces.labels.taken')}
          value={taken}
          onChange={(e) => setTaken(e.currentTarget.value)}
          inputMode="numeric"
          error={used === null && sayWith('pieces.labels.takenFault', { most })}
        />
        {used !== null && <a href={`/api/v1/labels.pdf?${asked.toString()}`}>{word('pieces.labels.get')}</a>}
      </div>
    </details>
  );
}
