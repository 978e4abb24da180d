import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { assess, problemOf, workOf, type Assessment } from '../../core/fit';
import type { CaseWithoutSeat, RankedSeat, Ranking } from '../../core/rank';
import type { FittingDetail, MethodSummary, PlaceSummary, OfferedSeat } from '../../contract';
import { JobDesk } from '../../workers/desk';
import { Judging, NOTHING_JUDGED, askedOf, rankingOf } from './judging';

/** One for this page: a stage that comes back finds what was known when it was left. */
const JUDGING = new Judging(new JobDesk());
const onServer = () => NOTHING_JUDGED;

/** The seats in order, worked out in the background; what is known so far until all are. */
export interface Ranked {
  readonly asked: CaseWithoutSeat;
  readonly ranking: Ranking;
  readonly isFailed: boolean;
}

export function useRanking(
  fitting: FittingDetail,
  seats: readonly OfferedSeat[],
  places: readonly PlaceSummary[],
  methods: readonly MethodSummary[],
): Ranked | null {
  const key = useMemo(
    () => JSON.stringify([fitting.people, fitting.body, fitting.place, fitting.method, workOf(fitting)]),
    [fitting],
  );
  // The fitting object changes with every answer; what the ranking depends on is in the key.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const asked = useMemo(() => askedOf(fitting, places, methods), [key, places, methods]);
  useEffect(() => JUDGING.want(asked, seats), [asked, seats]);
  useEffect(() => () => JUDGING.leave(), []);
  const state = useSyncExternalStore(JUDGING.subscribe, JUDGING.now, onServer);
  const judged = state.asked === asked ? state : NOTHING_JUDGED;
  const ranking = useMemo(() => rankingOf(seats, judged), [judged, seats]);
  return useMemo(
    () => asked && { asked, ranking, isFailed: judged.isFailed },
    [asked, judged.isFailed, ranking],
  );
}

/** What is said of one seat at its best settings; null where it is refused or not yet known. */
export function useAssessment(
  asked: CaseWithoutSeat,
  seat: OfferedSeat['seat'],
  settings: RankedSeat['settings'] | undefined,
): Assessment | null {
  return useMemo(
    () => (settings ? assess(problemOf({ ...asked, seat }), settings) : null),
    [asked, seat, settings],
  );
}
