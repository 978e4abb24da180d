// Bundles the benchmarks as the product is bundled, and runs them: `npm run bench -- --json`.
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, bundleForNode, checkNode, run } from './machine.mjs';

checkNode();
const folder = join(ROOT, 'node_modules', '.velto-bench');
mkdirSync(folder, { recursive: true });
// Some bring compilers and browsers along, which cannot be bundled.
const [outfile, thread] = ['run', 'thread'].map((name) => {
  const file = join(folder, `${name}.mjs`);
  bundleForNode(`bench/${name}.ts`, file, 'Bundling the benchmarks', { packages: 'outside' });
  return file;
});
run(process.execPath, [outfile, ...process.argv.slice(2)], 'The benchmarks');
for (const file of [outfile, thread]) rmSync(file, { force: true });
