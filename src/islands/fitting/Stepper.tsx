import { memo, useId, useState, type KeyboardEvent } from 'react';
import { ADJUSTMENT_KINDS, NAMED_KINDS, nearestPosition, type AdjustmentKind } from '../../core/seat';
import { usePart } from '../../drawing';
import { parsedIn, typedIn } from '../../ui/in-unit';
import { useReading } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayInUnit, sayRange, sayWith, word } from '../../words';
import type { Live } from './live';
import styles from './set.module.css';

interface Props {
  readonly live: Live;
  readonly kind: AdjustmentKind;
  readonly disabled: boolean;
  readonly onMove: (kind: AdjustmentKind, to: number) => void;
}

/** An adjustment's number to type, with a large minus and plus: what a tape gives is a number. */
export const Stepper = memo(function Stepper({ live, kind, disabled, onMove }: Props) {
  const reading = useReading();
  const { variable, position, value } = usePart(live.calm, (a) => live.outcomeIn(a, kind));
  const [typed, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const faultId = useId();
  const { adjustment, values, shiftMm } = variable;
  const { unit } = adjustment;
  const { sign } = ADJUSTMENT_KINDS[kind];
  const name = word(`kind.${kind}`);
  // As it stands beside its name: two figures of one value never differ.
  const asShown = (x: number) =>
    unit === 'mm' && reading.length !== 'in' ? Math.round(x) : Math.round(x * 100) / 100;
  const unitKey =
    unit === 'mm'
      ? (`pref.units.${reading.length}` as const)
      : (`set.unit.${unit === 'kg' ? reading.mass : unit}` as const);
  const go = (to: number) => {
    setTyped(null);
    setFault(null);
    if (to !== position) onMove(kind, to);
  };
  const take = () => {
    if (typed === null) return;
    const read = parsedIn(typed, unit, reading);
    if (read.fault) return setFault(read.fault.text);
    const [lowest, highest] = [values[0]!, values[values.length - 1]!];
    // As typed, a value is rounded as it is shown: the ends can be typed as they stand there.
    if (read.value < lowest - 0.5 || read.value > highest + 0.5)
      return setFault(
        sayWith('set.typed.outside', {
          value: sayInUnit(read.value, unit, reading),
          range: sayRange(sayInUnit(lowest, unit, reading), sayInUnit(highest, unit, reading)),
        }),
      );
    go(nearestPosition(adjustment, read.value - shiftMm));
  };
  const key = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') take();
    if (event.key === 'Escape') {
      setTyped(null);
      setFault(null);
    }
  };
  const step = (by: 1 | -1) => {
    const to = position + by;
    const way = word(by > 0 ? `more.${sign}` : `less.${sign}`);
    return (
      <button
        type="button"
        className={styles.step}
        // The arrow keys of the track do the same.
        tabIndex={-1}
        disabled={disabled || values[to] === undefined}
        aria-label={sayWith('set.step', { name, way })}
        title={way}
        onClick={() => go(to)}
      >
        {by > 0 ? '+' : '−'}
      </button>
    );
  };
  return (
    <div className={styles.stepper}>
      {step(-1)}
      {!NAMED_KINDS.includes(kind) && (
        <input
          className={styles.typed}
          inputMode="decimal"
          autoComplete="off"
          aria-label={sayWith('set.typed', { name })}
          aria-invalid={fault !== null}
          aria-describedby={fault === null ? undefined : faultId}
          disabled={disabled}
          value={typed ?? typedIn(asShown(value), unit, reading)}
          onChange={(e) => setTyped(e.currentTarget.value)}
          onKeyDown={key}
          onBlur={take}
        />
      )}
      {step(1)}
      <span className={parts.soft}>{word(unitKey)}</span>
      {fault && (
        <span id={faultId} role="alert" className={styles.fault}>
          {fault}
        </span>
      )}
    </div>
  );
});
