import '../../words/pages';
import { useEffect, useMemo, useRef, useState, type SubmitEvent } from 'react';
import { Checkbox, TextInput, Textarea } from '@mantine/core';
import { DIMENSIONS, DIMENSION_IDS, isMeasured, pairDoubts, type DimensionId } from '../../core/body';
import {
  TOUR_SETS,
  apartBy,
  isComplete,
  pressed,
  progressOf,
  selectionOf,
  takesOf,
  type Instrument,
  type Step,
  type Tolerances,
} from '../../core/measuring';
import type { Slip } from '../../core/population';
import { drawnSizes } from '../../core/scene/measuring-body';
import type { MeasuringSession, SitterDetail } from '../../contract';
import { Frame } from '../../ui/Frame';
import { PanelBoundary } from '../../ui/PanelBoundary';
import { SaveState } from '../../ui/SaveState';
import { ValueConflict } from '../../ui/ValueConflict';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { sayValue, sayWith, t, word } from '../../words';
import { Odd, Reason } from '../shared/measures/measure-doubts';
import { faultOf, parseMeasure, readingsOf, sayMeasure, unitOf } from '../shared/measures/use-measures';
import { useSitterEdit } from '../shared/measures/use-sitter-edit';
import { useWarningSigns } from '../shared/measures/WarningSigns';
import { doubtAbout, usePopulation, type Told } from '../shared/measures/use-population';
import { Devices } from './Devices';
import { Figure } from './Figure';
import { Keypad } from './Keypad';
import { TourList } from './TourList';
import { useTour, type TourInHand } from './use-tour';
import styles from './measuring.module.css';

/** Lengths are read off a tape, masses off a scale. */
const byHand = (dimension: DimensionId): Instrument =>
  DIMENSIONS[dimension].unit === 'kg' ? 'scale' : 'tape';

const isSame = (a: readonly DimensionId[], b: readonly DimensionId[]): boolean =>
  a.length === b.length && a.every((id) => b.includes(id));

function Selection({ tour }: { readonly tour: TourInHand }) {
  const { selection } = tour.tour;
  return (
    <div className={styles.sets}>
      {TOUR_SETS.map((set) => (
        <button
          key={set}
          type="button"
          className={parts.plainButton}
          aria-pressed={isSame(selection, selectionOf(set))}
          onClick={() => tour.choose(selectionOf(set))}
        >
          {word(`tour.set.${set}`)}
        </button>
      ))}
      <details className={styles.own}>
        <summary>{word('tour.set.own')}</summary>
        <div className={styles.ownList}>
          {DIMENSION_IDS.map((id) => (
            <Checkbox
              key={id}
              label={word(`dimension.${id}`)}
              checked={selection.includes(id)}
              onChange={(e) =>
                tour.choose(
                  e.currentTarget.checked ? [...selection, id] : selection.filter((other) => other !== id),
                )
              }
            />
          ))}
        </div>
      </details>
    </div>
  );
}

function Progress({ tour, tolerances }: { readonly tour: TourInHand; readonly tolerances: Tolerances }) {
  const { taken, of } = progressOf(tour.tour, tolerances);
  return (
    <div className={styles.progress}>
      <progress value={taken} max={Math.max(1, of)} aria-label={word('tour.progress.name')} />
      <span>{sayWith('tour.progress', { n: taken, of })}</span>
      <SaveState saving={tour.saving} />
    </div>
  );
}

/** Which reading it is, and why a third one. */
function WhichReading({ tour, step }: { readonly tour: TourInHand; readonly step: Step }) {
  const reading = useReading();
  const apart = apartBy(takesOf(tour.tour, step.dimension));
  const third =
    step.reading === 3 && apart !== null
      ? sayWith('tour.reading.3', { by: sayMeasure(step.dimension, apart, reading) })
      : null;
  return <p className={styles.which}>{third ?? t(`tour.reading.${step.reading}`)}</p>;
}

