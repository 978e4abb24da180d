/**
 * Characters that nobody sees: two names with and without them look alike, and some turn the reading direction of what
 * stands after them. The joiners of scripts that need them (U+200C, U+200D) are let through within such scripts.
 */
const INVISIBLE =
  /[\u00AD\u061C\u180E\u200B\u200E\u200F\u2028-\u202E\u2060-\u206F\uFEFF\uFFF9-\uFFFB]|^[\u200C\u200D]|[\u200C\u200D]$|[\p{Script=Latin}\s][\u200C\u200D]|[\u200C\u200D][\p{Script=Latin}\s]/u;

/**
 * Returns whether a name holds a character that nobody sees and no script needs there.
 * @returns false for joiners that a script needs. Source: Unicode general categories.
 * @example
 * [hasInvisible('Yrsa'), hasInvisible('Yrsa\u200b')] // => [false, true]
 */
export const hasInvisible = (name: string): boolean => INVISIBLE.test(name);
