/** One step, as large as the tablet: what to set, with which hand, how one knows. */
import { memo, useDeferredValue, useMemo } from 'react';
import type { SeatModel } from '../../core/seat';
import type { Scene } from '../../core/scene';
import { PictogramRow } from '../../drawing/Pictogram';
import { ControlView } from '../../drawing/ControlView';
import { pictogramsOf } from '../../drawing/pictograms';
import { View, viewPicture } from '../../drawing';
import { still } from '../../drawing/still';
import { useReading, useSay } from '../../ui/preferences';
import { word } from '../../words';
import type { StepView } from './walk-view';
import styles from './walk.module.css';

function Picture({ id, name, scene }: { readonly id: string; readonly name: string; readonly scene: Scene }) {
  const reading = useReading();
  const source = useMemo(() => still(viewPicture(scene, reading)), [scene, reading]);
  return (
    <figure className={styles.picture}>
      <figcaption>{name}</figcaption>
      <View key={`${id}-${name}`} id={id} name={name} source={source} atRest={source} reading={reading} />
    </figure>
  );
}

function Where({ seat, controlId }: { readonly seat: SeatModel; readonly controlId: string }) {
  const reading = useReading();
  const name = word('walk.where.control');
  return (
    <figure className={styles.picture}>
      <figcaption>{name}</figcaption>
      <ControlView seat={seat} view="above" only={controlId} name={name} reading={reading} />
    </figure>
  );
}

/** What the hand does, in order. */
function Hand({ view }: { readonly view: StepView }) {
  const say = useSay();
  const { words, isStanding, isUndescribed } = view;
  const { control, movement, shown, procedure } = words;
  if (!control)
    return (
      <>
        {isUndescribed && <p className={styles.full}>{word('walk.unsaid')}</p>}
        <Procedure procedure={procedure} />
      </>
    );
  return (
    <section className={styles.hand} aria-label={word('card.control.head')}>
      <p className={styles.control}>
        {isStanding && <span className={styles.tag}>{word('walk.standing')}</span>}
        {shown && <PictogramRow ids={pictogramsOf(shown.control, shown.move)} />}
        <strong>{say(control)}</strong>
      </p>
      <ol className={styles.moves}>
        {movement.map((m) => (
          <li key={`${m.key}${say(m)}`}>{say(m)}</li>
        ))}
      </ol>
      <Procedure procedure={procedure} />
    </section>
  );
}

function Procedure({ procedure }: { readonly procedure: StepView['words']['procedure'] }) {
  const say = useSay();
  if (procedure.length === 0) return null;
  return (
    <ol className={styles.procedure}>
      {procedure.map((m, i) => (
        <li key={`${i}${m.key}`}>{say(m)}</li>
      ))}
    </ol>
  );
}

/** What another posture changes, few and named. */
function Moves({ view }: { readonly view: StepView }) {
  const say = useSay();
  const { moves } = view.words;
  if (moves.length === 0) return null;
  return (
    <ul className={styles.changes}>
      {moves.map(({ kind, setting, check, control }) => (
        <li key={kind}>
          <strong>
            {word(`kind.${kind}`)}: {say(setting)}
          </strong>
          {check && <span>{say(check)}</span>}
          {control && <span>{say(control)}</span>}
        </li>
      ))}
    </ul>
  );
}

/** Drawn once the words stand: nobody waits for them. */
const Pictures = memo(function Pictures({
  view: newest,
  seat,
}: {
  readonly view: StepView;
  readonly seat: SeatModel;
}) {
  const view = useDeferredValue(newest);
  const { before, after } = useMemo(() => view.scenes(), [view]);
  const { controlId, step } = view;
  const id = `walk-${step.id.replace(':', '-')}`;
  return (
    <div className={styles.pictures}>
      {after ? (
        <>
          <Picture id={`${id}-before`} name={word('walk.before')} scene={before} />
          <Picture id={`${id}-after`} name={word('walk.after')} scene={after} />
        </>
      ) : (
        <Picture id={`${id}-now`} name={word('walk.now')} scene={before} />
      )}
      {controlId && <Where seat={seat} controlId={controlId} />}
    </div>
  );
});

/** The words and drawings of a step. */
export function StepScreen({ view, seat }: { readonly view: StepView; readonly seat: SeatModel }) {
  const say = useSay();
  const { words } = view;
  return (
    <>
      <h2 className={styles.title}>{say(words.title)}</h2>
      <p className={styles.main}>{say(words.main)}</p>
      {words.full && <p className={styles.full}>{say(words.full)}</p>}
      {words.way && <p className={styles.way}>{say(words.way)}</p>}
      {words.check && <p className={styles.check}>{say(words.check)}</p>}
      {words.because && (
        <p className={styles.because} role="note">
          {say(words.because)}
        </p>
      )}
      {words.feet && <p className={styles.feet}>{say(words.feet)}</p>}
      <Hand view={view} />
      <Moves view={view} />
      {words.tells && (
        <p className={styles.tells}>
          <span>{word('walk.felt')}</span> {say(words.tells)}
        </p>
      )}
      <Pictures view={view} seat={seat} />
      {words.caution && (
        <p className={styles.caution} role="note">
          {say(words.caution)}
        </p>
      )}
    </>
  );
}
