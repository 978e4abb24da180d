import type { ProblemDetails } from '../contract';
import { word } from '../words';

/** What went wrong: no connection, or the problem that the server named. */
export class ClientError extends Error {
  constructor(
    readonly reason: 'offline' | 'refused' | 'unreadable',
    readonly problem: ProblemDetails | null,
  ) {
    super(problem?.title ?? reason);
  }
}

/** The record as the server has it now, where a change met another one. */
export const currentOf = <T>(error: unknown): T | null =>
  error instanceof ClientError && error.problem?.current !== undefined ? (error.problem.current as T) : null;

/** A failure in words, for the place where it happened. */
export function explain(error: unknown): string {
  if (!(error instanceof ClientError)) return word('fault.unknown');
  return error.problem?.title ?? word(error.reason === 'offline' ? 'save.offline' : 'fault.unknown');
}
