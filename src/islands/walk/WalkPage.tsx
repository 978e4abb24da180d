import '../../words/walk';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { WalkRecord, WalkState } from '../../contract/walks';
import type { Message } from '../../core/message';
import type { Walk } from '../../core/walk';
import { api, explain } from '../../ui/client';
import { useCommands, type Command } from '../../ui/commands';
import { Frame } from '../../ui/Frame';
import { PanelBoundary } from '../../ui/PanelBoundary';
import { SaveState } from '../../ui/SaveState';
import parts from '../../ui/parts.module.css';
import { useReading, useSay, type PageProps } from '../../ui/preferences';
import { sayWith, word } from '../../words';
import { Answers, type Asked } from './Answers';
import { Left } from './Left';
import { StepScreen } from './StepScreen';
import { useWalk, useWalkState, type Given, type WalkInHand } from './use-walk';
import { useVoice, type Voice } from './voice';
import { answeredElsewhere, positionAt, warm, type StepView } from './walk-view';
import styles from './walk.module.css';

interface Props {
  readonly page: PageProps;
  readonly state: WalkState;
  /** The walk that opening the page begins; null where there is one, or none can be begun. */
  readonly ahead: WalkRecord | null;
}

/** What of a walk is done: one notch a step, that in hand longer. */
function Notches({ walk, now }: { readonly walk: Walk; readonly now: string | null }) {
  const at = walk.steps.findIndex(({ id }) => id === now);
  return (
    <div className={styles.notches} aria-hidden>
      {walk.steps.map(({ id }, i) => (
        <i key={id} data-now={id === now || undefined} data-done={i < at || undefined} />
      ))}
    </div>
  );
}

/** What else moves because something stays where it is, or was set by feel. */
function Recomputed({ walk }: { readonly walk: Walk }) {
  const held = [...Object.keys(walk.held)];
  if (held.length === 0) return null;
  return (
    <p className={styles.because} role="status">
      {sayWith('walk.recomputed', {
        list: held.map((kind) => word(`kind.${kind as keyof Walk['held']}`).toLowerCase()).join(', '),
      })}
    </p>
  );
}

function AllSteps({ hand }: { readonly hand: WalkInHand }) {
  const { walk, step, go } = hand;
  const say = useSay();
  const at = walk.steps.findIndex(({ id }) => id === walk.next?.id);
  const open = at < 0 ? 0 : walk.steps.length - at;
  return (
    <details className={styles.all}>
      <summary>{sayWith('walk.steps.of', { n: open })}</summary>
      <ol>
        {hand.titles.map(({ id, title }) => (
          <li key={id}>
            <button
              type="button"
              className={parts.plainButton}
              aria-current={id === step?.id ? 'step' : undefined}
              onClick={(e) => {
                e.currentTarget.closest('details')!.open = false;
                go(id);
              }}
            >
              {say(title)}
            </button>
          </li>
        ))}
      </ol>
    </details>
  );
}

function VoiceButton({ voice }: { readonly voice: Voice }) {
  if (voice.canSpeak === null) return null;
  return (
    <>
      <button
        type="button"
        className={parts.plainButton}
        aria-pressed={voice.isOn}
        disabled={!voice.canSpeak}
        onClick={voice.toggle}
      >
        {word('walk.voice')}
      </button>
      {!voice.canSpeak && <span className={parts.soft}>{word('walk.voice.none')}</span>}
    </>
  );
}

/** What is read aloud of a step: what is done first, then how. */
function spokenOf(words: StepView['words'], say: (m: Message) => string): string {
  const { title, main, full, check, because, feet, control, movement, tells } = words;
  return [title, main, full, because, control, ...movement, check, feet, tells]
    .flatMap((m) => (m ? [say(m)] : []))
    .join('. ');
}

function useKeys(acts: { readonly [key: string]: () => void }, hand: WalkInHand) {
  const commands = useMemo<readonly Command[]>(
    () => [
      { id: 'walk-done', name: word('walk.done'), keys: 'ArrowRight', run: acts.done! },
      { id: 'walk-previous', name: word('walk.previous'), keys: 'ArrowLeft', run: acts.previous! },
      { id: 'walk-stuck', name: word('walk.stuck'), keys: 'C', run: acts.stuck! },
      { id: 'walk-wrong', name: word('walk.wrong'), keys: 'W', run: acts.feel! },
      { id: 'walk-tape', name: word('walk.tape'), keys: 'T', run: acts.tape! },
      { id: 'walk-voice', name: word('walk.voice'), keys: 'V', run: acts.voice! },
    ],
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [hand.step?.id, hand.events],
  );
  useCommands('walk', commands);
}

