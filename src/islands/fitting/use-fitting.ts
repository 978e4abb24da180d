import { useCallback, useState } from 'react';
import { FittingDetailSchema, type FittingAct, type FittingDetail, type FittingEdit } from '../../contract';
import { ClientError, api } from '../../ui/client';
import { word } from '../../words';

/** The fitting as the server has it, and the ways to change it. A fault stays until the next change works. */
export function useFitting(initial: FittingDetail) {
  const [fitting, setFitting] = useState(initial);
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const change = useCallback(async (send: () => Promise<FittingDetail>): Promise<FittingDetail | null> => {
    setBusy(true);
    try {
      const next = await send();
      setFitting(next);
      setFault(null);
      return next;
    } catch (error) {
      const problem = error instanceof ClientError ? error.problem : null;
      const current = FittingDetailSchema.safeParse(problem?.current);
      if (current.success) setFitting(current.data);
      setFault(current.success ? word('fault.changed') : (problem?.title ?? word('save.offline')));
      return null;
    } finally {
      setBusy(false);
    }
  }, []);

  const { id, version } = fitting;
  const edit = useCallback(
    (wish: FittingEdit) => change(() => api.editFitting(id, version, wish)),
    [change, id, version],
  );
  const act = useCallback(
    (wish: FittingAct) => change(() => api.act(id, version, wish)),
    [change, id, version],
  );
  const reload = useCallback(() => change(() => api.fitting(id)), [change, id]);
  return { fitting, fault, busy, edit, act, reload };
}

export type FittingState = ReturnType<typeof useFitting>;
