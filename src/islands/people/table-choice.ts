/** Which table of bodies this device estimates by. */
import { useSyncExternalStore } from 'react';

const KEY = 'velto-table';
const listeners = new Set<() => void>();
/** What was chosen where a browser keeps nothing. */
let unkept: string | null = null;

function read(): string | null {
  try {
    return localStorage.getItem(KEY) ?? unkept;
  } catch {
    return unkept;
  }
}

export function chooseTable(id: string): void {
  unkept = id;
  try {
    localStorage.setItem(KEY, id);
  } catch {
    // It holds as long as the page.
  }
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The table's id; null where nobody has chosen one. */
export const useTableChoice = (): string | null => useSyncExternalStore(subscribe, read, () => null);

/** The chosen table, or the first where nobody has chosen one of these. */
export const tableOf = <T extends { readonly id: string }>(tables: readonly T[], id: string | null): T =>
  tables.find((table) => table.id === id) ?? tables[0]!;
