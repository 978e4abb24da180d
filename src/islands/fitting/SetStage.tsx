import { Button } from '@mantine/core';
import { Fragment, useEffect, useMemo, useState } from 'react';
import type { AdjustmentKind } from '../../core/seat';
import type { Remedy, RemedySettings } from '../../core/fit';
import { ruleOf, sideView } from '../../core/scene';
import { Board } from '../../drawing';
import { PanelBoundary } from '../../ui/PanelBoundary';
import { useReading } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import { Angles, Checks, Remedies } from './SidePanels';
import { TrackDetail } from './TrackDetail';
import { TrackRow } from './TrackRow';
import type { Setting } from './use-setting';
import styles from './set.module.css';

interface Props {
  readonly setting: Setting;
  readonly remedies: readonly Remedy[];
  readonly disabled: boolean;
  /** Solving is an act: it is recorded, not only shown. */
  readonly onSolve: (remedies?: RemedySettings) => void;
  readonly onLetGo: () => void;
  readonly onMeasure: () => void;
}

/** Ctrl+Z and Ctrl+Shift+Z, unless somebody is typing. */
function useUndoKeys(setting: Setting, disabled: boolean) {
  useEffect(() => {
    if (disabled) return;
    const key = (event: KeyboardEvent) => {
      if (
        !(event.ctrlKey || event.metaKey) ||
        event.key.toLowerCase() !== 'z' ||
        event.target instanceof HTMLInputElement
      )
        return;
      event.preventDefault();
      if (event.shiftKey) setting.store.redo();
      else setting.store.undo();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [disabled, setting.store]);
}

function DrawingBoard({ setting }: { readonly setting: Setting }) {
  const reading = useReading();
  const { problem, assessment } = setting;
  const rule = useMemo(() => ruleOf(problem, assessment), [problem, assessment]);
  const view = useMemo(() => sideView(problem, assessment), [problem, assessment]);
  return (
    <figure className={styles.board} aria-label={word('set.board')}>
      <Board rule={rule} view={view} reading={reading} />
      {view.isPartial && <figcaption className={parts.soft}>{word('set.undrawn')}</figcaption>}
    </figure>
  );
}

function Tools({ setting, disabled, onSolve }: Pick<Props, 'setting' | 'disabled' | 'onSolve'>) {
  const { store } = setting;
  return (
    <div className={styles.tools}>
      <h2>{word('set.tracks')}</h2>
      <button
        type="button"
        className={parts.plainButton}
        disabled={disabled || !store.canUndo}
        onClick={() => store.undo()}
      >
        {word('set.undo')}
      </button>
      <button
        type="button"
        className={parts.plainButton}
        disabled={disabled || !store.canRedo}
        onClick={() => store.redo()}
      >
        {word('set.redo')}
      </button>
      <Button disabled={disabled} onClick={() => onSolve()} title={word('set.solve.hint')}>
        {word('set.solve')}
      </Button>
    </div>
  );
}

function Tracks({ setting, disabled, onLetGo }: Pick<Props, 'setting' | 'disabled' | 'onLetGo'>) {
  const { assessment, problem, store, move, drag } = setting;
  const [open, setOpen] = useState<AdjustmentKind>('seatHeight');
  const letGo = () => {
    store.endDrag();
    onLetGo();
  };
  return (
    <ol className={styles.tracks} aria-label={word('set.tracks')}>
      {assessment.outcomes.map((outcome) => (
        <Fragment key={outcome.kind}>
          <TrackRow
            outcome={outcome}
            open={open === outcome.kind}
            disabled={disabled}
            onOpen={() => setOpen(outcome.kind)}
            onMove={(to) => move(outcome.kind, to)}
            onDrag={(position) => drag(outcome.kind, position)}
            onDragEnd={letGo}
          />
          {open === outcome.kind && (
            <TrackDetail
              problem={problem}
              outcome={outcome}
              disabled={disabled}
              onBest={() => move(outcome.kind, outcome.bestPosition)}
            />
          )}
        </Fragment>
      ))}
    </ol>
  );
}

/** The drawing board beside the tracks: every move shows at once in both. */
export function SetStage({ setting, remedies, disabled, onSolve, onLetGo, onMeasure }: Props) {
  useUndoKeys(setting, disabled);
  const { assessment, problem } = setting;
  const missing = [...new Set(assessment.outcomes.flatMap((o) => o.missing))];
  const { seat } = problem.inputs;
  return (
    <>
      {assessment.refused && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          <Checks
            assessment={{ ...assessment, checks: assessment.checks.filter((c) => c.verdict === 'refused') }}
          />
        </div>
      )}
      <div className={styles.set}>
        <div className={styles.left}>
          <PanelBoundary>
            <DrawingBoard setting={setting} />
          </PanelBoundary>
          <Angles assessment={assessment} />
          {!assessment.refused && <Checks assessment={assessment} />}
        </div>
        <div className={styles.right}>
          <Tools setting={setting} disabled={disabled} onSolve={onSolve} />
          {(seat.hasHarness || seat.hasSuspension) && (
            <p className={styles.caution}>{word('set.caution.operator')}</p>
          )}
          {missing.length > 0 && (
            <p className={parts.soft}>
              {word('set.missing').replace(
                '{list}',
                missing.map((id) => word(`dimension.${id}`).toLowerCase()).join(', '),
              )}{' '}
              <button type="button" className={parts.plainButton} onClick={onMeasure}>
                {word('set.measureThem')}
              </button>
            </p>
          )}
          <Remedies
            offered={remedies}
            inUse={assessment.settings.remedies}
            disabled={disabled}
            onUse={onSolve}
          />
          <PanelBoundary>
            <Tracks setting={setting} disabled={disabled} onLetGo={onLetGo} />
          </PanelBoundary>
        </div>
      </div>
    </>
  );
}
