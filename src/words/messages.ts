/** The compiled catalogue: from keys to functions that put values into sentences. No parser comes along. */
import type { ABOUTS, CARDS, COMMON, PAGES, SERVER, SHEET, WALK } from './en-GB';
import common from './compiled/common';

type Catalogue = typeof ABOUTS &
  typeof COMMON &
  typeof PAGES &
  typeof SERVER &
  typeof SHEET &
  typeof WALK &
  typeof CARDS;
export type WordKey = keyof Catalogue;

/** The names of what a message in ICU format takes: of nested ones the outer and the inner. */
type NameIn<Hole extends string> = Hole extends `${infer Name},${string}` ? Name : Hole;
type Plain<Name extends string> = Name extends `{${infer Inner}`
  ? Plain<Inner>
  : Name extends `${string} ${string}` | `#${string}` | ''
    ? never
    : Name;
type HolesOf<Text extends string> = Text extends `${string}{${infer Hole}}${infer Rest}`
  ? Plain<NameIn<Hole>> | HolesOf<Rest>
  : never;
export type ValuesOf<Key extends WordKey> = Readonly<Record<HolesOf<Catalogue[Key]>, string | number>>;
/** Keys of messages that take no values. */
export type PlainKey = { [Key in WordKey]: [HolesOf<Catalogue[Key]>] extends [never] ? Key : never }[WordKey];

/** What goes into a sentence: text as it is to be read, or a number that decides between singular and plural. */
export type Values = Readonly<Record<string, string | number>>;
export type MessageFunction = (values: Values) => string;

const messages = new Map<string, MessageFunction>(Object.entries(common));

/** Adds the messages of a page that brings its own. */
export function addMessages(more: Readonly<Record<string, MessageFunction>>): void {
  for (const [key, message] of Object.entries(more)) messages.set(key, message);
}

export const isWordKey = (key: string): key is WordKey => messages.has(key);

/** Returns a message with its values; of a key that no catalogue has the key itself, so that the gap is seen. */
export const t = (key: string, values: Values = {}): string => String(messages.get(key)?.(values) ?? key);
