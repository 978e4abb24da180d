import '../../../words/sheet';
import type { ReactNode } from 'react';
import type { Card } from '../../../core/card';
import { PictogramRow } from '../../../drawing/Pictogram';
import { sheetOf, type Sheet } from '../../../drawing/sheet';
import { useReading } from '../../../ui/preferences';
import { Chain } from '../../../ui/Chain';
import { VerdictMark } from '../../../ui/VerdictMark';
import { CardBlock } from './CardBlock';
import styles from './card.module.css';

function Header({ sheet }: { readonly sheet: Sheet }) {
  return (
    <header className={styles.header}>
      <h2>
        {sheet.title} {sheet.draft && <span className={styles.draft}>{sheet.draft}</span>}
      </h2>
      <dl>
        {sheet.facts.map(({ name, value }) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </header>
  );
}

function Rows({ sheet }: { readonly sheet: Sheet }) {
  return (
    <table className={styles.rows}>
      <thead>
        <tr>
          {sheet.head.map((name) => (
            <th key={name} scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {sheet.rows.map((row) => (
          <tr key={row.name}>
            <th scope="row">
              {row.name}
              <VerdictMark verdict={row.verdict} isEstimate={row.isEstimate} />
              {row.pictograms.length > 0 && <PictogramRow ids={row.pictograms} />}
            </th>
            <td>
              <strong>{row.setting}</strong>
              {row.check && <div>{row.check}</div>}
              <Chain steps={row.chain} />
            </td>
            <td>{row.control}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The settings card, the same on screen and on paper. */
export function CardSheet({
  card,
  draft,
  children,
}: {
  readonly card: Card;
  readonly draft: boolean;
  /** Goes between the settings and what is out of range. */
  readonly children?: ReactNode;
}) {
  const reading = useReading();
  const sheet = sheetOf(card, draft, reading);
  return (
    <article className={styles.sheet} aria-label={sheet.title}>
      <Header sheet={sheet} />
      {sheet.refusals.length > 0 && (
        <section className={styles.refused}>
          {sheet.refusals.map((text) => (
            <p key={text}>{text}</p>
          ))}
        </section>
      )}
      {sheet.start && <p className={styles.start}>{sheet.start}</p>}
      {sheet.rows.length > 0 && <Rows sheet={sheet} />}
      {sheet.postures.paragraphs.length > 0 && <CardBlock {...sheet.postures} />}
      {children}
      <div className={styles.below}>
        {sheet.unreached.paragraphs.length > 0 && <CardBlock {...sheet.unreached} />}
        <CardBlock {...sheet.cautions} />
      </div>
    </article>
  );
}
