import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import type { FittingSummary, Sitter } from '../../contract';
import { api, explain } from '../../ui/client';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import type { PageProps } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import { FittingTable } from './FittingTable';
import styles from './fittings.module.css';

function NewFitting({
  sitters,
  fitterId,
}: {
  readonly sitters: readonly Sitter[];
  readonly fitterId: string | null;
}) {
  const [sitterId, setSitterId] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const start = async () => {
    if (sitterId === '') return setFault(word('fittings.choose'));
    try {
      const fitting = await api.createFitting({ id: newId(), sitterId, fitterId });
      window.location.href = `/fittings/${fitting.id}`;
    } catch (error) {
      setFault(explain(error));
    }
  };
  return (
    <div className={styles.start}>
      <NativeSelect
        label={word('fittings.for')}
        value={sitterId}
        onChange={(e) => setSitterId(e.currentTarget.value)}
        data={[
          { value: '', label: `${word('fittings.choose')} …` },
          ...sitters.map((s) => ({ value: s.id, label: s.name })),
        ]}
        error={fault}
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
  readonly fittings: readonly FittingSummary[];
  readonly sitters: readonly Sitter[];
}) {
  return (
    <Frame page={page} area="fittings">
      <div className={parts.head}>
        <h1>{word('fittings.title')}</h1>
        {sitters.length > 0 && <NewFitting sitters={sitters} fitterId={page.fitterId} />}
      </div>
      {fittings.length > 0 ? (
        <FittingTable fittings={fittings} />
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
