import { Button } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { Fragment, memo, useCallback, useMemo, useState } from 'react';
import type { FittingEdit, MethodSummary, PostureSet } from '../../contract';
import { offers, type AdjustmentKind, type SeatModel } from '../../core/seat';
import type { DimensionId } from '../../core/body';
import {
  type ConditionId,
  CORE_VERSION,
  inPlace,
  uncalculatedOf,
  type Assessment,
  type Problem,
  type RemedySettings,
} from '../../core/fit';
import type { SetCertainty } from '../../core/certainty';
import { certaintyByKind } from '../../core/certainty/by-kind';
import { frontView, planView, ruleOf, sideView, withMoved } from '../../core/scene';
import { Board, View, boardPicture, derived, usePart, viewPicture, type Picture } from '../../drawing';
import { useCommands, type Command } from '../../ui/commands';
import { PanelBoundary } from '../../ui/PanelBoundary';
import { useReading, useSay } from '../../ui/preferences';
import parts from '../../ui/parts.module.css';
import { sayWith, t, word } from '../../words';
import { Certainty, sayShare } from './Certainty';
import { Choices } from './Choices';
import { Compare } from './Compare';
import { PosturesPart } from './PosturesPart';
import { RemediesPanel } from './RemediesPanel';
import { Angles, Checks } from './SidePanels';
import { Steps } from './Steps';
import { TrackDetail } from './TrackDetail';
import { TrackRow } from './TrackRow';
import type { Live } from './live';
import { OpenLever } from './open-lever';
import type { SettingsStore } from './settings-store';
import { useCertainty } from './use-certainty';
import type { FoundRemedies } from './use-remedies';
import { useSteady } from './use-steady';
import type { Setting } from './use-setting';
import styles from './set.module.css';

interface Props {
  readonly setting: Setting;
  readonly found: FoundRemedies;
  /** To the seats there are to choose from. */
  readonly onSeats: () => void;
  readonly disabled: boolean;
  /** Solving is an act: it is recorded, not only shown. */
  readonly onSolve: (remedies?: RemedySettings) => void;
  readonly onRelease: () => void;
  readonly onMeasure: () => void;
  readonly methods: readonly MethodSummary[];
  readonly onMethod: (methodVersionId: string) => void;
  readonly postures: readonly PostureSet[];
  readonly onEdit: (edit: FittingEdit) => void;
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

/** A drawing that follows the settings as fast as the device can; its description is updated once they are at rest. */
function usePicture(live: Live, draw: (assessment: Assessment) => Picture) {
  return useMemo(
    () => ({ source: derived(live.paced, draw), atRest: derived(live.atRest, draw) }),
    [draw, live],
  );
}

interface ViewsProps {
  readonly setting: Setting;
  /** The lever in hand, which is marked. */
  readonly kind: AdjustmentKind;
}

/** Front and plan view side by side. */
function AcrossViews({ setting: { problem, live }, kind }: ViewsProps) {
  const reading = useReading();
  const say = useSay();
  const front = usePicture(
    live,
    useCallback((a) => viewPicture(withMoved(frontView(a), kind), reading), [kind, reading]),
  );
  const plan = usePicture(
    live,
    useCallback((a) => viewPicture(withMoved(planView(a), kind), reading), [kind, reading]),
  );
  // Which measures are there does not change with the settings; how far the forearms turn hardly does.
  const isPartial = frontView(live.get()).isPartial || planView(live.get()).isPartial;
  const turn = usePart(live.atRest, (a) => {
    const told = planView(a).alternative.find((m) => m.key === 'alt.padTurn');
    return told ? say(told) : '';
  });
  return (
    <>
      <div className={styles.across}>
        <View id="front" name={word('set.front')} {...front} reading={reading} />
        <View id="plan" name={word('set.plan')} {...plan} reading={reading} />
      </div>
      <figcaption className={parts.soft}>
        {turn} <Drawn isPartial={isPartial} problem={problem} />
      </figcaption>
    </>
  );
}

/** Narrower than a tablet held upright; by the reader’s own size of type. */
const NARROW = '(max-width: 42rem)';

function SideBoard({ setting: { problem, live }, kind }: ViewsProps) {
  const reading = useReading();
  const board = usePicture(
    live,
    useCallback((a) => boardPicture(ruleOf(a), withMoved(sideView(a), kind), reading), [kind, reading]),
  );
  const alone = usePicture(
    live,
    useCallback((a) => viewPicture(withMoved(sideView(a), kind), reading), [kind, reading]),
  );
  const isPartial = sideView(live.get()).isPartial;
  // Rule and view side by side would be too small to read: the levers below have the numbers of the rule.
  const isNarrow = useMediaQuery(NARROW, false, { getInitialValueInEffect: true });
  return (
    <>
      {isNarrow ? (
        <View id="side" name={word('set.board')} {...alone} reading={reading} />
      ) : (
        <Board {...board} reading={reading} />
      )}
      <figcaption className={parts.soft}>
        <Drawn isPartial={isPartial} problem={problem} />
      </figcaption>
    </>
  );
}

const VIEWS = ['side', 'across'] as const;

/** It follows the settings by itself: what else comes in does not draw it again. */
const DrawingBoard = memo(function DrawingBoard({
  setting,
  lever,
}: {
  readonly setting: Setting;
  readonly lever: OpenLever;
}) {
  const [view, setView] = useState<(typeof VIEWS)[number]>('side');
  const kind = usePart(lever, (k) => k);
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
      {view === 'side' ? (
        <SideBoard setting={setting} kind={kind} />
      ) : (
        <AcrossViews setting={setting} kind={kind} />
      )}
    </figure>
  );
});

