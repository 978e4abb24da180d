import { memo } from 'react';
import {
  explain,
  milderWords,
  remedyHint,
  toleranceWords,
  type Problem,
  type SettingOutcome,
  type ConditionId,
} from '../../core/fit';
import type { Interval } from '../../core/target';
import { controlWords, isLifted } from '../../core/card';
import { ADJUSTMENT_KINDS, isFixed, type AdjustmentKind, type Datum } from '../../core/seat';
import { usePart } from '../../drawing';
import { Chain } from '../../ui/Chain';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayLength, sayRange, sayWith, t, word, type Reading } from '../../words';
import type { Live } from './live';
import type { SettingsStore } from './settings-store';
import { Stepper } from './Stepper';
import { reasonIdOf, sayOwn } from './TrackRow';
import styles from './set.module.css';

function sayInterval(outcome: SettingOutcome, interval: Interval | null, reading: Reading): string {
  if (!interval) return '–';
  const say = (value: number) => (Number.isFinite(value) ? sayOwn(outcome, value, reading) : '…');
  return interval.lo === interval.hi ? say(interval.lo) : sayRange(say(interval.lo), say(interval.hi));
}

function leftOver(outcome: SettingOutcome, reading: Reading): string | null {
  const o = outcome.deciding;
  if (!o || o.outside === 0 || outcome.variable.adjustment.lock) return null;
  const size = Math.abs(o.outside);
  const by =
    o.unit === 'deg'
      ? `${Math.round(size * 2) / 2}°`
      : o.unit === 'own'
        ? sayOwn(outcome, size, reading)
        : sayLength(size, reading);
  return sayWith('set.left', { by });
}

function Control({ problem, outcome }: { readonly problem: Problem; readonly outcome: SettingOutcome }) {
  const say = useSay();
  const { control, movement } = controlWords(problem.inputs.seat, outcome.variable.adjustment);
  if (!control) return null;
  return (
    <p className={styles.control}>
      <strong>{say(control)}.</strong> {movement.map((m) => `${say(m)}.`).join(' ')}
    </p>
  );
}

/** The caution that belongs to setting this adjustment on this seat. */
function cautionFor(problem: Problem, { kind, value }: SettingOutcome): string | null {
  if (kind === 'backAngle' || kind === 'tiltTension') return 'set.caution.pinch';
  if (kind === 'forwardTilt') return 'caution.forwardTilt';
  if (kind === 'seatHeight') return isLifted(problem) ? 'set.caution.height' : null;
  return kind === 'seatAngle' && value < 0 ? 'set.caution.slope' : null;
}

/** Where values of a kind count from: a lumbar that rides on a back of its own counts within it. */
function datumOf(problem: Problem, kind: AdjustmentKind): Datum {
  if (kind === 'lumbarApex' && problem.variables.backHeight) return 'backFrame';
  return ADJUSTMENT_KINDS[kind].datum;
}

interface Props {
  readonly live: Live;
  readonly store: SettingsStore;
  readonly kind: AdjustmentKind;
  readonly disabled: boolean;
  /** What the best settings leave over; null until that is known. */
  readonly shortfalls: readonly ConditionId[] | null;
  readonly onMove: (kind: AdjustmentKind, to: number) => void;
}

/** What there is to know about one adjustment: reason, aim and band, control, published rule. */
export const TrackDetail = memo(function TrackDetail({
  live,
  store,
  kind,
  disabled,
  shortfalls,
  onMove,
}: Props) {
  const isHeld = usePart(store, () => store.isHeld(kind));
  const assessment = usePart(live.calm, (a) => a);
  const outcome = live.outcomeIn(assessment, kind);
  const { problem } = assessment;
  const reading = useReading();
  const say = useSay();
  const { published } = outcome;
  const left = leftOver(outcome, reading);
  const milder = milderWords(problem, outcome);
  const tolerance = toleranceWords(problem, assessment.values, kind);
  // Advice comes once it is known what the seat cannot do: what only a hold keeps away needs none.
  const hint = shortfalls && remedyHint(problem, outcome, shortfalls);
  const caution = cautionFor(problem, outcome);
  const isSettable = !isFixed(outcome.variable.adjustment) && outcome.words.key !== 'position.carried';
  const betterThere = outcome.verdict === 'off' && outcome.bestPosition !== outcome.position;
  return (
    <li className={styles.detail}>
      {isSettable && <Stepper live={live} kind={kind} disabled={disabled} onMove={onMove} />}
      <p id={reasonIdOf(kind)} className={styles.reason}>
        {say(outcome.reason)}
        {milder && ` ${say(milder)}`}
      </p>
      <p className={styles.figures}>
        <span className={parts.soft}>{word(`datum.${datumOf(problem, kind)}`)}</span>
        <span>
          {word('set.aim')} <b>{sayInterval(outcome, outcome.aim, reading)}</b>
        </span>
        <span>
          {word('set.band')} <b>{sayInterval(outcome, outcome.band, reading)}</b>
        </span>
        {tolerance && <span>{say(tolerance)}</span>}
        {left && <span className={styles.left}>{left}</span>}
      </p>
      {hint && outcome.verdict !== 'off' && <p>{say(hint)}</p>}
      {betterThere && (
        <p className={styles.figures}>
          {sayWith('set.best', { words: say(outcome.bestWords) })}{' '}
          <button
            type="button"
            className={parts.plainButton}
            disabled={disabled}
            onClick={() => onMove(kind, outcome.bestPosition)}
          >
            {word('set.toBest')}
          </button>
        </p>
      )}
      <Control problem={problem} outcome={outcome} />
      <Chain steps={explain(problem, assessment.values, outcome).map(say)} />
      {isSettable && (
        <p className={styles.hold}>
          <button
            type="button"
            className={parts.plainButton}
            aria-pressed={isHeld}
            disabled={disabled}
            onClick={() => store.hold(kind, !isHeld)}
          >
            {word('set.hold')}
          </button>
          <span className={parts.soft}>{word('set.hold.hint')}</span>
        </p>
      )}
      {published && (
        <p className={parts.soft}>
          {sayWith('set.published', {
            rule: word(`published.${published.rule}`),
            range: sayRange(sayLength(published.band.lo, reading), sayLength(published.band.hi, reading)),
            value: sayLength(published.value, reading),
          })}
        </p>
      )}
      {caution && <p className={styles.caution}>{t(caution)}</p>}
    </li>
  );
});
