// What the scripts share: no dependency but Node itself, since they run before anything is installed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));
const NODE_MAJOR = 20;
const NODE_MINOR = 19;

export function fail(message) {
  console.error(`velto: ${message}`);
  process.exit(1);
}

/** Ends with a plain sentence where this Node cannot run the program. */
export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major === NODE_MAJOR && minor >= NODE_MINOR) return;
  fail(
    `Node ${NODE_MAJOR} (${NODE_MAJOR}.${NODE_MINOR} or later) is needed; this is ${process.versions.node}.`,
  );
}

/** Runs a command with its output shown, on standard error where the program's own output is data; ends where it fails. */
export function run(command, args, what, { asError = false } = {}) {
  const result = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['inherit', asError ? 2 : 'inherit', 'inherit'],
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
  });
  if (result.error) fail(`${what} failed: ${result.error.message}`);
  if (result.status !== 0) fail(`${what} failed (exit code ${result.status}). The lines above say why.`);
}

/** Packages that load files of their own at run time: native parts, fonts, threads. They are not bundled. */
export const STAYS_OUTSIDE = ['libsql', '@libsql/client', '@neon-rs/load', 'pdfkit', 'piscina'];
/** Packages of the older form ask for parts of Node by this name. */
export const REQUIRE =
  "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);";

/**
 * Bundles a source for Node, with the packages that it needs but for those that stay outside.
 * @param packages `outside`: none of them is bundled; the outfile has to lie where they are found
 */
export function bundleForNode(source, outfile, what, { packages = 'inside' } = {}) {
  run(process.execPath, ['scripts/words.mjs'], 'Compiling the words');
  const outside =
    packages === 'outside' ? ['--packages=external'] : STAYS_OUTSIDE.map((name) => `--external:${name}`);
  run(
    'npx',
    [
      'esbuild',
      source,
      '--bundle',
      ...outside,
      `--banner:js=${REQUIRE}`,
      '--platform=node',
      '--format=esm',
      '--target=node20',
      `--outfile=${outfile}`,
      '--log-level=warning',
    ],
    what,
  );
}

const fingerprint = (file) =>
  createHash('sha256')
    .update(readFileSync(join(ROOT, file)))
    .digest('hex');

/** Installs the locked packages where they are missing or the lock file has changed since. */
export function installPackages(options = {}) {
  const mark = join(ROOT, 'node_modules', '.velto-lock');
  const wanted = fingerprint('package-lock.json');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  console.error('Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], 'Installing packages (npm ci)', options);
  writeFileSync(mark, wanted);
}

const SOURCES = [
  'src',
  'drizzle',
  'scripts/build.mjs',
  'scripts/words.mjs',
  'astro.config.mjs',
  'postcss.config.cjs',
  'tsconfig.json',
  'package-lock.json',
];

function filesIn(path) {
  const full = join(ROOT, path);
  if (!statSync(full).isDirectory()) return [path];
  return readdirSync(full, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name).slice(ROOT.length));
}

/** Builds where any source differs from the ones last built; contents count, not times. */
export function buildIfStale(options = {}) {
  run(process.execPath, ['scripts/words.mjs'], 'Compiling the words', options);
  const hash = createHash('sha256');
  for (const file of SOURCES.flatMap(filesIn).sort())
    hash.update(file).update(readFileSync(join(ROOT, file)));
  const wanted = hash.digest('hex');
  const mark = join(ROOT, 'dist', '.sources');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  console.error('Building …');
  run(process.execPath, ['scripts/build.mjs'], 'Building', options);
  mkdirSync(dirname(mark), { recursive: true });
  writeFileSync(mark, wanted);
}
