import { useMemo } from 'react';
import { assess, makeInputs, problemOf, workOf, type Assessment, type FitInputs } from '../../core/fit';
import type { CaseWithoutSeat, Ranking } from '../../core/rank';
import type { FittingDetail, MethodSummary, PlaceSummary, OfferedSeat } from '../../contract';
import { SHARED_RANKING } from '../../workers/shared-desk';
import { useJob } from '../shared/use-job';

/** What every seat is asked with: the sitter at this place after this method. */
function askedOf(
  fitting: FittingDetail,
  places: readonly PlaceSummary[],
  methods: readonly MethodSummary[],
  anySeat: OfferedSeat | undefined,
): CaseWithoutSeat | null {
  const method =
    methods.find((m) => m.versionId === fitting.method.versionId)?.method ?? fitting.inputs?.method;
  if (!method || !anySeat) return null;
  const place = places.find((p) => p.versionId === fitting.place?.versionId)?.place ?? null;
  return makeInputs({
    sitter: { ageYears: fitting.inputs?.sitter.ageYears ?? null },
    body: fitting.body,
    seat: anySeat.seat,
    place,
    method,
    work: workOf(fitting),
  });
}

/** The seats in order, worked out in the background; what is known so far until all are. */
export interface Ranked {
  readonly asked: CaseWithoutSeat;
  /** null until the first are known. */
  readonly ranking: Ranking | null;
  readonly isFailed: boolean;
}

export function useRanking(
  fitting: FittingDetail,
  seats: readonly OfferedSeat[],
  places: readonly PlaceSummary[],
  methods: readonly MethodSummary[],
): Ranked | null {
  const key = useMemo(
    () => JSON.stringify([fitting.body, fitting.place, fitting.method, workOf(fitting)]),
    [fitting],
  );
  // The fitting object changes with every answer; what the ranking depends on is in the key.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const asked = useMemo(() => askedOf(fitting, places, methods, seats[0]), [key, places, methods, seats]);
  const input = useMemo(() => asked && { asked, seats: seats.map(({ seat }) => seat) }, [asked, seats]);
  const { result, isFailed } = useJob('rank', input, { sharing: SHARED_RANKING });
  return useMemo(() => asked && { asked, ranking: result, isFailed }, [asked, isFailed, result]);
}

/** What is said of one seat at its best settings; null where it is refused or not yet known. */
export function useAssessment({ asked, ranking }: Ranked, seat: OfferedSeat['seat']): Assessment | null {
  const settings = ranking?.ranked.find((r) => r.seatId === seat.id)?.settings;
  return useMemo(() => {
    if (!settings) return null;
    const inputs: FitInputs = { ...asked, seat };
    return assess(problemOf(inputs), settings);
  }, [asked, seat, settings]);
}
