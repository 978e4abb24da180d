/** Saving of documents of which every version stays: seats, workstations, methods. */
import { done, refused, type Outcome } from '../contract';
import type { Queries } from '../data/client';
import { write, type Context } from './context';
import { isEdited, type EditedVersion } from './edited';

/** How one document is kept. */
export interface Keeping<S extends { readonly version: number }> {
  readonly newest: (q: Queries) => Promise<S | null>;
  /** Whether the newest version says the same already. */
  readonly isSame: (newest: S) => boolean;
  /** Inserts the document as this version. */
  readonly insert: (q: Queries, versionId: string, number: number, at: string) => Promise<S>;
}

/**
 * Saves a document as a new record, or as a new version of one; older versions stay.
 * @param version that was edited; null for a new record, where the same again gives the first and the same id with
 * other contents is refused (`idInUse`)
 * @returns the saved version; `changedMeanwhile` with the newest one where somebody was faster, `notFound` where there
 * is none to edit
 */
export function saveVersion<S extends { readonly version: number }>(
  ctx: Context,
  version: EditedVersion | null,
  { newest, isSame, insert }: Keeping<S>,
): Promise<Outcome<S>> {
  return write(ctx, async (q) => {
    const current = await newest(q);
    if (current && version === null) return isSame(current) ? done(current) : refused('idInUse', { current });
    if (current && version !== null && !isEdited(version, current.version))
      return refused('changedMeanwhile', { current });
    if (!current && version !== null) return refused('notFound');
    return done(await insert(q, ctx.newId(), (current?.version ?? 0) + 1, ctx.now().toISOString()));
  });
}
