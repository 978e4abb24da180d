/**
 * A sentence as data: a key of the wording table and the values that go into it. The core never holds words of
 * its own; screens, card and paper say the same thing because they say the same message.
 */
export type MessageValue =
  | { readonly mm: number }
  /** A length that only has a size, said without its sign. */
  | { readonly sizeMm: number }
  | { readonly deg: number }
  | { readonly kg: number }
  | { readonly turns: number }
  | { readonly count: number }
  /** So many positions or strokes of a control. */
  | { readonly steps: number }
  | { readonly percent: number }
  /** A method: by its own name, or by its id where it is built in. */
  | { readonly method: { readonly id: string; readonly name: string } }
  /** Text that somebody typed (a name). */
  | { readonly text: string }
  /** Another entry of the wording table. */
  | { readonly word: string }
  /** Several entries, said as a list. */
  | { readonly words: readonly string[] };

export interface Message {
  readonly key: string;
  readonly values: Readonly<Record<string, MessageValue>>;
}

/**
 * A sentence that is said where it is read.
 * @returns the key with its values; said by `say` of the words. Definition.
 * @example
 * message('places.below', { by: { mm: 30 } }) // => { key: 'places.below', values: { by: { mm: 30 } } }
 */
export function message(key: string, values: Readonly<Record<string, MessageValue>> = {}): Message {
  return { key, values };
}
