import { Suspense, lazy, useEffect, useRef, useState, type CSSProperties } from 'react';
import type { Card } from '../../core/card';
import { useInBrowser } from '../../ui/in-browser';
import { InlineSelect } from '../../ui/InlineSelect';
import { Providers } from '../../ui/Providers';
import { type Reading, word } from '../../words';
import parts from '../../ui/parts.module.css';
import { CardSheet } from '../shared/card/CardSheet';
import type { CardSource } from './LateCard';
import styles from '../shared/card/card.module.css';

const LateCard = lazy(() => import('./LateCard'));

const MARGIN_MM = 12;
const PAPERS = {
  A4: { page: 'A4', widthMm: 210, heightMm: 297 },
  Letter: { page: 'letter', widthMm: 215.9, heightMm: 279.4 },
} as const;
type Paper = keyof typeof PAPERS;

const LARGEST_PT = 9.6;
const SMALLEST_PT = 6;
const STEP_PT = 0.2;
const PX_PER_MM = 96 / 25.4;
/** Room kept free at the foot of the page: print and screen break lines a little differently, mm. */
const FOOT_MM = 4;

/** The largest type in which the sheet stays on one page of this paper, points. */
function fittingSize(sheet: HTMLElement, paper: Paper): number {
  const { widthMm, heightMm } = PAPERS[paper];
  const room = (heightMm - 2 * MARGIN_MM - FOOT_MM) * PX_PER_MM;
  const kept = sheet.getAttribute('style') ?? '';
  let size = LARGEST_PT;
  for (; size > SMALLEST_PT; size -= STEP_PT) {
    sheet.setAttribute(
      'style',
      `width:${widthMm - 2 * MARGIN_MM}mm;max-width:none;padding:0;border:0;font-size:${size.toFixed(1)}pt`,
    );
    if (sheet.getBoundingClientRect().height <= room) break;
  }
  sheet.setAttribute('style', kept);
  return size;
}

interface Props {
  readonly reading: Reading;
  readonly fittingId: string;
  readonly card: Card;
  readonly draft: boolean;
  /** To look for remedies in the browser; null where all is known, or nothing is wanted. */
  readonly late: CardSource | null;
}

/** The sheet alone, to print or to open on a phone. */
export default function CardPage({ reading, fittingId, card: first, draft, late }: Props) {
  const [card, setCard] = useState(first);
  const isLive = useInBrowser();
  const [paper, setPaper] = useState<Paper>('A4');
  const [size, setSize] = useState(LARGEST_PT);
  const holder = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const measure = () => {
      const sheet = holder.current?.querySelector('article');
      if (sheet) setSize(fittingSize(sheet, paper));
    };
    measure();
    // The face may arrive after the first measuring.
    void document.fonts.ready.then(measure);
  }, [paper, card]);
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
            label={word('card.paper')}
            value={paper}
            onChange={(e) => setPaper(e.currentTarget.value as Paper)}
            data={Object.keys(PAPERS)}
          />
          <button type="button" className={parts.plainButton} onClick={() => window.print()}>
            {word('card.print')}
          </button>
          <a href={`/api/v1/fittings/${fittingId}/card.pdf?paper=${paper}&units=${reading.length}`}>
            {word('card.pdf')}
          </a>
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
        <div ref={holder} style={{ '--print-size': `${size.toFixed(1)}pt` } as CSSProperties}>
          <CardSheet card={card} draft={draft} />
        </div>
      </main>
    </Providers>
  );
}