/** Where in the walk it is, and what helps whose hands are busy. */
function Tools({
  view,
  of,
  onPrevious,
  tapsAnywhere,
  onTaps,
  voice,
}: {
  readonly view: StepView;
  readonly of: number;
  readonly onPrevious: (() => void) | null;
  readonly tapsAnywhere: boolean;
  readonly onTaps: () => void;
  readonly voice: Voice;
}) {
  return (
    <div className={styles.tools}>
      <span className={styles.progress}>{sayWith('walk.progress', { n: view.number, of })}</span>
      <button
        type="button"
        className={parts.plainButton}
        disabled={!onPrevious}
        onClick={onPrevious ?? undefined}
      >
        {word('walk.previous')}
      </button>
      <button type="button" className={parts.plainButton} aria-pressed={tapsAnywhere} onClick={onTaps}>
        {word('walk.tap')}
      </button>
      <VoiceButton voice={voice} />
    </div>
  );
}

/** The whole step as one button, for whose hands are busy. */
function TapArea({ onTap }: { readonly onTap: () => void }) {
  return (
    <button type="button" className={styles.tapArea} aria-label={word('walk.tap.hint')} onClick={onTap}>
      <span>{word('walk.tap.hint')}</span>
    </button>
  );
}

/** Who else has answered this step. */
function Others({ names }: { readonly names: readonly string[] }) {
  if (names.length === 0) return null;
  return (
    <div className={parts.notice} role="status">
      {sayWith('walk.others', { list: names.join(', ') })}
    </div>
  );
}

/** What comes next is worked out, and put in words, while this step is read, so that nobody waits for it. */
function useWarmth({ ground, walk, events }: WalkInHand, { step, kind }: StepView) {
  const say = useSay();
  useEffect(() => {
    const timer = setTimeout(() => {
      const words = warm(ground, walk, events, { step, kind });
      if (words.next) spokenOf(words.next, say);
      words.rest.forEach(say);
    }, WARM_MS);
    return () => clearTimeout(timer);
  }, [ground, walk, events, step, kind, say]);
}
const WARM_MS = 150;

/** The step in hand, with its answers. */
function Step({
  hand,
  view,
  taps: [tapsAnywhere, setTaps],
}: {
  readonly hand: WalkInHand;
  readonly view: StepView;
  /** Whether the whole step is one button: chosen once for the walk. */
  readonly taps: readonly [boolean, (isOn: boolean) => void];
}) {
  const reading = useReading();
  const { walk, step, answer, go, record, device } = hand;
  const [open, setOpen] = useState<{ readonly id: string; readonly asked: Asked } | null>(null);
  const say = useSay();
  const spoken = useMemo(() => spokenOf(view.words, say), [view, say]);
  const voice = useVoice(spoken, reading.locale);
  const id = view.step.id;
  // What was asked at another step is closed, and stays so.
  if (open !== null && open.id !== id) setOpen(null);
  const asked = open?.id === id ? open.asked : null;
  const setAsked = (which: Asked) => setOpen({ id, asked: which });
  useEffect(() => {
    window.scrollTo(0, 0);
  }, [id]);
  useWarmth(hand, view);
  const give = useCallback((given: Given) => answer(id, given), [answer, id]);
  const done = () => {
    const { kind } = view;
    if (view.step.what === 'trial') return;
    give({ answer: 'done', ...(kind && { position: positionAt(walk, kind) }) });
  };
  const before = walk.steps[view.number - 2];
  const previous = () => before && go(before.id);
  const ask = (which: Asked) => () => setAsked(view.kind ? which : null);
  useKeys(
    { done, previous, stuck: ask('stuck'), feel: ask('feel'), tape: ask('tape'), voice: voice.toggle },
    hand,
  );
  return (
    <>
      <div className={styles.stage}>
        <Tools
          view={view}
          of={walk.steps.length}
          onPrevious={before ? previous : null}
          tapsAnywhere={tapsAnywhere}
          onTaps={() => setTaps(!tapsAnywhere)}
          voice={voice}
        />
        <Notches walk={walk} now={step?.id ?? null} />
        <Recomputed walk={walk} />
        <Others names={answeredElsewhere(hand.events, id, device)} />
        <div className={styles.step} data-taps={tapsAnywhere || undefined}>
          <StepScreen view={view} seat={record.inputs.seat} />
          {tapsAnywhere && <TapArea onTap={done} />}
        </div>
        <Answers hand={hand} view={view} asked={asked} onAsk={setAsked} onGiven={give} onDone={done} />
      </div>
      <AllSteps hand={hand} />
    </>
  );
}

