import { useState } from 'react';
import type { Card } from '../../core/scene';
import { Providers } from '../../ui/Providers';
import type { Reading } from '../../words';
import { word } from '../../words';
import parts from '../../ui/parts.module.css';
import { CardSheet } from './CardSheet';
import styles from './card.module.css';

const PAPERS = { A4: 'A4', Letter: 'letter' } as const;
type Paper = keyof typeof PAPERS;

interface Props {
  readonly reading: Reading;
  readonly fittingId: string;
  readonly card: Card;
  readonly draft: boolean;
}

/** The sheet alone, to print or to open on a phone. */
export default function CardPage({ reading, fittingId, card, draft }: Props) {
  const [paper, setPaper] = useState<Paper>('A4');
  return (
    <Providers reading={reading}>
      <style>{`@page { size: ${PAPERS[paper]}; margin: 12mm; } @media print { html, body, main { background: #fff !important; padding: 0 !important; min-height: 0 !important; } }`}</style>
      <main style={{ padding: '1rem' }}>
        <h1 className="visually-hidden">
          {word('card.title')}: {card.header.sitter}
        </h1>
        <div className={styles.controls}>
          <a href={`/fittings/${fittingId}?stage=card`}>{word('card.back')}</a>
          <label>
            {word('card.paper')}{' '}
            <select value={paper} onChange={(e) => setPaper(e.currentTarget.value as Paper)}>
              {Object.keys(PAPERS).map((p) => (
                <option key={p}>{p}</option>
              ))}
            </select>
          </label>
          <button type="button" className={parts.plainButton} onClick={() => window.print()}>
            {word('card.print')}
          </button>
          <a href={`/api/v1/fittings/${fittingId}/card`}>{word('card.json')}</a>
        </div>
        <CardSheet card={card} draft={draft} />
      </main>
    </Providers>
  );
}
