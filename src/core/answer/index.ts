/** What is answered to whoever brings a case or a list of seats: the same on the page, over HTTP and on the command line. */
import {
  RANKING_DRAWS,
  USUAL_DRAWS,
  certaintyOfSeat,
  drawsOf,
  quickCertainty,
  type ChooseCertainty,
  type SetCertainty,
} from '../certainty';
import {
  assess,
  problemOf,
  remediesFor,
  solve,
  type Assessment,
  type FitInputs,
  type Remedies,
  type RemedySettings,
  type SolveResult,
} from '../fit';
import { rankSeats, type CaseWithoutSeat, type Ranking } from '../rank';
import type { AdjustmentKind, SeatModel } from '../seat';
import type { Extra } from './extras';

export interface FitQuestion {
  readonly inputs: FitInputs;
  readonly remedies: RemedySettings;
  readonly held: Readonly<Partial<Record<AdjustmentKind, number>>>;
  readonly include: readonly Extra[];
}

export interface FitFound {
  readonly solved: SolveResult;
  /** Without the problem it was judged by, which is large and follows from the inputs. */
  readonly assessment: Omit<Assessment, 'problem'>;
  readonly certainty: { readonly some: ChooseCertainty; readonly asSet: SetCertainty } | null;
  readonly remedies: Remedies | null;
}

/**
 * One case: solved and judged, and what else was asked for. The inputs must be free of doubts (`caseDoubts`).
 * @returns the settings with verdicts, and of what else was asked for only that. Definition.
 * @example
 * fitAnswer({ inputs, remedies: NO_REMEDIES, held: {}, include: [] }).assessment.refused // => false
 */
export function fitAnswer({ inputs, remedies, held, include }: FitQuestion): FitFound {
  const p = problemOf(inputs);
  const solved = solve(p, { remedies, held });
  const { outcomes, values, checks, refused, angles, settings } = assess(p, solved.settings);
  const draws = include.includes('certainty') ? drawsOf(inputs.body, USUAL_DRAWS) : null;
  return {
    solved,
    assessment: { outcomes, values, checks, refused, angles, settings },
    certainty: draws && {
      some: certaintyOfSeat(p, solved.settings, draws),
      asSet: quickCertainty(p, solved.settings, draws),
    },
    remedies: include.includes('remedies') ? remediesFor(p, [], remedies) : null,
  };
}

export interface RankQuestion {
  readonly asked: CaseWithoutSeat;
  readonly seats: readonly SeatModel[];
}

/**
 * Seats for one sitter.
 * @returns the seats by rank and those refused, each with its reason; none is left out. Definition.
 * @example
 * rankAnswer({ asked, seats: [seat] }).ranked.map((row) => row.name) // => ['Plain seat']
 */
export const rankAnswer = ({ asked, seats }: RankQuestion): Ranking =>
  rankSeats(asked, seats, drawsOf(asked.body, RANKING_DRAWS));

/** The questions by name, as a worker thread is asked them. */
export const ANSWERS = { fit: fitAnswer, rank: rankAnswer } as const;
export type Question = keyof typeof ANSWERS;
