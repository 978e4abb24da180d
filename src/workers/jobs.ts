/** The long computations, by name: each a generator whose every value says how far it is; the last one is its result. */
import { RANKING_DRAWS, certaintyOfSettings, drawsOf, type SetCertainty } from '../core/certainty';
import { countBetween, type Counted, type Limits } from '../core/crowd';
import {
  choicesOf,
  problemOf,
  remediesInTurn,
  type ChoicesFound,
  type FitInputs,
  type Remedies,
  type RemedySettings,
  type Settings,
  type SolveOptions,
} from '../core/fit';
import type { Method } from '../core/method';
import {
  childSeatRows,
  populationOf,
  type ChildSeatRow,
  type PopulationTable,
  type Who,
} from '../core/population';
import { rankingInTurn, type CaseWithoutSeat, type Ranking } from '../core/rank';
import type { SeatModel } from '../core/seat';
import type { Runners } from './serve';

export interface CountJob {
  readonly table: PopulationTable;
  readonly who: Who;
  readonly limits: readonly Limits[];
  readonly seed: number;
  readonly count: number;
}

export interface CertaintyJob {
  readonly inputs: FitInputs;
  readonly settings: Settings;
}

export interface RemediesJob {
  readonly inputs: FitInputs;
  /** To look among for another seat. */
  readonly seats: readonly SeatModel[];
  /** What is there already. */
  readonly inUse: RemedySettings;
}

export interface RankJob {
  readonly asked: CaseWithoutSeat;
  readonly seats: readonly SeatModel[];
}

export interface ChoicesJob {
  readonly inputs: FitInputs;
  readonly options: SolveOptions;
  readonly count: number;
}

export interface ChildAgesJob {
  readonly seat: SeatModel;
  readonly method: Method;
  readonly who: Who;
}

export interface Jobs {
  readonly count: { readonly input: CountJob; readonly result: Counted };
  readonly rank: { readonly input: RankJob; readonly result: Ranking };
  readonly choices: { readonly input: ChoicesJob; readonly result: ChoicesFound };
  readonly remedies: { readonly input: RemediesJob; readonly result: Remedies };
  readonly childAges: { readonly input: ChildAgesJob; readonly result: readonly ChildSeatRow[] };
  readonly certainty: { readonly input: CertaintyJob; readonly result: SetCertainty };
}
export type JobName = keyof Jobs;

export const JOBS: Runners<Jobs> = {
  count: ({ table, who, limits, seed, count }) =>
    countBetween(populationOf(table, who), limits, { seed, count }),
  rank: ({ asked, seats }) => rankingInTurn(asked, seats, drawsOf(asked.body, RANKING_DRAWS)),
  choices: function* ({ inputs, options, count }) {
    yield choicesOf(problemOf(inputs), options, count);
  },
  childAges: ({ who, ...given }) => childSeatRows(given, who),
  remedies: ({ inputs, seats, inUse }) => remediesInTurn(problemOf(inputs), seats, inUse),
  certainty: ({ inputs, settings }) => certaintyOfSettings(problemOf(inputs), settings, drawsOf(inputs.body)),
};
