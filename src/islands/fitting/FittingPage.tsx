import { Button } from '@mantine/core';
import {
  Suspense,
  lazy,
  memo,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ComponentProps,
  type ComponentType,
} from 'react';
import type { FittingDetail, FittingEdit, MethodSummary, PlaceSummary, OfferedSeat } from '../../contract';
import { sameSettings, type RemedySettings } from '../../core/fit';
import { takeAddedSeat } from '../../ui/added-seat';
import { Frame } from '../../ui/Frame';
import { useCommands, type Command } from '../../ui/commands';
import { PanelBoundary } from '../../ui/PanelBoundary';
import { useReading, type PageProps } from '../../ui/preferences';
import { SaveState } from '../../ui/SaveState';
import { api, explain } from '../../ui/client';
import { rememberDeletion } from '../../ui/undo';
import parts from '../../ui/parts.module.css';
import { sayDate, sayMethod, sayWith, word } from '../../words';
import { useOrphan } from './use-orphan';
import { SetStage } from './SetStage';
import { STAGES, StageStrip, sayStageTitle, type Stage } from './StageStrip';
import { useAutosave, type Autosave } from './use-autosave';
import { useFitting, type FittingState } from './use-fitting';
import { useRemedies } from './use-remedies';
import { useSetting, type Setting } from './use-setting';
import { ANY_SEAT, useShelf, wantedBy } from './use-shelf';
import { useStateLink, type LinkNotice } from './use-state-link';
import styles from './fitting.module.css';

/** Not needed to set a seat: brought when it is asked for, and a while after the page for whoever then loses the network. */
const loadMeasuring = () => import('../shared/measures/MeasureForm');
const LateMeasureForm = lazy(async () => ({ default: (await loadMeasuring()).MeasureForm }));
const loadChoosing = () => import('./ChooseStage');
const LateChooseStage = lazy(async () => ({ default: (await loadChoosing()).ChooseStage }));
const loadCard = () => import('./CardStage');
const LateCardStage = lazy(loadCard);
const LATER_MS = 4000;

/** Two at one fitting are rare, and whoever meets another is connected: what shows it is fetched then. */
const loadConflicts = () => import('./Conflicts');
const EditConflictPanel = lazy(async () => ({ default: (await loadConflicts()).EditConflictPanel }));
const SettingsConflict = lazy(async () => ({ default: (await loadConflicts()).SettingsConflict }));
const OrphanSettings = lazy(async () => ({ default: (await loadConflicts()).OrphanSettings }));

const whenIdle = (act: () => void): void => {
  if ('requestIdleCallback' in window) window.requestIdleCallback(act);
  else setTimeout(act);
};

/** Everything else of the page is brought a while after it, for whoever then loses the network. */
function useRestSoon(): void {
  useEffect(() => {
    const timer = setTimeout(() => {
      // Not under a hand that moves something, where the browser can tell.
      for (const load of [loadMeasuring, loadChoosing, loadCard])
        whenIdle(() => void load().catch(() => undefined));
    }, LATER_MS);
    return () => clearTimeout(timer);
  }, []);
}

/** Stages that came with the page, because it was asked for at one of them: nobody waits for those. */
export interface Brought {
  readonly measure?: ComponentType<ComponentProps<typeof LateMeasureForm>>;
  readonly choose?: ComponentType<ComponentProps<typeof LateChooseStage>>;
  readonly card?: ComponentType<ComponentProps<typeof LateCardStage>>;
}

/** A stage that came with the page, or that is brought when it is asked for. */
function Staged<P extends object>({
  brought: Stage,
  late: Late,
  words,
  props,
}: {
  readonly brought: ComponentType<P> | undefined;
  readonly late: ComponentType<P>;
  readonly words: string;
  readonly props: P;
}) {
  if (Stage) return <Stage {...props} />;
  const waiting = (
    <p role="status" className={styles.later}>
      {words}
    </p>
  );
  return (
    <Suspense fallback={waiting}>
      <Late {...props} />
    </Suspense>
  );
}

