import '../../words/pages';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useEffect, useMemo, useRef, useState, type SubmitEvent } from 'react';
import { surveyView } from '../../core/scene';
import { SEAT_CLASSES, gapCost, type SeatClass } from '../../core/seat';
import { View, viewPicture, type Picture, type Source } from '../../drawing';
import { Frame } from '../../ui/Frame';
import { newId } from '../../ui/ids';
import parts from '../../ui/parts.module.css';
import { useReading, type PageProps } from '../../ui/preferences';
import { sayWith, t, word, type Reading } from '../../words';
import { Chips, Fault } from './fields';
import { placeholderSeat } from './placeholder-seat';
import { newSeatText, withClass } from './seat-text';
import { oneEnded, stepsFor, withoutEmpty, type SurveyStep, type SurveyUnit } from './survey';
import { useSeatEditor, type SeatEditor } from './use-seat-editor';
import styles from './survey.module.css';

const never = () => () => undefined;

const unitWord = (unit: SurveyUnit, reading: Reading): string =>
  unit === 'mm'
    ? reading.length
    : unit === 'kg'
      ? reading.mass
      : unit === 'deg'
        ? '°'
        : word(unit === 'turn' ? 'set.unit.turn' : 'survey.positions');

/** Where the tape goes. */
function TapePicture({ editor, step }: { readonly editor: SeatEditor; readonly step: SurveyStep }) {
  const reading = useReading();
  const seat = editor.seat ?? placeholderSeat(editor.text.seatClass);
  const source = useMemo((): Source<Picture> => {
    const picture = viewPicture(surveyView(seat, step.place), reading);
    return { get: () => picture, subscribe: never };
  }, [seat, step.place, reading]);
  return (
    <div className={styles.picture}>
      <View
        key={`${step.id}${JSON.stringify(seat.adjustments)}`}
        id="survey"
        name={sayWith('survey.picture', { name: t(`survey.${step.id}`) })}
        source={source}
        atRest={source}
        reading={reading}
      />
    </div>
  );
}

interface StepProps {
  readonly editor: SeatEditor;
  readonly step: SurveyStep;
  readonly at: number;
  readonly of: number;
  readonly onGo: (to: number) => void;
}

/** One value: where it is measured, and room to type it. */
function Question({ editor, step, at, of, onGo }: StepProps) {
  const reading = useReading();
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), [step]);
  const value = step.valueOf(editor.text);
  const fault = value.trim() === '' ? undefined : editor.faults[step.path];
  const next = (event: SubmitEvent) => {
    event.preventDefault();
    if (!fault) onGo(at + 1);
  };
  return (
    <form className={styles.question} onSubmit={next} noValidate>
      <TapePicture editor={editor} step={step} />
      <div className={styles.asked}>
        <p className={parts.soft}>{sayWith('survey.progress', { n: at + 1, of })}</p>
        <h2>{t(`survey.${step.id}`)}</h2>
        <p>{t(`survey.${step.id}.how`)}</p>
        <TextInput
          ref={field}
          aria-label={t(`survey.${step.id}`)}
          className={styles.value}
          value={value}
          inputMode="decimal"
          enterKeyHint="next"
          autoComplete="off"
          maxLength={40}
          rightSection={<span className={parts.soft}>{unitWord(step.unit, reading)}</span>}
          rightSectionWidth="5rem"
          error={
            fault ? (
              <Fault
                fault={fault}
                onFix={(meant) => editor.change(step.put(editor.text, meant), step.path)}
              />
            ) : undefined
          }
          onChange={(e) => editor.change(step.put(editor.text, e.currentTarget.value), step.path)}
        />
        <div className={styles.go}>
          <Button variant="default" onClick={() => onGo(at - 1)}>
            {word('survey.back')}
          </Button>
          <Button type="submit">{word(value.trim() === '' ? 'survey.skip' : 'survey.next')}</Button>
        </div>
      </div>
    </form>
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
      <Button type="submit">{word('survey.begin')}</Button>
    </form>
  );
}

interface EndProps {
  readonly editor: SeatEditor;
  readonly steps: readonly SurveyStep[];
  readonly onGo: (to: number) => void;
  readonly onSave: () => void;
}

/** Every value, to go back to. */
function Values({ editor: { text, faults }, steps, onGo }: Omit<EndProps, 'onSave'>) {
  const reading = useReading();
  return (
    <ul className={styles.values}>
      {steps.map((step, i) => {
        const value = step.valueOf(text).trim();
        return (
          <li key={step.id} data-wrong={(value !== '' && faults[step.path] !== undefined) || undefined}>
            <button type="button" className={parts.plainButton} onClick={() => onGo(i)}>
              {t(`survey.${step.id}`)}: {value === '' ? '–' : `${value} ${unitWord(step.unit, reading)}`}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** What was measured, what is still missing, and where it goes on. */
function End({ editor, steps, onGo, onSave }: EndProps) {
  const { text, gaps, problem, busy } = editor;
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
          <ol>
            {gaps.map((gap) => (
              <li key={gap}>
                {word(`gap.${gap}`)} <span className={parts.soft}>({word(`gapCost.${gapCost(gap)}`)})</span>
              </li>
            ))}
          </ol>
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
      <div className={styles.go}>
        <Button component="a" variant="default" href="/seats/new">
          {word('survey.controls')}
        </Button>
        <Button loading={busy} onClick={onSave}>
          {word('seatForm.save')}
        </Button>
      </div>
    </section>
  );
}

function Survey() {
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
  const [at, setAt] = useState(-1);
  const steps = stepsFor(editor.text, isQuick);
  const go = (to: number) => {
    // What was skipped is not there: nothing is described by an empty field.
    const tidy = withoutEmpty(editor.text);
    if (tidy.adjustments.length < editor.text.adjustments.length) editor.change(tidy, 'survey');
    setAt(Math.max(-1, Math.min(steps.length, to)));
  };
  const step = steps[at];
  return (
    <>
      <div className={parts.head}>
        <h1>{word('survey.title')}</h1>
        <Chips
          label={word('survey.title')}
          options={(['quick', 'full'] as const).map((id) => [id, word(`survey.set.${id}`)] as const)}
          chosen={[isQuick ? 'quick' : 'full']}
          onToggle={(to) => {
            setQuick(to === 'quick');
            setAt((n) => (n < 0 ? n : 0));
          }}
        />
        <a href="/seats">{word('seats.back')}</a>
      </div>
      {editor.isChanged && (
        <p className={parts.soft} role="status">
          {word('seatForm.kept')}
        </p>
      )}
      {at < 0 ? (
        <Begin
          editor={editor}
          onNext={() => {
            const open = steps.findIndex((s) => s.valueOf(editor.text).trim() === '');
            go(open < 0 ? steps.length : open);
          }}
        />
      ) : step ? (
        <Question key={step.id} editor={editor} step={step} at={at} of={steps.length} onGo={go} />
      ) : (
        <End editor={editor} steps={steps} onGo={go} onSave={() => void editor.save()} />
      )}
    </>
  );
}

/** Guided measuring of a seat that nobody described: one value at a time, kept on this device. */
export default function SurveyPage({ page }: { readonly page: PageProps }) {
  return (
    <Frame page={page} area="seats">
      <Survey />
    </Frame>
  );
}
