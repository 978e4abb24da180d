/** What this browser keeps for itself, in IndexedDB: entries on their way and drafts of what is being typed. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { onDevice } from '../device-storage';
import type { Entry, EntryStore } from './entry';

interface Kept extends DBSchema {
  entries: { key: number; value: Entry };
  drafts: { key: string; value: unknown };
}

const NAME = 'velto';
const VERSION = 1;

let opened: Promise<IDBPDatabase<Kept>> | null = null;

function device(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>(NAME, VERSION, {
    upgrade(db) {
      db.createObjectStore('entries', { keyPath: 'seq', autoIncrement: true });
      db.createObjectStore('drafts');
    },
  });
  return opened;
}

export const deviceEntries: EntryStore = {
  all: async () => (await device()).getAll('entries'),
  put: async (entry) => {
    // An entry without `seq` gets the next one: the key generator counts on even after everything has gone.
    const transaction = (await device()).transaction('entries', 'readwrite', { durability: 'strict' });
    const seq = await transaction.store.put(entry as Entry);
    await transaction.done;
    return seq;
  },
  remove: async (seq) => {
    await (await device()).delete('entries', seq);
  },
};

/** Where the browser keeps nothing (a private window, a full disk): entries live as long as the page. */
export function memoryEntries(): EntryStore {
  const kept = new Map<number, Entry>();
  let last = 0;
  return {
    all: () => Promise.resolve([...kept.values()].sort((a, b) => a.seq - b.seq)),
    put: (entry) => {
      const seq = entry.seq ?? ++last;
      kept.set(seq, { ...entry, seq });
      return Promise.resolve(seq);
    },
    remove: (seq) => {
      kept.delete(seq);
      return Promise.resolve();
    },
  };
}

/** Drafts are written here at once, and to the database as soon as it can: a page may be closed in between. */
const AT_ONCE = 'velto-draft:';

/** Returns a draft, the newest there is; null where there is none. */
export async function loadDraft(key: string): Promise<unknown> {
  const newest = onDevice.get(AT_ONCE + key);
  if (newest !== null) return JSON.parse(newest) as unknown;
  return (await device()).get('drafts', key);
}

/** Keeps a draft; `null` forgets it. */
export async function keepDraft(key: string, value: unknown): Promise<void> {
  const text = JSON.stringify(value);
  onDevice.set(AT_ONCE + key, text);
  const db = await device();
  if (value === null) await db.delete('drafts', key);
  else await db.put('drafts', value, key);
  // Another one may have come since: that one stays until it is in the database itself.
  if (onDevice.get(AT_ONCE + key) === text) onDevice.remove(AT_ONCE + key);
}