interface ToolsProps {
  readonly store: SettingsStore;
  readonly disabled: boolean;
  readonly onSolve: () => void;
}

const Tools = memo(function Tools({ store, disabled, onSolve }: ToolsProps) {
  const canUndo = usePart(store, () => store.canUndo);
  const canRedo = usePart(store, () => store.canRedo);
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

const kindsIn = (a: Assessment): string => a.outcomes.map((o) => o.kind).join(' ');

/** How sure each track is, and which measure its doubt comes from; nothing of what is quite sure. */
function useSureness(
  { problem, live }: Setting,
  certainty: SetCertainty | null | undefined,
): ReadonlyMap<AdjustmentKind, string> {
  const remedies = usePart(live.atRest, (a) => a.settings.remedies);
  return useMemo(() => {
    const said = new Map<AdjustmentKind, string>();
    if (!certainty) return said;
    for (const [kind, { probability, cause }] of certaintyByKind(inPlace(problem, remedies), certainty)) {
      if (probability === 1) continue;
      const key = cause ? 'sure.track.cause' : 'sure.track';
      said.set(
        kind,
        sayWith(key, {
          percent: sayShare(probability),
          dimension: cause ? word(`dimension.${cause}`).toLowerCase() : '',
        }),
      );
    }
    return said;
  }, [certainty, problem, remedies]);
}

function Tracks({
  setting,
  certainty,
  disabled,
  shortfalls,
  lever,
  onRelease,
}: Pick<Props, 'setting' | 'disabled' | 'onRelease'> & {
  readonly lever: OpenLever;
  readonly certainty: SetCertainty | null | undefined;
  readonly shortfalls: readonly ConditionId[] | null;
}) {
  const sure = useSureness(setting, certainty);
  const { live, store, move, drag } = setting;
  const open = usePart(lever, (kind) => kind);
  const release = useSteady(() => {
    store.endDrag();
    onRelease();
  });
  // Which adjustments there are, and their order, comes with seat, method and remedies.
  const kinds = usePart(live, kindsIn).split(' ') as AdjustmentKind[];
  return (
    <ol className={styles.tracks} aria-label={word('set.tracks')}>
      {kinds.map((kind) => (
        <Fragment key={kind}>
          <TrackRow
            kind={kind}
            live={live}
            store={store}
            open={open === kind}
            disabled={disabled}
            sure={sure.get(kind) ?? ''}
            onOpen={lever.open}
            onMove={move}
            onDrag={drag}
            onDragEnd={release}
          />
          {open === kind && (
            <TrackDetail
              live={live}
              store={store}
              kind={kind}
              disabled={disabled}
              shortfalls={shortfalls}
              onMove={move}
            />
          )}
        </Fragment>
      ))}
    </ol>
  );
}

const sayDimensions = (key: string, ids: readonly DimensionId[]): string =>
  t(key, { list: ids.map((id) => word(`dimension.${id}`).toLowerCase()).join(', ') });

/** Drawn as far as it was measured, or by estimates where they fill in. */
function Drawn({ isPartial, problem }: { readonly isPartial: boolean; readonly problem: Problem }) {
  const isEstimate = Object.values(problem.inputs.body).some((q) => q?.basis === 'estimated');
  if (isPartial) return word(isEstimate ? 'set.undrawnEstimates' : 'set.undrawn');
  return isEstimate ? word('set.drawnByEstimates') : null;
}

const refusedChecks = (a: Assessment) => a.checks.filter((c) => c.verdict === 'refused');

/** What of the seat stays at rest. */
const Uncalculated = memo(function Uncalculated({ seat }: { readonly seat: SeatModel }) {
  const say = useSay();
  const all = uncalculatedOf(seat);
  if (all.length === 0) return null;
  return (
    <ul className={parts.soft}>
      {all.map((m, i) => (
        <li key={i}>{say(m)}</li>
      ))}
    </ul>
  );
});

/** The drawing board beside the tracks: every move shows at once in both. */
export function SetStage({
  setting,
  found,
  disabled,
  onSolve,
  onRelease,
  onMeasure,
  onSeats,
  methods,
  onMethod,
  postures,
  onEdit,
}: Props) {
  const solveNow = useSteady(() => onSolve());
  useSetCommands(setting.store, disabled, solveNow);
  const { live, problem } = setting;
  // What is missing, and whether the seat carries this sitter, does not change with the settings.
  const assessment = live.get();
  const missing = [...new Set(assessment.outcomes.flatMap((o) => o.missing))];
  const estimated = [...new Set(assessment.outcomes.flatMap((o) => o.estimated))];
  const useRemedy = useSteady(onSolve);
  const toMeasure = useSteady(onMeasure);
  const certainty = useCertainty(setting);
  const [lever] = useState(() => new OpenLever());
  const { seat } = problem.inputs;
  return (
    <>
      {assessment.refused && (
        <div className={`${parts.notice} ${styles.refused}`} data-tone="misfit" role="alert">
          <Checks checks={refusedChecks(assessment)} />
        </div>
      )}
      {problem.inputs.coreVersion < CORE_VERSION && (
        <p className={parts.notice} role="status">
          {word('set.olderCore')}
        </p>
      )}
      <div className={styles.set}>
        <div className={styles.left}>
          <PanelBoundary>
            <DrawingBoard setting={setting} lever={lever} />
          </PanelBoundary>
          <Angles live={live} />
          {!assessment.refused && <Checks checks={assessment.checks} />}
        </div>
        <div className={styles.right}>
          <Tools store={setting.store} disabled={disabled} onSolve={solveNow} />
          {(offers(seat, 'harness') || offers(seat, 'suspension')) && (
            <p className={styles.caution}>{word('set.caution.operator')}</p>
          )}
          {problem.inputs.method.cautions?.map((caution) => (
            <p key={caution} className={styles.caution}>
              {word(`caution.method.${caution}`)}
            </p>
          ))}
          <Uncalculated seat={seat} />
          {missing.length + estimated.length > 0 && (
            <p className={parts.soft}>
              {missing.length > 0 && `${sayDimensions('set.missing', missing)} `}
              {estimated.length > 0 && `${sayDimensions('set.estimated', estimated)} `}
              <button type="button" className={parts.plainButton} onClick={onMeasure}>
                {word('set.measureThem')}
              </button>
            </p>
          )}
          <PanelBoundary>
            <Certainty certainty={certainty} onMeasure={toMeasure} />
          </PanelBoundary>
          <PanelBoundary>
            <RemediesPanel
              setting={setting}
              found={found}
              disabled={disabled}
              onUse={useRemedy}
              onSeats={onSeats}
            />
          </PanelBoundary>
          <PanelBoundary>
            <Tracks
              setting={setting}
              lever={lever}
              certainty={certainty}
              disabled={disabled}
              shortfalls={found.remedies?.shortfalls ?? null}
              onRelease={onRelease}
            />
          </PanelBoundary>
          <PanelBoundary>
            <Steps setting={setting} disabled={disabled} />
            <Choices setting={setting} disabled={disabled} />
            <PosturesPart setting={setting} postures={postures} disabled={disabled} onEdit={onEdit} />
          </PanelBoundary>
          <PanelBoundary>
            <Compare setting={setting} methods={methods} disabled={disabled} onChoose={onMethod} />
          </PanelBoundary>
        </div>
      </div>
    </>
  );
}