export interface FittingPageProps {
  readonly page: PageProps;
  readonly fitting: FittingDetail;
  readonly stage: Stage;
  readonly places: readonly PlaceSummary[];
  readonly methods: readonly MethodSummary[];
  readonly brought?: Brought;
}
const NONE: Brought = {};

/** The stage stands in the address, so that a reload comes back to it. */
function useStage(initial: Stage, name: string) {
  const [stage, setStage] = useState(initial);
  useEffect(() => {
    document.title = `${sayStageTitle(name, stage)} · ${word('app.name')}`;
  }, [name, stage]);
  const go = useCallback((next: Stage) => {
    setStage(next);
    const url = new URL(window.location.href);
    url.searchParams.set('stage', next);
    window.history.replaceState(null, '', url);
    window.scrollTo(0, 0);
  }, []);
  return { stage, go };
}

function Closed({ state }: { readonly state: FittingState }) {
  const reading = useReading();
  return (
    <div className={parts.notice} style={{ marginBottom: '0.75rem' }}>
      <span>{sayWith('fitting.closed', { date: sayDate(state.fitting.date, reading) })}</span>
      <button
        type="button"
        className={parts.plainButton}
        disabled={state.busy}
        onClick={() => void state.act({ act: 'reopen' })}
      >
        {word('fitting.reopen')}
      </button>
    </div>
  );
}

/** Drawn once: drags go by many times a second. */
const ToCard = memo(function ToCard({
  id,
  onStage,
}: {
  readonly id: string;
  readonly onStage: (s: Stage) => void;
}) {
  return (
    <>
      <Button className={styles.next} component="a" href={`/fittings/${id}/walk`}>
        {word('fitting.next.walk')}
      </Button>
      <Button className={styles.next} variant="default" onClick={() => onStage('card')}>
        {word('fitting.next.card')}
      </Button>
    </>
  );
});

/** Setting with autosave and acts; only once a seat is chosen. */
function SetOrCard({
  stage,
  brought,
  seats,
  methods,
  state,
  setting,
  autosave,
  onStage,
}: {
  readonly stage: 'set' | 'card';
  readonly brought: Brought['card'];
  readonly seats: readonly OfferedSeat[];
  readonly methods: readonly MethodSummary[];
  readonly state: FittingState;
  readonly setting: Setting;
  readonly autosave: Autosave;
  readonly onStage: (s: Stage) => void;
}) {
  const { act, fitting } = state;
  const found = useRemedies(setting, seats);
  const { edit } = state;
  const onEdit = useCallback((wish: FittingEdit) => void edit(wish), [edit]);
  const onMethod = useCallback((methodVersionId: string) => void edit({ methodVersionId }), [edit]);
  const disabled = fitting.state === 'left';
  const record = (kind: 'solve' | 'signOff', settings = setting.store.get()) =>
    state.inTurn(async () => {
      // What waits to be sent goes first, so that the act is recorded on what is shown.
      if (!(await autosave.keeper.settle())) return;
      const { store } = setting;
      const next = await act({ act: kind, settings, held: store.heldKinds });
      if (!next?.draft) return;
      autosave.keeper.adopt(next.draft, next.draftRevision);
      // What the server has made of it is what is kept, so it is what is shown.
      if (store.get() === settings && !sameSettings(settings, next.draft.settings))
        store.set(next.draft.settings);
    });
  if (stage === 'card')
    return (
      <Staged
        brought={brought}
        late={LateCardStage}
        words={word('fitting.cardComing')}
        props={{
          state,
          setting,
          remedies: found.remedies,
          onHandOver: () => void record('signOff', setting.live.get().settings),
        }}
      />
    );
  return (
    <>
      <SetStage
        setting={setting}
        found={found}
        disabled={disabled}
        onSolve={(remedies?: RemedySettings) => void record('solve', setting.solve(remedies))}
        onRelease={() => void autosave.keeper.release()}
        onMeasure={() => onStage('measure')}
        onSeats={() => onStage('choose')}
        methods={methods}
        onMethod={onMethod}
        postures={fitting.postures}
        onEdit={onEdit}
      />
      <ToCard id={fitting.id} onStage={onStage} />
    </>
  );
}

