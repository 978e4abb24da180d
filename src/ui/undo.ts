/** A deletion that can still be undone, kept for this tab so that it survives going to another page. */
import type { Deletion } from '../contract';
import { api } from './client';

const KEY = 'velto-undo';
/** Pages that the browser keeps for a lost connection; none may outlive the record it shows. */
const KEPT_PAGES = 'velto-pages';

export interface Undoable {
  readonly kind: 'sitter' | 'fitting';
  readonly id: string;
  readonly name: string;
  readonly undoUntil: string;
}

export function rememberDeletion(kind: Undoable['kind'], name: string, deletion: Deletion): void {
  sessionStorage.setItem(KEY, JSON.stringify({ kind, name, ...deletion } satisfies Undoable));
  if ('caches' in window) void caches.delete(KEPT_PAGES);
}

/** The last deletion, while it can be undone. */
export function lastDeletion(now: Date): Undoable | null {
  const kept = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Undoable | null;
  return kept && kept.undoUntil > now.toISOString() ? kept : null;
}

export const forgetDeletion = (): void => sessionStorage.removeItem(KEY);

/** Takes a deletion back. @returns the page of the record */
export async function undoDeletion({ kind, id }: Undoable): Promise<string> {
  if (kind === 'sitter') await api.restoreSitter(id);
  else await api.restoreFitting(id);
  forgetDeletion();
  return kind === 'sitter' ? `/people/${id}` : `/fittings/${id}`;
}
