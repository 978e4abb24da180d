/** A walk in hand: every answer is kept on this device first, sent when it can be, and joined with those of others. */
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { titleOf, type FeelAnswer, type StuckReason, type WalkAnswer, type WalkStep } from '../../core/walk';
import type { GivenWalkEvent, NewWalkEvent, WalkEvents, WalkRecord, WalkState } from '../../contract/walks';
import { ClientError, api, explain } from '../../ui/client';
import { onDevice } from '../../ui/device-storage';
import { newId } from '../../ui/ids';
import { outbox, walkEntry, type Entry } from '../../ui/outbox';
import { savingOf } from '../../ui/outbox/outbox';
import type { Saving } from '../../ui/SaveState';
import { useDraft } from '../../ui/use-draft';
import { groundOf, mergedEvents, stepView, walkAt } from './walk-view';

const DEVICE = 'velto-device';
/** Looks for answers of other devices so often, ms. */
const LOOK_MS = 15_000;

/** Tells this device apart; it says nothing of whoever holds it. */
function deviceId(): string {
  const known = onDevice.get(DEVICE);
  if (known !== null) return known;
  const made = newId();
  onDevice.set(DEVICE, made);
  return made;
}

const subscribe = (listener: () => void): (() => void) => outbox().subscribe(listener);
const entriesNow = (): readonly Entry[] => outbox().get().entries;
const NONE: readonly Entry[] = [];

export interface Given {
  readonly answer: WalkAnswer;
  readonly position?: number | undefined;
  readonly feel?: FeelAnswer;
  readonly reason?: StuckReason;
  readonly note?: string;
}

/**
 * The record on the server, begun when the page is first opened.
 * @param ahead the walk that would then be begun: its id is taken
 */
export function useWalkState(first: WalkState, ahead: WalkRecord | null) {
  const [state, setState] = useState(first);
  const [fault, setFault] = useState<string | null>(null);
  const { id, state: fittingState } = state.fitting;
  const begin = useCallback(
    async (again: boolean) => {
      try {
        const wanted = again ? null : ahead;
        setState(await api.beginWalk(id, { id: wanted?.id ?? newId(), ...(again && { again: true }) }));
        setFault(null);
      } catch (error) {
        setFault(explain(error));
      }
    },
    [ahead, id],
  );
  const look = useCallback(async () => {
    try {
      setState(await api.walk(id));
    } catch {
      // Without a connection it goes on with what is known.
    }
  }, [id]);
  const hasBegun = useRef(false);
  useEffect(() => {
    if (hasBegun.current || state.walk || fittingState !== 'open' || state.fitting.seat === null) return;
    hasBegun.current = true;
    void begin(false);
  }, [begin, fittingState, state]);
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') void look();
    }, LOOK_MS);
    const online = () => void look();
    window.addEventListener('online', online);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', online);
    };
  }, [look]);
  return { state, setState, fault, begin, look };
}

/** Gives an answer: kept here first, then sent; what others have answered comes back with it. */
function useAnswer(
  {
    walkId,
    fittingId,
    by,
  }: { readonly walkId: string; readonly fittingId: string; readonly by: string | null },
  keep: (event: GivenWalkEvent) => void,
  onTaken: (events: readonly GivenWalkEvent[]) => void,
  onGiven: (step: null) => void,
): (stepId: string, given: Given) => void {
  return useCallback(
    (stepId, given) => {
      const event: NewWalkEvent = {
        id: newId(),
        step: stepId,
        ...given,
        at: new Date().toISOString(),
        device: deviceId(),
      };
      keep({ ...event, by });
      const entry = walkEntry(fittingId, walkId, event);
      const stop = outbox().onTaken(entry.subject, (said) => {
        stop();
        onTaken((said as WalkEvents).events);
      });
      void outbox()
        .put(entry)
        .then(() => outbox().flush());
      // Whether or not it was looked at out of turn, the walk then goes on.
      onGiven(null);
    },
    [by, fittingId, keep, onGiven, onTaken, walkId],
  );
}

/** Answers of this walk, wherever they are kept, and where it stands by them. */
export function useWalk(
  record: WalkRecord,
  fittingId: string,
  { by, isBegun }: { readonly by: string | null; readonly isBegun: boolean },
) {
  const ground = useMemo(() => groundOf(record), [record.id]); // eslint-disable-line react-hooks/exhaustive-deps
  const {
    text: kept,
    now,
    put,
  } = useDraft<{ events: readonly GivenWalkEvent[] }>(`walk:${record.id}`, {
    events: [],
  });
  const [taken, setTaken] = useState<readonly GivenWalkEvent[]>([]);
  const entries = useSyncExternalStore(subscribe, entriesNow, () => NONE);
  const own = useMemo(
    () => entries.filter((e) => e.kind === 'walk' && e.base === record.id),
    [entries, record.id],
  );
  const events = useMemo(
    () => mergedEvents(kept.events, record.events, taken),
    [kept.events, record.events, taken],
  );
  const walk = useMemo(() => walkAt(ground, events), [ground, events]);
  const [chosen, setChosen] = useState<string | null>(null);
  const step: WalkStep | null = walk.steps.find(({ id }) => id === chosen) ?? walk.next;
  const view = useMemo(() => (step ? stepView(ground, walk, step) : null), [ground, walk, step]);

  const keep = useCallback(
    (event: GivenWalkEvent) => put({ events: mergedEvents(now().events, [event]) }),
    [now, put],
  );
  const give = useAnswer({ walkId: record.id, fittingId, by }, keep, setTaken, setChosen);
  const answer = useCallback<typeof give>(
    (stepId, given) => {
      if (isBegun) give(stepId, given);
    },
    [give, isBegun],
  );
  const saving: Saving = own.length > 0 ? savingOf(outbox().get()) : { state: 'saved', at: null };
  const titles = useMemo(() => walk.steps.map((one) => ({ id: one.id, title: titleOf(one) })), [walk.steps]);
  return {
    record,
    ground,
    walk,
    events,
    step,
    view,
    titles,
    chosen,
    go: setChosen,
    answer,
    saving,
    device: typeof window === 'undefined' ? '' : deviceId(),
  };
}
export type WalkInHand = ReturnType<typeof useWalk>;

/** Signing off: what waits is sent first; without a connection it is done as soon as there is one. */
export function useSignOff(
  state: WalkState,
  look: () => Promise<void>,
): {
  readonly isWaiting: boolean;
  readonly isBusy: boolean;
  readonly fault: string | null;
  readonly sign: (settings: Parameters<typeof api.act>[2]['settings']) => void;
} {
  const [wanted, setWanted] = useState<Parameters<typeof api.act>[2] | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const { fitting, walk } = state;
  const send = useCallback(
    async (act: Parameters<typeof api.act>[2]) => {
      setBusy(true);
      setFault(null);
      try {
        await outbox().flush();
        const fresh = await api.walk(fitting.id);
        await api.act(fitting.id, fresh.fitting.version, act);
        setWanted(null);
        await look();
      } catch (error) {
        const isOffline = error instanceof ClientError && error.reason === 'offline';
        setWanted(isOffline ? act : null);
        if (!isOffline) setFault(explain(error));
      } finally {
        setBusy(false);
      }
    },
    [fitting.id, look],
  );
  useEffect(() => {
    if (!wanted) return undefined;
    const again = () => void send(wanted);
    const timer = setInterval(again, LOOK_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [send, wanted]);
  return {
    isWaiting: wanted !== null,
    isBusy,
    fault,
    sign: (settings) => void send({ act: 'signOff', settings, ...(walk && { walk: walk.id }) }),
  };
}
