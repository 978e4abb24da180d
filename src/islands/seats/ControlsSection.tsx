/** The controls of a seat as they are entered: pointed at from above, then what they are and what they move. */
import { useEffect, useRef, useState, type MouseEvent } from 'react';
import { NativeSelect, TextInput } from '@mantine/core';
import { zoneFromAbove } from '../../core/scene';
import {
  CONTROL_KINDS,
  HANDS,
  SIDES,
  ZONES,
  type Adjustment,
  type Control,
  type SeatModel,
} from '../../core/seat';
import { CONTROL_FIELD, ControlView } from '../../drawing/ControlView';
import { PictogramRow } from '../../drawing/Pictogram';
import { pointFromAbove } from '../../drawing/control-marks';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import { newControl, textOr, withKind, withPlace } from './control-form';
import { ChoiceField } from './fields';
import { Moves, named, orNone, type Trying } from './MoveFields';
import { Procedures } from './Procedures';
import type { SectionProps } from './SeatSections';
import styles from './seat-form.module.css';

interface ControlProps {
  readonly control: Control;
  readonly number: number;
  readonly adjustments: readonly Adjustment[];
  readonly trying: Trying;
  /** Whether somebody has just pointed at it. */
  readonly isNew: boolean;
  readonly onChange: (next: Control) => void;
  readonly onRemove: () => void;
}

/** Which of several beside each other. */
function RankField({
  rank,
  onChange,
}: {
  readonly rank: Control['rank'];
  readonly onChange: (rank: Control['rank']) => void;
}) {
  return (
    <NativeSelect
      label={word('controlForm.rank')}
      value={rank ? `${rank.number}/${rank.of}` : ''}
      onChange={(e) => {
        const [number, of] = e.currentTarget.value.split('/').map(Number);
        onChange(number && of ? { number, of } : undefined);
      }}
      data={[
        { value: '', label: '–' },
        ...RANKS.map(([number, of]) => ({
          value: `${number}/${of}`,
          label: sayWith('controlForm.rankOf', { number, of }),
        })),
      ]}
    />
  );
}

function WhereFields({ control, onChange }: Pick<ControlProps, 'control' | 'onChange'>) {
  const { side, zone, rank } = control;
  const put = (next: Partial<Control>) => onChange({ ...control, ...next });
  return (
    <div className={styles.fields}>
      <ChoiceField
        label={word('controlForm.side')}
        value={side ?? ''}
        options={orNone('side', SIDES)}
        onChange={(next) => next && onChange(withPlace(control, next, zone ?? 'underPan'))}
      />
      <ChoiceField
        label={word('controlForm.zone')}
        value={zone ?? ''}
        options={orNone('zone', ZONES)}
        onChange={(next) => next && onChange(withPlace(control, side ?? 'middle', next))}
      />
      <ChoiceField
        label={word('controlForm.hand')}
        value={control.hand}
        options={named('hand', HANDS)}
        onChange={(hand) => put({ hand })}
      />
      <TextInput
        label={word('controlForm.place')}
        value={control.place}
        onChange={(e) => put({ place: e.currentTarget.value })}
      />
      <TextInput
        label={word('controlForm.touch')}
        value={control.byTouch ?? ''}
        onChange={(e) => put({ byTouch: textOr(e.currentTarget.value) })}
      />
      <RankField rank={rank} onChange={(next) => put({ rank: next })} />
      <ChoiceField
        label={word('controlForm.latch')}
        value={control.latch}
        options={named('latch', ['none', 'clicks', 'silent'] as const)}
        onChange={(latch) => put({ latch })}
      />
      {control.scale.type !== 'dial' && (
        <ChoiceField
          label={word('controlForm.scale')}
          value={control.scale.type}
          options={named('scale', ['none', 'clicks', 'turns'] as const)}
          onChange={(type) => put({ scale: { type } })}
        />
      )}
    </div>
  );
}

