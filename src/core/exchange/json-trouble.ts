/** What a JSON text holds that reading it would hide, or choke on: a key given twice, and nesting without end. */

/** Deeper than any document goes; beyond, somebody plays a trick. */
export const MOST_DEPTH = 30;

export interface JsonTrouble {
  readonly reason: 'keyTwice' | 'tooDeep';
  readonly value: string;
  /** Place among the items of the list that the file is about, from 1; 0 outside. */
  readonly item: number;
}

interface Level {
  readonly keys: Set<string> | null;
  expectsKey: boolean;
}

/** The end of a string that begins at `from`, past its closing quote. */
function stringEnd(text: string, from: number): number {
  let i = from + 1;
  while (i < text.length && text[i] !== '"') i += text[i] === '\\' ? 2 : 1;
  return i + 1;
}

/** Depth at which the items of the file's list stand. */
const ITEM_DEPTH = 3;

/**
 * Returns the first trouble of a text that is JSON; null where there is none.
 * @returns null where there is none; `text` has to be JSON. Definition.
 * @example
 * [jsonTrouble('{"a":1}'), jsonTrouble('{"a":1,"a":2}')?.reason] // => [null, 'keyTwice']
 */
export function jsonTrouble(text: string): JsonTrouble | null {
  const levels: Level[] = [];
  let item = 0;
  for (let i = 0; i < text.length; i++) {
    const sign = text[i];
    const level = levels.at(-1);
    if (sign === '"') {
      const end = stringEnd(text, i);
      if (level?.keys && level.expectsKey) {
        // As it means, not as it is written: "a" and "\u0061" are one key.
        const key = JSON.parse(text.slice(i, end)) as string;
        if (level.keys.has(key)) return { reason: 'keyTwice', value: key, item };
        level.keys.add(key);
        level.expectsKey = false;
      }
      i = end - 1;
    } else if (sign === '{' || sign === '[') {
      levels.push({ keys: sign === '{' ? new Set() : null, expectsKey: sign === '{' });
      if (sign === '{' && levels.length === ITEM_DEPTH) item++;
      if (levels.length > MOST_DEPTH) return { reason: 'tooDeep', value: String(MOST_DEPTH), item };
    } else if (sign === '}' || sign === ']') {
      levels.pop();
      if (levels.length < ITEM_DEPTH - 1) item = 0;
    } else if (sign === ',' && level?.keys) level.expectsKey = true;
  }
  return null;
}
