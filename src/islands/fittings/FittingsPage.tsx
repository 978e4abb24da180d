import { Button } from '@mantine/core';
import { useState } from 'react';
import type { FittingSummary, Sitter } from '../../contract';
import type { Page } from '../../contract/paging';
import { api, explain } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import { FittingList } from '../shared/fittings/FittingList';
import { PersonPicker } from '../shared/picker/RecordPicker';
import styles from './fittings.module.css';

function NewFitting({
  sitters,
  fitterId,
}: {
  readonly sitters: Page<Sitter>;
  readonly fitterId: string | null;
}) {
  const [sitterId, setSitterId] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const start = async () => {
    if (sitterId === null) return setFault(word('fittings.choose'));
    try {
      const fitting = await api.createFitting({ id: newId(), sitterId, fitterId });
      window.location.href = `/fittings/${fitting.id}`;
    } catch (error) {
      setFault(explain(error));
    }
  };
  return (
    <div className={styles.start}>
      <PersonPicker
        label={word('fittings.for')}
        first={sitters}
        search={api.sitters}
        chosen={sitterId}
        onChoose={setSitterId}
        fault={fault}
      />
      <Button onClick={() => void start()}>{word('fittings.start')}</Button>
    </div>
  );
}

export default function FittingsPage({
  page,
  fittings,
  sitters,
}: {
  readonly page: PageProps;
  readonly fittings: Page<FittingSummary>;
  readonly sitters: Page<Sitter>;
}) {
  return (
    <Frame page={page} area="fittings">
      <div className={parts.head}>
        <h1>{word('fittings.title')}</h1>
        {sitters.total > 0 && <NewFitting sitters={sitters} fitterId={page.fitterId} />}
      </div>
      {fittings.total > 0 ? (
        <FittingList first={fittings} />
      ) : (
        <div className={parts.empty}>
          <p>{word('fittings.empty')}</p>
          <p>
            <a href="/people">{word('fittings.empty.how')}</a>
          </p>
        </div>
      )}
    </Frame>
  );
}
