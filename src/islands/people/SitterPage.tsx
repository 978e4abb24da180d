import '../../words/pages';
import { Button } from '@mantine/core';
import { useCallback, useState } from 'react';
import type { FittingSummary, SitterDetail } from '../../contract';
import type { Page } from '../../contract/paging';
import type { PieceSummary } from '../../contract/pieces';
import type { FeltMeasured } from '../../contract/walks';
import { api, explain } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import { PanelBoundary } from '../../ui/PanelBoundary';
import type { PageProps } from '../../ui/preferences';
import { rememberDeletion } from '../../ui/undo';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import { FittingList } from '../shared/fittings/FittingList';
import { Felt } from './Felt';
import { History } from './History';
import { Identity } from './Identity';
import { MeasureForm } from '../shared/measures/MeasureForm';
import { Privacy } from './Privacy';
import { SheetLinks } from './SheetLinks';
import { Standing } from './Standing';
import styles from './people.module.css';

interface Props {
  readonly page: PageProps;
  readonly sitter: SitterDetail;
  readonly fittings: Page<FittingSummary>;
  readonly pieces: Page<PieceSummary>;
  readonly felt: readonly FeltMeasured[];
}

function SitterScreen({
  page,
  initial,
  fittings,
  pieces,
  felt,
}: Omit<Props, 'sitter'> & { readonly initial: SitterDetail }) {
  const [sitter, setSitter] = useState(initial);
  const [fault, setFault] = useState<string | null>(null);
  const onSaved = useCallback((saved: SitterDetail) => setSitter(saved), []);
  const start = async () => {
    try {
      const fitting = await api.createFitting({ id: newId(), sitterId: sitter.id, fitterId: page.fitterId });
      window.location.href = `/fittings/${fitting.id}`;
    } catch (error) {
      setFault(explain(error));
    }
  };
  const remove = async () => {
    try {
      rememberDeletion('sitter', sitter.name, await api.deleteSitter(sitter.id));
      window.location.href = '/people';
    } catch (error) {
      setFault(explain(error));
    }
  };
  return (
    <>
      <div className={parts.head}>
        <h1>{sitter.name}</h1>
        <span className={styles.acts}>
          <Button component="a" variant="default" href={`/people/${sitter.id}/measure`}>
            {word('people.measureGuided')}
          </Button>
          <Button onClick={() => void start()}>{word('fittings.start')}</Button>
        </span>
      </div>
      {fault && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          {fault}
        </div>
      )}
      <Identity sitter={sitter} today={page.today} onSaved={onSaved} />
      <PanelBoundary>
        <MeasureForm sitter={sitter} onSaved={onSaved} />
        <Felt sitter={sitter} felt={felt} />
        <SheetLinks sitterId={sitter.id} isMeasured={Object.keys(sitter.body).length > 0} />
      </PanelBoundary>
      <PanelBoundary>
        <History sitter={sitter} />
      </PanelBoundary>
      <PanelBoundary>
        <Standing sitter={sitter} />
      </PanelBoundary>
      <section className={styles.fittings} aria-label={word('people.fittings')}>
        <h2>{word('people.fittings')}</h2>
        {fittings.total > 0 ? (
          <FittingList first={fittings} sitterId={sitter.id} />
        ) : (
          <p className={parts.soft}>{word('people.noFittings')}</p>
        )}
      </section>
      {pieces.total > 0 && (
        <section className={styles.fittings} aria-label={word('pieces.ofPerson')}>
          <h2>{word('pieces.ofPerson')}</h2>
          <ul>
            {pieces.items.map(({ id, tag, seat, place }) => (
              <li key={id}>
                <a href={`/seats/tagged/${id}`}>{tag}</a>,{' '}
                {[seat.name, place?.name].filter(Boolean).join(', ')}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Privacy sitter={sitter} fittings={fittings.total} onRemove={() => void remove()} />
    </>
  );
}

export default function SitterPage({ page, sitter, ...rest }: Props) {
  return (
    <Frame page={page} area="people">
      <SitterScreen page={page} initial={sitter} {...rest} />
    </Frame>
  );
}
