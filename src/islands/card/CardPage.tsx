import '../../words/cards';
import { Suspense, lazy, useState, type ReactNode } from 'react';
import type { CardLinks, NewCardLink } from '../../contract';
import type { Card } from '../../core/card';
import { CARD_FORMS, cardFormOf, type CardForm } from '../../core/card/forms';
import type { CardMore } from '../../core/walk';
import { asLeftBlock, plainSheetOf } from '../../drawing/card-forms';
import { useInBrowser } from '../../ui/in-browser';
import { InlineSelect } from '../../ui/InlineSelect';
import { Providers } from '../../ui/Providers';
import { type Reading, word } from '../../words';
import parts from '../../ui/parts.module.css';
import { CardBlock } from '../shared/card/CardBlock';
import { CardSheet } from '../shared/card/CardSheet';
import { CodeMark } from '../shared/card/CodeMark';
import { PlainCard } from '../shared/card/PlainCard';
import type { CardSource } from './LateCard';
import { MARGIN_MM, OnOnePage, PAPERS, type Paper } from './OnOnePage';
import { PrivateLinks } from './PrivateLinks';
import styles from '../shared/card/card.module.css';

const LateCard = lazy(() => import('./LateCard'));

interface Props {
  readonly reading: Reading;
  readonly fittingId: string;
  readonly card: Card;
  readonly more: CardMore;
  readonly draft: boolean;
  readonly form: CardForm;
  readonly links: CardLinks;
  /** To look for remedies in the browser; null where all is known, or nothing is wanted. */
  readonly late: CardSource | null;
}

/** Keeps the form in the address, so that the page comes back as it was. */
function rememberForm(form: CardForm): void {
  const url = new URL(location.href);
  url.searchParams.set('form', form);
  history.replaceState(null, '', url);
}

/** A card in one of its forms, to print, to download, or to be opened on a phone. */
export default function CardPage(props: Props) {
  const { reading, fittingId, card: first, more, draft, late } = props;
  const [card, setCard] = useState(first);
  const isLive = useInBrowser();
  const [paper, setPaper] = useState<Paper>('A4');
  const [form, setForm] = useState(props.form);
  const [made, setMade] = useState<NewCardLink | null>(null);
  const code = made?.code ?? null;
  const left = asLeftBlock(more, reading);
  const printed = new URLSearchParams({ form, paper, units: reading.length });
  if (made?.url) printed.set('link', made.token);
  const sheets: Record<'record' | 'plain', () => ReactNode> = {
    record: () => (
      <OnOnePage paper={paper} on={card}>
        <CardSheet card={card} draft={draft}>
          {code && <CodeMark code={code} caption={word('cards.code')} />}
          {left && <CardBlock {...left} />}
        </CardSheet>
      </OnOnePage>
    ),
    plain: () =>
      form === 'record' ? null : (
        <PlainCard sheet={plainSheetOf(form, card, more, draft, reading)} code={code} />
      ),
  };
  return (
    <Providers reading={reading}>
      <style>{`@page { size: ${PAPERS[paper].page}; margin: ${MARGIN_MM}mm; } @media print { html, body, main { background: #fff !important; padding: 0 !important; min-height: 0 !important; } }`}</style>
      <main style={{ padding: '1rem' }}>
        <h1 className="visually-hidden">
          {word('card.title')}: {card.header.sitter}
        </h1>
        <div className={styles.controls}>
          <a href={`/fittings/${fittingId}?stage=card`}>{word('card.back')}</a>
          <InlineSelect
            label={word('cards.form')}
            value={form}
            onChange={(e) => {
              const next = cardFormOf(e.currentTarget.value);
              setForm(next);
              rememberForm(next);
            }}
            data={CARD_FORMS.map((one) => ({ value: one, label: word(`cards.form.${one}`) }))}
          />
          <InlineSelect
            label={word('card.paper')}
            value={paper}
            onChange={(e) => setPaper(e.currentTarget.value as Paper)}
            data={Object.keys(PAPERS)}
          />
          {/* Only the file has the lines along which it is cut and folded. */}
          {form !== 'pocket' && (
            <button type="button" className={parts.plainButton} onClick={() => window.print()}>
              {word('card.print')}
            </button>
          )}
          <a href={`/api/v1/fittings/${fittingId}/card.pdf?${printed}`}>{word('card.pdf')}</a>
          <a href={`/api/v1/fittings/${fittingId}/drawings.pdf?paper=${paper}&units=${reading.length}`}>
            {word('card.drawings')}
          </a>
          <a href={`/api/v1/fittings/${fittingId}/card?units=${reading.length}`}>{word('card.json')}</a>
        </div>
        {isLive && late && (
          <Suspense>
            <LateCard source={late} onCard={setCard} />
          </Suspense>
        )}
        {sheets[form === 'record' ? 'record' : 'plain']()}
        <PrivateLinks fittingId={fittingId} links={props.links} made={made} onMade={setMade} />
      </main>
    </Providers>
  );
}
