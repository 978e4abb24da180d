/** The application built in the made-up language, in a folder beside: its own words are compiled into `src`. */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { PSEUDO } from '../../scripts/words.mjs';

const PARTS = [
  'src',
  'public',
  'scripts',
  'drizzle',
  'astro.config.mjs',
  'package.json',
  'tsconfig.json',
  'postcss.config.cjs',
];

/** Returns the folder with the built application; @throws where it cannot be built. */
export function buildPseudo(): string {
  const folder = mkdtempSync(join(tmpdir(), 'velto-pseudo-'));
  for (const part of PARTS) cpSync(part, join(folder, part), { recursive: true });
  rmSync(join(folder, 'src/words/compiled/.sources'), { force: true });
  symlinkSync(resolve('node_modules'), join(folder, 'node_modules'));
  const { status, stderr } = spawnSync(process.execPath, ['scripts/build.mjs'], {
    cwd: folder,
    env: { ...process.env, VELTO_LANGUAGE: PSEUDO },
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(`the made-up language could not be built: ${stderr}`);
  return folder;
}
