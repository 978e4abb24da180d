/** A deletion that can still be undone, kept for this tab so that it survives going to another page. */
import type { Deletion } from '../contract';
import { api, call } from './client';
import { forgetKeptPages } from './kept-pages';
import { inTab } from './device-storage';

const KEY = 'velto-undo';

export interface Undoable {
  readonly kind: 'sitter' | 'fitting' | 'piece';
  readonly id: string;
  readonly name: string;
  readonly undoUntil: string;
  /** When this device lets it go, by its own clock, which may differ from the server's; ms. */
  readonly keptUntil: number;
}

const MINUTE_MS = 60_000;

export function rememberDeletion(kind: Undoable['kind'], name: string, deletion: Deletion): void {
  const { id, undoUntil, undoMinutes } = deletion;
  const keptUntil = Date.now() + undoMinutes * MINUTE_MS;
  const undoable: Undoable = { kind, id, name, undoUntil, keptUntil };
  inTab.set(KEY, JSON.stringify(undoable));
  void forgetKeptPages();
}

/** The last deletion, while it can be undone; after that the name is let go here as well. */
export function lastDeletion(): Undoable | null {
  const kept = JSON.parse(inTab.get(KEY) ?? 'null') as Undoable | null;
  if (kept && kept.keptUntil > Date.now()) return kept;
  forgetDeletion();
  return null;
}

export const forgetDeletion = (): void => inTab.remove(KEY);

const RESTORE: Readonly<Record<Undoable['kind'], (id: string) => Promise<unknown>>> = {
  sitter: api.restoreSitter,
  fitting: api.restoreFitting,
  piece: (id) => call('POST /tagged-seats/{id}/restore', { id }),
};
const PAGES = { sitter: '/people', fitting: '/fittings', piece: '/seats/tagged' } as const;

/** Takes a deletion back. @returns the page of the record */
export async function undoDeletion({ kind, id }: Undoable): Promise<string> {
  await RESTORE[kind](id);
  forgetDeletion();
  return `${PAGES[kind]}/${id}`;
}
