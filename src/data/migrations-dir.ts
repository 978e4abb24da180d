import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The drizzle/ folder, from wherever this module ends up: src/data, dist, or a chunk of the built server. */
export function migrationsDir(from: string = import.meta.url): string {
  for (let dir = dirname(fileURLToPath(from)); ; dir = dirname(dir)) {
    const candidate = join(dir, 'drizzle');
    if (existsSync(join(candidate, 'meta', '_journal.json'))) return candidate;
    if (dirname(dir) === dir) throw new Error(`no drizzle/ folder above ${from}`);
  }
}
