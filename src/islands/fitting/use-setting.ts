import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  completeSettings,
  problemOf,
  sameSettings,
  solve,
  type Problem,
  type RemedySettings,
  type Settings,
} from '../../core/fit';
import type { AdjustmentKind } from '../../core/seat';
import type { FittingDetail } from '../../contract';
import { Live } from './live';
import { SettingsStore } from './settings-store';

/** A position, or a step from where the adjustment stands. */
export type Move = number | ((from: number) => number);

export interface Setting {
  readonly problem: Problem;
  /** Changes with every frame of a drag: whoever draws it follows it. */
  readonly live: Live;
  readonly store: SettingsStore;
  readonly move: (kind: AdjustmentKind, to: Move) => void;
  readonly drag: (kind: AdjustmentKind, position: number) => void;
  readonly solve: (remedies?: RemedySettings) => Settings;
}

const bestOf = (problem: Problem, settings: Settings): Settings =>
  solve(problem, { remedies: settings.remedies }).settings;

interface Held {
  readonly key: string | null;
  readonly store: SettingsStore | null;
}

function hold(key: string | null, fitting: FittingDetail, problem: Problem | null): Held {
  return {
    key,
    store:
      problem && new SettingsStore(completeSettings(problem, fitting.draft?.settings ?? null), fitting.draft),
  };
}

/** A store for each fitting and seat: a new seat starts with settings of its own, everything else is carried over. */
function useStore(fitting: FittingDetail, problem: Problem | null): SettingsStore | null {
  const key = problem && `${fitting.id}/${fitting.seat?.versionId ?? ''}`;
  const [held, setHeld] = useState<Held>(() => hold(key, fitting, problem));
  if (held.key === key) return held.store;
  const next = hold(key, fitting, problem);
  setHeld(next);
  return next.store;
}

/** The settings under the fitter's hands and everything computed from them. */
export function useSetting(fitting: FittingDetail): Setting | null {
  const { inputs } = fitting;
  const problem = useMemo(() => (inputs ? problemOf(inputs) : null), [inputs]);
  const store = useStore(fitting, problem);
  const before = useRef<Problem | null>(null);

  useEffect(() => {
    if (!problem || !store) return;
    const earlier = before.current;
    before.current = problem;
    if (!earlier || earlier === problem || earlier.inputs.seat.id !== problem.inputs.seat.id) return;
    const current = store.get();
    // Settings nobody has touched follow the measures; what a hand has set stays and is judged anew.
    const untouched = sameSettings(current, completeSettings(earlier, bestOf(earlier, current)));
    const next = untouched ? bestOf(problem, current) : completeSettings(problem, current);
    if (!sameSettings(current, next)) store.set(next);
  }, [problem, store]);

  const live = useMemo(() => (problem && store ? new Live(problem, store) : null), [problem, store]);

  /** From what the store holds now, not from what was last drawn: several moves may come between two drawings. */
  const moved = useCallback(
    (kind: AdjustmentKind, to: Move): Settings => {
      const now = completeSettings(problem!, store!.get());
      const position = typeof to === 'number' ? to : to(now.positions[kind] ?? 0);
      return { ...now, positions: { ...now.positions, [kind]: position } };
    },
    [problem, store],
  );
  const move = useCallback((kind: AdjustmentKind, to: Move) => store?.set(moved(kind, to)), [moved, store]);
  const drag = useCallback(
    (kind: AdjustmentKind, position: number) => {
      // Within one click nothing changes.
      if (store && store.get().positions[kind] !== position) store.drag(moved(kind, position));
    },
    [moved, store],
  );
  const solveNow = useCallback(
    (remedies?: RemedySettings): Settings => {
      const { settings } = solve(problem!, {
        remedies: remedies ?? live!.get().settings.remedies,
        held: store!.held,
      });
      store!.set(settings);
      return settings;
    },
    [live, problem, store],
  );
  return useMemo(
    () => (problem && store && live ? { problem, store, live, move, drag, solve: solveNow } : null),
    [drag, live, move, problem, solveNow, store],
  );
}
