/** What a schema finds wrong, as faults with a pointer to the value itself. */
import type { z } from 'zod';
import type { FieldFault } from './problems';

const pointerOf = (path: readonly PropertyKey[]): string =>
  path.map((key) => `/${String(key).replace(/~/g, '~0').replace(/\//g, '~1')}`).join('');

type Issue = z.core.$ZodIssue;
export type SayIssue = (issue: Issue) => string;

/** How much what is wrong speaks against a branch at all: the whole, a part of it, something within a part. */
const AGAINST = [10, 2, 1] as const;

/** How far what was given is from one of several shapes. */
const misfit = (issues: readonly Issue[]): number =>
  issues.reduce((sum, { path }) => sum + AGAINST[Math.min(path.length, AGAINST.length - 1)]!, 0);

/** Where one of several shapes would do, what is wrong with the one that comes nearest. */
function unfolded(issue: Issue, base: readonly PropertyKey[], say: SayIssue): FieldFault[] {
  const path = [...base, ...issue.path];
  if (issue.code === 'unrecognized_keys')
    return issue.keys.map((key) => ({
      pointer: pointerOf([...path, key]),
      detail: say({ ...issue, keys: [key] }),
    }));
  if (issue.code !== 'invalid_union' || issue.errors.length === 0)
    return [{ pointer: pointerOf(path), detail: say(issue) }];
  const nearest = issue.errors.reduce((best, branch) => (misfit(branch) < misfit(best) ? branch : best));
  return nearest.flatMap((inner) => unfolded(inner, path, say));
}

/** @param say puts what is wrong into words */
export const faultsOf = (error: z.ZodError, say: SayIssue): FieldFault[] =>
  error.issues.flatMap((issue) => unfolded(issue, [], say));
