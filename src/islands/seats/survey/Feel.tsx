import { Button } from '@mantine/core';
import type { FeelSpot } from '../../../core/scene/survey-questions';
import { CONTROL_KINDS, placeholderSeat, type Control, type ControlKind } from '../../../core/seat';
import { ControlView } from '../../../drawing/ControlView';
import { ASKED } from '../../../drawing/control-marks';
import { PictogramRow } from '../../../drawing/Pictogram';
import parts from '../../../ui/parts.module.css';
import { useReading } from '../../../ui/preferences';
import { sayWith, t, word } from '../../../words';
import { newControl, withKind } from '../control-form';
import { Moves, type Trying } from '../MoveFields';
import type { SeatEditor } from '../use-seat-editor';
import styles from './survey.module.css';
import form from '../seat-form.module.css';

interface Props {
  readonly editor: SeatEditor;
  readonly spot: FeelSpot;
  readonly at: number;
  readonly of: number;
  readonly trying: Trying;
  readonly onGo: (to: number) => void;
}

function Found({
  control,
  editor,
  trying,
  onChange,
  onRemove,
}: {
  readonly control: Control;
  readonly editor: SeatEditor;
  readonly trying: Trying;
  readonly onChange: (control: Control) => void;
  readonly onRemove: () => void;
}) {
  const adjustments = editor.seat?.adjustments ?? [];
  return (
    <div className={styles.found} role="group" aria-label={control.name}>
      <h3>
        <PictogramRow ids={[`kind.${control.kind}`]} /> {control.name}
        <button type="button" className={parts.plainButton} onClick={onRemove}>
          {sayWith('seatForm.remove', { name: control.name })}
        </button>
      </h3>
      <Moves control={control} adjustments={adjustments} trying={trying} onChange={onChange} />
      <p className={parts.soft}>{word('survey.feel.onlyMeasured')}</p>
    </div>
  );
}

/** One place to feel at: what is there, and what it moves when it is tried. */
export function Feel({ editor, spot, at, of, trying, onGo }: Props) {
  const reading = useReading();
  const { text, change } = editor;
  const seat = editor.seat ?? placeholderSeat(text.seatClass);
  const { controls } = text;
  const here = controls.filter((c) => c.side === spot.side && c.zone === spot.zone);
  const asked = { ...newControl([], spot.side, spot.zone), id: ASKED };
  const put = (next: readonly Control[]) => change({ controls: next }, 'controls');
  const add = (kind: ControlKind) =>
    put([...controls, withKind(newControl(controls, spot.side, spot.zone), kind)]);
  return (
    <div className={styles.question}>
      <div className={styles.picture}>
        <ControlView
          seat={{ ...seat, controls: here.length > 0 ? controls : [...controls, asked] }}
          view="above"
          name={word('controls.above')}
          reading={reading}
        />
      </div>
      <div className={styles.asked}>
        <p className={parts.soft}>{sayWith('survey.feel.progress', { n: at + 1, of })}</p>
        <h2>{t(`survey.feel.${spot.id}`)}</h2>
        {here.map((control) => (
          <Found
            key={control.id}
            control={control}
            editor={editor}
            trying={trying}
            onChange={(next) => put(controls.map((c) => (c.id === control.id ? next : c)))}
            onRemove={() => put(controls.filter((c) => c.id !== control.id))}
          />
        ))}
        <p>{word(here.length === 0 ? 'survey.feel.what' : 'survey.feel.another')}</p>
        <div className={form.chips} role="group" aria-label={word('controlForm.kind')}>
          {CONTROL_KINDS.map((kind) => (
            <button key={kind} type="button" className={form.chip} onClick={() => add(kind)}>
              <PictogramRow ids={[`kind.${kind}`]} /> {word(`controlKind.${kind}`)}
            </button>
          ))}
        </div>
        <div className={styles.go}>
          <Button variant="default" onClick={() => onGo(-1)}>
            {word('survey.back')}
          </Button>
          <Button onClick={() => onGo(1)}>
            {word(here.length === 0 ? 'survey.feel.nothing' : 'survey.next')}
          </Button>
        </div>
      </div>
    </div>
  );
}