function Entry({ tour, step }: { readonly tour: TourInHand; readonly step: Step }) {
  const reading = useReading();
  const { dimension } = step;
  const [text, setText] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const count = tour.tour.takes.length;
  useEffect(() => field.current?.focus({ preventScroll: true }), [dimension, count]);

  const unit = unitOf(dimension, reading);
  const take = async (typed: string) => {
    const parsed = parseMeasure(dimension, typed, reading);
    field.current?.focus({ preventScroll: true });
    if (!parsed.ok) return tour.setFault(faultOf(dimension, typed, reading) ?? word('tour.empty'));
    // What is typed from here on belongs to the next reading; what cannot be taken comes back.
    setText('');
    if (!(await tour.take(parsed.value, byHand(dimension)))) setText((now) => now || typed);
  };
  const put = (next: string) => {
    setText(next);
    tour.setFault(null);
    // Nothing more can follow: the hand need not leave the tape.
    if (next.length > text.length && unit === 'mm' && isComplete(dimension, next)) void take(next);
  };
  const submit = (event: SubmitEvent) => {
    event.preventDefault();
    void take(text);
  };
  return (
    <form className={styles.entry} onSubmit={submit} noValidate>
      <label className={styles.number}>
        <span className="visually-hidden">{word(`dimension.${dimension}`)}</span>
        <input
          ref={field}
          value={text}
          inputMode="none"
          autoComplete="off"
          aria-invalid={tour.fault !== null}
          aria-describedby="tour-how tour-fault"
          onChange={(e) => put(e.currentTarget.value)}
        />
        <span>{unit}</span>
      </label>
      <p id="tour-fault" role="alert" className={styles.fault}>
        {tour.fault}{' '}
        {tour.fault !== null &&
          readingsOf(dimension, text, reading).map((meant) => (
            <button key={meant} type="button" className={parts.plainButton} onClick={() => void take(meant)}>
              {sayWith('measure.take', { value: `${meant} ${unit}` })}
            </button>
          ))}
      </p>
      <Keypad hasPoint={unit !== 'in'} onKey={(key) => put(pressed(text, key))} />
      <div className={styles.acts}>
        <button type="submit" className={parts.strongButton}>
          {word('tour.take')}
        </button>
        <button type="button" className={parts.plainButton} onClick={tour.skip}>
          {word('tour.skip')}
        </button>
        <button
          type="button"
          className={parts.plainButton}
          disabled={!tour.last}
          onClick={() => void tour.undo()}
        >
          {tour.last
            ? sayWith('tour.undo', { value: sayMeasure(tour.last.dimension, tour.last.value, reading) })
            : word('tour.undo.none')}
        </button>
      </div>
    </form>
  );
}

/** What speaks against the last reading, while the tape is still in hand. */
function Doubts({ tour, told }: { readonly tour: TourInHand; readonly told: Told | null }) {
  const reading = useReading();
  const { asked, last, body } = tour;
  const takeSlip = (dimension: DimensionId, { instead }: Slip) =>
    void tour.instead(dimension, instead, byHand(dimension));
  if (asked)
    return (
      <section className={styles.doubt} aria-label={word('tour.doubt')}>
        <h3>{word('tour.doubt')}</h3>
        <p>
          {word(`dimension.${asked.dimension}`)} {sayMeasure(asked.dimension, asked.value, reading)}
        </p>
        <Odd
          doubt={asked.against}
          reading={reading}
          disabled={false}
          onTake={(slip) => takeSlip(asked.dimension, slip)}
        />
        <Reason id={asked.dimension} onKeep={tour.keep} />
        <button type="button" className={parts.plainButton} onClick={tour.release}>
          {word('tour.release')}
        </button>
      </section>
    );
  if (!last) return null;
  const odd = doubtAbout(told, last.dimension);
  const pairs = pairDoubts(body).filter((d) => d.dimension === last.dimension || d.other === last.dimension);
  if (!odd && pairs.length === 0) return null;
  return (
    <section className={styles.doubt} aria-label={word('tour.doubt')}>
      <h3>{word('tour.doubt')}</h3>
      <p>{word(`dimension.${last.dimension}`)}</p>
      {odd && (
        <Odd
          doubt={odd}
          reading={reading}
          disabled={false}
          onTake={(slip) => takeSlip(last.dimension, slip)}
        />
      )}
      {pairs.map(({ dimension, other, limit }) => (
        <p key={dimension} role="alert">
          {sayWith('tour.pair', {
            lower: word(`dimension.${dimension}`),
            other: word(`dimension.${other ?? dimension}`).toLowerCase(),
            limit: sayValue({ mm: limit }, reading),
          })}
        </p>
      ))}
      <button type="button" className={parts.plainButton} onClick={() => void tour.again(last.dimension)}>
        {word('tour.again')}
      </button>
    </section>
  );
}

function About({ tour }: { readonly tour: TourInHand }) {
  const { about } = tour;
  return (
    <details className={styles.about}>
      <summary>{word('tour.about')}</summary>
      <Checkbox
        label={word('tour.shoesOn')}
        checked={about.shoesOn}
        onChange={(e) => void tour.tell({ shoesOn: e.currentTarget.checked })}
      />
      {about.shoesOn && <p role="note">{word('tour.shoesOn.caution')}</p>}
      <TextInput
        label={word('tour.clothes')}
        value={about.clothes}
        maxLength={200}
        onChange={(e) => void tour.tell({ clothes: e.currentTarget.value })}
      />
      <Textarea
        label={word('tour.notes')}
        value={about.notes}
        maxLength={2000}
        autosize
        onChange={(e) => void tour.tell({ notes: e.currentTarget.value })}
      />
    </details>
  );
}

/** What two have said of one session at once: both are shown, and either can hold. */
function SessionConflictPanel({ tour }: { readonly tour: TourInHand }) {
  const { sessionConflict: conflict, decideSession } = tour;
  if (!conflict) return null;
  const { mine, theirs } = conflict;
  const said = ({ shoesOn, clothes, notes }: Pick<MeasuringSession, 'shoesOn' | 'clothes' | 'notes'>) =>
    [word(shoesOn ? 'tour.shoesOn' : 'tour.shoesOff'), clothes, notes].filter(Boolean).join(' · ');
  return (
    <ValueConflict
      mine={said(mine)}
      saved={said(theirs)}
      onKeepMine={() => void decideSession(mine, theirs, true)}
      onUseSaved={() => void decideSession(mine, theirs, false)}
    />
  );
}

