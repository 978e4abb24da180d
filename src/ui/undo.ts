/** A deletion that can still be undone, kept for this tab so that it survives going to another page. */
import type { Deletion } from '../contract';
import { api } from './client';
import { forgetKeptPages } from './kept-pages';

const KEY = 'velto-undo';

export interface Undoable {
  readonly kind: 'sitter' | 'fitting';
  readonly id: string;
  readonly name: string;
  readonly undoUntil: string;
}

export function rememberDeletion(kind: Undoable['kind'], name: string, deletion: Deletion): void {
  sessionStorage.setItem(KEY, JSON.stringify({ kind, name, ...deletion } satisfies Undoable));
  void forgetKeptPages();
}

/** The last deletion, while it can be undone; after that the name is let go here as well. */
export function lastDeletion(now: Date): Undoable | null {
  const kept = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Undoable | null;
  if (kept && kept.undoUntil > now.toISOString()) return kept;
  forgetDeletion();
  return null;
}

export const forgetDeletion = (): void => sessionStorage.removeItem(KEY);

/** Takes a deletion back. @returns the page of the record */
export async function undoDeletion({ kind, id }: Undoable): Promise<string> {
  if (kind === 'sitter') await api.restoreSitter(id);
  else await api.restoreFitting(id);
  forgetDeletion();
  return kind === 'sitter' ? `/people/${id}` : `/fittings/${id}`;
}
