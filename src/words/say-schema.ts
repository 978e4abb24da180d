/** Says what a schema finds wrong with what was sent. */
import type { z } from 'zod';
import { isWordKey, t, type Values } from './messages';
import './server';

type Issue = z.core.$ZodIssue;

/** For a check whose faults are said: what was given tells what is missing from what is of the wrong form. */
export const WITH_INPUT = { reportInput: true } as const;

/** Whether a limit is a number of its own, a length of text or of a list; a limit that is not reached itself has its own words. */
function limitWords(
  side: 'least' | 'most',
  origin: string,
  { limit, isReached }: { readonly limit: number | bigint; readonly isReached: boolean },
): string {
  const beyond = side === 'least' ? 'above' : 'below';
  const kind = origin === 'string' || origin === 'array' ? origin : isReached ? 'number' : beyond;
  return t(`schema.${side}.${kind}`, { limit: Number(limit) });
}

const wordsOr = (key: string, other: string): string => t(isWordKey(key) ? key : other);

/** One sentence. Own checks name their words in the issue's message, with values in its `params`. */
export function sayIssue(issue: Issue): string {
  if (isWordKey(issue.message))
    return t(issue.message, (issue.code === 'custom' ? issue.params : undefined) as Values | undefined);
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? t('schema.missing')
        : wordsOr(`schema.type.${issue.expected}`, 'schema.object');
    case 'too_small':
      return limitWords('least', issue.origin, {
        limit: issue.minimum,
        isReached: issue.inclusive !== false,
      });
    case 'too_big':
      return limitWords('most', issue.origin, {
        limit: issue.maximum,
        isReached: issue.inclusive !== false,
      });
    case 'invalid_value':
      return t(issue.values.length === 1 ? 'schema.choice' : 'schema.choices', {
        values: issue.values.map(String).join(', '),
      });
    case 'invalid_format':
      return wordsOr(`schema.format.${issue.format}`, 'schema.format');
    case 'unrecognized_keys':
    case 'invalid_key':
      return t('schema.unknown');
    case 'custom':
    case 'invalid_element':
    case 'invalid_union':
    case 'not_multiple_of':
      return t('schema.shape');
  }
}
