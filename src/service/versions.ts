/** Saving of records of which every version stays: seats, workstations, methods, body-size tables. */
import { done, refused, type Outcome } from '../contract';
import type { RecordState } from '../contract/catalogue';
import type { Queries } from '../data/client';
import { isSameContent } from '../data/content';
import { ALL_DOCUMENTS } from '../data/documents/kinds';
import type { Version, VersionedDocuments } from '../data/documents/versioned';
import { write, type Context } from './context';
import { isEdited, type EditedVersion } from './edited';

interface Saving<T, A> {
  readonly document: T;
  /** That was edited; null for a new record, where the same again gives the first. */
  readonly version: EditedVersion | null;
  /** How a version is answered, as the saved one or the one that was met. */
  readonly answer: (q: Queries, saved: Version<T>) => Promise<A> | A;
  /** Into which state the record comes; absent: it stays as it is, and a new one is as the store begins it. */
  readonly state?: RecordState;
}

/**
 * Saves a document as a new record, or as a new version of one; older versions stay.
 * @returns the saved version; `idInUse` where a new record has the id of another one, `changedMeanwhile` with the newest
 * version where somebody was faster, `notFound` where there is none to edit
 */
export function saveVersion<T extends { readonly id: string; readonly name: string }, S, A>(
  ctx: Context,
  documents: VersionedDocuments<T, S>,
  { document, version, answer, state }: Saving<T, A>,
): Promise<Outcome<A>> {
  return write(ctx, async (q) => {
    const current = await documents.newest(q, document.id);
    if (current && version === null)
      return isSameContent(current.document, document)
        ? done(await answer(q, current))
        : refused('idInUse', { current: await answer(q, current) });
    if (current && version !== null && !isEdited(version, current.number))
      return refused('changedMeanwhile', { current: await answer(q, current) });
    if (!current && version !== null) return refused('notFound');
    const saved = {
      versionId: ctx.newId(),
      number: (current?.number ?? 0) + 1,
      savedAt: ctx.now().toISOString(),
      document,
    };
    const put = state && {
      state,
      stateAt: saved.savedAt,
      stateBy: ctx.actor.fitter?.name ?? null,
    };
    await documents.insert(q, saved, put);
    return done(await answer(q, saved));
  });
}

/** Returns what a lookup found as an outcome. */
export async function found<T>(lookup: Promise<T | null>): Promise<Outcome<T>> {
  const value = await lookup;
  return value === null ? refused('notFound') : done(value);
}

/** So many records are listed anew before others may write. */
const CHUNK = 50;

/** Brings what lists show of documents to the form of this program, as far as an earlier one wrote it. */
export async function refreshLists(ctx: Context): Promise<void> {
  for (const documents of ALL_DOCUMENTS)
    while ((await ctx.store.write((q) => documents.refresh(q, CHUNK))) > 0);
}
