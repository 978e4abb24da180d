/** What can be answered to a step: done, found so, could not and why, what the tape shows, how it feels. */
import { useId, useState, type ReactNode, type SubmitEvent } from 'react';
import {
  positionByTape,
  tapeUnitOf,
  feelAnswersOf,
  isFelt,
  STUCK_REASONS,
  type StuckReason,
} from '../../core/walk';
import type { AdjustmentKind } from '../../core/seat';
import { parseDecimal, parseLength } from '../../core/units';
import parts from '../../ui/parts.module.css';
import { useReading } from '../../ui/preferences';
import { sayValue, sayWith, t, word } from '../../words';
import type { Given, WalkInHand } from './use-walk';
import { positionAt, positionsOf, type StepView } from './walk-view';
import styles from './walk.module.css';

export type Asked = 'stuck' | 'tape' | 'feel' | null;

interface PanelProps {
  readonly hand: WalkInHand;
  readonly view: StepView;
  readonly kind: AdjustmentKind;
  readonly onGiven: (given: Given) => void;
}

function Panel({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section className={styles.asked} aria-label={title}>
      <h3>{title}</h3>
      {children}
    </section>
  );
}

/** Where it stands, if not where the start has it. */
function Stands({
  of,
  value,
  onChange,
}: {
  readonly of: number;
  readonly value: number;
  readonly onChange: (position: number) => void;
}) {
  return (
    <div className={styles.stands}>
      <span id="walk-stands">{word('walk.stuck.where')}</span>
      <button
        type="button"
        className={parts.plainButton}
        aria-label={word('walk.less')}
        disabled={value <= 0}
        onClick={() => onChange(value - 1)}
      >
        −
      </button>
      <output aria-labelledby="walk-stands">{sayWith('feel.tried', { number: value + 1, of })}</output>
      <button
        type="button"
        className={parts.plainButton}
        aria-label={word('walk.more')}
        disabled={value >= of - 1}
        onClick={() => onChange(value + 1)}
      >
        +
      </button>
    </div>
  );
}

/** More positions than somebody steps through one by one: there the tape tells. */
const FEW = 24;

function Stuck({ hand, kind, onGiven }: PanelProps) {
  const { walk, ground } = hand;
  const of = positionsOf(ground.problem, kind);
  const [position, setPosition] = useState(walk.standing.positions[kind] ?? 0);
  const [note, setNote] = useState('');
  const give = (reason: StuckReason) =>
    onGiven({ answer: 'stuck', position, reason, ...(note.trim() && { note: note.trim() }) });
  return (
    <Panel title={word('walk.stuck.why')}>
      {of > 1 && of <= FEW && <Stands of={of} value={position} onChange={setPosition} />}
      {of > FEW && (
        <Tape
          hand={hand}
          kind={kind}
          label={word('walk.stuck.where')}
          onPosition={setPosition}
          hint={word('walk.stuck.untold')}
        />
      )}
      <label className={styles.note}>
        {word('walk.note')}
        <input
          value={note}
          maxLength={200}
          placeholder={word('walk.note.hint')}
          onChange={(e) => setNote(e.currentTarget.value)}
        />
      </label>
      <div className={styles.reasons}>
        {STUCK_REASONS.map((reason) => (
          <button key={reason} type="button" className={parts.strongButton} onClick={() => give(reason)}>
            {word(`walk.stuck.${reason}`)}
          </button>
        ))}
      </div>
    </Panel>
  );
}

interface TapeProps {
  readonly hand: WalkInHand;
  readonly kind: AdjustmentKind;
  readonly label: string;
  readonly hint?: string;
  readonly onPosition?: (position: number) => void;
  readonly onTake?: (position: number) => void;
}

/** What was typed of a tape, and the position that it means; why it means none. */
function useTape({ walk }: WalkInHand, kind: AdjustmentKind, unit: 'mm' | 'deg') {
  const reading = useReading();
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const said = (value: number) => sayValue(unit === 'deg' ? { deg: value } : { mm: value }, reading);
  const read = (typed: string): number | null => {
    const value = valueOf(typed, unit, reading.length);
    const found = value === null ? null : positionByTape(walk.problem, walk.standing, kind, value);
    if (found && !found.isOutside) {
      setFault(null);
      return found.position;
    }
    setFault(
      found
        ? sayWith('walk.tape.outside', { lowest: said(found.lowest), highest: said(found.highest) })
        : word('walk.tape.empty'),
    );
    return null;
  };
  return { text, setText, fault, read, shown: unit === 'deg' ? '°' : reading.length };
}

/** A number off a tape or a level; nothing where neither tells. */
function Tape(props: TapeProps) {
  const { walk } = props.hand;
  const unit = tapeUnitOf(walk.problem, walk.standing, props.kind);
  return unit && <TapeForm {...props} unit={unit} />;
}

function TapeForm({
  hand,
  kind,
  label,
  hint,
  onPosition,
  onTake,
  unit,
}: TapeProps & { readonly unit: 'mm' | 'deg' }) {
  const field = useId();
  const { text, setText, fault, read, shown } = useTape(hand, kind, unit);
  const submit = (event: SubmitEvent) => {
    event.preventDefault();
    const position = read(text);
    if (position !== null) onTake?.(position);
  };
  const put = (typed: string) => {
    setText(typed);
    const position = onPosition && typed !== '' ? read(typed) : null;
    if (position !== null) onPosition?.(position);
  };
  return (
    <form className={styles.tape} onSubmit={submit} noValidate>
      <label htmlFor={field}>{label}</label>
      <span className={styles.tapeField}>
        <input
          id={field}
          value={text}
          inputMode="decimal"
          autoComplete="off"
          aria-invalid={fault !== null}
          aria-describedby="walk-tape-fault"
          onChange={(e) => put(e.currentTarget.value)}
        />
        <span>{shown}</span>
      </span>
      {hint && text === '' && <p className={parts.soft}>{hint}</p>}
      <p id="walk-tape-fault" role="alert" className={styles.fault}>
        {fault}
      </p>
      {onTake && (
        <button type="submit" className={parts.strongButton}>
          {word('walk.tape.take')}
        </button>
      )}
    </form>
  );
}