/** First of two to fourth of four. */
const RANKS = [2, 3, 4].flatMap((of) => Array.from({ length: of }, (_, i) => [i + 1, of] as const));

export function KindChips({ control, onChange }: Pick<ControlProps, 'control' | 'onChange'>) {
  return (
    <div className={styles.chips} role="group" aria-label={word('controlForm.kind')}>
      {CONTROL_KINDS.map((kind) => (
        <button
          key={kind}
          type="button"
          className={styles.chip}
          aria-pressed={kind === control.kind}
          onClick={() => onChange(withKind(control, kind))}
        >
          <PictogramRow ids={[`kind.${kind}`]} /> {word(`controlKind.${kind}`)}
        </button>
      ))}
    </div>
  );
}

function ControlFields({ control, number, adjustments, trying, isNew, onChange, onRemove }: ControlProps) {
  const put = (next: Partial<Control>) => onChange({ ...control, ...next });
  const title = sayWith('controlForm.control', { number, name: control.name });
  const [isOpen, setOpen] = useState(isNew);
  const box = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    if (isNew) box.current?.querySelector('summary')?.focus();
  }, [isNew]);
  return (
    <details ref={box} className={styles.more} open={isOpen} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>{title}</summary>
      <div className={styles.body}>
        <TextInput
          label={word('controlForm.name')}
          value={control.name}
          onChange={(e) => put({ name: e.currentTarget.value })}
        />
        <KindChips control={control} onChange={onChange} />
        <WhereFields control={control} onChange={onChange} />
        <Moves control={control} adjustments={adjustments} trying={trying} onChange={onChange} />
        <button type="button" className={parts.plainButton} onClick={onRemove}>
          {sayWith('seatForm.remove', { name: title })}
        </button>
      </div>
    </details>
  );
}

interface Props extends Omit<SectionProps, 'form'> {
  readonly seat: SeatModel;
  readonly trying: Trying;
}

/** Controls and procedures of a seat. */
export function ControlsSection({ text, seat, trying, onChange }: Props) {
  const reading = useReading();
  const [newest, setNewest] = useState<string | null>(null);
  const controls = text.controls ?? seat.controls;
  const put = (next: readonly Control[], field: string) => onChange({ controls: next }, field);
  const point = (event: MouseEvent<HTMLButtonElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    // By keyboard there is no place: it is chosen from the lists.
    const isByKey = event.detail === 0;
    const at = { left: (event.clientX - box.left) / box.width, top: (event.clientY - box.top) / box.height };
    const { side, zone } = isByKey
      ? ({ side: 'right', zone: 'underPan' } as const)
      : zoneFromAbove(seat, pointFromAbove(seat, CONTROL_FIELD, at));
    const added = newControl(controls, side, zone);
    put([...controls, added], 'controls');
    setNewest(added.id);
  };
  return (
    <section className={styles.part} aria-label={word('controlForm.title')}>
      <h2>{word('controlForm.title')}</h2>
      <button
        type="button"
        className={styles.pointAt}
        aria-label={word('controlForm.pointAt')}
        onClick={point}
      >
        <ControlView
          seat={{ ...seat, controls }}
          view="above"
          name={word('controls.above')}
          reading={reading}
        />
      </button>
      <p className={parts.soft}>{word('controlForm.pointAt')}</p>
      {controls.map((control, i) => (
        <ControlFields
          key={control.id}
          control={control}
          number={i + 1}
          adjustments={seat.adjustments}
          trying={trying}
          isNew={control.id === newest}
          onChange={(next) =>
            put(
              controls.map((c, at) => (at === i ? next : c)),
              `controls/${control.id}`,
            )
          }
          onRemove={() =>
            put(
              controls.filter((_, at) => at !== i),
              'controls',
            )
          }
        />
      ))}
      <Procedures text={{ ...text, procedures: text.procedures ?? seat.procedures }} onChange={onChange} />
    </section>
  );
}
