/** A text field of a submitted form, trimmed; empty where it is missing. */
export function fieldText(form: FormData, name: string): string {
  const value = form.get(name);
  return typeof value === 'string' ? value.trim() : '';
}
