import { useEffect, useState } from 'react';
import { remediesFor, type Problem, type Remedy } from '../../core/fit';

const NONE: readonly Remedy[] = [];

/** Remedies are solved for after the screen has been drawn: they may take a moment. */
export function useRemedies(problem: Problem | null): readonly Remedy[] {
  const [found, setFound] = useState<{ readonly for: Problem; readonly remedies: readonly Remedy[] } | null>(
    null,
  );
  useEffect(() => {
    if (!problem) return;
    const timer = setTimeout(() => setFound({ for: problem, remedies: remediesFor(problem) }), 0);
    return () => clearTimeout(timer);
  }, [problem]);
  return found && found.for === problem ? found.remedies : NONE;
}
