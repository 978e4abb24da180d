import { memo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { SettingOutcome } from '../../core/fit';
import { trackOf } from '../../core/scene';
import { isFixed, nearestPosition, type AdjustmentKind } from '../../core/seat';
import { TrackPaths } from '../../drawing';
import { useReading, useSay } from '../../ui/preferences';
import { VerdictMark } from '../../ui/VerdictMark';
import { sayTurns, sayValue, word, type Reading } from '../../words';
import type { Move } from './use-setting';
import styles from './set.module.css';

/** A step with Page Up or Down, in positions; at least one click, about a centimetre on a free slide. */
const PAGE_SHARE = 10;

/** A value of an adjustment in its own unit. */
export function sayOwn(outcome: SettingOutcome, value: number, reading: Reading): string {
  const { unit } = outcome.variable.adjustment;
  if (unit === 'deg') return sayValue({ deg: value }, reading);
  if (unit === 'turn') return sayTurns(value);
  return unit === 'step' ? String(Math.round(value * 10) / 10) : sayValue({ mm: value }, reading);
}

interface Props {
  readonly outcome: SettingOutcome;
  readonly open: boolean;
  readonly disabled: boolean;
  readonly onOpen: (kind: AdjustmentKind) => void;
  readonly onMove: (kind: AdjustmentKind, to: Move) => void;
  readonly onDrag: (kind: AdjustmentKind, position: number) => void;
  readonly onDragEnd: () => void;
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

/** One adjustment: its name, verdict and value over its track, which is moved by dragging or with the keys. */
export const TrackRow = memo(function TrackRow({
  outcome,
  open,
  disabled,
  onOpen,
  onMove,
  onDrag,
  onDragEnd,
}: Props) {
  const reading = useReading();
  const say = useSay();
  const slot = useRef<HTMLDivElement>(null);
  const track = trackOf(outcome);
  const { variable } = outcome;
  const count = variable.values.length;
  const fixed = isFixed(variable.adjustment) || disabled;

  const positionAt = (event: PointerEvent): number => {
    const box = slot.current!.getBoundingClientRect();
    const share = (event.clientX - box.left) / box.width;
    const value = track.shown.lo + share * (track.shown.hi - track.shown.lo);
    return nearestPosition(variable.adjustment, value - variable.shiftMm);
  };
  const down = (event: PointerEvent<HTMLDivElement>) => {
    onOpen(outcome.kind);
    if (fixed || event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    onDrag(outcome.kind, positionAt(event));
  };
  const moving = (event: PointerEvent<HTMLDivElement>) => {
    if (!fixed && event.currentTarget.hasPointerCapture(event.pointerId))
      onDrag(outcome.kind, positionAt(event));
  };
  const key = (event: KeyboardEvent<HTMLDivElement>) => {
    const step = stepOf(event.key, count);
    if (!step || fixed) return;
    event.preventDefault();
    if (step(outcome.position) !== outcome.position) onMove(outcome.kind, step);
  };

  const words = say(outcome.words);
  return (
    <li
      className={styles.row}
      data-open={open || undefined}
      data-verdict={outcome.verdict}
      data-kind={outcome.kind}
    >
      <button
        type="button"
        className={styles.rowHead}
        aria-expanded={open}
        onClick={() => onOpen(outcome.kind)}
      >
        <span className={styles.rowName}>{word(`kind.${outcome.kind}`)}</span>
        <span className={styles.rowValue}>{sayOwn(outcome, outcome.value, reading)}</span>
      </button>
      <div
        ref={slot}
        className={styles.slot}
        role="slider"
        tabIndex={0}
        aria-label={word(`kind.${outcome.kind}`)}
        aria-valuemin={1}
        aria-valuemax={count}
        aria-valuenow={outcome.position + 1}
        aria-valuetext={`${sayOwn(outcome, outcome.value, reading)}, ${words}, ${word(`verdict.${outcome.verdict}`)}`}
        aria-disabled={fixed}
        onPointerDown={down}
        onPointerMove={moving}
        onPointerUp={onDragEnd}
        onPointerCancel={onDragEnd}
        onKeyDown={key}
        onFocus={() => onOpen(outcome.kind)}
      >
        <TrackPaths track={track} />
      </div>
      <div className={styles.rowWords}>
        <VerdictMark verdict={outcome.verdict} />
        <span>{words}</span>
      </div>
    </li>
  );
});
