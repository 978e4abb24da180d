import '../../words/cards';
import type { Card } from '../../core/card';
import type { CardMore } from '../../core/walk';
import { plainSheetOf } from '../../drawing/card-forms';
import { Providers } from '../../ui/Providers';
import { word, type Reading } from '../../words';
import { PlainCard } from '../shared/card/PlainCard';
import styles from './linked-card.module.css';

interface Props {
  readonly reading: Reading;
  readonly token: string;
  readonly card: Card;
  readonly more: CardMore;
}

/** What a private link opens: the sitter’s card, and nothing else. */
export function LinkedCard({ reading, token, card, more }: Props) {
  return (
    <Providers reading={reading}>
      <main className={styles.page}>
        <h1 className="visually-hidden">
          {word('card.title')}: {card.header.sitter}
        </h1>
        <PlainCard sheet={plainSheetOf('sitter', card, more, false, reading)} code={null} />
        <p className={styles.file}>
          <a href={`/api/v1/cards/${token}/card.pdf?units=${reading.length}`}>{word('private.pdf')}</a>
        </p>
      </main>
    </Providers>
  );
}