function valueOf(text: string, unit: 'mm' | 'deg', length: 'mm' | 'cm' | 'in'): number | null {
  if (unit === 'deg') {
    const parsed = parseDecimal(text.replace('°', ''), { pointMayGroup: false });
    return parsed.ok ? parsed.value : null;
  }
  const parsed = parseLength(text, length);
  return parsed.ok ? parsed.value : null;
}

function ByTape({ hand, kind, onGiven }: PanelProps) {
  const unit = tapeUnitOf(hand.walk.problem, hand.walk.standing, kind);
  const title = word(unit === 'deg' ? 'walk.tape.ask.level' : 'walk.tape.ask');
  return (
    <Panel title={title}>
      <Tape
        hand={hand}
        kind={kind}
        label={word('walk.tape.reading')}
        onTake={(position) => onGiven({ answer: 'left', position })}
      />
    </Panel>
  );
}

/** What the sitter says, and what came of what was said before. */
export function Feel({ hand, view, kind, onGiven }: PanelProps) {
  const reading = useReading();
  const { walk, ground } = hand;
  const state = walk.felt[kind];
  const position = positionAt(walk, kind) ?? 0;
  const isTried = view.step.what === 'trial';
  const measured = state?.measure && ground.problem.inputs.body[state.measure.dimension];
  const said = (value: number) =>
    sayValue(state?.measure?.dimension === 'bodyMass' ? { kg: value } : { mm: value }, reading);
  const isApart =
    state?.measure && measured
      ? Math.abs(state.measure.value - measured.value) >
        APART_SDS * Math.hypot(state.measure.spread, measured.spread)
      : false;
  return (
    <Panel title={t(`feel.ask.${kind}`)}>
      {isTried && (
        <p className={styles.full}>
          {sayWith('feel.tried', { number: position + 1, of: positionsOf(ground.problem, kind) })}
        </p>
      )}
      <div className={styles.feels} role="group" aria-label={t(`feel.ask.${kind}`)}>
        {feelAnswersOf(kind).map((feel) => (
          <button
            key={feel}
            type="button"
            data-right={feel === 'right' || undefined}
            onClick={() => onGiven({ answer: 'felt', feel, position })}
          >
            {word(`feel.${feel}`)}
          </button>
        ))}
      </div>
      {state?.isAtEnd && <p role="status">{word('feel.atEnd')}</p>}
      {state?.contradicts && <p role="status">{word('feel.contradicts')}</p>}
      {view.isOutside && <p role="status">{word('feel.outside')}</p>}
      {state?.measure && measured && (
        <p className={parts.soft}>
          {sayWith('feel.measure', {
            name: word(`dimension.${state.measure.dimension}`).toLowerCase(),
            value: said(state.measure.value),
            spread: said(state.measure.spread),
            measured: said(measured.value),
          })}
        </p>
      )}
      {isApart && <p role="status">{word('feel.apart')}</p>}
    </Panel>
  );
}
/** Further apart than both can err: so many standard deviations. */
const APART_SDS = 3;

interface AnswersProps {
  readonly hand: WalkInHand;
  readonly view: StepView;
  readonly asked: Asked;
  readonly onAsk: (asked: Asked) => void;
  readonly onGiven: (given: Given) => void;
  readonly onDone: () => void;
}

/** What can be answered of an adjustment beside that it is done. */
function Sides({ hand: { walk }, view: { step, kind }, asked, onAsk, onGiven }: AnswersProps) {
  if (kind === null)
    return step.what === 'end' ? null : (
      <button
        type="button"
        className={styles.side}
        onClick={() => onGiven({ answer: 'stuck', reason: 'other' })}
      >
        {word('walk.stuck')}
      </button>
    );
  const side = (which: Asked, text: string) => (
    <button
      type="button"
      className={styles.side}
      aria-expanded={asked === which}
      onClick={() => onAsk(asked === which ? null : which)}
    >
      {text}
    </button>
  );
  return (
    <>
      {side('stuck', word('walk.stuck'))}
      {isFelt(kind) && step.what !== 'trial' && side('feel', word('walk.wrong'))}
      {tapeUnitOf(walk.problem, walk.standing, kind) !== null && side('tape', word('walk.tape'))}
      <button
        type="button"
        className={styles.side}
        onClick={() => onGiven({ answer: 'foundSo', position: positionAt(walk, kind) })}
      >
        {word('walk.foundSo')}
      </button>
    </>
  );
}

/** The buttons under a step, and what each asks. */
export function Answers(props: AnswersProps) {
  const { hand, view, asked, onGiven, onDone } = props;
  const { kind, step } = view;
  const panel = kind && { hand, view, kind, onGiven };
  return (
    <div className={styles.answers}>
      {panel && asked === 'stuck' && <Stuck {...panel} />}
      {panel && asked === 'tape' && <ByTape {...panel} />}
      {panel && (asked === 'feel' || step.what === 'trial') && <Feel {...panel} />}
      <div className={styles.bar}>
        <Sides {...props} />
        {step.what !== 'trial' && (
          <button type="button" className={styles.done} onClick={onDone}>
            {word(step.what === 'neutral' ? 'walk.start' : 'walk.done')}
          </button>
        )}
      </div>
    </div>
  );
}
