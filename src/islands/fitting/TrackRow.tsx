import {
  memo,
  useEffect,
  useMemo,
  useRef,
  type KeyboardEvent,
  type PointerEvent as ReactPointerEvent,
  type RefObject,
} from 'react';
import type { SettingOutcome } from '../../core/fit';
import { trackOf } from '../../core/scene';
import { isFixed, nearestPosition, type AdjustmentKind } from '../../core/seat';
import { TrackPaths, derived, usePaint, usePart, writeAttribute, writeText } from '../../drawing';
import { useReading } from '../../ui/preferences';
import { VerdictMark } from '../../ui/VerdictMark';
import { say, sayInUnit, word, type Reading } from '../../words';
import type { Live } from './live';
import { useSteady } from './use-steady';
import type { SettingsStore } from './settings-store';
import type { Move } from './use-setting';
import styles from './set.module.css';

/** A step with Page Up or Down, in positions; at least one click, about a centimetre on a free slide. */
const PAGE_SHARE = 10;

/** The element that gives the reason for an adjustment’s verdict. */
export const reasonIdOf = (kind: AdjustmentKind): string => `reason-${kind}`;

/** A value of an adjustment in its own unit. */
export const sayOwn = ({ variable }: SettingOutcome, value: number, reading: Reading): string => {
  const { adjustment } = variable;
  const state = adjustment.lock?.states[nearestPosition(adjustment, value)];
  return state ? word(`lock.${state}`) : sayInUnit(value, adjustment.unit, reading);
};

interface Props {
  readonly kind: AdjustmentKind;
  readonly live: Live;
  readonly store: SettingsStore;
  readonly open: boolean;
  readonly disabled: boolean;
  readonly onOpen: (kind: AdjustmentKind) => void;
  readonly onMove: (kind: AdjustmentKind, to: Move) => void;
  /** How sure it is, and why not surer; empty where it is, or nobody knows yet. */
  readonly sure: string;
  readonly onDrag: (kind: AdjustmentKind, position: number) => void;
  readonly onDragEnd: () => void;
}

/**
 * Hears a pointer that moves over an element, past React: it would look through the page for who else listens, for
 * every frame. Nobody does.
 */
function useMoves(element: RefObject<HTMLElement | null>, moved: (event: PointerEvent) => void): void {
  useEffect(() => {
    const target = element.current!;
    const move = (event: Event) => {
      event.stopPropagation();
      if (event instanceof PointerEvent) moved(event);
    };
    const names = ['pointermove', 'mousemove'] as const;
    for (const name of names) target.addEventListener(name, move);
    return () => {
      for (const name of names) target.removeEventListener(name, move);
    };
  }, [element, moved]);
}

/** What a key does to a position, or null where it does nothing here. */
function stepOf(key: string, count: number): ((from: number) => number) | null {
  const page = Math.max(1, Math.round(count / PAGE_SHARE));
  const steps: Record<string, number> = {
    ArrowRight: 1,
    ArrowUp: 1,
    ArrowLeft: -1,
    ArrowDown: -1,
    PageUp: page,
    PageDown: -page,
    Home: -count,
    End: count,
  };
  const step = steps[key];
  return step === undefined ? null : (from) => Math.max(0, Math.min(count - 1, from + step));
}

interface RowText {
  readonly value: string;
  readonly words: string;
  /** Of the slider, for those who hear it. */
  readonly spoken: string;
}

/** Whether two outcomes of one adjustment read the same; its aim may have moved. */
const saysTheSame = (a: SettingOutcome, b: SettingOutcome): boolean =>
  a.position === b.position && a.value === b.value && a.verdict === b.verdict && a.variable === b.variable;

const sayVerdict = ({ verdict, estimated }: SettingOutcome): string =>
  [word(`verdict.${verdict}`), estimated.length > 0 && word('set.onEstimate')].filter(Boolean).join(', ');

function textOf(outcome: SettingOutcome, reading: Reading): RowText {
  const value = sayOwn(outcome, outcome.value, reading);
  // The state of a lock is its own words.
  const words = outcome.variable.adjustment.lock ? '' : say(outcome.words, reading);
  return { value, words, spoken: [value, words, sayVerdict(outcome)].filter(Boolean).join(', ') };
}

