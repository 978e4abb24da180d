/** A seat on its way in: what is typed, kept on this device, undone and redone, saved, and met by somebody else's. */
import { useCallback, useMemo, useRef, useState } from 'react';
import type { SeatSummary } from '../../contract';
import { gapsOf, type SeatModel } from '../../core/seat';
import { ClientError, api, explain } from '../../ui/client';
import type { Picks } from '../../ui/Conflict';
import { recordMet } from '../../ui/current';
import { useDraftForm } from '../../ui/use-draft-form';
import { sayWith, word, type Reading } from '../../words';
import { mergedTexts } from './seat-differences';
import { readSeat } from './read-seat';
import type { SeatText } from './seat-text';

/** Keys on one field that follow each other this quickly are one step of undoing, ms. */
const ONE_STEP_MS = 1500;
const MOST_STEPS = 200;

interface Past {
  readonly back: readonly SeatText[];
  readonly on: readonly SeatText[];
}

export interface SeatEditorStart {
  readonly id: string;
  /** That is edited, or that this one is a copy or variant of: what the form does not show is kept of it. */
  readonly base: SeatModel | null;
  readonly initial: SeatText;
  /** Version that is edited; null for a new seat. */
  readonly version: number | null;
  /** Names the draft on this device. */
  readonly draft: string;
}

export function useSeatEditor(
  { id, base, initial, version, draft }: SeatEditorStart,
  reading: Reading,
  onSaved: (seat: SeatSummary) => void,
) {
  const { form, text, put, drop, now } = useDraftForm<SeatText>(draft, initial);
  const [past, setPast] = useState<Past>({ back: [], on: [] });
  const [hasTried, setHasTried] = useState(false);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [theirs, setTheirs] = useState<SeatSummary | null>(null);
  const last = useRef({ field: '', at: 0 });

  /** @param field that is changed: keys on one field are one step */
  const change = useCallback(
    (next: Partial<SeatText>, field: string) => {
      const at = Date.now();
      const isSameStep = field === last.current.field && at - last.current.at < ONE_STEP_MS;
      last.current = { field, at };
      const before = now();
      if (!isSameStep) setPast(({ back }) => ({ back: [...back.slice(-MOST_STEPS), before], on: [] }));
      setProblem(null);
      put(next);
    },
    [now, put],
  );
  const step = (from: 'back' | 'on', to: 'back' | 'on') => {
    const target = past[from].at(-1);
    if (!target) return;
    last.current = { field: '', at: 0 };
    const here = now();
    setPast({ ...past, [from]: past[from].slice(0, -1), [to]: [...past[to], here] });
    put(target);
  };

  const read = useMemo(() => readSeat(id, text, reading, base), [base, id, reading, text]);
  const { seat } = read;
  const gaps = useMemo(() => (seat ? gapsOf(seat) : []), [seat]);

  const send = async (given: SeatText, on: number | null): Promise<void> => {
    const { seat: whole, faults } = readSeat(id, given, reading, base);
    setHasTried(true);
    const count = Object.keys(faults).length;
    if (!whole || count > 0) return setProblem(sayWith('seatForm.wrong', { n: Math.max(1, count) }));
    setBusy(true);
    setProblem(null);
    try {
      const saved = on === null ? await api.createSeat(whole) : await api.editSeat(whole, on);
      await drop();
      onSaved(saved);
    } catch (error) {
      const met = recordMet('seat', error);
      if (met) setTheirs(met);
      else if (error instanceof ClientError && error.reason === 'offline')
        setProblem(word('seatForm.offline'));
      else {
        const named = error instanceof ClientError ? error.problem?.errors?.[0] : undefined;
        setProblem(named?.detail ?? explain(error));
      }
    } finally {
      setBusy(false);
    }
  };
  const save = () => send(now(), version);
  const decide = async (picks: Picks): Promise<void> => {
    if (!theirs) return;
    const merged = mergedTexts(now(), theirs.seat, picks, reading);
    put(merged);
    setTheirs(null);
    await send(merged, theirs.version);
  };
  return {
    text,
    change,
    seat,
    faults: read.faults,
    gaps,
    hasTried,
    busy,
    problem,
    theirs,
    save,
    decide,
    cancel: drop,
    isChanged: form.isDirty(),
    undo: past.back.length > 0 ? () => step('back', 'on') : null,
    redo: past.on.length > 0 ? () => step('on', 'back') : null,
  };
}

export type SeatEditor = ReturnType<typeof useSeatEditor>;
