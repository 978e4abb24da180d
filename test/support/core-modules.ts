/** Every module of the core, and everything that they export, by name. */
import { readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

export const ROOT = resolve(import.meta.dirname, '../..');
export const CORE = join(ROOT, 'src/core');

export const coreFiles = (): string[] =>
  readdirSync(CORE, { recursive: true })
    .map(String)
    .filter((name) => name.endsWith('.ts'))
    .sort();

export async function coreExports(): Promise<Record<string, unknown>> {
  const all: Record<string, unknown> = {};
  for (const name of coreFiles())
    if (name.endsWith('index.ts')) Object.assign(all, await import(pathToFileURL(join(CORE, name)).href));
  return all;
}