function LinkLine({ notice, onClose }: { readonly notice: LinkNotice; readonly onClose: () => void }) {
  return (
    <div className={parts.notice} role="status">
      <span>{notice.text}</span>
      {notice.address && (
        <input
          readOnly
          aria-label={word('link.copy')}
          value={notice.address}
          onFocus={(e) => e.currentTarget.select()}
        />
      )}
      <button type="button" className={parts.plainButton} onClick={onClose}>
        {word('undo.close')}
      </button>
    </div>
  );
}

/** The stages by number, and the link by name. */
function useStageCommands(go: (stage: Stage) => void, makeLink: (() => Promise<void>) | null) {
  const commands = useMemo<readonly Command[]>(
    () => [
      ...STAGES.map((stage, i) => ({
        id: `stage-${stage}`,
        name: sayWith('command.stage', { name: word(`fitting.stage.${stage}`) }),
        keys: String(i + 1),
        run: () => go(stage),
      })),
      ...(makeLink ? [{ id: 'link', name: word('command.link'), run: () => void makeLink() }] : []),
    ],
    [go, makeLink],
  );
  useCommands('stages', commands);
}

function Deletion({ fitting }: { readonly fitting: FittingDetail }) {
  const [fault, setFault] = useState<string | null>(null);
  const remove = async () => {
    try {
      rememberDeletion('fitting', fitting.sitter.name, await api.deleteFitting(fitting.id));
      window.location.href = '/';
    } catch (error) {
      setFault(explain(error));
    }
  };
  return (
    <div className={parts.deletion}>
      <button type="button" className={parts.dangerButton} onClick={() => void remove()}>
        {word('fittings.delete')}
      </button>
      <span className={parts.soft}>{word('fittings.delete.what')}</span>
      {fault && <span role="alert">{fault}</span>}
    </div>
  );
}

/** A seat that was added from here is chosen on coming back. */
function useAddedSeat({ fitting, edit }: FittingState): void {
  useEffect(() => {
    const added = takeAddedSeat(fitting.id);
    if (added !== null && fitting.state === 'open' && fitting.seat?.versionId !== added)
      void edit({ seatVersionId: added });
  }, [edit, fitting]);
}

/** Where the focus goes when what had it is no longer on the page: after going on, and after signing off. */
function useKeptFocus(stage: Stage, fittingState: FittingDetail['state']) {
  const here = useRef<HTMLElement>(null);
  const isFirst = useRef(true);
  useEffect(() => {
    if (!isFirst.current && document.activeElement === document.body)
      here.current?.focus({ preventScroll: true });
    isFirst.current = false;
  }, [stage, fittingState]);
  return here;
}

