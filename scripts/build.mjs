// Builds the pages and the server around them into dist/.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, checkNode, run } from './machine.mjs';

checkNode();
rmSync(join(ROOT, 'dist'), { recursive: true, force: true });
run('npx', ['astro', 'build', '--silent'], 'Building the pages');
run(
  'npx',
  [
    'esbuild',
    'src/server/serve.ts',
    '--bundle',
    '--packages=external',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--outfile=dist/serve.mjs',
    '--log-level=warning',
  ],
  'Bundling the server',
);
