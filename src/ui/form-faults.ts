/** What the server finds wrong with what a form sent, put at the fields that it names. */
import type { FormErrors } from '@mantine/form';
import { ClientError, explain } from './client';

interface Faulty {
  readonly getValues: () => object;
  readonly setErrors: (errors: FormErrors) => void;
}

/** Returns what belongs to no field of the form, to be said beside it; null where every fault stands at its field. */
export function putFaults(form: Faulty, error: unknown): string | null {
  const named = (error instanceof ClientError ? error.problem?.errors : null) ?? [];
  const fields = Object.keys(form.getValues());
  const fieldOf = (pointer: string): string | undefined =>
    fields.find((field) => pointer === `/${field}` || pointer.startsWith(`/${field}/`));
  const placed = named.filter(({ pointer }) => fieldOf(pointer));
  form.setErrors(Object.fromEntries(placed.map(({ pointer, detail }) => [fieldOf(pointer)!, detail])));
  const other = named.find(({ pointer }) => !fieldOf(pointer));
  if (other) return other.detail;
  return placed.length > 0 ? null : explain(error);
}
