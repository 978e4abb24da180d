/** Entity tags: a record goes by its version, as "3"; draft settings by their revision, as "draft-3". */
import type { EditedVersion } from '../service/edited';
import type { TagKind } from './route';

const PREFIX: Readonly<Record<TagKind, string>> = { record: '', draft: 'draft-' };
const MOST_DIGITS = 15;

export const tagOf = (kind: TagKind, version: number): string => `"${PREFIX[kind]}${version}"`;

/** Returns the version that `If-Match` names, weak or strong; `any` for `*`; null where it names none of this kind. */
export function readTag(header: string, kind: TagKind): EditedVersion | null {
  const given = header.trim();
  if (given === '*') return 'any';
  const match = /^(?:W\/)?"(draft-)?(\d+)"$/.exec(given);
  if (!match || (match[1] ?? '') !== PREFIX[kind]) return null;
  const digits = match[2] ?? '';
  return digits.length <= MOST_DIGITS ? Number(digits) : null;
}

/** Returns whether `If-None-Match` names a tag: then what it stands for is known already. */
export const isKnown = (header: string | null, tag: string): boolean =>
  header !== null &&
  (header.trim() === '*' ||
    header.split(',').some((one) => one.trim().replace(/^W\//, '') === tag.replace(/^W\//, '')));
