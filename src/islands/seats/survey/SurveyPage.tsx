import '../../../words/pages';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { FEEL_SPOTS } from '../../../core/scene/survey-questions';
import { SEAT_CLASSES, isFixed, type SeatClass } from '../../../core/seat';
import { Frame } from '../../../ui/Frame';
import { newId } from '../../../ui/ids';
import parts from '../../../ui/parts.module.css';
import { useReading, type PageProps } from '../../../ui/preferences';
import { sayWith, t, word } from '../../../words';
import { Chips } from '../fields';
import { GapList } from '../GapList';
import { newSeatText, withClass } from '../seat-text';
import { useSeatEditor, type SeatEditor } from '../use-seat-editor';
import { Feel } from './Feel';
import { Question } from './Question';
import { sayUnit } from './say-unit';
import { oneEnded, stepsFor, withoutEmpty, type SurveyStep } from './survey';
import styles from './survey.module.css';

/** The same on paper. */
function Sheets() {
  const reading = useReading();
  return (
    <p className={parts.soft}>
      {word('survey.sheets')}{' '}
      {(['quick', 'full'] as const).map((set, i) => (
        <span key={set}>
          {i > 0 && ' · '}
          <a
            href={`/api/v1/survey-sheet.pdf?set=${set}&units=${reading.length}`}
            target="_blank"
            rel="noreferrer"
          >
            {word(`survey.sheet.${set}`)}
          </a>
        </span>
      ))}
    </p>
  );
}

/** What the seat is called, and how its heights are measured. */
function Begin({ editor, onNext }: { readonly editor: SeatEditor; readonly onNext: () => void }) {
  const reading = useReading();
  const { text, change } = editor;
  return (
    <form
      className={styles.begin}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onNext();
      }}
    >
      <p>{word('survey.needs')}</p>
      <TextInput
        label={word('seatForm.name')}
        value={text.name}
        maxLength={300}
        autoComplete="off"
        onChange={(e) => change({ name: e.currentTarget.value }, 'name')}
      />
      <NativeSelect
        label={word('seatForm.class')}
        value={text.seatClass}
        onChange={(e) => change(withClass(text, e.currentTarget.value as SeatClass, reading), 'seatClass')}
        data={SEAT_CLASSES.map((c) => ({ value: c, label: word(`class.${c}`) }))}
      />
      <NativeSelect
        label={word('seatForm.heightsAre')}
        description={word('survey.loaded')}
        value={text.heightsAre}
        onChange={(e) =>
          change({ heightsAre: e.currentTarget.value === 'empty' ? 'empty' : 'loaded' }, 'heightsAre')
        }
        data={(['loaded', 'empty'] as const).map((id) => ({
          value: id,
          label: word(`seatForm.heightsAre.${id}`),
        }))}
      />
      <TextInput
        label={word('survey.mass')}
        description={word('survey.mass.hint')}
        value={text.referenceMass}
        inputMode="decimal"
        autoComplete="off"
        maxLength={40}
        rightSection={<span className={parts.soft}>{reading.mass}</span>}
        error={editor.faults.referenceMass?.text}
        onChange={(e) => change({ referenceMass: e.currentTarget.value }, 'referenceMass')}
      />
      <Button type="submit">{word('survey.begin')}</Button>
      <Sheets />
    </form>
  );
}

interface EndProps {
  readonly editor: SeatEditor;
  readonly steps: readonly SurveyStep[];
  readonly onGo: (to: number) => void;
  readonly onSave: () => void;
  /** To where controls are felt for. */
  readonly onFeel: () => void;
}

