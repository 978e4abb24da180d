import { Fragment } from 'react';
import type { Paragraph } from '../../../drawing/sheet';

/** Paragraphs of a card below their heading. */
export function CardBlock({
  title,
  paragraphs,
}: {
  readonly title: string;
  readonly paragraphs: readonly Paragraph[];
}) {
  return (
    <section>
      <h3>{title}</h3>
      {paragraphs.map(({ lead, text }, i) => (
        <p key={i}>
          {lead && (
            <Fragment>
              <strong>{lead}</strong>{' '}
            </Fragment>
          )}
          {text}
        </p>
      ))}
    </section>
  );
}
