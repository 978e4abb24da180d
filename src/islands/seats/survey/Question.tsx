import { Button, TextInput } from '@mantine/core';
import { useEffect, useRef, useState, type SubmitEvent } from 'react';
import { MOST_TAKES } from '../../../core/measuring';
import { adjustmentUnit, surveyTolerance } from '../../../core/scene/survey-questions';
import parts from '../../../ui/parts.module.css';
import { useReading } from '../../../ui/preferences';
import { sayInUnit, sayWith, t, word } from '../../../words';
import { Fault } from '../fields';
import type { SeatEditor } from '../use-seat-editor';
import { TapePicture } from './TapePicture';
import { sayUnit } from './say-unit';
import type { SurveyStep } from './survey';
import { isRepeated, settledOf, takesOf, wantsThird, withTakes } from './takes';
import styles from './survey.module.css';

interface Props {
  readonly editor: SeatEditor;
  readonly step: SurveyStep;
  readonly at: number;
  readonly of: number;
  /** Name of the fitter; null where nobody is chosen. */
  readonly fitter: string | null;
  readonly onGo: (to: number) => void;
}

/** What was read before, and what all readings come to. */
function Readings({
  typed,
  step,
  onDrop,
}: {
  typed: readonly string[];
  step: SurveyStep;
  onDrop: (i: number) => void;
}) {
  const reading = useReading();
  const { unit } = step;
  const asked = adjustmentUnit(unit);
  const whole = typed.filter((one) => one.trim() !== '');
  const settled = whole.length > 1 ? settledOf(whole, unit, reading) : null;
  if (typed.length < 2 || asked === null) return null;
  return (
    <div className={styles.readings}>
      <ul>
        {typed.slice(0, -1).map((one, i) => (
          <li key={i}>
            {sayWith('survey.reading', { n: i + 1, value: `${one} ${sayUnit(unit, reading)}` })}
            <button
              type="button"
              className={parts.plainButton}
              aria-label={sayWith('survey.reading.drop', { n: i + 1 })}
              onClick={() => onDrop(i)}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      {settled && (
        <p role="status">
          {sayWith('survey.settled', {
            value: sayInUnit(settled.value, asked, reading),
            spread: sayInUnit(settled.spread, asked, reading),
          })}
        </p>
      )}
      {wantsThird(whole, unit, reading) && (
        <p className={parts.notice}>
          {sayWith('survey.third', { by: sayInUnit(surveyTolerance(unit), asked, reading) })}
        </p>
      )}
    </div>
  );
}

/** The readings of a question: as kept, and one more where it is asked for. */
function useReadings({ editor, step, fitter }: Pick<Props, 'editor' | 'step' | 'fitter'>) {
  const reading = useReading();
  const kept = takesOf(editor.text, step);
  // A further reading is there only once it is typed.
  const [extra, setExtra] = useState(0);
  const typed = extra > kept.length ? [...kept, ''] : kept.length === 0 ? [''] : kept;
  const put = (next: readonly string[]) => {
    const who = { by: fitter, at: new Date().toISOString() };
    editor.change(withTakes(editor.text, step, next, who, reading), step.path);
  };
  const drop = (i: number) => {
    setExtra(0);
    put(typed.filter((one, other) => other !== i && one.trim() !== ''));
  };
  return { typed, put, drop, again: () => setExtra(typed.length + 1) };
}

/** One value: where it is measured, and room to type it, once or again. */
export function Question({ editor, step, at, of, fitter, onGo }: Props) {
  const reading = useReading();
  const field = useRef<HTMLInputElement>(null);
  const { typed, put, drop, again } = useReadings({ editor, step, fitter });
  const value = typed.at(-1) ?? '';
  useEffect(() => field.current?.focus(), [step, typed.length]);
  const fault = value.trim() === '' ? undefined : editor.faults[step.path];
  const next = (event: SubmitEvent) => {
    event.preventDefault();
    if (!fault) onGo(at + 1);
  };
  const canRepeat = isRepeated(step.unit) && !fault && value.trim() !== '' && typed.length < MOST_TAKES;
  return (
    <form className={styles.question} onSubmit={next} noValidate>
      <TapePicture editor={editor} step={step} />
      <div className={styles.asked}>
        <p className={parts.soft}>{sayWith('survey.progress', { n: at + 1, of })}</p>
        <h2>{t(`survey.${step.id}`)}</h2>
        <p>{t(`survey.${step.id}.how`)}</p>
        <Readings typed={typed} step={step} onDrop={drop} />
        <TextInput
          ref={field}
          aria-label={t(`survey.${step.id}`)}
          className={styles.value}
          value={value}
          inputMode="decimal"
          enterKeyHint="next"
          autoComplete="off"
          maxLength={40}
          rightSection={<span className={parts.soft}>{sayUnit(step.unit, reading)}</span>}
          rightSectionWidth="5rem"
          error={
            fault ? <Fault fault={fault} onFix={(meant) => put([...typed.slice(0, -1), meant])} /> : undefined
          }
          onChange={(e) => put([...typed.slice(0, -1), e.currentTarget.value])}
        />
        {canRepeat && (
          <Button variant="default" onClick={again}>
            {word('survey.again')}
          </Button>
        )}
        <div className={styles.go}>
          <Button variant="default" onClick={() => onGo(at - 1)}>
            {word('survey.back')}
          </Button>
          <Button type="submit">{word(typed[0]!.trim() === '' ? 'survey.skip' : 'survey.next')}</Button>
        </div>
      </div>
    </form>
  );
}
