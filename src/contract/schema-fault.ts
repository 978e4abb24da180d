/** What a schema finds wrong with a record of a file, as it is told to whoever has to put the file right. */
import type { z } from 'zod';

export type SchemaFault = 'missing' | 'notAChoice' | 'unknownKey' | 'notOfTheForm';

/** Returns what stands at a place of a value; undefined where there is no such place. */
export const valueAt = (value: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((v, key) => (v as Record<PropertyKey, unknown> | null | undefined)?.[key], value);

/** @param given what the schema looked at */
export function schemaFaultOf({ code, path }: z.core.$ZodIssue, given: unknown): SchemaFault {
  if (code === 'unrecognized_keys') return 'unknownKey';
  if (path.length > 0 && valueAt(given, path) === undefined) return 'missing';
  return code === 'invalid_value' ? 'notAChoice' : 'notOfTheForm';
}
