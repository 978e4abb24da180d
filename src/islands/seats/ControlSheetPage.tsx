import '../../words/pages';
import { useState } from 'react';
import type { SeatSummary } from '../../contract';
import { Frame } from '../../ui/Frame';
import { InlineSelect } from '../../ui/InlineSelect';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import { ControlSheet } from '../shared/controls/ControlSheet';
import styles from '../shared/controls/control-sheet.module.css';

const PAPERS = ['A4', 'Letter'] as const;

function Controls({ shown: { seat, versionId } }: { readonly shown: SeatSummary }) {
  const { length } = useReading();
  const [paper, setPaper] = useState<(typeof PAPERS)[number]>('A4');
  return (
    <>
      <div className={parts.head}>
        <h1>{sayWith('controls.of', { name: seat.name })}</h1>
        <div className={styles.acts}>
          <a href={`/seats/${versionId}`}>{word('controls.back')}</a>
          <InlineSelect
            label={word('card.paper')}
            value={paper}
            onChange={(e) => setPaper(e.currentTarget.value as (typeof PAPERS)[number])}
            data={[...PAPERS]}
          />
          <a href={`/api/v1/seats/${versionId}/controls.pdf?paper=${paper}&units=${length}`}>
            {word('controls.pdf')}
          </a>
        </div>
      </div>
      <ControlSheet seat={seat} />
    </>
  );
}

interface Props {
  readonly page: PageProps;
  readonly seat: SeatSummary;
}

/** Every control of a seat: where it is, what it does and how it is worked. */
export default function ControlSheetPage({ page, seat }: Props) {
  return (
    <Frame page={page} area="seats">
      <Controls shown={seat} />
    </Frame>
  );
}
