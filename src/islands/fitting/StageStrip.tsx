import { memo } from 'react';
import { FITTING_DIMENSIONS } from '../../core/body';
import type { FittingDetail } from '../../contract';
import { fitCountOf, type Assessment } from '../../core/fit';
import { usePart, type Source } from '../../drawing';
import { useReading } from '../../ui/preferences';
import { sayDate, sayWith, word, type Reading } from '../../words';
import type { Live } from './live';
import styles from './fitting.module.css';

export const STAGES = ['measure', 'choose', 'set', 'card'] as const;
export type Stage = (typeof STAGES)[number];
export const isStage = (text: string | null): text is Stage => STAGES.some((s) => s === text);

export const sayStageTitle = (name: string, stage: Stage): string =>
  sayWith('fitting.pageTitle', { name, stage: word(`fitting.stage.${stage}`) });

function stateOf(
  stage: Stage,
  fitting: FittingDetail,
  fits: number | null,
  all: number,
  reading: Reading,
): string {
  switch (stage) {
    case 'measure':
      return sayWith('people.of', { n: fitting.measured, all: FITTING_DIMENSIONS.length });
    case 'choose':
      return fitting.seat?.name ?? word('fitting.stage.choose.none');
    case 'set':
      return fits === null
        ? word('fitting.stage.set.none')
        : sayWith('fitting.stage.set.state', { n: fits, all });
    case 'card':
      return fitting.state === 'left'
        ? sayWith('fitting.stage.card.left', { date: sayDate(fitting.date, reading) })
        : word('fitting.stage.card.open');
  }
}

const NOTHING_SET: Source<null> = { get: () => null, subscribe: () => () => undefined };

interface Props {
  readonly stage: Stage;
  readonly fitting: FittingDetail;
  /** Null before a seat is chosen. */
  readonly live: Live | null;
  readonly onStage: (stage: Stage) => void;
}

/** The way through a fitting: how far each stage is, and a step to any of them. */
export const StageStrip = memo(function StageStrip({ stage, fitting, live, onStage }: Props) {
  const reading = useReading();
  const source = live ?? NOTHING_SET;
  const fits = usePart<Assessment | null, number | null>(source, (a) => a && fitCountOf(a).fits);
  const all = usePart<Assessment | null, number>(source, (a) => (a ? fitCountOf(a).all : 0));
  return (
    <nav className={styles.strip} aria-label={word('fitting.stages')}>
      {STAGES.map((s) => (
        <button
          key={s}
          type="button"
          className={styles.stage}
          aria-current={s === stage ? 'step' : undefined}
          disabled={s !== 'measure' && s !== 'choose' && fits === null}
          onClick={() => onStage(s)}
        >
          <span className={styles.stageName}>{word(`fitting.stage.${s}`)}</span>
          <span className={styles.stageState}>{stateOf(s, fitting, fits, all, reading)}</span>
        </button>
      ))}
    </nav>
  );
});
