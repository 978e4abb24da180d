import { useCallback, useRef, useState } from 'react';
import type { FittingAct, FittingDetail, FittingEdit } from '../../contract';
import { api, explain } from '../../ui/client';
import { word } from '../../words';
import { recordMet } from '../../ui/current';

/** A choice that met another one made while this one was edited. */
export interface EditConflict {
  readonly wish: FittingEdit;
  readonly theirs: FittingDetail;
}

interface Known {
  readonly fitting: FittingDetail;
  /** Whether this page's own change brought it here. */
  readonly isOwn: boolean;
}

/** The fitting as the server has it, and the ways to change it. A fault stays until the next change works. */
export function useFitting(initial: FittingDetail) {
  const [known, setKnown] = useState<Known>({ fitting: initial, isOwn: true });
  const [fault, setFault] = useState<string | null>(null);
  const [conflict, setConflict] = useState<EditConflict | null>(null);
  const [underWay, setUnderWay] = useState(0);
  const busy = underWay > 0;
  const { fitting } = known;
  /** What this page knows, for what is sent before it is drawn again. */
  const latest = useRef(initial);
  const know = useCallback((next: Known) => {
    latest.current = next.fitting;
    setKnown(next);
  }, []);
  const settleFirst = useRef<() => Promise<unknown>>(() => Promise.resolve());

  /** Keeps the fitting busy from before the first of several steps to after the last. */
  const during = useCallback(async <T>(act: () => Promise<T>): Promise<T> => {
    setUnderWay((n) => n + 1);
    try {
      return await act();
    } finally {
      setUnderWay((n) => n - 1);
    }
  }, []);

  const change = useCallback(
    (send: () => Promise<FittingDetail>, isOwn: boolean, wish?: FittingEdit) =>
      during(async () => {
        try {
          const next = await send();
          know({ fitting: next, isOwn });
          setFault(null);
          setConflict(null);
          return next;
        } catch (error) {
          const theirs = recordMet('fitting', error);
          if (theirs && wish) setConflict({ wish, theirs });
          else if (theirs) know({ fitting: theirs, isOwn: false });
          setFault(theirs ? (wish ? null : word('fault.changed')) : explain(error));
          return null;
        }
      }),
    [during, know],
  );

  /** Acts wait for those before them: each goes by what came of the last. */
  const turn = useRef<Promise<unknown>>(Promise.resolve());
  const inTurn = useCallback(
    <T>(act: () => Promise<T>): Promise<T> => {
      const next = turn.current.then(() => during(act));
      turn.current = next.catch(() => undefined);
      return next;
    },
    [during],
  );

  const { id } = fitting;
  /** @param on the version that the wish was made on: this page's unless another has been seen */
  const edit = useCallback(
    (wish: FittingEdit, on?: number) =>
      inTurn(async () => {
        // Draft settings that are on their way stand on what is being changed here.
        await settleFirst.current();
        return change(() => api.editFitting(id, on ?? latest.current.version, wish), true, wish);
      }),
    [change, id, inTurn],
  );
  const onSettle = useCallback((settle: () => Promise<unknown>) => {
    settleFirst.current = settle;
  }, []);
  const act = useCallback(
    (wish: FittingAct) => change(() => api.act(id, latest.current.version, wish), true),
    [change, id],
  );
  const reload = useCallback(() => change(() => api.fitting(id), false), [change, id]);
  const adopt = useCallback(
    (theirs: FittingDetail) => {
      know({ fitting: theirs, isOwn: false });
      setConflict(null);
    },
    [know],
  );
  return { fitting, isOwn: known.isOwn, fault, conflict, busy, inTurn, onSettle, edit, act, reload, adopt };
}

export type FittingState = ReturnType<typeof useFitting>;
