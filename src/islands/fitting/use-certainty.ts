import { useEffect, useRef, useState } from 'react';
import type { SetCertainty } from '../../core/certainty';
import { usePart } from '../../drawing';
import { JobDesk } from '../../workers/desk';
import type { Setting } from './use-setting';

/** So long nothing may have moved before it is worked out. */
const REST_MS = 300;

interface Found<S> {
  readonly for: S;
  /** null where this browser cannot. */
  readonly certainty: SetCertainty | null;
}

/** How sure the settings are as they stand, worked out in the background: undefined until it is, null where it cannot be. */
export function useCertainty({ problem, live }: Setting): SetCertainty | null | undefined {
  const settings = usePart(live.atRest, (a) => a.settings);
  const [found, setFound] = useState<Found<typeof settings> | null>(null);
  const desk = useRef<JobDesk | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => {
      desk.current ??= new JobDesk();
      desk.current
        .run('certainty', { inputs: problem.inputs, settings }, () => undefined)
        .then(
          (certainty) => certainty && setFound({ for: settings, certainty }),
          () => setFound({ for: settings, certainty: null }),
        );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      desk.current?.cancel();
    };
  }, [problem, settings]);
  useEffect(() => () => desk.current?.close(), []);
  return found && found.for === settings ? found.certainty : undefined;
}