function FittingScreen({
  fitting: initial,
  stage: first,
  places,
  methods,
  brought = NONE,
}: FittingPageProps) {
  useRestSoon();
  const state = useFitting(initial);
  const { stage, go } = useStage(first, state.fitting.sitter.name);
  const setting = useSetting(state.fitting);
  const autosave = useAutosave(state.fitting, setting?.store ?? null);
  const { fitting, fault, reload } = state;
  const [filter, setFilter] = useState(ANY_SEAT);
  const place = places.find((p) => p.versionId === fitting.place?.versionId)?.place;
  const shelf = useShelf(filter, wantedBy(place ?? fitting.inputs?.place));
  const { seats } = shelf;
  useAddedSeat(state);
  const here = useKeptFocus(stage, fitting.state);
  const isLeft = fitting.state === 'left';
  const orphan = useOrphan(fitting);
  const keeper = autosave?.keeper ?? null;
  const { isOwn } = state;
  const { onSettle } = state;
  useEffect(() => onSettle(() => keeper?.settle() ?? Promise.resolve()), [keeper, onSettle]);
  useEffect(() => {
    keeper?.seen(fitting, isOwn);
  }, [fitting, isOwn, keeper]);
  const link = useStateLink(fitting, setting);
  useStageCommands(go, setting ? link.make : null);
  const conflict = autosave?.saving.state === 'conflict' ? autosave.keeper.conflict() : null;
  const onMeasured = useCallback(() => void reload(), [reload]);
  return (
    <>
      <div className={styles.title}>
        <h1>{fitting.sitter.name}</h1>
        <span>
          {[fitting.seat?.name, fitting.piece?.tag, fitting.place?.name, sayMethod(fitting.method)]
            .filter(Boolean)
            .join(' · ')}
        </span>
        {setting && (
          <button type="button" className={parts.plainButton} onClick={() => void link.make()}>
            {word('link.copy')}
          </button>
        )}
        {autosave && stage !== 'measure' && (
          <SaveState
            saving={state.busy && autosave.saving.state === 'saved' ? { state: 'saving' } : autosave.saving}
          />
        )}
      </div>
      <StageStrip stage={stage} fitting={fitting} live={setting?.live ?? null} onStage={go} />
      {fault && (
        <div className={parts.notice} data-tone="misfit" role="alert">
          {fault}
        </div>
      )}
      {link.notice && <LinkLine notice={link.notice} onClose={link.close} />}
      {autosave?.isTakenOver && (
        <div className={parts.notice} role="status">
          <span>{word('conflict.takenOver')}</span>
          <button type="button" className={parts.plainButton} onClick={() => autosave.keeper.understood()}>
            {word('conflict.understood')}
          </button>
        </div>
      )}
      <Suspense>
        {state.conflict && <EditConflictPanel state={state} catalogue={{ seats, places, methods }} />}
        {setting && autosave && conflict && (
          <SettingsConflict
            key={conflict.theirs.draftRevision}
            state={state}
            setting={setting}
            autosave={autosave}
            conflict={conflict}
          />
        )}
        {orphan && <OrphanSettings state={state} seats={seats} orphan={orphan} />}
      </Suspense>
      {fitting.piece?.doNotUse && (
        <div className={parts.notice} data-tone="misfit" role="note">
          {word('card.doNotUse')}
        </div>
      )}
      {isLeft && <Closed state={state} />}
      <PanelBoundary key={stage}>
        <section ref={here} className={styles.here} tabIndex={-1} aria-label={word(`fitting.stage.${stage}`)}>
          {stage === 'measure' && (
            <>
              <Staged
                brought={brought.measure}
                late={LateMeasureForm}
                words={word('fitting.measuresComing')}
                props={{
                  sitter: fitting.sitter,
                  onSaved: onMeasured,
                  disabled: isLeft,
                  filling: {
                    isOn: fitting.estimateMissing,
                    onChange: (estimateMissing) => void state.edit({ estimateMissing }),
                  },
                }}
              />
              <Button className={styles.next} onClick={() => go('choose')}>
                {word('fitting.next.choose')}
              </Button>
            </>
          )}
          {(stage === 'choose' || (!setting && stage !== 'measure')) && (
            <>
              <Staged
                brought={brought.choose}
                late={LateChooseStage}
                words={word('fitting.choosing')}
                props={{ state, shelf, filter, onFilter: setFilter, places, methods }}
              />
              <Button className={styles.next} disabled={!setting} onClick={() => go('set')}>
                {word('fitting.next.set')}
              </Button>
            </>
          )}
          {setting && autosave && (stage === 'set' || stage === 'card') && (
            <SetOrCard
              stage={stage}
              brought={brought.card}
              seats={seats}
              methods={methods}
              state={state}
              setting={setting}
              autosave={autosave}
              onStage={go}
            />
          )}
        </section>
      </PanelBoundary>
      {stage === 'card' && <Deletion fitting={fitting} />}
    </>
  );
}

export default function FittingPage(props: FittingPageProps) {
  return (
    <Frame page={props.page} area="fittings">
      <FittingScreen {...props} />
    </Frame>
  );
}
