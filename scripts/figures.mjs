// Draws the figures of docs/model.md anew: `node scripts/figures.mjs`.
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, checkNode, run } from './machine.mjs';

checkNode();
const build = join(ROOT, 'node_modules', '.velto-figures');
const [folder = join(ROOT, 'docs', 'figures')] = process.argv.slice(2);
for (const made of [build, folder]) mkdirSync(made, { recursive: true });
run(
  'npx',
  [
    'esbuild',
    'scripts/figures.ts',
    '--bundle',
    '--packages=external',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--loader:.css=local-css',
    '--minify-whitespace',
    `--outfile=${join(build, 'figures.mjs')}`,
    '--log-level=warning',
  ],
  'Bundling the figures',
);
run(
  process.execPath,
  [join(build, 'figures.mjs'), folder, join(build, 'figures.css')],
  'Drawing the figures',
);
rmSync(build, { recursive: true, force: true });
