// Builds the pages and the server around them into dist/.
import { readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { ROOT, bundleForNode, checkNode, run } from './machine.mjs';
import { compileWords } from './words.mjs';

checkNode();
rmSync(join(ROOT, 'dist'), { recursive: true, force: true });
await compileWords();
run('npx', ['astro', 'build', '--silent'], 'Building the pages');
bundleForNode('src/server/serve.ts', 'dist/serve.mjs', 'Bundling the server');
bundleForNode('src/workers/thread.ts', 'dist/thread.mjs', 'Bundling the threads beside it');
bundleForNode('src/server/fit-lines.ts', 'dist/fit.mjs', 'Bundling the command line');

run(
  'npx',
  [
    'esbuild',
    'src/ui/offline-worker.ts',
    '--bundle',
    '--minify',
    '--format=iife',
    '--target=es2022',
    '--outfile=dist/client/offline.js',
    '--log-level=warning',
  ],
  'Bundling the service worker',
);

/** Below this a compressed copy saves nothing, bytes. */
const WORTH_COMPRESSING = 1024;
const TEXT = /\.(js|css|svg|json|html|txt)$/;

// Compressed once here, so that serving them costs nothing.
const client = join(ROOT, 'dist', 'client');
for (const entry of readdirSync(client, { recursive: true })) {
  const file = join(client, String(entry));
  if (!TEXT.test(file) || !statSync(file).isFile() || statSync(file).size < WORTH_COMPRESSING) continue;
  const content = readFileSync(file);
  writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  writeFileSync(
    `${file}.br`,
    brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
  );
}
