import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { DIMENSIONS, DIMENSION_IDS, rangeDoubt, type Body, type DimensionId } from '../../core/body';
import {
  NEW_TOUR,
  nextStep,
  type Tolerances,
  settleTakes,
  takesOf,
  withSelection,
  withSkipped,
  withTake,
  withoutLast,
  withoutTakes,
  type Instrument,
  type Tour,
} from '../../core/measuring';
import type { Implausible } from '../../core/population';
import type { Quantity } from '../../core/quantity';
import type { MeasuringSession, MeasuringSessionEdit, SitterDetail } from '../../contract';
import { newId } from '../../ui/ids';
import {
  outbox,
  readingEntry,
  readingSubject,
  currentSession,
  sessionEntry,
  sessionOf,
  sessionSubject,
  type Entry,
  type NewEntry,
} from '../../ui/outbox';
import { savingOf, type Outbox } from '../../ui/outbox/outbox';
import type { Saving } from '../../ui/SaveState';
import { useDraft } from '../../ui/use-draft';
import { sayIn } from '../shared/measures/use-measures';
import { reasonAsked } from '../shared/measures/use-population';
import { sayRange, sayWith, type Reading } from '../../words';

/** What this browser keeps of a tour, so that it goes on where it was left. */
interface Kept {
  readonly tour: Tour;
  /** null before the first reading. */
  readonly session: MeasuringSessionEdit | null;
  /** Version of the session that the server has; null before it has one. Absent in what earlier visits kept. */
  readonly sessionVersion?: number | null;
  readonly about: Omit<MeasuringSessionEdit, 'id'>;
  /** Why a measure stands although the others speak against it. */
  readonly reasons: Readonly<Partial<Record<DimensionId, string>>>;
}

const NEW: Kept = {
  tour: NEW_TOUR,
  session: null,
  about: { shoesOn: false, clothes: '', notes: '' },
  reasons: {},
};

/** A reading that waits for a reason. */
export interface WaitingReading {
  readonly dimension: DimensionId;
  readonly value: number;
  readonly instrument: Instrument;
  readonly against: Implausible;
}

const subscribe = (listener: () => void): (() => void) => outbox().subscribe(listener);
const entriesNow = (): readonly Entry[] => outbox().get().entries;
const NONE: readonly Entry[] = [];

/** What some readings come to, as it will stand in the record. */
function quantityOf(dimension: DimensionId, takes: readonly number[], reason?: string): Quantity | undefined {
  const settled = settleTakes(dimension, takes);
  return (
    (settled && {
      value: settled.value,
      spread: settled.spread,
      basis: 'measured',
      source: '',
      takenAt: null,
      takenBy: null,
      reason,
    }) ??
    undefined
  );
}

/** The sitter's body with what this tour has taken, whether the server has it yet or not. */
function bodyWith(sitter: SitterDetail, { tour, reasons }: Kept): Body {
  const taken = [...new Set(tour.takes.map((t) => t.dimension))];
  return {
    ...sitter.body,
    ...Object.fromEntries(taken.map((id) => [id, quantityOf(id, takesOf(tour, id), reasons[id])])),
  };
}

/** A session that this device and somebody else have changed at once. */
export interface SessionConflict {
  readonly mine: MeasuringSessionEdit;
  readonly theirs: MeasuringSession;
}

function sessionConflictOf(entries: readonly Entry[], sessionId: string | null): SessionConflict | null {
  const entry = entries.find((e) => e.kind === 'session' && e.refusal && sessionOf(e).id === sessionId);
  const theirs = entry ? currentSession(entry) : null;
  return entry && theirs ? { mine: sessionOf(entry), theirs } : null;
}

function savingOfTour(entries: readonly Entry[]): Saving {
  const refusal = entries.find((e) => e.refusal)?.refusal;
  if (refusal?.current) return { state: 'conflict' };
  if (refusal) return { state: 'failed', why: refusal.errors?.[0]?.detail ?? refusal.title };
  return entries.length > 0 ? savingOf(outbox().get()) : { state: 'saved', at: null };
}

