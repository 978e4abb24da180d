import { done } from '../contract';
import { fitAnswer, rankAnswer } from '../core/answer';
import type { Compute } from './context';

/** Computed where it is asked: for the command line and tests. */
export const IN_PLACE: Compute = {
  fit: (question) => Promise.resolve(done(fitAnswer(question))),
  rank: (question) => Promise.resolve(done(rankAnswer(question))),
};
