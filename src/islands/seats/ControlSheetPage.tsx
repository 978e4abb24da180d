import '../../words/pages';
import { useMemo, useState } from 'react';
import type { SeatSummary } from '../../contract';
import type { SeatModel } from '../../core/seat';
import { ControlView } from '../../drawing/ControlView';
import { PictogramRow } from '../../drawing/Pictogram';
import { controlSheetOf, type SheetControl, type SheetMove } from '../../drawing/control-sheet';
import { Frame } from '../../ui/Frame';
import { InlineSelect } from '../../ui/InlineSelect';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import styles from './control-sheet.module.css';

const PAPERS = ['A4', 'Letter'] as const;

function Move({ move: { what, how, pictograms } }: { readonly move: SheetMove }) {
  return (
    <div className={styles.move}>
      <PictogramRow ids={pictograms} />
      <p>
        <strong>{what}:</strong> {how}
      </p>
    </div>
  );
}

function Entry({ control: { number, name, where, moves } }: { readonly control: SheetControl }) {
  return (
    <li className={styles.control}>
      <span className={styles.number} aria-hidden>
        {number}
      </span>
      <div>
        <h3>{name}</h3>
        <p className={styles.where}>{where}</p>
        {moves.map((move) => (
          <Move key={move.what} move={move} />
        ))}
      </div>
    </li>
  );
}

function Sheet({ seat }: { readonly seat: SeatModel }) {
  const reading = useReading();
  const sheet = useMemo(() => controlSheetOf(seat, reading), [seat, reading]);
  return (
    <article className={styles.sheet} aria-label={sheet.title}>
      <div className={styles.views}>
        {(['side', 'above'] as const).map((view) => (
          <figure key={view}>
            <figcaption>{word(`controls.${view}`)}</figcaption>
            <ControlView seat={seat} view={view} reading={reading} name={word(`controls.${view}`)} />
          </figure>
        ))}
      </div>
      <p className={parts.soft}>{[sheet.hint, ...sheet.notes].join(' ')}</p>
      {sheet.controls.length === 0 ? (
        <p>{word('controls.none')}</p>
      ) : (
        <>
          <h2 className="visually-hidden">{word('controls.list')}</h2>
          <ol className={styles.controls}>
            {sheet.controls.map((control) => (
              <Entry key={control.number} control={control} />
            ))}
          </ol>
        </>
      )}
      {sheet.procedures.length > 0 && (
        <section aria-label={word('controls.procedures')}>
          <h2>{word('controls.procedures')}</h2>
          <div className={styles.procedures}>
            {sheet.procedures.map(({ name, steps }) => (
              <div key={name}>
                <h3>{name}</h3>
                <ol>
                  {steps.map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
              </div>
            ))}
          </div>
        </section>
      )}
      <section className={styles.cautions} aria-label={word('card.cautions')}>
        {sheet.cautions.map((text) => (
          <p key={text}>{text}</p>
        ))}
      </section>
    </article>
  );
}

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
      <Sheet seat={seat} />
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