function Stopped({ state }: { readonly state: WalkState }) {
  if (!state.fitting.doNotUse) return null;
  return (
    <div className={parts.notice} data-tone="misfit" role="alert">
      {word('walk.stopped')}
    </div>
  );
}

/** Seat, workstation or measures are others since it was begun. */
function Changed({ state, onAgain }: { readonly state: WalkState; readonly onAgain: () => void }) {
  if (state.isCurrent || state.fitting.state !== 'open') return null;
  return (
    <div className={parts.notice} role="status">
      <span>{word('walk.changed')}</span>
      <button type="button" className={parts.plainButton} onClick={onAgain}>
        {word('walk.again')}
      </button>
    </div>
  );
}

function Begun({
  state,
  walk: record,
  isBegun,
  begin,
  look,
}: {
  readonly state: WalkState;
  readonly walk: WalkRecord;
  /** Until it is, its first step is only looked at. */
  readonly isBegun: boolean;
  readonly begin: (again: boolean) => Promise<void>;
  readonly look: () => Promise<void>;
}) {
  const { fitting } = state;
  const hand = useWalk(record, fitting.id, { by: fitting.fitter, isBegun });
  const taps = useState(false);
  const [hadSteps] = useState(hand.view !== null);
  const [fault, setFault] = useState<string | null>(null);
  const reopen = async () => {
    try {
      await api.act(fitting.id, fitting.version, { act: 'reopen' });
      await begin(true);
    } catch (error) {
      setFault(explain(error));
    }
  };
  const isOver = fitting.state === 'left' || (hand.walk.next === null && hand.chosen === null);
  return (
    <>
      <div className={styles.head}>
        <h1>{fitting.sitter}</h1>
        <span>{[fitting.seat, fitting.tag].filter(Boolean).join(' · ')}</span>
        <SaveState saving={hand.saving} />
        <a href={`/fittings/${fitting.id}?stage=set`}>{word('walk.toFitting')}</a>
      </div>
      {fault && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          {fault}
        </div>
      )}
      <Changed state={state} onAgain={() => void begin(true)} />
      <Stopped state={state} />
      {/* Not drawn anew with every step: words are there at once, and the pictures follow them. */}
      <PanelBoundary of={hand.step?.id ?? 'left'}>
        {isOver || !hand.view ? (
          <>
            <Left hand={hand} state={state} isComing={hadSteps} look={look} onReopen={() => void reopen()} />
            {fitting.state === 'open' && <AllSteps hand={hand} />}
          </>
        ) : (
          !fitting.doNotUse && (
            <div inert={!isBegun}>
              <Step hand={hand} view={hand.view} taps={taps} />
            </div>
          )
        )}
      </PanelBoundary>
    </>
  );
}

function Fault({ text, onStart }: { readonly text: string; readonly onStart: () => void }) {
  return (
    <div className={parts.notice} data-tone="misfit" role="alert">
      <span>{text}</span>
      <button type="button" className={parts.plainButton} onClick={onStart}>
        {word('walk.start')}
      </button>
    </div>
  );
}

function WalkScreen({ state: first, ahead }: Pick<Props, 'state' | 'ahead'>) {
  const { state, fault, begin, look } = useWalkState(first, ahead);
  const { fitting } = state;
  const walk = state.walk ?? ahead;
  const notBegun = fault !== null && <Fault text={fault} onStart={() => void begin(false)} />;
  if (walk)
    return (
      <>
        {notBegun}
        <Begun
          key={walk.id}
          state={state}
          walk={walk}
          isBegun={state.walk !== null}
          begin={begin}
          look={look}
        />
      </>
    );
  return (
    <>
      <div className={styles.head}>
        <h1>{fitting.sitter}</h1>
      </div>
      <Stopped state={state} />
      {fitting.seat === null ? <p>{word('walk.noSeat')}</p> : notBegun}
      <p>
        <a href={`/fittings/${fitting.id}`}>{word('walk.toFitting')}</a>
      </p>
    </>
  );
}

export default function WalkPage({ page, state, ahead }: Props) {
  return (
    <Frame page={page} area="fittings">
      <WalkScreen state={state} ahead={ahead} />
    </Frame>
  );
}