/** A tour of measuring: each reading is kept on this device before anything else, and sent when it can be. */
export function useTour(first: SitterDetail, reading: Reading, tolerances: Tolerances) {
  const [sitter, setSitter] = useState(first);
  /** The sitter as the server last said, also before it is drawn: readings are made on it. */
  const newest = useRef(first);
  // Readings can come faster than drawings: what goes on from another goes by `now`.
  const { text: kept, now, put: keep, drop } = useDraft<Kept>(`tour:${first.id}`, NEW);
  const [onTheWay, setOnTheWay] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  const [asked, setAsked] = useState<WaitingReading | null>(null);
  const all = useSyncExternalStore(subscribe, entriesNow, () => NONE);
  const entries = useMemo(
    () => all.filter((e) => e.recordId === first.id && e.kind !== 'settings'),
    [all, first.id],
  );

  useEffect(() => {
    const stops = DIMENSION_IDS.map((id) =>
      outbox().onTaken(readingSubject(first.id, id), (answer) => {
        newest.current = answer as SitterDetail;
        setSitter(newest.current);
      }),
    );
    return () => stops.forEach((stop) => stop());
  }, [first.id]);
  const sessionId = kept.session?.id ?? null;
  useEffect(
    () =>
      sessionId === null
        ? undefined
        : outbox().onTaken(sessionSubject(sessionId), (answer) =>
            keep({ sessionVersion: (answer as MeasuringSession).version }),
          ),
    [keep, sessionId],
  );

  const put = (change: Partial<Kept>): Kept => {
    keep(change);
    return now();
  };
  /** Into this device's keeping; until it is there nothing is said to be saved. */
  const post = async (...entries: Parameters<Outbox['put']>[0][]): Promise<void> => {
    setOnTheWay((n) => n + 1);
    for (const entry of entries) await outbox().put(entry);
    setOnTheWay((n) => n - 1);
    void outbox().flush();
  };

  const { tour, session, reasons } = kept;
  const step = nextStep(tour, tolerances);
  const body = useMemo(() => bodyWith(sitter, kept), [sitter, kept]);

  /** What a dimension has come to: its single readings, or that there are none any more. */
  const entryOf = (next: Kept, dimension: DimensionId, instrument?: Instrument): (() => NewEntry) => {
    const takes = takesOf(next.tour, dimension);
    const value = settleTakes(dimension, takes)?.value ?? null;
    const reason = next.reasons[dimension];
    const seen = () => newest.current.body[dimension]?.takenAt ?? null;
    return () =>
      readingEntry(first.id, dimension, value, seen(), {
        session: next.session!.id,
        ...(takes.length > 0 ? { takes } : {}),
        ...(instrument ? { instrument } : {}),
        ...(reason === undefined ? {} : { reason }),
      });
  };

  const accept = async (take: Omit<WaitingReading, 'against'>, reason?: string): Promise<void> => {
    const { dimension, value, instrument } = take;
    const from = now();
    const begun = from.session ?? { id: newId(), ...from.about };
    const next = put({
      tour: withTake(from.tour, { dimension, value }),
      session: begun,
      reasons: reason === undefined ? from.reasons : { ...from.reasons, [dimension]: reason },
    });
    setAsked(null);
    const reading = entryOf(next, dimension, instrument);
    await post(...(from.session ? [] : [sessionEntry(first.id, begun, null)]), reading);
  };

  /** Takes one reading for a dimension, unless no body has it or it needs a reason first. */
  const takeFor = async (take: Omit<WaitingReading, 'against'>): Promise<boolean> => {
    const { dimension, value } = take;
    if (rangeDoubt(dimension, value)) {
      const { lowest, highest } = DIMENSIONS[dimension];
      setFault(
        sayWith('measure.fault.range', {
          range: sayRange(sayIn(dimension, lowest, reading), sayIn(dimension, highest, reading)),
        }),
      );
      return false;
    }
    setFault(null);
    const { tour: before, reasons: known } = now();
    const quantity = quantityOf(dimension, [...takesOf(before, dimension), value])!;
    const others = { ...sitter, body: bodyWith(sitter, now()) };
    const against = known[dimension] === undefined ? await reasonAsked(others, dimension, quantity) : null;
    if (against) {
      setAsked({ ...take, against });
      return false;
    }
    await accept(take);
    return true;
  };

  const last = tour.takes.at(-1) ?? null;
  return {
    sitter,
    body,
    tour,
    step,
    about: kept.about,
    last,
    fault,
    setFault,
    asked,
    saving: onTheWay > 0 ? ({ state: 'saving' } as const) : savingOfTour(entries),
    /** A reading of what is measured now. @returns whether it was taken */
    take: async (value: number, instrument: Instrument): Promise<boolean> => {
      const next = nextStep(now().tour, tolerances);
      return next ? takeFor({ dimension: next.dimension, value, instrument }) : false;
    },
    /** The reading that was asked about stands, for a reason. */
    keep: (reason: string) => asked && void accept(asked, reason),
    release: () => setAsked(null),
    /** What was read for a dimension was a slip for something else. */
    instead: (dimension: DimensionId, value: number, instrument: Instrument) => {
      setAsked(null);
      put({ tour: withoutTakes(now().tour, dimension) });
      return takeFor({ dimension, value, instrument });
    },
    undo: async (): Promise<void> => {
      const taken = now().tour.takes.at(-1);
      if (!taken) return;
      setAsked(null);
      setFault(null);
      await post(entryOf(put({ tour: withoutLast(now().tour) }), taken.dimension));
    },
    again: async (dimension: DimensionId): Promise<void> => {
      const others = Object.fromEntries(Object.entries(reasons).filter(([id]) => id !== dimension));
      const hadTakes = takesOf(now().tour, dimension).length > 0;
      setAsked(null);
      const next = put({ tour: withoutTakes(now().tour, dimension), reasons: others });
      if (hadTakes) await post(entryOf(next, dimension));
    },
    skip: () => {
      if (step) put({ tour: withSkipped(now().tour, step.dimension) });
      setAsked(null);
      setFault(null);
    },
    choose: (selection: readonly DimensionId[]) => put({ tour: withSelection(now().tour, selection) }),
    tell: async (change: Partial<Kept['about']>): Promise<void> => {
      const changed = session && { ...session, ...change };
      put({ about: { ...kept.about, ...change }, session: changed });
      if (changed) await post(() => sessionEntry(first.id, changed, now().sessionVersion ?? null));
    },
    /** What two have said of this measuring session at once; null where nobody else has. */
    sessionConflict: sessionConflictOf(entries, sessionId),
    /** Ends that: this device's holds, or what was saved. */
    decideSession: async (mine: MeasuringSessionEdit, theirs: MeasuringSession, keepMine: boolean) => {
      const { shoesOn, clothes, notes } = keepMine ? mine : theirs;
      const chosen = { id: mine.id, shoesOn, clothes, notes };
      put({ about: { shoesOn, clothes, notes }, session: chosen, sessionVersion: theirs.version });
      await outbox().resolve(
        sessionSubject(mine.id),
        keepMine ? sessionEntry(first.id, chosen, theirs.version) : null,
      );
    },
    /** Another session from here on; what was taken stays in the record. */
    anew: () => {
      put(NEW);
      void drop();
    },
  };
}

export type TourInHand = ReturnType<typeof useTour>;