function LiveVerdict({ live, kind }: Pick<Props, 'live' | 'kind'>) {
  const verdict = usePart(live, (a) => live.outcomeIn(a, kind).verdict);
  // What was measured does not change with the settings.
  return <VerdictMark verdict={verdict} isEstimate={live.outcome(kind).estimated.length > 0} />;
}

/** One adjustment: its name, verdict and value over its track, which is moved by dragging or with the keys. */
export const TrackRow = memo(function TrackRow({
  kind,
  live,
  store,
  open,
  disabled,
  sure,
  onOpen,
  onMove,
  onDrag,
  onDragEnd,
}: Props) {
  const reading = useReading();
  const isHeld = usePart(store, () => store.isHeld(kind));
  const row = useRef<HTMLLIElement>(null);
  const slot = useRef<HTMLDivElement>(null);
  const value = useRef<HTMLSpanElement>(null);
  const words = useRef<HTMLSpanElement>(null);
  const track = useMemo(
    () =>
      derived(
        derived(live, (a) => live.outcomeIn(a, kind)),
        trackOf,
      ),
    [live, kind],
  );
  const outcome = live.outcome(kind);
  const { variable } = outcome;
  const count = variable.values.length;
  const fixed = isFixed(variable.adjustment) || outcome.words.key === 'position.carried' || disabled;

  // The same as React writes below, for every frame of a drag.
  usePaint(
    live,
    (a) => live.outcomeIn(a, kind),
    (now) => {
      writeAttribute(row.current!, 'data-verdict', now.verdict);
      const text = textOf(now, reading);
      writeText(value.current, text.value);
      writeText(words.current, text.words);
      writeAttribute(slot.current!, 'aria-valuenow', String(now.position + 1));
      writeAttribute(slot.current!, 'aria-valuetext', text.spoken);
    },
    saysTheSame,
  );

  const positionAt = (event: { readonly clientX: number }): number => {
    const { shown } = trackOf(live.outcome(kind));
    const box = slot.current!.getBoundingClientRect();
    const share = (event.clientX - box.left) / box.width;
    return nearestPosition(variable.adjustment, shown.lo + share * (shown.hi - shown.lo) - variable.shiftMm);
  };
  const down = (event: ReactPointerEvent<HTMLDivElement>) => {
    onOpen(kind);
    if (fixed || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    onDrag(kind, positionAt(event));
  };
  const moving = useSteady((event: PointerEvent) => {
    if (!fixed && slot.current!.hasPointerCapture(event.pointerId)) onDrag(kind, positionAt(event));
  });
  useMoves(slot, moving);
  const key = (event: KeyboardEvent<HTMLDivElement>) => {
    const step = stepOf(event.key, count);
    if (!step || fixed) return;
    event.preventDefault();
    const { position } = live.outcome(kind);
    if (step(position) !== position) onMove(kind, step);
  };

  const text = textOf(outcome, reading);
  return (
    <li
      ref={row}
      className={styles.row}
      data-open={open || undefined}
      data-verdict={outcome.verdict}
      data-kind={kind}
    >
      {/* The track beside it opens the same by keyboard: one stop for one lever. */}
      <button
        type="button"
        className={styles.rowHead}
        tabIndex={-1}
        aria-expanded={open}
        onClick={() => onOpen(kind)}
      >
        <span className={styles.rowName}>
          {word(`kind.${kind}`)}
          {isHeld && <em> {word('set.held')}</em>}
        </span>
        <span ref={value} className={styles.rowValue}>
          {text.value}
        </span>
      </button>
      <div
        ref={slot}
        className={styles.slot}
        role="slider"
        tabIndex={0}
        aria-label={word(`kind.${kind}`)}
        aria-valuemin={1}
        aria-valuemax={count}
        aria-valuenow={outcome.position + 1}
        aria-valuetext={text.spoken}
        aria-disabled={fixed}
        aria-describedby={open ? reasonIdOf(kind) : undefined}
        onPointerDown={down}
        onPointerUp={onDragEnd}
        onPointerCancel={onDragEnd}
        onKeyDown={key}
        onFocus={() => onOpen(kind)}
      >
        <TrackPaths source={track} />
      </div>
      <div className={styles.rowWords}>
        <LiveVerdict live={live} kind={kind} />
        <span ref={words}>{text.words}</span>
        {sure && <span className={styles.sureness}>{sure}</span>}
      </div>
    </li>
  );
});
