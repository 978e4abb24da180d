import { Button } from '@mantine/core';
import { Fragment, memo, useMemo, useState } from 'react';
import type { AdjustmentKind } from '../../core/seat';
import type { Remedy, RemedySettings } from '../../core/fit';
import { frontView, planView, ruleOf, sideView } from '../../core/scene';
import { Board, View } from '../../drawing';
import { useCommands, type Command } from '../../ui/commands';
import { PanelBoundary } from '../../ui/PanelBoundary';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';
import { Angles, Checks, Remedies } from './SidePanels';
import { TrackDetail } from './TrackDetail';
import { TrackRow } from './TrackRow';
import type { SettingsStore } from './settings-store';
import { useSteady } from './steady';
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

/** Undo, redo and solve by name and by key. */
function useSetCommands(store: SettingsStore, disabled: boolean, solve: () => void) {
  const commands = useMemo<readonly Command[]>(
    () =>
      disabled
        ? []
        : [
            { id: 'undo', name: word('set.undo'), keys: 'Ctrl+Z', run: () => store.undo() },
            { id: 'redo', name: word('set.redo'), keys: 'Ctrl+Shift+Z', run: () => store.redo() },
            { id: 'solve', name: word('set.solve'), keys: 'S', run: solve },
          ],
    [disabled, solve, store],
  );
  useCommands('set', commands);
}

/** Front and plan view side by side. */
function AcrossViews({ setting }: { readonly setting: Setting }) {
  const reading = useReading();
  const say = useSay();
  const { problem, assessment } = setting;
  const front = useMemo(() => frontView(problem, assessment), [problem, assessment]);
  const plan = useMemo(() => planView(problem, assessment), [problem, assessment]);
  const turn = plan.alternative.find((m) => m.key === 'alt.padTurn');
  return (
    <>
      <div className={styles.across}>
        <View id="front" name={word('set.front')} scene={front} reading={reading} />
        <View id="plan" name={word('set.plan')} scene={plan} reading={reading} />
      </div>
      <figcaption className={parts.soft}>
        {turn && say(turn)} {(front.isPartial || plan.isPartial) && word('set.undrawn')}
      </figcaption>
    </>
  );
}

function SideBoard({ setting }: { readonly setting: Setting }) {
  const reading = useReading();
  const { problem, assessment } = setting;
  const rule = useMemo(() => ruleOf(problem, assessment), [problem, assessment]);
  const view = useMemo(() => sideView(problem, assessment), [problem, assessment]);
  return (
    <>
      <Board rule={rule} view={view} reading={reading} />
      {view.isPartial && <figcaption className={parts.soft}>{word('set.undrawn')}</figcaption>}
    </>
  );
}

const VIEWS = ['side', 'across'] as const;

function DrawingBoard({ setting }: { readonly setting: Setting }) {
  const [view, setView] = useState<(typeof VIEWS)[number]>('side');
  return (
    <figure className={styles.board} aria-label={word('set.board')}>
      <div className={styles.views} role="group" aria-label={word('set.view')}>
        {VIEWS.map((v) => (
          <button
            key={v}
            type="button"
            className={styles.viewChoice}
            aria-pressed={v === view}
            onClick={() => setView(v)}
          >
            {word(`set.view.${v}`)}
          </button>
        ))}
      </div>
      {view === 'side' ? <SideBoard setting={setting} /> : <AcrossViews setting={setting} />}
    </figure>
  );
}

interface ToolsProps {
  readonly store: SettingsStore;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly disabled: boolean;
  readonly onSolve: () => void;
}

/** Drawn again only when what can be undone changes: it holds heavy buttons, and drags go by many times a second. */
const Tools = memo(function Tools({ store, canUndo, canRedo, disabled, onSolve }: ToolsProps) {
  return (
    <div className={styles.tools}>
      <h2>{word('set.tracks')}</h2>
      <button
        type="button"
        className={parts.plainButton}
        disabled={disabled || !canUndo}
        onClick={() => store.undo()}
      >
        {word('set.undo')}
      </button>
      <button
        type="button"
        className={parts.plainButton}
        disabled={disabled || !canRedo}
        onClick={() => store.redo()}
      >
        {word('set.redo')}
      </button>
      <Button disabled={disabled} onClick={onSolve} title={word('set.solve.hint')}>
        {word('set.solve')}
      </Button>
    </div>
  );
});

function Tracks({ setting, disabled, onLetGo }: Pick<Props, 'setting' | 'disabled' | 'onLetGo'>) {
  const { assessment, problem, store, move, drag } = setting;
  const [open, setOpen] = useState<AdjustmentKind>('seatHeight');
  const letGo = useSteady(() => {
    store.endDrag();
    onLetGo();
  });
  return (
    <ol className={styles.tracks} aria-label={word('set.tracks')}>
      {assessment.outcomes.map((outcome) => (
        <Fragment key={outcome.kind}>
          <TrackRow
            outcome={outcome}
            open={open === outcome.kind}
            disabled={disabled}
            onOpen={setOpen}
            onMove={move}
            onDrag={drag}
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
  const solveNow = useSteady(() => onSolve());
  useSetCommands(setting.store, disabled, solveNow);
  const { assessment, problem } = setting;
  const missing = [...new Set(assessment.outcomes.flatMap((o) => o.missing))];
  const { seat } = problem.inputs;
  return (
    <>
      {assessment.refused && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          <Checks checks={assessment.checks.filter((c) => c.verdict === 'refused')} />
        </div>
      )}
      <div className={styles.set}>
        <div className={styles.left}>
          <PanelBoundary>
            <DrawingBoard setting={setting} />
          </PanelBoundary>
          <Angles angles={assessment.angles} />
          {!assessment.refused && <Checks checks={assessment.checks} />}
        </div>
        <div className={styles.right}>
          <Tools
            store={setting.store}
            canUndo={setting.store.canUndo}
            canRedo={setting.store.canRedo}
            disabled={disabled}
            onSolve={solveNow}
          />
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
