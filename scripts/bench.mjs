// Bundles the benchmarks as the product is bundled, and runs them: `npm run bench -- --json`.
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, bundleForNode, checkNode, run } from './machine.mjs';

checkNode();
const folder = join(ROOT, 'node_modules', '.velto-bench');
mkdirSync(folder, { recursive: true });
const outfile = join(folder, 'run.mjs');
// Some bring compilers and browsers along, which cannot be bundled.
bundleForNode('bench/run.ts', outfile, 'Bundling the benchmarks', { packages: 'outside' });
run(process.execPath, [outfile, ...process.argv.slice(2)], 'The benchmarks');
rmSync(outfile, { force: true });
