/** What every stored or exchanged document is made of. Schemas are strict: an unknown key is refused. */
import { z } from 'zod';

/** The type of a document as it is handled: nobody changes one in place. */
export type Frozen<T> = T extends (infer U)[]
  ? readonly Frozen<U>[]
  : T extends object
    ? { readonly [K in keyof T]: Frozen<T[K]> }
    : T;

/** Longest name anybody may give; long enough for every real one. */
export const NAME_LIMIT = 120;
const NOTES_LIMIT = 2000;
/** Beyond this a number is a slip, whatever it measures. */
const LARGEST = 1e6;

export const Id = z.uuid();
/** Names something within its document. */
export const Slug = z.string().regex(/^[a-zA-Z0-9-]{1,60}$/);
export const Name = z.string().trim().min(1).max(NAME_LIMIT);
export const Notes = z.string().max(NOTES_LIMIT);
export const Finite = z.number().min(-LARGEST).max(LARGEST);
/** A line of text that may be empty. */
export const Line = z.string().max(300);
