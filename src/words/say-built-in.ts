/** Names of methods and body-size tables: of built-in ones by the catalogue, of a practice’s own as they were typed. */
import { isWordKey, t } from './messages';

interface Named {
  readonly id: string;
  readonly name: string;
}

const worded = (key: string, typed: string): string => (isWordKey(key) ? t(key) : typed);

/** Returns the name of a method. */
export const sayMethod = ({ id, name }: Named): string => worded(`method.${id}`, name);

/** Returns what a method is for, in a sentence or two. */
export const sayMethodAbout = ({ id, summary }: { readonly id: string; readonly summary: string }): string =>
  worded(`method.${id}.about`, summary);

/** Returns the name of a step of a method, counted from 0, and what to do in it. */
export const sayStep = (
  { id }: { readonly id: string },
  number: number,
  step: { readonly name: string; readonly instruct: string },
): { readonly name: string; readonly instruct: string } => ({
  name: worded(`method.${id}.step${number + 1}`, step.name),
  instruct: worded(`method.${id}.step${number + 1}.instruct`, step.instruct),
});

/** Returns the name of a body-size table. */
export const sayTable = ({ id, name }: Named): string => worded(`table.${id}`, name);