/** Every value, to go back to. */
function Values({ editor: { text, faults }, steps, onGo }: Omit<EndProps, 'onSave' | 'onFeel'>) {
  const reading = useReading();
  return (
    <ul className={styles.values}>
      {steps.map((step, i) => {
        const value = step.valueOf(text).trim();
        return (
          <li key={step.id} data-wrong={(value !== '' && faults[step.path] !== undefined) || undefined}>
            <button type="button" className={parts.plainButton} onClick={() => onGo(i)}>
              {t(`survey.${step.id}`)}: {value === '' ? '–' : `${value} ${sayUnit(step.unit, reading)}`}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** What was measured, what is still missing, and where it goes on. */
function End({ editor, steps, onGo, onSave, onFeel }: EndProps) {
  const { text, gaps, problem, busy, seat } = editor;
  const canMove = seat?.adjustments.some((a) => !isFixed(a)) ?? false;
  return (
    <section className={styles.begin} aria-label={word('survey.done')}>
      <h2>{word('survey.done')}</h2>
      <Values editor={editor} steps={steps} onGo={onGo} />
      {oneEnded(text).length > 0 && (
        <p className={parts.notice}>
          {sayWith('survey.oneEnd', {
            list: oneEnded(text)
              .map((kind) => word(`kind.${kind}`))
              .join(', '),
          })}
        </p>
      )}
      {gaps.length > 0 && (
        <>
          <h3>{word('seatForm.gaps')}</h3>
          <GapList gaps={gaps} />
        </>
      )}
      <TextInput
        label={word('seatForm.name')}
        value={text.name}
        maxLength={300}
        autoComplete="off"
        error={problem && text.name.trim() === '' ? word('seatForm.fault.name') : undefined}
        onChange={(e) => editor.change({ name: e.currentTarget.value }, 'name')}
      />
      {problem && (
        <p className={parts.notice} data-tone="misfit" role="alert">
          {problem}
        </p>
      )}
      <p>
        <a href="/seats/new">{word('survey.form')}</a>
      </p>
      <div className={styles.go}>
        <Button variant="default" disabled={!canMove} onClick={onFeel}>
          {sayWith('survey.controls', { n: text.controls.length })}
        </Button>
        <Button loading={busy} onClick={onSave}>
          {word('seatForm.save')}
        </Button>
      </div>
    </section>
  );
}

/** Where the survey stands: before it, at a question, at a place to feel at, or at its end. */
type At = { readonly at: 'begin' | 'end' } | { readonly at: 'ask' | 'feel'; readonly i: number };

/** Where the survey stands, and the ways on from there. */
function useSurvey() {
  const reading = useReading();
  const [start] = useState(() => ({
    id: newId(),
    base: null,
    initial: newSeatText(reading),
    version: null,
    draft: 'seat:new',
  }));
  const editor = useSeatEditor(start, reading, ({ seat }) => {
    window.location.href = `/seats/${seat.id}`;
  });
  const [isQuick, setQuick] = useState(true);
  const [place, setPlace] = useState<At>({ at: 'begin' });
  const steps = stepsFor(editor.text, isQuick);
  const tidyUp = () => {
    // What was skipped is not there: nothing is described by an empty field.
    const tidy = withoutEmpty(editor.text);
    if (tidy.adjustments.length < editor.text.adjustments.length) editor.change(tidy, 'survey');
  };
  const ask = (to: number) => {
    tidyUp();
    if (to < 0) setPlace({ at: 'begin' });
    else if (to < steps.length) setPlace({ at: 'ask', i: to });
    // In full the controls are felt for as well; in a hurry only when asked.
    else setPlace(isQuick || !editor.seat ? { at: 'end' } : { at: 'feel', i: 0 });
  };
  const feel = (to: number) => {
    if (to < 0) ask(steps.length - 1);
    else setPlace(to < FEEL_SPOTS.length ? { at: 'feel', i: to } : { at: 'end' });
  };
  const change = (quick: boolean) => {
    setQuick(quick);
    setPlace((now) => (now.at === 'begin' ? now : { at: 'ask', i: 0 }));
  };
  return { editor, isQuick, change, place, steps, ask, feel };
}

/** In a hurry or in full, and that what is typed is kept. */
function Head({
  isQuick,
  isChanged,
  onChange,
}: {
  readonly isQuick: boolean;
  readonly isChanged: boolean;
  readonly onChange: (quick: boolean) => void;
}) {
  return (
    <>
      <div className={parts.head}>
        <h1>{word('survey.title')}</h1>
        <Chips
          label={word('survey.title')}
          options={(['quick', 'full'] as const).map((id) => [id, word(`survey.set.${id}`)] as const)}
          chosen={[isQuick ? 'quick' : 'full']}
          onToggle={(to) => onChange(to === 'quick')}
        />
        <a href="/seats">{word('seats.back')}</a>
      </div>
      {isChanged && (
        <p className={parts.soft} role="status">
          {word('seatForm.kept')}
        </p>
      )}
    </>
  );
}

function Survey({ page }: { readonly page: PageProps }) {
  const { editor, isQuick, change, place, steps, ask, feel } = useSurvey();
  const fitter = page.fitters.find((f) => f.id === page.fitterId)?.name ?? null;
  const step = place.at === 'ask' ? steps[place.i] : undefined;
  const spot = place.at === 'feel' ? FEEL_SPOTS[place.i] : undefined;
  return (
    <>
      <Head isQuick={isQuick} isChanged={editor.isChanged} onChange={change} />
      {place.at === 'begin' && (
        <Begin
          editor={editor}
          onNext={() => {
            const open = steps.findIndex((s) => s.valueOf(editor.text).trim() === '');
            ask(open < 0 ? steps.length : open);
          }}
        />
      )}
      {step && place.at === 'ask' && (
        <Question
          key={step.id}
          editor={editor}
          step={step}
          at={place.i}
          of={steps.length}
          fitter={fitter}
          onGo={ask}
        />
      )}
      {spot && place.at === 'feel' && (
        <Feel
          key={spot.id}
          editor={editor}
          spot={spot}
          at={place.i}
          of={FEEL_SPOTS.length}
          trying={{ fitter, today: page.today }}
          onGo={(by) => feel(place.i + by)}
        />
      )}
      {place.at === 'end' && (
        <End
          editor={editor}
          steps={steps}
          onGo={ask}
          onSave={() => void editor.save()}
          onFeel={() => feel(0)}
        />
      )}
    </>
  );
}

/** Guided measuring of a seat that nobody described: one value at a time, kept on this device. */
export default function SurveyPage({ page }: { readonly page: PageProps }) {
  return (
    <Frame page={page} area="seats">
      <Survey page={page} />
    </Frame>
  );
}