function Done({ tour }: { readonly tour: TourInHand }) {
  const { skipped } = tour.tour;
  return (
    <section className={styles.done} aria-label={word('tour.done')}>
      <h2>{word('tour.done')}</h2>
      {skipped.length > 0 && (
        <p>
          {sayWith('tour.done.skipped', {
            list: skipped.map((id) => word(`dimension.${id}`).toLowerCase()).join(', '),
          })}
        </p>
      )}
      <p>
        <a href={`/people/${tour.sitter.id}`}>{sayWith('tour.done.back', { name: tour.sitter.name })}</a>
      </p>
      <div className={styles.acts}>
        <button
          type="button"
          className={parts.plainButton}
          disabled={!tour.last}
          onClick={() => void tour.undo()}
        >
          {word('tour.undo.last')}
        </button>
        <button type="button" className={parts.plainButton} onClick={tour.anew}>
          {word('tour.anew')}
        </button>
      </div>
    </section>
  );
}

/** Before anything is kept somebody has to have agreed to it. */
function Consent({ sitter, today }: { readonly sitter: SitterDetail; readonly today: string }) {
  const [isGiven, setIsGiven] = useState(sitter.consentOn !== null);
  const { edit, fault } = useSitterEdit(sitter, () => setIsGiven(true));
  if (isGiven) return null;
  return (
    <div className={parts.notice}>
      {word('people.noConsent')}{' '}
      <button type="button" className={parts.plainButton} onClick={() => void edit({ consentOn: today })}>
        {word('people.consentNow')}
      </button>
      {fault && <p role="alert">{fault}</p>}
    </div>
  );
}

/** Of a simulated body of which nothing is known. */
const USUAL_KG = 70;

function MeasuringScreen({
  initial,
  today,
  tolerances,
}: {
  readonly initial: SitterDetail;
  readonly today: string;
  readonly tolerances: Tolerances;
}) {
  const reading = useReading();
  const tour = useTour(initial, reading, tolerances);
  const told = usePopulation({ ...tour.sitter, body: tour.body });
  const { step } = tour;
  // A simulated device measures the body as it stood before, or as it is estimated.
  const trueOf = useMemo(() => {
    const size = drawnSizes((id) =>
      isMeasured(initial.body, id) ? initial.body[id]!.value : told?.estimates[id]?.value,
    );
    return (id: DimensionId) =>
      id === 'bodyMass'
        ? (initial.body.bodyMass?.value ?? told?.estimates.bodyMass?.value ?? USUAL_KG)
        : size(id);
  }, [initial.body, told]);
  const shown = step?.dimension ?? tour.last?.dimension ?? 'stature';
  const signs = useWarningSigns(tour.sitter.id);
  const head = (
    <>
      <div className={parts.head}>
        <h1>{sayWith('tour.title', { name: tour.sitter.name })}</h1>
        <a href={`/people/${tour.sitter.id}`}>{word('tour.leave')}</a>
      </div>
      {signs.panel}
    </>
  );
  if (signs.isStopped) return head;
  return (
    <>
      {head}
      <Consent sitter={tour.sitter} today={today} />
      <Selection tour={tour} />
      <Progress tour={tour} tolerances={tolerances} />
      <SessionConflictPanel tour={tour} />
      <div className={styles.tour}>
        <div className={styles.figure}>
          <PanelBoundary>
            <Figure dimension={shown} body={tour.body} told={told} />
          </PanelBoundary>
        </div>
        {step ? (
          <div className={styles.panel}>
            <p className={styles.posture}>{word(`tour.posture.${DIMENSIONS[step.dimension].posture}`)}</p>
            <h2>{word(`dimension.${step.dimension}`)}</h2>
            <p id="tour-how">{word(`how.${step.dimension}`)}</p>
            <Doubts tour={tour} told={told} />
            <WhichReading tour={tour} step={step} />
            <Devices tour={tour} trueOf={trueOf} />
            <Entry tour={tour} step={step} />
          </div>
        ) : (
          <div className={styles.panel}>
            <Done tour={tour} />
            <Doubts tour={tour} told={told} />
          </div>
        )}
        <aside className={styles.aside}>
          <TourList tour={tour} told={told} />
          <About tour={tour} />
        </aside>
      </div>
    </>
  );
}

export default function MeasuringPage({
  page,
  sitter,
  tolerances,
}: {
  readonly page: PageProps;
  readonly sitter: SitterDetail;
  /** What the practice has set for itself. */
  readonly tolerances: Tolerances;
}) {
  return (
    <Frame page={page} area="people">
      <MeasuringScreen initial={sitter} today={page.today} tolerances={tolerances} />
    </Frame>
  );
}
