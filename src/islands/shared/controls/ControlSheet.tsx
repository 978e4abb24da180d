import { useMemo } from 'react';
import type { SeatModel } from '../../../core/seat';
import { ControlView } from '../../../drawing/ControlView';
import { PictogramRow } from '../../../drawing/Pictogram';
import { controlSheetOf, type SheetControl, type SheetMove } from '../../../drawing/control-sheet';
import parts from '../../../ui/parts.module.css';
import { useReading } from '../../../ui/preferences';
import { word } from '../../../words';
import styles from './control-sheet.module.css';

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

/** Every control of a seat, numbered on its drawing: what it does and how it is worked. */
export function ControlSheet({ seat }: { readonly seat: SeatModel }) {
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
