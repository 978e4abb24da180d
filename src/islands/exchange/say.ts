import { word } from '../../words';

/** A sentence with its values. */
export const say = (key: string, values: Readonly<Record<string, string | number>>): string =>
  Object.entries(values).reduce(
    (text, [name, value]) => text.replace(`{${name}}`, () => String(value)),
    word(key),
  );
